import { DEFAULT } from '../reference/defaults.ts';

/**
 * Share of the time a compressor would have to run: d(T) = d₀·(T_amb − T_set)/(T₀ − T_set), with d₀ at T₀ = 25 °C.
 * Above 1 it cannot hold its temperature. Linear heat gain; common practice.
 * @param referenceDuty d₀, 0…1
 * @param setC °C held inside, below 25 °C
 * @param ambientC °C around it
 */
export function askedDutyAt(referenceDuty: number, setC: number, ambientC: number): number {
  const reference = DEFAULT.fridgeReferenceAmbientC.value;
  if (!(setC < reference)) throw new RangeError(`the set temperature must be below ${reference} °C, not ${setC}`);
  return Math.max(0, (referenceDuty * (ambientC - setC)) / (reference - setC));
}
