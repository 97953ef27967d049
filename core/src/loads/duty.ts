import { DEFAULT } from '../reference/defaults.ts';

/** A duty that follows the weather: share of the running power, for each K and for each W/m² of sun on the flat. */
export interface DutyLine {
  readonly base: number;
  readonly perK: number;
  readonly perWm2: number;
}

/**
 * Share of the time a compressor would have to run: d(T) = d₀·(T_amb − T_set)/(T₀ − T_set), with d₀ at T₀ = 25 °C.
 * Above 1 it cannot hold its temperature. Linear heat gain; common practice.
 * @param referenceDuty d₀, 0…1
 * @param setC °C held inside, below 25 °C
 * @param ambientC °C around it
 */
export function askedDutyAt(referenceDuty: number, setC: number, ambientC: number): number {
  const { base, perK } = coldLine(referenceDuty, setC);
  return Math.max(0, base + perK * ambientC);
}

/** The same duty as a line in the temperature around it, not yet held above 0. */
export function coldLine(referenceDuty: number, setC: number): DutyLine {
  const reference = DEFAULT.fridgeReferenceAmbientC.value;
  if (!(setC < reference)) throw new RangeError(`the set temperature must be below ${reference} °C, not ${setC}`);
  const perK = referenceDuty / (reference - setC);
  return { base: -perK * setC, perK, perWm2: 0 };
}
