import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { blankJob, instrumentReading, type SimulatedInstrument } from '@joulemetric/core';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { openPool } from './database.ts';
import { Live } from './logbook/live.ts';
import { Recorder } from './logbook/recorder.ts';
import { migrate } from './migrate.ts';
import { dropUnusedPhotos } from './queries/photo.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const silent = pino({ level: 'silent' });
const live = new Live();
const app = buildApp(pool, silent, { live });
const recorder = new Recorder(pool, silent, live);
let server: Server;
let base = '';

beforeAll(async () => {
  await migrate(url);
  server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
beforeEach(() => pool.query('delete from log; delete from reading; delete from reading_block'));
afterAll(async () => {
  recorder.close();
  server.close();
  server.closeAllConnections();
  await pool.end();
});

const LOG = {
  format: 'joulemetric-log',
  version: 1,
  name: 'Cool box',
  capacity: { ah: 100, chemistry: 'lfp' },
  reserve: 20,
};
const NOBODY = '00000000-0000-4000-8000-000000000000';

async function made(log: object = LOG): Promise<string> {
  const { body, status } = await request(app).post('/api/logs').send({ log });
  expect(status).toBe(201);
  return body.id;
}
const readings = (...those: object[]) => those.map((one) => ({ id: randomUUID(), ...one }));

/** What an import answered: its lines, the last of which says how it ended. */
async function imported(id: string, csv: string, query: Record<string, string> = {}) {
  const { text } = await request(app).post(`/api/logs/${id}/import`).query(query).type('text/csv').send(csv);
  const lines = text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line));
  return lines.at(-1) as {
    done?: Record<string, unknown> & { faults: { line: number; problem: string }[] };
    problem?: { code: string; detail: string };
  };
}
const rowsOf = async () => (await pool.query('select count(*)::integer as n from reading')).rows[0].n as number;

describe('logs', () => {
  it('are made, listed of a job, changed by who has seen the last version, and taken out', async () => {
    const id = await made();
    expect((await request(app).get('/api/logs')).body.map((one: { id: string }) => one.id)).toEqual([id]);
    expect((await request(app).get('/api/logs').query({ job: NOBODY })).body).toEqual([]);
    const { body: job } = await request(app).post('/api/jobs').send(blankJob('Of its own'));
    const { body: own } = await request(app).post('/api/logs').send({ log: LOG, jobId: job.id });
    const idsOf = async (of: string) =>
      (await request(app).get('/api/logs').query({ job: of })).body.map((one: { id: string }) => one.id);
    expect([await idsOf('none'), await idsOf(job.id)]).toEqual([[id], [own.id]]);
    await request(app).delete(`/api/logs/${own.id}`);
    const put = await request(app)
      .put(`/api/logs/${id}`)
      .set('If-Match', '"1"')
      .send({ log: { ...LOG, reserve: 30 } });
    expect(put.body).toMatchObject({ version: 2, log: { reserve: 30 } });
    const late = await request(app).put(`/api/logs/${id}`).set('If-Match', '"1"').send({ log: LOG });
    expect([late.status, late.body.code, late.body.current.version]).toEqual([412, 'version-conflict', 2]);
    await request(app)
      .post(`/api/logs/${id}/entries`)
      .send(readings({ at: '2026-06-01T10:00Z', soc: 50 }));
    expect((await request(app).delete(`/api/logs/${id}`)).status).toBe(204);
    expect((await request(app).get(`/api/logs/${id}`)).body.code).toBe('unknown-log');
    expect((await pool.query('select 1 from log_entry')).rowCount).toBe(0);
  });

  it.each([
    ['post', '/api/logs', { log: { ...LOG, reserve: 120 } }, 422, 'invalid-log'],
    ['post', '/api/logs', { log: { ...LOG, readings: [{ h: 0, soc: 5 }] } }, 422, 'invalid-log'],
    ['post', '/api/logs', { log: LOG, jobId: 'x' }, 422, 'invalid-log'],
    ['post', '/api/logs', {}, 422, 'invalid-log'],
    ['put', `/api/logs/${NOBODY}`, { log: LOG }, 428, 'version-required'],
    ['post', `/api/logs/${NOBODY}/entries`, [], 404, 'unknown-log'],
    ['get', '/api/logs/x', undefined, 404, 'unknown-log'],
    ['get', '/api/logs?job=5', undefined, 404, 'unknown-job'],
  ] as const)('%s %s is refused', async (method, path, body, status, code) => {
    const answer = await request(app)
      [method](path)
      .send(body as object);
    expect([answer.status, answer.body.code]).toEqual([status, code]);
  });
});

