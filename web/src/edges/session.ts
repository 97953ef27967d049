import { isSame, type Job, withoutLost } from '@joulemetric/core';
import { ApiError, type SavedJob, type StoredJob } from './api.ts';
import type { Clock } from './clock.ts';
import { joinLeft } from './joinLeft.ts';
import { newUuid } from './uuid.ts';
import type { Left, Torn, Waiting, WaitingStore } from './waiting.ts';

/** Where the edits of this browser stand. */
export type SaveState =
  | { readonly kind: 'saved'; readonly at: Date }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly edits: number; readonly reason: string }
  | { readonly kind: 'refused'; readonly reason: string }
  | { readonly kind: 'conflict'; readonly theirs: StoredJob }
  | { readonly kind: 'gone' };

export interface Snapshot {
  readonly job: Job;
  /** The job before the last edit, for "was …"; null before the first. */
  readonly before: Job | null;
  readonly save: SaveState;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  /** The browser could not keep the newest edits: until they are saved they are in this page alone. */
  readonly unkept: boolean;
  /** Edits of other sessions of this browser that could not be put together with these, and what cannot be read. */
  readonly left: readonly Waiting[];
  readonly torn: readonly Torn[];
}

interface Server {
  saveJob(id: string, seenVersion: number, job: Job): Promise<SavedJob>;
  createJob(id: string, job: Job): Promise<StoredJob>;
}

interface Edges {
  readonly server: Server;
  readonly waiting: WaitingStore;
  readonly clock: Clock;
}

const SAVE_AFTER_MS = 400;
/** First wait after a failed save, doubled at each further one up to the longest. */
const RETRY_AFTER_MS = 2000;
const RETRY_LONGEST_MS = 30_000;
const HISTORY = 200;

const NOTHING: Left = { waiting: [], torn: [] };

/**
 * One open job: its edits, their undo, and their way to the server. Writes each edit ahead in the browser, saves by
 * itself, waits out a lost connection, and never overwrites another's version unasked.
 */
export class JobSession {
  readonly id: string;
  /** This session's own name: its waiting edits are kept under it, and only it clears them. */
  readonly #name = newUuid();
  #version: number;
  /** The job as the server has it at `#version`, from which the edits go on. */
  #base: Job;
  #past: Job[] = [];
  #future: Job[] = [];
  #job: Job;
  #before: Job | null = null;
  #save: SaveState;
  #unsaved = 0;
  #unkept = false;
  #left: readonly Waiting[];
  #torn: readonly Torn[];
  #coalesce: string | null = null;
  #cancelTimer: () => void = () => {};
  #failures = 0;
  /** Sent, with the answer lost: the server may have them. */
  #unanswered: Job[] = [];
  #inFlight = false;
  #closed = false;
  readonly #release: () => void;
  #listeners = new Set<() => void>();
  #snapshot: Snapshot;
  readonly #edges: Edges;
  /** The id of the job that "Keep both" makes: pressed twice, it is made once. */
  readonly #copyId = newUuid();

  /** @param left what sessions of this browser that have ended left of this job */
  constructor(stored: StoredJob, edges: Edges, left: Left = NOTHING) {
    this.id = stored.id;
    this.#version = stored.version;
    this.#base = stored.job;
    this.#job = stored.job;
    this.#edges = edges;
    this.#release = edges.waiting.live(this.#name);
    this.#save = { kind: 'saved', at: new Date(stored.updatedAt) };
    this.#left = left.waiting;
    this.#torn = left.torn;
    this.#snapshot = this.#take();
    this.#resume(stored);
  }

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  snapshot = (): Snapshot => this.#snapshot;

