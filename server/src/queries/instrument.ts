import { QUANTITIES, type SimulatedInstrument } from '@joulemetric/core';
import type { Database } from '../database.ts';
import { lockLog } from './log.ts';
import { READING_COLUMNS } from './reading.ts';
import { lockWorkspace } from './workspace.ts';

export interface StoredInstrument {
  readonly id: string;
  readonly log: number;
  /** Times as fast as real time its readings are made. */
  readonly document: SimulatedInstrument & { readonly speed: number };
  readonly startedMs: number;
  readonly stored: number;
  readonly stopped: boolean;
  /** Grows with every change by a person, not with what it records. */
  readonly version: number;
}

const STORED = `id, log, version, document, (extract(epoch from started_at) * 1000)::double precision as "startedMs", stored, stopped`;
/** Of one log. */
export const MOST_INSTRUMENTS = 20;
/** That record at once, in all logs. */
export const MOST_RECORDING = 60;
/** Readings after which an instrument ends by itself: a day at one a second. */
export const MOST_RECORDED = 100_000;

export async function listInstruments(db: Database, log: number): Promise<StoredInstrument[]> {
  const { rows } = await db.query<StoredInstrument>(
    `select ${STORED} from log_instrument where log = $1 order by started_at, id`,
    [log],
  );
  return rows;
}

/** One that records, with the log it records into. */
export interface RunningInstrument extends StoredInstrument {
  readonly logId: string;
  readonly workspace: string;
}

export async function runningInstruments(db: Database): Promise<RunningInstrument[]> {
  const { rows } = await db.query<RunningInstrument>(
    `select instrument.*, log.id as "logId", log.workspace_id as workspace
       from (select ${STORED} from log_instrument where not stopped) as instrument join log on log.number = instrument.log`,
  );
  return rows;
}

export async function readInstrument(db: Database, log: number, id: string): Promise<StoredInstrument | null> {
  const { rows } = await db.query<StoredInstrument>(`select ${STORED} from log_instrument where log = $1 and id = $2`, [
    log,
    id,
  ]);
  return rows[0] ?? null;
}

export type InsertedInstrument =
  | { readonly stored: StoredInstrument; readonly isNew: boolean }
  | { readonly full: 'log' | 'all' | 'gone' };

/**
 * Starts an instrument under the id its maker chose, in a transaction; one that is there already is answered as it is.
 * Counted under the locks of workspace and log: of many makers at once none gets past the limits.
 */
export async function insertInstrument(
  db: Database,
  workspace: string,
  log: number,
  id: string,
  document: StoredInstrument['document'],
): Promise<InsertedInstrument> {
  await lockWorkspace(db, workspace);
  if (!(await lockLog(db, log))) return { full: 'gone' };
  const there = await readInstrument(db, log, id);
  if (there) return { stored: there, isNew: false };
  const { rows: counted } = await db.query<{ here: number; recording: number }>(
    `select count(*) filter (where log = $1)::integer as here, count(*) filter (where not stopped)::integer as recording
       from log_instrument`,
    [log],
  );
  if ((counted[0]?.here ?? 0) >= MOST_INSTRUMENTS) return { full: 'log' };
  if ((counted[0]?.recording ?? 0) >= MOST_RECORDING) return { full: 'all' };
  const { rows } = await db.query<StoredInstrument>(
    `insert into log_instrument (log, id, document) values ($1, $2, $3) returning ${STORED}`,
    [log, id, JSON.stringify(document)],
  );
  return { stored: rows[0] as StoredInstrument, isNew: true };
}

/** Null when there is no such instrument in the version that was seen. */
export async function changeInstrument(
  db: Database,
  log: number,
  id: string,
  seen: number,
  change: Partial<StoredInstrument['document']>,
  stopped: boolean | null,
): Promise<StoredInstrument | null> {
  const { rows } = await db.query<StoredInstrument>(
    `update log_instrument set document = document || $4, stopped = coalesce($5, stopped), version = version + 1
      where log = $1 and id = $2 and version = $3 returning ${STORED}`,
    [log, id, seen, JSON.stringify(change), stopped],
  );
  return rows[0] ?? null;
}

export interface Recorded {
  readonly t: number;
  readonly values: Readonly<Record<string, number>>;
}

/**
 * Stores the next readings of an instrument, once: only if it has stored as many as is thought, which whoever tries
 * again after a lost answer, or a second server, finds not to be so.
 * @returns whether they were stored now
 */
export async function recordReadings(
  db: Database,
  { id, log, stored }: StoredInstrument,
  upTo: number,
  readings: readonly Recorded[],
): Promise<boolean> {
  const rows = readings.map(({ t, values }) => ({ log, t, ...values }));
  const { rowCount } = await db.query(
    `with moved as (
       update log_instrument set stored = $3, stopped = $3 >= ${MOST_RECORDED} where id = $1 and stored = $2 and not stopped returning log),
     put as (
       insert into reading (${READING_COLUMNS.join(', ')})
       select log, t, ${QUANTITIES.join(', ')}
         from json_to_recordset($4) as sent (log integer, t double precision, ${QUANTITIES.map((q) => `${q} double precision`).join(', ')})
        where exists (select 1 from moved)),
     told as (update log set readings = readings + 1 where number in (select log from moved))
     select 1 from moved`,
    [id, stored, upTo, JSON.stringify(rows)],
  );
  return rowCount === 1;
}
