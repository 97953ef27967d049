import type { Inverter } from '../job/schema.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { INVERTER_SIZES_W, nextSize } from '../reference/sizes.ts';
import type { WorstMoment } from './worstMoment.ts';

export interface InverterNeed {
  readonly byPowerW: number;
  readonly byApparentW: number;
  readonly bySurgeW: number;
  readonly byLongStartW: number;
  readonly requiredW: number;
  readonly decidedBy: 'power' | 'apparent' | 'surge' | 'long-start';
}

/**
 * Share of its rating that an inverter gives in warm air: full to 25 °C, about −1 %/K to 40 °C and −2 %/K above.
 * Common practice, figures from memory.
 * @param ambientC °C around it; null = at most 25
 * @returns 0.05 to 1
 */
export function heatFactor(ambientC: number | null): number {
  const warm = Math.max(0, Math.min(ambientC ?? 25, 40) - 25);
  const hot = Math.max(0, (ambientC ?? 25) - 40);
  const lost = warm * DEFAULT.inverterHeatPerK.value + hot * DEFAULT.inverterHeatPerKAbove40.value;
  return Math.max(0.05, 1 - lost);
}

/** s for which an inverter holds its surge. */
export const holdSecondsOf = ({ surgeSeconds }: Pick<Inverter, 'surgeSeconds'>): number =>
  surgeSeconds ?? DEFAULT.inverterSurgeSeconds.value;

/** What a unit gives beside its W, as multiples of them. */
export interface UnitFactors {
  /** W that it holds at a start ÷ rated W. */
  readonly surge: number;
  /** Rated W ÷ rated VA. */
  readonly wattsPerVa: number;
}

const USUAL: UnitFactors = { surge: DEFAULT.inverterSurgeFactor.value, wattsPerVa: DEFAULT.inverterWattsPerVa.value };

/** Of the fitted unit, where its data sheet says; otherwise the usual. */
export function factorsOf({
  surgeW,
  ratingW,
  ratingVa,
}: Pick<Inverter, 'surgeW' | 'ratingW' | 'ratingVa'>): UnitFactors {
  if (ratingW === null) return USUAL;
  return {
    surge: surgeW === null ? USUAL.surge : surgeW / ratingW,
    wattsPerVa: ratingVa === null ? USUAL.wattsPerVa : ratingW / ratingVa,
  };
}

/** W that an inverter of a rating holds while something starts: of its data sheet if that is its size, or the usual. */
export function surgeHeldW({ surgeW, ratingW }: Pick<Inverter, 'surgeW' | 'ratingW'>, sizeW: number): number {
  return surgeW !== null && ratingW === sizeW ? surgeW : sizeW * DEFAULT.inverterSurgeFactor.value;
}

/**
 * The rating an inverter needs, W: the worst moment with the margin; the same in VA (1 VA of rating gives
 * 1 W unless its data sheet says otherwise); both in the heat around it; the heaviest start within what it holds for a second, and one that lasts longer
 * within what it carries for a minute (1.25 ×). Common practice.
 * @param factors of the fitted unit, or the usual
 */
export function inverterNeed(
  moment: WorstMoment,
  marginFactor: number,
  heat: number,
  factors: UnitFactors = USUAL,
): InverterNeed {
  const byPowerW = (moment.continuous.weight * marginFactor) / heat;
  const byApparentW = (moment.apparent.weight * marginFactor * factors.wattsPerVa) / heat;
  const bySurgeW = moment.surge.weight / factors.surge;
  const byLongStartW = (moment.longStart?.weight ?? 0) / DEFAULT.inverterOverloadFactor.value;
  const requiredW = Math.max(byPowerW, byApparentW, bySurgeW, byLongStartW);
  const decidedBy =
    requiredW === byPowerW
      ? 'power'
      : requiredW === byApparentW
        ? 'apparent'
        : requiredW === bySurgeW
          ? 'surge'
          : 'long-start';
  return { byPowerW, byApparentW, bySurgeW, byLongStartW, requiredW, decidedBy };
}

/** The next standard size, or the fewest equal units in parallel when no single one is large enough. */
export function standardInverter(requiredW: number): { readonly ratingW: number; readonly units: number } {
  if (requiredW <= 0) return { ratingW: 0, units: 0 };
  const largest = INVERTER_SIZES_W[INVERTER_SIZES_W.length - 1] as number;
  const units = Math.max(1, Math.ceil(requiredW / largest - 1e-9));
  const size = nextSize(INVERTER_SIZES_W, requiredW / units) ?? largest;
  return { ratingW: units * size, units };
}
