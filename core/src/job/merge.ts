import { consistencyFaults } from './consistency.ts';
import type { Job } from './schema.ts';
import { MOST_LOADS } from './values.ts';
import { withoutLostLinks } from './withoutLost.ts';

/**
 * Puts together two jobs that were edited from the same one. What only one side changed is taken from it; entries
 * of lists are matched by their ids. Null when both sides changed the same thing in different ways, or when what
 * comes out would contradict itself: then somebody has to choose.
 */
export function mergeJobs(base: Job, mine: Job, theirs: Job): Job | null {
  const put = merge(base, mine, theirs) as Job | typeof CLASH;
  if (put === CLASH) return null;
  // What one side took out, the other may have joined something to.
  const merged = withoutLostLinks(put);
  const [fault] = consistencyFaults(merged);
  return fault || merged.loads.length > MOST_LOADS ? null : merged;
}

const CLASH = Symbol('both sides changed it');

type Node = Readonly<Record<string, unknown>>;
/** An entry of a list, told by its id, or by the load it is about. */
type Entry = Node & ({ readonly id: string } | { readonly load: string });

const keyOf = (entry: Node): unknown => entry.id ?? entry.load;

function merge(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (isSame(mine, theirs) || isSame(base, theirs)) return mine;
  if (isSame(base, mine)) return theirs;
  if (isEntries(base) && isEntries(mine) && isEntries(theirs)) return mergeEntries(base, mine, theirs);
  if (isNode(base) && isNode(mine) && isNode(theirs)) return mergeNodes(base, mine, theirs);
  return CLASH;
}

function mergeNodes(base: Node, mine: Node, theirs: Node): Node | typeof CLASH {
  const merged: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = merge(base[key], mine[key], theirs[key]);
    if (value === CLASH) return CLASH;
    if (value !== undefined) merged[key] = value;
  }
  return merged;
}

/** Mine in my order, then what only they added, each after the entry it follows there. */
function mergeEntries(base: readonly Entry[], mine: readonly Entry[], theirs: readonly Entry[]): unknown {
  const before = byId(base);
  const [here, there] = [byId(mine), byId(theirs)];
  const merged: Entry[] = [];
  for (const entry of mine) {
    const other = there.get(keyOf(entry));
    const old = before.get(keyOf(entry));
    if (!other) {
      // They took it out: gone, unless I have changed it since.
      if (old && isSame(old, entry)) continue;
      if (old) return CLASH;
      merged.push(entry);
      continue;
    }
    const value = merge(old, entry, other);
    if (value === CLASH) return CLASH;
    merged.push(value as Entry);
  }
  for (const [i, entry] of theirs.entries()) {
    if (here.has(keyOf(entry))) continue;
    const old = before.get(keyOf(entry));
    if (old && isSame(old, entry)) continue;
    if (old) return CLASH;
    const previous = theirs[i - 1];
    const at = previous ? merged.findIndex((one) => keyOf(one) === keyOf(previous)) + 1 : merged.length;
    merged.splice(at, 0, entry);
  }
  return merged;
}

const byId = (entries: readonly Entry[]): ReadonlyMap<unknown, Entry> =>
  new Map(entries.map((entry) => [keyOf(entry), entry]));

const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value);
const isEntries = (value: unknown): value is readonly Entry[] =>
  Array.isArray(value) && value.every((item) => isNode(item) && typeof keyOf(item) === 'string');

/** The same JSON, whatever the order of its keys. */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((item, i) => isSame(item, b[i]));
  if (!isNode(a) || !isNode(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => key in b && isSame(a[key], b[key]));
}
