import type { Database } from '../database.ts';

/** A stored photo without its bytes. */
export interface StoredPhoto {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  readonly bytes: number;
}

/** Locks a job until the transaction ends; false when it is not there. */
export async function lockJob(db: Database, workspace: string, jobId: string): Promise<boolean> {
  const { rowCount } = await db.query('select 1 from job where workspace_id = $1 and id = $2 for update', [
    workspace,
    jobId,
  ]);
  return rowCount === 1;
}

export async function headOfPhoto(
  db: Database,
  workspace: string,
  jobId: string,
  id: string,
): Promise<StoredPhoto | null> {
  const { rows } = await db.query<StoredPhoto>(
    `select id, width, height, octet_length(jpeg) as bytes from label_photo
      where workspace_id = $1 and job_id = $2 and id = $3`,
    [workspace, jobId, id],
  );
  return rows[0] ?? null;
}

export async function insertPhoto(
  db: Database,
  workspace: string,
  jobId: string,
  id: string,
  { jpeg, width, height }: { readonly jpeg: Buffer; readonly width: number; readonly height: number },
): Promise<StoredPhoto> {
  const { rows } = await db.query<StoredPhoto>(
    `insert into label_photo (workspace_id, job_id, id, width, height, jpeg) values ($1, $2, $3, $4, $5, $6)
     returning id, width, height, octet_length(jpeg) as bytes`,
    [workspace, jobId, id, width, height, jpeg],
  );
  return rows[0] as StoredPhoto;
}

export async function readPhoto(db: Database, workspace: string, jobId: string, id: string): Promise<Buffer | null> {
  const { rows } = await db.query<{ jpeg: Buffer }>(
    'select jpeg from label_photo where workspace_id = $1 and job_id = $2 and id = $3',
    [workspace, jobId, id],
  );
  return rows[0]?.jpeg ?? null;
}

export async function countPhotos(db: Database, workspace: string, jobId: string): Promise<number> {
  const { rows } = await db.query<{ photos: number }>(
    'select count(*)::integer as photos from label_photo where workspace_id = $1 and job_id = $2',
    [workspace, jobId],
  );
  return rows[0]?.photos ?? 0;
}

/** Drops photos that no load and no reading of the job has named for a day: by then no undo brings them back. */
export async function dropUnusedPhotos(db: Database, workspace: string, jobId: string): Promise<void> {
  await db.query(
    `delete from label_photo
      where workspace_id = $1 and job_id = $2 and created_at < now() - interval '1 day'
        and id::text not in (
          select jsonb_array_elements_text(load -> 'photos')
            from job, jsonb_array_elements(document -> 'loads') as load
           where job.workspace_id = $1 and job.id = $2)
        and not exists (
          select 1 from log join log_entry on log_entry.log = log.number
           where log.workspace_id = $1 and log.job_id = $2 and log_entry.document ->> 'photo' = label_photo.id::text)`,
    [workspace, jobId],
  );
}
