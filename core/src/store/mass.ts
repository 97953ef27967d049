import type { System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';

/** kg of a battery of which only the capacity is known. Common practice. */
export function batteryKg({ store }: System, capacityWh: number): number {
  const { nominal12V, kgPer100Ah12V } = CHEMISTRY[store.chemistry];
  return (capacityWh / nominal12V / 100) * kgPer100Ah12V;
}

/** What battery, array, inverters and laid cables weigh together, kg. Common practice. */
export const kitMassKg = (bankKg: number, panelsKg: number, invertersW: number, cablesKg: number): number =>
  bankKg + panelsKg + (invertersW / 1000) * DEFAULT.inverterKgPerKw.value + cablesKg;
