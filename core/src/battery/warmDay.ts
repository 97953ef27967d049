import { remembering } from '../quantity/remember.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type Battery, emptyWarmth, neverCold, type Warmth, warmthOf } from './warmth.ts';

/** What charges in each minute, W at the bus. */
export interface Charging {
  readonly sunW: Float64Array;
  readonly drivingW: Float64Array;
  readonly supplyW: Float64Array;
}

/** How warm a battery is through a day like many before it, and what its heater takes for that, W in each minute and Wh. */
export interface WarmDay extends Pick<Warmth, 'storeC' | 'warmShare' | 'locked'> {
  readonly watts: Float64Array;
  readonly wh: number;
  /** h in which it is too cold to be charged. */
  readonly lockedH: number;
}

/** Of a battery that may be charged all day. */
export const NEVER_LOCKED: Pick<WarmDay, 'locked'> = { locked: new Uint8Array(MINUTES_PER_DAY) };

const ALWAYS_WARM: WarmDay = {
  ...emptyWarmth(MINUTES_PER_DAY),
  watts: new Float64Array(MINUTES_PER_DAY),
  wh: 0,
  lockedH: 0,
};

/** Of a battery without a heater, by the air alone. */
const remembered = remembering<Float64Array, WarmDay>();

/** Days after which one is like the next: the battery follows the air within hours. */
const DAYS = 4;

/**
 * How warm a battery gets on a day like many before it, as `warmthOf` has it: its heater takes of what charges and never
 * of what is stored, until it is warm enough to be charged.
 * @param airC of each minute
 */
export function warmDay(battery: Battery, airC: Float64Array, charging: Charging): WarmDay {
  const leastC = Math.max(battery.coldestC, leastOf(airC));
  if (neverCold(battery) || leastC >= Math.max(battery.coldFromC, battery.heatToC)) return ALWAYS_WARM;
  if (battery.heaterW > 0) return warmedBy(battery, airC, charging);
  const { coldestC, minChargeC, coldLossPerK, coldFromC } = battery;
  const from = [coldestC, minChargeC, coldLossPerK, coldFromC];
  return remembered(airC, from, () => warmedBy(battery, airC, charging));
}

function leastOf(values: Float64Array): number {
  let least = Number.POSITIVE_INFINITY;
  for (let m = 0; m < values.length; m++) if ((values[m] as number) < least) least = values[m] as number;
  return least;
}

function warmedBy(battery: Battery, airC: Float64Array, charging: Charging): WarmDay {
  const warmth = emptyWarmth(MINUTES_PER_DAY);
  const scratch = new Float64Array(MINUTES_PER_DAY);
  const around = { airC, ...charging, busW: scratch, usefulW: scratch };
  let storeC = airC.reduce((sum, c) => sum + c, 0) / MINUTES_PER_DAY;
  for (let day = 0; day < DAYS; day++) {
    warmthOf(warmth, around, battery, 1 / 60, 0, storeC);
    storeC = warmth.storeC[MINUTES_PER_DAY - 1] as number;
  }
  const { heaterW: watts, warmShare, locked } = warmth;
  const minutesLocked = locked.reduce((sum, one) => sum + one, 0);
  return {
    storeC: warmth.storeC,
    warmShare,
    locked,
    watts,
    wh: watts.reduce((sum, w) => sum + w, 0) / 60,
    lockedH: minutesLocked / 60,
  };
}

/** W on the bus with what the heater takes. */
export const withHeater = (busW: Float64Array, { watts, wh }: Pick<WarmDay, 'watts' | 'wh'>): Float64Array =>
  wh === 0 ? busW : busW.map((w, m) => w + (watts[m] as number));
