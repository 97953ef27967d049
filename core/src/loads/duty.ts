import type { Draw } from '../job/schema.ts';

/** A duty that follows the weather: share of the running power, for each K and for each W/m² of sun on the flat. */
export interface DutyLine {
  readonly base: number;
  readonly perK: number;
  readonly perWm2: number;
}

type Cooler = Pick<Extract<Draw, { kind: 'thermostatic' }>, 'duty' | 'dutyAtC' | 'setC'>;

/**
 * Share of the time a compressor would have to run: d(T) = d₀·(T_amb − T_set)/(T₀ − T_set), with d₀ at T₀; as it is where
 * no T₀ is said. Above 1 it cannot hold its temperature. Linear heat gain; common practice.
 * @param cooler d₀ 0…1, T₀ in °C, and °C held inside, below T₀
 * @param ambientC °C around it
 */
export function askedDutyAt(cooler: Cooler, ambientC: number): number {
  const { base, perK } = coldLine(cooler);
  return Math.max(0, base + perK * ambientC);
}

/** The same duty as a line in the temperature around it, not yet held above 0. */
export function coldLine({ duty, dutyAtC, setC }: Cooler): DutyLine {
  if (dutyAtC === null) return { base: duty, perK: 0, perWm2: 0 };
  if (!(setC < dutyAtC)) throw new RangeError(`the set temperature must be below ${dutyAtC} °C, not ${setC}`);
  const perK = duty / (dutyAtC - setC);
  return { base: -perK * setC, perK, perWm2: 0 };
}
