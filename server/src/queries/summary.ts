import type { Database } from '../database.ts';

/** Keeps what a list says of a version of a job; never over what is said of a newer one. */
export async function saveSummary(
  db: Database,
  workspace: string,
  jobId: string,
  version: number,
  summary: object,
): Promise<void> {
  await db.query(
    `insert into job_summary (workspace_id, job_id, version, summary)
     select workspace_id, id, $3, $4 from job where workspace_id = $1 and id = $2
     on conflict (workspace_id, job_id) do update set version = excluded.version, summary = excluded.summary
      where job_summary.version <= excluded.version`,
    [workspace, jobId, version, JSON.stringify(summary)],
  );
}
