import type { Log } from '@joulemetric/core';
import type { Database } from '../database.ts';
import { lockWorkspace } from './workspace.ts';

export interface StoredLog {
  readonly id: string;
  readonly number: number;
  readonly jobId: string | null;
  readonly version: number;
  /** Grows with every change of the readings. */
  readonly readings: number;
  readonly log: Log;
  readonly updatedAt: string;
}

const STORED = `id, number, job_id as "jobId", version, readings::integer, document as log, updated_at as "updatedAt"`;

/** How many a workspace holds at most. */
export const MOST_LOGS = 2000;

/** Asks for the logs that belong to no job yet. */
export const NO_JOB = 'none';

/** @param of the id of one job, or `none`; null = all */
export async function listLogs(db: Database, workspace: string, of: string | null): Promise<StoredLog[]> {
  const [which, values] =
    of === null ? ['', []] : of === NO_JOB ? ['and job_id is null', []] : ['and job_id = $2', [of]];
  const { rows } = await db.query<StoredLog>(
    `select ${STORED} from log where workspace_id = $1 ${which} order by updated_at desc, document ->> 'name', id`,
    [workspace, ...values],
  );
  return rows;
}

export async function readLog(db: Database, workspace: string, id: string): Promise<StoredLog | null> {
  const { rows } = await db.query<StoredLog>(`select ${STORED} from log where workspace_id = $1 and id = $2`, [
    workspace,
    id,
  ]);
  return rows[0] ?? null;
}

/** In a transaction; null when the list is full. One that is there already, of the same id, is answered as it is. */
export async function insertLog(
  db: Database,
  workspace: string,
  id: string | null,
  jobId: string | null,
  log: Log,
): Promise<StoredLog | null> {
  // Counted under a lock: of many makers at once none gets past the limit.
  await lockWorkspace(db, workspace);
  const { rows } = await db.query<StoredLog>(
    `insert into log (workspace_id, id, job_id, document)
     select $1, coalesce($2, gen_random_uuid()), $3, $4
      where (select count(*) from log where workspace_id = $1 and id is distinct from $2) < ${MOST_LOGS}
     on conflict (workspace_id, id) do update set version = log.version
     returning ${STORED}`,
    [workspace, id, jobId, JSON.stringify(log)],
  );
  return rows[0] ?? null;
}

/** Null when it is not there in that version. */
export async function updateLog(
  db: Database,
  workspace: string,
  id: string,
  version: number,
  jobId: string | null,
  log: Log,
): Promise<StoredLog | null> {
  const { rows } = await db.query<StoredLog>(
    `update log set document = $4, job_id = $5, version = version + 1, updated_at = now()
      where workspace_id = $1 and id = $2 and version = $3 returning ${STORED}`,
    [workspace, id, version, JSON.stringify(log), jobId],
  );
  return rows[0] ?? null;
}

/** Takes a log out with all its readings; false when it is not there. */
export async function deleteLog(db: Database, workspace: string, id: string): Promise<boolean> {
  const { rows } = await db.query<{ number: number }>(
    'delete from log where workspace_id = $1 and id = $2 returning number',
    [workspace, id],
  );
  const number = rows[0]?.number;
  if (number === undefined) return false;
  await db.query('delete from reading where log = $1', [number]);
  await db.query('delete from reading_block where log = $1', [number]);
  return true;
}

/** Locks a log against being taken out while readings are put in; false when it is gone. */
export async function lockLog(db: Database, number: number): Promise<boolean> {
  const { rowCount } = await db.query('select 1 from log where number = $1 for no key update', [number]);
  return rowCount === 1;
}

export async function touchReadings(db: Database, number: number): Promise<void> {
  await db.query('update log set readings = readings + 1, updated_at = now() where number = $1', [number]);
}
