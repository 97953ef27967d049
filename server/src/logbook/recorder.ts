import { instrumentReading } from '@joulemetric/core';
import type { Logger } from 'pino';
import type { Database } from '../database.ts';
import {
  MOST_RECORDED,
  type Recorded,
  type RunningInstrument,
  recordReadings,
  runningInstruments,
} from '../queries/instrument.ts';
import { buildBlocks } from '../queries/reading.ts';
import type { Live } from './live.ts';

/** ms between two looks at what is due. */
const LOOK_MS = 500;
/** Readings of one instrument that are made and stored at once, some 50 ms of work: after a long stop the rest follows. */
const MOST_AT_ONCE = 300;
/** Readings after which a log's blocks are made. */
const BLOCKS_AFTER = 640;

/**
 * Records what the simulated instruments show, whether or not anybody watches. What one has shown and is not stored yet
 * follows from its number alone, so that nothing is lost while the server or the database is away, nor stored twice.
 */
export class Recorder {
  readonly #db: Database;
  readonly #log: Logger;
  readonly #live: Live;
  #timer: NodeJS.Timeout | undefined;
  #busy = false;
  #closed = false;
  readonly #since = new Map<number, { readings: number; fromT: number }>();

  constructor(db: Database, log: Logger, live: Live) {
    this.#db = db;
    this.#log = log;
    this.#live = live;
  }

  start(): void {
    this.#timer = setInterval(() => void this.look(), LOOK_MS).unref();
  }

  close(): void {
    this.#closed = true;
    clearInterval(this.#timer);
  }

  /** Stores what is due. @param now ms since 1970 */
  async look(now = Date.now()): Promise<void> {
    if (this.#busy || this.#closed) return;
    this.#busy = true;
    try {
      for (const instrument of await runningInstruments(this.#db)) await this.#record(instrument, now);
    } catch (error) {
      // The database is away: what is due stays due.
      this.#log.warn({ code: (error as { code?: unknown }).code }, 'readings wait');
    } finally {
      this.#busy = false;
    }
  }

  async #record(instrument: RunningInstrument, now: number): Promise<void> {
    const { document, startedMs, stored, log, id, logId, workspace } = instrument;
    const everyMs = document.everyS * 1000;
    const due = Math.floor(((now - startedMs) * document.speed) / everyMs) + 1;
    const upTo = Math.min(due, stored + MOST_AT_ONCE, MOST_RECORDED);
    if (upTo <= stored) return;
    const readings: Recorded[] = [];
    for (let n = stored; n < upTo; n++) {
      const values = instrumentReading(document, n);
      if (values !== null) readings.push({ t: Math.round(startedMs + n * everyMs), values });
    }
    if (!(await recordReadings(this.#db, instrument, upTo, readings)) || readings.length === 0) return;
    this.#live.tell({
      workspace,
      log: logId,
      readings: readings.map(({ t, values }) => ({ t, instrument: id, values })),
    });
    const since = this.#since.get(log) ?? { readings: 0, fromT: readings[0]?.t ?? 0 };
    const now_ = {
      readings: since.readings + readings.length,
      fromT: Math.min(since.fromT, readings[0]?.t ?? since.fromT),
    };
    this.#since.set(log, now_);
    if (now_.readings >= BLOCKS_AFTER) {
      this.#since.delete(log);
      await buildBlocks(this.#db, log, now_.fromT);
    }
  }
}
