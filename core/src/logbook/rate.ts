import { type Band, band } from './band.ts';
import { fitLine, fTail, tQuantile } from './statistics.ts';

/** How fast a state of charge falls, % an hour of the time in which the output was on; negative where it falls. */
export interface Rate {
  /** By which of both it is told: the line where the readings lie on one, else the two ends, which what was used is by. */
  readonly by: 'ends' | 'line';
  readonly percentPerH: Band;
  readonly ends: Band;
  readonly line: {
    readonly percentPerH: number;
    /** 95 % interval by the scatter about it; null of two readings. */
    readonly low95: number | null;
    readonly high95: number | null;
    /** Furthest reading from it, %. */
    readonly furthest: number;
  } | null;
  /** Whether its beginning runs at another rate than the rest, and if so, until when. */
  readonly startUp: StartUp;
}

export interface StartUp {
  readonly found: boolean;
  /** h after the first reading at which the two best lines part; null with too few readings. */
  readonly atH: number | null;
  readonly firstPercentPerH: number | null;
  readonly thenPercentPerH: number | null;
  /** Probability of a break so clear by chance, all places tried (Bonferroni); null with too few readings. */
  readonly p: number | null;
  /** All readings lie on one line within the display's rounding: there is nothing to explain. */
  readonly withinRounding: boolean;
}

const SURE = 0.05;
/** With fewer readings chance hops as well as noise does. */
const LEAST_TO_TELL = 12;

/**
 * @param hours in which the output was on, up to each reading; rising
 * @param soc %
 * @param low, high what the truth may differ from a reading, %
 */
export function rateOf(hours: readonly number[], soc: readonly number[], low: number, high: number): Rate | null {
  const n = hours.length;
  const length = (hours[n - 1] ?? 0) - (hours[0] ?? 0);
  if (n < 2 || !(length > 0)) return null;
  const width = high - low;
  const rise = (soc[n - 1] as number) - (soc[0] as number);
  const ends = band(rise / length, (rise - width) / length, (rise + width) / length);
  const fit = n > 2 ? fitLine(hours, soc) : null;
  if (fit === null) {
    const startUp = {
      found: false,
      atH: null,
      firstPercentPerH: null,
      thenPercentPerH: null,
      p: null,
      withinRounding: true,
    };
    return { by: 'ends', percentPerH: ends, ends, line: null, startUp };
  }
  let furthest = 0;
  let turned = 0;
  let before = 0;
  for (let i = 0; i < n; i++) {
    const residual = (soc[i] as number) - fit.at0 - fit.slope * (hours[i] as number);
    furthest = Math.max(furthest, Math.abs(residual));
    if (i > 0) turned += (residual - before) ** 2;
    before = residual;
  }
  const half = fit.error === null ? null : tQuantile(0.975, n - 2) * fit.error;
  const withinRounding = furthest <= width;
  // Residuals that hop from side to side are noise of the meter, which a line averages; those that wander are the load's.
  const isNoise = n >= LEAST_TO_TELL && fit.rest > 0 && turned / fit.rest > 1;
  // Every reading off by as much as its rounding allows, the early ones one way and the late ones the other.
  const hull = (hours.reduce((sum, h) => sum + Math.abs(h - fit.meanX), 0) / fit.spreadX) * (width / 2);
  const line = {
    percentPerH: fit.slope,
    low95: half === null ? null : fit.slope - half,
    high95: half === null ? null : fit.slope + half,
    furthest,
  };
  const byLine = withinRounding || isNoise;
  return {
    by: byLine ? 'line' : 'ends',
    percentPerH: byLine ? band(fit.slope, fit.slope - hull, fit.slope + hull) : ends,
    ends,
    line,
    startUp: startUpOf(hours, soc, withinRounding, fit.rest),
  };
}

/** Points on each side of a break. */
const LEAST_EACH = 3;
const MOST_PLACES = 400;

/** One line against two that part somewhere in the first half (F test; Chow 1960), all places tried. */
function startUpOf(
  hours: readonly number[],
  soc: readonly number[],
  withinRounding: boolean,
  restOne: number,
): StartUp {
  const n = hours.length;
  const none = { found: false, atH: null, firstPercentPerH: null, thenPercentPerH: null, p: null, withinRounding };
  if (n < 2 * LEAST_EACH) return none;
  const sums = prefixSums(hours, soc);
  const middle = ((hours[0] as number) + (hours[n - 1] as number)) / 2;
  const places: number[] = [];
  for (let i = LEAST_EACH; i <= n - LEAST_EACH && (hours[i] as number) <= middle; i++) places.push(i);
  const stride = Math.ceil(places.length / MOST_PLACES);
  let best: { at: number; rest: number; first: number; later: number } | null = null;
  let tried = 0;
  for (let k = 0; k < places.length; k += stride) {
    const at = places[k] as number;
    const [first, then] = [sums(0, at), sums(at, n)];
    if (first === null || then === null) continue;
    tried += 1;
    const rest = first.rest + then.rest;
    if (best === null || rest < best.rest) best = { at, rest, first: first.slope, later: then.slope };
  }
  if (best === null) return none;
  const freedom = n - 4;
  const f =
    best.rest > 1e-12
      ? (restOne - best.rest) / 2 / (best.rest / freedom)
      : restOne > 1e-9
        ? Number.POSITIVE_INFINITY
        : 0;
  const p = Math.min(1, tried * (f === Number.POSITIVE_INFINITY ? 0 : fTail(f, 2, freedom)));
  return {
    found: !withinRounding && p < SURE,
    atH: (hours[best.at] as number) - (hours[0] as number),
    firstPercentPerH: best.first,
    thenPercentPerH: best.later,
    p,
    withinRounding,
  };
}

/** The line through the points from `from` to before `to`, in constant time. */
function prefixSums(
  x: readonly number[],
  y: readonly number[],
): (from: number, to: number) => { slope: number; rest: number } | null {
  const n = x.length;
  const [sx, sy, sxx, sxy, syy] = [0, 0, 0, 0, 0].map(() => new Float64Array(n + 1)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const [x0, y0] = [x[0] as number, y[0] as number];
  for (let i = 0; i < n; i++) {
    const [dx, dy] = [(x[i] as number) - x0, (y[i] as number) - y0];
    sx[i + 1] = (sx[i] as number) + dx;
    sy[i + 1] = (sy[i] as number) + dy;
    sxx[i + 1] = (sxx[i] as number) + dx * dx;
    sxy[i + 1] = (sxy[i] as number) + dx * dy;
    syy[i + 1] = (syy[i] as number) + dy * dy;
  }
  return (from, to) => {
    const of = (sum: Float64Array): number => (sum[to] as number) - (sum[from] as number);
    const count = to - from;
    const spread = of(sxx) - of(sx) ** 2 / count;
    if (!(spread > 1e-12)) return null;
    const both = of(sxy) - (of(sx) * of(sy)) / count;
    const slope = both / spread;
    return { slope, rest: Math.max(0, of(syy) - of(sy) ** 2 / count - slope * both) };
  };
}
