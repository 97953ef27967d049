import { blankJob, SCHEMA_VERSION } from '@joulemetric/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
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
    answer = () => json(200, stored());
    await api.saveJob('a b', 3, blankJob('x'));
    await api.createJob('new', blankJob('x'));
    const [save, create] = asked;
    expect([save?.path, save?.init.method]).toEqual(['/api/jobs/a%20b', 'PUT']);
    expect(save?.init.headers).toMatchObject({ 'If-Match': '"3"', 'Content-Type': 'application/json' });
    expect(create?.init.headers).toMatchObject({ 'If-None-Match': '*' });
    expect(save?.init.redirect).toBe('error');
  });

  it('what answers nothing is no fault', async () => {
    answer = () => new Response(null, { status: 204 });
    await expect(api.deleteJob('j')).resolves.toBeUndefined();
  });
});
