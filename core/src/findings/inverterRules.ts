import { type InverterKey, inverterFigures } from '../explain/inverterIds.ts';
import { MAINS_V } from '../job/values.ts';
import { factorsOf } from '../moment/inverterSize.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import { INVERTER_SIZES_W, nextSize } from '../reference/sizes.ts';
import type { Rule, Where } from './finding.ts';
import { namesOf } from './names.ts';

const at = (inverter: SizedInverter, key: InverterKey): Where => ({
  step: 'moment',
  figure: inverterFigures(inverter)[key],
});

/** Below what runs (stop), or below the margin that the school asks over it (caution). */
export const inverterTooSmall: Rule = ({ inverters }) =>
  inverters.flatMap((inverter) => {
    const { device, ratingW, need, moment } = inverter;
    const requiredW = Math.max(need.byPowerW, need.byApparentW);
    const worstW = moment.continuous.weight;
    // Watts and volt-amperes are both its limits: in W of this unit.
    const worstVa = moment.apparent.weight * factorsOf(device).wattsPerVa;
    if (ratingW === 0 || ratingW >= requiredW - 1e-9) return [];
    return [
      {
        code: 'inverter-too-small',
        severity: ratingW < Math.max(worstW, worstVa) - 1e-9 ? 'stop' : 'caution',
        where: at(inverter, 'rating'),
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
  inverters.flatMap((inverter) => {
    const { device, moment, trips } = inverter;
    return trips
      .filter(({ kind }) => kind === 'inrush' || kind === 'surge-time')
      .map(({ kind, asked, limit, seconds, holdSeconds }) => ({
        code: 'inverter-start',
        severity: 'stop',
        where: at(inverter, 'surge'),
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
      }));
  });

/** Carries its worst moment in cool air, not in the heat around it. */
export const inverterHeat: Rule = ({ inverters }) =>
  inverters.flatMap((inverter) => {
    const { device, trips } = inverter;
    return trips
      .filter(({ kind }) => kind === 'heat')
      .map(({ asked, limit }) => ({
        code: 'inverter-heat',
        severity: 'caution',
        where: at(inverter, 'hot'),
        values: { device: device.name, askedW: asked, limitW: limit, ambientC: device.ambientC ?? 25 },
      }));
  });

/** A unit is chosen, and nobody has said what it holds at a start. */
export const surgeUnknown: Rule = ({ inverters }) =>
  inverters
    .filter(({ device, ratingW }) => device.ratingW !== null && ratingW > 0 && device.surgeW === null)
    .map((inverter) => ({
      code: 'surge-unknown',
      severity: 'note',
      where: at(inverter, 'holds'),
      values: {
        device: inverter.device.name,
        startW: inverter.moment.surge.weight,
        seconds: inverter.moment.surge.seconds,
      },
    }));

/** Two standard sizes or more above what is needed: it idles at its size, not at what is needed. */
export const inverterOversized: Rule = ({ inverters, bus }) =>
  inverters.flatMap((inverter) => {
    const { device, ratingW, need } = inverter;
    const { requiredW } = need;
    const enoughW = nextSize(INVERTER_SIZES_W, requiredW);
    if (enoughW === null || ratingW < 2 * enoughW || requiredW === 0) return [];
    const day = bus.devices.find(({ feed }) => feed.device.id === device.id);
    return [
      {
        code: 'inverter-oversized',
        severity: 'note',
        where: at(inverter, 'rating'),
        values: { ratingW, enoughW, idleWh: (day?.heldIdleWh ?? 0) + (day?.unattendedIdleWh ?? 0) },
      },
    ];
  });

export const inverterParallel: Rule = ({ inverters }) =>
  inverters
    .filter(({ units, device }) => units > 1 && device.ratingW === null)
    .map((inverter) => ({
      code: 'inverter-parallel',
      severity: 'caution',
      where: at(inverter, 'rating'),
      values: { units: inverter.units, requiredW: inverter.need.requiredW },
    }));

/** Idle above a quarter of the need: the switch is worth more than any appliance. */
export const idleDominates: Rule = ({ ledger, inverters }) => {
  const { idleWh, batteryWh: needWh } = ledger.total;
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
export const mainsLicensed: Rule = ({ job, inverters: [main] }) =>
  main && main.ratingW > 0
    ? [
        {
          code: 'mains-licensed',
          severity: 'note',
          where: at(main, 'rating'),
          values: { volts: MAINS_V[job.brief.region.mains] },
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
