import { readFileSync } from 'node:fs';
import { blankJob, blankSupply, type Job, SCHEMA_VERSION } from '@joulemetric/core';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { openPool } from './database.ts';
import { seedDemo } from './demo.ts';
import { PROBLEMS } from './errors.ts';
import { migrate } from './migrate.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const lines: string[] = [];
const app = buildApp(pool, pino({ level: 'info' }, { write: (line) => lines.push(line) }));
const job = (title: string): Job => blankJob(title);

beforeAll(async () => {
  // Two servers may start at once: the migrations run once, under a lock.
  await Promise.all([migrate(url), migrate(url), migrate(url)]);
});
beforeEach(async () => {
  await pool.query('delete from job');
  lines.length = 0;
});
afterAll(() => pool.end());

const create = (title: string) => request(app).post('/api/jobs').send(job(title));

describe('jobs', () => {
  it('are created, listed with the newest first, read, saved and deleted', async () => {
    const first = await create('First').expect(201);
    await create('Second').expect(201);
    expect(first.headers.location).toBe(`/api/jobs/${first.body.id}`);

    const list = await request(app).get('/api/jobs').expect(200);
    expect(list.body.map((entry: { title: string }) => entry.title)).toEqual(['Second', 'First']);
    expect(list.body[0]).toMatchObject({ version: 1, loads: 0 });

    const saved = await request(app)
      .put(`/api/jobs/${first.body.id}`)
      .set('If-Match', '"1"')
      .send(job('First, changed'))
      .expect(200);
    // What was sent is what is stored, and does not come back.
    expect(saved.body).toEqual({ id: first.body.id, version: 2, updatedAt: expect.any(String) });
    expect(saved.headers.etag).toBe('"2"');
    const read = await request(app).get(`/api/jobs/${first.body.id}`).expect(200);
    expect(read.body.job).toEqual(job('First, changed'));
    expect(read.headers.etag).toBe('"2"');

    await request(app).delete(`/api/jobs/${first.body.id}`).expect(204);
    await request(app).get(`/api/jobs/${first.body.id}`).expect(404);
    await request(app).delete(`/api/jobs/${first.body.id}`).expect(404);
  });

  it('are refused with the place of what is wrong in a supply, a mark or an inverter', async () => {
    const good = job('Plugged');
    const refuse = async (bad: unknown, path: string) => {
      const { body } = await request(app)
        .post('/api/jobs')
        .send(bad as object)
        .expect(422);
      expect(body.faults.map((fault: { path: string }) => fault.path)).toContain(path);
    };
    const hookup = blankSupply('hookup', '230V-50Hz');
    const withSupplies = (...supplies: unknown[]) => ({ ...good, brief: { ...good.brief, supplies } });
    await refuse(withSupplies({ ...hookup, amps: -6 }), '/brief/supplies/0/amps');
    await refuse(withSupplies({ ...hookup, share: 0.2 }), '/brief/supplies/0/share');
    await refuse(withSupplies(hookup, hookup), '/brief/supplies/1/id');
    await refuse(withSupplies({ ...hookup, kind: 'windmill' }), '/brief/supplies/0/kind');
    await refuse(
      { ...good, together: { atMost: [{ loads: ['x', 'y'], most: 1 }], always: [] } },
      '/together/atMost/0/loads/0',
    );
    await refuse({ ...good, rules: { ...good.rules, coincide: 'sometimes' } }, '/rules/coincide');
    expect((await request(app).get('/api/jobs')).body).toEqual([]);
    await request(app).post('/api/jobs').send(withSupplies(hookup)).expect(201);
  });

  it('are never overwritten by somebody who has not seen the newest version', async () => {
    const { body } = await create('Shared');
    const save = (version: string, title: string) =>
      request(app).put(`/api/jobs/${body.id}`).set('If-Match', version).send(job(title));
    await save('"1"', 'Mine').expect(200);
    const refused = await save('"1"', 'Theirs').expect(412);
    expect(refused.body).toMatchObject({ code: 'version-conflict', current: { version: 2, job: { title: 'Mine' } } });
    await request(app).put(`/api/jobs/${body.id}`).send(job('No version')).expect(428);
  });

  it('let exactly one of many writers at once win', async () => {
    const { body } = await create('Race');
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        request(app)
          .put(`/api/jobs/${body.id}`)
          .set('If-Match', '"1"')
          .send(job(`Writer ${i}`)),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array(11).fill(412)]);
  });
});

