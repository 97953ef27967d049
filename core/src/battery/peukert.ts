import { atLeast } from '../quantity/units.ts';

/**
 * Hours a lead-acid battery lasts at a constant current: t = H·(C/(I·H))^k (Peukert 1897).
 * @param capacityAh C, Ah at the rated discharge time
 * @param currentA I, above 0
 * @param exponent k, 1…1.5
 * @param ratedHours H, usually 20 h
 */
export function peukertHours(capacityAh: number, currentA: number, exponent: number, ratedHours = 20): number {
  atLeast('capacity', capacityAh, 0);
  if (!(currentA > 0)) throw new RangeError(`the current must be above 0 A, not ${currentA}`);
  atLeast('Peukert exponent', exponent, 1);
  return ratedHours * (capacityAh / (currentA * ratedHours)) ** exponent;
}

/**
 * Rated capacity whose Peukert capacity at `currentA` is `neededAh`: from C·(C/(I·H))^(k−1) = needed,
 * C = (needed·(I·H)^(k−1))^(1/k). Never less than `neededAh`: discharge gentler than rated gives no bonus.
 */
export function capacityForPeukert(neededAh: number, currentA: number, exponent: number, ratedHours = 20): number {
  atLeast('capacity', neededAh, 0);
  atLeast('current', currentA, 0);
  const rated = (neededAh * (currentA * ratedHours) ** (exponent - 1)) ** (1 / exponent);
  return Math.max(neededAh, rated);
}

/**
 * Ampere-hours that a rated capacity gives at a current: C·(C/(I·H))^(k−1), at most C; the inverse of
 * `capacityForPeukert`.
 */
export function chargeAtPeukert(ratedAh: number, currentA: number, exponent: number, ratedHours = 20): number {
  atLeast('capacity', ratedAh, 0);
  atLeast('current', currentA, 0);
  return currentA === 0 ? ratedAh : Math.min(ratedAh, ratedAh * (ratedAh / (currentA * ratedHours)) ** (exponent - 1));
}

/** Charge-weighted mean of a current, ΣI²/ΣI: the current at which the average ampere-hour is drawn, A. */
export function chargeWeightedMeanA(busW: Float64Array, voltageV: number): number {
  let squares = 0;
  let sum = 0;
  for (const w of busW) {
    squares += w * w;
    sum += w;
  }
  return sum > 0 ? squares / sum / voltageV : 0;
}
