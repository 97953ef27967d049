import { newUuid } from './uuid.ts';

/**
 * Ids of things that this page makes on the server: the same thing asked for again after a lost answer has the id that
 * it had, so that it is made once.
 */
export class MakerIds {
  readonly #asked = new Map<string, string>();

  idOf(thing: unknown): string {
    const key = JSON.stringify(thing);
    const id = this.#asked.get(key) ?? newUuid();
    this.#asked.set(key, id);
    return id;
  }

  /** The server has it: the same again is another one. */
  made(thing: unknown): void {
    this.#asked.delete(JSON.stringify(thing));
  }
}
