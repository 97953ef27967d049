import type { Job } from '@joulemetric/core';
import type { Database } from '../database.ts';

/** A job as the API answers it: the document and the version it was saved as. */
export interface StoredJob {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: Date;
  readonly job: Job;
}

export interface JobListing {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: Date;
  readonly title: string;
  readonly client: string;
  readonly vehicle: string;
  readonly loads: number;
}

const STORED = 'id, version, updated_at as "updatedAt", document as job';

export async function listJobs(db: Database, workspace: string): Promise<JobListing[]> {
  const { rows } = await db.query<JobListing>(
    `select id, version, updated_at as "updatedAt", title,
            document ->> 'client' as client, document ->> 'vehicle' as vehicle,
            jsonb_array_length(document -> 'loads') as loads
       from job where workspace_id = $1 order by updated_at desc, id`,
    [workspace],
  );
  return rows;
}

export async function readJob(db: Database, workspace: string, id: string): Promise<StoredJob | null> {
  const { rows } = await db.query<StoredJob>(`select ${STORED} from job where workspace_id = $1 and id = $2`, [
    workspace,
    id,
  ]);
  return rows[0] ?? null;
}

export async function insertJob(db: Database, workspace: string, job: Job): Promise<StoredJob> {
  const { rows } = await db.query<StoredJob>(
    `insert into job (workspace_id, document) values ($1, $2) returning ${STORED}`,
    [workspace, JSON.stringify(job)],
  );
  return rows[0] as StoredJob;
}

/** Saves only over the version the writer has seen; null when the job has moved on or is gone. */
export async function updateJob(
  db: Database,
  workspace: string,
  id: string,
  seenVersion: number,
  job: Job,
): Promise<StoredJob | null> {
  const { rows } = await db.query<StoredJob>(
    `update job set document = $4, version = version + 1, updated_at = now()
      where workspace_id = $1 and id = $2 and version = $3 returning ${STORED}`,
    [workspace, id, seenVersion, JSON.stringify(job)],
  );
  return rows[0] ?? null;
}

export async function deleteJob(db: Database, workspace: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from job where workspace_id = $1 and id = $2', [workspace, id]);
  return rowCount === 1;
}

export async function deleteAllJobs(db: Database, workspace: string): Promise<void> {
  await db.query('delete from job where workspace_id = $1', [workspace]);
}

/** Jobs written by an older version of the program, locked until the transaction ends. */
export async function lockOlderJobs(
  db: Database,
  version: number,
): Promise<{ workspaceId: string; id: string; document: unknown }[]> {
  const { rows } = await db.query(
    `select workspace_id as "workspaceId", id, document from job
      where (document ->> 'schemaVersion')::integer < $1 order by workspace_id, id for update`,
    [version],
  );
  return rows;
}

/** The same job in a newer form: neither its version nor its time changes. */
export async function replaceDocument(db: Database, workspace: string, id: string, job: Job): Promise<void> {
  await db.query('update job set document = $3 where workspace_id = $1 and id = $2', [
    workspace,
    id,
    JSON.stringify(job),
  ]);
}
