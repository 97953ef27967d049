import { SCHEMA_VERSION } from '@joulemetric/core';
import { validateAppliance, validateJob } from '@joulemetric/core/validate';
import type { Pool } from 'pg';
import { type Database, inTransaction } from './database.ts';
import { bringApplianceForward, lockOlderAppliances } from './queries/appliance.ts';
import { lockOlderJobs, replaceDocument } from './queries/job.ts';
import type { Older } from './queries/older.ts';

/** Documents that are held in memory at a time. */
const AT_A_TIME = 50;

/**
 * Brings stored jobs and entries of the firm's catalogue forward from older versions, once, at the start; what cannot
 * be brought forward is named and stays.
 */
export async function bringForward(pool: Pool, warn: (sentence: string) => void): Promise<void> {
  await inTransaction(pool, async (db) => {
    await each(db, lockOlderJobs, async ({ workspaceId, id, document }) => {
      const checked = validateJob(document);
      if (checked.ok) await replaceDocument(db, workspaceId, id, checked.job);
      else warn(`job ${id} is of an older version and cannot be brought forward: ${checked.faults[0]?.path}`);
    });
    await each(db, lockOlderAppliances, async ({ workspaceId, id, document }) => {
      const checked = validateAppliance(document);
      if (checked.ok) await bringApplianceForward(db, workspaceId, id, checked.appliance);
      else warn(`appliance ${id} is of an older version and cannot be brought forward: ${checked.faults[0]?.path}`);
    });
  });
}

/** All that are older, some at a time, each once. */
async function each(
  db: Database,
  next: (db: Database, version: number, after: string | null, most: number) => Promise<Older[]>,
  work: (older: Older) => Promise<void>,
): Promise<void> {
  for (let after: string | null = null; ; ) {
    const some: Older[] = await next(db, SCHEMA_VERSION, after, AT_A_TIME);
    for (const one of some) await work(one);
    const last = some.at(-1);
    if (!last) return;
    after = last.id;
  }
}
