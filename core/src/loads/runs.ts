import { cycleLength } from '../job/draw.ts';
import { overlappingRun } from '../job/overlap.ts';
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
  return overlappingRun(scaled) ? spreadRuns(runs.length, totalMinutes / runs.length) : scaled;
}

const wrap = (minute: number): number => ((minute % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;

/** Minutes from one time of day forward to another; a full day when they are the same. */
const forward = (from: number, to: number): number => wrap(to - from) || MINUTES_PER_DAY;

/** Room before and after a run up to its neighbours, minutes; what is left of the day when it is the only one. */
function room(runs: readonly Run[], index: number): { before: number; after: number } {
  const run = runs[index] as Run;
  const others = runs.filter((_, i) => i !== index);
  if (others.length === 0) return { before: Number.POSITIVE_INFINITY, after: MINUTES_PER_DAY - run.minutes };
  const after = Math.min(...others.map((other) => forward(run.startMin, other.startMin))) - run.minutes;
  const before = Math.min(...others.map((other) => forward(other.startMin, run.startMin) - other.minutes));
  return { before: Math.max(0, before), after: Math.max(0, after) };
}

/** A run moved by some minutes, as far as its neighbours let it; a lone run goes around the clock. */
export function moveRun(runs: readonly Run[], index: number, byMin: number): Run[] {
  const { before, after } = room(runs, index);
  const alone = runs.length === 1;
  const by = alone ? byMin : Math.max(-before, Math.min(after, byMin));
  return runs.map((run, i) => (i === index ? { ...run, startMin: wrap(run.startMin + by) } : run));
}

/** A run made longer or shorter at its end, at least `leastMin` where there is room, at most up to the next run. */
export function resizeRun(runs: readonly Run[], index: number, byMin: number, leastMin: number): Run[] {
  const { after } = room(runs, index);
  return runs.map((run, i) => {
    if (i !== index) return run;
    return { ...run, minutes: Math.min(run.minutes + after, Math.max(leastMin, run.minutes + byMin)) };
  });
}

/** One more run in the middle of the longest gap; the same list when there is no room. */
export function addRun(runs: readonly Run[], minutes: number): Run[] {
  if (runs.length === 0) return spreadRuns(1, Math.min(minutes, MINUTES_PER_DAY));
  const gaps = runs.map((run, i) => ({ startMin: wrap(run.startMin + run.minutes), minutes: room(runs, i).after }));
  const widest = gaps.reduce((a, b) => (b.minutes > a.minutes ? b : a));
  if (widest.minutes < minutes) return [...runs];
  const startMin = wrap(widest.startMin + Math.round((widest.minutes - minutes) / 2));
  return [...runs, { startMin, minutes }].sort((a, b) => a.startMin - b.startMin);
}

/** Middle of the night and of the day: 02:00 and 13:00. Common practice. */
const MIDDLE_MIN = { night: 2 * 60, day: 13 * 60 } as const;

/** One run of that length in the middle of the night or of the day. */
export function runInThe(part: keyof typeof MIDDLE_MIN, minutes: number): Run[] {
  return [{ startMin: wrap(Math.round(MIDDLE_MIN[part] - minutes / 2)), minutes }];
}

/** Whether words say "at night" or "by day"; null when they say neither. */
export function partOfDay(text: string): 'night' | 'day' | null {
  if (/\b(?:at night|by night|overnight|nights?)\b/i.test(text)) return 'night';
  return /\b(?:by day|daytime|in daylight|during the day)\b/i.test(text) ? 'day' : null;
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
