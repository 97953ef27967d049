/** What a walk compares by its parts: plain objects and arrays. */
const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** Numbers in a row that is compared by what is in it. */
const isNumbers = (value: unknown): value is Float64Array | Float32Array =>
  value instanceof Float64Array || value instanceof Float32Array;

const isSameNumbers = (a: Float64Array | Float32Array, b: unknown): boolean =>
  isNumbers(b) && a.constructor === b.constructor && a.length === b.length && a.every((value, i) => value === b[i]);

/**
 * What is new, with every part that did not change being the very object it was before: whoever holds a part sees
 * by its identity whether it changed.
 */
export function keeping<T>(before: T, next: T): T;
export function keeping(before: unknown, next: unknown): unknown {
  if (Object.is(before, next)) return before;
  if (isNumbers(next)) return isSameNumbers(next, before) ? before : next;
  if (Array.isArray(next) && Array.isArray(before)) {
    const kept = next.map((one, i) => (i < before.length ? keeping(before[i], one) : one));
    return kept.length === before.length && kept.every((one, i) => one === before[i]) ? before : kept;
  }
  if (isPlain(next) && isPlain(before)) {
    const keys = Object.keys(next);
    const kept = Object.fromEntries(keys.map((key) => [key, keeping(before[key], next[key])]));
    const same =
      keys.length === Object.keys(before).length && keys.every((key) => key in before && kept[key] === before[key]);
    return same ? before : kept;
  }
  return next;
}
