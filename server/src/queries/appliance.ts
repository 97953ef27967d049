import type { FirmAppliance } from '@joulemetric/core';
import type { Database } from '../database.ts';
import type { Older } from './older.ts';

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

/** An entry in today's form: the same entry, under the same version. */
export async function bringApplianceForward(
  db: Database,
  workspace: string,
  id: string,
  appliance: FirmAppliance,
): Promise<void> {
  await db.query('update appliance set document = $3 where workspace_id = $1 and id = $2', [
    workspace,
    id,
    JSON.stringify(appliance),
  ]);
}
