import type { Device } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { chainOf } from '../paths/chain.ts';
import type { Feed } from '../paths/feed.ts';
import type { Coincidence, Weights } from './coincidence.ts';
import { heaviestFirst } from './nextSets.ts';
import type { Slice } from './slices.ts';
import type { TimedSet } from './weighed.ts';

/** What the store must give at its worst moment. */
export interface BusMoment extends TimedSet {
  /** W at the store: what the loads take after their own converters, straight and through devices, and the devices' loss. */
  readonly directW: number;
  readonly throughW: number;
  readonly lossW: number;
}

interface BusLoad {
  readonly id: string;
  readonly perLoadW: number;
  readonly feed: Feed | null;
}

/** Sets looked at before the search gives up proving and says a bound instead: far above what real jobs need. */
const MOST_SETS = 64;

/**
 * The heaviest set of all loads at the store, exactly. A device's loss grows with the square of what it gives, so
 * watts do not simply add up: sets are taken in order of a straight line drawn above that loss (the chord up to the
 * heaviest the device can be asked for), until none left can beat the best by its true loss.
 */
export function busMoment(
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  feeds: readonly Feed[],
  slices: readonly Slice[],
  coincidence: Coincidence,
): BusMoment {
  const loads = profiles.flatMap(({ load }): BusLoad[] => {
    const chain = chainOf(load, devices);
    if (!chain.fromBus) return [];
    const feed = feeds.find(({ device }) => device.id === chain.device?.id) ?? null;
    return [{ id: load.id, perLoadW: 1 / chain.efficiency, feed }];
  });
  const used = feeds.filter((feed) => loads.some((load) => load.feed === feed));
  const idleW = used.reduce((sum, { ratingW, curve }) => sum + ratingW * curve.c0, 0);
  const ofId = new Map(loads.map((load) => [load.id, load]));
  const onSlice = slices
    .map((slice) => ({ slice, atMost: idleW + allAtOnceW(slice, ofId) }))
    .sort((a, b) => b.atMost - a.atMost);
  let best: BusMoment = NOTHING;
  let unproved = 0;
  for (const { slice, atMost } of onSlice) {
    // A slice that cannot beat the best by all of its loads, or by a bound, is passed over.
    if (atMost <= best.weight) break;
    const own = ownWeights(loads, slice);
    const bounded = byChord(loads, own, (feed) => coincidence.bound(fedBy(feed, loads, own)));
    if (idleW + coincidence.bound(bounded) <= best.weight) continue;
    const weights = byChord(loads, own, (feed) => coincidence.heaviest(fedBy(feed, loads, own))?.weight ?? 0);
    // The heaviest by the chords alone nearly always settles it; more sets are asked for only while it does not.
    for (let count = 1; ; count = Math.min(MOST_SETS, count * 4)) {
      const sets = heaviestFirst(coincidence, weights, count);
      for (const { ids } of sets) {
        const told = atStore(ids, loads, own, used);
        if (told.weight > best.weight) best = { ...told, ids, startMin: slice.startMin, isProved: true };
      }
      const [first, last] = [sets[0], sets.at(-1)];
      const isCut = sets.some(({ isProved }) => !isProved);
      const isProved = !isCut && (!last || sets.length < count || last.weight + idleW <= best.weight * (1 + 1e-9));
      if (isProved) break;
      if (isCut || count === MOST_SETS) {
        unproved = Math.max(unproved, ((isCut ? first : last)?.weight ?? 0) + idleW);
        break;
      }
    }
  }
  return unproved > best.weight ? { ...best, weight: unproved, isProved: false } : best;
}

const NOTHING: BusMoment = { ids: [], weight: 0, startMin: null, isProved: true, directW: 0, throughW: 0, lossW: 0 };

/** W at the store if all loads of a slice ran at once, each device's loss by the chord up to that. */
function allAtOnceW({ powerW }: Slice, ofId: ReadonlyMap<string, BusLoad>): number {
  let direct = 0;
  const through = new Map<Feed, number>();
  for (const [id, w] of powerW) {
    const load = ofId.get(id);
    if (!load) continue;
    if (load.feed) through.set(load.feed, (through.get(load.feed) ?? 0) + w * load.perLoadW);
    else direct += w * load.perLoadW;
  }
  return [...through].reduce((sum, [feed, w]) => sum + w * chordOf(feed, w), direct);
}

/** What each load takes from the store at most, each device's loss by the chord up to what it can be asked for. */
function byChord(loads: readonly BusLoad[], own: Weights, askedOf: (feed: Feed) => number): Weights {
  const chords = new Map<Feed, number>();
  return new Map(
    loads.flatMap(({ id, feed }) => {
      const w = own.get(id);
      if (w === undefined) return [];
      if (!feed) return [[id, w] as const];
      const chord = chords.get(feed) ?? chordOf(feed, askedOf(feed));
      chords.set(feed, chord);
      return [[id, w * chord] as const];
    }),
  );
}

/** What hangs on a device. */
const fedBy = (feed: Feed, loads: readonly BusLoad[], own: Weights): Weights =>
  new Map(
    loads.flatMap((load) =>
      load.feed === feed && own.has(load.id) ? [[load.id, own.get(load.id) ?? 0] as const] : [],
    ),
  );

const ownWeights = (loads: readonly BusLoad[], { powerW }: Slice): Weights =>
  new Map(
    loads.flatMap(({ id, perLoadW }) => {
      const w = powerW.get(id);
      return w === undefined ? [] : [[id, w * perLoadW] as const];
    }),
  );

/** W at the bus for each W given, along the chord of the loss up to the heaviest. */
const chordOf = ({ ratingW, curve }: Feed, heaviestW: number): number =>
  1 + curve.c1 + (curve.c2 * heaviestW) / ratingW;

/** What a set takes from the store by the true loss of the devices. */
function atStore(ids: readonly string[], loads: readonly BusLoad[], own: Weights, used: readonly Feed[]) {
  const on = new Set(ids);
  const sum = (feed: Feed | null) =>
    loads.reduce((total, load) => total + (load.feed === feed && on.has(load.id) ? (own.get(load.id) ?? 0) : 0), 0);
  const directW = sum(null);
  let throughW = 0;
  let lossW = 0;
  for (const feed of used) {
    const { ratingW, curve } = feed;
    const outW = sum(feed);
    throughW += outW;
    lossW += ratingW * curve.c0 + outW * (curve.c1 + (curve.c2 * outW) / ratingW);
  }
  return { weight: directW + throughW + lossW, directW, throughW, lossW };
}
