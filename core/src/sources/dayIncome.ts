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
  const sunW = new Float64Array(MINUTES_PER_DAY);
  for (const { kind, watts } of sources) if (kind === 'sun') add(sunW, watts);
  const allW = sunW.slice();
  for (const { kind, watts } of sources) if (kind !== 'sun') add(allW, watts);
  return { sources, allW, sunW };
}

function add(to: Float64Array, watts: Float64Array): void {
  for (let m = 0; m < MINUTES_PER_DAY; m++) to[m] = (to[m] as number) + (watts[m] as number);
}
