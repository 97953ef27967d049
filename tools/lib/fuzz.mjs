import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { ROOT } from './paths.mjs';

/** ms after which a call counts as hanging. */
const HANG_MS = 5000;
const demo = readdirSync(join(ROOT, 'demo')).map((name) => JSON.parse(readFileSync(join(ROOT, 'demo', name), 'utf8')));

/** Values that are no figure, name, list or object of any job. */
const NONSENSE = [
  null,
  -1,
  1e308,
  1e-300,
  -0.5,
  '',
  'x'.repeat(5000),
  'nul \u0000 inside',
  'half a pair \ud800',
  "'; drop table job; --",
  [],
  [[[[]]]],
  {},
  { toString: 1, valueOf: null },
  { constructor: { prototype: {} } },
  Array(600).fill({}),
  true,
];

/** Every place of a document that a value can be put at. */
function placesOf(value, path = []) {
  if (typeof value !== 'object' || value === null) return [path];
  return [path, ...Object.entries(value).flatMap(([key, child]) => placesOf(child, [...path, key]))].filter(
    ({ length }) => length > 0,
  );
}

const aJob = fc.constantFrom(...demo);
/** A demo job with one thing wrong with it, which must be refused: a key of no meaning, a missing key, a wrong kind of value. */
const aWrongJob = fc
  .record({
    job: aJob,
    at: fc.nat(),
    how: fc.constantFrom('value', 'missing', 'extra', 'prototype'),
    value: fc.constantFrom(...NONSENSE),
  })
  .map(({ job, at, how, value }) => {
    const copy = structuredClone(job);
    const places = placesOf(copy);
    const path = places[at % places.length];
    const parent = path.slice(0, -1).reduce((node, key) => node[key], copy);
    const key = path.at(-1);
    if (how === 'extra') parent[Array.isArray(parent) ? parent.length : `no-such-${key}`.slice(0, 50)] = value;
    else if (how === 'missing' && !Array.isArray(parent)) delete parent[key];
    else if (how === 'prototype') return `${JSON.stringify(copy).slice(0, -1)},"__proto__":{"loads":[]}}`;
    else parent[key] = value;
    return JSON.stringify(copy);
  });
const aTornText = fc
  .record({
    job: aJob,
    share: fc.double({ min: 0, max: 1, noNaN: true }),
    tail: fc.constantFrom('', '}', ']]', '\u0000', '"'),
  })
  .map(({ job, share, tail }) => {
    const text = JSON.stringify(job);
    return text.slice(0, Math.floor(text.length * share)) + tail;
  });
const aBody = fc.oneof(
  { weight: 5, arbitrary: aWrongJob },
  { weight: 2, arbitrary: aTornText },
  { weight: 2, arbitrary: fc.json() },
  { weight: 1, arbitrary: aJob.map((job) => JSON.stringify(job)) },
  {
    weight: 1,
    arbitrary: fc.constantFrom(
      '',
      '[',
      '{"loads":',
      `${'['.repeat(50_000)}${']'.repeat(50_000)}`,
      `[${Array(100_000).fill('{}')}]`,
    ),
  },
);
const aHeader = fc.constantFrom(
  {},
  { 'If-Match': '"1"' },
  { 'If-Match': '"999999999999"' },
  { 'If-Match': '*' },
  { 'If-None-Match': '*' },
  { 'Content-Encoding': 'br' },
  { 'Content-Type': 'application/json; charset=utf-7' },
  { 'Content-Type': 'multipart/form-data' },
  { Origin: 'http://evil.example' },
  { 'X-Request-Id': 'x'.repeat(3000) },
);
const ID = '00000000-0000-4000-8000-0000000000';
const aPath = fc.oneof(
  { weight: 4, arbitrary: fc.constant('/api/jobs') },
  { weight: 4, arbitrary: fc.nat(20).map((n) => `/api/jobs/${ID}${String(n).padStart(2, '0')}`) },
  { weight: 2, arbitrary: fc.constantFrom('/api/catalogue', '/api/health', `/api/jobs/${ID}01/photos`) },
  {
    weight: 2,
    arbitrary: fc.string({ maxLength: 40 }).map((text) => `/api/jobs/${encodeURIComponent(text.toWellFormed())}`),
  },
  {
    weight: 1,
    arbitrary: fc.constantFrom(
      '/api/%00',
      '/api/jobs/%ff',
      '/assets/none.js',
      '/api//jobs',
      `/api/${'a/'.repeat(500)}`,
    ),
  },
);
const aCall = fc.record({
  method: fc.constantFrom('GET', 'POST', 'PUT', 'PUT', 'POST', 'DELETE', 'PATCH'),
  path: aPath,
  headers: aHeader,
  body: aBody,
  type: fc.constantFrom(
    'application/json',
    'application/json',
    'application/json',
    'image/png',
    'image/svg+xml',
    'text/plain',
  ),
});

/**
 * Sends mutated calls, the same for the same seed, and counts what must never be.
 * @returns {Promise<{ calls: number, faults: { what: string, call: string }[], statuses: Record<string, number> }>}
 */
export async function fuzz({ url, calls, seed, validate }) {
  const faults = [];
  const statuses = {};
  const one = async ({ method, path, headers, body, type }) => {
    const tell = (what) => faults.push({ what, call: `${method} ${path.slice(0, 80)} ${type} ${body.slice(0, 200)}` });
    try {
      const response = await fetch(url + path, {
        method,
        headers: { 'Content-Type': type, ...headers },
        ...(method === 'GET' || method === 'DELETE' ? {} : { body }),
        signal: AbortSignal.timeout(HANG_MS),
      });
      const text = await response.text();
      statuses[response.status] = (statuses[response.status] ?? 0) + 1;
      if (response.status >= 500) tell(`answer ${response.status}: ${text.slice(0, 300)}`);
      if (/\n\s+at |\.ts:\d+|node_modules/.test(text)) tell('a stack trace in the answer');
      if (response.status >= 400 && text.length > 20_000) tell(`a refusal of ${text.length} characters`);
      const writes = method === 'PUT' || method === 'POST';
      if (writes && response.ok && path.startsWith('/api/jobs') && !validate(JSON.parse(body)))
        tell('nonsense was accepted');
    } catch (error) {
      tell(error.name === 'TimeoutError' ? 'no answer in time' : `the connection broke: ${error.cause?.code ?? error}`);
    }
  };
  const all = fc.sample(aCall, { seed, numRuns: calls });
  const AT_ONCE = 8;
  let next = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (next < all.length) await one(all[next++]);
    }),
  );
  return { calls: all.length, faults, statuses };
}
