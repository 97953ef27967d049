import { shareOfDays, usesOn } from '../job/day.ts';
import type { Inverter, Job } from '../job/schema.ts';
import { minutesPerDay } from '../loads/uses.ts';
import type { Coincidence } from '../moment/coincidence.ts';
import { Effort } from '../moment/effort.ts';
import {
  factorsOf,
  heatFactor,
  holdSecondsOf,
  type InverterNeed,
  inverterNeed,
  standardInverter,
} from '../moment/inverterSize.ts';
import type { SizedInverter } from '../moment/sizeInverters.ts';
import type { Slice } from '../moment/slices.ts';
import { type WorstMoment, worstMoment } from '../moment/worstMoment.ts';
import { type Worth, worthOf } from '../moves/worth.ts';
import { INVERTER_SIZES_W, MARGIN } from '../reference/sizes.ts';
import { settleDay } from '../settle/day.ts';
import type { Settled } from '../settle/settle.ts';
import { SIZE_EFFORT, withSize } from './inverterChoice.ts';

/** Two loads of which only one runs at a time, by their ids. */
export type Pair = readonly [string, string];

/** What comes of keeping to some habits: the size that then does, and what that saves in this job. */
export interface Habit {
  readonly pairs: readonly Pair[];
  readonly requiredW: number;
  readonly ratingW: number;
  /** Wh a day of idle and of conversion less than with the size that is needed without them. */
  readonly idleWh: number;
  readonly conversionWh: number;
  readonly worth: Worth;
}

/** A load that is seldom on and alone asks for the size. */
export interface Rare {
  readonly id: string;
  /** Minutes a day that it is on, by the mean of the week. */
  readonly minutes: number;
  /** The standard size that would do without it. */
  readonly ratingW: number;
}

export interface Habits {
  /** The size that is needed as it stands. */
  readonly ratingW: number;
  /** Single habits that shrink what is needed, the one that shrinks it most first. */
  readonly single: readonly Habit[];
  /** The fewest habits with which the next smaller standard size does; null when none are enough. */
  readonly smallest: Habit | null;
  /** What nothing but one rare load asks for; null when the size is of everyday use. */
  readonly rare: Rare | null;
  /** Whether `smallest` is known to be the smallest: the search was not cut short. */
  readonly proved: boolean;
}

/** Rows that are listed. */
const LISTED = 5;
/** Sets that are looked at before the search is cut short; each takes about a millisecond at most. */
const BUDGET = 1500;
/** More habits than these nobody keeps. */
const MOST_PAIRS = 4;

/** The worst moment of an inverter when more pairs are kept apart. */
class Kept {
  readonly #job: Job;
  readonly #inverter: SizedInverter;
  readonly #slices: readonly Slice[];
  readonly #coincidence: Coincidence;
  looked = 0;

  constructor(job: Job, inverter: SizedInverter, { slices, coincidence }: Settled) {
    this.#coincidence = coincidence;
    this.#job = job;
    this.#inverter = inverter;
    this.#slices = slices;
  }

