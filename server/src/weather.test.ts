import { blankJob } from '@joulemetric/core';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { openPool } from './database.ts';
import { migrate } from './migrate.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const app = buildApp(pool, pino({ level: 'silent' }));

beforeAll(() => migrate(url));
beforeEach(() => pool.query('delete from job'));
afterAll(() => pool.end());

const NOBODY = '00000000-0000-4000-8000-000000000000';
const year = {
  latitudeDeg: -33.9,
  longitudeDeg: 18.4,
  utcOffsetH: 2,
  ghiWh: Array.from({ length: 8760 }, (_, i) => (i % 24) * 40.3),
  tempC: Array.from({ length: 8760 }, (_, i) => (i % 7) - 3.5),
};
const put = (id: string, body: object) => request(app).put(`/api/jobs/${id}/weather`).send(body);
const get = (id: string) => request(app).get(`/api/jobs/${id}/weather`);
const jobId = async (): Promise<string> => (await request(app).post('/api/jobs').send(blankJob('Sunny'))).body.id;
const kept = async (): Promise<number> =>
  (await pool.query('select count(*)::integer as n from job_weather')).rows[0].n;

describe('the hours of a job’s weather file', () => {
  it('are kept, given back to a tenth, replaced, and go with their job', async () => {
    const id = await jobId();
    expect([(await get(id)).status, (await get(id)).body.code]).toEqual([404, 'unknown-weather']);
    expect((await put(id, year)).status).toBe(204);
    const { body } = await get(id);
    expect(body).toMatchObject({ latitudeDeg: -33.9, longitudeDeg: 18.4, utcOffsetH: 2 });
    expect(body.tempC).toEqual(year.tempC);
    body.ghiWh.forEach((wh: number, i: number) => {
      expect(wh).toBeCloseTo((i % 24) * 40.3, 3);
    });
    const other = { ...year, tempC: new Array(8760).fill(7) };
    expect((await put(id, other)).status).toBe(204);
    expect((await get(id)).body.tempC[100]).toBe(7);
    expect(await kept()).toBe(1);
    // The job itself is as it was: hours are beside it.
    expect((await request(app).get(`/api/jobs/${id}`)).body.version).toBe(1);
    await request(app).delete(`/api/jobs/${id}`).expect(204);
    expect(await kept()).toBe(0);
  });

  it.each([
    ['an hour short', { ...year, ghiWh: year.ghiWh.slice(1) }, 422, 'invalid-weather'],
    ['colder than anywhere', { ...year, tempC: year.tempC.map(() => -91) }, 422, 'invalid-weather'],
    ['nothing', {}, 422, 'invalid-weather'],
    ['a list', [], 422, 'invalid-weather'],
  ])('%s is refused and those before stay', async (_, body, status, code) => {
    const id = await jobId();
    await put(id, year);
    const answer = await put(id, body);
    expect([answer.status, answer.body.code]).toEqual([status, code]);
    expect((await get(id)).body.tempC).toEqual(year.tempC);
  });

  it('of no job are not kept', async () => {
    for (const id of [NOBODY, 'x']) {
      expect((await put(id, year)).body.code).toBe('unknown-job');
      expect((await get(id)).status).toBe(404);
    }
    const text = await request(app).put(`/api/jobs/${NOBODY}/weather`).set('Content-Type', 'text/plain').send('1,2');
    expect(text.body.code).toBe('not-json');
    expect(await kept()).toBe(0);
  });
});
