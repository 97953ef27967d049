import type { Job } from '@joulemetric/core';
import { ApiError, type StoredJob } from './api.ts';
import type { Clock } from './clock.ts';
import type { PendingStore } from './pending.ts';

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
}

interface Server {
  saveJob(id: string, seenVersion: number, job: Job): Promise<StoredJob>;
  createJob(job: Job): Promise<StoredJob>;
}

const SAVE_AFTER_MS = 400;
const RETRY_AFTER_MS = 2000;
const HISTORY = 200;

/**
 * One open job: its edits, their undo, and their way to the server. Saves by itself after each edit, keeps
 * unsaved edits in the browser, waits out a lost connection, and never overwrites another's version unasked.
 */
export class JobSession {
  readonly id: string;
  #version: number;
  #past: Job[] = [];
  #future: Job[] = [];
  #job: Job;
  #before: Job | null = null;
  #save: SaveState;
  #unsaved = 0;
  #coalesce: string | null = null;
  #cancelTimer: () => void = () => {};
  #inFlight = false;
  #closed = false;
  #listeners = new Set<() => void>();
  #snapshot: Snapshot;
  readonly #edges: { server: Server; pending: PendingStore; clock: Clock };

  constructor(stored: StoredJob, edges: { server: Server; pending: PendingStore; clock: Clock }) {
    this.id = stored.id;
    this.#version = stored.version;
    this.#job = stored.job;
    this.#edges = edges;
    this.#save = { kind: 'saved', at: new Date(stored.updatedAt) };
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
    const next = command(this.#job);
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
      this.#set({ kind: 'conflict', theirs: stored });
      return;
    }
    this.#version = stored.version;
    this.#before = this.#job;
    this.#job = stored.job;
    this.#set({ kind: 'saved', at: new Date(stored.updatedAt) });
  }

  /** Conflict: my version is saved over theirs, knowingly. */
  keepMine(): void {
    if (this.#save.kind !== 'conflict') return;
    this.#version = this.#save.theirs.version;
    this.#schedule(0);
  }

  /** Conflict: theirs is taken; mine stays one undo away. */
  takeTheirs(): void {
    if (this.#save.kind !== 'conflict') return;
    const { theirs } = this.#save;
    this.#past = [...this.#past, this.#job];
    this.#before = this.#job;
    this.#job = theirs.job;
    this.#version = theirs.version;
    this.#unsaved = 0;
    this.#edges.pending.clear(this.id);
    this.#set({ kind: 'saved', at: new Date(theirs.updatedAt) });
  }

  /** Conflict, or the job is gone: mine becomes a job of its own; resolves with its id. */
  async keepBoth(): Promise<string> {
    const copy = { ...this.#job, title: `${this.#job.title} (mine)`.slice(0, 120) };
    const stored = await this.#edges.server.createJob(copy);
    this.takeTheirs();
    this.#edges.pending.clear(this.id);
    return stored.id;
  }

  /** Tries at once, as when the connection has come back. */
  retry(): void {
    if (this.#save.kind === 'waiting') this.#schedule(0);
  }

  /** A page shows it: saves are tried again until it is closed. React's strict mode closes and opens once more. */
  open(): void {
    this.#closed = false;
  }

  close(): void {
    this.#closed = true;
    if (this.#unsaved > 0 && this.#save.kind !== 'conflict') void this.#push();
    this.#cancelTimer();
  }

  /** Edits left from an earlier visit: sent on when nobody has edited since, otherwise asked about. */
  #resume(stored: StoredJob): void {
    const pending = this.#edges.pending.read(stored.id);
    if (!pending) return;
    this.#past = [stored.job];
    this.#job = pending.job;
    this.#unsaved = 1;
    if (pending.baseVersion === stored.version) this.#schedule(0);
    else this.#set({ kind: 'conflict', theirs: stored });
  }

  #step(job: Job): void {
    this.#before = this.#job;
    this.#coalesce = null;
    this.#adopt(job);
  }

  #adopt(job: Job): void {
    this.#job = job;
    this.#unsaved += 1;
    this.#edges.pending.write(this.id, { baseVersion: this.#version, job });
    if (this.#save.kind === 'conflict' || this.#save.kind === 'gone') this.#set(this.#save);
    else this.#schedule(SAVE_AFTER_MS);
  }

  #schedule(ms: number): void {
    this.#cancelTimer();
    this.#cancelTimer = this.#edges.clock.after(ms, () => void this.#push());
    const waiting = this.#save.kind === 'waiting';
    this.#set(waiting ? { ...this.#waiting(), edits: this.#unsaved } : { kind: 'saving' });
  }

  #waiting(): Extract<SaveState, { kind: 'waiting' }> {
    return this.#save.kind === 'waiting' ? this.#save : { kind: 'waiting', edits: this.#unsaved, reason: '' };
  }

  async #push(): Promise<void> {
    if (this.#inFlight) return;
    this.#inFlight = true;
    const sent = this.#job;
    const sentEdits = this.#unsaved;
    try {
      const stored = await this.#edges.server.saveJob(this.id, this.#version, sent);
      this.#inFlight = false;
      this.#version = stored.version;
      this.#unsaved -= sentEdits;
      if (this.#job !== sent) {
        this.#edges.pending.write(this.id, { baseVersion: this.#version, job: this.#job });
        if (!this.#closed) this.#schedule(SAVE_AFTER_MS);
        return;
      }
      this.#edges.pending.clear(this.id);
      this.#set({ kind: 'saved', at: this.#edges.clock.now() });
    } catch (error) {
      this.#inFlight = false;
      this.#failed(error);
    }
  }

  #failed(error: unknown): void {
    if (!(error instanceof ApiError)) throw error;
    this.#set(this.#afterRefusal(error));
    if (!error.isTemporary) return;
    this.#cancelTimer();
    if (!this.#closed) this.#cancelTimer = this.#edges.clock.after(RETRY_AFTER_MS, () => void this.#push());
  }

  #afterRefusal(error: ApiError): SaveState {
    const { code, current } = error.problem;
    if (code === 'version-conflict' && current) return { kind: 'conflict', theirs: current };
    if (code === 'unknown-job') return { kind: 'gone' };
    if (!error.isTemporary) return { kind: 'refused', reason: error.message };
    const reason = code === 'unreachable' ? 'no connection' : 'the database does not answer';
    return { kind: 'waiting', edits: this.#unsaved, reason };
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
    };
  }
}