describe('readings put down by hand', () => {
  it('that are sent twice are there once, in the order of time', async () => {
    const id = await made();
    const sent = readings({ at: '2026-06-01T12:00Z', soc: 90 }, { at: '2026-06-01T10:00Z', soc: 100 });
    await request(app).post(`/api/logs/${id}/entries`).send(sent);
    const { body, status } = await request(app).post(`/api/logs/${id}/entries`).send(sent);
    expect(status).toBe(201);
    expect(body.map(({ entry }: { entry: { soc: number } }) => entry.soc)).toEqual([100, 90]);
  });

  it('are changed and taken out', async () => {
    const id = await made();
    const [one] = readings({ at: '2026-06-01T12:00Z', soc: 90 });
    await request(app).post(`/api/logs/${id}/entries`).send([one]);
    const put = await request(app).put(`/api/logs/${id}/entries/${one?.id}`).send({ at: '2026-06-01T12:30Z', soc: 88 });
    expect(put.body.t).toBe(Date.UTC(2026, 5, 1, 12, 30));
    expect((await request(app).delete(`/api/logs/${id}/entries/${one?.id}`)).status).toBe(204);
    expect((await request(app).delete(`/api/logs/${id}/entries/${one?.id}`)).body.code).toBe('unknown-reading');
  });

  it.each([
    [[{ at: '2026-06-01T12:00Z', soc: 90 }], /^\/0\/id/],
    [[{ id: NOBODY, soc: 90 }], /^\/0: expected a time/],
    [[{ id: NOBODY, at: 'soon', soc: 90 }], /^\/0\/at: not a time/],
    [[{ id: NOBODY, at: '2026-06-01T12:00Z', soc: 190 }], /^\/0\/soc: above 100/],
    [[{ id: NOBODY, at: '2026-06-01T12:00Z', soc: 'half' }], /^\/0\/soc: expected/],
    [{ id: NOBODY }, /list/],
  ])('%j is refused with its place', async (sent, detail) => {
    const id = await made();
    const { status, body } = await request(app).post(`/api/logs/${id}/entries`).send(sent);
    expect([status, body.code]).toEqual([422, 'invalid-reading']);
    expect(body.detail).toMatch(detail);
    expect((await pool.query('select 1 from log_entry')).rowCount).toBe(0);
  });

  it('say the case of the cool box as one would enter it', async () => {
    const id = await made();
    await request(app)
      .post(`/api/logs/${id}/entries`)
      .send(readings({ at: '2026-06-01T08:00Z', soc: 100 }, { at: '2026-06-07T02:04Z', soc: 14, mark: 'cut-out' }));
    const { body } = await request(app).get(`/api/logs/${id}/report`);
    expect(body.lengthH).toBeCloseTo(138.07, 2);
    expect(body.forecast.meanW).toBeCloseTo(7.97, 2);
    expect(body.forecast.fullToReserveH.value).toBeCloseTo(128.4, 1);
    expect(body.strandedAh).toBeCloseTo(14, 6);
  });

  it('say a night on a timer with times of the day alone', async () => {
    const id = await made({
      ...LOG,
      capacity: { wh: 123_000 },
      outages: [{ from: '04:55', to: '08:57' }],
      timers: [{ everyH: 12 }],
    });
    await request(app)
      .post(`/api/logs/${id}/entries`)
      .send(
        readings(
          { at: '16:55', soc: 57 },
          { at: '19:18', soc: 52 },
          { at: '08:57', soc: 39 },
          { at: '18:17', soc: 21 },
        ),
      );
    const { body } = await request(app).get(`/api/logs/${id}/report`);
    expect(body.forecast.fullToReserveH.value).toBeCloseTo(47.4, 1);
  });
});

