import { ApiError } from './api.ts';

/** An entry of a list of the firm. */
export interface Versioned<T> {
  readonly id: string;
  readonly version: number;
  readonly document: T;
}

/** Somebody else has changed the same since: nothing was stored, and somebody has to choose. */
export class ChangedElsewhere<T> extends Error {
  readonly theirs: Versioned<T>;
  readonly mine: T;

  constructor(theirs: Versioned<T>, mine: T) {
    super('It was changed elsewhere since.');
    this.theirs = theirs;
    this.mine = mine;
  }
}

interface Way<T> {
  readonly replace: (id: string, version: number, document: T) => Promise<Versioned<T>>;
  /** The entry in a refusal, null where it is none. */
  readonly current: (problem: unknown) => Versioned<T> | null;
}

/**
 * Edits of the entries of a list, one after the other, each made to the entry as the server has it by then. What
 * somebody else has changed meanwhile is kept; where both changed the same it is refused, so that it can be asked about.
 */
export class VersionedEdits<T> {
  readonly #way: Way<T>;
  readonly #known = new Map<string, Versioned<T>>();
  #queue: Promise<unknown> = Promise.resolve();

  constructor(way: Way<T>) {
    this.#way = way;
  }

  /** Entries as a list has them; only what is newer than is known already counts. */
  seen(entries: readonly Versioned<T>[]): void {
    for (const one of entries) if (one.version > (this.#known.get(one.id)?.version ?? 0)) this.#known.set(one.id, one);
  }

  version(id: string): number {
    return this.#known.get(id)?.version ?? 1;
  }

  /**
   * @param command old document → new one
   * @param clashes whether what somebody else made of it is the same thing that this edit changes
   */
  change(
    id: string,
    command: (document: T) => T,
    clashes: (seen: T, theirs: T) => boolean = () => false,
  ): Promise<Versioned<T>> {
    const turn = this.#queue.then(async () => {
      const seen = this.#known.get(id);
      if (!seen) throw new Error('It is not in the list any more.');
      for (let now = seen; ; ) {
        const mine = command(now.document);
        try {
          const saved = await this.#way.replace(id, now.version, mine);
          this.#known.set(id, saved);
          return saved;
        } catch (error) {
          const theirs = error instanceof ApiError ? this.#way.current(error.problem.current) : null;
          if (!theirs) throw error;
          this.#known.set(id, theirs);
          if (clashes(seen.document, theirs.document)) throw new ChangedElsewhere(theirs, mine);
          now = theirs;
        }
      }
    });
    this.#queue = turn.catch(() => undefined);
    return turn;
  }
}
