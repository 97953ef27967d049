import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Passage } from '../store/passage.ts';
import type { DayIncome } from './dayIncome.ts';

/**
 * Wh that a store of any size gains over a day, below 0 what it loses: sources feed the loads first and straight from
 * the bus, the sun before chargers; only the rest passes through the store, with what is lost on its way in and out.
 */
export function storeDriftWh(busW: Float64Array, { allW, sunW }: DayIncome, passage: Passage): number {
  let wattMinutes = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const over = (allW[m] as number) - (busW[m] as number);
    if (over <= 0) wattMinutes += over / passage.out;
    else {
      const sunOver = Math.min(over, Math.max(0, (sunW[m] as number) - (busW[m] as number)));
      wattMinutes += sunOver * passage.inBySun + (over - sunOver) * passage.inByAmps;
    }
  }
  return wattMinutes / 60;
}
