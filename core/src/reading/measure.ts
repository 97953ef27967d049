import { awgAreaMm2 } from '../quantity/awg.ts';
import { readConductor } from './conductor.ts';
import { type Read, readField } from './field.ts';
import { lex, type Token } from './lex.ts';
import { NUMERAL, readNumber } from './numeral.ts';
import { type Measure, UNITS } from './units.ts';

/** Measures of a field, what else counts as one of them there, and how it is said what may be typed. */
const FIELDS: readonly (readonly [shown: string, also: readonly Measure[], is: string])[] = [
  ['m', ['length', 'metres-or-minutes', 'feet-or-minutes'], 'a length, such as 4 m or 13 ft'],
  ['ft', ['length', 'metres-or-minutes', 'feet-or-minutes'], 'a length, such as 4 m or 13 ft'],
  ['m²', ['area'], 'an area, such as 1.4 m² or 15 ft²'],
  ['ft²', ['area'], 'an area, such as 1.4 m² or 15 ft²'],
  ['mm²', ['area'], 'an area, such as 25 mm² or 4 AWG'],
  ['kg', ['mass'], 'a mass, such as 12 kg or 26 lb'],
  ['lb', ['mass'], 'a mass, such as 12 kg or 26 lb'],
  ['mΩ', ['resistance'], 'a resistance, such as 4 mΩ'],
  ['l', ['volume'], 'a volume, such as 5 l'],
  ['m³', ['volume'], 'a volume, such as 0.2 m³'],
  ['l/h', ['flow'], 'what it burns, such as 0.4 l/h'],
  ['%', ['share'], 'a share, such as 24 %'],
  ['°', ['angle'], 'an angle, such as 30°'],
  ['K', ['kelvin', 'celsius'], 'kelvins, such as 30 K'],
];
/** Units that lines have too: the kind of a quantity and what one of it is in the core's. */
const OF_LINES = {
  W: ['power', 1],
  VA: ['apparent', 1],
  V: ['voltage', 1],
  A: ['current', 1],
  Ah: ['charge', 1],
  Wh: ['energy', 1],
  kWh: ['energy', 1000],
  h: ['duration', 60],
  min: ['duration', 1],
  s: ['duration', 1 / 60],
} as const;

/** What makes these at known volts. */
const AT_VOLTS = { A: 'W', Ah: 'Wh' } as const;

const SIGNED = new RegExp(`^(-|minus\\s+)?\\s*(${NUMERAL})$`, 'iu');
/** One way of writing each sign. */
const plain = (text: string): string =>
  text
    .replaceAll('−', '-')
    .replaceAll('²', '2')
    .replaceAll('³', '3')
    .replace(/[℃℉]/g, (sign) => (sign === '℃' ? '°c' : '°f'))
    .toLowerCase()
    .trim();

/**
 * A number as it is typed where a unit is shown, in that unit: bare, with the unit, or with another unit of the same
 * quantity ("13 ft" where m are shown). What is something else is refused, and what would be understood is named.
 * @param unit as it is shown; what stands behind a blank or a comma only explains it. '' = a plain number
 * @param atV of what it is, where watts are amps and watt-hours amp-hours ("500 Wh" where Ah are shown); null = unknown
 */
export function readMeasure(written: string, unit: string, atV: number | null = null): Read {
  const [shown = ''] = unit.split(/[ ,]/);
  const text = written.trim().replace(/^\+\s*(?=[\d.,])/, '');
  if (shown in OF_LINES) {
    const read = asInLines(text, shown as keyof typeof OF_LINES);
    const wide = 'problem' in read && atV !== null ? AT_VOLTS[shown as keyof typeof AT_VOLTS] : undefined;
    const power = wide ? asInLines(text, wide) : read;
    return wide && 'value' in power ? { value: power.value / (atV as number) } : read;
  }
  const typed = plain(text);
  if (shown === '°C' || shown === '°F') return temperature(typed, shown);
  const bare = signed(typed);
  const field = FIELDS.find(([name]) => name === shown);
  if (field) {
    const [name, measures, is] = field;
    const value =
      bare ??
      (name === 'mm²' ? gaugeMm2(typed) : null) ??
      sumOf(name === '%' ? typed.replace(/\s*\/\s*(?:k|°?\s*c)$/, '') : typed, measures) / worthOf(name);
    return Number.isFinite(value) ? { value } : { problem: `Write ${is}` };
  }
  const isPrice = /^[A-Z]{3}$/.test(shown);
  const value = bare ?? signed(without(typed, isPrice ? coins(shown) : wordsOf(plain(shown))));
  if (value !== null) return { value };
  return { problem: isPrice ? `Write a price, such as 250 ${shown}` : 'Write a number' };
}

