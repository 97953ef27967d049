import { readFileSync } from 'node:fs';
import { blankJob, loadsOfTemplate, SCHEMA_VERSION, TEMPLATES } from '@joulemetric/core';
import { pino } from 'pino';
import sharp from 'sharp';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { buildApp } from './app.ts';
import { bringForward } from './bringForward.ts';
import { openPool } from './database.ts';
import { migrate } from './migrate.ts';

const url = inject('databaseUrl');
const pool = openPool(url);
const app = buildApp(pool, pino({ level: 'silent' }));
const [load] = loadsOfTemplate(TEMPLATES[0] as (typeof TEMPLATES)[number], []);
if (!load) throw new Error('the template has no loads');

beforeAll(() => migrate(url));
beforeEach(async () => {
  await pool.query('delete from appliance');
});
afterAll(() => pool.end());

const versionThree = () =>
  JSON.parse(readFileSync(new URL('./test/version-3/river-survey-4wd.json', import.meta.url), 'utf8'));
const NOBODY = '00000000-0000-4000-8000-000000000000';
const newJob = async (): Promise<string> => (await request(app).post('/api/jobs').send(blankJob('Photos'))).body.id;
const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#9a4b17' } });
/** A photo as a phone takes it: with its place, its time and its maker. */
const phonePhoto = () =>
  picture(2400, 1200)
    .withExif({
      IFD0: { Make: 'Invented Phone' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '47/1 30/1 0/1', GPSLongitudeRef: 'E', GPSLongitude: '9/1 0/1 0/1' },
    })
    .jpeg()
    .toBuffer();

describe('photos of labels', () => {
  it('are stored small, upright and without the place they were taken at', async () => {
    const id = await newJob();
    const sent = await phonePhoto();
    expect(sent.includes('Invented Phone')).toBe(true);
    const { body } = await request(app)
      .post(`/api/jobs/${id}/photos`)
      .set('Content-Type', 'image/jpeg')
      .send(sent)
      .expect(201);
    expect(body).toMatchObject({ width: 1600, height: 800 });
    const stored = await request(app).get(`/api/jobs/${id}/photos/${body.id}`).expect(200);
    expect(stored.headers['content-type']).toBe('image/jpeg');
    expect(stored.body).toHaveLength(body.bytes);
    const { exif, width } = await sharp(stored.body).metadata();
    expect(exif).toBeUndefined();
    expect(width).toBe(1600);
    expect(stored.body.includes('Invented Phone')).toBe(false);
  });

  it('turn by the phone’s own mark, which is then gone', async () => {
    const id = await newJob();
    const lying = await picture(300, 100).withMetadata({ orientation: 6 }).png().toBuffer();
    const { body } = await request(app).post(`/api/jobs/${id}/photos`).set('Content-Type', 'image/png').send(lying);
    expect(body).toMatchObject({ width: 100, height: 300 });
  });

  it.each([
    ['no photo at all', 'image/jpeg', 'a breaker rating is not a load', 415, 'not-a-photo'],
    ['an empty body', 'image/jpeg', '', 415, 'not-a-photo'],
    ['something else', 'text/plain', 'x', 415, 'not-a-photo'],
  ])('are refused when they are %s', async (_name, type, body, status, code) => {
    const id = await newJob();
    const refused = await request(app).post(`/api/jobs/${id}/photos`).set('Content-Type', type).send(body);
    expect([refused.status, refused.body.code]).toEqual([status, code]);
  });

  it('are refused beyond 15 MB, for a job that is not there, and answer 404 when unknown', async () => {
    const id = await newJob();
    const post = (to: string, body: Buffer) =>
      request(app).post(`/api/jobs/${to}/photos`).set('Content-Type', 'image/jpeg').send(body);
    expect((await post(id, Buffer.alloc(16 * 1_048_576))).status).toBe(413);
    expect((await post(NOBODY, await phonePhoto())).body.code).toBe('unknown-job');
    expect((await request(app).get(`/api/jobs/${id}/photos/${NOBODY}`)).body.code).toBe('unknown-photo');
    expect((await request(app).get(`/api/jobs/${id}/photos/x`)).body.code).toBe('unknown-photo');
  });

  it('go with their job, and after a day when no load names them', async () => {
    const id = await newJob();
    const post = async () =>
      (
        await request(app)
          .post(`/api/jobs/${id}/photos`)
          .set('Content-Type', 'image/jpeg')
          .send(await phonePhoto())
      ).body.id as string;
    const named = await post();
    const unnamed = await post();
    const job = { ...blankJob('Photos'), loads: [{ ...load, photos: [named] }] };
    await request(app).put(`/api/jobs/${id}`).set('If-Match', '"1"').send(job).expect(200);
    await pool.query("update label_photo set created_at = now() - interval '2 days'");
    await post();
    await request(app).get(`/api/jobs/${id}/photos/${named}`).expect(200);
    await request(app).get(`/api/jobs/${id}/photos/${unnamed}`).expect(404);
    await request(app).delete(`/api/jobs/${id}`).expect(204);
    const { rows } = await pool.query('select count(*)::integer as left from label_photo where job_id = $1', [id]);
    expect(rows[0].left).toBe(0);
  });
});

