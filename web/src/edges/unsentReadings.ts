import type { LogReading } from '@joulemetric/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { ApiError, api } from './api.ts';
import { sendPhoto } from './photo.ts';

/** A reading that the server has not got yet. */
export interface UnsentReading {
  readonly logId: string;
  readonly reading: LogReading & { readonly id: string };
  /** A photo that goes with it and has not been sent yet. */
  readonly photo?: { readonly jobId: string; readonly file: Blob };
}

interface Schema extends DBSchema {
  unsent: { key: number; value: UnsentReading };
}

/** What is told to whoever shows it. */
export interface UnsentState {
  readonly waiting: readonly UnsentReading[];
  /** Why the server does not take the first of them; null = it was not asked, or there is no signal. */
  readonly problem: string | null;
  /** Readings that the server has got since the page was opened. */
  readonly sent: number;
}

/** How readings and photos reach the server; a photo resolves with its id there. */
interface Way {
  readonly readings: (logId: string, readings: readonly UnsentReading['reading'][]) => Promise<unknown>;
  readonly photo: (jobId: string, file: Blob) => Promise<string>;
}

/** ms after which what waits is sent again without being asked. */
const AGAIN_MS = 5000;

/**
 * Readings on their way: each is kept in the browser before anything else, and sent in the order in which they were
 * made; the id of each is made here, so that one that is sent twice is there once.
 */
export class UnsentReadings {
  #opened: Promise<IDBPDatabase<Schema>> | null = null;
  #state: UnsentState = { waiting: [], problem: null, sent: 0 };
  #sending = false;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #watchers = new Set<() => void>();
  readonly #way: Way;

  constructor(way: Way) {
    this.#way = way;
  }

  snapshot = (): UnsentState => this.#state;

  watch = (tell: () => void): (() => void) => {
    this.#watchers.add(tell);
    return () => this.#watchers.delete(tell);
  };

  /** Keeps a reading and sends it as soon as it can. */
  async add(unsent: UnsentReading): Promise<void> {
    await (await this.#open()).add('unsent', unsent);
    await this.#look();
    void this.send();
  }

  /** Sends what waits, the oldest first; stops at the first that cannot go. */
  async send(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    clearTimeout(this.#timer);
    let problem: string | null = null;
    try {
      const db = await this.#open();
      for (let cursor = await db.transaction('unsent').store.openCursor(); cursor; ) {
        const { key, value } = cursor;
        const { logId, reading } = value.photo ? await this.#sendPhoto(db, key, value) : value;
        await this.#way.readings(logId, [reading]);
        await db.delete('unsent', key);
        this.#state = { ...this.#state, sent: this.#state.sent + 1 };
        await this.#look();
        cursor = await db.transaction('unsent').store.openCursor();
      }
    } catch (error) {
      if (error instanceof ApiError && !error.isTemporary) problem = error.message;
      this.#timer = setTimeout(() => void this.send(), AGAIN_MS);
    } finally {
      this.#sending = false;
    }
    await this.#look(problem);
  }

  /** Drops the first of them, which the server will not take; of one with a photo only the photo. */
  async dropFirst(): Promise<void> {
    const db = await this.#open();
    const cursor = await db.transaction('unsent').store.openCursor();
    if (cursor) {
      const { photo, ...rest } = cursor.value;
      if (photo) await db.put('unsent', rest, cursor.key);
      else await db.delete('unsent', cursor.key);
    }
    await this.send();
  }

  /** The photo goes first; that it is there is kept before the reading follows, so that it is not sent twice. */
  async #sendPhoto(db: IDBPDatabase<Schema>, key: number, { photo, ...unsent }: UnsentReading): Promise<UnsentReading> {
    if (!photo) return unsent;
    const id = await this.#way.photo(photo.jobId, photo.file);
    const withPhoto = { ...unsent, reading: { ...unsent.reading, photo: id } };
    await db.put('unsent', withPhoto, key);
    return withPhoto;
  }

  async #look(problem: string | null = null): Promise<void> {
    const waiting = await (await this.#open()).getAll('unsent');
    this.#state = { ...this.#state, waiting, problem };
    for (const tell of this.#watchers) tell();
  }

  #open(): Promise<IDBPDatabase<Schema>> {
    this.#opened ??= openDB<Schema>('joulemetric-readings', 1, {
      upgrade: (db) => void db.createObjectStore('unsent', { autoIncrement: true }),
    });
    return this.#opened;
  }
}

export const unsentReadings = new UnsentReadings({
  readings: (logId, readings) => api.addReadings(logId, readings),
  photo: sendPhoto,
});
