import type { Brief } from '../job/schema.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { DCDC_SIZES_A } from '../reference/sizes.ts';

export interface AlternatorLimit {
  /** A that the alternator can spare for charging: hot rating less the vehicle's own loads, at most half its rating. */
  readonly inputA: number;
  readonly inputV: number;
  /** A of DC-DC output at the store that this feeds. */
  readonly outputA: number;
  readonly decidedBy: 'spare' | 'share';
}

/** V at the terminals of an alternator while driving. */
export const alternatorVoltage = ({ volts, systemV }: Pick<Brief['alternator'], 'volts' | 'systemV'>): number =>
  volts ?? (DEFAULT.alternatorVoltage12V.value * systemV) / 12;

/**
 * Available = rating × hot factor − own loads, and at most half the rating; through the DC-DC charger
 * P_out = I_in·V_in·η. Common practice.
 * @param chargingV V at which the store is charged
 */
export function alternatorLimit(alternator: Omit<Brief['alternator'], 'voltage'>, chargingV: number): AlternatorLimit {
  const { ratingA, ownLoadA, hotFactor } = alternator;
  const spareA = Math.max(
    0,
    ratingA * (hotFactor ?? DEFAULT.alternatorHotFactor.value) - (ownLoadA ?? DEFAULT.alternatorOwnLoadA.value),
  );
  const shareA = ratingA * DEFAULT.alternatorShare.value;
  const inputA = Math.min(spareA, shareA);
  const inputV = alternatorVoltage(alternator);
  const outputA = (inputA * inputV * DEFAULT.dcdcEfficiency.value) / chargingV;
  return { inputA, inputV, outputA, decidedBy: spareA < shareA ? 'spare' : 'share' };
}

/** The smallest standard charger that covers the need, or the largest that the limit allows; 0 when none fits. */
export function standardDcdc(neededA: number, limitA: number): number {
  if (neededA <= 0) return 0;
  const allowed = DCDC_SIZES_A.filter((size) => size <= limitA + 1e-9);
  return allowed.find((size) => size >= neededA) ?? allowed.at(-1) ?? 0;
}