describe('the firm’s catalogue', () => {
  const entry = {
    schemaVersion: SCHEMA_VERSION,
    name: 'Our bench fridge',
    words: 'workshop cooler',
    load,
    measured: [],
  };

  it('keeps entries, lists them by name and lets them go', async () => {
    const { body } = await request(app).post('/api/catalogue').send(entry).expect(201);
    await request(app)
      .post('/api/catalogue')
      .send({ ...entry, name: 'Awning motor' })
      .expect(201);
    const { body: list } = await request(app).get('/api/catalogue').expect(200);
    expect(list.map((one: { appliance: { name: string } }) => one.appliance.name)).toEqual([
      'Awning motor',
      'Our bench fridge',
    ]);
    expect(list[1].appliance).toEqual(entry);
    await request(app).delete(`/api/catalogue/${body.id}`).expect(204);
    expect((await request(app).delete(`/api/catalogue/${body.id}`)).body.code).toBe('unknown-appliance');
  });

  it('replaces one with more units, refuses what is wrong or not there, and brings an older one forward', async () => {
    const { body } = await request(app).post('/api/catalogue').send(entry).expect(201);
    const more = { ...entry, measured: [{ on: '2026-05-31', value: 41.5, unit: 'W', of: 'a van' }] };
    const save = (version: number, document: object) =>
      request(app).put(`/api/catalogue/${body.id}`).set('If-Match', `"${version}"`).send(document);
    const put = await save(1, more).expect(200);
    expect(put.body).toEqual({ id: body.id, version: 2, appliance: more });
    expect((await save(1, entry)).body).toMatchObject({ code: 'version-conflict', current: put.body });
    const { body: list } = await request(app).get('/api/catalogue');
    expect(list.find(({ id }: { id: string }) => id === body.id).appliance).toEqual(more);
    const { measured: _, ...older } = entry;
    const before = await save(2, { ...older, schemaVersion: 8 });
    expect(before.body.appliance).toEqual(entry);
    const wrong = await save(3, { ...more, name: '' });
    expect([wrong.status, wrong.body.code]).toEqual([422, 'invalid-appliance']);
    await request(app).delete(`/api/catalogue/${body.id}`).expect(204);
    expect((await save(3, more)).body.code).toBe('unknown-appliance');
  });

  it.each([
    ['no name', { ...entry, name: '' }, '/name'],
    ['a load out of range', { ...entry, load: { ...load, quantity: 0 } }, '/load/quantity'],
    [
      'uses that overlap',
      { ...entry, load: { ...load, uses: [0, 10].map((startMin) => ({ startMin, minutes: 60 })) } },
      '/load/uses',
    ],
    ['a key too many', { ...entry, price: 3 }, '/price'],
    [
      'a unit measured on no day',
      { ...entry, measured: [{ on: 'May', value: 3, unit: 'W', of: '' }] },
      '/measured/0/on',
    ],
  ])('refuses an entry with %s, naming the place', async (_name, body, path) => {
    const refused = await request(app).post('/api/catalogue').send(body).expect(422);
    expect(refused.body.code).toBe('invalid-appliance');
    expect(refused.body.faults[0].path).toBe(path);
  });
});

