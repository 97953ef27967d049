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
 * by its identity whether it changed. `next` is taken over and written into: it is a copy that came from elsewhere.
 */
export function keeping<T>(before: T, next: T): T;
export function keeping(before: unknown, next: unknown): unknown {
  if (Object.is(before, next)) return before;
  if (isNumbers(next)) return isSameNumbers(next, before) ? before : next;
  if (Array.isArray(next) && Array.isArray(before)) {
    let same = next.length === before.length;
    const both = Math.min(next.length, before.length);
    for (let i = 0; i < both; i++) {
      const was: unknown = before[i];
      const one: unknown = next[i];
      const kept = Object.is(was, one) ? was : keeping(was, one);
      if (kept !== one) next[i] = kept;
      same &&= Object.is(kept, was);
    }
    return same ? before : next;
  }
  if (isPlain(next) && isPlain(before)) {
    let same = true;
    let keys = 0;
    for (const key in next) {
      keys++;
      const was = before[key];
      const one = next[key];
      const kept = Object.is(was, one) ? was : keeping(was, one);
      if (kept !== one) next[key] = kept;
      same &&= Object.is(kept, was) && (was !== undefined || key in before);
    }
    return same && keys === Object.keys(before).length ? before : next;
  }
  return next;
}
