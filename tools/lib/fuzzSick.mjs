/** Values that are no figure, name, list or object of anything. */
const NONSENSE = [
  null,
  -1,
  1e308,
  1e-300,
  -0.5,
  500,
  '',
  'x'.repeat(5000),
  'nul \u0000 inside',
  'half a pair \ud800',
  "'; drop table job; --",
  'http://elsewhere.example/x.jpg',
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
  // Of long lists of numbers the beginning will do.
  const entries = Object.entries(value).slice(0, 200);
  return [path, ...entries.flatMap(([key, child]) => placesOf(child, [...path, key]))].filter(
    ({ length }) => length > 0,
  );
}

/**
 * A valid document as text with one thing wrong: a value of another kind, a missing key, a key of no meaning, a
 * prototype, or torn off.
 * @param {{ how: string, at: number, value: number }} sick
 */
export function sickened(document, { how, at, value }) {
  if (how === 'torn') {
    const text = JSON.stringify(document);
    return text.slice(0, at % text.length) + ['', '}', ']]', '\u0000', '"'][value % 5];
  }
  const copy = structuredClone(document);
  const places = placesOf(copy);
  if (how === 'prototype' && !Array.isArray(copy))
    return `${JSON.stringify(copy).slice(0, -1)},"__proto__":{"loads":[]}}`;
  const path = places[at % places.length] ?? [];
  const key = path.at(-1);
  if (key === undefined) return JSON.stringify(NONSENSE[value % NONSENSE.length]);
  const parent = path.slice(0, -1).reduce((node, step) => node[step], copy);
  const nonsense = NONSENSE[value % NONSENSE.length];
  if (how === 'extra') parent[Array.isArray(parent) ? parent.length : `no-such-${key}`.slice(0, 50)] = nonsense;
  else if (how === 'missing' && !Array.isArray(parent)) delete parent[key];
  else parent[key] = nonsense;
  return JSON.stringify(copy);
}