describe('a photo of a display', () => {
  it('is kept as long as a reading names it', async () => {
    const { body: job } = await request(app).post('/api/jobs').send(blankJob('T'));
    const jobId = job.id as string;
    const owner = (await pool.query('select workspace_id from job where id = $1', [jobId])).rows[0].workspace_id;
    const { rows: photos } = await pool.query(
      `insert into label_photo (workspace_id, job_id, width, height, jpeg, created_at)
       select $1, $2, 1, 1, '\\xffd8'::bytea, now() - interval '2 days' from generate_series(1, 2) returning id`,
      [owner, jobId],
    );
    const { body } = await request(app).post('/api/logs').send({ log: LOG, jobId });
    await request(app)
      .post(`/api/logs/${body.id}/entries`)
      .send(readings({ at: '2026-06-01T10:00Z', soc: 57, photo: photos[0].id }));
    await dropUnusedPhotos(pool, owner, jobId);
    const { rows: left } = await pool.query('select id from label_photo where job_id = $1', [jobId]);
    expect(left).toEqual([{ id: photos[0].id }]);
    await pool.query('delete from job where id = $1', [jobId]);
    // The log outlives its job, among those of none.
    expect((await request(app).get(`/api/logs/${body.id}`)).body.jobId).toBeNull();
    expect((await request(app).get('/api/logs?job=none')).body.map((one: { id: string }) => one.id)).toEqual([body.id]);
  });
});

