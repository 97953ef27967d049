/** Conversion factors into the core's units (W, Wh, V, A, Ah, kg, °C, minutes). All exact or by definition. */

export const MINUTES_PER_DAY = 1440;
/** W per Btu/h (international table Btu). */
export const W_PER_BTU_H = 0.293071;
/** W per mechanical horsepower. */
export const W_PER_HP = 745.7;
/** kg per lb, exact. */
export const KG_PER_LB = 0.45359237;
/** m per foot, exact. */
export const M_PER_FT = 0.3048;
/** MJ per kWh, exact. */
export const MJ_PER_KWH = 3.6;

/** Refuses what is not a finite number of at least `min`, naming the offender. */
export function atLeast(name: string, value: number, min: number): number {
  if (!Number.isFinite(value) || value < min) {
    throw new RangeError(`${name} must be a number of at least ${min}, not ${value}`);
  }
  return value;
}
