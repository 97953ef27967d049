import { DEFAULT } from '../reference/defaults.ts';
import { INVERTER_SIZES_W, nextSize } from '../reference/sizes.ts';

export interface InverterNeed {
  readonly byPowerW: number;
  readonly byApparentW: number;
  readonly bySurgeW: number;
  readonly requiredW: number;
  readonly decidedBy: 'power' | 'apparent' | 'surge';
}

/**
 * The rating an inverter needs, W: the worst moment with the margin; the same in VA, where 1 VA of rating
 * gives 0.8 W; and the heaviest start within what it holds for a second (2 × rating). Common practice.
 */
export function inverterNeed(
  continuousW: number,
  apparentVa: number,
  surgeW: number,
  marginFactor: number,
): InverterNeed {
  const byPowerW = continuousW * marginFactor;
  const byApparentW = apparentVa * marginFactor * DEFAULT.inverterWattsPerVa.value;
  const bySurgeW = surgeW / DEFAULT.inverterSurgeFactor.value;
  const requiredW = Math.max(byPowerW, byApparentW, bySurgeW);
  const decidedBy = requiredW === byPowerW ? 'power' : requiredW === byApparentW ? 'apparent' : 'surge';
  return { byPowerW, byApparentW, bySurgeW, requiredW, decidedBy };
}

/** The next standard size, or the fewest equal units in parallel when no single one is large enough. */
export function standardInverter(requiredW: number): { readonly ratingW: number; readonly units: number } {
  if (requiredW <= 0) return { ratingW: 0, units: 0 };
  const largest = INVERTER_SIZES_W[INVERTER_SIZES_W.length - 1] as number;
  const units = Math.max(1, Math.ceil(requiredW / largest - 1e-9));
  const size = nextSize(INVERTER_SIZES_W, requiredW / units) ?? largest;
  return { ratingW: units * size, units };
}
