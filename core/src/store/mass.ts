import type { System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';

/** kg of rigid panel for each W. Common practice. */
export const panelKgPerW = (): number => DEFAULT.panelKgPerM2.value / DEFAULT.panelWPerM2.value;

/** What battery, array and inverters weigh together, kg. Common practice. */
export function kitMassKg({ store }: System, capacityWh: number, arrayW: number, invertersW: number): number {
  const { nominal12V, kgPer100Ah12V } = CHEMISTRY[store.chemistry];
  const batteryKg = (capacityWh / nominal12V / 100) * kgPer100Ah12V;
  return batteryKg + arrayW * panelKgPerW() + (invertersW / 1000) * DEFAULT.inverterKgPerKw.value;
}
