import { cycleLength } from '../job/draw.ts';
import { overlappingUse } from '../job/overlap.ts';
import type { Draw, Use } from '../job/schema.ts';
import { HOURS_OF_PART, type PartOfDay } from '../quantity/partsOfDay.ts';
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
export function spreadUses(times: number, minutes: number): Use[] {
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
 * The same uses, rescaled to a new total: each keeps its share and, where it can, its start. Falls back to
 * spreading when a longer use would reach into the next.
 */
export function rescaleUses(uses: readonly Use[], totalMinutes: number): Use[] {
  const before = uses.reduce((sum, use) => sum + use.minutes, 0);
  if (uses.length === 0 || before === 0) return spreadUses(1, totalMinutes);
  if (!(totalMinutes > 0) || totalMinutes > MINUTES_PER_DAY + 1e-6) {
    throw new RangeError('a load runs longer than 0 and at most 24 hours a day');
  }
  const scaled = uses.map((use) => ({ startMin: use.startMin, minutes: (use.minutes * totalMinutes) / before }));
  return overlappingUse(scaled) ? spreadUses(uses.length, totalMinutes / uses.length) : scaled;
}

/** Minutes by which sums of fractions may miss midnight. */
const ROUNDING_MIN = 1e-6;

/** A minute of the day; what rounding leaves just before midnight is midnight. */
function wrap(minute: number): number {
  const wrapped = ((minute % MINUTES_PER_DAY) + MINUTES_PER_DAY) % MINUTES_PER_DAY;
  return wrapped > MINUTES_PER_DAY - ROUNDING_MIN ? 0 : wrapped;
}

/** Minutes from one time of day forward to another; a full day when they are the same. */
const forward = (from: number, to: number): number => wrap(to - from) || MINUTES_PER_DAY;

/** Room before and after a use up to its neighbours, minutes; what is left of the day when it is the only one. */
function room(uses: readonly Use[], index: number): { before: number; after: number } {
  const use = uses[index] as Use;
  const others = uses.filter((_, i) => i !== index);
  if (others.length === 0) return { before: Number.POSITIVE_INFINITY, after: MINUTES_PER_DAY - use.minutes };
  const after = Math.min(...others.map((other) => forward(use.startMin, other.startMin))) - use.minutes;
  const before = Math.min(...others.map((other) => forward(other.startMin, use.startMin) - other.minutes));
  return { before: Math.max(0, before), after: Math.max(0, after) };
}

/** A use moved by some minutes, as far as its neighbours let it; a lone use goes around the clock. */
export function moveUse(uses: readonly Use[], index: number, byMin: number): Use[] {
  const { before, after } = room(uses, index);
  const alone = uses.length === 1;
  const by = alone ? byMin : Math.max(-before, Math.min(after, byMin));
  return uses.map((use, i) => (i === index ? { ...use, startMin: wrap(use.startMin + by) } : use));
}

/** A use made longer or shorter at its end, at least `leastMin` where there is room, at most up to the next use. */
export function resizeUse(uses: readonly Use[], index: number, byMin: number, leastMin: number): Use[] {
  const { after } = room(uses, index);
  return uses.map((use, i) => {
    if (i !== index) return use;
    return { ...use, minutes: Math.min(use.minutes + after, Math.max(leastMin, use.minutes + byMin)) };
  });
}

/** One more use in the middle of the longest gap; the same list when there is no room. */
export function addUse(uses: readonly Use[], minutes: number): Use[] {
  if (uses.length === 0) return spreadUses(1, Math.min(minutes, MINUTES_PER_DAY));
  const gaps = uses.map((use, i) => ({ startMin: wrap(use.startMin + use.minutes), minutes: room(uses, i).after }));
  const widest = gaps.reduce((a, b) => (b.minutes > a.minutes ? b : a));
  if (widest.minutes < minutes) return [...uses];
  const startMin = wrap(widest.startMin + Math.round((widest.minutes - minutes) / 2));
  return [...uses, { startMin, minutes }].sort((a, b) => a.startMin - b.startMin);
}

/** Middle of the night, of the day and of its parts: 02:00 and 13:00, common practice; 08:00, 15:00 and 20:30, from memory. */
const MIDDLE_MIN = { night: 2 * 60, day: 13 * 60, morning: 8 * 60, afternoon: 15 * 60, evening: 20.5 * 60 } as const;

/** Over how many minutes of such a part several uses are spread. From memory. */
const WIDTH_MIN = { night: 360, day: 360, morning: 150, afternoon: 180, evening: 180 } as const;

/** All of a part of the day. */
export const hoursOfPart = (part: PartOfDay): Use => ({ ...HOURS_OF_PART[part] });

/** Several uses in a part of the day, evenly; null when they do not fit there. */
export function usesInThe(part: PartOfDay, times: number, minutes: number): Use[] | null {
  if (times === 1) return minutes < MINUTES_PER_DAY ? useInThe(part, minutes) : null;
  const width = Math.max(WIDTH_MIN[part], times * minutes);
  if (width > MINUTES_PER_DAY / 2) return null;
  const first = MIDDLE_MIN[part] - width / 2;
  return Array.from({ length: times }, (_, i) => ({
    startMin: wrap(Math.round(first + (i * width) / times)),
    minutes,
  }));
}

/** One use of that length in the middle of the night, of the day or of a part of it. */
export function useInThe(part: PartOfDay, minutes: number): Use[] {
  return [{ startMin: wrap(Math.round(MIDDLE_MIN[part] - minutes / 2)), minutes }];
}

export function minutesPerDay(uses: readonly Use[]): number {
  return uses.reduce((sum, use) => sum + use.minutes, 0);
}

/** Runs of a draw of this length and number: a cycle of fixed phases keeps its own length. */
export function usesFor(draw: Draw, times: number, minutes: number): Use[] {
  if (draw.kind !== 'cycle') return spreadUses(times, minutes);
  const { fixedMin, stretches } = cycleLength(draw.phases);
  return spreadUses(times, stretches ? Math.max(minutes, fixedMin) : fixedMin);
}
