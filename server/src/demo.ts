import { readdir, readFile } from 'node:fs/promises';
import type { Job } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import type pg from 'pg';
import { inTransaction } from './database.ts';
import { deleteAllJobs, insertJob } from './queries/job.ts';
import { claimDemoSeeding, workspaceId } from './queries/workspace.ts';

const DEMO = new URL('../../demo/', import.meta.url);

/** Puts the demo jobs in on the first start, or (`replace`) in place of every job. Returns how many were put in. */
export async function seedDemo(pool: pg.Pool, mode: 'first-start' | 'replace'): Promise<number> {
  const jobs = await demoJobs();
  return inTransaction(pool, async (db) => {
    const workspace = await workspaceId(db, 'demo');
    const first = await claimDemoSeeding(db, workspace);
    if (!first && mode === 'first-start') return 0;
    if (mode === 'replace') await deleteAllJobs(db, workspace);
    for (const job of jobs) await insertJob(db, workspace, job);
    return jobs.length;
  });
}

async function demoJobs(): Promise<Job[]> {
  const files = (await readdir(DEMO)).filter((name) => name.endsWith('.json')).sort();
  return Promise.all(
    files.map(async (name) => {
      const checked = validateJob(JSON.parse(await readFile(new URL(name, DEMO), 'utf8')));
      if (!checked.ok) throw new Error(`demo/${name}: ${JSON.stringify(checked.faults)}`);
      return checked.job;
    }),
  );
}
