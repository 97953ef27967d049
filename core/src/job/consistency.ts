import { allInOneFaults } from './allInOne.ts';
import { cycleLength } from './draw.ts';
import type { Fault } from './fault.ts';
import { overlappingUse } from './overlap.ts';
import { runFaults } from './runFaults.ts';
import type { Job, Load, SolarArray, Use } from './schema.ts';

/** Minutes of slack where lengths typed with decimals must agree. */
const SLACK_MIN = 1e-6;

/** What a schema cannot say: unique ids, references that exist, uses that fit their phases and do not overlap. One fault at a time, so that whoever asks decides how many are worth finding. */
export function* consistencyFaults(job: Job): Generator<Fault> {
  const loadIds = new Set(job.loads.map((load) => load.id));
  yield* repeated(job.loads, '/loads');
  yield* repeated(job.options, '/options');
  yield* repeated(job.hasNot, '/hasNot');
  yield* repeated(job.brief.supplies, '/brief/supplies');
  yield* overlapFaults(job.brief.drives, '/brief/drives');
  yield* planFaults(job);
  for (const [s, supply] of job.brief.supplies.entries()) {
    yield* overlapFaults(supply.hours, `/brief/supplies/${s}/hours`);
    if (supply.kind === 'outlet' && supply.reserveShare >= supply.fullShare)
      yield {
        path: `/brief/supplies/${s}/reserveShare`,
        expected: `less than fullShare, ${supply.fullShare}`,
        found: `${supply.reserveShare}`,
      };
  }
  for (const [g, { loads, most }] of job.together.atMost.entries()) {
    yield* unknownLoads(loads, loadIds, `/together/atMost/${g}/loads`);
    if (most >= loads.length)
      yield { path: `/together/atMost/${g}/most`, expected: `fewer than its ${loads.length} loads`, found: `${most}` };
  }
  for (const [g, group] of job.together.always.entries()) yield* unknownLoads(group, loadIds, `/together/always/${g}`);
  for (const [i, load] of job.loads.entries()) yield* loadFaults(load, `/loads/${i}`);
  for (const [i, { system, feeds }] of job.options.entries()) {
    const at = `/options/${i}/system`;
    yield* repeated(system.devices, `${at}/devices`);
    for (const [d, { points }] of system.devices.entries()) yield* pairFaults(points, `${at}/devices/${d}/points`);
    for (const list of ['driving', 'arrays', 'chargers', 'allInOnes'] as const)
      yield* repeated(system[list] ?? [], `${at}/${list}`);
    yield* repeated(system.store.strings ?? [], `${at}/store/strings`);
    for (const [a, array] of (system.arrays ?? []).entries()) yield* arrayFaults(array, `${at}/arrays/${a}`);
    for (const [d, { sharesWith }] of (system.driving ?? []).entries())
      if (sharesWith !== null && !system.arrays?.some(({ id }) => id === sharesWith))
        yield {
          path: `${at}/driving/${d}/sharesWith`,
          expected: 'the id of an array of this option, or null',
          found: sharesWith,
        };
    yield* allInOneFaults(system, `${at}/allInOnes`);
    yield* runFaults(system, job.loads, `${at}/runs`);
    yield* feedFaults(feeds, loadIds, `/options/${i}/feeds`);
    if (!system.devices.some(({ kind }) => kind === 'inverter'))
      yield {
        path: `/options/${i}/system/devices`,
        expected: 'at least one inverter; rating null when none is needed',
      };
  }
  yield* deviceFaults(job);
}

/** Days of a plan that a year can hold, each on a supply that there is. */
function* planFaults({ brief: { plan, supplies } }: Job): Generator<Fault> {
  const days = plan.reduce((sum, stretch) => sum + stretch.days, 0);
  if (days > MOST_PLAN_DAYS)
    yield { path: '/brief/plan', expected: `at most ${MOST_PLAN_DAYS} days in all`, found: `${days}` };
  for (const [p, { kind, supply }] of plan.entries()) {
    const path = `/brief/plan/${p}/supply`;
    if (kind !== 'supply' && supply !== null)
      yield { path, expected: 'null, since it is not a day on a supply', found: supply };
    if (kind === 'supply' && !supplies.some(({ id }) => id === supply))
      yield { path, expected: 'the id of a supply of this job', found: `${supply}` };
  }
}

const MOST_PLAN_DAYS = 366;

/** Stretches of a day that do not overlap, so that no minute counts twice. */
function* overlapFaults(stretches: readonly Use[], path: string): Generator<Fault> {
  const overlapping = overlappingUse(stretches);
  if (overlapping) yield { path, expected: 'stretches that do not overlap', found: `one from ${overlapping.startMin}` };
}

