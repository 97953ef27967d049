import type { Fact, Facts, Kind, Mark } from './facts.ts';
import { bothReadings, NUMERAL, readNumber } from './numeral.ts';
import { readText } from './readText.ts';
import { POSSIBLE } from './units.ts';

export type Read = { readonly value: number } | { readonly problem: string };

/** What a power may be of beside what is taken in, and how it is said of something typed. */
const NO_INPUT: Readonly<Partial<Record<Mark | Kind, string>>> = {
  shaft: 'of the shaft',
  cooling: 'of cooling or heating',
  cools: 'of cooling or heating',
  cooking: 'what it cooks with',
  output: 'what it gives',
  sound: 'of sound',
  peak: 'of its start',
  equivalent: 'of a bulb as bright',
  total: 'of all pieces',
};

/** W that an appliance takes in: what a text says of its shaft, its cooling or its sound is refused, and named. */
export function readInput(text: string): Read {
  const read = readField(text, 'power');
  if ('problem' in read) return read;
  for (const { kind, marks = [] } of readText(text.trim()).facts)
    for (const what of [kind, ...marks])
      if (NO_INPUT[what])
        return { problem: `${Math.round(read.value)} W are ${NO_INPUT[what]}: write what it takes in` };
  return read;
}

/** Kinds that a field of such a kind takes too. */
const ALSO: Readonly<Partial<Record<Kind, readonly Kind[]>>> = {
  power: ['cooling', 'shaft'],
  energy: ['energy-per-day'],
};
const BARE = new RegExp(`^[-−]?(?:${NUMERAL})$`, 'iu');

/** The one quantity of a field, in the core's units. `bare` is what a number without a unit means there. */
export function readField(text: string, kind: Kind, bare: number | null = 1): Read {
  const trimmed = text.trim();
  if (bare !== null && BARE.test(trimmed)) return bareNumber(trimmed, kind, bare);
  const read = readText(trimmed);
  const facts = read.facts.filter((fact) => fact.kind !== 'frequency');
  const asked = facts.find(({ kind: of, code }) => (of === 'asked' && code !== 'bare-number') || of === 'protection');
  if (asked) {
    const [choice] = asked.choices ?? [];
    return { problem: choice ? `Did you mean ${choice}?` : `${trimmed} is not a load` };
  }
  const strange = strangeIn(read);
  if (strange && facts.length > 0) return { problem: `“${strange}” was not understood here` };
  const aside = facts.find(({ kind: of, marks = [] }) => ASIDE.has(of) || marks.includes('standby'));
  if (aside) return { problem: `“${read.tokens[aside.to - 1]?.written}” was not understood here` };
  const fitting = facts.filter(({ kind: of }) => of === kind || ALSO[kind]?.includes(of));
  const doubtful = fitting.find(({ other }) => other !== undefined);
  if (doubtful) return { problem: twoReadings(trimmed) };
  const [first] = fitting;
  if (first?.second !== undefined)
    return { problem: `Did you mean ${Number(first.value.toPrecision(6))} ${UNIT_OF[kind] ?? ''}?` };
  // Only lengths add up: of two powers one is a mistake.
  const isOne = first !== undefined && first.second === undefined && (kind === 'duration' || fitting.length === 1);
  if (isOne && fitting.length === facts.length && !strange)
    return { value: fitting.reduce((sum, { value }) => sum + value, 0) };
  const byAmps = kind === 'power' && !strange ? voltAmps(facts) : null;
  if (byAmps !== null && fitting.length === 0 && facts.length === 2) return { value: byAmps };
  if (byAmps !== null && isOne && facts.length === 3) return besideAmps(first.value, byAmps, facts);
  return { problem: `Write ${FIELD_WORDS[kind] ?? `a ${kind}`}, such as ${EXAMPLE[kind] ?? '5'}` };
}

function bareNumber(trimmed: string, kind: Kind, bare: number): Read {
  const unsigned = trimmed.replace(/^[-−]/, '');
  const both = unsigned.startsWith('0') ? null : bothReadings(unsigned);
  const [least, most] = POSSIBLE[kind as keyof typeof POSSIBLE] ?? [0, Number.POSITIVE_INFINITY];
  const possible = both ? [both.decimal, both.grouped].filter((one) => one * bare >= least && one * bare <= most) : [];
  if (both && possible.length > 1 && kind in POSSIBLE) return { problem: twoReadings(unsigned) };
  const value = (possible[0] ?? readNumber(unsigned)) * bare * (unsigned === trimmed ? 1 : -1);
  return Number.isFinite(value) ? { value } : { problem: `"${trimmed}" is not a number` };
}

/** Words and figures that nothing was read from. */
function strangeIn({ tokens, facts, text }: Facts): string {
  const isRead = (i: number) => facts.some(({ from, to }) => i >= from && i < to);
  const left = tokens.filter(({ cls }, i) => !isRead(i) && !/[Fzθeu!(),;:.=~·G]/.test(cls));
  const [first, last] = [left[0], left.at(-1)];
  return first && last ? text.slice(first.start, last.end) : '';
}

function voltAmps(facts: readonly Fact[]): number | null {
  const [volts, ...more] = facts.filter(({ kind }) => kind === 'voltage');
  const [amps, ...others] = facts.filter(({ kind }) => kind === 'current');
  return volts && amps && more.length + others.length === 0 ? volts.value * amps.value : null;
}

/** Of mains the rest may be the power factor; of DC it is a slip. */
function besideAmps(watts: number, byAmps: number, facts: readonly Fact[]): Read {
  const isMains = facts.some(({ kind, value }) => kind === 'voltage' && value >= 90);
  return watts <= byAmps * 1.05 && watts >= byAmps * (isMains ? 0.4 : 0.7)
    ? { value: watts }
    : { problem: `Volts × amps are ${Math.round(byAmps)} W, not ${Math.round(watts)} W: which?` };
}

function twoReadings(text: string): string {
  const number = new RegExp(NUMERAL, 'iu').exec(text)?.[0] ?? text;
  const both = bothReadings(number);
  return both
    ? `Is ${number} ${both.decimal} or ${both.grouped}? Write it without the mark, or with other decimals`
    : text;
}

/** What says when, of which no field takes note. */
const ASIDE: ReadonlySet<Kind> = new Set(['part', 'season', 'on', 'meanwhile']);
const UNIT_OF: Readonly<Partial<Record<Kind, string>>> = {
  power: 'W',
  current: 'A',
  voltage: 'V',
  apparent: 'VA',
  energy: 'Wh',
  charge: 'Ah',
};
const FIELD_WORDS: Readonly<Partial<Record<Kind, string>>> = { energy: 'an energy', apparent: 'an apparent power' };
const EXAMPLE: Readonly<Partial<Record<Kind, string>>> = {
  power: '1.2 kW or 12 V 3.5 A',
  apparent: '600 VA',
  voltage: '12 V',
  current: '3.5 A',
  energy: '150 Wh',
  charge: '20 Ah',
  duration: '45 min or 1 h 30',
  share: '24 %',
};
