import type { Rule } from './finding.ts';

export const noSun: Rule = ({ figures }) =>
  figures['sun.hours'].value > 0.05
    ? []
    : [{ code: 'no-sun', severity: 'caution', where: { step: 'result', figure: 'sun.hours' }, values: {} }];

/** The usual day spends more than comes in: the store runs down even without a cloudy spell. */
export const balanceShort: Rule = ({ figures, job }) => {
  const net = figures['balance.net'].value;
  if (net >= -0.5) return [];
  const usable = figures['store.usable'].value;
  return [
    {
      code: 'balance-short',
      severity: 'caution',
      where: { step: 'result', figure: 'balance.net' },
      values: { shortWh: -net, days: usable / -net, nights: job.brief.nightsOffGrid },
    },
  ];
};

/** The DC-DC charger wants more than the alternator should give. */
export const dcdcLimited: Rule = ({ figures }) => {
  const ratingA = figures['dcdc.rating'].value;
  const limitA = figures['alternator.limit'].value;
  if (ratingA <= limitA + 1e-9) return [];
  return [
    {
      code: 'dcdc-limited',
      severity: 'caution',
      where: { step: 'result', figure: 'dcdc.rating' },
      values: { ratingA, limitA },
    },
  ];
};