describe('bad input is a clear 4xx and writes nothing', () => {
  const count = async () => (await pool.query('select count(*)::integer as n from job')).rows[0].n;
  const spoiled = (change: object) => ({ ...job('Spoiled'), ...change });

  it.each([
    ['negative nights', spoiled({ brief: { ...job('x').brief, nightsOffGrid: -1 } }), '/brief/nightsOffGrid'],
    ['a 400-character name', spoiled({ title: 'x'.repeat(400) }), '/title'],
    ['a NUL in the name', spoiled({ title: 'a\u0000b' }), '/title'],
    ['an unknown key', spoiled({ admin: true }), '/admin'],
    ['no job at all', [1, 2], '/'],
    ['null', null, '/'],
  ])('%s', async (_what, body, path) => {
    const answer = await request(app)
      .post('/api/jobs')
      .set('Content-Type', 'application/json')
      .send(JSON.stringify(body));
    expect(answer.status).toBe(422);
    expect(answer.headers['content-type']).toContain('application/problem+json');
    expect(answer.body.faults[0].path).toBe(path);
    expect(await count()).toBe(0);
  });

  it.each([
    ['malformed JSON', '{"title": NaN}', 'application/json', 400],
    ['an empty body', '', 'application/json', 422],
    ['a form', 'a=b', 'application/x-www-form-urlencoded', 415],
    ['no JSON type', '{}', 'text/plain', 415],
    ['more than 1 MB', JSON.stringify({ title: 'x'.repeat(1_100_000) }), 'application/json', 413],
  ])('%s', async (_what, body, type, status) => {
    const answer = await request(app).post('/api/jobs').set('Content-Type', type).send(body);
    expect([answer.status, answer.body.status]).toEqual([status, status]);
    expect(await count()).toBe(0);
  });

  it.each([
    '/api/jobs/1',
    "/api/jobs/'; drop table job; --",
    '/api/jobs/00000000-0000-4000-8000-000000000000',
    '/api/jobs/%00',
    '/api/nothing',
    '/api/jobs/../../etc/passwd',
  ])('GET %s', async (path) => {
    const answer = await request(app).get(encodeURI(path).replaceAll('%25', '%'));
    expect(answer.status).toBe(404);
    expect(answer.body.detail.length).toBeGreaterThan(10);
  });

  it('an address that cannot be decoded', async () => {
    const answer = await request(app).get('/api/jobs/%E0%A4%A');
    expect(answer.status).toBe(400);
  });

  it('keeps SQL metacharacters as the text they are', async () => {
    const title = "Robert'); drop table job; -- $1 \\ %";
    const { body } = await create(title).expect(201);
    expect((await request(app).get(`/api/jobs/${body.id}`)).body.job.title).toBe(title);
  });

  it('the database refuses what the door would have refused', async () => {
    const insert = (document: object) =>
      pool.query("insert into job (workspace_id, document) select id, $1 from workspace where slug = 'demo'", [
        document,
      ]);
    await expect(insert([])).rejects.toThrow();
    const good = job('x');
    const without = (key: string) => Object.fromEntries(Object.entries(good).filter(([name]) => name !== key));
    await expect(insert({ ...good, format: 'other' })).rejects.toThrow(/job_document_format/);
    await expect(insert(without('format'))).rejects.toThrow(/job_document_format/);
    await expect(insert(without('loads'))).rejects.toThrow(/job_document_parts/);
    await expect(insert(without('schemaVersion'))).rejects.toThrow(/job_document_schema_version/);
    await expect(insert({ ...good, schemaVersion: 2.5 })).rejects.toThrow(/job_document_schema_version/);
    await expect(insert({ ...good, title: '' })).rejects.toThrow(/job_title_length/);
    await expect(insert({ ...good, title: 7 })).rejects.toThrow(/job_document_title/);
  });
});

