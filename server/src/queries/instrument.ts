import { QUANTITIES, type SimulatedInstrument } from '@joulemetric/core';
import type { Database } from '../database.ts';
import { READING_COLUMNS } from './reading.ts';

export interface StoredInstrument {
  readonly id: string;
  readonly log: number;
  /** Times as fast as real time its readings are made. */
  readonly document: SimulatedInstrument & { readonly speed: number };
  readonly startedMs: number;
  readonly stored: number;
  readonly stopped: boolean;
}

const STORED = `id, log, document, (extract(epoch from started_at) * 1000)::double precision as "startedMs", stored, stopped`;
/** Of one log. */
export const MOST_INSTRUMENTS = 20;

export async function listInstruments(db: Database, log: number): Promise<StoredInstrument[]> {
  const { rows } = await db.query<StoredInstrument>(
    `select ${STORED} from log_instrument where log = $1 order by started_at, id`,
    [log],
  );
  return rows;
}

export async function runningInstruments(db: Database): Promise<StoredInstrument[]> {
  const { rows } = await db.query<StoredInstrument>(`select ${STORED} from log_instrument where not stopped`);
  return rows;
}

/** Null when the log has as many as it may. */
export async function insertInstrument(
  db: Database,
  log: number,
  document: StoredInstrument['document'],
): Promise<StoredInstrument | null> {
  const { rows } = await db.query<StoredInstrument>(
    `insert into log_instrument (log, document)
     select $1, $2 where (select count(*) from log_instrument where log = $1) < ${MOST_INSTRUMENTS} returning ${STORED}`,
    [log, JSON.stringify(document)],
  );
  return rows[0] ?? null;
}

export async function changeInstrument(
  db: Database,
  log: number,
  id: string,
  change: Partial<StoredInstrument['document']>,
  stopped: boolean | null,
): Promise<StoredInstrument | null> {
  const { rows } = await db.query<StoredInstrument>(
    `update log_instrument set document = document || $3, stopped = coalesce($4, stopped) where log = $1 and id = $2 returning ${STORED}`,
    [log, id, JSON.stringify(change), stopped],
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
       update log_instrument set stored = $3 where id = $1 and stored = $2 and not stopped returning log),
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
