import type { Logger } from 'pino';
import type { Database } from '../database.ts';
import { Helper } from '../helper.ts';
import { readJob } from '../queries/job.ts';
import { saveSummary } from '../queries/summary.ts';
import type { Summarised, ToSummarise } from './summariser.ts';

/** ms that a summary may take; a job that takes longer is listed without. */
const LONGEST_MS = 10_000;
/** Jobs that may wait; more are taken up when the list is next asked for. */
const MOST_WAITING = 500;

/** ms without another save after which a job is summed up: whoever edits saves every few seconds. */
const QUIET_MS = 2000;

/** Reckons what lists say of jobs, one after the other and in a process of their own; each job once however often it is asked for. */
export class Summaries {
  readonly #waiting = new Map<string, { workspace: string; id: string }>();
  readonly #db: Database;
  readonly #log: Logger;
  readonly #helper = new Helper<ToSummarise, Summarised>(new URL('./summariser.ts', import.meta.url), LONGEST_MS);
  /** Jobs that were saved lately. */
  readonly #edited = new Map<string, NodeJS.Timeout>();
  #running = false;
  #closed = false;

  constructor(db: Database, log: Logger) {
    this.#db = db;
    this.#log = log;
  }

  /** A job that was saved: it is summed up once it rests. */
  saved(workspace: string, id: string): void {
    if (this.#edited.size >= MOST_WAITING) return;
    clearTimeout(this.#edited.get(id));
    this.#edited.set(id, setTimeout(() => this.want(workspace, id), QUIET_MS).unref());
  }

  /** A job that is listed without its summary. */
  want(workspace: string, id: string): void {
    clearTimeout(this.#edited.get(id));
    this.#edited.delete(id);
    if (this.#closed || this.#waiting.size >= MOST_WAITING) return;
    this.#waiting.set(id, { workspace, id });
    if (!this.#running) void this.#run();
  }

  close(): void {
    this.#closed = true;
    this.#waiting.clear();
    for (const timer of this.#edited.values()) clearTimeout(timer);
    this.#helper.close();
  }

  async #run(): Promise<void> {
    this.#running = true;
    for (const [key, { workspace, id }] of this.#waiting) {
      this.#waiting.delete(key);
      try {
        const stored = await readJob(this.#db, workspace, id);
        if (!stored) continue;
        const answer = await this.#helper.ask({ text: stored.text });
        const summary = answer?.summary ?? {};
        if (!this.#closed) await saveSummary(this.#db, workspace, id, stored.version, summary);
      } catch (error) {
        // The database is away: the list asks again.
        this.#log.warn({ code: (error as { code?: unknown }).code }, 'summary left out');
      }
    }
    this.#running = false;
  }
}
