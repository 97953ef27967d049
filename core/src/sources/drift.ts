import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Passage } from '../store/passage.ts';
import { type Source, togetherW } from './source.ts';

/**
 * Wh that a store of any size gains over a day, below 0 what it loses: sources feed the loads first and straight from
 * the bus, the sun before chargers; only the rest passes through the store, with what is lost on its way in and out.
 */
export function storeDriftWh(busW: Float64Array, sources: readonly Source[], passage: Passage): number {
  const sun = togetherW(
    sources.filter(({ kind }) => kind === 'sun'),
    MINUTES_PER_DAY,
  );
  const all = togetherW(sources, MINUTES_PER_DAY);
  let wattMinutes = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const over = (all[m] as number) - (busW[m] as number);
    if (over <= 0) wattMinutes += over / passage.out;
    else {
      const sunOver = Math.min(over, Math.max(0, (sun[m] as number) - (busW[m] as number)));
      wattMinutes += sunOver * passage.inBySun + (over - sunOver) * passage.inByAmps;
    }
  }
  return wattMinutes / 60;
}
