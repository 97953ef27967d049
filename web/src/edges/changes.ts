/** What turns a value into the next: another value altogether, or some of its parts; null = nothing. */
export type Changes = Replaced | Parts | null;

interface Replaced {
  readonly is: unknown;
}

/** Parts of an object by key, of an array by place. */
interface Parts {
  readonly parts: readonly (readonly [key: string | number, changes: Changes])[];
  /** Keys that are no more. */
  readonly gone: readonly string[];
  /** Of an array; null of an object. */
  readonly length: number | null;
}

/** What is compared by its parts: plain objects and arrays. */
const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && Object.getPrototypeOf(value) === Object.prototype;

/** Numbers in a row, compared by what is in it. */
const isNumbers = (value: unknown): value is Float64Array | Float32Array =>
  value instanceof Float64Array || value instanceof Float32Array;

function isSameNumbers(a: Float64Array | Float32Array, b: unknown): boolean {
  if (!isNumbers(b) || a.constructor !== b.constructor || a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!Object.is(a[i], b[i])) return false;
  return true;
}

/** What turns `before` into `next`; neither is written into. Identical objects are not looked into. */
export function changesBetween(before: unknown, next: unknown): Changes {
  if (Object.is(before, next)) return null;
  if (typeof next !== 'object' || next === null || typeof before !== 'object' || before === null) return { is: next };
  if (Array.isArray(next)) return Array.isArray(before) ? listChanges(before, next) : { is: next };
  if (isNumbers(next)) return isSameNumbers(next, before) ? null : { is: next };
  return isPlain(next) && isPlain(before) ? objectChanges(before, next) : { is: next };
}

function listChanges(before: readonly unknown[], next: readonly unknown[]): Changes {
  const parts: [number, Changes][] = [];
  for (let i = 0; i < next.length; i++) {
    const changes = i < before.length ? changesBetween(before[i], next[i]) : { is: next[i] };
    if (changes) parts.push([i, changes]);
  }
  const isSame = parts.length === 0 && next.length === before.length;
  return isSame ? null : { parts, gone: [], length: next.length };
}

function objectChanges(before: Readonly<Record<string, unknown>>, next: Readonly<Record<string, unknown>>): Changes {
  const parts: [string, Changes][] = [];
  let kept = 0;
  for (const key in next) {
    const [was, now] = [before[key], next[key]];
    // What both have, and most of it: what every object inherits is no data.
    if (was !== undefined && Object.is(was, now)) {
      kept++;
      continue;
    }
    // A load may be called "constructor", which every object has something for.
    const isNew = !Object.hasOwn(before, key);
    if (!isNew) kept++;
    const changes = isNew ? { is: now } : changesBetween(was, now);
    if (changes) parts.push([key, changes]);
  }
  const old = Object.keys(before);
  const gone = kept === old.length ? [] : old.filter((key) => !Object.hasOwn(next, key));
  return parts.length === 0 && gone.length === 0 ? null : { parts, gone, length: null };
}

/**
 * The value that `before` turns into. Every part that did not change is the very object it was: whoever holds a part
 * sees by its identity whether it changed.
 */
export function withChanges(before: unknown, changes: Changes): unknown {
  if (!changes) return before;
  if ('is' in changes) return changes.is;
  const { parts, gone, length } = changes;
  if (length !== null) {
    const was = before as readonly unknown[];
    const next = was.slice(0, length);
    for (const [place, part] of parts) next[place as number] = withChanges(was[place as number], part);
    return next;
  }
  const next = { ...(before as Record<string, unknown>) };
  for (const key of gone) delete next[key];
  for (const [key, part] of parts) next[key] = withChanges(next[key], part);
  return next;
}

/** What is new, with every part that did not change being the very object it was before. */
export const keeping = <T>(before: T, next: T): T => withChanges(before, changesBetween(before, next)) as T;
