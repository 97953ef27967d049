import type { Income } from './day.ts';
import type { StoreModel } from './fill.ts';
import type { Passage } from './passage.ts';
import type { WarmDay } from './warmDay.ts';

/** Wh that a battery gains over a day, what it loses by itself taken off. */
export const dayGainWh = (
  busW: Float64Array,
  income: Income,
  model: StoreModel,
  warm: Pick<WarmDay, 'locked'>,
): number => storeDriftWh(busW, income, model, warm) - model.selfWhPerDay;

/**
 * Wh that a battery of any size gains over a day, below 0 what it loses: sources feed the loads first and straight from
 * the bus, the sun before chargers; only the rest passes through the battery, with what is lost on its way in and out,
 * and none of it while the battery is too cold to be charged.
 */
export function storeDriftWh(
  busW: Float64Array,
  { sunW, otherW }: Income,
  passage: Passage,
  { locked }: Pick<WarmDay, 'locked'>,
): number {
  let wattMinutes = 0;
  for (let m = 0; m < busW.length; m++) {
    const needW = busW[m] as number;
    const bySun = sunW[m] as number;
    const over = bySun + (otherW[m] as number) - needW;
    if (over <= 0) wattMinutes += over / passage.out;
    else if (locked[m] === 0) {
      const sunOver = Math.min(over, Math.max(0, bySun - needW));
      wattMinutes += sunOver * passage.inBySun + (over - sunOver) * passage.inByAmps;
    }
  }
  return wattMinutes / 60;
}
