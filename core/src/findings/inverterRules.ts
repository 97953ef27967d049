import { INVERTER_SIZES_W, nextSize } from '../reference/sizes.ts';
import type { Rule } from './finding.ts';

const AT_RATING = { step: 'result', figure: 'inverter.rating' } as const;

export const inverterTooSmall: Rule = ({ figures }) => {
  const ratingW = figures['inverter.rating'].value;
  const requiredW = figures['inverter.required'].value;
  if (ratingW === 0 || ratingW >= requiredW - 1e-9) return [];
  const overloaded = ratingW < figures['peak.continuous'].value;
  const marginTaken = ratingW / figures['peak.continuous'].value - 1;
  return [
    {
      code: 'inverter-too-small',
      severity: overloaded ? 'stop' : 'caution',
      where: AT_RATING,
      values: { ratingW, requiredW, worstW: figures['peak.continuous'].value, marginTaken },
    },
  ];
};

/** Two standard sizes or more above what is needed: it idles at its size, not at what is needed. */
export const inverterOversized: Rule = ({ figures }) => {
  const ratingW = figures['inverter.rating'].value;
  const requiredW = figures['inverter.required'].value;
  const enoughW = nextSize(INVERTER_SIZES_W, requiredW);
  if (enoughW === null || ratingW < 2 * enoughW || requiredW === 0) return [];
  return [
    {
      code: 'inverter-oversized',
      severity: 'note',
      where: AT_RATING,
      values: { ratingW, enoughW, idleWh: figures['loss.idle'].value },
    },
  ];
};

export const inverterParallel: Rule = ({ figures, option, inverterUnits }) =>
  inverterUnits > 1 && option.system.inverter.ratingW === null
    ? [
        {
          code: 'inverter-parallel',
          severity: 'caution',
          where: AT_RATING,
          values: { units: inverterUnits, requiredW: figures['inverter.required'].value },
        },
      ]
    : [];

/** Idle above a quarter of the need: the switch is worth more than any appliance. */
export const idleDominates: Rule = ({ figures, option }) => {
  const idleWh = figures['loss.idle'].value;
  const needWh = figures['demand.battery'].value;
  if (idleWh <= 0.25 * needWh) return [];
  return [
    {
      code: 'idle-dominates',
      severity: 'caution',
      where: { step: 'result', figure: 'loss.idle' },
      values: { idleWh, share: idleWh / needWh, policy: option.system.inverter.policy },
    },
  ];
};

/** Mains wiring on board is for licensed people; shown whenever there is an inverter. */
export const mainsLicensed: Rule = ({ job, figures }) =>
  figures['inverter.rating'].value > 0
    ? [
        {
          code: 'mains-licensed',
          severity: 'note',
          where: AT_RATING,
          values: { volts: job.brief.region.mains === '230V-50Hz' ? 230 : 120 },
        },
      ]
    : [];
