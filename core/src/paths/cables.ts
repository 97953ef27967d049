import type { LoadProfile } from '../loads/profile.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Chain } from './chain.ts';
import { type DeviceDay, eachShare, type Fed } from './device.ts';

/** The cables between store and loads, as far as the day's energy needs them. */
export interface Leads {
  /** Of the runs, in the order of `ways`. */
  readonly ids: readonly string[];
  /** Each after the one it begins at; −1 where it begins at the store or at a converter. */
  readonly ways: readonly Way[];
  /** The way at whose end a load or a device draws, by its id. What is not in it loses nothing on the way. */
  readonly ofLoad: ReadonlyMap<string, number>;
  readonly ofDevice: ReadonlyMap<string, number>;
  /** What the sun comes in through, by the array's id. */
  readonly ofArray: ReadonlyMap<string, ArrayLead>;
  /** Ω, cold, there and back, from what charges while driving and from mains chargers to where their runs begin, by id. */
  readonly ofLink: ReadonlyMap<string, number>;
  readonly ofCharger: ReadonlyMap<string, number>;
  /** kg of their metal. */
  readonly kg: number;
}

/** The leads of an array, cold, there and back. */
export interface ArrayLead {
  /** Ω from the panels to the controller, and V at which they work best. */
  readonly panelsOhm: number;
  readonly panelsV: number;
  /** Ω from the controller to where its own run begins. */
  readonly controllerOhm: number;
}

interface Way {
  readonly parent: number;
  /** 1/W of what flows through it that is lost for each W: R ÷ V². */
  readonly perW: number;
}

/** What the cables lose through a day. */
export interface CableDay {
  readonly leads: Leads;
  /** W in each minute, all of them; Wh a day of each way. */
  readonly lostW: Float64Array;
  readonly lostWh: readonly number[];
  /** For each way: W lost for each W drawn at its end, in each minute, and for each W² by which it varies. */
  readonly perW: readonly Float64Array[];
  readonly perVariance: readonly number[];
  /** Lost on the way to devices that only wait: W in each minute, Wh. */
  readonly unattendedW: Float64Array;
  readonly unattendedWh: number;
}

/**
 * W lost in cables, minute by minute: Σ R·I², I = W ÷ V at the nominal volts of where it lies, cold. What cycles faster
 * than a minute loses by the mean of its square, I_on²·R·duty, not by the square of its mean. V is taken as it is
 * without the drop: of a loss of 5 % this leaves out 5 % of itself.
 */
export function cableDay(leads: Leads, fed: readonly Fed[], devices: readonly DeviceDay[]): CableDay {
  const { ways, ofLoad, ofDevice } = leads;
  const watts = ways.map(() => new Float64Array(MINUTES_PER_DAY));
  /** Null where nothing behind it cycles. */
  const variance = ways.map((): Float64Array | null => null);
  const vary = (way: number, more: Float64Array | null, factor: number): void => {
    if (!more) return;
    variance[way] ??= new Float64Array(MINUTES_PER_DAY);
    addTo(variance[way], more, factor);
  };
  for (const { profile, chain } of fed) {
    const way = ofLoad.get(profile.load.id);
    if (chain.fromBus && way !== undefined) {
      addLoad(profile, 1 / chain.efficiency, watts[way] as Float64Array);
      vary(way, profile.varianceW2, (1 / chain.efficiency) ** 2);
    }
    const behind = chain.device && ofDevice.get(chain.device.id);
    const day = behind != null && devices.find(({ feed }) => feed.device.id === chain.device?.id);
    if (behind != null && day) vary(behind, profile.varianceW2, ((1 + day.feed.curve.c1) / chain.efficiency) ** 2);
  }
  for (const { feed, inputW } of devices) {
    const way = ofDevice.get(feed.device.id);
    if (way !== undefined) addTo(watts[way] as Float64Array, inputW, 1);
  }
  for (let r = ways.length - 1; r >= 0; r--) {
    const { parent } = ways[r] as Way;
    if (parent < 0) continue;
    addTo(watts[parent] as Float64Array, watts[r] as Float64Array, 1);
    vary(parent, variance[r] as Float64Array | null, 1);
  }
  const lost = lostOn(ways, watts, variance);
  const { perW } = lost;
  const unattendedW = new Float64Array(MINUTES_PER_DAY);
  for (const { feed, waitingW } of devices) {
    const way = perW[ofDevice.get(feed.device.id) ?? -1];
    if (!way) continue;
    for (let m = 0; m < MINUTES_PER_DAY; m++)
      unattendedW[m] = (unattendedW[m] as number) + (waitingW[m] as number) * (way[m] as number);
  }
  const unattendedWh = unattendedW.reduce((sum, w) => sum + w, 0) / 60;
  return { leads, ...lost, unattendedW, unattendedWh };
}

