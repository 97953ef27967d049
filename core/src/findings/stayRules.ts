import { isWorthAWord } from '../battery/day.ts';
import { wattHours } from '../sources/source.ts';
import type { Rule } from './finding.ts';

/** Played through hour by hour, the stay has a time at which the store has nothing left to give. */
export const runsShort: Rule = ({ stay, bus }) => {
  const { worst, shortFromDay, days, worstDay } = stay;
  const { unservedWh } = worst.books;
  if (shortFromDay === null || worst.unservedFromMin === null || !isWorthAWord(unservedWh, wattHours(bus.busW)))
    return [];
  return [
    {
      code: 'runs-short',
      severity: 'caution',
      where: { step: 'days', figure: 'balance.net' },
      values: { fromDay: shortFromDay, worstDay, days, atMin: worst.unservedFromMin, unservedWh },
    },
  ];
};
