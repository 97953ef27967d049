import { freeId } from '../job/ids.ts';
import type { Load, Run } from '../job/schema.ts';
import { chainOf } from '../paths/chain.ts';
import { DEFAULT } from '../reference/defaults.ts';
import type { Fitted } from './fitted.ts';
import { isInside, unitAt } from './units.ts';

/** A run of which nothing is said but where it leads; sized as it needs. */
export const blankRun = (id: string, name: string, from: string | null, end: Run['end']): Run => ({
  id,
  name,
  from,
  end,
  part: null,
  loads: [],
  lengthM: null,
  areaMm2: null,
  parallel: 1,
  conductor: 'flexible',
  insulationC: 105,
  ambientC: null,
  bundled: 2,
  engine: false,
  return: 'conductor',
  chassisMohm: null,
  joints: 4,
  jointMohm: null,
  protection: 'as-needed',
  ratingA: null,
  interruptA: null,
  fuseAtM: null,
  sheathed: false,
  isolator: false,
  socketA: null,
  unkeyed: false,
});

/**
 * The runs that an option needs, from the bank outward: main fuse and isolator to the busbars, from there each device,
 * the fuse block with its circuits, and what charges. Runs that there are stay as they are; only what is missing is added.
 */
export function propose(fitted: Fitted, existing: readonly Run[] = []): Run[] {
  const { job, option } = fitted;
  const { system } = option;
  const conductor = job.brief.region.units === 'imperial' ? 'awg' : 'flexible';
  const runs: Run[] = [...existing];
  const taken = new Set(runs.map(({ id }) => id));
  const add = (wanted: string, name: string, from: string | null, end: Run['end'], change: Partial<Run> = {}): Run => {
    const run = { ...blankRun(freeId(wanted, taken), name.slice(0, 60), from, end), conductor, ...change } as Run;
    taken.add(run.id);
    runs.push(run);
    return run;
  };
  const isServed = (end: Run['end'], part: string): boolean =>
    existing.some((run) => run.end === end && run.part === part);
  const onRun = new Set(existing.flatMap(({ loads }) => loads));
  const busbarAt = (from: string | null, isFrom: (run: Run) => boolean): Run | undefined =>
    existing.find((run) => run.end === 'busbar' && run.from === from && isFrom(run));
  let main = busbarAt(null, () => true);
  const busbars = (): Run => {
    main ??= add('main', 'Bank to busbars', null, 'busbar', { isolator: true, fuseAtM: 0.15, joints: 6 });
    return main;
  };
  let block: Run | undefined = main && busbarAt(main.id, () => true);
  const fuseBlock = (): Run => {
    block ??= add('fuse-block', 'Busbars to fuse block', busbars().id, 'busbar');
    return block;
  };

  const boxes = new Map<string, Run>();
  /** Where a part begins: at the busbars, or inside its all-in-one unit, which has one lead for all. */
  const beginOf = (end: Run['end'], part: string): { readonly from: string; readonly change: Partial<Run> } => {
    const unit = system.allInOnes.find((one) => isInside(one, end, part));
    if (!unit) return { from: busbars().id, change: {} };
    const known = boxes.get(unit.id) ?? existing.find((run) => unitAt(run, existing, [unit]));
    // Where its parts were laid apart already, so is what is added.
    if (!known && existing.some((run) => isInside(unit, run.end, run.part))) return { from: busbars().id, change: {} };
    const box = known ?? add(`to ${unit.id}`, unit.name, busbars().id, 'busbar');
    boxes.set(unit.id, box);
    return { from: box.id, change: INSIDE };
  };

  for (const { id, kind, name } of system.devices) {
    const used = job.loads.some((load) => chainOf(load, system.devices).device?.id === id);
    if (!used || isServed('device', id)) continue;
    const begin = kind === 'port' ? { from: null, change: {} } : beginOf('device', id);
    const shared = id === mainsOf(fitted) ? ({ protection: 'none' } as const) : {};
    add(`to ${id}`, name, begin.from, 'device', {
      part: id,
      joints: kind === 'inverter' ? 4 : 6,
      ...shared,
      ...begin.change,
    });
  }
  for (const group of circuitsOf(job.loads, fitted)) {
    const missing = group.loads.filter(({ id }) => !onRun.has(id));
    if (missing.length === 0) continue;
    const from = group.device === null ? fuseBlock().id : runs.find(({ part }) => part === group.device)?.id;
    if (from === undefined) continue;
    add(`to ${group.name}`, group.name, from, 'loads', {
      loads: missing.map(({ id }) => id),
      lengthM: null,
    });
  }
  for (const { kind, id, name, far, amps } of fitted.sources) {
    if (amps === 0) continue;
    const known = existing.find((run) => run.end === kind && run.part === id);
    const begin = known ? null : beginOf(kind, id);
    const run = known ?? add(`from ${id}`, name, begin?.from ?? null, kind, { part: id, ...begin?.change });
    if (kind === 'array' && !isServed('panels', id))
      add(`panels of ${id}`, `${name}: panels`, run.id, 'panels', { part: id, protection: 'none' });
    if (kind === 'driving' && far && !isServed('alternator', id))
      add(`alternator ${id}`, `${name}: alternator`, run.id, 'alternator', { part: id });
  }
  return runs;
}

