/** Calls that no program of good will makes: addresses, headers, methods and bodies of every kind. */

const ID = '00000000-0000-4000-8000-0000000000';
const PATHS = [
  '/api/jobs',
  `/api/jobs/${ID}01`,
  `/api/jobs/${ID}01/photos`,
  `/api/jobs/${ID}01/weather`,
  '/api/catalogue',
  '/api/parts',
  '/api/logs',
  '/api/logs?job=x',
  `/api/logs/${ID}02/chart?of=w&from=NaN`,
  `/api/logs/${ID}02/entries`,
  '/api/places?q=%00',
  '/api/health',
  '/api/%00',
  '/api/jobs/%ff',
  '/api/jobs/..%2f..%2fetc%2fpasswd',
  '/assets/none.js',
  '/api//jobs',
  `/api/${'a/'.repeat(500)}`,
];
const HEADERS = [
  {},
  { 'If-Match': '"999999999999"' },
  { 'If-Match': '*' },
  { 'If-None-Match': '"1"' },
  { 'Content-Encoding': 'br' },
  { 'Content-Type': 'application/json; charset=utf-7' },
  { 'Content-Type': 'multipart/form-data' },
  { Origin: 'http://evil.example' },
  { 'X-Request-Id': 'x'.repeat(3000) },
];
const TYPES = ['application/json', 'application/json', 'image/png', 'image/svg+xml', 'text/csv', 'text/plain'];
const METHODS = ['GET', 'POST', 'PUT', 'PUT', 'POST', 'DELETE', 'PATCH'];
const BODIES = [
  '',
  '[',
  '{"loads":',
  '{}',
  '[]',
  'null',
  '"text"',
  `${'['.repeat(50_000)}${']'.repeat(50_000)}`,
  `[${Array(100_000).fill('{}')}]`,
  '{"format":"joulemetric-job","schemaVersion":1}',
  'time,w\n2026-06-01,1\n',
  Buffer.from('{"title":"S\xf6d"}', 'latin1'),
];

/** @param {{ pick: number, sick: { at: number, value: number } | null, isStale: boolean }} call */
export function hostileCall({ pick, sick }) {
  const more = sick?.at ?? pick >> 5;
  const of = (list, n) => list[n % list.length];
  return {
    method: of(METHODS, more),
    path: of(PATHS, pick),
    headers: { 'Content-Type': of(TYPES, more >> 2), ...of(HEADERS, more >> 5) },
    body: of(BODIES, sick?.value ?? more >> 3),
  };
}
