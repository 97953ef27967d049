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
  const starts = [...new Set(stretches.map(({ startMin }) => startMin % MINUTES_PER_DAY))].sort((a, b) => a - b);
  // A set of loads is first on at the start of one of them: no other moment need be looked at.
  const slices = starts.map((startMin): Slice => {
    const powerW = new Map<string, number>();
    for (const stretch of stretches) {
      const into = (startMin - stretch.startMin + 2 * MINUTES_PER_DAY) % MINUTES_PER_DAY;
      if (into < stretch.minutes) powerW.set(stretch.id, Math.max(powerW.get(stretch.id) ?? 0, stretch.totalW));
    }
    return { startMin, powerW };
  });
  return slices.length > 0 ? slices : [{ startMin: null, powerW: new Map() }];
}
