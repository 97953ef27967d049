import type { Together } from '../job/schema.ts';
import { Packing, type Takes } from './packing.ts';

/** Loads that run at the same time, and what they come to together in W, VA or A. */
export interface LoadSet {
  readonly ids: readonly string[];
  readonly weight: number;
}

/** What each load adds while it runs, W, VA or A: 0 or more. Loads not in it are not on. */
export type Weights = ReadonlyMap<string, number>;

/**
 * Which loads may run at the same time: at most so many of a group, and groups that run only together. Those run
 * as one, so that what excludes one of them excludes all. Exact; see `packing.ts`.
 */
export class Coincidence {
  /** Loads that may never run, each with the others it must run with, because their group is too small for them. */
  readonly contradictions: readonly (readonly string[])[];
  readonly #items: readonly (readonly string[])[];
  readonly #itemOf: ReadonlyMap<string, number>;
  readonly #packing: Packing;

  constructor({ atMost, always }: Together) {
    const blocks = merged(always);
    const apart = blocks.filter((block) => atMost.some((group) => countIn(group.loads, block) > group.most));
    this.contradictions = apart;
    const named = new Set([...atMost.flatMap(({ loads }) => loads), ...blocks.flat()]);
    const together = blocks.filter((block) => !apart.includes(block));
    const joined = new Set(together.flat());
    // What contradicts itself is taken as free of its "only together", the heavier view.
    this.#items = [...together, ...[...named].filter((id) => !joined.has(id)).map((id) => [id])];
    this.#itemOf = new Map(this.#items.flatMap((ids, i) => ids.map((id) => [id, i] as const)));
    const takes = this.#items.map(
      (ids): Takes =>
        atMost.flatMap(({ loads }, group) => {
          const count = countIn(loads, ids);
          return count > 0 ? [[group, count] as const] : [];
        }),
    );
    this.#packing = new Packing(
      takes,
      atMost.map(({ most }) => most),
    );
  }

  /**
   * The heaviest set that may run at once. What nothing is said of always may.
   * @param running loads that must be in it
   * @param above only a set heavier than this is wanted
   * @returns null when `running` may not run together, or nothing is heavier than is asked
   */
  heaviest(weights: Weights, running: readonly string[] = [], above = -1): LoadSet | null {
    const byItem = new Float64Array(this.#items.length);
    const ids: string[] = [];
    let free = 0;
    for (const [id, weight] of weights) {
      if (!Number.isFinite(weight) || weight < 0)
        throw new RangeError(`weight of ${id} must be 0 or more, not ${weight}`);
      const item = this.#itemOf.get(id);
      if (item === undefined) {
        ids.push(id);
        free += weight;
      } else byItem[item] = (byItem[item] as number) + weight;
    }
    const forced = new Set(running.flatMap((id) => this.#itemOf.get(id) ?? []));
    const packed = this.#packing.heaviest(byItem, [...forced], above - free);
    if (!packed) return null;
    const taken = packed.taken.flatMap((item) => (this.#items[item] ?? []).filter((id) => weights.has(id)));
    return { ids: [...ids, ...taken], weight: free + packed.weight };
  }

  /** Whether these loads may run at the same time. */
  allows(ids: readonly string[]): boolean {
    return this.#packing.allows([...new Set(ids.flatMap((id) => this.#itemOf.get(id) ?? []))]);
  }

  /** The loads that run whenever this one does, itself among them. */
  runsWith(id: string): readonly string[] {
    const item = this.#itemOf.get(id);
    return item === undefined ? [id] : (this.#items[item] ?? [id]);
  }
}

/** `Coincidence` of a job's `together`, made once for it: neither an edit of a load nor a move changes it. */
export function coincidenceOf(together: Together): Coincidence {
  const made = known.get(together) ?? new Coincidence(together);
  known.set(together, made);
  return made;
}

const known = new WeakMap<Together, Coincidence>();

const countIn = (group: readonly string[], ids: readonly string[]): number =>
  ids.reduce((count, id) => count + (group.includes(id) ? 1 : 0), 0);

/** Groups that share a member are one group. */
function merged(groups: readonly (readonly string[])[]): string[][] {
  const blocks: string[][] = [];
  for (const group of groups) {
    const touching = blocks.filter((block) => group.some((id) => block.includes(id)));
    const joined = [...new Set([...touching.flat(), ...group])];
    for (const block of touching) blocks.splice(blocks.indexOf(block), 1);
    blocks.push(joined);
  }
  return blocks;
}