/** The watts of an array are said once, and no minute of it twice. */
function* arrayFaults({ ratingW, panels, setOut, shaded }: SolarArray, path: string): Generator<Fault> {
  if (ratingW === null && panels.length === 0)
    yield { path: `${path}/ratingW`, expected: 'its laboratory watts, or panels that add up to them' };
  if (ratingW !== null && panels.length > 0)
    yield { path: `${path}/ratingW`, expected: 'null, since its panels add up to it', found: `${ratingW}` };
  yield* repeated(panels, `${path}/panels`);
  yield* overlapFaults(setOut, `${path}/setOut`);
  yield* overlapFaults(shaded, `${path}/shaded`);
}

function* unknownLoads(ids: readonly string[], known: ReadonlySet<string>, path: string): Generator<Fault> {
  for (const [i, id] of ids.entries())
    if (!known.has(id)) yield { path: `${path}/${i}`, expected: 'the id of a load of this job', found: id };
}

/** What a schema cannot say of one load. */
export function loadFaults(load: Load, path: string): Fault[] {
  return [
    ...useFaults(load, load.uses, `${path}/uses`),
    ...load.variants.flatMap(({ uses }, v) => useFaults(load, uses, `${path}/variants/${v}/uses`)),
    ...phaseFaults(load, `${path}/draw/phases`),
    ...variantFaults(load, `${path}/variants`),
    ...dutyFaults(load, `${path}/draw/dutyAtC`),
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

function useFaults(load: Load, uses: readonly Use[], path: string): Fault[] {
  const faults: Fault[] = [];
  const overlapping = overlappingUse(uses);
  if (overlapping) {
    const found = `a use from ${overlapping.startMin}`;
    faults.push({ path, expected: 'uses that do not overlap', found });
  }
  if (load.draw.kind !== 'cycle') return faults;
  const { fixedMin, stretches } = cycleLength(load.draw.phases);
  uses.forEach((use, i) => {
    const off = stretches ? use.minutes < fixedMin - SLACK_MIN : Math.abs(use.minutes - fixedMin) > SLACK_MIN;
    if (!off) return;
    const expected = `${stretches ? 'at least' : 'exactly'} ${fixedMin} min, the length of its phases`;
    faults.push({ path: `${path}/${i}/minutes`, expected, found: String(use.minutes) });
  });
  return faults;
}

const phaseFaults = ({ draw }: Load, path: string): Fault[] =>
  draw.kind === 'cycle' && draw.phases.filter((phase) => phase.minutes === null).length > 1
    ? [{ path, expected: 'at most one phase that fills the rest (minutes: null)' }]
    : [];

/** K by which it is warmer around what cools than inside it, where its duty is said. */
const LEAST_LIFT_K = 1;

const dutyFaults = ({ draw }: Load, path: string): Fault[] =>
  draw.kind === 'thermostatic' && draw.dutyAtC !== null && draw.dutyAtC < draw.setC + LEAST_LIFT_K
    ? [{ path, expected: `at least ${draw.setC + LEAST_LIFT_K}, above setC`, found: String(draw.dutyAtC) }]
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

/** Nothing gives more than it takes. */
function* pairFaults(
  points: Job['options'][number]['system']['devices'][number]['points'],
  path: string,
): Generator<Fault> {
  for (const [i, { outW, inW }] of points.entries())
    if (outW > inW) yield { path: `${path}/${i}/inW`, expected: `at least outW, ${outW}`, found: `${inW}` };
}

/** A load names a device that at least one option has; a feed of an option a device of that option. */
function deviceFaults(job: Job): Fault[] {
  const devicesOf = job.options.map(({ system }) => new Set(system.devices.map(({ id }) => id)));
  return [
    ...job.loads.flatMap(({ device }, i) =>
      device === null || devicesOf.some((known) => known.has(device))
        ? []
        : [{ path: `/loads/${i}/device`, expected: 'the id of a device of an option, or null', found: device }],
    ),
    ...job.options.flatMap(({ feeds }, o) =>
      feeds.flatMap(({ device }, i) =>
        device === null || devicesOf[o]?.has(device)
          ? []
          : [
              {
                path: `/options/${o}/feeds/${i}/device`,
                expected: 'the id of a device of this option, or null',
                found: device,
              },
            ],
      ),
    ),
  ];
}

/** Loads that an option feeds in its own way exist, and are named once. */
function* feedFaults(
  feeds: Job['options'][number]['feeds'],
  known: ReadonlySet<string>,
  path: string,
): Generator<Fault> {
  yield* unknownLoads(
    feeds.map(({ load }) => load),
    known,
    path,
  );
  const seen = new Set<string>();
  for (const [i, { load }] of feeds.entries()) {
    if (seen.has(load)) yield { path: `${path}/${i}/load`, expected: 'each load only once', found: load };
    seen.add(load);
  }
}
