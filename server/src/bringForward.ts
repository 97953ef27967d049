import { SCHEMA_VERSION } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import type { Pool } from 'pg';
import { inTransaction } from './database.ts';
import { lockOlderJobs, replaceDocument } from './queries/job.ts';

/** Brings stored jobs of older file versions forward once, at the start; a job that cannot be is named and stays. */
export async function bringJobsForward(pool: Pool, warn: (sentence: string) => void): Promise<void> {
  await inTransaction(pool, async (client) => {
    for (const { workspaceId, id, document } of await lockOlderJobs(client, SCHEMA_VERSION)) {
      const checked = validateJob(document);
      if (checked.ok) await replaceDocument(client, workspaceId, id, checked.job);
      else warn(`job ${id} is of an older version and cannot be brought forward: ${checked.faults[0]?.path}`);
    }
  });
}
