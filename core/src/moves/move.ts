import { blankInverter } from '../job/blank.ts';
import { usesOn, variantOn } from '../job/day.ts';
import { fedBy, withoutFeeds } from '../job/feeds.ts';
import type { Device, Draw, Inverter, Job, Load, Run, Use } from '../job/schema.ts';
import { withPhases } from '../loads/phases.ts';
import { APPLIANCES } from '../reference/appliances.ts';
import { designMonth, sunAheadMin } from '../sun/day.ts';

/** Something that may be done to lose less. Plain data, so that it travels to a worker and is kept ticked. */
export type Move =
  | { readonly id: string; readonly kind: 'dc-converter'; readonly loadId: string }
  | { readonly id: string; readonly kind: 'swap'; readonly loadId: string; readonly typeId: string }
  | { readonly id: string; readonly kind: 'jug'; readonly loadId: string }
  | { readonly id: string; readonly kind: 'into-sun'; readonly loadId: string }
  | { readonly id: string; readonly kind: 'fuel'; readonly loadId: string; readonly residueW: number }
  | { readonly id: string; readonly kind: 'other-inverter'; readonly loadId: string; readonly deviceId: string }
  | { readonly id: string; readonly kind: 'smaller-inverter'; readonly deviceId: string }
  | { readonly id: string; readonly kind: 'second-inverter'; readonly loadIds: readonly string[] }
  | { readonly id: string; readonly kind: 'search-mode'; readonly deviceId: string; readonly idleW: number }
  | { readonly id: string; readonly kind: 'with-loads'; readonly deviceId: string }
  | {
      readonly id: string;
      readonly kind: 'thicker';
      readonly runId: string;
      readonly areaMm2: number;
      readonly parallel: number;
    };

/** W from which a load wakes an inverter that searches. From memory. */
export const WAKE_W = 15;

/** The job with the move made in one option; the same job when it has nothing to act on (any more). */
export function applyMove(job: Job, optionId: string, move: Move): Job {
  switch (move.kind) {
    case 'dc-converter':
      return fedBy(job, optionId, move.loadId, (way) =>
        way.path === 'inverter-adapter' ? { path: 'dc-dc', device: null, converterEfficiency: null } : way,
      );
    case 'swap':
      // What it is has changed, so it is fed as such a thing usually is.
      return withoutFeeds(
        withLoad(job, move.loadId, (load) => swapped(load, move.typeId)),
        [move.loadId],
      );
    case 'jug':
      return withLoad(job, move.loadId, withoutKeepWarm);
    case 'into-sun':
      return withLoad(job, move.loadId, (load) => intoSun(load, job.brief));
    case 'fuel':
      return fedBy(
        withLoad(job, move.loadId, (load) => ({ ...load, residueW: move.residueW })),
        optionId,
        move.loadId,
        (way) => ({ ...way, path: 'fuel', device: null }),
      );
    case 'other-inverter':
      return fedBy(job, optionId, move.loadId, (way) => (onInverter(way) ? { ...way, device: move.deviceId } : way));
    case 'smaller-inverter':
      return withInverter(job, optionId, move.deviceId, (device) => ({ ...device, ratingW: null }));
    case 'with-loads':
      return withInverter(job, optionId, move.deviceId, (device) => ({ ...device, policy: 'with-loads' }));
    case 'search-mode':
      return withInverter(job, optionId, move.deviceId, (device) =>
        device.policy === 'with-loads' ? device : { ...device, search: { idleW: move.idleW, wakeW: WAKE_W } },
      );
    case 'second-inverter':
      return withSecondInverter(job, optionId, move.loadIds);
    case 'thicker':
      return withRun(job, optionId, move.runId, (run) => ({
        ...run,
        areaMm2: move.areaMm2,
        parallel: move.parallel,
      }));
  }
}

/**
 * The job with all these moves made. They are made in one fixed order (what a load becomes, what feeds it, how its
 * device is run), so that a set comes to the same however it was put together.
 */
export function applyMoves(job: Job, optionId: string, moves: readonly Move[]): Job {
  return [...moves]
    .sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || (a.id < b.id ? -1 : 1))
    .reduce((made, move) => applyMove(made, optionId, move), job);
}

const ORDER: readonly Move['kind'][] = [
  'swap',
  'jug',
  'fuel',
  'dc-converter',
  'into-sun',
  'other-inverter',
  'second-inverter',
  'with-loads',
  'search-mode',
  'smaller-inverter',
  'thicker',
];

/** Moves of which only one can be made: they are about the same load or device. */
export const excludes = (a: Move, b: Move): boolean =>
  a.id !== b.id && a.kind !== 'into-sun' && b.kind !== 'into-sun' && aboutOf(a) === aboutOf(b);

