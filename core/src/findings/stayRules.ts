import type { Rule } from './finding.ts';

/** Unserved energy worth a word: what an average hour of the day asks for. Less is within what the model can tell. From memory. */
const WORTH_A_WORD_H = 1;

/** Played through hour by hour, the stay has a time at which the store has nothing left to give. */
export const runsShort: Rule = ({ stay, bus }) => {
  const { worst, shortFromDay, days, worstDay } = stay;
  const dayWh = bus.busW.reduce((sum, w) => sum + w, 0) / 60;
  const { unservedWh } = worst.books;
  if (shortFromDay === null || worst.unservedFromMin === null || unservedWh * 24 < dayWh * WORTH_A_WORD_H) return [];
  return [
    {
      code: 'runs-short',
      severity: 'caution',
      where: { step: 'days', figure: 'balance.net' },
      values: { fromDay: shortFromDay, worstDay, days, atMin: worst.unservedFromMin, unservedWh },
    },
  ];
};