/** Share of what is asked at the worst moment and of what is sized for from which the main fuse is that of one inverter. Own choice. */
const MOSTLY = 0.5;

/**
 * The inverter that takes most of what the main lead carries: the main fuse is its fuse, since one that opens surely after
 * another of its own would ask for a main lead half as thick again.
 */
function mainsOf({ feeds, profiles, option: { system } }: Fitted): string | null {
  const largest = feeds.filter(({ device }) => device.kind === 'inverter').sort((a, b) => b.ratingW - a.ratingW)[0];
  if (!largest) return null;
  const devicesW = feeds.reduce((sum, { ratingW }) => sum + ratingW, 0);
  const straightW = profiles.reduce((sum, { load, runningW }) => {
    const { fromBus, device } = chainOf(load, system.devices);
    return fromBus && !device ? sum + runningW : sum;
  }, 0);
  return largest.ratingW > MOSTLY * (devicesW + straightW) ? largest.device.id : null;
}

/** A way inside a unit: bars of its maker's, behind the fuse of its lead. */
const INSIDE = { lengthM: 0.05, joints: 0, protection: 'none' } as const satisfies Partial<Run>;

/** What burns fuel and takes nothing of the bus. */
export const needsNoLead = ({ path, residueW }: Load): boolean => path === 'fuel' && residueW === 0;

interface Circuit {
  readonly name: string;
  /** The converter or port it hangs on; null = the bus. */
  readonly device: string | null;
  readonly loads: readonly Load[];
}

/** Loads that share a lead: those of one circuit; any other has its own. */
function circuitsOf(loads: readonly Load[], { option }: Fitted): Circuit[] {
  const circuits = new Map<string, { name: string; device: string | null; loads: Load[] }>();
  for (const load of loads) {
    const { fromBus, device } = chainOf(load, option.system.devices);
    if (!fromBus || device?.kind === 'inverter' || needsNoLead(load)) continue;
    const circuit = load.circuit.trim();
    const key = `${device?.id ?? ''}/${circuit === '' ? `load ${load.id}` : circuit.toLowerCase()}`;
    const known = circuits.get(key) ?? { name: circuit || load.name, device: device?.id ?? null, loads: [] };
    known.loads.push(load);
    circuits.set(key, known);
  }
  return [...circuits.values()];
}

/** m one way where a run says none. */
export function usualLengthM(run: Pick<Run, 'end'>, isMain: boolean, leadM: number | null, isOutput: boolean): number {
  if (isMain) return leadM ?? DEFAULT.leadM.value;
  switch (run.end) {
    case 'loads':
      return isOutput ? DEFAULT.outputRunM.value : DEFAULT.circuitM.value;
    case 'panels':
      return DEFAULT.panelRunM.value;
    case 'alternator':
      return DEFAULT.alternatorCableM.value;
    case 'array':
    case 'charger':
    case 'driving':
      return DEFAULT.controllerRunM.value;
    default:
      return DEFAULT.nearbyRunM.value;
  }
}
