import { INVERTER_SIZES_W, nextSize } from '../reference/sizes.ts';
import type { Rule } from './finding.ts';

const AT_RATING = { step: 'result', figure: 'inverter.rating' } as const;

export const inverterTooSmall: Rule = ({ figures, inverters }) =>
  inverters.flatMap(({ device, ratingW, ids }) => {
    const requiredW = figures[ids.required]?.value ?? 0;
    const worstW = figures[ids.continuous]?.value ?? 0;
    if (ratingW === 0 || ratingW >= requiredW - 1e-9) return [];
    return [
      {
        code: 'inverter-too-small',
        severity: ratingW < worstW ? 'stop' : 'caution',
        where: { step: 'result', figure: ids.rating },
        values: { name: device.name, ratingW, requiredW, worstW, marginTaken: ratingW / worstW - 1 },
      },
    ];
  });

/** Two standard sizes or more above what is needed: it idles at its size, not at what is needed. */
export const inverterOversized: Rule = ({ figures, inverters, bus }) =>
  inverters.flatMap(({ device, ratingW, ids }) => {
    const requiredW = figures[ids.required]?.value ?? 0;
    const enoughW = nextSize(INVERTER_SIZES_W, requiredW);
    if (enoughW === null || ratingW < 2 * enoughW || requiredW === 0) return [];
    const day = bus.devices.find(({ feed }) => feed.device.id === device.id);
    return [
      {
        code: 'inverter-oversized',
        severity: 'note',
        where: { step: 'result', figure: ids.rating },
        values: { ratingW, enoughW, idleWh: (day?.heldIdleWh ?? 0) + (day?.unattendedIdleWh ?? 0) },
      },
    ];
  });

export const inverterParallel: Rule = ({ figures, inverters }) =>
  inverters
    .filter(({ units, device }) => units > 1 && device.ratingW === null)
    .map(({ units, ids }) => ({
      code: 'inverter-parallel',
      severity: 'caution',
      where: { step: 'result', figure: ids.rating },
      values: { units, requiredW: figures[ids.required]?.value ?? 0 },
    }));

/** Idle above a quarter of the need: the switch is worth more than any appliance. */
export const idleDominates: Rule = ({ figures, inverters }) => {
  const idleWh = figures['loss.idle'].value;
  const needWh = figures['demand.battery'].value;
  if (idleWh <= 0.25 * needWh) return [];
  return [
    {
      code: 'idle-dominates',
      severity: 'caution',
      where: { step: 'result', figure: 'loss.idle' },
      values: { idleWh, share: idleWh / needWh, policy: inverters[0]?.device.policy ?? 'with-loads' },
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
