import type { Brief, System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { type Demand, daysOf } from './demand.ts';
import { givesWh, type StoreFactors, type StoreNeed, storeNeed } from './requirement.ts';

/** What a store gives and for how long, in one of its states. */
interface Lasts {
  /** Wh at the terminals to its usable depth. */
  readonly givesWh: number;
  /** Days that the heaviest run of days is carried without any source. */
  readonly days: number;
}

/** The store: what is asked of it and what is fitted. */
export interface StoreSize {
  readonly factors: StoreFactors;
  /** Days it must last, at least one. */
  readonly daysAsked: number;
  readonly need: StoreNeed;
  /** Ah of all strings at the bus voltage; null = as required. */
  readonly fittedAh: number | null;
  readonly capacityWh: number;
  readonly ah: number;
  readonly usableWh: number;
  readonly chargeLimitA: number;
  /** By its label, and as it is sized: old, cold, at the day's current. */
  readonly new: Lasts;
  readonly old: Lasts;
}

/** @param worstA current at the worst moment, A */
export function sizeStore(
  system: System,
  { sunlessDays }: Pick<Brief, 'sunlessDays'>,
  demand: Demand,
  factors: StoreFactors,
  worstA: number,
): StoreSize {
  const daysAsked = Math.max(1, sunlessDays);
  const need = storeNeed(system, demand, daysAsked, factors, worstA);
  const fittedAh = system.store.strings?.reduce((sum, { capacityAh }) => sum + capacityAh, 0) ?? null;
  const capacityWh = fittedAh === null ? need.requiredWh : fittedAh * factors.nominalV;
  const ah = capacityWh / factors.nominalV;
  const lasts = (state: 'new' | 'old'): Lasts => {
    const gives = givesWh(capacityWh, factors, state);
    return { givesWh: gives, days: daysOf(demand, gives) };
  };
  return {
    factors,
    daysAsked,
    need,
    fittedAh,
    capacityWh,
    ah,
    usableWh: capacityWh * factors.usableDepth,
    chargeLimitA: ah * CHEMISTRY[system.store.chemistry].chargeLimitC,
    new: lasts('new'),
    old: lasts('old'),
  };
}
