import type { LossCurve } from './curve.ts';

/** A pair of W given and W taken, measured or from a data sheet. */
export interface PowerPair {
  readonly outW: number;
  readonly inW: number;
}

/**
 * The loss curve that fits pairs of output and input best (least squares of the loss, no coefficient below 0).
 * Idle is fitted too unless it is given. Two pairs without idle give a straight line (c₂ = 0), one pair with
 * idle c₁ alone; with more, all three. Quadratic loss model: Schmidt & Sauer 1996.
 * @param pairs at least one when idle is known, otherwise two
 * @param ratingW above 0, W
 * @param idleW W at no load; null = fit it
 */
export function fitCurve(pairs: readonly PowerPair[], ratingW: number, idleW: number | null): LossCurve {
  if (!(ratingW > 0)) throw new RangeError(`the rating must be above 0 W, not ${ratingW}`);
  const unknowns = Math.min(3, pairs.length + (idleW === null ? 0 : 1));
  if (unknowns < 2) throw new RangeError('a curve needs two measured pairs, or one and the idle draw');
  const known = idleW === null ? 0 : idleW / ratingW;
  const powers = idleW === null ? [0, 1, 2].slice(0, unknowns) : [1, 2].slice(0, unknowns - 1);
  const rows = pairs.map(({ outW, inW }) => {
    const x = outW / ratingW;
    return { terms: powers.map((power) => x ** power), loss: Math.max(0, inW - outW) / ratingW - known };
  });
  const best = leastSquaresFromZero(rows, powers.length);
  const at = (power: number): number => best[powers.indexOf(power)] ?? 0;
  return { c0: idleW === null ? at(0) : known, c1: at(1), c2: at(2) };
}

/**
 * Between which idle draws two pairs leave the truth, W: a loss that grows in a straight line, and one that grows
 * with the square of the load alone. Null when there are not exactly two pairs at different loads.
 */
export function idleBetween(pairs: readonly PowerPair[]): { readonly lowW: number; readonly highW: number } | null {
  const [a, b] = pairs;
  if (pairs.length !== 2 || !a || !b || a.outW === b.outW) return null;
  const at = (power: number): number => {
    const slope = (b.inW - b.outW - (a.inW - a.outW)) / (b.outW ** power - a.outW ** power);
    return Math.max(0, a.inW - a.outW - slope * a.outW ** power);
  };
  return { lowW: Math.min(at(1), at(2)), highW: Math.max(at(1), at(2)) };
}

interface Row {
  readonly terms: readonly number[];
  readonly loss: number;
}

/** Least squares with no unknown below 0: every subset of at most three unknowns is tried, the best kept. */
function leastSquaresFromZero(rows: readonly Row[], unknowns: number): number[] {
  let best = { values: new Array<number>(unknowns).fill(0), error: rows.reduce((sum, { loss }) => sum + loss ** 2, 0) };
  for (let mask = 1; mask < 2 ** unknowns; mask++) {
    const used = Array.from({ length: unknowns }, (_, i) => i).filter((i) => mask & (1 << i));
    const solved = solveNormal(rows, used);
    if (!solved || solved.some((value) => value < 0)) continue;
    const values = Array.from({ length: unknowns }, (_, i) => solved[used.indexOf(i)] ?? 0);
    const error = rows.reduce(
      (sum, { terms, loss }) =>
        sum + (terms.reduce((total, term, i) => total + term * (values[i] ?? 0), 0) - loss) ** 2,
      0,
    );
    if (error < best.error * (1 - 1e-12)) best = { values, error };
  }
  return best.values;
}

/** Normal equations by Gaussian elimination with pivoting; null when the pairs do not determine the unknowns. */
function solveNormal(rows: readonly Row[], used: readonly number[]): number[] | null {
  const dot = (pick: (row: Row) => number, i: number) =>
    rows.reduce((sum, row) => sum + pick(row) * (row.terms[i] as number), 0);
  const matrix = used.map((i) => [
    ...used.map((j) => dot((row) => row.terms[j] as number, i)),
    dot((row) => row.loss, i),
  ]);
  const n = used.length;
  for (let column = 0; column < n; column++) {
    const pivots = matrix.slice(column).map((row) => Math.abs(row[column] as number));
    const pivot = column + pivots.indexOf(Math.max(...pivots));
    const head = matrix[pivot] as number[];
    if (Math.abs(head[column] as number) < 1e-14) return null;
    [matrix[column], matrix[pivot]] = [head, matrix[column] as number[]];
    for (let r = 0; r < n; r++) {
      if (r === column) continue;
      const row = matrix[r] as number[];
      const factor = (row[column] as number) / (head[column] as number);
      for (let c = column; c <= n; c++) row[c] = (row[c] as number) - factor * (head[c] as number);
    }
  }
  return matrix.map((row, i) => (row[n] as number) / (row[i] as number));
}