describe('a meter’s table', () => {
  const csv = (rows: readonly string[]) => ['Time,SoC (%),Power (W)', ...rows].join('\n');
  const hourly = (count: number, w = 60) =>
    csv(
      Array.from(
        { length: count },
        (_, h) => `${new Date(Date.UTC(2026, 5, 1, h)).toISOString().slice(0, 19)},${100 - h},${w}`,
      ),
    );

  it('is taken whole, with its zone and what its columns are', async () => {
    const id = await made();
    const { done } = await imported(id, hourly(11), { zone: 'Europe/Paris' });
    expect(done).toMatchObject({ taken: 11, rows: 11, faultCount: 0, fromT: Date.UTC(2026, 4, 31, 22) });
    expect(done?.columns).toEqual([
      { head: 'Time', as: 'time' },
      { head: 'SoC (%)', as: 'state of charge, %' },
      { head: 'Power (W)', as: 'watts, W' },
    ]);
    const { body } = await request(app).get(`/api/logs/${id}/report`);
    expect(body.energy.power.wh).toBeCloseTo(600, 6);
    expect((await request(app).get(`/api/logs/${id}`)).body).toMatchObject({ rows: 11, toT: Date.UTC(2026, 5, 1, 8) });
  });

  it('with bad rows is refused whole, and its good rows taken when asked', async () => {
    const id = await made();
    const bad = csv(['2026-06-01T10:00Z,50,60', '2026-06-01T11:00Z,150,60', '2026-06-01T12:00Z,48,lots']);
    const refused = await imported(id, bad);
    expect(refused.done).toMatchObject({ taken: 0, good: 1, faultCount: 2 });
    expect(refused.done?.faults.map(({ line }) => line)).toEqual([3, 4]);
    expect(await rowsOf()).toBe(0);
    expect((await imported(id, bad, { goodRows: 'yes' })).done).toMatchObject({ taken: 1 });
    expect(await rowsOf()).toBe(1);
  });

  it.each([
    ['PK\u0003\u0004rest', {}, /spreadsheet/],
    ['', {}, /at least one row|empty/],
    ['Time,Energy\n2026-06-01T10:00Z,5', {}, /Wh or kWh/],
    ['Time,W\n2026-06-01T10:00,5', { zone: 'Mars/Base' }, /no time zone/],
    ['Time,W\n2026-06-01T10:00Z,5', { map: '{"w":"Watts"}' }, /no column “Watts”/],
  ])('%j %j is refused and nothing kept', async (text, query, detail) => {
    const id = await made();
    const { problem } = await imported(id, text, query);
    expect(problem?.code).toBe('invalid-table');
    expect(problem?.detail).toMatch(detail);
    expect(await rowsOf()).toBe(0);
  });

  it('twice is not there twice: it is refused, or takes the place of what was there', async () => {
    const id = await made();
    await imported(id, hourly(11));
    expect((await imported(id, hourly(11))).problem?.code).toBe('readings-there');
    expect((await imported(id, hourly(11, 80), { replace: 'yes' })).done).toMatchObject({ taken: 11 });
    expect(await rowsOf()).toBe(11);
    expect((await request(app).get(`/api/logs/${id}/report`)).body.energy.power.meanW).toBeCloseTo(80, 6);
  });

  it('is drawn by least, greatest and mean, of single readings and of blocks alike', async () => {
    const id = await made();
    const minute = (i: number) =>
      `${new Date(Date.UTC(2026, 5, 1, 0, i)).toISOString().slice(0, 19)},50,${i % 640 === 7 ? 900 : 10 + (i % 5)}`;
    await imported(id, csv(Array.from({ length: 6400 }, (_, i) => minute(i))));
    expect((await pool.query('select count(*)::integer as n from reading_block')).rows[0].n).toBe(100);
    const chart = async (points: number) =>
      (await request(app).get(`/api/logs/${id}/chart`).query({ of: 'w', points })).body as {
        least: number;
        most: number;
        mean: number;
      }[];
    for (const points of [10, 1000]) {
      const found = await chart(points);
      expect(found.length).toBeLessThanOrEqual(points + 1);
      expect(Math.max(...found.map(({ most }) => most))).toBe(900);
      expect(Math.min(...found.map(({ least }) => least))).toBe(10);
    }
    // Ten of 640 minutes each: one of 900 W and 639 of 12 on average.
    expect((await chart(10)).slice(0, 10).map(({ mean }) => Math.round(mean))).toEqual(
      Array.from({ length: 10 }, () => 13),
    );
    const zoomed = await request(app)
      .get(`/api/logs/${id}/chart`)
      .query({ of: 'w', from: Date.UTC(2026, 5, 1), to: Date.UTC(2026, 5, 1, 0, 10), points: 500 });
    expect(zoomed.body).toHaveLength(11);
    expect((await request(app).get(`/api/logs/${id}/chart`).query({ of: 'mood' })).body.code).toBe('invalid-search');
  });

  it('of an older time makes the blocks anew, and a long log says the same as its readings', async () => {
    const id = await made();
    const day = (d: number) =>
      csv(
        Array.from(
          { length: 1440 },
          (_, i) => `${new Date(Date.UTC(2026, 5, d, 0, i)).toISOString().slice(0, 19)},50,${i % 2 ? 20 : 40}`,
        ),
      );
    await imported(id, day(2));
    await imported(id, day(1));
    const { rows } = await pool.query('select from_t, to_t, n from reading_block order by from_t');
    expect(rows).toHaveLength(45);
    expect(rows.every(({ from_t }, i) => i === 0 || from_t > rows[i - 1].to_t)).toBe(true);
    expect(rows.reduce((sum, { n }) => sum + n, 0)).toBe(2880);
  });

  it('that counts from its beginning has no date', async () => {
    const id = await made();
    const { done } = await imported(id, 'Elapsed (h),SoC (%)\n0,100\n10,80\n20,60');
    expect(done).toMatchObject({ taken: 3, dated: false });
    const { body } = await request(app).get(`/api/logs/${id}/report`);
    expect([body.start, body.lengthH]).toEqual([null, 20]);
  });

  it('keeps counters as exactly as they are written, other quantities to their digits, and gaps', async () => {
    const id = await made();
    const csv =
      'Time,SoC (%),Voltage (V),Energy (Wh),Charge (Ah)\n2026-06-01 10:00:00,80,12.83,123456789.25,\n2026-06-01 11:00:00,,-1.5,123456789.75,98765.4321\n';
    const { done } = await imported(id, csv);
    expect(done).toMatchObject({ taken: 2, faultCount: 0 });
    const { rows } = await pool.query(
      'select t, soc, v, wh, ah, w from reading where log = (select number from log where id = $1) order by t',
      [id],
    );
    const [first, second] = rows;
    expect(first).toEqual({ t: Date.UTC(2026, 5, 1, 10), soc: 80, v: 12.83, wh: 123456789.25, ah: null, w: null });
    expect(second).toEqual({ ...second, soc: null, v: -1.5, wh: 123456789.75, ah: 98765.4321 });
  });

  it('goes out again as CSV and as a log file', async () => {
    const id = await made();
    await imported(id, hourly(3));
    const { text } = await request(app).get(`/api/logs/${id}/readings.csv`);
    expect(text.split('\n')).toHaveLength(5);
    const again = await made();
    expect((await imported(again, text)).done).toMatchObject({ taken: 3, faultCount: 0 });
    await request(app)
      .post(`/api/logs/${id}/entries`)
      .send(readings({ at: '2026-06-01T10:00Z', soc: 90 }));
    expect((await request(app).get(`/api/logs/${id}/file`)).body).toMatchObject({ ...LOG, readings: [{ soc: 90 }] });
  });
});