describe('what is stored only moves forward', () => {
  const set = (id: string, change: string) => pool.query(`update job set ${change} where id = $1`, [id]);

  it('whoever writes: a version may not go back or leap, a document may not become an older form', async () => {
    const { body } = await create('Forward').expect(201);
    await set(body.id, 'version = 2');
    await expect(set(body.id, 'version = 1')).rejects.toThrow(/does not follow/);
    await expect(set(body.id, 'version = 9')).rejects.toThrow(/does not follow/);
    await expect(set(body.id, `document = jsonb_set(document, '{schemaVersion}', '1')`)).rejects.toThrow(/older form/);
  });

  it('a job of a newer program is not overwritten by this one', async () => {
    const { body } = await create('Newer').expect(201);
    await set(body.id, `document = jsonb_set(document, '{schemaVersion}', '${SCHEMA_VERSION + 1}')`);
    const refused = await request(app).put(`/api/jobs/${body.id}`).set('If-Match', '"1"').send(job('Older'));
    expect([refused.status, refused.body.code]).toEqual([409, 'newer-job']);
    const { rows } = await pool.query('select title from job where id = $1', [body.id]);
    expect(rows).toEqual([{ title: 'Newer' }]);
  });

  it('a program older than the database does not start on it', async () => {
    await pool.query("insert into schema_version (version, name, run_at) values (9000, 'of the future', now())");
    try {
      await expect(migrate(url)).rejects.toThrow(/newer Joulemetric \(form 9000/);
    } finally {
      await pool.query('delete from schema_version where version = 9000');
    }
    expect(await migrate(url)).toEqual([]);
  });
});

describe('a job is made once', () => {
  const id = 'a3f1c2d4-0000-4000-8000-00000000abcd';
  const make = (title: string) => request(app).put(`/api/jobs/${id}`).set('If-None-Match', '*').send(job(title));

  it('under the id its maker chose; the same call sent again answers the same job', async () => {
    const first = await make('Once').expect(201);
    expect(first.headers.location).toBe(`/api/jobs/${id}`);
    const again = await make('Once').expect(200);
    expect(again.body).toEqual(first.body);
    expect((await request(app).get('/api/jobs')).body).toHaveLength(1);
  });

  it('many times at once', async () => {
    const answers = await Promise.all(Array.from({ length: 8 }, () => make('Once')));
    expect(answers.map(({ status }) => status).sort()).toEqual([...Array(7).fill(200), 201]);
    expect(new Set(answers.map(({ body }) => body.id))).toEqual(new Set([id]));
  });

  it('and what somebody has saved since is not touched', async () => {
    await make('Once').expect(201);
    await request(app).put(`/api/jobs/${id}`).set('If-Match', '"1"').send(job('Edited')).expect(200);
    expect((await make('Once').expect(200)).body).toMatchObject({ version: 2, job: { title: 'Edited' } });
  });
});

describe('a stored job of a form that this program cannot read', () => {
  const store = async (change: (job: Record<string, unknown>) => void): Promise<string> => {
    const { body } = await request(app).post('/api/jobs').send(blankJob('Older')).expect(201);
    const job = JSON.parse(JSON.stringify(body.job));
    change(job);
    await pool.query('update job set document = $2, version = version + 1 where id = $1', [body.id, job]);
    return body.id;
  };

  it('is refused in words, and its file is still to be had', async () => {
    const id = await store((job) => {
      delete job.hasNot;
      delete (job.rules as Record<string, unknown>).cables;
    });
    const answer = await request(app).get(`/api/jobs/${id}`);
    expect([answer.status, answer.body.code]).toEqual([409, 'older-form']);
    expect(answer.body.detail).toMatch(/made by a version before that form was complete/);
    const { body: file } = await request(app).get(`/api/jobs/${id}/file`).expect(200);
    expect(file.title).toBe('Older');
  });

  it('of an older number is brought forward as it is read', async () => {
    const older = readFileSync(new URL('./test/version-8/river-survey-4wd.json', import.meta.url), 'utf8');
    const { rows } = await pool.query(
      "insert into job (workspace_id, document) select id, $1 from workspace where slug = 'demo' returning id",
      [older],
    );
    const { body } = await request(app).get(`/api/jobs/${rows[0].id}`).expect(200);
    expect([JSON.parse(older).schemaVersion, body.job.schemaVersion]).toEqual([8, SCHEMA_VERSION]);
  });

  it.each([
    ['without a number', (job: Record<string, unknown>) => delete job.schemaVersion, /before job files were numbered/],
    ['that lacks what its number has', (job: Record<string, unknown>) => delete job.hasNot, /lacks \/hasNot/],
    ['with one thing wrong', (job: Record<string, unknown>) => Object.assign(job, { title: 5 }), /^\/title: expected/],
  ])('a file %s is refused in words', async (_what, change, words) => {
    const job = JSON.parse(JSON.stringify(blankJob('x')));
    change(job);
    const { status, body } = await request(app).post('/api/jobs').send(job);
    expect([status, body.code]).toEqual([422, 'invalid-job']);
    expect(body.detail).toMatch(words);
  });
});

describe('the application', () => {
  it('sends strict headers and no inline script', async () => {
    const { headers } = await request(app).get('/api/health').expect(200);
    // An answer of the API runs and loads nothing; the page's own policy is in the hardening tests.
    expect(headers['content-security-policy']).toBe("default-src 'none'; frame-ancestors 'none'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('logs structured lines without the client’s words', async () => {
    await create('Secret Client of Mine').expect(201);
    await request(app).get('/api/jobs?q=Secret').expect(200);
    expect(lines.length).toBeGreaterThan(1);
    for (const line of lines) {
      expect(JSON.parse(line)).toMatchObject({ level: expect.any(Number) });
      expect(line).not.toContain('Secret');
    }
  });

  it('answers 503 with a plain word when the database is gone', async () => {
    const gone = buildApp(openPool('postgres://nobody@127.0.0.1:1/none'), pino({ level: 'silent' }));
    const answer = await request(gone).get('/api/jobs');
    expect(answer.status).toBe(503);
    expect(answer.body.code).toBe('database-unreachable');
    expect(answer.headers['retry-after']).toBe('2');
  });

  it('puts the demo in once, and again only when asked', async () => {
    await pool.query('update workspace set demo_seeded_at = null');
    expect(await seedDemo(pool, 'first-start')).toBe(3);
    expect(await seedDemo(pool, 'first-start')).toBe(0);
    await create('Mine').expect(201);
    expect(await seedDemo(pool, 'replace')).toBe(3);
    expect((await request(app).get('/api/jobs')).body).toHaveLength(3);
  });

  it('has every problem in docs/api.md, and no other', () => {
    const docs = readFileSync(new URL('../../docs/api.md', import.meta.url), 'utf8');
    const told = [...docs.matchAll(/^\| `([a-z-]+)` \| (\d{3}) \|/gm)].map(([, code, status]) => [
      code,
      Number(status),
    ]);
    expect(Object.fromEntries(told)).toEqual(
      Object.fromEntries(Object.entries(PROBLEMS).map(([code, { status }]) => [code, status])),
    );
  });
});
