import { PARTS } from '@joulemetric/core';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { openPool } from './database.ts';
import { migrate } from './migrate.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const app = buildApp(pool, pino({ level: 'silent' }));
const [battery, other] = PARTS;

beforeAll(() => migrate(url));
beforeEach(() => pool.query('delete from part'));
afterAll(() => pool.end());

const NOBODY = '00000000-0000-4000-8000-000000000000';

describe('the firm’s own parts', () => {
  it('are kept, changed, listed by kind and name, and taken out', async () => {
    const made = await request(app).post('/api/parts').send(battery);
    expect(made.status).toBe(201);
    expect(made.headers.location).toBe(`/api/parts/${made.body.id}`);
    const changed = { ...battery, name: 'Our own', price: 99 };
    const put = await request(app).put(`/api/parts/${made.body.id}`).set('If-Match', '"1"').send(changed);
    expect(put.body).toEqual({ id: made.body.id, version: 2, part: changed });
    await request(app).post('/api/parts').send(other);
    const { body } = await request(app).get('/api/parts');
    expect(body.map(({ part }: { part: { name: string } }) => part.name)).toEqual([other?.name, 'Our own']);
    expect((await request(app).delete(`/api/parts/${made.body.id}`)).status).toBe(204);
    expect((await request(app).delete(`/api/parts/${made.body.id}`)).body.code).toBe('unknown-part');
  });

  it.each([
    ['post', '/api/parts', { ...battery, capacityAh: -1 }, 422, 'invalid-part'],
    ['post', '/api/parts', { kind: 'lamp' }, 422, 'invalid-part'],
    ['put', `/api/parts/${NOBODY}`, battery, 428, 'version-required'],
    ['put', '/api/parts/x', battery, 404, 'unknown-part'],
  ] as const)('%s %s is refused and nothing kept', async (method, path, body, status, code) => {
    const answer = await request(app)
      [method](path)
      .send(body as object);
    expect([answer.status, answer.body.code]).toEqual([status, code]);
    expect((await pool.query('select count(*)::integer as n from part')).rows[0].n).toBe(0);
  });

  it('a second writer is told what is there, and nothing of the first is overwritten', async () => {
    const { body } = await request(app).post('/api/parts').send(battery);
    const save = (version: number, price: number) =>
      request(app)
        .put(`/api/parts/${body.id}`)
        .set('If-Match', `"${version}"`)
        .send({ ...battery, price });
    await save(1, 70).expect(200);
    const second = await save(1, 80);
    expect([second.status, second.body.code]).toEqual([412, 'version-conflict']);
    expect(second.body.current).toMatchObject({ id: body.id, version: 2, part: { price: 70 } });
    const gone = await request(app).delete(`/api/parts/${body.id}`).set('If-Match', '"1"');
    expect(gone.body.code).toBe('version-conflict');
    await request(app).delete(`/api/parts/${body.id}`).set('If-Match', '"2"').expect(204);
    expect((await save(2, 90)).body.code).toBe('unknown-part');
  });

  it('is made once under its maker’s id, however often it is sent', async () => {
    const make = (id: string, part = battery) =>
      request(app).put(`/api/parts/${id}`).set('If-None-Match', '*').send(part);
    expect((await make(NOBODY)).status).toBe(201);
    const again = await make(NOBODY, other);
    expect([again.status, again.body.part.name]).toEqual([200, battery?.name]);
    expect((await make('no-id')).body.code).toBe('unknown-part');
    expect((await request(app).get('/api/parts')).body).toHaveLength(1);
  });

  it('of many made at once none gets past the limit', async () => {
    await request(app).get('/api/parts');
    await pool.query(
      `insert into part (workspace_id, document) select workspace.id, $1 from workspace, generate_series(1, 1997) where slug = 'demo'`,
      [JSON.stringify(battery)],
    );
    const answers = await Promise.all(Array.from({ length: 8 }, () => request(app).post('/api/parts').send(battery)));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 201, 201, 409, 409, 409, 409, 409]);
    expect((await pool.query('select count(*)::integer as n from part')).rows[0].n).toBe(2000);
  });

  it('a full list says so', async () => {
    await request(app).get('/api/parts');
    await pool.query(
      `insert into part (workspace_id, document) select workspace.id, $1 from workspace, generate_series(1, 2000) where slug = 'demo'`,
      [JSON.stringify(battery)],
    );
    const { status, body } = await request(app).post('/api/parts').send(battery);
    expect([status, body.code]).toEqual([409, 'list-full']);
  });
});
