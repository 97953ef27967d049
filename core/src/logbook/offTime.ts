import { HOUR_MS } from './band.ts';
import type { Stretch } from './open.ts';

/** Stretches that are joined where they overlap, one after the other. */
export function joined<T extends Stretch>(stretches: readonly T[]): Stretch[] {
  const sorted = stretches.filter(({ from, to }) => to > from).sort((a, b) => a.from - b.from);
  const all: { from: number; to: number }[] = [];
  for (const { from, to } of sorted) {
    const last = all.at(-1);
    if (last && from <= last.to) last.to = Math.max(last.to, to);
    else all.push({ from, to });
  }
  return all;
}

/** h of a time that are in none of the stretches (joined, in order). */
export function hoursOutside(from: number, to: number, stretches: readonly Stretch[]): number {
  let ms = to - from;
  for (const off of stretches) ms -= Math.max(0, Math.min(to, off.to) - Math.max(from, off.from));
  return ms / HOUR_MS;
}

/** A step this many times the usual one is no step but a gap: common practice says "well over"; from memory. */
const GAP_STEPS = 5;
const OFTEN_STEPS = 3;
/** Fewer readings have no usual step. */
const LEAST_READINGS = 6;

/**
 * Where a signal is missing that has to be there to be integrated: for more than five times its usual step, and
 * three times the step that nine of ten do not exceed, so that readings typed now and then have no gaps.
 * @param t ms of the readings that have the signal
 */
export function gapsOf(t: ArrayLike<number>): Stretch[] {
  if (t.length < LEAST_READINGS) return [];
  const steps = new Float64Array(t.length - 1);
  for (let i = 1; i < t.length; i++) steps[i - 1] = (t[i] as number) - (t[i - 1] as number);
  const sorted = Float64Array.from(steps).sort();
  const at = (share: number): number => sorted[Math.floor((sorted.length - 1) * share)] as number;
  const limit = Math.max(GAP_STEPS * at(0.5), OFTEN_STEPS * at(0.9));
  const gaps: Stretch[] = [];
  for (let i = 1; i < t.length; i++)
    if ((steps[i - 1] as number) > limit) gaps.push({ from: t[i - 1] as number, to: t[i] as number });
  return gaps;
}
