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
  const watts = new DaySums(ways.length);
  /** Nothing where nothing behind a way cycles. */
  const variance = new DaySums(ways.length);
  for (const { profile, chain } of fed) {
    const { meanW, varianceW2 } = profile;
    const way = ofLoad.get(profile.load.id);
    if (chain.fromBus && way !== undefined) {
      watts.add(way, meanW, 1 / chain.efficiency);
      if (varianceW2) variance.add(way, varianceW2, (1 / chain.efficiency) ** 2);
    }
    const behind = chain.device && ofDevice.get(chain.device.id);
    const day = behind != null && devices.find(({ feed }) => feed.device.id === chain.device?.id);
    if (behind != null && day && varianceW2)
      variance.add(behind, varianceW2, ((1 + day.feed.curve.c1) / chain.efficiency) ** 2);
  }
  for (const { feed, inputW } of devices) {
    const way = ofDevice.get(feed.device.id);
    if (way !== undefined) watts.add(way, inputW, 1);
  }
  for (let r = ways.length - 1; r >= 0; r--) {
    const { parent } = ways[r] as Way;
    if (parent < 0) continue;
    watts.add(parent, watts.of(r), 1);
    variance.add(parent, variance.of(r), 1);
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

/** A day on which nothing is. */
const NOTHING = new Float64Array(MINUTES_PER_DAY);

/** Rows of the day summed for each way; what is alone on its way is not copied. */
class DaySums {
  private readonly rows: Float64Array[];
  private readonly isOwn: boolean[];

  constructor(ways: number) {
    this.rows = new Array(ways).fill(NOTHING);
    this.isOwn = new Array(ways).fill(false);
  }

  of(way: number): Float64Array {
    return this.rows[way] as Float64Array;
  }

  add(way: number, more: Float64Array, factor: number): void {
    const sum = this.of(way);
    if (more === NOTHING) return;
    if (sum === NOTHING && factor === 1) {
      this.rows[way] = more;
      return;
    }
    const own = this.isOwn[way] ? sum : sum.slice();
    this.rows[way] = own;
    this.isOwn[way] = true;
    for (let m = 0; m < MINUTES_PER_DAY; m++) own[m] = (own[m] as number) + (more[m] as number) * factor;
  }
}

/** What each way loses, and from each back to where it begins what a W, and a W² of variance, at its end loses in all of them. */
function lostOn(ways: readonly Way[], watts: DaySums, variance: DaySums) {
  const lostW = new Float64Array(MINUTES_PER_DAY);
  const lostWh: number[] = [];
  const perW: Float64Array[] = [];
  const perVariance: number[] = [];
  for (const [r, { parent, perW: own }] of ways.entries()) {
    const sum = new Float64Array(MINUTES_PER_DAY);
    lostWh.push(addLost(lostW, sum, perW[parent] ?? NOTHING, watts.of(r), variance.of(r), own) / 60);
    perW.push(sum);
    perVariance.push(own + (parent < 0 ? 0 : (perVariance[parent] as number)));
  }
  return { lostW, lostWh, perW, perVariance };
}

/** Adds what one way loses to the W of all; what it and those before it lose for each W is written down. @returns W·min */
function addLost(
  lostW: Float64Array,
  perW: Float64Array,
  before: Float64Array,
  watts: Float64Array,
  variance: Float64Array,
  own: number,
): number {
  let wattMinutes = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const w = watts[m] as number;
    const lost = own * (w * w + (variance[m] as number));
    perW[m] = (before[m] as number) + own * w;
    lostW[m] = (lostW[m] as number) + lost;
    wattMinutes += lost;
  }
  return wattMinutes;
}

/**
 * W lost in cables on account of one load in each minute that it is on. Shares of all loads and of what waits add up to
 * the whole.
 */
export function eachCableShare(
  { leads, perW, perVariance }: CableDay,
  profile: LoadProfile,
  chain: Chain,
  day: DeviceDay | null,
  each: (minute: number, lostW: number) => void,
): void {
  const perUseful = 1 / chain.efficiency;
  const { active, meanW } = profile;
  const varianceW2 = profile.varianceW2 ?? NOTHING;
  const straight = leads.ofLoad.get(profile.load.id);
  if (straight !== undefined) {
    const own = perW[straight] as Float64Array;
    const perW2 = perUseful ** 2 * (perVariance[straight] as number);
    for (const [from, to] of active)
      for (let m = from; m < to; m++)
        each(m, (meanW[m] as number) * perUseful * (own[m] as number) + (varianceW2[m] as number) * perW2);
  }
  const through = day ? leads.ofDevice.get(day.feed.device.id) : undefined;
  if (!day || through === undefined) return;
  const own = perW[through] as Float64Array;
  const perW2 = ((1 + day.feed.curve.c1) * perUseful) ** 2 * (perVariance[through] as number);
  eachShare(profile, chain, day, (m, conversionW, idleW) => {
    const inputW = (meanW[m] as number) * perUseful + conversionW + idleW;
    each(m, inputW * (own[m] as number) + (varianceW2[m] as number) * perW2);
  });
}