/** The variance of what does not cycle. */
const STEADY = new Float64Array(MINUTES_PER_DAY);

/** What each way loses, and from each back to where it begins what a W, and a W² of variance, at its end loses in all of them. */
function lostOn(ways: readonly Way[], watts: readonly Float64Array[], variance: readonly (Float64Array | null)[]) {
  const lostW = new Float64Array(MINUTES_PER_DAY);
  const lostWh: number[] = [];
  const perW: Float64Array[] = [];
  const perVariance: number[] = [];
  for (const [r, { parent, perW: own }] of ways.entries()) {
    const sum = perW[parent]?.slice() ?? new Float64Array(MINUTES_PER_DAY);
    lostWh.push(addLost(lostW, sum, watts[r] as Float64Array, variance[r] ?? STEADY, own) / 60);
    perW.push(sum);
    perVariance.push(own + (parent < 0 ? 0 : (perVariance[parent] as number)));
  }
  return { lostW, lostWh, perW, perVariance };
}

/** Adds what one way loses to the W of all, and what it loses for each W to those of the ways before it. @returns W·min */
function addLost(
  lostW: Float64Array,
  perW: Float64Array,
  watts: Float64Array,
  variance: Float64Array,
  own: number,
): number {
  let wattMinutes = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const w = watts[m] as number;
    const lost = own * (w * w + (variance[m] as number));
    perW[m] = (perW[m] as number) + own * w;
    lostW[m] = (lostW[m] as number) + lost;
    wattMinutes += lost;
  }
  return wattMinutes;
}

/**
 * W lost in cables on account of one load in each minute. Shares of all loads and of what waits add up to the whole.
 */
export function cableShareW(
  { leads, perW, perVariance }: CableDay,
  profile: LoadProfile,
  chain: Chain,
  day: DeviceDay | null,
): Float64Array {
  const lostW = new Float64Array(MINUTES_PER_DAY);
  const perUseful = 1 / chain.efficiency;
  const { active, meanW, varianceW2 } = profile;
  const vary = (way: number, perLoadW: number): void => {
    if (varianceW2) addTo(lostW, varianceW2, perLoadW ** 2 * (perVariance[way] as number));
  };
  const straight = leads.ofLoad.get(profile.load.id);
  if (straight !== undefined) {
    const own = perW[straight] as Float64Array;
    for (const [from, to] of active)
      for (let m = from; m < to; m++)
        lostW[m] = (lostW[m] as number) + (meanW[m] as number) * perUseful * (own[m] as number);
    vary(straight, perUseful);
  }
  const through = day ? leads.ofDevice.get(day.feed.device.id) : undefined;
  if (!day || through === undefined) return lostW;
  const own = perW[through] as Float64Array;
  eachShare(profile, chain, day, (m, conversionW, idleW) => {
    lostW[m] = (lostW[m] as number) + ((meanW[m] as number) * perUseful + conversionW + idleW) * (own[m] as number);
  });
  vary(through, (1 + day.feed.curve.c1) * perUseful);
  return lostW;
}

function addLoad({ active, meanW }: LoadProfile, perUseful: number, watts: Float64Array): void {
  for (const [from, to] of active)
    for (let m = from; m < to; m++) watts[m] = (watts[m] as number) + (meanW[m] as number) * perUseful;
}

function addTo(sum: Float64Array, more: Float64Array, factor: number): void {
  for (let m = 0; m < MINUTES_PER_DAY; m++) sum[m] = (sum[m] as number) + (more[m] as number) * factor;
}