const steady = (w: number) => {
  const list = (value: number) => Array.from({ length: 24 }, () => value);
  return {
    stepMin: 60,
    ah: 100,
    w: list(w),
    needW: list(w),
    soc: list(0.8),
    v: list(13),
    airC: list(15),
    storeC: list(18),
  };
};

describe('what nobody can have read', () => {
  it.each<[string, object, RegExp]>([
    ['a share above all', { soc: 500 }, /soc: above 100/],
    ['volts of a power line', { v: 11_000 }, /\/0\/v/],
    ['nothing at all', {}, /found none of them/],
    ['a note of blanks', { note: '   ' }, /found none of them/],
    ['a photo that is an address', { photo: 'http://elsewhere.example/x' }, /photo/],
    ['a note that is a number', { note: 5 }, /note/],
  ])('%s is refused with its place, and nothing of the list is stored', async (_what, part, detail) => {
    const id = await made();
    const at = '2026-06-01T10:00Z';
    const sent = readings({ at, ...part }, { at, soc: 90 });
    const { status, body } = await request(app).post(`/api/logs/${id}/entries`).send(sent);
    expect([status, body.code]).toEqual([422, 'invalid-reading']);
    expect(body.detail).toMatch(detail);
    expect((await request(app).get(`/api/logs/${id}`)).body.entries).toEqual([]);
  });

  it.each([{ mark: 'start' }, { note: 'lid open' }, { photo: NOBODY }, { toGo: '1 d' }, { soc: 0 }])(
    '%j is a reading',
    async (part) => {
      const id = await made();
      await request(app)
        .post(`/api/logs/${id}/entries`)
        .send(readings({ at: '2026-06-01T10:00Z', ...part }))
        .expect(201);
    },
  );

  it('a table of another character set is read as such, and said to be', async () => {
    const id = await made();
    const bytes = Buffer.from('Time,Temp \xb0C\n2026-06-01T10:00Z,21.5\n', 'latin1');
    const { text } = await request(app).post(`/api/logs/${id}/import`).type('text/csv').send(bytes);
    const { done } = JSON.parse(text.trim().split('\n').at(-1) ?? '');
    expect(done).toMatchObject({ taken: 1, notes: [expect.stringContaining('windows-1252')] });
    const { rows } = await pool.query('select c from reading');
    expect(rows).toEqual([{ c: 21.5 }]);
    const other = await request(app)
      .post(`/api/logs/${id}/import`)
      .set('Content-Type', 'text/csv; charset=utf-16')
      .send(bytes);
    expect([other.status, other.body.code]).toEqual([415, 'unknown-charset']);
  });
});

