import { cycleLength } from './draw.ts';
import { overlappingRun } from './overlap.ts';
import type { Job, Load } from './schema.ts';
import type { Fault } from './validate.ts';

/** Minutes of slack where lengths typed with decimals must agree. */
const SLACK_MIN = 1e-6;

/** What a schema cannot say: unique ids, references that exist, runs that fit their phases and do not overlap. */
export function consistencyFaults(job: Job): Fault[] {
  const loadIds = new Set(job.loads.map((load) => load.id));
  return [
    ...repeated(job.loads, '/loads'),
    ...repeated(job.options, '/options'),
    ...job.neverTogether.flatMap((group, g) =>
      group.flatMap((member, m) =>
        loadIds.has(member)
          ? []
          : [{ path: `/neverTogether/${g}/${m}`, expected: 'the id of a load of this job', found: member }],
      ),
    ),
    ...job.loads.flatMap((load, i) => runFaults(load, `/loads/${i}`)),
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

function runFaults(load: Load, path: string): Fault[] {
  const faults: Fault[] = [];
  const overlapping = overlappingRun(load.runs);
  if (overlapping) {
    const found = `a run from ${overlapping.startMin}`;
    faults.push({ path: `${path}/runs`, expected: 'runs that do not overlap', found });
  }
  if (load.draw.kind !== 'cycle') return faults;
  const { fixedMin, stretches } = cycleLength(load.draw.phases);
  if (load.draw.phases.filter((phase) => phase.minutes === null).length > 1) {
    faults.push({ path: `${path}/draw/phases`, expected: 'at most one phase that fills the rest (minutes: null)' });
  }
  load.runs.forEach((run, i) => {
    const off = stretches ? run.minutes < fixedMin - SLACK_MIN : Math.abs(run.minutes - fixedMin) > SLACK_MIN;
    if (!off) return;
    const expected = `${stretches ? 'at least' : 'exactly'} ${fixedMin} min, the length of its phases`;
    faults.push({ path: `${path}/runs/${i}/minutes`, expected, found: String(run.minutes) });
  });
  return faults;
}
