import type { System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { KJ_PER_KG_K, SAFE_K } from './heating.ts';

/** How warm the store gets, and what the cold does to it. */
export interface Battery {
  /** °C that it does not fall below where it stands, and below which it may not be charged. */
  readonly coldestC: number;
  readonly minChargeC: number;
  readonly coldLossPerK: number;
  readonly coldFromC: number;
  readonly heaterW: number;
  readonly heatToC: number;
  /** Wh to warm it by a K. */
  readonly whPerK: number;
  /** Whether it is at its coldest whatever the air, as it is sized; else it follows the air. */
  readonly isPinned?: boolean;
}

/** kJ of a Wh. */
const KJ_PER_WH = 3.6;

/** What is known of how warm a bank gets. @param kg of it */
export function batteryOf({ store }: System, kg: number): Battery {
  const { minChargeC, coldLossPerK, coldFromC } = CHEMISTRY[store.chemistry];
  return {
    coldestC: store.coldestC,
    minChargeC,
    coldLossPerK,
    coldFromC,
    heaterW: store.heaterW ?? 0,
    heatToC: minChargeC + SAFE_K,
    whPerK: Math.max(1, (kg * KJ_PER_KG_K) / KJ_PER_WH),
  };
}

/** How warm the store is in each step of a day, and what that does to it. */
export interface Warmth {
  readonly storeC: Float64Array;
  /** Share of the capacity that the cold leaves. */
  readonly warmShare: Float64Array;
  /** 1 where it is too cold to be charged. */
  readonly locked: Uint8Array;
  /** What its heater takes, W at the bus. */
  readonly heaterW: Float64Array;
}

export function emptyWarmth(steps: number): Warmth {
  const row = () => new Float64Array(steps);
  return { storeC: row(), warmShare: row().fill(1), locked: new Uint8Array(steps), heaterW: row() };
}

/** Whether a store is warm enough wherever the air goes, so that it does not matter how warm it is. */
export const neverCold = ({ heaterW, coldestC, coldFromC, minChargeC }: Battery): boolean =>
  heaterW === 0 && coldestC >= Math.max(coldFromC, minChargeC);

/** h in which a bank inside a vehicle follows the air. From memory. */
const STORE_FOLLOWS_H = 6;

/** K of cold beyond which no more is lost to it. From memory. */
const MOST_COLDER_K = 60;

/** Share of the capacity that the cold leaves. */
export const warmShareAt = ({ coldFromC, coldLossPerK }: Battery, storeC: number): number =>
  1 - coldLossPerK * Math.min(MOST_COLDER_K, Math.max(0, coldFromC - storeC));

/** What a day offers and asks for, as the heater sees it: what it takes is added to what is asked for. */
interface Around {
  readonly airC: Float64Array;
  readonly sunW: Float64Array;
  readonly drivingW: Float64Array;
  readonly supplyW: Float64Array;
  readonly busW: Float64Array;
  readonly usefulW: Float64Array;
}

/**
 * The store follows the air with a time constant, not below where it stands; a heater takes of what charges, not of what
 * is stored.
 * @param from the first step, and `beforeC` what the store has when it begins
 */
export function warmthOf(
  { storeC, warmShare, locked, heaterW }: Warmth,
  { airC, sunW, drivingW, supplyW, busW, usefulW }: Around,
  battery: Battery,
  hours: number,
  from: number,
  beforeC: number,
): void {
  const { coldestC, minChargeC, heatToC, whPerK, isPinned = false } = battery;
  const share = 1 - Math.exp(-hours / STORE_FOLLOWS_H);
  const heats = battery.heaterW > 0;
  let warm = beforeC;
  if (heats) heaterW.fill(0, from);
  for (let s = from; s < airC.length; s++) {
    const outsideC = airC[s] as number;
    if (isPinned) warm = coldestC;
    else warm += ((outsideC > coldestC ? outsideC : coldestC) - warm) * share;
    locked[s] = warm < minChargeC ? 1 : 0;
    if (heats && warm < heatToC) {
      const incomeW = (sunW[s] as number) + (drivingW[s] as number) + (supplyW[s] as number);
      if (incomeW > 0) {
        const takesW = battery.heaterW < incomeW ? battery.heaterW : incomeW;
        warm += (takesW * hours) / whPerK;
        heaterW[s] = takesW;
        busW[s] = (busW[s] as number) + takesW;
        usefulW[s] = (usefulW[s] as number) + takesW;
      }
    }
    storeC[s] = warm;
    warmShare[s] = warmShareAt(battery, warm);
  }
}
