import { blankJob, type FirmAppliance, PARTS, type Part, SCHEMA_VERSION, type Truth } from '@joulemetric/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { StoredLog } from './answers.ts';
import { ApiError, api } from './api.ts';

/** What the network answers next, and what was asked of it. */
let answer: () => Response | Promise<Response> = () => json(200, {});
let asked: { path: string; init: RequestInit }[] = [];

const json = (status: number, body: unknown, type = 'application/json'): Response =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': type } });
const stored = (part: object = {}) => ({
  id: 'j',
  version: 3,
  updatedAt: '2026-01-01T00:00:00Z',
  job: blankJob('x'),
  ...part,
});

beforeEach(() => {
  asked = [];
  vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
    asked.push({ path, init });
    return answer();
  });
});
afterEach(() => vi.unstubAllGlobals());

const failure = async (call: Promise<unknown>): Promise<ApiError> => {
  try {
    await call;
  } catch (error) {
    if (error instanceof ApiError) return error;
    throw error;
  }
  throw new Error('it was taken');
};

describe('whatever is not this server’s own answer', () => {
  it.each<[string, () => Response | Promise<Response>]>([
    ['no network', () => Promise.reject(new TypeError('Failed to fetch'))],
    ['a sign-in page', () => new Response('<h1>Hello</h1>', { headers: { 'Content-Type': 'text/html' } })],
    ['an answer that breaks off', () => new Response('{"id":', { headers: { 'Content-Type': 'application/json' } })],
    ['JSON of somebody else', () => json(200, { hello: 1 })],
    ['a fault without words', () => new Response('oops', { status: 500, headers: { 'Content-Type': 'text/plain' } })],
    ['a refusal in a form of somebody else', () => json(403, { error: 'blocked' })],
    ['no answer in time', () => Promise.reject(new DOMException('late', 'TimeoutError'))],
  ])('%s counts as no answer, and the same may be sent again', async (_what, give) => {
    answer = give;
    const error = await failure(api.readJob('j'));
    expect(error.problem.code).toBe('unreachable');
    expect(error.isTemporary).toBe(true);
  });
});

describe('refusals', () => {
  const refused = (status: number, code: string) => () =>
    json(status, { code, title: 't', detail: 'd' }, 'application/problem+json');

  it.each([
    [500, true],
    [503, true],
    [429, true],
    [408, true],
    [404, false],
    [412, false],
    [422, false],
    [421, false],
    [403, false],
  ])('of status %d may be sent again: %s', async (status, again) => {
    answer = refused(status, 'some-code');
    const error = await failure(api.saveJob('j', 3, blankJob('x')));
    expect([error.problem.code, error.isTemporary, error.message]).toEqual(['some-code', again, 'd']);
  });

  it('an answer to a save that says no version is not the server’s, and the save is sent again', async () => {
    answer = () => json(200, { welcome: 'to this network' });
    const error = await failure(api.saveJob('j', 3, blankJob('x')));
    expect([error.problem.code, error.isTemporary]).toEqual(['unreachable', true]);
  });

  it('a job of a newer program is not misread', async () => {
    answer = () => json(200, stored({ job: { ...blankJob('x'), schemaVersion: SCHEMA_VERSION + 1 } }));
    const error = await failure(api.readJob('j'));
    expect([error.problem.code, error.isTemporary]).toEqual(['newer-job', false]);
  });
});

describe('requests', () => {
  it('a save says which version it was made from; a job is made under its maker’s id', async () => {
    answer = () => json(200, stored({ id: 'a b', version: 4 }));
    await api.saveJob('a b', 3, blankJob('x'));
    answer = () => json(200, stored({ id: 'new' }));
    await api.createJob('new', blankJob('x'));
    const [save, create] = asked;
    expect([save?.path, save?.init.method]).toEqual(['/api/jobs/a%20b', 'PUT']);
    expect(save?.init.headers).toMatchObject({ 'If-Match': '"3"', 'Content-Type': 'application/json' });
    expect(create?.init.headers).toMatchObject({ 'If-None-Match': '*' });
    expect(save?.init.redirect).toBe('error');
  });

  it('what answers nothing is no fault, where it says whose it is', async () => {
    answer = () => new Response(null, { status: 204, headers: { 'X-Joulemetric': 'api' } });
    await expect(api.deleteJob('j')).resolves.toBeUndefined();
    answer = () => new Response(null, { status: 204 });
    expect((await failure(api.deleteJob('j'))).problem.code).toBe('unreachable');
  });
});

