import { usesOn } from '../job/day.ts';
import type { Device } from '../job/schema.ts';
import { MAINS_V } from '../job/values.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { stopWhOf } from '../loads/stop.ts';
import { startExtraW } from '../moment/starts.ts';
import { acLoadsOf, type WorstMoment, worstMoment } from '../moment/worstMoment.ts';
import { chainOf } from '../paths/chain.ts';
import { givenRatingW } from '../paths/feed.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { MOTOR_FROM } from '../reference/starts.ts';
import type { Assessed, Finding, Rule } from './finding.ts';
import { namesOf } from './names.ts';

/** V of a 12 V bus from nearly empty to charging; in proportion for 24 and 48 V. Common practice. */
const BUS_12V = { low: 11, high: 14.6 } as const;

/** The profiles that hang on a device of one kind, each with it. */
function fedBy<K extends Device['kind']>(
  { profiles, option }: Assessed,
  kind: K,
): { readonly profile: LoadProfile; readonly device: Extract<Device, { kind: K }>; readonly runningW: number }[] {
  return profiles.flatMap((profile) => {
    const { device, efficiency } = chainOf(profile.load, option.system.devices);
    if (device?.kind !== kind) return [];
    return [{ profile, device: device as Extract<Device, { kind: K }>, runningW: profile.runningW / efficiency }];
  });
}

/** A charger of the store on the store's own inverter: energy in a circle, less at every turn. */
export const inverterLoop: Rule = ({ job }) =>
  job.loads
    .filter(({ chargesStore, path }) => chargesStore && (path === 'inverter' || path === 'inverter-adapter'))
    .map(({ id, name }) => ({
      code: 'inverter-loop',
      severity: 'stop',
      where: { step: 'paths', loadId: id },
      values: { name },
    }));

/** A port shuts off on its peak, not on its mean: on that of one load, or of all that may run on it and start beside that. */
export const portOverload: Rule = (assessed) => {
  const alone = loadTooStrong(assessed);
  const ports = [...new Set(fedBy(assessed, 'port').map(({ device }) => device))];
  const together = ports.flatMap((port): Finding[] => {
    const { continuous, surge } = momentOf(port, assessed);
    const limitW = givenRatingW(port) ?? 0;
    // What runs on it alone may be too much: that is told as such.
    const isTold =
      alone.some(({ values }) => 'port' in values && values.port === port.name) || continuous.weight > limitW + 1e-9;
    if (isTold || surge.weight <= limitW + 1e-9) return [];
    const meanW = fedBy(assessed, 'port')
      .filter(({ device }) => device === port)
      .reduce((sum, { profile }) => sum + profile.energyWh / 24, 0);
    return [
      {
        code: 'port-overload',
        severity: 'stop',
        where: { step: 'paths', ...(surge.starters[0] ? { loadId: surge.starters[0] } : {}) },
        values: {
          name: namesOf(surge.ids, assessed.job.loads),
          loads: surge.ids.length,
          port: port.name,
          peak: surge.weight,
          limit: limitW,
          unit: 'W',
          meanW,
        },
      },
    ];
  });
  return [...alone, ...together];
};

const loadTooStrong: Rule = (assessed) =>
  fedBy(assessed, 'port').flatMap(({ profile, device, runningW }) => {
    const { load, energyWh } = profile;
    const startW = runningW + (startExtraW(profile) * runningW) / (profile.runningW || 1);
    const amps = startW / device.outputV;
    const overA = device.limitA !== null && amps > device.limitA + 1e-9;
    const overW = device.limitW !== null && startW > device.limitW + 1e-9;
    if (!overA && !overW) return [];
    return [
      {
        code: 'port-overload',
        severity: 'stop',
        where: { step: 'paths', loadId: load.id },
        values: {
          name: load.name,
          loads: 1,
          port: device.name,
          peak: overA ? amps : startW,
          limit: (overA ? device.limitA : device.limitW) ?? 0,
          unit: overA ? 'A' : 'W',
          meanW: energyWh / 24,
        },
      },
    ];
  });

