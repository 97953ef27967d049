import { type Changes, changesBetween, keeping, withChanges } from './changes.ts';

/** An answer of which only what changed is sent, where whoever asked still holds the one before. */
export interface Sent<T> {
  readonly id: number;
  /** Which answer the changes are to; null = to none: the answer is whole. */
  readonly since: number | null;
  readonly changes: Changes;
  /** Says what it is an answer of; never set. */
  readonly of?: T;
}

/** Where answers are made: remembers the last that was sent. */
export class Sender<T> {
  #last: { readonly id: number; readonly value: T } | null = null;

  /** @param held id of the answer that the one who asks holds; null = none */
  send(value: T, held: number | null): Sent<T> {
    const last = this.#last;
    const id = (last?.id ?? 0) + 1;
    this.#last = { id, value };
    if (!last || last.id !== held) return { id, since: null, changes: { is: value } };
    return { id, since: last.id, changes: changesBetween(last.value, value) };
  }
}

/** Where they arrive, in the order in which they were sent: puts them together, sharing what did not change. */
export class Holder<T> {
  #value: T | null = null;
  #held: number | null = null;

  get held(): number | null {
    return this.#held;
  }

  take({ id, since, changes }: Sent<T>): T {
    if (since !== null && since !== this.#held) throw new Error('changes to an answer that is not held');
    const value = withChanges(this.#value, changes) as T;
    // A whole answer of a worker started anew shares with the one before it too.
    this.#value = since === null && this.#value !== null ? keeping(this.#value, value) : value;
    this.#held = id;
    return this.#value;
  }
}
