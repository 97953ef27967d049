import { QUANTITIES, type Quantity } from './quantities.ts';
import type { Series } from './table.ts';

/**
 * Readings of two hands in one series, in the order of time; of one moment the first's values count and the second's
 * fill in what is not there.
 */
export function mergeSeries(one: Series, other: Series): Series {
  if (one.t.length === 0) return { ...other, remarks: [...one.remarks, ...other.remarks].sort((a, b) => a.t - b.t) };
  if (other.t.length === 0) return { ...one, remarks: [...one.remarks, ...other.remarks].sort((a, b) => a.t - b.t) };
  const [a, b] = [one.t, other.t];
  const t = new Float64Array(a.length + b.length);
  const fromOne = new Int32Array(t.length).fill(-1);
  const fromOther = new Int32Array(t.length).fill(-1);
  let n = 0;
  for (let i = 0, j = 0; i < a.length || j < b.length; n++) {
    const [ta, tb] = [a[i] ?? Number.POSITIVE_INFINITY, b[j] ?? Number.POSITIVE_INFINITY];
    t[n] = Math.min(ta, tb);
    if (ta <= tb) fromOne[n] = i++;
    if (tb <= ta) fromOther[n] = j++;
  }
  const values: Partial<Record<Quantity, Float64Array>> = {};
  for (const quantity of QUANTITIES) {
    const [first, second] = [one.values[quantity], other.values[quantity]];
    if (!first && !second) continue;
    const column = new Float64Array(n).fill(Number.NaN);
    for (let i = 0; i < n; i++) {
      const [mine, theirs] = [first?.[fromOne[i] as number], second?.[fromOther[i] as number]];
      column[i] = mine !== undefined && !Number.isNaN(mine) ? mine : (theirs ?? Number.NaN);
    }
    values[quantity] = column;
  }
  return {
    t: t.slice(0, n),
    dated: one.dated,
    values,
    remarks: [...one.remarks, ...other.remarks].sort((x, y) => x.t - y.t),
  };
}
