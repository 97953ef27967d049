import type { Passage } from './passage.ts';

/** A store as the simulation steps it, all plain numbers; Wh are ampere-hours × nominal volts. */
export interface StoreModel extends Passage {
  /** Wh in it when full, as old as it is and at the day's current. */
  readonly fullWh: number;
  /** Wh that it loses in a day by itself. */
  readonly selfWhPerDay: number;
  /** W at the terminals. */
  readonly chargeLimitW: number;
  readonly dischargeLimitW: number;
  /** State of charge above which charging tapers towards `TAPER_END` of the limit at 100 %. */
  readonly taperFromSoc: number;
}

/** What came of some time of charging one store. */
export interface Filled {
  storedWh: number;
  /** h that passed: less than asked for where the level was reached. */
  hours: number;
  /** Wh taken at the terminals. */
  takenWh: number;
  /**
   * How often what the store takes at `storedWh` goes into its limit where it tapers over so many Wh; 0 of them = not
   * known. The next time begins with it.
   */
  fallen: number;
  overWh: number;
}

export const notFilled = (): Filled => ({ storedWh: 0, hours: 0, takenWh: 0, fallen: 1, overWh: 0 });

/** Share of the limit that is still taken at 100 %: the tail of absorption. Common practice. */
export const TAPER_END = 0.02;
/** The state of charge that is called full. Common practice. */
export const FULL_SOC = 0.99;

const FALL = -Math.log(TAPER_END);
/** How often what a full store takes goes into its limit. */
const FALLEN = 1 / TAPER_END;

/** Wh in the store at a state of charge, when the cold leaves a share of its capacity. */
export const whAt = ({ fullWh }: StoreModel, soc: number, warmShare: number): number =>
  fullWh * (1 - warmShare * (1 - soc));

/** State of charge 0…1 of what is in it, of the capacity that the cold leaves. */
export const socOf = ({ fullWh }: StoreModel, storedWh: number, warmShare: number): number =>
  fullWh > 0 && warmShare > 0 ? Math.max(0, 1 - (1 - storedWh / fullWh) / warmShare) : 0;

/**
 * Charges at constant power in closed form: straight while the charger decides, and where the store decides falling
 * exponentially from its limit to `TAPER_END` of it at 100 %. Common practice.
 * @param efficiency Wh stored for each taken
 * @param warmShare of the capacity that the cold leaves
 * @param untilWh where it stops, at the latest when full
 */
export function fill(
  model: StoreModel,
  storedWh: number,
  offeredW: number,
  efficiency: number,
  warmShare: number,
  hours: number,
  untilWh: number,
  out: Filled,
): void {
  const { fullWh, chargeLimitW, taperFromSoc } = model;
  const target = untilWh < fullWh ? untilWh : fullWh;
  let stored = storedWh;
  let left = hours;
  const { overWh } = out;
  out.overWh = 0;
  if (offeredW > 0 && chargeLimitW > 0 && stored < target) {
    const span = (1 - taperFromSoc) * fullWh * warmShare;
    const fallFrom = fullWh - span;
    const rate = (offeredW < chargeLimitW ? offeredW : chargeLimitW) * efficiency;
    const straight = stored + rate * left;
    // Most steps end before anything tapers.
    if (straight <= fallFrom && straight <= target) {
      stored = straight;
      left = 0;
    } else {
      const perWh = FALL / span;
      // How often what the store takes at its level goes into its limit.
      let fallen = 1;
      if (stored > fallFrom)
        fallen = overWh === span && out.storedWh === stored ? out.fallen : Math.exp(perWh * (stored - fallFrom));
      if (stored < fallFrom || fallen * offeredW < chargeLimitW) {
        const held = offeredW < chargeLimitW ? chargeLimitW / offeredW : 1;
        const heldFrom = held > 1 ? fallFrom + Math.log(held) / perWh : fallFrom;
        const end = heldFrom < target ? heldFrom : target;
        const needed = (end - stored) / rate;
        if (needed >= left) {
          stored += rate * left;
          left = 0;
        } else {
          stored = end;
          left -= needed;
          fallen = held;
        }
      }
      if (left > 0 && stored < target) {
        const growth = perWh * efficiency * chargeLimitW;
        const fallenAtEnd = target === fullWh ? FALLEN : Math.exp(perWh * (target - fallFrom));
        const needed = (fallenAtEnd - fallen) / growth;
        if (needed >= left) {
          out.fallen = fallen + growth * left;
          out.overWh = span;
          stored = fallFrom + Math.log(out.fallen) / perWh;
          left = 0;
        } else {
          stored = target;
          left -= needed;
        }
      }
    }
  }
  out.takenWh = efficiency > 0 ? (stored - storedWh) / efficiency : 0;
  out.storedWh = stored;
  // A full store stays full for the rest of the time.
  out.hours = untilWh < fullWh ? hours - left : hours;
}
