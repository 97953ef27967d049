import { blankJob } from '@joulemetric/core';
import pg from 'pg';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { type Database, openPool } from './database.ts';
import { migrate } from './migrate.ts';
import type { SavedJob } from './queries/job.ts';
import { jobWriter } from './queries/jobWriter.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const app = buildApp(pool, pino({ level: 'silent' }));

beforeAll(() => migrate(url));
afterAll(() => pool.end());

interface Made {
  readonly id: string;
  readonly workspace: string;
}

async function made(count: number): Promise<Made[]> {
  const ids = await Promise.all(
    Array.from({ length: count }, async () => (await request(app).post('/api/jobs').send(blankJob('New'))).body.id),
  );
  const { rows } = await pool.query<Made>(
    'select id, workspace_id as workspace from job where id = any($1) order by id',
    [ids],
  );
  return rows;
}

const titlesOf = async (jobs: readonly Made[]): Promise<Record<string, string>> => {
  const { rows } = await pool.query('select id, title from job where id = any($1)', [jobs.map(({ id }) => id)]);
  return Object.fromEntries(rows.map(({ id, title }) => [id, title]));
};

/** The pool, its statements counted by how many saves they hold. */
function counted(): { db: Database; sizes: number[] } {
  const sizes: number[] = [];
  const query = (asked: { values: unknown[] }) => {
    sizes.push((asked.values.length - 1) / 4);
    return pool.query(asked as pg.QueryConfig);
  };
  return { db: { query } as unknown as Database, sizes };
}

describe('saves of one turn', () => {
  it('store each its own document, eight with a statement, and answer each its own version', async () => {
    const jobs = await made(19);
    const { db, sizes } = counted();
    const save = jobWriter(db);
    const saved = await Promise.all(jobs.map((key, n) => save({ ...key, seen: 1, job: blankJob(`Job ${n}`) })));
    expect(sizes).toEqual([8, 8, 3]);
    expect(saved.map((answer) => [answer?.id, answer?.version])).toEqual(jobs.map(({ id }) => [id, 2]));
    expect(await titlesOf(jobs)).toEqual(Object.fromEntries(jobs.map(({ id }, n) => [id, `Job ${n}`])));
  });

  it('leave alone what was saved since, what is gone and what another workspace holds', async () => {
    const [mine, moved, gone, foreign] = (await made(4)) as [Made, Made, Made, Made];
    const save = jobWriter(pool);
    await save({ ...moved, seen: 1, job: blankJob('Newer') });
    await pool.query('delete from job where id = $1', [gone.id]);
    const elsewhere = { ...foreign, workspace: '00000000-0000-4000-8000-000000000000' };
    const answers = await Promise.all(
      [mine, moved, gone, elsewhere].map((key) => save({ ...key, seen: 1, job: blankJob('Written') })),
    );
    expect(answers.map((answer) => answer?.version ?? null)).toEqual([2, null, null, null]);
    expect(await titlesOf([mine, moved, foreign])).toEqual({
      [mine.id]: 'Written',
      [moved.id]: 'Newer',
      [foreign.id]: 'New',
    });
  });

  it('of one job by two hands: one is stored and told so, the other is not', async () => {
    const [key] = (await made(1)) as [Made];
    const save = jobWriter(pool);
    const answers = await Promise.all(['One', 'Two'].map((title) => save({ ...key, seen: 1, job: blankJob(title) })));
    const winner = answers.findIndex((answer) => answer !== null);
    expect(answers.map((answer) => answer?.version ?? null).sort()).toEqual([2, null]);
    expect(await titlesOf([key])).toEqual({ [key.id]: ['One', 'Two'][winner] });
  });

  it('what the database refuses of one is its own trouble alone', async () => {
    const jobs = await made(5);
    const { db, sizes } = counted();
    const save = jobWriter(db);
    // Half a character: text to us, nothing that PostgreSQL can store.
    const titles = ['a', 'b', 'c\ud800', 'd', 'e'];
    const outcomes = await Promise.allSettled(
      jobs.map((key, n) => save({ ...key, seen: 1, job: blankJob(titles[n] as string) })),
    );
    expect(outcomes.map(({ status }) => status)).toEqual([
      'fulfilled',
      'fulfilled',
      'rejected',
      'fulfilled',
      'fulfilled',
    ]);
    expect(sizes).toEqual([5, 1, 1, 1, 1, 1]);
    expect(Object.values(await titlesOf(jobs)).sort()).toEqual(['New', 'a', 'b', 'd', 'e']);
  });

  it('are not sent twice where no answer came: nobody knows whether they are stored', async () => {
    let sent = 0;
    const lost = Object.assign(new Error('read ECONNRESET'), { code: 'ECONNRESET', syscall: 'read' });
    const query = async () => {
      sent += 1;
      throw lost;
    };
    const save = jobWriter({ query } as unknown as Database);
    const outcomes = await Promise.allSettled(
      ['1', '2', '3'].map((id) => save({ workspace: 'w', id, seen: 1, job: blankJob('x') })),
    );
    expect(outcomes.map((outcome) => 'reason' in outcome && outcome.reason)).toEqual([lost, lost, lost]);
    expect(sent).toBe(1);
  });

  it('are tried alone where one waits for a lock that does not come', async () => {
    const head: SavedJob = { id: '2', version: 2, updatedAt: new Date() };
    const query = async ({ values }: { values: unknown[] }) => {
      if (values.includes('1')) throw Object.assign(new pg.DatabaseError('lock', 4, 'error'), { code: '55P03' });
      return { rows: [{ ...head, n: 0 }] };
    };
    const save = jobWriter({ query } as unknown as Database);
    const outcomes = await Promise.allSettled(
      ['1', '2'].map((id) => save({ workspace: 'w', id, seen: 1, job: blankJob('x') })),
    );
    expect(outcomes).toEqual([
      { status: 'rejected', reason: expect.objectContaining({ code: '55P03' }) },
      { status: 'fulfilled', value: head },
    ]);
  });
});
