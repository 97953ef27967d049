import { overlappingUse } from '../job/overlap.ts';
import type { Draw, Load, Use } from '../job/schema.ts';
import type { Cycle } from '../loads/cycles.ts';
import { useInThe, usesFor } from '../loads/uses.ts';
import type { PartOfDay } from '../quantity/partsOfDay.ts';
import type { Fact, Kind } from './facts.ts';
import type { Said } from './said.ts';

/** Lengths each with its own time, days or watts: "4 h weekdays 2 h weekends", "15 W 6 h low, 30 W 1 h high". */

type On = Load['variants'][number]['on'];

/** The facts of two kinds where they stand one by one beside each other, all of both; null where they do not. */
function inTurn(lengths: readonly Fact[], others: readonly Fact[]): boolean {
  if (lengths.length < 2 || lengths.length !== others.length) return false;
  const isBefore = (first: readonly Fact[], second: readonly Fact[]) =>
    first.every(
      (one, i) =>
        one.from < (second[i]?.from ?? 0) && (second[i]?.from ?? 0) < (first[i + 1]?.from ?? Number.POSITIVE_INFINITY),
    );
  return isBefore(lengths, others) || isBefore(others, lengths);
}

const WHEN: readonly Kind[] = ['part', 'begins', 'on', 'season'];

/** Uses each at its own time, and other ones on other days; null where a text does not pair them one by one. */
export function pairedLengths(
  said: Said,
  start: Load,
): { readonly uses: Use[]; readonly variants: Load['variants'] } | null {
  const lengths = said.see('duration').filter(({ value, mark }) => mark !== 'total' && value < 1440);
  const whens = said.see(...WHEN);
  if (!inTurn(lengths, whens) || said.see('times', 'clock', 'every').length > 0) return null;
  const isOnDays = whens.every(({ kind }) => kind === 'on' || kind === 'season');
  if (!isOnDays && whens.some(({ kind }) => kind === 'on' || kind === 'season')) return null;
  const made = isOnDays ? onDays(start, lengths, whens) : inTheDay(lengths, whens);
  if (!made) return null;
  said.use(...lengths, ...whens);
  return made;
}

function inTheDay(lengths: readonly Fact[], whens: readonly Fact[]) {
  const uses = lengths.flatMap(({ value }, i) => {
    const when = whens[i] as Fact;
    if (when.kind === 'begins') return [{ startMin: when.value, minutes: value }];
    return useInThe(
      (when.tag ?? 'day').replace('pm', 'evening').replace('noon', 'day').replace('whole-', '') as PartOfDay,
      value,
    );
  });
  uses.sort((a, b) => a.startMin - b.startMin);
  return overlappingUse(uses) ? null : { uses, variants: [] };
}

/** The usual day is that of weekdays, or of summer; the other is a variant of it. */
function onDays({ draw, uses }: Load, lengths: readonly Fact[], whens: readonly Fact[]) {
  const tags = whens.map(({ tag }) => tag as On);
  if (lengths.length !== 2 || tags[0] === tags[1] || whens[0]?.kind !== whens[1]?.kind) return null;
  const of = (i: number): Use[] => {
    const minutes = lengths[i]?.value ?? 0;
    const [usual, ...more] = uses;
    return usual && more.length === 0 && usual.minutes < 1440 && draw.kind !== 'cycle'
      ? [{ startMin: usual.startMin, minutes }]
      : usesFor({ kind: 'steady', powerW: 1 }, 1, minutes);
  };
  const first = Math.max(
    0,
    tags.findIndex((tag) => tag === 'weekday' || tag === 'summer'),
  );
  return { uses: of(first), variants: [{ on: tags[1 - first] as On, uses: of(1 - first) }] };
}

/** Watts each with its own length: one after the other in a use. Null where there are not several of both. */
export function phasesOf(said: Said): Cycle | null {
  const lengths = said.see('duration').filter(isOfPart);
  const watts = said
    .see('power')
    .filter(({ marks = [], second }) => second === undefined && !marks.some((mark) => NO_PHASE.has(mark)));
  if (!inTurn(lengths, watts) || said.see('every', 'energy', 'energy-per-day').length > 0) return null;
  said.use(...lengths, ...watts);
  const [first, last] = [
    Math.min(...[...lengths, ...watts].map(({ from }) => from)),
    Math.max(...[...lengths, ...watts].map(({ to }) => to)),
  ];
  // The words between say what each phase is.
  for (let at = first; at <= last; at++) said.spoken.add(at);
  return {
    kind: 'cycle',
    phases: lengths.map(({ value }, i) => ({
      label: labelOf(said, watts[i] as Fact, lengths[i] as Fact, i),
      powerW: watts[i]?.value ?? 0,
      minutes: value,
      startRatio: null,
    })),
  };
}
const NO_PHASE: ReadonlySet<string> = new Set(['peak', 'equivalent', 'cooking', 'output']);
const isOfPart = ({ value, mark }: Fact): boolean => mark !== 'total' && value < 1440;

/** "Brew 7 min then keep warm 50 min" of a type that does so: each phase has its own length. */
export function lengthsOfPhases(said: Said, draw: Draw): Cycle | null {
  const lengths = said.see('duration').filter((fact) => isOfPart(fact) && !said.isUsed(fact));
  if (draw.kind !== 'cycle' || lengths.length < 2 || lengths.length !== draw.phases.length) return null;
  said.use(...lengths);
  for (let at = (lengths[0] as Fact).from; at <= (lengths.at(-1) as Fact).to; at++) said.spoken.add(at);
  return {
    ...draw,
    phases: draw.phases.map((phase, i) => ({ ...phase, minutes: lengths[i]?.value ?? phase.minutes })),
  };
}

/** What a phase is called: the words beside its figures. */
function labelOf(said: Said, watts: Fact, length: Fact, i: number): string {
  const [from, to] = [Math.min(watts.from, length.from), Math.max(watts.to, length.to)];
  const { tokens, facts } = said.read;
  const isWord = (at: number) =>
    /[X!]/.test(tokens[at]?.cls ?? '') &&
    (!facts.some((one) => at >= one.from && at < one.to) || /low|high|middle/.test(tokens[at]?.tag ?? ''));
  const inside = Array.from({ length: to - from }, (_, k) => from + k).filter(isWord);
  const behind = isWord(to) ? [to] : [];
  const [word] = inside.length > 0 ? inside : behind;
  const text = word === undefined ? '' : (tokens[word]?.written ?? '');
  return text ? text.charAt(0).toUpperCase() + text.slice(1) : `Phase ${i + 1}`;
}
