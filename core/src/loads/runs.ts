import { cycleLength } from '../job/draw.ts';
import type { Draw, Run } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';

/** Waking hours over which repeated uses are spread: 07:00 to 21:00. Common practice. */
const WAKE_MIN = 7 * 60;
const SLEEP_MIN = 21 * 60;
/** A single long use ends at about this hour of the evening: 22:00. */
const EVENING_END_MIN = 22 * 60;

/**
 * Runs for "n times a day, so long each": spread evenly over the waking hours, or over the whole day when
 * they do not fit. @param minutes length of one use, above 0; times × minutes at most a day
 */
export function spreadRuns(times: number, minutes: number): Run[] {
  if (!(minutes > 0)) throw new RangeError(`a run must last longer than 0 minutes, not ${minutes}`);
  if (times * minutes > MINUTES_PER_DAY + 1e-6) throw new RangeError('the uses do not fit into a day');
  if (times === 1) {
    const startMin = minutes >= MINUTES_PER_DAY ? 0 : Math.max(0, Math.round(EVENING_END_MIN - minutes));
    return [{ startMin, minutes: Math.min(minutes, MINUTES_PER_DAY) }];
  }
  const fits = times * minutes <= SLEEP_MIN - WAKE_MIN;
  const from = fits ? WAKE_MIN : 0;
  const pitch = ((fits ? SLEEP_MIN : MINUTES_PER_DAY) - from) / times;
  return Array.from({ length: times }, (_, i) => ({ startMin: from + i * pitch, minutes }));
}

/**
 * The same runs, rescaled to a new total: each keeps its share and, where it can, its start. Falls back to
 * spreading when a longer run would reach into the next.
 */
export function rescaleRuns(runs: readonly Run[], totalMinutes: number): Run[] {
  const before = runs.reduce((sum, run) => sum + run.minutes, 0);
  if (runs.length === 0 || before === 0) return spreadRuns(1, totalMinutes);
  if (!(totalMinutes > 0) || totalMinutes > MINUTES_PER_DAY + 1e-6) {
    throw new RangeError('a load runs longer than 0 and at most 24 hours a day');
  }
  const scaled = runs.map((run) => ({ startMin: run.startMin, minutes: (run.minutes * totalMinutes) / before }));
  return overlap(scaled) ? spreadRuns(runs.length, totalMinutes / runs.length) : scaled;
}

function overlap(runs: readonly Run[]): boolean {
  const sorted = [...runs].sort((a, b) => a.startMin - b.startMin);
  return sorted.some((run, i) => {
    const next = sorted[i + 1]?.startMin ?? (sorted[0]?.startMin ?? 0) + MINUTES_PER_DAY;
    return run.startMin + run.minutes > next + 1e-6;
  });
}

export function minutesPerDay(runs: readonly Run[]): number {
  return runs.reduce((sum, run) => sum + run.minutes, 0);
}

/** Runs of a draw of this length and number: a cycle of fixed phases keeps its own length. */
export function runsFor(draw: Draw, times: number, minutes: number): Run[] {
  if (draw.kind !== 'cycle') return spreadRuns(times, minutes);
  const { fixedMin, stretches } = cycleLength(draw.phases);
  return spreadRuns(times, stretches ? Math.max(minutes, fixedMin) : fixedMin);
}
