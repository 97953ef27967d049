import type { FirmAppliance } from '@joulemetric/core';
import type { Database } from '../database.ts';
import type { Older } from './older.ts';

export interface StoredAppliance {
  readonly id: string;
  readonly appliance: FirmAppliance;
}

const STORED = 'id, document as appliance';

export async function listAppliances(db: Database, workspace: string): Promise<StoredAppliance[]> {
  const { rows } = await db.query<StoredAppliance>(
    `select ${STORED} from appliance where workspace_id = $1 order by name, id`,
    [workspace],
  );
  return rows;
}

export async function insertAppliance(
  db: Database,
  workspace: string,
  appliance: FirmAppliance,
): Promise<StoredAppliance> {
  const { rows } = await db.query<StoredAppliance>(
    `insert into appliance (workspace_id, document) values ($1, $2) returning ${STORED}`,
    [workspace, JSON.stringify(appliance)],
  );
  return rows[0] as StoredAppliance;
}

export async function deleteAppliance(db: Database, workspace: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from appliance where workspace_id = $1 and id = $2', [workspace, id]);
  return rowCount === 1;
}

/** Entries written by an older version of the program, locked until the transaction ends. @param after the last id seen */
export async function lockOlderAppliances(
  db: Database,
  version: number,
  after: string | null,
  most: number,
): Promise<Older[]> {
  const { rows } = await db.query<Older>(
    `select workspace_id as "workspaceId", id, document from appliance
      where schema_version < $1 and ($2::uuid is null or id > $2) order by id limit $3 for update`,
    [version, after, most],
  );
  return rows;
}

/** Null when there is no such entry. */
export async function replaceAppliance(
  db: Database,
  workspace: string,
  id: string,
  appliance: FirmAppliance,
): Promise<StoredAppliance | null> {
  const { rows } = await db.query<StoredAppliance>(
    `update appliance set document = $3 where workspace_id = $1 and id = $2 returning ${STORED}`,
    [workspace, id, JSON.stringify(appliance)],
  );
  return rows[0] ?? null;
}
