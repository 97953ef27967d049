import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Source } from './source.ts';

/** What sources bring to the bus through a day, W in each minute. */
export interface DayIncome {
  /** In the order in which they are drawn on. */
  readonly sources: readonly Source[];
  readonly allW: Float64Array;
  /** Of it the sun's. */
  readonly sunW: Float64Array;
}

export function dayIncome(sources: readonly Source[]): DayIncome {
  const allW = new Float64Array(MINUTES_PER_DAY);
  const sunW = new Float64Array(MINUTES_PER_DAY);
  for (const { kind, watts } of sources)
    for (let m = 0; m < MINUTES_PER_DAY; m++) {
      const w = watts[m] as number;
      allW[m] = (allW[m] as number) + w;
      if (kind === 'sun') sunW[m] = (sunW[m] as number) + w;
    }
  return { sources, allW, sunW };
}
