import type { FirmAppliance } from '@joulemetric/core';
import type { Database } from '../database.ts';

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
