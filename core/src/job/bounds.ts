import { type Fault, shown } from './fault.ts';

/**
 * How much a document may hold before anything looks at its meaning, so that checking costs a bounded time
 * whatever is sent. Each is several times what the largest job the schema allows in 1 MB of text needs.
 */
const MOST = {
  /** Values of all kinds: objects, lists, texts, numbers. */
  values: 200_000,
  /** Entries of one list; the schema's longest holds 500. */
  items: 1000,
  /** Keys of one object; the schema's largest has about 30. */
  keys: 100,
  /** Lists and objects inside one another; the schema goes 8 deep. */
  depth: 20,
  /** Characters of a key. */
  key: 60,
} as const;
/** Numbers nearer to 0 or larger than this are no quantity of a vehicle, and their digits would fill a database. */
const SMALLEST = 1e-9;
const LARGEST = 1e12;

/** What has been counted so far, and what a list may hold. */
interface Count {
  values: number;
  readonly mostItems: number;
}

/**
 * The first thing that is too much of a document, or null. Takes time in proportion to its size, at most to `MOST`.
 * @param mostItems entries of one list
 */
export function boundsFault(document: unknown, mostItems: number = MOST.items): Fault | null {
  const fault = faultIn(document, 0, { values: 0, mostItems });
  return fault && { ...fault, path: fault.path || '/' };
}

/** Its path begins at this value: where it stands is only written down on the way back from a fault. */
function faultIn(value: unknown, depth: number, count: Count): Fault | null {
  count.values += 1;
  if (count.values > MOST.values) return { path: '', expected: `at most ${MOST.values} values in all` };
  if (typeof value === 'number' && !isQuantity(value))
    return { path: '', expected: '0, or a number between 1e-9 and 1e12 in size', found: shown(value) };
  if (typeof value !== 'object' || value === null) return null;
  const keys = Array.isArray(value) ? null : Object.keys(value);
  const here = keys ? keysFault(keys) : listFault(value as unknown[], count.mostItems);
  if (here) return here;
  if (depth >= MOST.depth) return { path: '', expected: `at most ${MOST.depth} levels inside one another` };
  const children = keys ?? (value as unknown[]).keys();
  for (const key of children) {
    const fault = faultIn((value as Record<string | number, unknown>)[key], depth + 1, count);
    if (fault) return { ...fault, path: `/${key}${fault.path}` };
  }
  return null;
}

const isQuantity = (value: number): boolean =>
  value === 0 || (Math.abs(value) >= SMALLEST && Math.abs(value) <= LARGEST);

const listFault = (list: readonly unknown[], most: number): Fault | null =>
  list.length > most ? { path: '', expected: `at most ${most} entries`, found: `${list.length} entries` } : null;

function keysFault(keys: readonly string[]): Fault | null {
  if (keys.length > MOST.keys) return { path: '', expected: `at most ${MOST.keys} keys`, found: `${keys.length} keys` };
  const long = keys.find((key) => key.length > MOST.key);
  return long === undefined ? null : { path: `/${shown(long)}`, expected: `a key of at most ${MOST.key} characters` };
}

/** What a list's entry counts for: about as many faults as an empty one would bring. */
const ENTRY_WEIGHT = 25;

/** The document with its lists cut short, so that collecting every fault of it takes a bounded time. */
export function cutShort(document: unknown, budget: number): unknown {
  let left = budget;
  const cut = (value: unknown): unknown => {
    if (Array.isArray(value)) {
      const kept: unknown[] = [];
      for (const item of value) {
        left -= ENTRY_WEIGHT;
        if (left < 0) break;
        kept.push(cut(item));
      }
      return kept;
    }
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, child]) => {
        left -= 1;
        return [key, cut(child)];
      }),
    );
  };
  return cut(document);
}
