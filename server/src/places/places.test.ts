import { fork } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { buildApp } from '../app.ts';
import { openPool } from '../database.ts';
import { migrate } from '../migrate.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const app = buildApp(pool, pino({ level: 'silent' }));
const find = (q: string) => request(app).get('/api/places').query({ q });
const names = async (q: string): Promise<string[]> => (await find(q)).body.map(({ name }: { name: string }) => name);

/** Runs the loader as the server does. */
async function load(): Promise<number> {
  const loader = fork(fileURLToPath(new URL('./load.ts', import.meta.url)), [], {
    execArgv: ['--import', 'tsx'],
    env: { ...process.env, DATABASE_URL: url },
  });
  const [code] = await once(loader, 'exit');
  return code;
}

beforeAll(async () => {
  await migrate(url);
  await pool.query('delete from place');
});
afterAll(() => pool.end());

describe('finding a place while the gazetteer is small', () => {
  beforeAll(async () => {
    await pool.query(`insert into place (id, name, plain, country, latitude, longitude, population) values
      (1, 'Ærøfold', lower(unaccent('Ærøfold')), 'XA', 55.5, -10.25, 900),
      (2, 'Quillstone', 'quillstone', 'XB', -33.5, 150, 50000),
      (3, 'Quillbury', 'quillbury', 'XB', -34, 151, 90000),
      (4, '100%_Town', '100%_town', 'XC', 1, 2, 5)`);
  });

  it('names that begin so come first, the largest of them first', async () => {
    expect(await names('quill')).toEqual(['Quillbury', 'Quillstone']);
    const { body } = await find('Quillstone');
    expect(body[0]).toEqual({
      id: 2,
      name: 'Quillstone',
      country: 'XB',
      latitudeDeg: -33.5,
      longitudeDeg: 150,
      population: 50000,
    });
  });

  it('accents, capitals and a slip of the finger do not matter', async () => {
    expect(await names('AEROFOLD')).toEqual(['Ærøfold']);
    expect(await names('qillstone')).toEqual(['Quillstone']);
  });

  it('signs of a search pattern are only signs', async () => {
    expect(await names('100%_')).toEqual(['100%_Town']);
    expect(await names('%%')).toEqual([]);
    expect(await names('__')).toEqual([]);
    expect(await names("'; drop table place; --")).toEqual([]);
  });

  it.each(['', 'q', ' q ', 'x'.repeat(81), 'qui\u0000ll'])('%j is refused', async (q) => {
    const { status, body } = await find(q);
    expect([status, body.code]).toEqual([422, 'invalid-search']);
  });
});

describe('filling the gazetteer', () => {
  it('leaves what is there, fills what is empty, and twice at once does it once', { timeout: 120_000 }, async () => {
    expect(await load()).toBe(0);
    expect((await pool.query('select count(*)::integer as n from place')).rows[0].n).toBe(4);
    await pool.query('delete from place');
    expect(await Promise.all([load(), load()])).toEqual([0, 0]);
    const { rows } = await pool.query('select count(*)::integer as n, max(abs(latitude)) as far from place');
    expect(rows[0].n).toBeGreaterThan(130_000);
    expect(rows[0].far).toBeLessThanOrEqual(90);
    // A capital on the equator, 78.5° W by any atlas.
    const [capital] = (await find('quito')).body;
    expect(Math.abs(capital.latitudeDeg)).toBeLessThan(0.5);
    expect(Math.abs(capital.longitudeDeg + 78.5)).toBeLessThan(0.5);
    await pool.query('delete from place');
  });
});
