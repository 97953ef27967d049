import { median } from './statistics.ts';

/** Rows on each side of a change that make it one. */
const EACH_SIDE = 3;
const THOUSAND = [700, 1400] as const;
/** From one value to the next. */
const LEAST_STEP = 250;
/** Values on each side whose middle one is compared. */
const NEAR = 20;

/** The first value of the one place where all after it are some thousand times all before it, or the other way round. */
export function thousandfoldAt(values: Float64Array): number | null {
  let found: number | null = null;
  let before = 0;
  for (let i = 0; i < values.length; i++) {
    const size = Math.abs(values[i] as number);
    if (!(size > 0)) continue;
    if (before > 0 && (size > before * LEAST_STEP || before > size * LEAST_STEP)) {
      if (found !== null) return null;
      found = i;
    }
    before = size;
  }
  if (found === null) return null;
  const sizes = (from: number, step: 1 | -1): number[] => {
    const near: number[] = [];
    for (let i = from; i >= 0 && i < values.length && near.length < NEAR; i += step) {
      const size = Math.abs(values[i] as number);
      if (size > 0) near.push(size);
    }
    return near;
  };
  const [first, last] = [sizes(found - 1, -1), sizes(found, 1)];
  if (first.length < EACH_SIDE || last.length < EACH_SIDE) return null;
  const ratio = median(first) / median(last);
  const size = Math.max(ratio, 1 / ratio);
  return size >= THOUSAND[0] && size <= THOUSAND[1] ? found : null;
}
