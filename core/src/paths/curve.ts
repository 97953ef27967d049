import { atLeast } from '../quantity/units.ts';

/**
 * Loss of an inverter or converter per unit of its rating: loss(x) = c₀ + c₁x + c₂x², x = P_out/P_rated,
 * η = x/(x + loss). Quadratic loss model: Schmidt & Sauer 1996. c₀ is idle, c₁ and c₂ grow with load.
 */
export interface LossCurve {
  readonly c0: number;
  readonly c1: number;
  readonly c2: number;
}

/**
 * The curve through an idle draw and a best efficiency: c₂ = c₀/x*², c₁ = 1/η* − 1 − 2√(c₀c₂). An idle so large that
 * c₁ comes out negative moves the peak instead: c₁ = 0 and c₂ = ((1/η* − 1)/2)²/c₀, best at √(c₀/c₂), so that η*
 * stays the best there is.
 * @param idleShare c₀, idle W ÷ rated W, 0…1
 * @param peak η*, best efficiency, above 0 to 1
 * @param at x*, share of the rating where it is best, above 0
 */
export function curveFromIdleAndPeak(idleShare: number, peak: number, at: number): LossCurve {
  atLeast('idle share', idleShare, 0);
  if (!(peak > 0 && peak <= 1)) throw new RangeError(`peak efficiency must be above 0 and at most 1, not ${peak}`);
  if (!(at > 0)) throw new RangeError(`the load of the peak must be above 0, not ${at}`);
  const c2 = idleShare / at ** 2;
  const c1 = 1 / peak - 1 - 2 * Math.sqrt(idleShare * c2);
  if (c1 >= 0) return { c0: idleShare, c1, c2 };
  return { c0: idleShare, c1: 0, c2: ((1 / peak - 1) / 2) ** 2 / idleShare };
}

/** The flat school: one efficiency at every load, idle on top. c₁ = 1/η − 1. */
export function flatCurve(idleShare: number, efficiency: number): LossCurve {
  atLeast('idle share', idleShare, 0);
  if (!(efficiency > 0 && efficiency <= 1)) {
    throw new RangeError(`efficiency must be above 0 and at most 1, not ${efficiency}`);
  }
  return { c0: idleShare, c1: 1 / efficiency - 1, c2: 0 };
}

/** Efficiency at a load of x (output ÷ rating); 0 at no load. */
export function efficiencyAt(curve: LossCurve, x: number): number {
  atLeast('load', x, 0);
  return x === 0 ? 0 : x / (x + curve.c0 + curve.c1 * x + curve.c2 * x ** 2);
}

const weighted = (curve: LossCurve, weights: readonly (readonly [x: number, weight: number])[]): number =>
  weights.reduce((sum, [x, weight]) => sum + weight * efficiencyAt(curve, x), 0);

/** CEC weighted efficiency, 0…1: 0.04η₁₀ + 0.05η₂₀ + 0.12η₃₀ + 0.21η₅₀ + 0.53η₇₅ + 0.05η₁₀₀. */
export const cecEfficiency = (curve: LossCurve): number =>
  weighted(curve, [
    [0.1, 0.04],
    [0.2, 0.05],
    [0.3, 0.12],
    [0.5, 0.21],
    [0.75, 0.53],
    [1, 0.05],
  ]);

/** European weighted efficiency, 0…1: 0.03η₅ + 0.06η₁₀ + 0.13η₂₀ + 0.10η₃₀ + 0.48η₅₀ + 0.20η₁₀₀. */
export const europeanEfficiency = (curve: LossCurve): number =>
  weighted(curve, [
    [0.05, 0.03],
    [0.1, 0.06],
    [0.2, 0.13],
    [0.3, 0.1],
    [0.5, 0.48],
    [1, 0.2],
  ]);
