import { type Part, wholePart } from '@joulemetric/core';
import type { Database } from '../database.ts';

export interface StoredPart {
  readonly id: string;
  readonly part: Part;
}

const STORED = 'id, document as part';

export async function listParts(db: Database, workspace: string): Promise<StoredPart[]> {
  const { rows } = await db.query<StoredPart>(
    `select ${STORED} from part where workspace_id = $1 order by kind, name, id`,
    [workspace],
  );
  return rows.map(({ id, part }) => ({ id, part: wholePart(part) }));
}

/** How many a workspace holds at most: a list, not a warehouse. */
export const MOST_PARTS = 2000;

/** Null when the list is full. */
export async function insertPart(db: Database, workspace: string, part: Part): Promise<StoredPart | null> {
  const { rows } = await db.query<StoredPart>(
    `insert into part (workspace_id, document)
     select $1, $2 where (select count(*) from part where workspace_id = $1) < ${MOST_PARTS}
     returning ${STORED}`,
    [workspace, JSON.stringify(part)],
  );
  return rows[0] ?? null;
}

/** Null when there is no such part. */
export async function replacePart(db: Database, workspace: string, id: string, part: Part): Promise<StoredPart | null> {
  const { rows } = await db.query<StoredPart>(
    `update part set document = $3 where workspace_id = $1 and id = $2 returning ${STORED}`,
    [workspace, id, JSON.stringify(part)],
  );
  return rows[0] ?? null;
}

export async function deletePart(db: Database, workspace: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from part where workspace_id = $1 and id = $2', [workspace, id]);
  return rowCount === 1;
}