export const noPort: Rule = ({ job, option }) =>
  option.system.devices.some(({ kind }) => kind === 'port')
    ? []
    : job.loads
        .filter(({ path }) => path === 'station')
        .map(({ id, name }) => ({
          code: 'no-port',
          severity: 'caution',
          where: { step: 'paths', loadId: id },
          values: { name },
        }));

/** A stepped wave heats motors and upsets or damages electronics of precision. */
export const steppedWave: Rule = (assessed) =>
  fedBy(assessed, 'inverter')
    .filter(
      ({ profile: { load }, device }) =>
        device.waveform === 'stepped' && (load.sensitive || load.startRatio >= MOTOR_FROM),
    )
    .map(({ profile: { load }, device }) => ({
      code: 'stepped-wave',
      severity: load.sensitive ? 'stop' : 'caution',
      where: { step: 'paths', loadId: load.id },
      values: { name: load.name, device: device.name, sensitive: load.sensitive ? 1 : 0 },
    }));

/** A shared converter or port must carry what can run on it at once. */
export const converterUndersized: Rule = (assessed) => {
  const fed = [...fedBy(assessed, 'converter'), ...fedBy(assessed, 'port')];
  return [...new Set(fed.map(({ device }) => device))].flatMap((device) => {
    const { weight, ids } = momentOf(device, assessed).continuous;
    const ratingW = givenRatingW(device) ?? 0;
    // One load too many for a port by itself is told as such.
    if (weight <= ratingW + 1e-9 || (device.kind === 'port' && ids.length < 2)) return [];
    return [
      {
        code: 'converter-undersized',
        severity: 'stop',
        where: { step: 'paths', ...(ids[0] ? { loadId: ids[0] } : {}) },
        values: { device: device.name, ratingW, worstW: weight, loads: ids.length },
      },
    ];
  });
};

/** What its loads come to at their worst moment, as those of an inverter do: by the lanes where that is the rule. */
const momentOf = (device: Device, { profiles, option, slices, coincidence, job }: Assessed): WorstMoment =>
  worstMoment(
    acLoadsOf(profiles, option.system.devices, device.id),
    slices,
    coincidence,
    job.rules.twoMayStart,
    Number.POSITIVE_INFINITY,
  );

/** A shared converter that carries what runs, but not a motor that starts beside it. */
export const converterStart: Rule = (assessed) =>
  [...new Set(fedBy(assessed, 'converter').map(({ device }) => device))].flatMap((device) => {
    const { continuous, surge } = momentOf(device, assessed);
    const ratingW = givenRatingW(device) ?? 0;
    const holdsW = ratingW * DEFAULT.converterStartFactor.value;
    // What it cannot carry while it runs is told as that.
    if (continuous.weight > ratingW + 1e-9 || surge.weight <= holdsW + 1e-9) return [];
    return [
      {
        code: 'converter-start',
        severity: 'caution',
        where: { step: 'paths', ...(surge.starters[0] ? { loadId: surge.starters[0] } : {}) },
        values: {
          device: device.name,
          name: namesOf(surge.starters, assessed.job.loads),
          askedW: surge.weight,
          holdsW,
        },
      },
    ];
  });

/** The volts that reach an appliance: from the bus, or from what feeds it. */
function voltsAt({ profiles, option, job }: Assessed) {
  const scale = option.system.busVoltageV / 12;
  const mains = MAINS_V[job.brief.region.mains];
  return profiles.flatMap(({ load }) => {
    const { device } = chainOf(load, option.system.devices);
    if (load.path === 'direct') return [{ load, low: BUS_12V.low * scale, high: BUS_12V.high * scale }];
    if (load.path === 'inverter') return [{ load, low: mains, high: mains }];
    if (device?.kind === 'converter' || device?.kind === 'port') {
      return [{ load, low: device.outputV, high: device.outputV }];
    }
    return [];
  });
}

