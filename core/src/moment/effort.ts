/**
 * Work that a search may still do before it answers "at most so much, not proved": counted, not timed, so that the same
 * job comes to the same on every machine. Shared by all the searches of one question.
 */
export class Effort {
  #left: number;

  /** @param units one for each item looked at in a step; a million take 0.1 to 0.3 s */
  constructor(units: number) {
    this.#left = units;
  }

  /** @throws OutOfEffort once all of it is spent */
  spend(units: number): void {
    this.#left -= units;
    if (this.#left <= 0) throw new OutOfEffort();
  }
}

export class OutOfEffort extends Error {}

/** No limit: what comes out is always proved. */
export const WHATEVER_IT_TAKES = new Effort(Number.POSITIVE_INFINITY);
