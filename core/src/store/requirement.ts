import type { System } from '../job/schema.ts';
import { CHEMISTRY, nominalVoltageV } from '../reference/chemistries.ts';
import { capacityForPeukert } from './peukert.ts';

export interface StoreNeed {
  readonly usableDepth: number;
  readonly roundTripEfficiency: number;
  /** √ of the round trip: half the loss is taken on the way in, half on the way out. */
  readonly dischargeEfficiency: number;
  readonly coldFactor: number;
  readonly ageingReserve: number;
  readonly nominalV: number;
  /** Share by which Peukert's law raises the capacity; 1 when it does not bite. */
  readonly peukertFactor: number;
  readonly requiredWh: number;
}

/**
 * Nominal capacity needed: C = E_day·N/(DoD·k_T·k_age·η_discharge), raised by Peukert's law for lead.
 * Sizing method after IEEE 1013.
 * @param busWhPerDay energy drawn from the terminals in a day, Wh
 * @param days N, days it must last
 * @param typicalA charge-weighted mean discharge current, A
 */
export function storeNeed(system: System, busWhPerDay: number, days: number, typicalA: number): StoreNeed {
  const { store, busVoltageV } = system;
  const data = CHEMISTRY[store.chemistry];
  const usableDepth = store.usableDepth ?? data.usableDepth;
  const roundTripEfficiency = store.roundTripEfficiency ?? data.roundTripEfficiency;
  const dischargeEfficiency = Math.sqrt(roundTripEfficiency);
  const coldFactor = 1 - data.coldLossPerK * Math.min(60, Math.max(0, 25 - store.coldestC));
  const nominalV = nominalVoltageV(store.chemistry, busVoltageV);
  const flatWh = (busWhPerDay * days) / (usableDepth * coldFactor * data.ageingReserve * dischargeEfficiency);
  const requiredWh = capacityForPeukert(flatWh / nominalV, typicalA, data.peukert) * nominalV;
  return {
    usableDepth,
    roundTripEfficiency,
    dischargeEfficiency,
    coldFactor,
    ageingReserve: data.ageingReserve,
    nominalV,
    peukertFactor: flatWh > 0 ? requiredWh / flatWh : 1,
    requiredWh,
  };
}
