import { factorsOf } from '../moment/inverterSize.ts';
import { INVERTER_SIZES_W, nextSize } from '../reference/sizes.ts';
import type { Rule } from './finding.ts';
import { namesOf } from './names.ts';

const AT_RATING = { step: 'moment', figure: 'inverter.rating' } as const;

/** Below what runs (stop), or below the margin that the school asks over it (caution). */
export const inverterTooSmall: Rule = ({ inverters }) =>
  inverters.flatMap(({ device, ratingW, ids, need, moment }) => {
    const requiredW = Math.max(need.byPowerW, need.byApparentW);
    const worstW = moment.continuous.weight;
    // Watts and volt-amperes are both its limits: in W of this unit.
    const worstVa = moment.apparent.weight * factorsOf(device).wattsPerVa;
    if (ratingW === 0 || ratingW >= requiredW - 1e-9) return [];
    return [
      {
        code: 'inverter-too-small',
        severity: ratingW < Math.max(worstW, worstVa) - 1e-9 ? 'stop' : 'caution',
        where: { step: 'moment', figure: ids.rating },
        values: {
          name: device.name,
          ratingW,
          requiredW,
          worstW: Math.max(worstW, worstVa),
          unit: worstVa > worstW ? 'VA' : 'W',
          marginTaken: ratingW / Math.max(worstW, worstVa) - 1,
        },
      },
    ];
  });

/** A start that it does not hold, or not for as long as it lasts. */
export const inverterStart: Rule = ({ inverters, job }) =>
  inverters.flatMap(({ device, moment, trips, ids }) =>
    trips
      .filter(({ kind }) => kind === 'inrush' || kind === 'surge-time')
      .map(({ kind, asked, limit, seconds, holdSeconds }) => ({
        code: 'inverter-start',
        severity: 'stop',
        where: { step: 'moment', figure: ids.surge },
        values: {
          device: device.name,
          name: namesOf((kind === 'inrush' ? moment.surge : moment.longStart)?.starters ?? [], job.loads),
          kind,
          askedW: asked,
          limitW: limit,
          seconds: seconds ?? 0,
          holdSeconds: holdSeconds ?? 0,
          alsoOver: trips.some((trip) => trip.kind === 'overload') ? 1 : 0,
        },
      })),
  );

/** Carries its worst moment in cool air, not in the heat around it. */
export const inverterHeat: Rule = ({ inverters }) =>
  inverters.flatMap(({ device, trips, ids }) =>
    trips
      .filter(({ kind }) => kind === 'heat')
      .map(({ asked, limit }) => ({
        code: 'inverter-heat',
        severity: 'caution',
        where: { step: 'moment', figure: ids.hot },
        values: { device: device.name, askedW: asked, limitW: limit, ambientC: device.ambientC ?? 25 },
      })),
  );

/** A unit is chosen, and nobody has said what it holds at a start. */
export const surgeUnknown: Rule = ({ inverters }) =>
  inverters
    .filter(({ device, ratingW }) => device.ratingW !== null && ratingW > 0 && device.surgeW === null)
    .map(({ device, moment, ids }) => ({
      code: 'surge-unknown',
      severity: 'note',
      where: { step: 'moment', figure: ids.holds },
      values: { device: device.name, startW: moment.surge.weight, seconds: moment.surge.seconds },
    }));

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
        where: { step: 'moment', figure: ids.rating },
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
      where: { step: 'moment', figure: ids.rating },
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
      where: { step: 'moment', figure: 'loss.idle' },
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

/** Searches that were cut short: what is shown is a bound, and sizes follow it. */
export const momentUnproved: Rule = ({ inverters, supplies, busPeak }) => {
  const sets = inverters.flatMap(({ moment: { continuous, apparent, surge, longStart } }) => [
    continuous,
    apparent,
    surge,
    ...(longStart ? [longStart] : []),
  ]);
  const all = [...sets, ...supplies.map(({ worst }) => worst), busPeak];
  if (all.every(({ isProved }) => isProved)) return [];
  return [
    {
      code: 'moment-unproved',
      severity: 'note',
      where: { step: 'moment', figure: 'peak.continuous' },
      values: { momentW: inverters[0]?.moment.continuous.weight ?? 0 },
    },
  ];
};
