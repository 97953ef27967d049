import { randomUUID } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import type { Job, Log } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { validateLog } from '@joulemetric/core/validate-log';
import type pg from 'pg';
import { type Database, inTransaction } from './database.ts';
import { placeReadings } from './logbook/placeReadings.ts';
import { deleteAllJobs, insertJob } from './queries/job.ts';
import { insertLog } from './queries/log.ts';
import { insertEntries } from './queries/reading.ts';
import { claimDemoSeeding, workspaceId } from './queries/workspace.ts';

const DEMO = new URL('../../demo/', import.meta.url);
const DEMO_LOGS = new URL('../../demo-logs/', import.meta.url);

/** Puts the demo jobs in on the first start, or (`replace`) in place of every job. Returns how many were put in. */
export async function seedDemo(pool: pg.Pool, mode: 'first-start' | 'replace'): Promise<number> {
  const [jobs, logs] = await Promise.all([demoJobs(), demoLogs()]);
  return inTransaction(pool, async (db) => {
    const workspace = await workspaceId(db, 'demo');
    const first = await claimDemoSeeding(db, workspace);
    if (!first && mode === 'first-start') return 0;
    if (mode === 'replace') await deleteAllJobs(db, workspace);
    for (const { name, job } of jobs) {
      const { id } = await insertJob(db, workspace, job);
      for (const { log, of } of logs) if (of.startsWith(name)) await seedLog(db, workspace, id, log);
    }
    return jobs.length;
  });
}

async function demoJobs(): Promise<{ name: string; job: Job }[]> {
  const files = (await readdir(DEMO)).filter((name) => name.endsWith('.json')).sort();
  return Promise.all(
    files.map(async (name) => {
      const checked = validateJob(JSON.parse(await readFile(new URL(name, DEMO), 'utf8')));
      if (!checked.ok) throw new Error(`demo/${name}: ${JSON.stringify(checked.faults)}`);
      return { name: name.replace('.json', ''), job: checked.job };
    }),
  );
}

/** Logs of the demo jobs: each file begins with the name of its job's. */
async function demoLogs(): Promise<{ of: string; log: Log }[]> {
  const files = (await readdir(DEMO_LOGS)).filter((name) => name.endsWith('.json')).sort();
  return Promise.all(
    files.map(async (name) => {
      const checked = validateLog(JSON.parse(await readFile(new URL(name, DEMO_LOGS), 'utf8')));
      if (!checked.ok) throw new Error(`demo-logs/${name}: ${JSON.stringify(checked.faults)}`);
      return { of: name, log: checked.log };
    }),
  );
}

async function seedLog(db: Database, workspace: string, jobId: string, { readings = [], ...log }: Log): Promise<void> {
  const stored = await insertLog(db, workspace, null, jobId, log);
  const placed = placeReadings(readings, log.zone ?? 'UTC');
  if (!stored || 'fault' in placed) throw new Error(`the demo log ${log.name} cannot be put in`);
  const entries = placed.times.map((t, i) => ({ id: randomUUID(), t, entry: { ...readings[i] } }));
  if (entries.length > 0) await insertEntries(db, stored.number, entries);
}
