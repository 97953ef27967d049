import { consistencyFaults } from './consistency.ts';
import type { Job } from './schema.ts';
import { MOST_LOADS } from './values.ts';
import { withoutLostLinks } from './withoutLost.ts';

/** A part that both sides changed, each in its own way. */
export interface Clash {
  /** Keys of objects, ids of entries of lists. */
  readonly path: readonly string[];
  /** What it was, and what each side made of it; undefined = not there. */
  readonly base: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merged {
  /** Null when what comes out contradicts itself or holds more loads than a job may. */
  readonly job: Job | null;
  /** Parts that were decided by `prefer`. */
  readonly clashes: readonly Clash[];
}

/**
 * Three-way merge of two jobs that were edited from the same one. What only one side changed is taken from it; where
 * both changed the same part in different ways the preferred side counts, and the part is listed. Entries of lists are
 * matched by their ids; a list's order is that of the side that changed it, mine where both did.
 */
export function mergeParts(base: Job, mine: Job, theirs: Job, prefer: 'mine' | 'theirs'): Merged {
  const clashes: Clash[] = [];
  const put = merge(base, mine, theirs, { path: [], prefer, clashes }) as Job;
  // What one side removed, the other may have linked something to.
  const job = put === mine || put === theirs ? put : withoutLostLinks(put);
  const [fault] = consistencyFaults(job);
  return { job: fault || job.loads.length > MOST_LOADS ? null : job, clashes };
}

/** The same where no side needs to be preferred; null when somebody has to choose. */
export function mergeJobs(base: Job, mine: Job, theirs: Job): Job | null {
  const { job, clashes } = mergeParts(base, mine, theirs, 'mine');
  return clashes.length > 0 ? null : job;
}

type Node = Readonly<Record<string, unknown>>;
/** An entry of a list: told by its id, by the load it is about, or a text that is its own key. */
type Entry = (Node & ({ readonly id: string } | { readonly load: string })) | string;

interface Place {
  readonly path: readonly string[];
  readonly prefer: 'mine' | 'theirs';
  readonly clashes: Clash[];
}

const inside = (place: Place, key: string): Place => ({ ...place, path: [...place.path, key] });

const keyOf = (entry: Entry): string => (typeof entry === 'string' ? entry : ((entry.id ?? entry.load) as string));

function clash({ path, prefer, clashes }: Place, base: unknown, mine: unknown, theirs: unknown): unknown {
  clashes.push({ path, base, mine, theirs });
  return prefer === 'mine' ? mine : theirs;
}

function merge(base: unknown, mine: unknown, theirs: unknown, place: Place): unknown {
  if (isSame(mine, theirs) || isSame(base, theirs)) return mine;
  if (isSame(base, mine)) return theirs;
  if (isEntries(base) && isEntries(mine) && isEntries(theirs)) return mergeEntries(base, mine, theirs, place);
  // Two kinds of one thing have different keys: they are not mixed.
  if (isNode(base) && isNode(mine) && isNode(theirs) && mine.kind === theirs.kind)
    return mergeNodes(base, mine, theirs, place);
  return clash(place, base, mine, theirs);
}

function mergeNodes(base: Node, mine: Node, theirs: Node, place: Place): Node {
  const merged: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(mine), ...Object.keys(theirs)])) {
    const value = merge(base[key], mine[key], theirs[key], inside(place, key));
    if (value !== undefined) merged[key] = value;
  }
  return merged;
}

function mergeEntries(base: readonly Entry[], mine: readonly Entry[], theirs: readonly Entry[], place: Place): Entry[] {
  const [before, here, there] = [byKey(base), byKey(mine), byKey(theirs)];
  const merged = new Map<string, Entry>();
  for (const key of new Set([...here.keys(), ...there.keys()])) {
    const value = merge(before.get(key), here.get(key), there.get(key), inside(place, key));
    if (value !== undefined) merged.set(key, value as Entry);
  }
  const [order, added] = isReordered(base, mine) ? [here, there] : [there, here];
  return woven([...order.keys()], [...added.keys()], before).flatMap((key) => merged.get(key) ?? []);
}

/** The keys in the first order; what only the second has follows what it follows there, behind what is new here. */
function woven(order: readonly string[], other: readonly string[], before: ReadonlyMap<string, Entry>): string[] {
  const put = [...order];
  const there = new Set(order);
  for (const [i, key] of other.entries()) {
    if (there.has(key)) continue;
    let at = i === 0 ? 0 : put.indexOf(other[i - 1] as string) + 1;
    while (at < put.length && there.has(put[at] as string) && !before.has(put[at] as string)) at++;
    put.splice(at, 0, key);
  }
  return put;
}

/** Whether entries that both have follow one another differently. */
function isReordered(base: readonly Entry[], side: readonly Entry[]): boolean {
  const [was, is] = [byKey(base), byKey(side)];
  const kept = [...was.keys()].filter((key) => is.has(key));
  return [...is.keys()].filter((key) => was.has(key)).some((key, i) => key !== kept[i]);
}

const byKey = (entries: readonly Entry[]): ReadonlyMap<string, Entry> =>
  new Map(entries.map((entry) => [keyOf(entry), entry]));

const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value);
const isEntries = (value: unknown): value is readonly Entry[] =>
  Array.isArray(value) &&
  value.every((item) => typeof item === 'string' || (isNode(item) && typeof (item.id ?? item.load) === 'string')) &&
  new Set(value.map(keyOf)).size === value.length;

/** The same JSON, whatever the order of its keys. */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a)) return Array.isArray(b) && a.length === b.length && a.every((item, i) => isSame(item, b[i]));
  if (!isNode(a) || !isNode(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => key in b && isSame(a[key], b[key]));
}
