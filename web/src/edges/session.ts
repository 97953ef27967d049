import { type Clash, isSame, type Job, mergeParts, withoutLost } from '@joulemetric/core';
import { isStoredJob, type SavedJob, type StoredJob } from './answers.ts';
import { ApiError } from './api.ts';
import { keeping } from './changes.ts';
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
  | { readonly kind: 'conflict'; readonly theirs: StoredJob; readonly clashes: readonly Clash[] }
  | { readonly kind: 'gone' };

/** An undo or redo that would change what somebody else has changed since. */
export interface AskedStep {
  readonly way: Way;
  /** `mine` is what the step would make of it, `theirs` what is there now. */
  readonly clashes: readonly Clash[];
  /** False where it cannot be done at all: what comes out would contradict itself. */
  readonly isPossible: boolean;
}

export interface Snapshot {
  readonly job: Job;
  /** The job before the last edit, for "was …"; null before the first. */
  readonly before: Job | null;
  readonly save: SaveState;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly asked: AskedStep | null;
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

type Way = 'undo' | 'redo';

/** One's own edit, as the job before and after it. Undone on a job that others have changed since, it is merged into it. */
interface Step {
  readonly before: Job;
  readonly after: Job;
}

/**
 * One open job: its edits, their undo, and their way to the server. Writes each edit ahead in the browser, saves by
 * itself, waits out a lost connection, and never overwrites another's version unasked.
 */
export class JobSession {
  readonly id: string;
  /** This session's own name: its waiting edits are kept under it, and only it clears them. */
  readonly #name = newUuid();
  #version: number;
  /** The job as the server has it at `#version`, from which the edits go on; null when not known. */
  #base: Job | null;
  /** One's own edits, the last at the end; what was undone, the next to redo at the end. */
  #past: readonly Step[] = [];
  #future: readonly Step[] = [];
  #asked: AskedStep | null = null;
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
    const last = this.#past.at(-1);
    const continues = last !== undefined && coalesce !== null && coalesce === this.#coalesce;
    if (!continues) this.#before = this.#job;
    this.#past = continues
      ? [...this.#past.slice(0, -1), { before: last.before, after: next }]
      : [...this.#past, { before: this.#job, after: next }].slice(-HISTORY);
    this.#coalesce = coalesce;
    this.#future = [];
    this.#asked = null;
    this.#adopt(next);
  }

  undo(): void {
    this.#turn('undo');
  }

  redo(): void {
    this.#turn('redo');
  }

  /** An undo or redo that was asked about: done over what others changed, only as far as they did not, or not at all. */
  answer(choice: 'over' | 'rest' | 'cancel'): void {
    const asked = this.#asked;
    if (!asked) return;
    this.#asked = null;
    if (choice === 'cancel') this.#set(this.#save);
    else this.#turn(asked.way, choice === 'over' ? 'mine' : 'theirs');
  }

  /**
   * Takes back, or makes again, the last of one's own edits; what others have changed since stays as it is. Where both
   * changed the same part nothing is done before somebody chooses.
   */
  #turn(way: Way, prefer: 'mine' | 'theirs' | null = null): void {
    const [from, to] = way === 'undo' ? [this.#past, this.#future] : [this.#future, this.#past];
    const step = from.at(-1);
    if (!step) return;
    const [is, becomes] = way === 'undo' ? [step.after, step.before] : [step.before, step.after];
    const { job, clashes } =
      is === this.#job ? { job: becomes, clashes: [] } : mergeParts(is, becomes, this.#job, prefer ?? 'mine');
    if ((job === null && prefer !== 'theirs') || (clashes.length > 0 && prefer === null)) {
      this.#asked = { way, clashes, isPossible: job !== null };
      this.#set(this.#save);
      return;
    }
    this.#asked = null;
    const [rest, others] = [from.slice(0, -1), [...to, step].slice(-HISTORY)];
    [this.#past, this.#future] = way === 'undo' ? [rest, others] : [others, rest];
    this.#before = this.#job;
    this.#coalesce = null;
    this.#adopt(job ?? this.#job);
  }

  /** A newer version seen on the server: taken over when nothing here is unsaved, otherwise asked about. */
  seen(stored: StoredJob): void {
    if (stored.version <= this.#version || this.#inFlight) return;
    if (this.#unsaved > 0) {
      this.#conflict(stored);
      return;
    }
    this.#follow(stored);
    this.#show(stored.job);
    this.#set({ kind: 'saved', at: new Date(stored.updatedAt) });
  }

  /** Conflict: where both changed the same part mine counts; what else they changed stays. */
  keepMine(): void {
    if (this.#save.kind !== 'conflict') return;
    const { theirs } = this.#save;
    this.#show(this.#mergedWith(theirs, 'mine').job ?? this.#job);
    this.#goOnFrom(theirs);
  }

  /** Conflict: where both changed the same part theirs counts; mine stays one undo away. */
  takeTheirs(): void {
    if (this.#save.kind !== 'conflict') return;
    const { theirs } = this.#save;
    const mine = this.#mergedWith(theirs, 'mine').job ?? this.#job;
    this.#show(this.#mergedWith(theirs, 'theirs').job ?? theirs.job);
    this.#past = [...this.#past, { before: mine, after: this.#job }];
    this.#future = [];
    this.#goOnFrom(theirs);
  }

  /** Conflict, or the job is gone: mine becomes a job of its own; resolves with its id. */
  async keepBoth(): Promise<string> {
    const stored = await this.#edges.server.createJob(this.#copyId, copyOf(this.#job));
    if (this.#save.kind === 'conflict') {
      const { theirs } = this.#save;
      this.#show(theirs.job);
      this.#goOnFrom(theirs);
    }
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

  /** Edits left by another session are made here, over what was changed in the same parts; one undo takes them back. */
  takeLeft(left: Waiting): void {
    this.apply((job) => (left.base && mergeParts(left.base, left.job, job, 'mine').job) ?? left.job);
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
    this.#past = [{ before: joined.base ?? stored.job, after: joined.job }];
    this.#job = joined.job;
    this.#unsaved = joined.edits;
    this.#base = joined.base ?? (joined.baseVersion === stored.version ? stored.job : null);
    this.#version = joined.baseVersion;
    this.#writeAhead();
    // Only when they are safe under this session's name are they cleared under the others'.
    void this.#kept.then((safe) => {
      for (const session of joined.from) if (safe) void this.#edges.waiting.clear(session).catch(() => undefined);
    });
    if (joined.baseVersion === stored.version) this.#schedule(0);
    else this.#conflict(stored);
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
    if (code === 'version-conflict' && isStoredJob(current)) {
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

  /** Somebody else has saved: what both changed is put together by itself where they changed different parts. */
  #conflict(theirs: StoredJob): void {
    this.#cancelTimer();
    // When the answer to an earlier save was lost, the conflict is with oneself.
    const mine = [this.#job, ...this.#unanswered].find((job) => isSame(asStored(job), theirs.job));
    if (mine) {
      this.#arrived(theirs, mine, 0);
      return;
    }
    const { job, clashes } = this.#mergedWith(theirs, 'mine');
    if (job === null || clashes.length > 0 || this.#closed) {
      this.#set({ kind: 'conflict', theirs, clashes });
      return;
    }
    this.#show(job);
    this.#goOnFrom(theirs);
  }

  /** What is here and what somebody else has saved; without a known base nothing can be told apart. */
  #mergedWith({ job }: StoredJob, prefer: 'mine' | 'theirs') {
    return this.#base ? mergeParts(this.#base, this.#job, job, prefer) : { job: null, clashes: [] };
  }

  /** The job becomes another without an edit of one's own: what did not change stays the very object it was. */
  #show(job: Job): void {
    this.#before = this.#job;
    this.#coalesce = null;
    this.#asked = null;
    this.#job = keeping(this.#job, job);
  }

  /** Edits go on from a version that somebody else saved. */
  #goOnFrom(theirs: StoredJob): void {
    this.#follow(theirs);
    if (isSame(this.#job, theirs.job)) {
      this.#settled(new Date(theirs.updatedAt));
      return;
    }
    this.#unsaved = Math.max(1, this.#unsaved);
    this.#save = { kind: 'saving' };
    this.#writeAhead();
    this.#schedule(0);
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
      asked: this.#asked,
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
