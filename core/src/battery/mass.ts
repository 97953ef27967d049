import type { Inverter, System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';

/** kg of a battery of which only the capacity is known. Common practice. */
export function batteryKg({ store }: System, capacityWh: number): number {
  const { nominal12V, kgPer100Ah12V } = CHEMISTRY[store.chemistry];
  return (capacityWh / nominal12V / 100) * kgPer100Ah12V;
}

/** What the kit weighs, kg, by what it is made of. */
export interface KitMass {
  readonly kg: number;
  readonly bankKg: number;
  readonly panelsKg: number;
  readonly cablesKg: number;
  /** Inverters, all-in-one units, controllers and chargers of which it is said. */
  readonly saidKg: number;
  /** W of inverters of which it is not, and kg by the usual for them. */
  readonly usualW: number;
  readonly usualKg: number;
}

/**
 * Battery, array, what converts, and laid cables together. What is in an all-in-one unit weighs nothing beside it;
 * controllers and chargers of which nothing is said are left out, inverters are taken by the usual for their watts.
 */
export function kitMass(
  { allInOnes, arrays, driving, chargers }: System,
  bankKg: number,
  panelsKg: number,
  inverters: readonly { readonly device: Inverter; readonly ratingW: number }[],
  cablesKg: number,
): KitMass {
  const kgOf = (parts: readonly { readonly kg: number | null }[]): number =>
    parts.reduce((sum, { kg }) => sum + (kg ?? 0), 0);
  const apart = inverters.filter(({ device }) => !allInOnes.some(({ inverter }) => inverter === device.id));
  const unsaid = [
    ...apart.filter(({ device }) => device.kg === null),
    ...inverters.filter(({ device }) => allInOnes.some(({ inverter, kg }) => inverter === device.id && kg === null)),
  ];
  const usualW = unsaid.reduce((sum, { ratingW }) => sum + ratingW, 0);
  const usualKg = (usualW / 1000) * DEFAULT.inverterKgPerKw.value;
  const saidKg =
    kgOf(allInOnes) +
    kgOf(apart.map(({ device }) => device)) +
    kgOf(
      (arrays ?? []).flatMap(({ id, controller }) =>
        allInOnes.some((unit) => unit.arrays.includes(id)) ? [] : [controller],
      ),
    ) +
    kgOf(driving ?? []) +
    kgOf(chargers.filter(({ id }) => !allInOnes.some(({ charger }) => charger === id)));
  return {
    kg: bankKg + panelsKg + saidKg + usualKg + cablesKg,
    bankKg,
    panelsKg,
    cablesKg,
    saidKg,
    usualW,
    usualKg,
  };
}
