import type { Database } from '../database.ts';

export async function workspaceId(db: Database, slug: string): Promise<string> {
  const { rows } = await db.query<{ id: string }>('select id from workspace where slug = $1', [slug]);
  const row = rows[0];
  if (!row) throw new Error(`workspace ${slug} is missing: the migrations have not run`);
  return row.id;
}

/** Claims the one seeding of the demo; false when it has been done, whoever did it. */
export async function claimDemoSeeding(db: Database, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'update workspace set demo_seeded_at = now() where id = $1 and demo_seeded_at is null',
    [id],
  );
  return rowCount === 1;
}

/** Locks the workspace's lists against growing past their limits, until the transaction ends. */
export async function lockWorkspace(db: Database, workspace: string): Promise<void> {
  await db.query('select 1 from workspace where id = $1 for no key update', [workspace]);
}