  /**
   * Applies a command: old job → new job. Edits with the same `coalesce` key in a row (typing in one field)
   * are one step of undo.
   */
  apply(command: (job: Job) => Job, coalesce: string | null = null): void {
    // What led to, or was joined with, what an edit took away goes with it.
    const next = withoutLost(command(this.#job));
    if (next === this.#job) return;
    const continues = coalesce !== null && coalesce === this.#coalesce;
    if (!continues) {
      this.#past = [...this.#past, this.#job].slice(-HISTORY);
      this.#before = this.#job;
    }
    this.#coalesce = coalesce;
    this.#future = [];
    this.#adopt(next);
  }

  undo(): void {
    const previous = this.#past.at(-1);
    if (!previous) return;
    this.#past = this.#past.slice(0, -1);
    this.#future = [this.#job, ...this.#future];
    this.#step(previous);
  }

  redo(): void {
    const [next, ...rest] = this.#future;
    if (!next) return;
    this.#future = rest;
    this.#past = [...this.#past, this.#job];
    this.#step(next);
  }

  /** A newer version seen on the server: taken over when nothing here is unsaved, otherwise asked about. */
  seen(stored: StoredJob): void {
    if (stored.version <= this.#version || this.#inFlight) return;
    if (this.#unsaved > 0) {
      this.#conflict(stored);
      return;
    }
    this.#follow(stored);
    this.#before = this.#job;
    this.#job = stored.job;
    this.#set({ kind: 'saved', at: new Date(stored.updatedAt) });
  }

  /** Conflict: my version is saved over theirs, knowingly. */
  keepMine(): void {
    if (this.#save.kind !== 'conflict') return;
    this.#follow(this.#save.theirs);
    this.#schedule(0);
  }

  /** Conflict: theirs is taken; mine stays one undo away. */
  takeTheirs(): void {
    if (this.#save.kind !== 'conflict') return;
    const { theirs } = this.#save;
    this.#past = [...this.#past, this.#job];
    this.#before = this.#job;
    this.#job = theirs.job;
    this.#follow(theirs);
    this.#settled(new Date(theirs.updatedAt));
  }

  /** Conflict, or the job is gone: mine becomes a job of its own; resolves with its id. */
  async keepBoth(): Promise<string> {
    const stored = await this.#edges.server.createJob(this.#copyId, copyOf(this.#job));
    this.takeTheirs();
    await this.#edges.waiting.clear(this.#name);
    return stored.id;
  }

  /** The job is gone and is to stay so: what waits of it is let go. */
  letGo(): Promise<void> {
    this.#unsaved = 0;
    return this.#edges.waiting.clear(this.#name);
  }

  /** Edits left by another session become a job of their own; resolves with its id. */
  async keepLeft(left: Waiting): Promise<string> {
    // Its session's name is its own: pressed twice, the job is made once.
    const stored = await this.#edges.server.createJob(jobIdOf(left), copyOf(left.job));
    this.dropLeft(left.session);
    return stored.id;
  }

  /** Edits left by another session take the place of what is here, one undo away from it. */
  takeLeft(left: Waiting): void {
    this.apply(() => left.job);
    void this.#kept.then((safe) => safe && this.dropLeft(left.session));
  }

  dropLeft(session: string): void {
    this.#left = this.#left.filter((other) => other.session !== session);
    this.#torn = this.#torn.filter((other) => other.session !== session);
    void this.#edges.waiting.clear(session).catch(() => undefined);
    this.#set(this.#save);
  }

  /** Tries at once, as when the connection has come back. */
  retry(): void {
    if (this.#save.kind === 'waiting') this.#schedule(0);
  }

  /** The page leaves the job: what is unsaved is sent once more, and what cannot be waits for the next visit. */
  close(): void {
    this.#closed = true;
    this.#cancelTimer();
    const last = this.#unsaved > 0 && this.#save.kind !== 'conflict' ? this.#push() : Promise.resolve();
    void last.finally(this.#release);
  }

  /** Edits left from earlier visits: put together and sent on when nobody has edited since, otherwise asked about. */
  #resume(stored: StoredJob): void {
    const { joined, apart, settled } = joinLeft(this.#left, stored);
    this.#left = apart;
    for (const session of settled) void this.#edges.waiting.clear(session).catch(() => undefined);
    if (!joined) {
      this.#set(this.#save);
      return;
    }
    this.#past = [stored.job];
    this.#job = joined.job;
    this.#unsaved = joined.edits;
    this.#base = joined.base ?? stored.job;
    this.#version = joined.baseVersion;
    this.#writeAhead();
    // Only when they are safe under this session's name are they cleared under the others'.
    void this.#kept.then((safe) => {
      for (const session of joined.from) if (safe) void this.#edges.waiting.clear(session).catch(() => undefined);
    });
    if (joined.baseVersion === stored.version) this.#schedule(0);
    else this.#conflict(stored);
  }

  #step(job: Job): void {
    this.#before = this.#job;
    this.#coalesce = null;
    this.#adopt(job);
  }

  #adopt(job: Job): void {
    this.#job = job;
    this.#unsaved += 1;
    this.#writeAhead();
    if (this.#save.kind === 'conflict' || this.#save.kind === 'gone') this.#set(this.#save);
    else this.#schedule(SAVE_AFTER_MS);
  }

  /** Resolves with whether the newest edits are safe in the browser. */
  #kept: Promise<boolean> = Promise.resolve(true);

  #writeAhead(): void {
    const waiting: Waiting = {
      session: this.#name,
      jobId: this.id,
      baseVersion: this.#version,
      base: this.#base,
      job: this.#job,
      edits: this.#unsaved,
      at: this.#edges.clock.now().toISOString(),
    };
    this.#kept = this.#edges.waiting.write(waiting).then(
      () => true,
      () => false,
    );
    void this.#kept.then((safe) => {
      if (this.#unkept === !safe) return;
      this.#unkept = !safe;
      this.#set(this.#save);
    });
  }

  /** From now on edits go on from what the server has. */
  #follow({ version, job }: StoredJob): void {
    this.#version = version;
    this.#base = job;
    this.#unanswered = [];
  }

  #settled(at: Date): void {
    this.#unsaved = 0;
    this.#unkept = false;
    void this.#edges.waiting.clear(this.#name).catch(() => undefined);
    this.#set({ kind: 'saved', at });
  }

