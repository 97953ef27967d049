import type { Brief, System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { type Currents, type DischargeLimits, runningLimitA, unitLimits } from '../reference/currents.ts';
import { type Bank, bankOf, usualMohm } from './bank.ts';
import { type Demand, daysOf } from './demand.ts';
import { type Heating, heatingOf } from './heating.ts';
import { batteryKg } from './mass.ts';
import { givesWh, type StoreFactors, type StoreNeed, storeNeed } from './requirement.ts';
import { restVoltageV } from './rest.ts';

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
  /** What is fitted; null = as required. */
  readonly bank: Bank | null;
  readonly capacityWh: number;
  readonly ah: number;
  readonly usableWh: number;
  /** Share left when it is old. */
  readonly ageing: number;
  /** V at rest with half of what may be used gone, and Ω inside. */
  readonly restV: number;
  readonly resistanceOhm: number;
  readonly chargeLimitA: number;
  /** What it gives for long, and for a short time. */
  readonly discharge: DischargeLimits;
  /** A beyond which it goes off: what it gives for long where that alone is asked too much, else what it gives while something runs. */
  readonly playedLimitA: number;
  readonly kg: number;
  readonly heating: Heating;
  /** By its label, and as it is sized: old, cold, at the day's current. */
  readonly new: Lasts;
  readonly old: Lasts;
}

/** @param currents what is asked of it at its worst */
export function sizeStore(
  system: System,
  { sunlessDays }: Pick<Brief, 'sunlessDays'>,
  demand: Demand,
  factors: StoreFactors,
  currents: Currents,
): StoreSize {
  const daysAsked = Math.max(1, sunlessDays);
  const need = storeNeed(system, demand, daysAsked, factors, currents);
  const { chemistry, strings } = system.store;
  const bank = strings && bankOf(strings, chemistry, system.busVoltageV);
  const capacityWh = bank?.wh ?? need.requiredWh;
  const ah = capacityWh / factors.nominalV;
  const kg = bank?.kg ?? batteryKg(system, capacityWh);
  const ageing = bank ? bank.oldAh / bank.ah : factors.ageingReserve;
  const data = CHEMISTRY[chemistry];
  const discharge = bank
    ? { longA: bank.dischargeA, shortA: bank.shortA, shortS: bank.shortS }
    : unitLimits({ capacityAh: ah, dischargeA: null, shortA: null, shortS: null }, chemistry);
  const lasts = (state: 'new' | 'old'): Lasts => {
    const gives = givesWh(capacityWh, { ...factors, ageingReserve: ageing }, state);
    const ofFull = factors.usableDepth * (state === 'old' ? factors.coldFactor : 1);
    return { givesWh: gives, days: daysOf(demand, gives, (gives / ofFull) * factors.selfPerDay) };
  };
  return {
    factors,
    daysAsked,
    need,
    bank,
    capacityWh,
    ah,
    usableWh: capacityWh * factors.usableDepth,
    ageing,
    restV: restVoltageV(chemistry, system.busVoltageV, 1 - factors.usableDepth / 2),
    resistanceOhm: bank?.resistanceOhm ?? (ah > 0 ? usualMohm(ah, factors.nominalV, chemistry) / 1000 : 0),
    chargeLimitA: bank?.chargeA ?? ah * data.chargeLimitC,
    discharge,
    playedLimitA: currents.longA > discharge.longA ? discharge.longA : runningLimitA(discharge),
    kg,
    heating: heatingOf(system, capacityWh, kg),
    new: lasts('new'),
    old: lasts('old'),
  };
}
