import type { Job } from '../job/schema.ts';
import { type LoadProfile, stretchesOf } from '../loads/profile.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Weights } from './coincidence.ts';

/** A stretch of the day in which the same loads may be on, with the W of each at its own terminals, all pieces. */
export interface Slice {
  /** Minutes after midnight; null when any load may run at any time. */
  readonly startMin: number | null;
  readonly powerW: Weights;
}

/**
 * What may be on at the same time, by the job's school: anything with anything at its strongest, or only what the
 * lanes have in the same minute, each with the phase it is in then.
 */
export function slicesOf(profiles: readonly LoadProfile[], job: Pick<Job, 'brief' | 'rules'>): readonly Slice[] {
  if (job.rules.coincide === 'any-time') {
    return [{ startMin: null, powerW: new Map(profiles.map(({ load, runningW }) => [load.id, runningW])) }];
  }
  const stretches = profiles.flatMap(({ load }) =>
    stretchesOf(load, job.brief.day)
      .filter(({ minutes, powerW }) => minutes > 0 && powerW > 0)
      .map((stretch) => ({ ...stretch, id: load.id, totalW: stretch.powerW * load.quantity })),
  );
  // A set of loads is first on at the start of one of them, and a start that nothing has ended since the one before
  // finds more on than that one did: the others need not be looked at.
  const slices = startsBeforeEnds(stretches).map((startMin): Slice => {
    const powerW = new Map<string, number>();
    for (const stretch of stretches) {
      let into = startMin - stretch.startMin;
      while (into < 0) into += MINUTES_PER_DAY;
      while (into >= MINUTES_PER_DAY) into -= MINUTES_PER_DAY;
      if (into < stretch.minutes) powerW.set(stretch.id, Math.max(powerW.get(stretch.id) ?? 0, stretch.totalW));
    }
    return { startMin, powerW };
  });
  return slices.length > 0 ? slices : [{ startMin: null, powerW: new Map() }];
}

/** The starts, minutes after midnight, after each of which something ends before anything else starts. */
function startsBeforeEnds(stretches: readonly { readonly startMin: number; readonly minutes: number }[]): number[] {
  const ofDay = (minute: number) => ((minute % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
  const starts = [...new Set(stretches.map(({ startMin }) => ofDay(startMin)))].sort((a, b) => a - b);
  const ends = [...new Set(stretches.map(({ startMin, minutes }) => ofDay(startMin + minutes)))].sort((a, b) => a - b);
  let end = 0;
  return starts.filter((start, i) => {
    const next = starts[i + 1] ?? (starts[0] as number) + MINUTES_PER_DAY;
    while (end < ends.length && (ends[end] as number) <= start) end += 1;
    // The first end after this start, which may be tomorrow's.
    const following = ends[end] ?? (ends[0] as number) + MINUTES_PER_DAY;
    return following <= next;
  });
}
