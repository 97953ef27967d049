import { type Effort, OutOfEffort, WHATEVER_IT_TAKES } from './effort.ts';

/** How much of the room of each group an item takes: pairs of group and count, counts whole and 1 or more. */
export type Takes = readonly (readonly [group: number, count: number])[];

export interface Packed {
  readonly weight: number;
  readonly taken: readonly number[];
}

/** A packing and what is known of all the others. */
export interface Found extends Packed {
  /** No packing weighs more; its own weight when it is proved to be the heaviest. */
  readonly atMost: number;
}

const NONE_TIGHT = new Map<number, number[]>();

/** The open items of one step of the search, and what may hold them back. */
interface Step {
  readonly open: readonly number[];
  readonly rooms: readonly number[];
  /** Groups that would run out of room if all the open items were taken, with their open members. */
  readonly tight: ReadonlyMap<number, readonly number[]>;
}

/**
 * The heaviest choice of items that keeps within the room of every group, exactly: branch and bound. What nothing
 * holds back is taken at once, and so is what weighs as much as all that it shuts out; the rest falls into parts
 * that have nothing to do with each other, and each is branched on its most entangled item unless a bound says that
 * it cannot win. The bound is a greedy dual solution of the linear relaxation: weights are paid for in portions by
 * cliques of items of which one, or groups of which only so many, can be taken.
 */
export class Packing {
  readonly #takes: readonly Takes[];
  readonly #rooms: readonly number[];
  readonly #size: number;
  /** 1 where two items can never both be taken, whatever else is; and the same as lists. */
  readonly #apart: Uint8Array;
  readonly #near: readonly (readonly number[])[];
  /** What an item takes of groups that say more than that some of their members exclude each other. */
  readonly #counted: readonly Takes[];
  readonly #asked: Float64Array;
  /** What is not paid for yet, while a bound is reckoned; 0 for what is not open. */
  readonly #unpaid: Float64Array;
  #weights: Float64Array;
  #effort: Effort = WHATEVER_IT_TAKES;

  /** @param rooms whole numbers, 0 or more, by group */
  constructor(takes: readonly Takes[], rooms: readonly number[]) {
    const size = takes.length;
    this.#takes = takes;
    this.#rooms = rooms;
    this.#size = size;
    this.#unpaid = new Float64Array(size);
    this.#weights = new Float64Array(size);
    const members = rooms.map((): [item: number, count: number][] => []);
    takes.forEach((own, i) => {
      for (const [group, count] of own) members[group]?.push([i, count]);
    });
    const apart = new Uint8Array(size ** 2);
    const counts = members.map((inGroup, group) => {
      const room = rooms[group] as number;
      let isCounted = false;
      for (const [a, countA] of inGroup) {
        for (const [b, countB] of inGroup) {
          if (a === b) continue;
          if (countA + countB > room) apart[a * size + b] = 1;
          else isCounted = true;
        }
      }
      return isCounted;
    });
    this.#counted = takes.map((own) => own.filter(([group]) => counts[group]));
    this.#asked = new Float64Array(rooms.length);
    this.#apart = apart;
    this.#near = takes.map((_, i) => takes.flatMap((__, j) => (apart[i * size + j] === 1 ? [j] : [])));
  }