describe('a file of many readings', () => {
  it('is complete where several instruments recorded at one moment, whatever is read at a time', async () => {
    const id = await made();
    const { rows } = await pool.query('select number from log where id = $1', [id]);
    // 5,000 rows are read at a time: the pairs of one moment lie across that edge.
    await pool.query(
      'insert into reading (log, t, w) select $1, 1e12 + (n / 2) * 1000, n from generate_series(1, 12001) n',
      [rows[0].number],
    );
    const { text } = await request(app).get(`/api/logs/${id}/readings.csv`);
    expect(text.trim().split('\n')).toHaveLength(12_002);
  });

  it('is read no faster than it is taken, a few at once, and the others are told to come again', async () => {
    const id = await made();
    const { rows } = await pool.query('select number from log where id = $1', [id]);
    await pool.query(
      'insert into reading (log, t, w, v) select $1, 1e12 + n * 1000, n, 12.8 from generate_series(1, 300000) n',
      [rows[0].number],
    );
    const before = process.memoryUsage().rss;
    const readers = Array.from({ length: 12 }, () => {
      const socket = connect((server.address() as AddressInfo).port, '127.0.0.1');
      socket.on('error', () => {});
      socket.write(`GET /api/logs/${id}/readings.csv HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n`);
      return new Promise<{ socket: typeof socket; status: string }>((resolve) =>
        socket.once('data', (data) => {
          socket.pause();
          resolve({ socket, status: data.toString().slice(9, 12) });
        }),
      );
    });
    const taken = await Promise.all(readers);
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect(taken.map(({ status }) => status).sort()).toEqual([...Array(6).fill('200'), ...Array(6).fill('429')]);
    expect((await request(app).get('/api/health')).status).toBe(200);
    // Six files of 17 MB that nobody takes: what lies ready is a few pieces of each.
    expect(process.memoryUsage().rss - before).toBeLessThan(90_000_000);
    for (const { socket } of taken) socket.destroy();
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect((await request(app).get(`/api/logs/${id}/readings.csv`)).text.length).toBeGreaterThan(10_000_000);
  });
});