describe('stored entries of an older version', () => {
  it('come forward at the start with the uses they had; a newer one and a spoiled one stay', async () => {
    const { uses, variants: _, ...rest } = load;
    const old = { name: 'Old pump', words: '', load: { ...rest, runs: uses, variants: [] } };
    const store = async (document: unknown): Promise<string> => {
      const { rows } = await pool.query(
        "insert into appliance (workspace_id, document) select id, $1 from workspace where slug = 'demo' returning id",
        [JSON.stringify(document)],
      );
      return rows[0].id;
    };
    const good = await store(old);
    const bad = await store({ ...old, load: {} });
    const newer = await store({ ...old, schemaVersion: SCHEMA_VERSION + 1 });
    const warnings: string[] = [];
    await bringForward(pool, (sentence) => warnings.push(sentence));
    const { rows } = await pool.query('select id, document from appliance');
    const documentOf = (id: string) => rows.find((row) => row.id === id)?.document;
    expect(documentOf(good)).toEqual({
      ...old,
      measured: [],
      schemaVersion: SCHEMA_VERSION,
      load: { ...rest, uses, variants: [] },
    });
    expect(documentOf(bad)).toEqual({ ...old, load: {} });
    expect(documentOf(newer).schemaVersion).toBe(SCHEMA_VERSION + 1);
    expect(warnings.filter((sentence) => sentence.includes(bad))).toHaveLength(1);
    await request(app).post('/api/catalogue').send(old).expect(201);
  });
});

describe('stored jobs of an older version', () => {
  it('are brought forward at the start, without a new version; what cannot be is named and kept', async () => {
    const { brief, options, together: ____, rules, ...rest } = versionThree();
    const { day: _, prices: __, supplies: _____, ...oldBrief } = brief;
    const { coincide: ______, ...oldRules } = rules;
    const [option] = options;
    if (!option) throw new Error('a blank job has an option');
    const { devices: ___, charger: _______, ...oldSystem } = option.system;
    const inverter = { ratingW: 1200, idleW: null, peakEfficiency: null, policy: 'always' };
    const old = {
      ...rest,
      schemaVersion: 1,
      neverTogether: [],
      rules: oldRules,
      brief: oldBrief,
      options: [{ ...option, system: { ...oldSystem, inverter } }],
    };
    const store = async (document: unknown): Promise<string> => {
      const { rows } = await pool.query(
        "insert into job (workspace_id, document) select id, $1 from workspace where slug = 'demo' returning id",
        [JSON.stringify(document)],
      );
      return rows[0].id;
    };
    const good = await store(old);
    const bad = await store({ ...old, brief: {} });
    const warnings: string[] = [];
    await bringForward(pool, (sentence) => warnings.push(sentence));

    const { body } = await request(app).get(`/api/jobs/${good}`).expect(200);
    expect(body.version).toBe(1);
    expect(body.job.schemaVersion).toBe(SCHEMA_VERSION);
    expect(body.job.options[0].system.devices[0]).toMatchObject({ kind: 'inverter', ratingW: 1200, policy: 'always' });
    expect(body.job.together).toEqual({ atMost: [], always: [] });
    expect(warnings).toHaveLength(1);
    expect(warnings[0]).toContain(bad);
    await pool.query('delete from job where id = $1', [bad]);
  });
});

describe('the firm’s appliances of an older version', () => {
  it('get what loads have since learnt, and keep all they had', async () => {
    const { startSeconds: _, softStart: __, ...older } = load;
    await pool.query(
      "insert into appliance (workspace_id, document) select id, $1 from workspace where slug = 'demo'",
      [JSON.stringify({ name: 'Old pump', words: '', load: { ...older, startRatio: 3 } })],
    );
    const migration = new URL('../../db/migrations/0003.do.start-of-appliances.sql', import.meta.url);
    const sql = readFileSync(migration, 'utf8');
    await pool.query(sql);
    // A second time changes nothing.
    await pool.query(sql);
    const { body } = await request(app).get('/api/catalogue').expect(200);
    const found = body.find(({ appliance }: { appliance: { name: string } }) => appliance.name === 'Old pump');
    expect(found.appliance.load).toEqual({ ...older, startRatio: 3, startSeconds: null, softStart: false });
  });
});
