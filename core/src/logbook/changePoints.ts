import { median } from './statistics.ts';

/** A stretch of a signal in which its mean does not change: values from `from` to before `to`. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly mean: number;
}

/** Of normal noise: its deviation ÷ the median of the absolute values of it. */
const NORMAL_MAD = 0.6745;
/** So many times the noise's variance × ln n does a change have to spare. */
const PENALTY = 3;
const MOST_STEPS = 20_000;

/** Deviation of the noise about a signal that is level but for some jumps: by its steps, so that the jumps count little. */
export function noiseOf(values: ArrayLike<number>): number {
  if (values.length < 3) return 0;
  // Of a long signal some thousand steps tell it as well.
  const stride = Math.ceil(values.length / MOST_STEPS);
  const steps: number[] = [];
  for (let i = 1; i < values.length; i += stride)
    steps.push(Math.abs((values[i] as number) - (values[i - 1] as number)));
  return median(steps) / NORMAL_MAD / Math.SQRT2;
}

/** Longer signals are cut only where they jump, at most at so many places. */
const MOST_CUTS = 4000;

/**
 * Where a signal may be cut: anywhere in a short one, in a long one where it leaves the mean of what came since the cut
 * before by more than four deviations of the noise; of too many such places those with the largest jumps.
 */
function cutsOf(values: ArrayLike<number>, noise: number): number[] {
  const n = values.length;
  if (n <= MOST_CUTS) return Array.from({ length: n - 1 }, (_, i) => i + 1);
  const cuts: { at: number; jump: number }[] = [];
  let from = 0;
  let sum = values[0] as number;
  for (let i = 1; i < n; i++) {
    const jump = Math.abs((values[i] as number) - sum / (i - from));
    if (jump > 4 * noise) {
      cuts.push({ at: i, jump });
      from = i;
      sum = 0;
    }
    sum += values[i] as number;
  }
  if (cuts.length > MOST_CUTS) {
    const least = cuts.map(({ jump }) => jump).sort((a, b) => b - a)[MOST_CUTS] as number;
    return cuts.filter(({ jump }) => jump > least).map(({ at }) => at);
  }
  return cuts.map(({ at }) => at);
}

/**
 * Where the mean of a signal changes: the cut that has the least sum of squares with a penalty for each change (PELT;
 * Killick, Fearnhead & Eckley 2012, which finds the optimum and prunes what cannot be part of it).
 * @param noise deviation of the noise, in the unit of the values, above 0
 */
export function changePoints(values: ArrayLike<number>, noise: number): Stretch[] {
  const n = values.length;
  if (n === 0) return [];
  const penalty = PENALTY * noise * noise * Math.log(Math.max(2, n));
  const ends = [0, ...cutsOf(values, noise), n];
  const places = ends.length;
  // About the first value, so that squares of large means lose no digits.
  const base = values[0] as number;
  const sum = new Float64Array(places);
  const squares = new Float64Array(places);
  for (let k = 1; k < places; k++) {
    sum[k] = sum[k - 1] as number;
    squares[k] = squares[k - 1] as number;
    for (let i = ends[k - 1] as number; i < (ends[k] as number); i++) {
      const value = (values[i] as number) - base;
      sum[k] = (sum[k] as number) + value;
      squares[k] = (squares[k] as number) + value * value;
    }
  }
  const totalOf = (from: number, to: number): number => (sum[to] as number) - (sum[from] as number);
  const countOf = (from: number, to: number): number => (ends[to] as number) - (ends[from] as number);
  const costOf = (from: number, to: number): number =>
    (squares[to] as number) - (squares[from] as number) - totalOf(from, to) ** 2 / countOf(from, to);
  const best = new Float64Array(places);
  best[0] = -penalty;
  const cut = new Int32Array(places);
  let open: number[] = [0];
  for (let to = 1; to < places; to++) {
    let least = Number.POSITIVE_INFINITY;
    const costs = open.map((from) => (best[from] as number) + costOf(from, to));
    for (const [k, cost] of costs.entries()) {
      if (cost + penalty < least) {
        least = cost + penalty;
        cut[to] = open[k] as number;
      }
    }
    best[to] = least;
    open = open.filter((_, k) => (costs[k] as number) <= least);
    open.push(to);
  }
  const stretches: Stretch[] = [];
  for (let to = places - 1; to > 0; to = cut[to] as number) {
    const from = cut[to] as number;
    stretches.push({
      from: ends[from] as number,
      to: ends[to] as number,
      mean: base + totalOf(from, to) / countOf(from, to),
    });
  }
  return stretches.reverse();
}

/** Levels at which a signal dwells again and again. */
export interface Level {
  readonly mean: number;
  /** Share of the time. */
  readonly duty: number;
  readonly times: number;
  readonly meanMinutes: number;
}

/**
 * Stretches of about the same mean together, the lowest first: parted where the next mean is further away than the
 * noise explains (five deviations) and than a tenth of it.
 * @param minutes how long each stretch lasts
 */
export function levelsOf(
  stretches: readonly { readonly mean: number; readonly minutes: number }[],
  noise: number,
): Level[] {
  const sorted = stretches.map((_, i) => i).sort((a, b) => (stretches[a]?.mean ?? 0) - (stretches[b]?.mean ?? 0));
  const levelOf = new Int32Array(stretches.length);
  let level = -1;
  let before = Number.NEGATIVE_INFINITY;
  for (const i of sorted) {
    const { mean } = stretches[i] as { mean: number };
    if (mean - before > Math.max(5 * noise, 0.1 * Math.abs(mean))) level += 1;
    levelOf[i] = level;
    before = mean;
  }
  const all = stretches.reduce((sum, { minutes }) => sum + minutes, 0);
  return Array.from({ length: level + 1 }, (_, k) => {
    const those = stretches.filter((_one, i) => levelOf[i] === k);
    const minutes = those.reduce((sum, one) => sum + one.minutes, 0);
    // Stretches that follow one another at one level are one visit of it.
    const times = stretches.filter((_one, i) => levelOf[i] === k && levelOf[i - 1] !== k).length;
    return {
      mean: minutes > 0 ? those.reduce((sum, one) => sum + one.mean * one.minutes, 0) / minutes : (those[0]?.mean ?? 0),
      duty: all > 0 ? minutes / all : 0,
      times,
      meanMinutes: minutes / times,
    };
  });
}
