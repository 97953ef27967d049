import type { LogReading } from '@joulemetric/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { ApiError, api } from './api.ts';
import { newUuid } from './uuid.ts';

/** Something for the server that it has not got yet; its id is made by this page, so that sent twice it is there once. */
export type Outgoing =
  | { readonly kind: 'reading'; readonly id: string; readonly logId: string; readonly reading: LogReading }
  | { readonly kind: 'photo'; readonly id: string; readonly jobId: string; readonly file: Blob };

export interface Unsent {
  readonly item: Outgoing;
  /** Why the server does not accept it; null = it was not asked yet, or there is no signal. */
  readonly problem: string | null;
  /** The browser's storage has it; otherwise it is in this page alone. */
  readonly isKept: boolean;
}

/** What is told to whoever shows it. */
export interface OutboxState {
  readonly waiting: readonly Unsent[];
  /** Readings that the server has got since the page was opened. */
  readonly sent: number;
}

/** How each kind reaches the server. */
type Way = { readonly [K in Outgoing['kind']]: (item: Extract<Outgoing, { kind: K }>) => Promise<unknown> };

interface Schema extends DBSchema {
  outgoing: { key: number; value: Outgoing };
}

/** ms after which what waits is sent again without being asked. */
const AGAIN_MS = 5000;

/** Why something is not accepted, as whoever made it would say it. */
const whyNot = ({ message, problem: { code } }: ApiError): string => GONE[code] ?? message;
const GONE: Readonly<Record<string, string>> = {
  'unknown-log': 'the log was deleted.',
  'unknown-job': 'the job was deleted.',
};

/** Readings of one log go in their order; what the server does not accept holds up nothing of another lane. */
const laneOf = (item: Outgoing): string => (item.kind === 'reading' ? `log ${item.logId}` : `photo ${item.id}`);

/**
 * Readings and photos on their way: each is kept in the browser before anything else and sent as soon as there is an
 * answer. Where the browser cannot keep it, it waits in the page, and is said.
 */
export class Outbox {
  #opened: Promise<IDBPDatabase<Schema>> | null = null;
  /** What the browser's storage refused. */
  #homeless: readonly Outgoing[] = [];
  readonly #problems = new Map<string, string>();
  #state: OutboxState = { waiting: [], sent: 0 };
  #sending = false;
  #sendAgain = false;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #watchers = new Set<() => void>();
  readonly #way: Way;

  constructor(way: Way) {
    this.#way = way;
  }

  snapshot = (): OutboxState => this.#state;

  watch = (tell: () => void): (() => void) => {
    this.#watchers.add(tell);
    return () => this.#watchers.delete(tell);
  };

  /** Keeps something and sends it as soon as it can; resolves when it is kept, or told that it could not be. */
  async add(item: Outgoing): Promise<void> {
    try {
      const db = await this.#open();
      const transaction = db.transaction('outgoing', 'readwrite', { durability: 'strict' });
      await Promise.all([transaction.store.add(item), transaction.done]);
    } catch {
      this.#homeless = [...this.#homeless, item];
    }
    await this.#look();
    void this.send();
  }

