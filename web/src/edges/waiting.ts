import type { Job } from '@joulemetric/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Edits that the server has not got yet, written ahead so that a closed tab or a dead browser loses nothing. */
export interface Waiting {
  /** The session that made them; each keeps its own record, and nobody else clears it. */
  readonly session: string;
  readonly jobId: string;
  readonly baseVersion: number;
  /** The job as the server had it at that version; null when not known (kept by an older program). */
  readonly base: Job | null;
  readonly job: Job;
  readonly edits: number;
  /** ISO 8601. */
  readonly at: string;
}

/** Something that was kept and cannot be read any more: shown as the text it is, never thrown away unasked. */
export interface Torn {
  readonly session: string;
  readonly jobId: string;
  readonly text: string;
}

/** What sessions that have ended left behind. */
export interface Left {
  readonly waiting: readonly Waiting[];
  readonly torn: readonly Torn[];
}

export interface WaitingStore {
  /** Keeps the newest edits of a session; rejects when the browser cannot. */
  write(waiting: Waiting): Promise<void>;
  clear(session: string): Promise<void>;
  /** What sessions that have ended left of a job, or of all jobs; the oldest first. */
  left(jobId?: string): Promise<Left>;
  /** Says that a session lives, until the returned function is called. */
  live(session: string): () => void;
}

interface Kept {
  readonly session: string;
  readonly jobId: string;
  readonly at: string;
  /** A `Waiting` as JSON: one copy of a text costs less than cloning a job, and what is torn stays visible. */
  readonly text: string;
}

/** What a session still wants to have written; one write at a time. */
interface Queue {
  next: Waiting | 'clear' | null;
  running: Promise<void> | null;
}

interface Schema extends DBSchema {
  waiting: { key: string; value: Kept; indexes: { job: string } };
}

const LEGACY = 'joulemetric:pending:';
const lockOf = (session: string): string => `joulemetric:session:${session}`;

/** The browser's own store. */
export class BrowserWaiting implements WaitingStore {
  #opened: Promise<IDBPDatabase<Schema>> | null = null;
  readonly #queues = new Map<string, Queue>();

  /** Of edits that come faster than the disk only the newest is written; resolves when it is safe. */
  write(waiting: Waiting): Promise<void> {
    return this.#enqueue(waiting.session, waiting);
  }

  /** Takes its turn behind what is being written, and gives way to edits that come after it. */
  clear(session: string): Promise<void> {
    return this.#enqueue(session, 'clear');
  }

  #enqueue(session: string, next: Waiting | 'clear'): Promise<void> {
    const queue = this.#queues.get(session) ?? { next: null, running: null };
    this.#queues.set(session, queue);
    queue.next = next;
    queue.running ??= this.#run(session, queue);
    return queue.running;
  }

  async #run(session: string, queue: Queue): Promise<void> {
    try {
      for (let next = queue.next; next; next = queue.next) {
        queue.next = null;
        await (next === 'clear' ? this.#delete(session) : this.#put(next));
      }
      this.#queues.delete(session);
    } finally {
      queue.running = null;
    }
  }

  async #put(waiting: Waiting): Promise<void> {
    const { session, jobId, at } = waiting;
    const db = await this.#open();
    const transaction = db.transaction('waiting', 'readwrite', { durability: 'strict' });
    const kept = { session, jobId, at, text: JSON.stringify(waiting) };
    await Promise.all([transaction.store.put(kept), transaction.done]);
  }

  async #delete(session: string): Promise<void> {
    await (await this.#open()).delete('waiting', session);
  }

  async left(jobId?: string): Promise<Left> {
    const db = await this.#open();
    await this.#takeLegacy(db);
    const kept = jobId === undefined ? await db.getAll('waiting') : await db.getAllFromIndex('waiting', 'job', jobId);
    const alive = await livingSessions();
    const dead = kept.filter(({ session }) => !alive.has(session)).sort((a, b) => a.at.localeCompare(b.at));
    const read = await Promise.all(dead.map(async (one) => ({ one, waiting: await readWaiting(one) })));
    return {
      waiting: read.flatMap(({ waiting }) => (waiting === 'not now' ? [] : (waiting ?? []))),
      torn: read.flatMap(({ one, waiting }) => (waiting ? [] : one)),
    };
  }

  live(session: string): () => void {
    let release = (): void => {};
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    // Without locks (a page that is not a secure context) every record counts as left; equal saves then settle it.
    void navigator.locks?.request(lockOf(session), () => held).catch(() => undefined);
    return release;
  }

  #open(): Promise<IDBPDatabase<Schema>> {
    this.#opened ??= openDB<Schema>('joulemetric', 1, {
      upgrade(db) {
        db.createObjectStore('waiting', { keyPath: 'session' }).createIndex('job', 'jobId');
      },
      terminated: () => {
        this.#opened = null;
      },
    }).catch((error) => {
      this.#opened = null;
      throw error;
    });
    return this.#opened;
  }

  /** What an older program kept elsewhere: moved here as it is, then taken out there. */
  async #takeLegacy(db: IDBPDatabase<Schema>): Promise<void> {
    const keys = Object.keys(localStorage).filter((key) => key.startsWith(LEGACY));
    for (const key of keys) {
      const jobId = key.slice(LEGACY.length);
      const session = `earlier-${jobId}`;
      await db.put('waiting', { session, jobId, at: '', text: localStorage.getItem(key) ?? '' });
      localStorage.removeItem(key);
    }
  }
}

async function livingSessions(): Promise<ReadonlySet<string>> {
  const locks = await navigator.locks?.query();
  const names = (locks?.held ?? []).map(({ name }) => name ?? '');
  return new Set(names.map((name) => name.slice(lockOf('').length)));
}

/**
 * The edits of a record brought to today's form; null when they cannot be read. What an older program kept, and what
 * brings it forward cannot be fetched now, stays for the next time.
 */
async function readWaiting({ session, jobId, at, text }: Kept): Promise<Waiting | 'not now' | null> {
  try {
    const { baseVersion, base, job, edits } = JSON.parse(text) as Partial<Waiting>;
    const [newest, newestBase] = [await broughtForward(job), await broughtForward(base)];
    if (newest === 'not now' || newestBase === 'not now') return 'not now';
    if (!newest || typeof baseVersion !== 'number') return null;
    return { session, jobId, at, baseVersion, base: newestBase, job: newest, edits: edits ?? 1 };
  } catch {
    return null;
  }
}

/** The tab may have been closed before the program was updated. */
async function broughtForward(job: Job | null | undefined): Promise<Job | 'not now' | null> {
  if (!job) return null;
  const older = await import('./older.ts').catch(() => null);
  return older ? older.inTodaysForm(job) : 'not now';
}

export const browserWaiting = new BrowserWaiting();
