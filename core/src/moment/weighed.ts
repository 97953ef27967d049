import type { Coincidence, LoadSet, Weights } from './coincidence.ts';
import type { Slice } from './slices.ts';

/** A set of loads, and from when on it can be on; null = at any time. */
export interface TimedSet extends LoadSet {
  readonly startMin: number | null;
}

/**
 * The slices of a day with what each load adds in them, W, VA or A. What is never looked at is never reckoned: a
 * slice's weights are made when its sum could still matter, its bound when its sum is not enough to pass it over.
 */
export class Weighed {
  readonly #slices: readonly WeighedSlice[];
  readonly #coincidence: Coincidence;

  /** @param perWatt what a load adds for each W of the slice; undefined = it does not count here */
  constructor(slices: readonly Slice[], coincidence: Coincidence, perWatt: (id: string) => number | undefined) {
    this.#coincidence = coincidence;
    this.#slices = slices
      .map((slice) => new WeighedSlice(slice, coincidence, perWatt))
      .sort((a, b) => b.sum - a.sum || (a.slice.startMin ?? 0) - (b.slice.startMin ?? 0));
  }

  /**
   * The heaviest set of all slices.
   * @param running loads that must be in it
   * @param above only a set heavier than this is wanted; no ids when there is none
   * @param among slices in which loads draw so many W
   */
  heaviest(running: readonly string[] = [], above = -1, among: (powerW: Weights) => boolean = () => true): TimedSet {
    let best: TimedSet = { ids: [], weight: Math.max(0, above), startMin: null, isProved: true };
    let isFound = false;
    const least = () => (isFound ? best.weight : above);
    for (const one of this.#slices) {
      if (one.sum <= least()) break;
      if (running.some((id) => !one.slice.powerW.has(id)) || !among(one.slice.powerW)) continue;
      if (one.bound <= least()) continue;
      const set = this.#coincidence.heaviest(one.weights, running, least());
      if (!set) continue;
      best = { ...set, startMin: one.slice.startMin };
      isFound = true;
    }
    return isFound ? best : { ids: [], weight: 0, startMin: null, isProved: true };
  }

  /** The heaviest set, where one is known from other weights: most often it is the same and only has to be proved. */
  heaviestBeyond(found: TimedSet): TimedSet {
    const weights = this.#slices.find(({ slice }) => slice.startMin === found.startMin)?.weights;
    const weight = found.ids.reduce((sum, id) => sum + (weights?.get(id) ?? 0), 0);
    const heavier = this.heaviest([], weight);
    return heavier.ids.length > 0 ? heavier : { ...found, weight, isProved: true };
  }
}

class WeighedSlice {
  readonly slice: Slice;
  /** Of all loads at once: no set of them weighs more. */
  readonly sum: number;
  readonly #coincidence: Coincidence;
  readonly #perWatt: (id: string) => number | undefined;
  #weights: Weights | null = null;
  #bound: number | null = null;

  constructor(slice: Slice, coincidence: Coincidence, perWatt: (id: string) => number | undefined) {
    this.slice = slice;
    this.#coincidence = coincidence;
    this.#perWatt = perWatt;
    let sum = 0;
    for (const [id, powerW] of slice.powerW) sum += powerW * (perWatt(id) ?? 0);
    this.sum = sum;
  }

  get weights(): Weights {
    if (this.#weights) return this.#weights;
    const weights = new Map<string, number>();
    for (const [id, powerW] of this.slice.powerW) {
      const per = this.#perWatt(id);
      if (per !== undefined) weights.set(id, powerW * per);
    }
    this.#weights = weights;
    return weights;
  }

  /** What no set that the rules let run weighs more than. */
  get bound(): number {
    this.#bound ??= this.#coincidence.bound(this.weights);
    return this.#bound;
  }
}