  #schedule(ms: number): void {
    this.#cancelTimer();
    this.#cancelTimer = this.#edges.clock.after(ms, () => void this.#push());
    const { kind } = this.#save;
    this.#set(kind === 'waiting' ? { ...this.#save, edits: this.#unsaved } : { kind: 'saving' });
  }

  async #push(): Promise<void> {
    if (this.#inFlight) return;
    this.#inFlight = true;
    const sent = this.#job;
    const sentEdits = this.#unsaved;
    try {
      const stored = await this.#edges.server.saveJob(this.id, this.#version, sent);
      this.#inFlight = false;
      this.#arrived({ ...stored, job: sent }, sent, sentEdits);
    } catch (error) {
      this.#inFlight = false;
      this.#failed(error, sent);
    }
  }

  /** The server has what was sent; what has been edited since goes after it. */
  #arrived(stored: StoredJob, sent: Job, sentEdits: number): void {
    this.#failures = 0;
    this.#follow(stored);
    if (this.#job === sent) {
      this.#settled(this.#edges.clock.now());
      return;
    }
    this.#unsaved = Math.max(1, this.#unsaved - sentEdits);
    this.#save = { kind: 'saving' };
    this.#writeAhead();
    if (!this.#closed) this.#schedule(SAVE_AFTER_MS);
  }

  #failed(error: unknown, sent: Job): void {
    if (!(error instanceof ApiError)) throw error;
    const { code, current } = error.problem;
    if (code === 'version-conflict' && current) {
      this.#unanswered = [...this.#unanswered, sent];
      this.#conflict(current);
    } else if (code === 'unknown-job') this.#set({ kind: 'gone' });
    else if (error.isTemporary) this.#tryAgain(error, sent);
    else this.#set({ kind: 'refused', reason: error.message });
  }

  #tryAgain(error: ApiError, sent: Job): void {
    this.#unanswered = [...this.#unanswered, sent].slice(-5);
    this.#set({ kind: 'waiting', edits: this.#unsaved, reason: reasonOf(error) });
    this.#cancelTimer();
    if (this.#closed) return;
    const wait = Math.min(RETRY_LONGEST_MS, RETRY_AFTER_MS * 2 ** this.#failures);
    this.#failures += 1;
    this.#cancelTimer = this.#edges.clock.after(wait, () => void this.#push());
  }

  #conflict(theirs: StoredJob): void {
    this.#cancelTimer();
    // When the answer to an earlier save was lost, the conflict is with oneself.
    const mine = [this.#job, ...this.#unanswered].find((job) => isSame(asStored(job), theirs.job));
    if (mine) this.#arrived(theirs, mine, 0);
    else this.#set({ kind: 'conflict', theirs });
  }

  #set(save: SaveState): void {
    this.#save = save;
    this.#snapshot = this.#take();
    for (const listener of this.#listeners) listener();
  }

  #take(): Snapshot {
    return {
      job: this.#job,
      before: this.#before,
      save: this.#save,
      canUndo: this.#past.length > 0,
      canRedo: this.#future.length > 0,
      unkept: this.#unkept,
      left: this.#left,
      torn: this.#torn,
    };
  }
}

const copyOf = (job: Job): Job => ({ ...job, title: `${job.title} (mine)`.slice(0, 120) });

/** A job as it comes back from the server: what JSON leaves out is left out. */
const asStored = (job: Job): unknown => JSON.parse(JSON.stringify(job));

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
const jobIdOf = ({ session }: Waiting): string => (UUID.test(session) ? session : newUuid());

function reasonOf({ problem: { code, status } }: ApiError): string {
  if (code === 'unreachable') return 'no connection';
  if (code === 'database-unreachable') return 'the database does not answer';
  if (code === 'database-busy') return 'the database cannot take it just now';
  if (status === 429) return 'too many requests at once';
  return 'the server has a fault';
}