export const voltageRange: Rule = (assessed) =>
  voltsAt(assessed).flatMap(({ load, low, high }) => {
    const everReached = load.minV !== null && high >= load.minV;
    // Where its run is laid, what reaches it is solved and told of there.
    const isSolved = everReached && assessed.runs?.appliances.some((one) => one.loadId === load.id && one.dropOut);
    const tooLow = load.minV !== null && low < load.minV - 1e-9 && !isSolved;
    const tooHigh = load.maxV !== null && high > load.maxV + 1e-9;
    if (!tooLow && !tooHigh) return [];
    return [
      {
        code: 'voltage-range',
        // Too much destroys, and a bus of another voltage never serves it; too little now and then only stops it.
        severity: tooHigh || !everReached ? 'stop' : 'caution',
        where: { step: 'paths', loadId: load.id },
        values: {
          name: load.name,
          reachesV: tooHigh ? high : low,
          limitV: (tooHigh ? load.maxV : load.minV) ?? 0,
          high: tooHigh ? 1 : 0,
        },
      },
    ];
  });

/** What hangs straight on the bus and does not say how many volts it stands: asked, not assumed. */
export const voltsUnknown: Rule = ({ job, option }) => {
  const unknown = job.loads
    .filter(({ path, maxV }) => path === 'direct' && maxV === null)
    .sort((a, b) => Number(b.sensitive) - Number(a.sensitive));
  const [first] = unknown;
  if (!first) return [];
  return [
    {
      code: 'volts-unknown',
      severity: first.sensitive ? 'caution' : 'note',
      where: { step: 'paths', loadId: first.id },
      values: {
        name: namesOf(
          unknown.map(({ id }) => id),
          job.loads,
        ),
        loads: unknown.length,
        reachesV: (BUS_12V.high * option.system.busVoltageV) / 12,
      },
    },
  ];
};

/** What must run on for a while to stop in order, where the battery or a port may leave it before. */
export const cutMidRun: Rule = (assessed) => {
  const overloaded = new Set(portOverload(assessed).flatMap(({ values }) => ('port' in values ? [values.port] : [])));
  return assessed.profiles.flatMap(({ load }): Finding[] => {
    const { device, fromBus } = chainOf(load, assessed.option.system.devices);
    const needsWh = stopWhOf(load);
    const port = device?.kind === 'port' && overloaded.has(device.name) ? device.name : '';
    if (needsWh === 0 || !fromBus || load.path === 'fuel') return [];
    if (port === '' && assessed.job.rules.keepToStop) return [];
    return [
      {
        code: 'cut-mid-run',
        severity: 'caution',
        where: { step: 'days', loadId: load.id },
        values: { name: load.name, port, needsWh },
      },
    ];
  });
};

/** A load too small to wake an inverter that searches runs only when something else has woken it. */
export const searchAsleep: Rule = (assessed) =>
  fedBy(assessed, 'inverter').flatMap(({ profile: { load }, device, runningW }) =>
    device.search && device.policy !== 'with-loads' && runningW > 0 && runningW < device.search.wakeW
      ? [
          {
            code: 'search-asleep' as const,
            severity: load.critical ? ('stop' as const) : ('caution' as const),
            where: { step: 'paths' as const, loadId: load.id },
            values: { name: load.name, device: device.name, runningW, wakeW: device.search.wakeW },
          },
        ]
      : [],
  );

/** A load that runs while its device is switched off by the clock. */
export const offHours: Rule = (assessed) =>
  assessed.profiles.flatMap(({ load, active }) => {
    const { device } = chainOf(load, assessed.option.system.devices);
    if (device?.policy !== 'hours' || usesOn(load, assessed.job.brief.day).length === 0) return [];
    const off = active.reduce((sum, [from, to]) => {
      let outside = 0;
      for (let m = from; m < to; m++) if (!device.hours.some((use) => covers(use, m))) outside++;
      return sum + outside;
    }, 0);
    if (off === 0) return [];
    return [
      {
        code: 'off-hours' as const,
        severity: load.critical ? ('stop' as const) : ('caution' as const),
        where: { step: 'paths' as const, loadId: load.id },
        values: { name: load.name, device: device.name, hours: off / 60 },
      },
    ];
  });

const covers = ({ startMin, minutes }: { startMin: number; minutes: number }, minute: number): boolean =>
  (minute + 0.5 - startMin + MINUTES_PER_DAY) % MINUTES_PER_DAY < minutes;
