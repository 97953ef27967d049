import { Worker } from 'node:worker_threads';
import type { Logger } from 'pino';
import type { Database } from '../database.ts';
import { readJob } from '../queries/job.ts';
import { saveSummary } from '../queries/summary.ts';
import type { JobSummary } from './summarise.ts';

/** ms that a summary may take; a job that takes longer is listed without. */
const LONGEST_MS = 10_000;
/** ms after which the idle thread is let go. */
const IDLE_MS = 60_000;
/** Jobs that may wait; more are taken up when the list is next asked for. */
const MOST_WAITING = 500;

/** Reckons what lists say of jobs, one after the other and off the requests' thread; each job once however often it is asked for. */
export class Summaries {
  readonly #waiting = new Map<string, { workspace: string; id: string }>();
  readonly #db: Database;
  readonly #log: Logger;
  #worker: Worker | null = null;
  #running = false;
  #closed = false;
  #idle: NodeJS.Timeout | undefined;

  constructor(db: Database, log: Logger) {
    this.#db = db;
    this.#log = log;
  }

  /** A job that was saved, or is listed without its summary. */
  want(workspace: string, id: string): void {
    if (this.#closed || this.#waiting.size >= MOST_WAITING) return;
    this.#waiting.set(id, { workspace, id });
    if (!this.#running) void this.#run();
  }

  close(): void {
    this.#closed = true;
    clearTimeout(this.#idle);
    this.#waiting.clear();
    void this.#worker?.terminate();
  }

  async #run(): Promise<void> {
    this.#running = true;
    clearTimeout(this.#idle);
    for (const [key, { workspace, id }] of this.#waiting) {
      this.#waiting.delete(key);
      try {
        const stored = await readJob(this.#db, workspace, id);
        if (!stored) continue;
        const summary = (await this.#reckon(stored.text)) ?? {};
        if (!this.#closed) await saveSummary(this.#db, workspace, id, stored.version, summary);
      } catch (error) {
        // The database is away: the list asks again.
        this.#log.warn({ code: (error as { code?: unknown }).code }, 'summary left out');
      }
    }
    this.#running = false;
    this.#idle = setTimeout(() => this.#drop(), IDLE_MS).unref();
  }

  #reckon(text: string): Promise<JobSummary | null> {
    const worker = this.#worker ?? this.#start();
    return new Promise((resolve) => {
      const settle = (answer: { summary: JobSummary | null } | null) => {
        clearTimeout(late);
        worker.off('message', settle);
        worker.off('exit', gone);
        resolve(answer?.summary ?? null);
      };
      const gone = () => {
        if (this.#worker === worker) this.#worker = null;
        settle(null);
      };
      const late = setTimeout(() => this.#drop(), LONGEST_MS);
      worker.on('message', settle);
      worker.on('exit', gone);
      worker.postMessage({ text });
    });
  }

  #start(): Worker {
    const worker = new Worker(new URL('./summary.worker.ts', import.meta.url), { execArgv: ['--import', 'tsx'] });
    worker.on('error', (error) => this.#log.warn({ type: error.name }, 'summary thread lost'));
    worker.unref();
    this.#worker = worker;
    return worker;
  }

  #drop(): void {
    void this.#worker?.terminate();
    this.#worker = null;
  }
}