  /**
   * @param weights of the items, 0 or more; what weighs nothing is left
   * @param forced items that must be taken
   * @param above only what weighs more than this is wanted
   * @param effort what the search may cost; once it is spent the best found stands, with a bound
   * @returns null when the forced items exclude each other, or nothing weighs more than is asked
   */
  heaviest(
    weights: Float64Array,
    forced: readonly number[] = [],
    above = -1,
    effort: Effort = WHATEVER_IT_TAKES,
  ): Found | null {
    this.#weights = weights;
    this.#effort = effort;
    const rooms = this.#rooms.slice();
    let own = 0;
    for (const i of forced) {
      if (!this.#fits(i, rooms)) return null;
      for (const [group, count] of this.#takes[i] ?? []) rooms[group] = (rooms[group] as number) - count;
      own += weights[i] as number;
    }
    const open = weights.reduce<number[]>((list, weight, i) => {
      if (weight > 0 && !forced.includes(i) && forced.every((j) => this.#apart[j * this.#size + i] === 0)) list.push(i);
      return list;
    }, []);
    // Most often a bound tells at once that nothing here is wanted.
    if (above >= 0 && own + this.#boundOf(open, rooms) <= above) return null;
    const quick = this.#greedy(open, rooms);
    const found = ({ weight, taken }: Packed, atMost: number): Found | null =>
      own + atMost > above
        ? { weight: own + weight, taken: [...forced, ...taken], atMost: own + Math.max(weight, atMost) }
        : null;
    try {
      const best = this.#pack(open, rooms, Math.max(above - own, quick.weight)) ?? quick;
      return found(best, best.weight);
    } catch (error) {
      if (!(error instanceof OutOfEffort)) throw error;
      return found(quick, this.#reduced(open, rooms).hoped);
    }
  }

  /** What no packing of these weights is heavier than, without a search. */
  bound(weights: Float64Array): number {
    this.#weights = weights;
    const open = weights.reduce<number[]>((list, weight, i) => {
      if (weight > 0) list.push(i);
      return list;
    }, []);
    return this.#boundOf(open, this.#rooms);
  }

  #boundOf(open: readonly number[], rooms: readonly number[]): number {
    return this.#bound(
      this.#step(
        open.filter((i) => this.#fits(i, rooms)),
        rooms,
      ),
    );
  }

  /** A good packing, found at once: what weighs most for what it shuts out is taken first. The search only has to beat it. */
  #greedy(open: readonly number[], rooms: readonly number[]): Packed {
    let weight = 0;
    const taken: number[] = [];
    let step = this.#step(
      open.filter((i) => this.#fits(i, rooms)),
      rooms,
    );
    while (step.open.length > 0) {
      this.#mark(step);
      let best = step.open[0] as number;
      let most = -1;
      for (const i of step.open) {
        let shutOut = 0;
        this.#eachRival(i, step, (other) => {
          shutOut += this.#weights[other] as number;
        });
        const worth = (this.#weights[i] as number) / (1 + shutOut);
        if (worth > most) [best, most] = [i, worth];
      }
      taken.push(best);
      weight += this.#weights[best] as number;
      step = this.#beside(best, step);
    }
    return { weight, taken };
  }

  /** Whether these items can all be taken. */
  allows(items: readonly number[]): boolean {
    const rooms = this.#rooms.slice();
    return items.every((i) => {
      const fits = this.#fits(i, rooms);
      for (const [group, count] of this.#takes[i] ?? []) rooms[group] = (rooms[group] as number) - count;
      return fits;
    });
  }

  /** What must be taken anyway, the parts that are left with their bounds, and what all of it comes to at most. */
  #reduced(open: readonly number[], rooms: readonly number[]) {
    const taken: number[] = [];
    let weight = 0;
    let step = this.#step(
      open.filter((i) => this.#fits(i, rooms)),
      rooms,
    );
    for (;;) {
      const free = this.#free(step);
      if (free === undefined) break;
      taken.push(free);
      weight += this.#weights[free] as number;
      step = this.#beside(free, step);
    }
    const parts = this.#parts(step).map((part) => ({ part, bound: this.#bound(part) }));
    return { taken, weight, parts, hoped: parts.reduce((sum, { bound }) => sum + bound, weight) };
  }

  /** The heaviest packing of the open items; null when none weighs more than is asked. */
  #pack(open: readonly number[], rooms: readonly number[], need: number): Packed | null {
    this.#effort.spend(open.length + 1);
    let { taken, weight, parts, hoped } = this.#reduced(open, rooms);
    for (const { part, bound } of parts) {
      if (hoped <= need) return null;
      const best = this.#branch(part, need - (hoped - bound));
      if (!best) return null;
      taken.push(...best.taken);
      weight += best.weight;
      hoped += best.weight - bound;
    }
    return weight > need ? { weight, taken } : null;
  }

  /** The best of one entangled part, with its most entangled item or without; null when it is no more than is asked. */
  #branch(part: Step, need: number): Packed | null {
    let head = part.open[0] as number;
    let most = -1;
    this.#mark(part);
    for (const i of part.open) {
      let others = 0;
      this.#eachRival(i, part, () => {
        others += 1;
      });
      const heavier = (this.#weights[i] as number) > (this.#weights[head] as number);
      if (others > most || (others === most && heavier)) [head, most] = [i, others];
    }
    const own = this.#weights[head] as number;
    const { open, rooms } = this.#beside(head, part);
    const beside = this.#pack(open, rooms, need - own);
    const taking = beside && { weight: beside.weight + own, taken: [head, ...beside.taken] };
    const without = part.open.filter((i) => i !== head);
    return this.#pack(without, part.rooms, taking?.weight ?? need) ?? taking;
  }

  #step(open: readonly number[], rooms: readonly number[]): Step {
    const asked = this.#asked;
    let isTight = false;
    for (const i of open) {
      for (const [group, count] of this.#counted[i] as Takes) {
        const sum = (asked[group] as number) + count;
        asked[group] = sum;
        isTight ||= sum > (rooms[group] as number);
      }
    }
    const tight = isTight ? new Map<number, number[]>() : NONE_TIGHT;
    for (const i of open) {
      for (const [group] of this.#counted[i] as Takes) {
        if ((asked[group] as number) <= (rooms[group] as number)) continue;
        const members = tight.get(group);
        if (members) members.push(i);
        else tight.set(group, [i]);
      }
    }
    for (const i of open) for (const [group] of this.#counted[i] as Takes) asked[group] = 0;
    return { open, rooms, tight };
  }

  #fits(i: number, rooms: readonly number[]): boolean {
    for (const [group, count] of this.#takes[i] ?? []) if (count > (rooms[group] as number)) return false;
    return true;
  }

  /** What is still open once an item is taken. */
  #beside(taken: number, { open, rooms }: Step): Step {
    const left = rooms.slice();
    for (const [group, count] of this.#takes[taken] ?? []) left[group] = (left[group] as number) - count;
    const row = taken * this.#size;
    return this.#step(
      open.filter((i) => i !== taken && this.#apart[row + i] === 0 && this.#fits(i, left)),
      left,
    );
  }

  /** Notes the open items in `#unpaid`, so that what is not open is passed over. */
  #mark({ open }: Step): void {
    this.#unpaid.fill(0);
    for (const i of open) this.#unpaid[i] = this.#weights[i] as number;
  }

  /** Each open item that taking this one may shut out, some of them more than once; after `#mark`. */
  #eachRival(i: number, { tight }: Step, each: (other: number) => void): void {
    for (const other of this.#near[i] ?? []) if ((this.#unpaid[other] as number) > 0) each(other);
    if (tight.size === 0) return;
    for (const [group] of this.#counted[i] as Takes) {
      for (const other of tight.get(group) ?? []) if (other !== i) each(other);
    }
  }

  /** An item that weighs as much as all its rivals together: no packing is the worse for it. */
  #free(step: Step): number | undefined {
    this.#mark(step);
    const { tight } = step;
    const unpaid = this.#unpaid;
    return step.open.find((i) => {
      let spare = this.#weights[i] as number;
      for (const other of this.#near[i] as readonly number[]) {
        spare -= unpaid[other] as number;
        if (spare < 0) return false;
      }
      if (tight.size === 0) return true;
      for (const [group] of this.#counted[i] as Takes) {
        for (const other of tight.get(group) ?? []) if (other !== i) spare -= unpaid[other] as number;
        if (spare < 0) return false;
      }
      return true;
    });
  }

  /** The open items, parted so that no item has a rival in another part. */
  #parts(step: Step): Step[] {
    this.#mark(step);
    const unseen = new Set(step.open);
    return step.open.flatMap((first) => {
      if (!unseen.delete(first)) return [];
      const part = [first];
      for (const i of part) {
        this.#eachRival(i, step, (other) => {
          if (unseen.delete(other)) part.push(other);
        });
      }
      return [part.length === step.open.length ? step : this.#step(part, step.rooms)];
    });
  }

  /** No packing of the open items weighs more. */
  #bound(step: Step): number {
    this.#mark(step);
    const unpaid = this.#unpaid;
    const lightestFirst = [...step.open].sort((a, b) => (this.#weights[a] as number) - (this.#weights[b] as number));
    let sum = 0;
    for (const i of lightestFirst) {
      while ((unpaid[i] as number) > 0) {
        let paying: readonly number[] = this.#cliqueAround(i);
        let room = 1;
        for (const [group] of this.#counted[i] as Takes) {
          const here = step.tight.get(group)?.filter((other) => (unpaid[other] as number) > 0);
          const groupRoom = step.rooms[group] as number;
          if (here && here.length / groupRoom > paying.length / room) [paying, room] = [here, groupRoom];
        }
        let portion = Number.POSITIVE_INFINITY;
        for (const other of paying) portion = Math.min(portion, unpaid[other] as number);
        for (const other of paying) unpaid[other] = (unpaid[other] as number) - portion;
        sum += portion * room;
      }
    }
    return sum;
  }

  /** Items still unpaid that all exclude each other, the heaviest first, around one of them. */
  #cliqueAround(i: number): number[] {
    const unpaid = this.#unpaid;
    const clique = [i];
    const candidates: number[] = [];
    for (const other of this.#near[i] as readonly number[]) if ((unpaid[other] as number) > 0) candidates.push(other);
    while (candidates.length > 0) {
      let next = candidates[0] as number;
      for (const other of candidates) if ((unpaid[other] as number) > (unpaid[next] as number)) next = other;
      clique.push(next);
      const row = next * this.#size;
      let kept = 0;
      for (const other of candidates) if (this.#apart[row + other] === 1) candidates[kept++] = other;
      candidates.length = kept;
    }
    return clique;
  }
}
