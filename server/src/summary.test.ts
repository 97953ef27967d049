import { readFileSync } from 'node:fs';
import { blankJob } from '@joulemetric/core';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { openPool } from './database.ts';
import { migrate } from './migrate.ts';
import { saveSummary } from './queries/summary.ts';
import { Summaries } from './summary/summaries.ts';
import { summarise } from './summary/summarise.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const silent = pino({ level: 'silent' });
const summaries = new Summaries(pool, silent);
const app = buildApp(pool, silent, { summaries });
const demo = JSON.parse(readFileSync(new URL('../../demo/puppet-theatre-truck.json', import.meta.url), 'utf8'));

beforeAll(() => migrate(url));
afterAll(async () => {
  summaries.close();
  await pool.end();
});

const listed = async (id: string) =>
  (await request(app).get('/api/jobs')).body.find((job: { id: string }) => job.id === id);

async function reckoned(id: string, version: number) {
  for (;;) {
    const job = await listed(id);
    if (job.version === version && job.summary) return job.summary;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

it('the list says of each job what it needs and what is gravest, of the version that is stored', async () => {
  const { body } = await request(app).post('/api/jobs').send(demo).expect(201);
  const first = await reckoned(body.id, 1);
  expect(first).toEqual(JSON.parse(JSON.stringify(summarise(body.job))));
  expect(first.needWh).toBeGreaterThan(first.lostWh);
  const lighter = { ...demo, loads: [], together: { atMost: [], always: [] } };
  await request(app).put(`/api/jobs/${body.id}`).set('If-Match', '"1"').send(lighter).expect(200);
  const second = await reckoned(body.id, 2);
  expect(second.needWh).toBe(0);
});

it('what is said of an older version never takes the place of what is said of a newer one', async () => {
  const { body } = await request(app).post('/api/jobs').send(blankJob('Summed up')).expect(201);
  await reckoned(body.id, 1);
  const { rows } = await pool.query('select workspace_id from job where id = $1', [body.id]);
  await saveSummary(pool, rows[0].workspace_id, body.id, 5, { needWh: 5 });
  await saveSummary(pool, rows[0].workspace_id, body.id, 4, { needWh: 4 });
  const kept = await pool.query('select version, summary from job_summary where job_id = $1', [body.id]);
  expect(kept.rows).toEqual([{ version: 5, summary: { needWh: 5 } }]);
});
