import { deviation, mean, tQuantile, tShare } from './statistics.ts';

/** Two ways, each measured over some windows of one length. */
export interface Compared {
  readonly a: Side;
  readonly b: Side;
  /** Of b over a, W and %. */
  readonly differenceW: number;
  readonly differencePercent: number;
  /** 95 % interval of the difference, W; null with no more than one window a side. */
  readonly interval: { readonly lowW: number; readonly highW: number } | null;
  /** Two-sided probability of so great a difference by chance alone (Welch 1947); null without an interval. */
  readonly p: number | null;
  readonly freedom: number | null;
  readonly windowMinutes: number;
  /** In one window: Wh of the mean of both, and by how much both differ. */
  readonly windowWh: number;
  readonly differenceWh: number;
  /** The least that a window's meter can tell, Wh; null = not known. */
  readonly stepWh: number | null;
  readonly distinguishable: boolean;
  /** Why not. */
  readonly because: readonly ('below-resolution' | 'scatter' | 'one-window' | 'swing')[];
  /** Deviation of one window's mean, W: of what was measured, and not less than the meter's step makes. */
  readonly scatterW: number;
  /** Whether the step of the meter, not the windows' own scatter, sets it. */
  readonly byStep: boolean;
  /**
   * The load's own swing from moment to moment, W, as a rectangle's deviation, and the windows a side that it would
   * take if a window were no longer than one such moment; null where no swing was said.
   */
  readonly swing: { readonly deviationW: number; readonly windows: number | null } | null;
  /** To tell a difference as large as this one in 8 of 10 tests, at 5 %: windows of this length a side. */
  readonly neededWindows: number | null;
  /** The length of a window in which this difference is a step of the meter, h, so many a side, and h in all. */
  readonly test: { readonly windowH: number; readonly windows: number; readonly hours: number } | null;
  /** With time allowed for (drift): the difference and its 95 % interval; null with fewer than six windows. */
  readonly withDrift: {
    readonly differenceW: number;
    readonly lowW: number;
    readonly highW: number;
    readonly wPerWindow: number;
  } | null;
}

export interface Side {
  readonly label: string;
  readonly windows: number;
  readonly meanW: number;
  readonly deviationW: number;
}

/** Below about ten windows a side their own scatter is not well known: common practice. */
const FEW_WINDOWS = 10;
const Z_ALPHA = 1.959964;
const Z_BETA = 0.841621;

/**
 * Windows a side that tell a difference in 8 of 10 tests at 5 %: n = 2·((z_α/2 + z_β)·σ/Δ)², and for fewer than
 * twenty with Student's t in the place of z, where few windows are less sure of their own scatter.
 */
export function windowsFor(differenceW: number, scatterW: number): number | null {
  if (!(Math.abs(differenceW) > 0)) return null;
  if (scatterW === 0) return 2;
  const by = (alpha: number, beta: number): number => 2 * (((alpha + beta) * scatterW) / differenceW) ** 2;
  let n = Math.max(2, Math.ceil(by(Z_ALPHA, Z_BETA)));
  if (n >= 20) return n;
  while (n < 40 && by(tQuantile(0.975, 2 * n - 2), tQuantile(0.8, 2 * n - 2)) > n) n += 1;
  return n;
}

/**
 * @param order W of each window as they were measured, of which side, one after the other; both sides at least once
 * @param stepWh the step of the meter, Wh; null = not known
 * @param swingW the least and the most W of the load, from moment to moment; null = not known
 */