  with(pairs: readonly Pair[]): { readonly moment: WorstMoment; readonly need: InverterNeed } {
    this.looked += 1;
    const { device, moment: now } = this.#inverter;
    const { rules } = this.#job;
    const together = keptApart(this.#job, pairs).together;
    const hold = holdSecondsOf(device);
    const moment = worstMoment(now.acLoads, this.#slices, this.#coincidence.under(together), rules.twoMayStart, hold);
    const margin = MARGIN[rules.inverterMargin].factor;
    return { moment, need: inverterNeed(moment, margin, heatFactor(device.ambientC), factorsOf(device)) };
  }
}

/** The job with these pairs never together. */
export const keptApart = (job: Job, pairs: readonly Pair[]): Job => ({
  ...job,
  together: {
    ...job.together,
    atMost: [...job.together.atMost, ...pairs.map(([a, b]) => ({ loads: [a, b], most: 1 }))],
  },
});

/**
 * Which loads kept apart shrink an inverter most, and the fewest pairs with which the next smaller standard size does.
 * The search is exact: whatever set of loads is too much for the smaller size has to be broken, so one of its pairs is
 * among the habits; it goes on from each, one pair deeper at a time.
 */
export function habitsOf(job: Job, settled: Settled, inverter: SizedInverter): Habits | null {
  const { need, moment } = inverter;
  const ratingW = standardInverter(need.requiredW).ratingW;
  if (moment.acLoads.length < 2 || ratingW <= 0) return null;
  const kept = new Kept(job, inverter, settled);
  const tell = habitTeller(job, settled, inverter, ratingW);

  const single = pairsOf(decidingIds(moment, need.requiredW, inverter))
    .map((pair) => ({ pairs: [pair], need: kept.with([pair]).need }))
    .filter((one) => one.need.requiredW < need.requiredW - 1e-6)
    .sort((a, b) => a.need.requiredW - b.need.requiredW)
    .slice(0, LISTED)
    .map((one) => tell(one.pairs, one.need.requiredW));

  const targetW = [...INVERTER_SIZES_W].reverse().find((size) => size < ratingW - 1e-9) ?? 0;
  const found = targetW > 0 ? fewest(kept, inverter, targetW) : { pairs: null, proved: true };
  return {
    ratingW,
    single,
    smallest: found.pairs ? tell(found.pairs, kept.with(found.pairs).need.requiredW) : null,
    rare: rareLoad(job, settled, inverter, ratingW),
    proved: found.proved,
  };
}

function fewest(
  kept: Kept,
  inverter: SizedInverter,
  targetW: number,
): { readonly pairs: readonly Pair[] | null; readonly proved: boolean } {
  const until = kept.looked + BUDGET;
  let cut = false;
  const reach = (pairs: readonly Pair[], left: number): readonly Pair[] | null => {
    if (kept.looked >= until) {
      cut = true;
      return null;
    }
    const { moment, need } = kept.with(pairs);
    if (need.requiredW <= targetW + 1e-6) return pairs;
    if (left === 0) return null;
    for (const pair of pairsOf(decidingIds(moment, targetW, inverter))) {
      const found = reach([...pairs, pair], left - 1);
      if (found) return found;
    }
    return null;
  };
  for (let most = 1; most <= MOST_PAIRS; most++) {
    const found = reach([], most);
    if (found) return { pairs: found, proved: !cut };
    if (cut) return { pairs: null, proved: false };
  }
  return { pairs: null, proved: true };
}

/** Less than this a day is rare, minutes; and the size without it must be so much smaller to be worth a word. Own choice. */
const RARE_MIN = 30;
const MUCH_SMALLER = 0.75;

function rareLoad(
  job: Job,
  { slices, coincidence }: Settled,
  { device, moment, need }: SizedInverter,
  nowW: number,
): Rare | null {
  const found = decidingIds(moment, need.requiredW, { device }).flatMap((id): Rare[] => {
    const load = job.loads.find((one) => one.id === id);
    if (!load || load.draw.kind === 'standby' || load.draw.kind === 'thermostatic') return [];
    const minutes = minutesPerDay(usesOn(load, job.brief.day)) * shareOfDays(load, job.brief.day);
    if (minutes > RARE_MIN) return [];
    const others = moment.acLoads.filter((one) => one.id !== id);
    const without = worstMoment(others, slices, coincidence, job.rules.twoMayStart, holdSecondsOf(device));
    const margin = MARGIN[job.rules.inverterMargin].factor;
    const needed = inverterNeed(without, margin, heatFactor(device.ambientC), factorsOf(device));
    return [{ id, minutes, ratingW: standardInverter(needed.requiredW).ratingW }];
  });
  const [most] = found.sort((a, b) => a.ratingW - b.ratingW);
  return most && most.ratingW <= nowW * MUCH_SMALLER ? most : null;
}

/** The loads of a set that asks more than a size gives: each way out breaks this set. */
function decidingIds(moment: WorstMoment, sizeW: number, { device }: Pick<SizedInverter, 'device'>): readonly string[] {
  const need = inverterNeed(moment, 1, 1, factorsOf(device));
  const margins = [
    [need.byPowerW, moment.continuous.ids],
    [need.byApparentW, moment.apparent.ids],
    [need.bySurgeW, [...new Set([...moment.surge.ids, ...moment.surge.starters])]],
    [need.byLongStartW, [...new Set([...(moment.longStart?.ids ?? []), ...(moment.longStart?.starters ?? [])])]],
  ] as const;
  const over = margins.filter(([asked]) => asked > sizeW + 1e-6);
  // Within the margin none is above the size itself: then the heaviest set is the one to break.
  return (over[0] ?? [...margins].sort((a, b) => b[0] - a[0])[0])?.[1] ?? [];
}

const pairsOf = (ids: readonly string[]): Pair[] => ids.flatMap((a, i) => ids.slice(i + 1).map((b): Pair => [a, b]));

/** What a set of habits saves: the day settled with the smaller size, against the day with the one needed now. */
function habitTeller(job: Job, settled: Settled, inverter: SizedInverter, nowW: number) {
  const { device } = inverter;
  const day = (sizeW: number) => dayWith(job, settled.option.id, device, sizeW);
  const now = day(nowW);
  const days = new Map([[nowW, now]]);
  return (pairs: readonly Pair[], requiredW: number): Habit => {
    const { ratingW } = standardInverter(requiredW);
    const then = days.get(ratingW) ?? day(ratingW);
    days.set(ratingW, then);
    const savedWh = (now.busWh - then.busWh) / settled.roundTripEfficiency;
    const saved = { totalWh: savedWh, needWh: savedWh, invertersW: nowW - ratingW, copperKg: 0 };
    return {
      pairs,
      requiredW,
      ratingW,
      idleWh: now.idleWh - then.idleWh,
      conversionWh: now.conversionWh - then.conversionWh,
      worth: worthOf(settled, job, saved, null),
    };
  };
}

function dayWith(job: Job, optionId: string, device: Inverter, sizeW: number) {
  const { bus } = settleDay(withSize(job, optionId, device, sizeW), optionId, new Effort(SIZE_EFFORT));
  const own = bus.devices.find(({ feed }) => feed.device.id === device.id);
  return {
    idleWh: (own?.heldIdleWh ?? 0) + (own?.unattendedIdleWh ?? 0),
    conversionWh: own?.conversionWh ?? 0,
    busWh: bus.busW.reduce((sum, w) => sum + w, 0) / 60,
  };
}