describe('an answer counts only where it has the shape of one, and is about what was asked', () => {
  const log: StoredLog = {
    id: 'l',
    jobId: null,
    version: 1,
    readings: 0,
    log: { format: 'joulemetric-log', version: 1 },
    updatedAt: '',
  };
  const part = PARTS[0] as Part;
  const appliance = { name: 'Lamp' } as FirmAppliance;
  const instrument = { kind: 'plug', everyS: 1, speed: 1, seed: 1, truth: {} as Truth } as const;
  const shownInstrument = { id: 'i', version: 2, kind: 'plug', faults: [], stopped: false };
  const calls: [string, () => Promise<unknown>, unknown][] = [
    ['a job', () => api.readJob('j'), stored()],
    ['a job made', () => api.createJob('j', {}), stored()],
    ['a save', () => api.saveJob('j', 3, blankJob('x')), { id: 'j', version: 4, updatedAt: '' }],
    ['the jobs', () => api.listJobs(), [{ id: 'j', version: 1, updatedAt: '', title: 'x', loads: 0 }]],
    ['a photo', () => api.keepPhoto('j', 'p', new Blob(['x'])), { id: 'p' }],
    ['a part', () => api.addPart('p', part), { id: 'p', version: 1, part }],
    ['a part changed', () => api.replacePart('p', 1, part), { id: 'p', version: 2, part }],
    ['the parts', () => api.listParts(), [{ id: 'p', version: 1, part }]],
    ['an appliance', () => api.addAppliance('a', appliance), { id: 'a', version: 1, appliance }],
    ['an appliance changed', () => api.replaceAppliance('a', 1, appliance), { id: 'a', version: 2, appliance }],
    ['the appliances', () => api.listAppliances(), [{ id: 'a', version: 1, appliance }]],
    ['a log', () => api.addLog('l', null, log.log), log],
    ['a log changed', () => api.saveLog(log, log.log), { ...log, version: 2 }],
    ['a log read', () => api.readLog('l'), { ...log, entries: [], rows: 0 }],
    ['the logs', () => api.listLogs(null), [log]],
    ['a reading', () => api.addReadings('l', [{ id: 'r', at: '', soc: 1 }]), [{ id: 'r', t: 1, entry: {} }]],
    ['a report', () => api.readReport('l'), { energy: {}, caveats: [], notes: [], contradictions: [] }],
    ['a chart', () => api.readChart('l', 'w', 0, 1, 1), [{ t: 1, least: 1, most: 1, mean: 1 }]],
    ['an instrument', () => api.addInstrument('l', 'i', instrument), shownInstrument],
    ['an instrument changed', () => api.changeInstrument('l', 'i', 1, {}), shownInstrument],
    ['places', () => api.findPlaces('x'), [{ id: 1, name: 'X', latitudeDeg: 1, longitudeDeg: 2 }]],
    ['the hours', () => api.readWeather('j'), { latitudeDeg: 1, ghiWh: [], tempC: [] }],
  ];

  it.each(calls)('%s', async (_what, call, good) => {
    answer = () => json(200, good);
    await expect(call()).resolves.toEqual(good);
    const others = [{}, null, [], [{}], 'ok', { welcome: 'to this network' }, { ok: true, id: 'other', version: 1 }];
    for (const other of others) {
      // An empty list is a list.
      if (Array.isArray(good) && Array.isArray(other) && other.length === 0 && _what !== 'a reading') continue;
      answer = () => json(200, other);
      const error = await failure(call());
      expect([error.problem.code, error.isTemporary], JSON.stringify(other)).toEqual(['unreachable', true]);
    }
    if (Array.isArray(good)) return;
    answer = () => json(200, { ...(good as object), id: 'another' });
    if ('id' in (good as object)) expect((await failure(call())).problem.code).toBe('unreachable');
  });

  it('a save that comes to no newer version is none', async () => {
    answer = () => json(200, { id: 'j', version: 3, updatedAt: '' });
    expect((await failure(api.saveJob('j', 3, blankJob('x')))).problem.code).toBe('unreachable');
  });

  it('readings are there when the answer has each of them', async () => {
    answer = () => json(201, [{ id: 'r', t: 1, entry: {} }]);
    const two = ['r', 's'].map((id) => ({ id, at: '', soc: 1 }));
    expect((await failure(api.addReadings('l', two))).problem.code).toBe('unreachable');
  });
});