const worthOf = (shown: string): number =>
  shown === 'mm²'
    ? 1e-6
    : shown === '%'
      ? 0.01
      : ((UNITS.get(plain(shown)) ?? UNITS.get(shown.toLowerCase()))?.worth ?? 1);

/** What a line would make of it, with a sign before it; hours as a clock has them too, "1:30". */
function asInLines(text: string, shown: keyof typeof OF_LINES): Read {
  const [kind, worth] = OF_LINES[shown];
  const size = text.replace(/^[-−]\s*(?=[\d.,])/, '');
  const sign = size === text ? 1 : -1;
  const clock = shown === 'h' ? /^(\d{1,3}):([0-5]\d)$/.exec(size) : null;
  if (clock) return { value: sign * (Number(clock[1]) + Number(clock[2]) / 60) };
  const read = readField(size, kind, worth);
  return 'problem' in read ? read : { value: (sign * read.value) / worth };
}

function signed(typed: string): number | null {
  const match = SIGNED.exec(typed);
  const size = readNumber(match?.[2] ?? '');
  return match && Number.isFinite(size) ? size * (match[1] ? -1 : 1) : null;
}

function temperature(typed: string, shown: '°C' | '°F'): Read {
  const match = /^(.*?)\s*(?:(?:°|deg(?:rees)?)?\s*(c(?:elsius)?|f(?:ahrenheit)?)|°|deg(?:rees)?)?$/.exec(typed);
  const number = signed(match?.[1] ?? '');
  if (number === null) return { problem: 'Write a temperature, such as 5 °C or 41 °F' };
  const isF = match?.[2] ? match[2].startsWith('f') : shown === '°F';
  if (isF === (shown === '°F')) return { value: number };
  return { value: isF ? (number - 32) / 1.8 : number * 1.8 + 32 };
}

/** "13 ft 6 in": all parts of one quantity, and nothing beside them; NaN where there is something else. */
function sumOf(typed: string, measures: readonly Measure[]): number {
  const isBelow = typed.startsWith('-');
  const tokens = lex(isBelow ? typed.slice(1) : typed);
  const isPair = (token: Token, i: number) =>
    i % 2 === 0 ? Number.isFinite(token.value) : token.unit !== null && measures.includes(token.unit.of);
  if (tokens.length === 0 || tokens.length % 2 === 1 || !tokens.every(isPair)) return Number.NaN;
  const sum = tokens.reduce(
    (all, { unit }, i) =>
      all +
      (unit
        ? (tokens[i - 1]?.value ?? 0) * (unit.of === 'feet-or-minutes' ? (UNITS.get('ft')?.worth ?? 1) : unit.worth)
        : 0),
    0,
  );
  return isBelow ? -sum : sum;
}

/** mm² of "4 AWG", "2/0"; null where it is none. */
function gaugeMm2(typed: string): number | null {
  const read = readConductor(lex(typed));
  return read?.is === 'gauge' && read.times === 1 && Number.isFinite(read.value) ? awgAreaMm2(read.value) : null;
}

/** How a currency may stand beside its number: its code and its sign. */
function coins(code: string): readonly string[] {
  const parts = new Intl.NumberFormat('en', {
    style: 'currency',
    currency: code,
    currencyDisplay: 'narrowSymbol',
  }).formatToParts(1);
  return [code, parts.find(({ type }) => type === 'currency')?.value ?? code].map(plain);
}

/** A unit that is a word, of one and of many. */
const wordsOf = (name: string): readonly string[] => [name, name.replace(/s$/, ''), ...(name === '×' ? ['x'] : [])];

/** A text without one of these at either end. */
function without(typed: string, names: readonly string[]): string {
  for (const name of names.filter((one) => one !== '')) {
    if (typed.endsWith(name)) return typed.slice(0, -name.length).trim();
    if (typed.startsWith(name)) return typed.slice(name.length).trim();
  }
  return typed;
}
