import type { Fault } from './fault.ts';
import type { Job, Run, System } from './schema.ts';

/** What a schema cannot say of the runs of an option: a tree from the store, each thing at the end of one run. */
export function* runFaults(system: System, loads: Job['loads'], path: string): Generator<Fault> {
  const { runs } = system;
  if (runs === null) return;
  const byId = new Map(runs.map((run) => [run.id, run]));
  const known = new Set(loads.map(({ id }) => id));
  const served = new Map<string, string>();
  const ids = new Set<string>();
  for (const [i, run] of runs.entries()) {
    const at = `${path}/${i}`;
    if (ids.has(run.id)) yield { path: `${at}/id`, expected: 'an id used only once', found: run.id };
    ids.add(run.id);
    yield* placeFaults(run, byId, at);
    yield* endFaults(run, system, at);
    const things = [...(run.part === null ? [] : [`${run.end} ${run.part}`]), ...run.loads.map((id) => `load ${id}`)];
    for (const [l, id] of run.loads.entries())
      if (!known.has(id)) yield { path: `${at}/loads/${l}`, expected: 'the id of a load of this job', found: id };
    for (const thing of things) {
      const other = served.get(thing);
      if (other !== undefined)
        yield { path: at, expected: `an end of its own: "${other}" already leads there`, found: thing };
      served.set(thing, run.name);
    }
  }
}

/** Where it begins: at the store or at the far end of a run that there is, and never behind itself. */
function* placeFaults(run: Run, byId: ReadonlyMap<string, Run>, at: string): Generator<Fault> {
  const path = `${at}/from`;
  const seen = new Set([run.id]);
  for (let from = run.from; from !== null; ) {
    const next = byId.get(from);
    if (!next) {
      if (from === run.from) yield { path, expected: 'the id of a run of this option, or null', found: from };
      return;
    }
    if (seen.has(from)) {
      yield { path, expected: 'a way back to the store: this one is a loop', found: [...seen, from].join(' → ') };
      return;
    }
    seen.add(from);
    from = next.from;
  }
}

/** Ends of which one is known by its id, each with the list it stands in. */
const LIST = {
  device: 'devices',
  array: 'arrays',
  panels: 'arrays',
  driving: 'driving',
  alternator: 'driving',
  charger: 'chargers',
} as const satisfies Partial<Record<Run['end'], keyof System>>;

/** Nothing of this kind goes on from there: the panels, the alternator, what a mains charger takes, mains behind an inverter. */
const ENDS_HERE: readonly Run['end'][] = ['panels', 'alternator', 'charger'];

/** What may begin at the far end of a run: leads go on from a controller to its panels, from a charger to its alternator. */
const BEHIND = { panels: 'array', alternator: 'driving' } as const;

function* endFaults(run: Run, system: System, at: string): Generator<Fault> {
  const list = run.end in LIST ? system[LIST[run.end as keyof typeof LIST]] : undefined;
  if (list === undefined) {
    if (run.part !== null) yield { path: `${at}/part`, expected: `null, since it ends at ${run.end}`, found: run.part };
  } else if (run.part === null) {
    yield { path: `${at}/part`, expected: `the id of what is at its end (${run.end})` };
  } else if (list !== null && !list.some(({ id }) => id === run.part)) {
    yield {
      path: `${at}/part`,
      expected: `the id of an entry of ${LIST[run.end as keyof typeof LIST]}`,
      found: run.part,
    };
  }
  if (run.end !== 'loads' && run.loads.length > 0)
    yield { path: `${at}/loads`, expected: 'no loads, since it does not end at loads', found: run.loads.join(', ') };
  const behind = BEHIND[run.end as keyof typeof BEHIND];
  const from = system.runs?.find(({ id }) => id === run.from);
  if (behind !== undefined && (from?.end !== behind || from.part !== run.part))
    yield { path: `${at}/from`, expected: `the run that ends at its ${behind}`, found: `${from?.name ?? run.from}` };
  const isMains =
    from?.end === 'device' && system.devices.some(({ id, kind }) => id === from.part && kind === 'inverter');
  if (from && (ENDS_HERE.includes(from.end) || isMains))
    yield { path: `${at}/from`, expected: 'the store, a busbar, loads, a converter or a port', found: from.name };
  if (from?.end === 'array' && run.end !== 'panels')
    yield { path: `${at}/from`, expected: 'a run that does not end at a solar controller', found: from.name };
  if (from?.end === 'driving' && run.end !== 'alternator')
    yield { path: `${at}/from`, expected: 'a run that does not end at a charger', found: from.name };
  // The lead from the alternator is said once, with its charger.
  if (run.end === 'alternator' && run.lengthM !== null)
    yield { path: `${at}/lengthM`, expected: 'null: the link says it (cableM)', found: `${run.lengthM}` };
  if (run.end === 'alternator' && run.areaMm2 !== null)
    yield { path: `${at}/areaMm2`, expected: 'null: the link says it (cableMm2)', found: `${run.areaMm2}` };
}

/**
 * The job with no run left that leads to what is not there any more. A run on which others hang becomes a busbar.
 * The very same job where nothing is lost.
 */
export function withoutLostRuns(job: Job): Job {
  const known = new Set(job.loads.map(({ id }) => id));
  let isSame = true;
  const options = job.options.map((option) => {
    const { system } = option;
    if (system.runs === null) return option;
    let runs = system.runs.map((run) => (isWhole(run, system, known) ? run : cleared(run, known)));
    // What ends nowhere goes, and then what only led there.
    for (;;) {
      const kept = runs.filter(
        (run) => run.end !== 'busbar' || !run.wasEnd || runs.some(({ from }) => from === run.id),
      );
      if (kept.length === runs.length) break;
      runs = kept;
    }
    const lost = new Set(system.runs.map(({ id }) => id));
    for (const { id } of runs) lost.delete(id);
    const next = runs
      .filter(({ end, from }) => !(end in BEHIND) || (from !== null && !lost.has(from)))
      .map(({ wasEnd: _, ...run }) => run as Run);
    if (next.length === system.runs.length && next.every((run, i) => isAlike(run, system.runs?.[i]))) return option;
    isSame = false;
    return { ...option, system: { ...system, runs: next } };
  });
  return isSame ? job : { ...job, options };
}

type Cleared = Run & { readonly wasEnd?: boolean };

const isWhole = (run: Run, system: System, loads: ReadonlySet<string>): run is Cleared => {
  if (run.end === 'loads') return run.loads.every((id) => loads.has(id));
  const list = run.end in LIST ? system[LIST[run.end as keyof typeof LIST]] : null;
  return list === null || list.some(({ id }) => id === run.part);
};

const cleared = (run: Run, known: ReadonlySet<string>): Cleared => {
  const loads = run.loads.filter((id) => known.has(id));
  return loads.length > 0 ? { ...run, loads } : { ...run, end: 'busbar', part: null, loads: [], wasEnd: true };
};

const isAlike = (a: Run, b: Run | undefined): boolean =>
  b !== undefined && a.end === b.end && a.part === b.part && a.loads.length === b.loads.length;
