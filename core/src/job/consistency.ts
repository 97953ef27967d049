import { cycleLength } from './draw.ts';
import type { Fault } from './fault.ts';
import { overlappingRun } from './overlap.ts';
import type { Job, Load, Run } from './schema.ts';

/** Minutes of slack where lengths typed with decimals must agree. */
const SLACK_MIN = 1e-6;

/** What a schema cannot say: unique ids, references that exist, runs that fit their phases and do not overlap. One fault at a time, so that whoever asks decides how many are worth finding. */
export function* consistencyFaults(job: Job): Generator<Fault> {
  const loadIds = new Set(job.loads.map((load) => load.id));
  yield* repeated(job.loads, '/loads');
  yield* repeated(job.options, '/options');
  yield* repeated(job.brief.supplies, '/brief/supplies');
  for (const [g, { loads, most }] of job.together.atMost.entries()) {
    yield* unknownLoads(loads, loadIds, `/together/atMost/${g}/loads`);
    if (most >= loads.length)
      yield { path: `/together/atMost/${g}/most`, expected: `fewer than its ${loads.length} loads`, found: `${most}` };
  }
  for (const [g, group] of job.together.always.entries()) yield* unknownLoads(group, loadIds, `/together/always/${g}`);
  for (const [i, load] of job.loads.entries()) yield* loadFaults(load, `/loads/${i}`);
  for (const [i, { system }] of job.options.entries()) {
    yield* repeated(system.devices, `/options/${i}/system/devices`);
    if (!system.devices.some(({ kind }) => kind === 'inverter'))
      yield {
        path: `/options/${i}/system/devices`,
        expected: 'at least one inverter; rating null when none is needed',
      };
  }
  yield* deviceFaults(job);
}

function* unknownLoads(ids: readonly string[], known: ReadonlySet<string>, path: string): Generator<Fault> {
  for (const [i, id] of ids.entries())
    if (!known.has(id)) yield { path: `${path}/${i}`, expected: 'the id of a load of this job', found: id };
}

/** What a schema cannot say of one load. */
export function loadFaults(load: Load, path: string): Fault[] {
  return [
    ...runFaults(load, load.runs, `${path}/runs`),
    ...load.variants.flatMap(({ runs }, v) => runFaults(load, runs, `${path}/variants/${v}/runs`)),
    ...phaseFaults(load, `${path}/draw/phases`),
    ...variantFaults(load, `${path}/variants`),
  ];
}

function repeated(items: readonly { readonly id: string }[], path: string): Fault[] {
  const seen = new Set<string>();
  return items.flatMap(({ id }, i) => {
    if (seen.has(id)) return [{ path: `${path}/${i}/id`, expected: 'an id used only once', found: id }];
    seen.add(id);
    return [];
  });
}

function runFaults(load: Load, runs: readonly Run[], path: string): Fault[] {
  const faults: Fault[] = [];
  const overlapping = overlappingRun(runs);
  if (overlapping) {
    const found = `a run from ${overlapping.startMin}`;
    faults.push({ path, expected: 'runs that do not overlap', found });
  }
  if (load.draw.kind !== 'cycle') return faults;
  const { fixedMin, stretches } = cycleLength(load.draw.phases);
  runs.forEach((run, i) => {
    const off = stretches ? run.minutes < fixedMin - SLACK_MIN : Math.abs(run.minutes - fixedMin) > SLACK_MIN;
    if (!off) return;
    const expected = `${stretches ? 'at least' : 'exactly'} ${fixedMin} min, the length of its phases`;
    faults.push({ path: `${path}/${i}/minutes`, expected, found: String(run.minutes) });
  });
  return faults;
}

const phaseFaults = ({ draw }: Load, path: string): Fault[] =>
  draw.kind === 'cycle' && draw.phases.filter((phase) => phase.minutes === null).length > 1
    ? [{ path, expected: 'at most one phase that fills the rest (minutes: null)' }]
    : [];

function variantFaults({ variants, minV, maxV }: Load, path: string): Fault[] {
  const kinds = variants.map(({ on }) => on);
  const twice = kinds.findIndex((kind, i) => kinds.indexOf(kind) < i);
  const volts = minV !== null && maxV !== null && minV > maxV;
  return [
    ...(twice < 0
      ? []
      : [{ path: `${path}/${twice}/on`, expected: 'each kind of day only once', found: kinds[twice] }]),
    ...(volts
      ? [{ path: path.replace('variants', 'maxV'), expected: `at least minV, ${minV}`, found: `${maxV}` }]
      : []),
  ];
}

/** A load names a device that at least one option has. */
function deviceFaults(job: Job): Fault[] {
  const known = new Set(job.options.flatMap(({ system }) => system.devices.map(({ id }) => id)));
  return job.loads.flatMap(({ device }, i) =>
    device === null || known.has(device)
      ? []
      : [{ path: `/loads/${i}/device`, expected: 'the id of a device of an option, or null', found: device }],
  );
}
