import type { System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';

/** What keeps a bank warm enough to be charged on its coldest day. */
export interface Heating {
  /** Whether it may not be charged at its coldest. */
  readonly isLocked: boolean;
  /** °C at which it is held. */
  readonly holdC: number;
  /** W and Wh a day that hold it there while the air has its coldest. */
  readonly holdW: number;
  readonly holdWh: number;
  /** Wh to warm it up from its coldest, and h that the heater takes; null without one, or where it never gets there. */
  readonly warmUpWh: number;
  readonly warmUpH: number | null;
}

/** kJ to warm a kg of battery by a K. From memory. */
export const KJ_PER_KG_K = 1;
/** K above the lowest at which it may be charged, so that no cell is below. Common practice. */
export const SAFE_K = 5;

/**
 * Loses 1 W/K for each 100 Ah at 12 V in a box, takes 1 kJ/(kg·K) to warm; figures from memory. With P of heater the
 * temperature climbs towards P ÷ loss: t = τ·ln(P ÷ (P − P_hold)), τ = m·c ÷ loss.
 * @param capacityWh nominal
 * @param kg of the bank
 */
export function heatingOf({ store }: System, capacityWh: number, kg: number): Heating {
  const { minChargeC, nominal12V } = CHEMISTRY[store.chemistry];
  const isLocked = store.coldestC < minChargeC;
  const holdC = minChargeC + SAFE_K;
  const risesK = isLocked ? holdC - store.coldestC : 0;
  const lossWPerK = (DEFAULT.boxLossPer100Ah.value * capacityWh) / nominal12V / 100;
  const holdW = lossWPerK * risesK;
  const whPerK = (kg * KJ_PER_KG_K) / 3.6;
  const { heaterW } = store;
  const reaches = heaterW !== null && heaterW > holdW;
  return {
    isLocked,
    holdC,
    holdW,
    holdWh: holdW * 24,
    warmUpWh: whPerK * risesK,
    warmUpH: !isLocked
      ? 0
      : reaches && lossWPerK > 0
        ? (whPerK / lossWPerK) * Math.log(heaterW / (heaterW - holdW))
        : null,
  };
}
