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
    const put = await request(app).put(`/api/parts/${made.body.id}`).send(changed);
    expect(put.body).toEqual({ id: made.body.id, part: changed });
    await request(app).post('/api/parts').send(other);
    const { body } = await request(app).get('/api/parts');
    expect(body.map(({ part }: { part: { name: string } }) => part.name)).toEqual([other?.name, 'Our own']);
    expect((await request(app).delete(`/api/parts/${made.body.id}`)).status).toBe(204);
    expect((await request(app).delete(`/api/parts/${made.body.id}`)).body.code).toBe('unknown-part');
  });

  it.each([
    ['post', '/api/parts', { ...battery, capacityAh: -1 }, 422, 'invalid-part'],
    ['post', '/api/parts', { kind: 'lamp' }, 422, 'invalid-part'],
    ['put', `/api/parts/${NOBODY}`, battery, 404, 'unknown-part'],
    ['put', '/api/parts/x', battery, 404, 'unknown-part'],
  ] as const)('%s %s is refused and nothing kept', async (method, path, body, status, code) => {
    const answer = await request(app)
      [method](path)
      .send(body as object);
    expect([answer.status, answer.body.code]).toEqual([status, code]);
    expect((await pool.query('select count(*)::integer as n from part')).rows[0].n).toBe(0);
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
