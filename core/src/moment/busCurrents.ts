import type { Day, DesignOption, Load } from '../job/schema.ts';
import { CYCLES, type LoadProfile, stretchesOf } from '../loads/profile.ts';
import { chainOf } from '../paths/chain.ts';
import { efficiencyAt } from '../paths/curve.ts';
import type { Feed } from '../paths/feed.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Currents } from '../reference/currents.ts';
import { type BusMoment, busMoment } from './busMoment.ts';
import type { Coincidence } from './coincidence.ts';
import type { Slice } from './slices.ts';
import { startExtraAt, startSteps } from './starts.ts';

/** Where it is asked for. */
interface Around {
  readonly option: Pick<DesignOption, 'system'>;
  readonly profiles: readonly LoadProfile[];
  readonly feeds: readonly Feed[];
  readonly slices: readonly Slice[];
  readonly coincidence: Coincidence;
  readonly twoMayStart: boolean;
  readonly day: Day;
}

/**
 * What a battery is asked for at its worst, A at its nominal volts: by what runs for longer than it gives more for, by all
 * that runs, and by the largest start on top of what may run with it.
 * @param worst the worst moment of all that runs
 * @param shortS s for which the battery gives more than for long
 */
export function busCurrents(worst: BusMoment, around: Around, nominalV: number, shortS: number): Currents {
  const { profiles, feeds, slices, coincidence } = around;
  const { devices } = around.option.system;
  const momentOf = (some: readonly LoadProfile[], of: readonly Slice[]) =>
    busMoment(some, devices, feeds, of, coincidence).weight / nominalV;
  const worstA = worst.weight / nominalV;
  const long = profiles.filter(({ load }) => longestRunMin(load, around.day) * 60 > shortS);
  const longA = long.length === profiles.length ? worstA : momentOf(long, slices);
  const starts = profiles
    .flatMap((profile) => {
      const chain = chainOf(profile.load, devices);
      const mostW = Math.max(0, ...startSteps(profile).map(({ extraW }) => extraW));
      if (mostW <= 0 || !chain.fromBus) return [];
      const feed = feeds.find(({ device }) => device.id === chain.device?.id);
      const busW = mostW / chain.efficiency / (feed ? efficiencyAt(feed.curve, 1) : 1);
      return [{ profile, busA: busW / nominalV }];
    })
    .sort((a, b) => b.busA - a.busA);
  let startA = worstA;
  for (const { profile, busA } of starts) {
    if (worstA + busA <= startA) break;
    const asItStarts = slices.map((slice) => ({ ...slice, powerW: starting(slice.powerW, profile) }));
    startA = Math.max(startA, momentOf(profiles, asItStarts));
  }
  // A second one at the same instant adds no more than its own.
  const second = around.twoMayStart ? (starts[1]?.busA ?? 0) : 0;
  return { longA, worstA, startA: startA + second };
}

/** A slice in which one piece of a load starts. */
function starting(powerW: Slice['powerW'], profile: LoadProfile): Slice['powerW'] {
  const { id, quantity } = profile.load;
  const now = powerW.get(id);
  return now === undefined ? powerW : new Map([...powerW, [id, now + startExtraAt(profile, now / quantity)]]);
}

/**
 * Min that a load runs in one go on such a day. What switches itself on and off is taken to run on, and so are runs with
 * less between them than the first of them took: nothing recovers in so short a time.
 */
export function longestRunMin(load: Load, day: Day): number {
  if (CYCLES.has(load.draw.kind) || load.draw.kind === 'standby') return MINUTES_PER_DAY;
  const runs = stretchesOf(load, day)
    .filter(({ minutes, powerW }) => minutes > 0 && powerW > 0)
    .sort((a, b) => a.startMin - b.startMin);
  let [longest, began, ended] = [0, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { startMin, minutes } of runs) {
    if (startMin - ended >= ended - began || began === Number.NEGATIVE_INFINITY) began = startMin;
    ended = Math.max(ended, startMin + minutes);
    longest = Math.max(longest, ended - began);
  }
  return longest;
}
