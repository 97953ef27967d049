import { type Clash, isSame, type Job } from '@joulemetric/core';

export interface ClashWords {
  readonly part: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Levels of a job file that say nothing to a reader where more follows. */
const SILENT = new Set(['loads', 'options', 'system', 'brief', 'draw', 'rules']);

/** A part that two people changed, as a person would name it, and what each made of it. @param jobs those that may name it */
export function clashWords({ path, base, mine, theirs }: Clash, jobs: readonly Job[]): ClashWords {
  const words: string[] = [];
  let nodes: readonly unknown[] = jobs;
  for (const [i, key] of path.entries()) {
    const next = nodes.map((node) => partOf(node, key)).filter((node) => node !== undefined);
    const isEntry = nodes.some(Array.isArray);
    if (isEntry) words.push(next.map(nameOf).find((name) => name) ?? nameOfLoad(key, jobs) ?? key);
    else if (!SILENT.has(key) || i === path.length - 1) words.push(plain(key));
    nodes = next;
  }
  const part = words.join(' · ');
  return { part: part.charAt(0).toUpperCase() + part.slice(1), mine: shown(mine, base), theirs: shown(theirs, base) };
}

function partOf(node: unknown, key: string): unknown {
  if (Array.isArray(node)) return node.find((entry) => entry === key || entry?.id === key || entry?.load === key);
  return typeof node === 'object' && node !== null ? (node as Record<string, unknown>)[key] : undefined;
}

function nameOf(entry: unknown): string | null {
  const { name, label } = (entry ?? {}) as { name?: unknown; label?: unknown };
  return [name, label].find((one): one is string => typeof one === 'string' && one !== '') ?? null;
}

const nameOfLoad = (id: string, jobs: readonly Job[]): string | null =>
  jobs.flatMap(({ loads }) => loads).find((load) => load.id === id)?.name ?? null;

/** "capacityAh" as "capacity, Ah". */
function plain(key: string): string {
  const [, word = key, unit] = /^(.*?)(Wh|Ah|mm2|Mm2|VA|Va|W|V|A|M|C|H|Min|Deg|Kg|Kwh)?$/.exec(key) ?? [];
  const spaced = word.replace(/([a-z])([A-Z])/g, (_, low: string, high: string) => `${low} ${high.toLowerCase()}`);
  return unit && word !== '' ? `${spaced}, ${UNITS[unit] ?? unit}` : spaced || key;
}

const UNITS: Readonly<Record<string, string>> = {
  Mm2: 'mm²',
  mm2: 'mm²',
  Va: 'VA',
  M: 'm',
  C: '°C',
  H: 'h',
  Min: 'min',
  Deg: '°',
  Kg: 'kg',
  Kwh: 'kWh',
};

function shown(value: unknown, base: unknown): string {
  if (value === undefined) return 'removed';
  if (value === null) return 'not entered';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value !== 'object') return String(value) || 'empty';
  if (Array.isArray(value)) return value.length === 1 ? '1 entry' : `${value.length} entries`;
  return changed(value as Record<string, unknown>, base);
}

/** Of an entry that one changed and the other removed: what in it was changed. */
function changed(value: Record<string, unknown>, base: unknown): string {
  if (typeof base !== 'object' || base === null) return 'added';
  const keys = Object.keys(value).filter((key) => !isSame(value[key], (base as Record<string, unknown>)[key]));
  return `changed: ${keys.map(plain).join(', ')}`;
}