const aboutOf = (move: Move): string => {
  if (move.kind === 'thicker') return `run ${move.runId}`;
  if ('loadId' in move) return `load ${move.loadId}`;
  if (move.kind === 'second-inverter') return 'second inverter';
  return move.kind === 'smaller-inverter' ? `size ${move.deviceId}` : `switch ${move.deviceId}`;
};

export const onInverter = ({ path }: Pick<Load, 'path'>): boolean => path === 'inverter' || path === 'inverter-adapter';

function withLoad(job: Job, id: string, change: (load: Load) => Load): Job {
  const at = job.loads.findIndex((load) => load.id === id);
  const load = job.loads[at];
  if (!load) return job;
  const next = change(load);
  return next === load ? job : { ...job, loads: job.loads.with(at, next) };
}

function withDevices(job: Job, optionId: string, change: (devices: readonly Device[]) => Device[]): Job {
  return {
    ...job,
    options: job.options.map((option) =>
      option.id === optionId
        ? { ...option, system: { ...option.system, devices: change(option.system.devices) } }
        : option,
    ),
  };
}

const withInverter = (job: Job, optionId: string, id: string, change: (device: Inverter) => Inverter): Job =>
  withDevices(job, optionId, (devices) =>
    devices.map((device) => (device.kind === 'inverter' && device.id === id ? change(device) : device)),
  );

function withRun(job: Job, optionId: string, id: string, change: (run: Run) => Run): Job {
  return {
    ...job,
    options: job.options.map((option) => {
      const { runs } = option.system;
      if (option.id !== optionId || !runs?.some((run) => run.id === id)) return option;
      return { ...option, system: { ...option.system, runs: runs.map((run) => (run.id === id ? change(run) : run)) } };
    }),
  };
}

/** The id that the second inverter gets; a job that has one already gets no third by this move. */
export const SECOND_INVERTER = 'second-inverter';

function withSecondInverter(job: Job, optionId: string, loadIds: readonly string[]): Job {
  const option = job.options.find(({ id }) => id === optionId);
  if (!option || option.system.devices.length >= 12) return job;
  if (option.system.devices.some(({ id }) => id === SECOND_INVERTER)) return job;
  const moved = loadIds.reduce(
    (all, id) => fedBy(all, optionId, id, (way) => (onInverter(way) ? { ...way, device: SECOND_INVERTER } : way)),
    job,
  );
  return withDevices(moved, optionId, (devices) => [...devices, blankInverter(SECOND_INVERTER, 'Small inverter')]);
}

/** The load with another type's draw and path, its hours kept where that type has hours at all. */
function swapped(load: Load, typeId: string): Load {
  const type = APPLIANCES.find(({ id }) => id === typeId);
  if (!type || load.type === typeId) return load;
  const allDay = type.draw.kind === 'thermostatic' || type.draw.kind === 'standby';
  const base: Load = {
    ...load,
    type: type.id,
    path: type.path,
    device: null,
    converterEfficiency: null,
    startRatio: type.startRatio,
    powerFactor: type.powerFactor,
    evidence: 'typical',
  };
  if (allDay) return { ...base, draw: type.draw, uses: [{ startMin: 0, minutes: 1440 }] };
  if (type.draw.kind === 'cycle') return { ...base, ...withPhases(base, type.draw.phases) };
  return { ...base, draw: type.draw };
}

/** Phases that only keep something warm, by what they are called. */
const KEEPS_WARM = /warm|hold/i;

export function keepWarmPhases(draw: Draw): number {
  return draw.kind === 'cycle' && draw.phases.length > 1
    ? draw.phases.filter(({ label }) => KEEPS_WARM.test(label)).length
    : 0;
}

function withoutKeepWarm(load: Load): Load {
  if (load.draw.kind !== 'cycle' || keepWarmPhases(load.draw) === 0) return load;
  const left = load.draw.phases.filter(({ label }) => !KEEPS_WARM.test(label));
  if (left.length === 0) return load;
  // What brews or cooks keeps its own time: with the filling phase gone, the run is as long as the rest.
  return { ...load, ...withPhases(load, left) };
}

const NOON_MIN = 720;

/** The uses of the day shown, one after the other around the sun's noon. */
function intoSun(load: Load, brief: Job['brief']): Load {
  const { day } = brief;
  const noonMin = NOON_MIN - sunAheadMin(brief.place, designMonth(brief));
  const uses = usesOn(load, day);
  const total = uses.reduce((sum, { minutes }) => sum + minutes, 0);
  let startMin = Math.max(0, noonMin - total / 2);
  const shifted = uses.map((use): Use => {
    const at = { startMin, minutes: use.minutes };
    startMin += use.minutes;
    return at;
  });
  const kind = variantOn(load, day);
  if (kind === null) return { ...load, uses: shifted };
  return { ...load, variants: load.variants.map((one) => (one.on === kind ? { on: kind, uses: shifted } : one)) };
}
