import { Problem } from './errors.ts';

/** A number of things of one kind that may go on at once; whoever finds none free is told to come again. */
export class Slots {
  readonly #most: number;
  readonly #sentence: string;
  #taken = 0;

  constructor(most: number, sentence: string) {
    this.#most = most;
    this.#sentence = sentence;
  }

  /** @returns how to give it back, which may be called more than once */
  take(): () => void {
    if (this.#taken >= this.#most) throw new Problem('too-many-requests', this.#sentence);
    this.#taken += 1;
    let isHeld = true;
    return () => {
      if (isHeld) this.#taken -= 1;
      isHeld = false;
    };
  }
}
