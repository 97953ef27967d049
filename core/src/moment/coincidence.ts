import type { Together } from '../job/schema.ts';
import { remembering } from '../quantity/remember.ts';
import { type Effort, WHATEVER_IT_TAKES } from './effort.ts';
import { Packing, type Takes } from './packing.ts';

/** Share by which rounding may part a weight from its bound. */
const PROOF = 1e-9;

/** Loads that run at the same time, and what they come to together in W, VA or A. */
export interface LoadSet {
  readonly ids: readonly string[];
  /** Of these loads; of a search that was cut short what no set comes to more than. */
  readonly weight: number;
  /** Whether it is known that no set is heavier. */
  readonly isProved: boolean;
}

/** What each load adds while it runs, W, VA or A: 0 or more. Loads not in it are not on. */
export type Weights = ReadonlyMap<string, number>;

/** The rules of a job made ready to be searched. */
interface Rules {
  /** Loads that may never run, each with the others it must run with, because their group is too small for them. */
  readonly contradictions: readonly (readonly string[])[];
  readonly items: readonly (readonly string[])[];
  readonly itemOf: ReadonlyMap<string, number>;
  readonly packing: Packing;
}

function rulesOf({ atMost, always }: Together): Rules {
  const blocks = merged(always);
  const contradictions = blocks.filter((block) => atMost.some((group) => countIn(group.loads, block) > group.most));
  const named = new Set([...atMost.flatMap(({ loads }) => loads), ...blocks.flat()]);
  const together = blocks.filter((block) => !contradictions.includes(block));
  const joined = new Set(together.flat());
  // What contradicts itself is taken as free of its "only together", the heavier view.
  const items = [...together, ...[...named].filter((id) => !joined.has(id)).map((id) => [id])];
  const takes = items.map(
    (ids): Takes =>
      atMost.flatMap(({ loads }, group) => {
        const count = countIn(loads, ids);
        return count > 0 ? [[group, count] as const] : [];
      }),
  );
  return {
    contradictions,
    items,
    itemOf: new Map(items.flatMap((ids, i) => ids.map((id) => [id, i] as const))),
    packing: new Packing(
      takes,
      atMost.map(({ most }) => most),
    ),
  };
}

/**
 * Which loads may run at the same time: at most so many of a group, and groups that run only together. Those run
 * as one, so that what excludes one of them excludes all. Exact while the effort lasts; see `packing.ts`.
 */
export class Coincidence {
  readonly #rules: Rules;
  readonly #effort: Effort;

  constructor(rules: Together | Rules, effort: Effort = WHATEVER_IT_TAKES) {
    this.#rules = 'packing' in rules ? rules : rulesOf(rules);
    this.#effort = effort;
  }

  /** The same rules, searched with no more than this effort. */
  within(effort: Effort): Coincidence {
    return new Coincidence(this.#rules, effort);
  }

  /** Other rules, searched with what is left of the same effort. */
  under(together: Together): Coincidence {
    return new Coincidence(together, this.#effort);
  }

  get contradictions(): readonly (readonly string[])[] {
    return this.#rules.contradictions;
  }

  /**
   * The heaviest set that may run at once, or the heaviest found with what is left of the effort and a weight that no
   * set is above. What nothing is said of always may.
   * @param running loads that must be in it
   * @param above only a set heavier than this is wanted
   * @returns null when `running` may not run together, or nothing is heavier than is asked
   */
  heaviest(weights: Weights, running: readonly string[] = [], above = -1): LoadSet | null {
    const { byItem, ids, free } = this.#parted(weights);
    const forced = new Set(running.flatMap((id) => this.#rules.itemOf.get(id) ?? []));
    const packed = this.#rules.packing.heaviest(byItem, [...forced], above - free, this.#effort);
    if (!packed) return null;
    const taken = packed.taken.flatMap((item) => (this.#rules.items[item] ?? []).filter((id) => weights.has(id)));
    return {
      ids: [...ids, ...taken],
      weight: free + packed.atMost,
      isProved: packed.atMost <= packed.weight * (1 + PROOF),
    };
  }

  /** What no set comes to more than, without a search. */
  bound(weights: Weights): number {
    const { byItem, free } = this.#parted(weights);
    return free + this.#rules.packing.bound(byItem);
  }

  /** The weights of what something is said of, and what is free of all rules. */
  #parted(weights: Weights): { byItem: Float64Array; ids: string[]; free: number } {
    const byItem = new Float64Array(this.#rules.items.length);
    const ids: string[] = [];
    let free = 0;
    for (const [id, weight] of weights) {
      if (!Number.isFinite(weight) || weight < 0)
        throw new RangeError(`weight of ${id} must be 0 or more, not ${weight}`);
      const item = this.#rules.itemOf.get(id);
      if (item === undefined) {
        ids.push(id);
        free += weight;
      } else byItem[item] = (byItem[item] as number) + weight;
    }
    return { byItem, ids, free };
  }

  /** Whether these loads may run at the same time. */
  allows(ids: readonly string[]): boolean {
    return this.#rules.packing.allows([...new Set(ids.flatMap((id) => this.#rules.itemOf.get(id) ?? []))]);
  }

  /** The loads that run whenever this one does, itself among them. */
  runsWith(id: string): readonly string[] {
    const item = this.#rules.itemOf.get(id);
    return item === undefined ? [id] : (this.#rules.items[item] ?? [id]);
  }
}

/** `Coincidence` of a job's `together`, made once for it: neither an edit of a load nor a move changes it. */
export const coincidenceOf = (together: Together): Coincidence =>
  remembered(together, [], () => new Coincidence(together));

const remembered = remembering<Together, Coincidence>();

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