describe('simulated instruments', () => {
  const begin = async (id: string, more: object = {}) =>
    (
      await request(app)
        .post(`/api/logs/${id}/instruments`)
        .send({ kind: 'monitor', everyS: 1, truth: steady(39), ...more })
    ).body as { id: string; startedMs: number };

  it('record once each what was due, however often anybody looks and whoever else does', async () => {
    const id = await made();
    const instruments = await Promise.all([
      begin(id, { seed: 1 }),
      begin(id, { seed: 2, kind: 'plug' }),
      begin(id, { seed: 3, kind: 'clamp' }),
    ]);
    const started = instruments[0]?.startedMs ?? 0;
    const other = new Recorder(pool, silent, live);
    for (const seconds of [5, 5, 20, 100, 100])
      await Promise.all([recorder.look(started + seconds * 1000 + 500), other.look(started + seconds * 1000 + 500)]);
    await recorder.look(started + 100_500);
    const { rows } = await pool.query('select t, a, w from reading order by t');
    const monitor = rows.filter(({ t }) => (t - Math.round(started)) % 1000 === 0);
    expect(new Set(monitor.map(({ t }) => t)).size).toBe(101);
    // Three instruments that began within moments of one another: 303 readings, give or take the last of each.
    expect(rows.length).toBeGreaterThanOrEqual(300);
    expect(rows.length).toBeLessThanOrEqual(303);
  });

  it('what was due while the database was away is stored afterwards', async () => {
    const id = await made();
    const { startedMs } = await begin(id);
    const away = openPool('postgres://nobody@127.0.0.1:1/none');
    const lost = new Recorder(away, silent, live);
    await lost.look(startedMs + 30_000);
    await away.end();
    expect(await rowsOf()).toBe(0);
    await recorder.look(startedMs + 60_000);
    expect(await rowsOf()).toBe(61);
    // After a long stop it catches up in steps, and loses none.
    for (let i = 0; i < 4; i++) await recorder.look(startedMs + 900_000);
    expect(await rowsOf()).toBe(901);
  });

  it('show what is so, with the noise and rounding of a shunt, and end when told', async () => {
    const id = await made();
    const one = await begin(id);
    await recorder.look(one.startedMs + 200_000);
    const { rows } = await pool.query(
      'select avg(a) as a, min(soc) as soc, count(distinct a)::integer as kinds from reading',
    );
    expect(rows[0].a).toBeCloseTo(-3, 1);
    expect(rows[0].soc).toBe(80);
    expect(rows[0].kinds).toBeGreaterThan(1);
    await request(app).patch(`/api/logs/${id}/instruments/${one.id}`).send({ stopped: true }).expect(428);
    await request(app).patch(`/api/logs/${id}/instruments/${one.id}`).set('If-Match', '"1"').send({ stopped: true });
    await recorder.look(one.startedMs + 400_000);
    expect(await rowsOf()).toBe(201);
    expect((await request(app).get(`/api/logs/${id}/instruments`)).body).toEqual([
      expect.objectContaining({ stopped: true, stored: 201 }),
    ]);
  });

  it('are made once under their maker’s id, and changed by whoever has seen their version', async () => {
    const id = await made();
    const own = '0a1b2c3d-0000-4000-8000-000000000001';
    const make = () =>
      request(app)
        .put(`/api/logs/${id}/instruments/${own}`)
        .set('If-None-Match', '*')
        .send({ kind: 'plug', truth: steady(39) });
    expect([(await make()).status, (await make()).status]).toEqual([201, 200]);
    const change = (version: number, part: object) =>
      request(app).patch(`/api/logs/${id}/instruments/${own}`).set('If-Match', `"${version}"`).send(part);
    await change(1, { faults: ['drift'] }).expect(200);
    const second = await change(1, { faults: ['stuck'] });
    expect([second.status, second.body.code]).toEqual([412, 'version-conflict']);
    expect(second.body.current).toMatchObject({ id: own, version: 2, faults: ['drift'] });
    for (const part of [{ zeroed: 'yes' }, { stopped: 1 }])
      expect((await change(2, part)).body.code).toBe('invalid-instrument');
    expect((await request(app).get(`/api/logs/${id}/instruments`)).body).toHaveLength(1);
  });

  it('of many started at once a log gets as many as it may, and no more', async () => {
    const id = await made();
    const answers = await Promise.all(
      Array.from({ length: 26 }, () =>
        request(app)
          .post(`/api/logs/${id}/instruments`)
          .send({ kind: 'plug', truth: steady(39) }),
      ),
    );
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(20);
    expect(answers.find(({ status }) => status !== 201)?.body.code).toBe('list-full');
    expect((await request(app).get(`/api/logs/${id}/instruments`)).body).toHaveLength(20);
  });

  it('that record as many as there may be end by themselves', async () => {
    const id = await made();
    const { startedMs } = await begin(id);
    await pool.query('update log_instrument set stored = 99990');
    await recorder.look(startedMs + 200_000_000);
    await recorder.look(startedMs + 200_000_000);
    expect((await request(app).get(`/api/logs/${id}/instruments`)).body).toMatchObject([
      { stored: 100_000, stopped: true },
    ]);
    expect(await rowsOf()).toBe(10);
  });

  it('of all logs are told in one stream, each with its log', async () => {
    const [one, other] = [await made(), await made()];
    const { startedMs } = await begin(one);
    await begin(other);
    const gone = new AbortController();
    const { body } = await fetch(`${base}/api/logs/live`, { signal: gone.signal });
    const stream = body?.getReader();
    let text = '';
    while (!(text.includes(`"log":"${one}"`) && text.includes(`"log":"${other}"`))) {
      if (text.includes('retry')) await recorder.look(startedMs + 2000 + text.length);
      const { value, done } = (await stream?.read()) ?? { done: true };
      if (done) break;
      text += new TextDecoder().decode(value);
    }
    expect(text).toContain(`"log":"${other}"`);
    gone.abort();
  });

  it('are told live to whoever watches', async () => {
    const id = await made();
    const { startedMs } = await begin(id);
    const gone = new AbortController();
    const { body } = await fetch(`${base}/api/logs/${id}/live`, { signal: gone.signal });
    const stream = body?.getReader();
    const text: string[] = [];
    const until = async (pattern: RegExp) => {
      while (!pattern.test(text.join(''))) {
        const { value, done } = (await stream?.read()) ?? { done: true };
        if (done) break;
        text.push(new TextDecoder().decode(value));
      }
    };
    await until(/retry/);
    await recorder.look(startedMs + 2000);
    await until(/data: .*"soc":80/);
    expect(text.join('')).toMatch(/"values":\{"v":1[23]/);
    gone.abort();
  });

  it.each([
    [{ kind: 'lamp' }, /kind/],
    [{ everyS: 0 }, /everyS/],
    [{ speed: 7 }, /speed/],
    [{ speed: 600, everyS: 1 }, /at most 60 readings a second/],
    [{ zeroed: 'yes' }, /zeroed/],
    [{ faults: ['moody'] }, /faults/],
    [{ truth: { ...steady(5), w: [] } }, /truth\/w/],
    [{ truth: { ...steady(5), v: [0] } }, /truth/],
    [{ truth: { ...steady(5), soc: Array(24).fill(500) } }, /truth\/soc/],
    [{ truth: { ...steady(5), airC: Array(24).fill(5000) } }, /truth\/airC/],
  ])('%j is refused', async (more, detail) => {
    const id = await made();
    const { status, body } = await request(app)
      .post(`/api/logs/${id}/instruments`)
      .send({ kind: 'monitor', truth: steady(5), ...more });
    expect([status, body.code]).toEqual([422, 'invalid-instrument']);
    expect(body.detail).toMatch(detail);
  });

  it('a plug-in meter’s counter is the integral of what is so, and its watts too', () => {
    const truth = { ...steady(0), needW: Array.from({ length: 24 }, (_, h) => 40 + 20 * Math.sin((h / 12) * Math.PI)) };
    const plug: SimulatedInstrument = { kind: 'plug', seed: 4, everyS: 60, truth, faults: [], zeroed: false };
    const days = 3;
    const shown = Array.from({ length: days * 1440 + 1 }, (_, n) => instrumentReading(plug, n));
    // The sine's mean is 0 over a day: 40 W for three days, a counter of 10 Wh.
    expect(shown.at(-1)?.wh).toBe(40 * 24 * days);
    const sum = shown.slice(1).reduce((total, reading) => total + (reading?.w ?? 0) / 60, 0);
    expect(sum).toBeGreaterThan(40 * 24 * days * 0.999);
    expect(sum).toBeLessThan(40 * 24 * days * 1.001);
  });

  it('that misbehave do so as they were told', () => {
    const of = (faults: SimulatedInstrument['faults'], kind: SimulatedInstrument['kind'], n: number) =>
      instrumentReading({ kind, seed: 7, everyS: 60, truth: steady(39), faults, zeroed: false }, n);
    const lost = Array.from({ length: 600 }, (_, n) => of(['drop-outs'], 'monitor', n)).filter(
      (one) => one === null,
    ).length;
    expect(lost).toBeGreaterThan(60);
    expect(lost).toBeLessThan(200);
    expect(of(['stuck'], 'monitor', 500)).toEqual(of(['stuck'], 'monitor', 900));
    expect(of(['wrong-sign'], 'monitor', 5)?.a).toBeCloseTo(3, 0);
    expect(of(['thousandfold'], 'plug', 100)?.w).toBeCloseTo(0.039, 2);
    expect(of(['reset'], 'plug', 120)?.wh).toBe(30);
    expect(of([], 'plug', 120)?.wh).toBe(70);
    expect(of(['drift'], 'thermometer', 1440)?.c).toBeCloseTo(19, 0);
    const off = of([], 'clamp', 3)?.a ?? 0;
    const zeroed =
      instrumentReading({ kind: 'clamp', seed: 7, everyS: 60, truth: steady(39), faults: [], zeroed: true }, 3)?.a ?? 0;
    expect(Math.abs(zeroed - 3)).toBeLessThan(0.3);
    expect(Math.abs(off - 3)).toBeGreaterThan(Math.abs(zeroed - 3));
  });
});