  /** Sends what waits; a lane stops at the first that the server does not accept, all stop where nobody answers. */
  async send(): Promise<void> {
    this.#sendAgain = this.#sending;
    if (this.#sending) return;
    this.#sending = true;
    clearTimeout(this.#timer);
    let isLater = false;
    const stopped = new Set<string>();
    const done = new Set<string>();
    for (;;) {
      const next = (await this.#all()).find(({ item }) => !stopped.has(laneOf(item)) && !done.has(item.id));
      if (!next) break;
      const { item } = next;
      try {
        await (this.#way[item.kind] as (item: Outgoing) => Promise<unknown>)(item);
        done.add(item.id);
        await this.#drop(item);
        if (item.kind === 'reading') this.#state = { ...this.#state, sent: this.#state.sent + 1 };
      } catch (error) {
        const isRefused = error instanceof ApiError && !error.isTemporary;
        if (isRefused) this.#problems.set(item.id, whyNot(error));
        isLater ||= !isRefused;
        if (error instanceof ApiError && error.problem.code === 'unreachable') break;
        stopped.add(laneOf(item));
      }
      await this.#look();
    }
    this.#sending = false;
    if (isLater) this.#timer = setTimeout(() => void this.send(), AGAIN_MS);
    await this.#look();
    if (this.#sendAgain) await this.send();
  }

  /** Deletes what the server does not accept, for good. */
  async remove(ids: readonly string[]): Promise<void> {
    for (const { item } of this.#state.waiting) if (ids.includes(item.id)) await this.#drop(item);
    await this.#look();
    await this.send();
  }

  async #drop(item: Outgoing): Promise<void> {
    this.#homeless = this.#homeless.filter(({ id }) => id !== item.id);
    this.#problems.delete(item.id);
    const stored = await this.#stored();
    const keys = stored.filter(([, { id }]) => id === item.id).map(([key]) => key);
    if (keys.length === 0) return;
    const db = await this.#open();
    await Promise.all(keys.map((key) => db.delete('outgoing', key)));
  }

  async #all(): Promise<Unsent[]> {
    const kept = (await this.#stored()).map(([, item]) => item);
    const of =
      (isKept: boolean) =>
      (item: Outgoing): Unsent => ({ item, problem: this.#problems.get(item.id) ?? null, isKept });
    return [...kept.map(of(true)), ...this.#homeless.map(of(false))];
  }

  /** What the browser keeps, the oldest first; nothing where its storage does not answer. */
  async #stored(): Promise<[number, Outgoing][]> {
    try {
      const transaction = (await this.#open()).transaction('outgoing');
      const [keys, items] = await Promise.all([transaction.store.getAllKeys(), transaction.store.getAll()]);
      return keys.flatMap((key, i) => (items[i] ? [[key, items[i]]] : []));
    } catch {
      return [];
    }
  }

  async #look(): Promise<void> {
    this.#state = { ...this.#state, waiting: await this.#all() };
    for (const tell of this.#watchers) tell();
  }

  #open(): Promise<IDBPDatabase<Schema>> {
    this.#opened ??= openDB<Schema>('joulemetric-outbox', 1, {
      upgrade: (db) => void db.createObjectStore('outgoing', { autoIncrement: true }),
      terminated: () => {
        this.#opened = null;
      },
    })
      .then(takeOlder)
      .catch((error) => {
        this.#opened = null;
        throw error;
      });
    return this.#opened;
  }
}

/** A reading as an earlier program kept it, with a photo that had no id yet. */
interface Older {
  readonly logId: string;
  readonly reading: LogReading & { readonly id: string };
  readonly photo?: { readonly jobId: string; readonly file: Blob };
}

const OLDER = 'joulemetric-readings';

/** Moves what an earlier program left waiting into the outbox; what cannot be moved now stays for the next time. */
async function takeOlder(db: IDBPDatabase<Schema>): Promise<IDBPDatabase<Schema>> {
  const names = (await indexedDB.databases?.())?.map(({ name }) => name) ?? [];
  if (!names.includes(OLDER)) return db;
  const older = await openDB<{ unsent: { key: number; value: Older } }>(OLDER);
  try {
    for (const key of await older.getAllKeys('unsent')) {
      const one = await older.get('unsent', key);
      if (!one) continue;
      for (const item of outgoingOf(one)) await db.add('outgoing', item);
      await older.delete('unsent', key);
    }
  } finally {
    older.close();
  }
  return db;
}

function outgoingOf({ logId, reading: { id, ...reading }, photo }: Older): Outgoing[] {
  if (!photo) return [{ kind: 'reading', id, logId, reading }];
  const photoId = newUuid();
  return [
    { kind: 'photo', id: photoId, ...photo },
    { kind: 'reading', id, logId, reading: { ...reading, photo: photoId } },
  ];
}

export const outbox = new Outbox({
  reading: ({ id, logId, reading }) => api.addReadings(logId, [{ ...reading, id }]),
  photo: ({ id, jobId, file }) => api.keepPhoto(jobId, id, file),
});
