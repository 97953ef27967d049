import { readdirSync, readFileSync } from 'node:fs';
import { Readable } from 'node:stream';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { openPool } from '../database.ts';
import { migrate } from '../migrate.ts';
import { takeTable } from './takeTable.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
let log = 0;

beforeAll(() => migrate(url));
beforeEach(async () => {
  await pool.query('delete from log; delete from reading; delete from reading_block');
  const { rows } = await pool.query(
    `insert into log (workspace_id, document) select id, '{"format":"joulemetric-log","version":1}' from workspace limit 1 returning number`,
  );
  log = Number(rows[0].number);
});
afterAll(() => pool.end());

/** Readers that this process has started. */
const readers = (): number[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        const [, after = ''] = readFileSync(`/proc/${name}/stat`, 'utf8').split(') ');
        const isOurs = after.split(' ')[1] === String(process.pid);
        return isOurs && readFileSync(`/proc/${name}/cmdline`, 'utf8').includes('tableProgram');
      } catch {
        // It ended meanwhile.
        return false;
      }
    })
    .map(Number);

const row = (i: number): string => `${new Date(Date.UTC(2026, 5, 1, 0, 0, i)).toISOString().slice(0, 19)}Z,${i % 90}\n`;
function* table(rows: number): Generator<string> {
  yield 'Time,Power (W)\n';
  for (let i = 0; i < rows; i += 1000) yield Array.from({ length: 1000 }, (_, k) => row(i + k)).join('');
}
/** A table of which the second half never comes. */
async function* halfSent(rows: number): AsyncGenerator<string> {
  yield* table(rows);
  await new Promise(() => undefined);
}
const ask = () => ({ log, map: {}, dates: null, zone: 'UTC', goodRows: false });
const kept = async (): Promise<number[]> =>
  (
    await pool.query(
      'select (select count(*)::integer from reading) as rows, (select count(*)::integer from reading_block) as blocks',
    )
  ).rows.map(({ rows, blocks }: { rows: number; blocks: number }) => rows + blocks);
const killReaders = () => {
  const found = readers();
  for (const pid of found) process.kill(pid, 'SIGKILL');
  return found.length;
};

describe('the reader of a table dies', () => {
  it('while it reads: it is said, nothing is stored, and the next table is taken', { timeout: 60_000 }, async () => {
    let killed = 0;
    const body = Readable.from(halfSent(60_000));
    const taking = takeTable(
      url,
      ask(),
      body,
      false,
      () => {
        killed += killReaders();
      },
      new AbortController().signal,
    );
    await expect(taking).rejects.toMatchObject({ code: 'invalid-table' });
    expect(killed).toBe(1);
    body.destroy();
    expect(await kept()).toEqual([0]);
    const again = takeTable(
      url,
      ask(),
      Readable.from(table(2000)),
      false,
      () => undefined,
      new AbortController().signal,
    );
    expect((await again).taken).toBe(2000);
  });

  it('while its rows are stored: none of them is there', { timeout: 60_000 }, async () => {
    let killed = 0;
    const taking = takeTable(
      url,
      ask(),
      Readable.from(table(200_000)),
      false,
      (stage) => {
        if (stage === 'storing') killed += killReaders();
      },
      new AbortController().signal,
    );
    await expect(taking).rejects.toBeInstanceOf(Error);
    expect(killed).toBe(1);
    expect(await kept()).toEqual([0]);
    expect(readers()).toEqual([]);
  });

  it('whoever sent it goes away in the middle: the reader ends, nothing is stored', { timeout: 60_000 }, async () => {
    const gone = new AbortController();
    const body = Readable.from(halfSent(60_000));
    const taking = takeTable(url, ask(), body, false, () => gone.abort(), gone.signal);
    await expect(taking).rejects.toMatchObject({ code: 'invalid-table' });
    body.destroy();
    expect(await kept()).toEqual([0]);
    await expect.poll(readers).toEqual([]);
  });
});