export function compareWindows(
  order: readonly { readonly label: string; readonly w: number }[],
  windowMinutes: number,
  stepWh: number | null,
  swingW: readonly number[] | null,
): Compared | null {
  const labels = [...new Set(order.map(({ label }) => label))];
  const [labelA, labelB] = labels;
  if (labelA === undefined || labelB === undefined || labels.length !== 2) return null;
  const of = (label: string): number[] => order.filter((window) => window.label === label).map(({ w }) => w);
  const [a, b] = [of(labelA), of(labelB)];
  const side = (label: string, values: number[]): Side => ({
    label,
    windows: values.length,
    meanW: mean(values),
    deviationW: deviation(values),
  });
  const [sideA, sideB] = [side(labelA, a), side(labelB, b)];
  const differenceW = sideB.meanW - sideA.meanW;
  const hours = windowMinutes / 60;
  // A count is the difference of two readings, each off by up to half a step: together √(1/6) of a step.
  // Where the meter's step is not said, readings are no finer than the digits they were written with.
  const stepW = (stepWh === null ? digitOf(order) : stepWh / hours) / Math.sqrt(6);
  const freedomOf = a.length + b.length - 2;
  const pooled =
    freedomOf > 0
      ? Math.sqrt(((a.length - 1) * sideA.deviationW ** 2 + (b.length - 1) * sideB.deviationW ** 2) / freedomOf)
      : 0;
  const scatterW = Math.max(pooled, stepW);
  const variances = [
    Math.max(sideA.deviationW, stepW) ** 2 / a.length,
    Math.max(sideB.deviationW, stepW) ** 2 / b.length,
  ] as const;
  const error = Math.sqrt(variances[0] + variances[1]);
  const enough = a.length > 1 && b.length > 1;
  const freedom = enough
    ? error === 0
      ? freedomOf
      : (variances[0] + variances[1]) ** 2 / (variances[0] ** 2 / (a.length - 1) + variances[1] ** 2 / (b.length - 1))
    : null;
  const half = freedom === null ? null : tQuantile(0.975, freedom) * error;
  const differenceWh = Math.abs(differenceW) * hours;
  const because: Compared['because'][number][] = [];
  if (!enough) because.push('one-window');
  if (stepWh !== null && differenceWh < stepWh) because.push('below-resolution');
  const withDrift = driftOf(order, labelB, stepW);
  // Six windows and more say by themselves what time adds: then the line through them decides.
  const isWithin = withDrift
    ? withDrift.lowW <= 0 && withDrift.highW >= 0
    : half !== null && Math.abs(differenceW) <= half;
  if (isWithin) because.push('scatter');
  const swing = swingW === null ? 0 : ((swingW[1] as number) - (swingW[0] as number)) / Math.sqrt(12);
  // Windows that are few and alike may be so by chance where the load swings more than they differ.
  if (swing > Math.abs(differenceW) && Math.min(a.length, b.length) < FEW_WINDOWS) because.push('swing');
  const windowH = stepWh === null || differenceW === 0 ? null : Math.max(hours, stepWh / Math.abs(differenceW));
  return {
    a: sideA,
    b: sideB,
    differenceW,
    differencePercent: sideA.meanW === 0 ? 0 : (differenceW / sideA.meanW) * 100,
    interval: half === null ? null : { lowW: differenceW - half, highW: differenceW + half },
    p:
      freedom === null
        ? null
        : error === 0
          ? differenceW === 0
            ? 1
            : 0
          : 2 * (1 - tShare(Math.abs(differenceW) / error, freedom)),
    freedom,
    windowMinutes,
    windowWh: ((sideA.meanW + sideB.meanW) / 2) * hours,
    differenceWh,
    stepWh,
    distinguishable: because.length === 0 && differenceW !== 0,
    because,
    scatterW,
    byStep: stepW >= pooled && stepW > 0,
    swing: swingW === null ? null : { deviationW: swing, windows: windowsFor(differenceW, swing) },
    neededWindows: windowsFor(differenceW, scatterW),
    test: windowH === null ? null : testOf(windowH, hours, differenceW, scatterW, stepW),
    withDrift,
  };
}

/**
 * Windows so long that the difference is a step of the meter. The step's share of the scatter falls with the length,
 * that of the load's own with its root.
 */
function testOf(
  windowH: number,
  measuredH: number,
  differenceW: number,
  scatterW: number,
  stepW: number,
): NonNullable<Compared['test']> {
  const ownW = Math.sqrt(Math.max(0, scatterW ** 2 - stepW ** 2));
  const times = windowH / measuredH;
  const windows = windowsFor(differenceW, Math.sqrt((stepW / times) ** 2 + ownW ** 2 / times)) ?? 2;
  return { windowH, windows, hours: 2 * windows * windowH };
}

/** The last digit that any of them is written with, W: readings that are alike are so within it. */
function digitOf(order: readonly { readonly w: number }[]): number {
  const decimals = order.map(({ w }) => (/\.(\d+)$/.exec(String(Number(w.toFixed(6))))?.[1] ?? '').length);
  return 10 ** -Math.max(0, ...decimals);
}

/** w = level + difference·(is b) + drift·number of the window, by least squares. */
function driftOf(
  order: readonly { readonly label: string; readonly w: number }[],
  labelB: string,
  stepW: number,
): Compared['withDrift'] {
  const n = order.length;
  if (n < 6) return null;
  const rows = order.map(({ label, w }, i) => ({ x: [1, label === labelB ? 1 : 0, i] as const, w }));
  const dot = (i: number, j: number): number =>
    rows.reduce((sum, { x }) => sum + (x[i] as number) * (x[j] as number), 0);
  const matrix = [0, 1, 2].map((i) => [0, 1, 2].map((j) => dot(i, j)));
  const inverse = inverse3(matrix);
  if (inverse === null) return null;
  const right = [0, 1, 2].map((i) => rows.reduce((sum, { x, w }) => sum + (x[i] as number) * w, 0));
  const [level, difference, drift] = inverse.map((row) =>
    row.reduce((sum, value, j) => sum + value * (right[j] as number), 0),
  ) as [number, number, number];
  const rest = rows.reduce((sum, { x, w }) => sum + (w - level - difference * x[1] - drift * x[2]) ** 2, 0);
  const error = Math.sqrt(Math.max(rest / (n - 3), stepW ** 2) * ((inverse[1] as number[])[1] as number));
  const half = tQuantile(0.975, n - 3) * error;
  return { differenceW: difference, lowW: difference - half, highW: difference + half, wPerWindow: drift };
}

function inverse3(m: readonly (readonly number[])[]): number[][] | null {
  const at = (i: number, j: number): number => (m[i % 3] as number[])[j % 3] as number;
  const minor = (i: number, j: number): number =>
    at(i + 1, j + 1) * at(i + 2, j + 2) - at(i + 1, j + 2) * at(i + 2, j + 1);
  const determinant = [0, 1, 2].reduce((sum, j) => sum + at(0, j) * minor(0, j), 0);
  if (Math.abs(determinant) < 1e-9) return null;
  return [0, 1, 2].map((i) => [0, 1, 2].map((j) => minor(j, i) / determinant));
}
