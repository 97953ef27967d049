import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { offeredWh, type Source } from './source.ts';

/** What sources bring to the bus through a day, W in each minute. */
export interface DayIncome {
  /** In the order in which they are drawn on. */
  readonly sources: readonly Source[];
  readonly allW: Float64Array;
  /** Of it the sun's. */
  readonly sunW: Float64Array;
  /** The first minute in which anything comes, and the one after the last; both 1,440 where nothing does. */
  readonly fromMin: number;
  readonly toMin: number;
}

export function dayIncome(sources: readonly Source[]): DayIncome {
  // What brings nothing on such a day need not be added.
  const giving = sources.filter((source) => offeredWh(source) > 0);
  const sunW = new Float64Array(MINUTES_PER_DAY);
  for (const { kind, watts } of giving) if (kind === 'sun') add(sunW, watts);
  const allW = sunW.slice();
  for (const { kind, watts } of giving) if (kind !== 'sun') add(allW, watts);
  let fromMin = 0;
  while (fromMin < MINUTES_PER_DAY && allW[fromMin] === 0) fromMin++;
  let toMin = MINUTES_PER_DAY;
  while (toMin > fromMin && allW[toMin - 1] === 0) toMin--;
  return { sources, allW, sunW, fromMin, toMin };
}

function add(to: Float64Array, watts: Float64Array): void {
  for (let m = 0; m < MINUTES_PER_DAY; m++) to[m] = (to[m] as number) + (watts[m] as number);
}
