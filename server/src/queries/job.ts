import { type Job, type JobSummary, SCHEMA_VERSION } from '@joulemetric/core';
import type { Database } from '../database.ts';
import type { Older } from './older.ts';

/** What a save comes to. */
export interface SavedJob {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: Date;
}

/** A job as it is stored. Its document stays the text that PostgreSQL hands over: nobody here needs to look inside. */
export interface StoredJob extends SavedJob {
  readonly text: string;
}

export interface JobListing {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: Date;
  readonly title: string;
  readonly client: string;
  readonly vehicle: string;
  readonly loads: number;
  /** Of this very version; null while it is being reckoned, empty when it could not be. */
  readonly summary: Partial<JobSummary> | null;
}

const HEAD = 'id, version, updated_at as "updatedAt"';

/** The columns are kept beside the document, so that a list opens no document. */
export async function listJobs(db: Database, workspace: string): Promise<JobListing[]> {
  const { rows } = await db.query<JobListing>({
    name: 'list-jobs',
    text: `select job.id, job.version, updated_at as "updatedAt", title, client, vehicle, loads, summary
             from job left join job_summary
               on job_summary.workspace_id = job.workspace_id and job_id = job.id
              and job_summary.version = job.version
            where job.workspace_id = $1 order by updated_at desc, job.id`,
    values: [workspace],
  });
  return rows;
}

export interface JobKey {
  readonly workspace: string;
  readonly id: string;
}

export async function readJob(db: Database, workspace: string, id: string): Promise<StoredJob | null> {
  const [stored] = await readJobs(db, [{ workspace, id }]);
  return stored ?? null;
}

/** Several jobs with one statement, in the order of the keys; null where there is none. */
export async function readJobs(db: Database, keys: readonly JobKey[]): Promise<(StoredJob | null)[]> {
  const { rows } = await db.query<StoredJob & { workspace: string }>({
    name: 'read-jobs',
    text: `select workspace_id as workspace, ${HEAD}, document::text as text from job
            where (workspace_id, id) in (select * from unnest($1::uuid[], $2::uuid[]))`,
    values: [keys.map((key) => key.workspace), keys.map((key) => key.id)],
  });
  const found = new Map(rows.map(({ workspace, ...stored }) => [`${workspace} ${stored.id}`, stored]));
  return keys.map(({ workspace, id }) => found.get(`${workspace} ${id}`) ?? null);
}

export async function insertJob(db: Database, workspace: string, job: Job): Promise<StoredJob> {
  const text = JSON.stringify(job);
  const { rows } = await db.query<SavedJob>(
    `insert into job (workspace_id, document) values ($1, $2) returning ${HEAD}`,
    [workspace, text],
  );
  return { ...(rows[0] as SavedJob), text };
}

/** Makes a job under the id its maker chose; null when there is one already (the same call, sent again). */
export async function insertJobAs(db: Database, workspace: string, id: string, job: Job): Promise<StoredJob | null> {
  const text = JSON.stringify(job);
  const { rows } = await db.query<SavedJob>(
    `insert into job (workspace_id, id, document) values ($1, $2, $3) on conflict do nothing returning ${HEAD}`,
    [workspace, id, text],
  );
  return rows[0] ? { ...rows[0], text } : null;
}

/** What a writer wants stored, and the version it has seen. */
export interface Save extends JobKey {
  readonly seen: number;
  readonly job: Job;
}

/**
 * Saves each only over the version its writer has seen, and never over a document of a newer program, all with one
 * statement: every save or, when it fails, none. In the order of the saves; null where the job has moved on, is gone,
 * is newer, or is saved by another of them.
 */
export async function updateJobs(db: Database, saves: readonly Save[]): Promise<(SavedJob | null)[]> {
  const given = saves.map(
    (_, n) => `(${n}, $${4 * n + 2}::uuid, $${4 * n + 3}::uuid, $${4 * n + 4}::integer, $${4 * n + 5}::jsonb)`,
  );
  const { rows } = await db.query<SavedJob & { n: number }>({
    name: `update-jobs-${saves.length}`,
    text: `update job set document = given.document, version = version + 1, updated_at = now()
             from (values ${given.join(', ')}) as given (n, workspace, job, seen, document)
            where workspace_id = workspace and id = job and version = seen and schema_version <= $1
            returning n, ${HEAD}`,
    values: [
      SCHEMA_VERSION,
      ...saves.flatMap(({ workspace, id, seen, job }) => [workspace, id, seen, JSON.stringify(job)]),
    ],
  });
  const saved = new Map(rows.map(({ n, ...head }) => [n, head]));
  return saves.map((_, n) => saved.get(n) ?? null);
}

/** The version of the job file that a stored document is of; null when there is no such job. */
export async function readSchemaVersion(db: Database, workspace: string, id: string): Promise<number | null> {
  const { rows } = await db.query<{ schemaVersion: number }>(
    'select schema_version as "schemaVersion" from job where workspace_id = $1 and id = $2',
    [workspace, id],
  );
  return rows[0]?.schemaVersion ?? null;
}

export async function deleteJob(db: Database, workspace: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from job where workspace_id = $1 and id = $2', [workspace, id]);
  return rowCount === 1;
}

export async function deleteAllJobs(db: Database, workspace: string): Promise<void> {
  await db.query('delete from job where workspace_id = $1', [workspace]);
}

/** Jobs written by an older version of the program, locked until the transaction ends. @param after the last id seen */
export async function lockOlderJobs(
  db: Database,
  version: number,
  after: string | null,
  most: number,
): Promise<Older[]> {
  const { rows } = await db.query<Older>(
    `select workspace_id as "workspaceId", id, document from job
      where schema_version < $1 and ($2::uuid is null or id > $2) order by id limit $3 for update`,
    [version, after, most],
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
