import { designMonth } from '../sun/day.ts';
import { monthlyExtraterrestrialKwh } from '../sun/geometry.ts';
import { monthName } from '../sun/months.ts';
import type { Rule } from './finding.ts';

export const noSun: Rule = ({ sun }) =>
  sun.sunHours > 0.05
    ? []
    : [{ code: 'no-sun', severity: 'caution', where: { step: 'result', figure: 'sun.hours' }, values: {} }];

/** The clearest skies: above this share of what falls above the air a figure is asked about. Common practice. */
const CLEAREST = 0.8;

/** Typed sun hours against what the sky can give, in the months they are of. */
export const sunHoursDoubtful: Rule = ({ job }) => {
  const { place } = job.brief;
  const table = place.monthly.peakSunHours;
  const typed = table
    ? table.map((hours, i) => ({ hours, month: i + 1 }))
    : place.peakSunHours === null
      ? []
      : [{ hours: place.peakSunHours, month: designMonth(job.brief) }];
  const doubtful = typed.flatMap(({ hours, month }) => {
    const above = monthlyExtraterrestrialKwh(place.latitudeDeg, month);
    if (hours <= CLEAREST * above + 1e-9) return [];
    return [{ hours, share: above > 0 ? hours / above : Number.MAX_VALUE, month: monthName(month) }];
  });
  const [worst] = [...doubtful].sort((a, b) => b.share - a.share);
  if (!worst) return [];
  return [
    {
      code: 'sun-hours-doubtful',
      severity: worst.share > 1 ? 'stop' : 'caution',
      where: { step: 'brief', figure: 'sun.hours' },
      values: { ...worst, others: doubtful.length - 1 },
    },
  ];
};

/**
 * The usual day spends more than comes in: the store runs down even without a cloudy spell. Counted by the day as it
 * goes, in which what the sun feeds directly does not pass through the store.
 */
export const balanceShort: Rule = ({ store, job, income }) => {
  const net = income.driftWh;
  if (net >= -0.5) return [];
  return [
    {
      code: 'balance-short',
      severity: 'caution',
      where: { step: 'result', figure: 'balance.net' },
      values: { shortWh: -net, days: store.usableWh / -net, nights: job.brief.nightsOffGrid },
    },
  ];
};

/** The DC-DC charger wants more than the alternator should give. */
export const dcdcLimited: Rule = ({ driving }) => {
  const { ratingA } = driving;
  const limitA = driving.limit.outputA;
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
