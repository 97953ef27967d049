import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Battery, emptyWarmth, warmthOf } from './warmth.ts';

/** What charges in each minute, W at the bus. */
export interface Charging {
  readonly sunW: Float64Array;
  readonly drivingW: Float64Array;
  readonly supplyW: Float64Array;
}

/** What the heater of a store takes, W in each minute, and Wh a day. */
export interface HeaterDay {
  readonly watts: Float64Array;
  readonly wh: number;
}

const NOTHING = new Float64Array(MINUTES_PER_DAY);
export const NO_HEATER: HeaterDay = { watts: NOTHING, wh: 0 };

/** Days after which one is like the next: the store follows the air within hours. */
const DAYS = 4;

/**
 * What a heater takes on a day like many before it, of what charges and never of what is stored: until the store is warm
 * enough to be charged, as `warmthOf` has it.
 * @param airC of each minute
 */
export function heaterDay(battery: Battery, airC: Float64Array, charging: Charging): HeaterDay {
  if (!(battery.heaterW > 0) || battery.coldestC >= battery.heatToC) return NO_HEATER;
  if (airC.every((c) => c >= battery.heatToC)) return NO_HEATER;
  const warmth = emptyWarmth(MINUTES_PER_DAY);
  const scratch = new Float64Array(MINUTES_PER_DAY);
  const around = { airC, ...charging, busW: scratch, usefulW: scratch };
  let storeC = airC.reduce((sum, c) => sum + c, 0) / MINUTES_PER_DAY;
  for (let day = 0; day < DAYS; day++) {
    warmthOf(warmth, around, battery, 1 / 60, 0, storeC);
    storeC = warmth.storeC[MINUTES_PER_DAY - 1] as number;
  }
  const wh = warmth.heaterW.reduce((sum, w) => sum + w, 0) / 60;
  return wh > 0 ? { watts: warmth.heaterW, wh } : NO_HEATER;
}

/** W on the bus with what the heater takes. */
export const withHeater = (busW: Float64Array, { watts, wh }: HeaterDay): Float64Array =>
  wh === 0 ? busW : busW.map((w, m) => w + (watts[m] as number));
