import type { System } from '../job/schema.ts';
import { bankVoltageV, CHEMISTRY } from '../reference/chemistries.ts';
import { type CurrentKind, type Currents, exceeding, unitLimits } from '../reference/currents.ts';
import { type Demand, heaviestWh } from './demand.ts';
import { type Levels, levelsOf } from './levels.ts';
import { capacityForPeukert, chargeAtPeukert } from './peukert.ts';

/** Days of a mean month. */
const DAYS_PER_MONTH = 30.4375;

/** What stands between the energy in a store and the energy that can be planned with; the same for sizing and for the days it lasts. */
export interface StoreFactors {
  /** Share of the capacity that is planned with: no deeper than where the first load goes without. */
  readonly usableDepth: number;
  readonly levels: Levels;
  readonly roundTripEfficiency: number;
  /** √ of the round trip: half the loss is taken on the way in, half on the way out. */
  readonly dischargeEfficiency: number;
  readonly coldFactor: number;
  readonly ageingReserve: number;
  /** Share of its capacity that it loses in a day by itself. */
  readonly selfPerDay: number;
  readonly nominalV: number;
  readonly peukert: number;
  /** Charge-weighted mean discharge current, A. */
  readonly typicalA: number;
}

export function storeFactors({ store, busVoltageV }: System, typicalA: number): StoreFactors {
  const data = CHEMISTRY[store.chemistry];
  const levels = levelsOf(store);
  const roundTripEfficiency = store.roundTripEfficiency ?? data.roundTripEfficiency;
  return {
    usableDepth: levels.plannedDepth,
    levels,
    roundTripEfficiency,
    dischargeEfficiency: Math.sqrt(roundTripEfficiency),
    coldFactor: 1 - data.coldLossPerK * Math.min(60, Math.max(0, data.coldFromC - store.coldestC)),
    ageingReserve: data.ageingReserve,
    selfPerDay: (store.selfDischarge ?? data.selfDischarge) / DAYS_PER_MONTH,
    nominalV: bankVoltageV(store, busVoltageV),
    peukert: data.peukert,
    typicalA,
  };
}

export interface StoreNeed {
  /** Wh drawn from the terminals in the heaviest N days in a row. */
  readonly heaviestWh: number;
  /** Share of the capacity that is lost by itself meanwhile. */
  readonly selfShare: number;
  /** Share by which Peukert's law raises the capacity; 1 when it does not bite. */
  readonly peukertFactor: number;
  readonly byEnergyWh: number;
  readonly byCurrentWh: number;
  readonly requiredWh: number;
  readonly decidedBy: 'energy' | 'current';
  /** Of the currents, the one that asks for the most. */
  readonly current: { readonly kind: CurrentKind; readonly amps: number; readonly limitC: number };
}

/**
 * Nominal capacity needed: for the energy C = E_N/((DoD·k_T − s·N)·k_age·η_discharge), s what it loses by itself in a day,
 * raised by Peukert's law for lead (sizing method after IEEE 1013); and no less than what is asked at the worst ÷ what a
 * cell of it may give: for long, for as long as what runs briefly takes, and at a start.
 * @param days N, days it must last
 * @param currents what is asked of it at its worst
 */
export function storeNeed(
  system: System,
  demand: Demand,
  days: number,
  factors: StoreFactors,
  currents: Currents,
): StoreNeed {
  const wanted = heaviestWh(demand, days);
  const { nominalV, typicalA, peukert } = factors;
  const selfShare = selfShareIn(factors, days);
  const flatWh = wanted / planned(factors, selfShare);
  const byEnergyWh = capacityForPeukert(flatWh / nominalV, typicalA, peukert) * nominalV;
  const ofOneAh = { capacityAh: 1, dischargeA: null, shortA: null, shortS: null };
  const [most] = exceeding(currents, unitLimits(ofOneAh, system.store.chemistry));
  const { kind, amps, limitA: limitC, times } = most as NonNullable<typeof most>;
  const byCurrentWh = wanted > 0 ? times * nominalV : 0;
  return {
    heaviestWh: wanted,
    selfShare,
    peukertFactor: flatWh > 0 ? byEnergyWh / flatWh : 1,
    byEnergyWh,
    byCurrentWh,
    requiredWh: Math.max(byEnergyWh, byCurrentWh),
    decidedBy: byCurrentWh > byEnergyWh ? 'current' : 'energy',
    current: { kind, amps, limitC },
  };
}

const planned = (
  { usableDepth, coldFactor, ageingReserve, dischargeEfficiency }: StoreFactors,
  selfShare: number,
): number => (usableDepth * coldFactor - selfShare) * ageingReserve * dischargeEfficiency;

/** Of what is planned with, the share that may be lost by itself before it is used: a store of any size would lose more. From memory. */
const MOST_LOST = 0.95;

/** Share of the capacity that is lost by itself in so many days. */
const selfShareIn = ({ usableDepth, coldFactor, selfPerDay }: StoreFactors, days: number): number =>
  Math.min(selfPerDay * days, MOST_LOST * usableDepth * coldFactor);

/** A store by its label, new and warm and drawn slowly; or old, at its coldest and at the day's current, as it is sized. */
export type StoreState = 'new' | 'old';

/** Wh at the terminals that a nominal capacity gives to its usable depth, by the factors that size it. */
export function givesWh(capacityWh: number, factors: StoreFactors, state: StoreState): number {
  const { nominalV, typicalA, peukert, usableDepth, dischargeEfficiency } = factors;
  if (state === 'new') return capacityWh * usableDepth * dischargeEfficiency;
  return chargeAtPeukert(capacityWh / nominalV, typicalA, peukert) * nominalV * planned(factors, 0);
}
