import { awgAreaMm2, gaugeNumber } from './awg.ts';
import { NUMERAL, readNumber } from './numeral.ts';
import { pattern } from './pattern.ts';
import { readField } from './readField.ts';
import type { Kind } from './token.ts';
import { KG_PER_LB, M_PER_FT } from './units.ts';

type Read = { readonly value: number } | { readonly problem: string };

/** Units that lines have too, with what one of them is in what is read there: W, V, A, Wh, Ah, minutes. */
const OF_LINES: Readonly<Record<string, readonly [kind: Kind, worth: number]>> = {
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
};

/** A quantity: what it is called in a field, what may be typed, and its units by all their names with what each is worth. */
interface Measure {
  readonly is: string;
  readonly worth: Readonly<Record<string, number>>;
}

/** Names as they are compared, see `plain`: small letters, and figures that are raised are not. */
const MEASURES: readonly Measure[] = [
  {
    is: 'a length, such as 4 m or 13 ft',
    worth: {
      ...named(1, 'm', 'metre', 'metres', 'meter', 'meters'),
      ...named(0.01, 'cm'),
      ...named(0.001, 'mm'),
      ...named(M_PER_FT, 'ft', 'foot', 'feet', "'", '′', '’'),
      ...named(M_PER_FT / 12, 'in', 'inch', 'inches', '"', '″', '”'),
    },
  },
  {
    is: 'an area, such as 1.4 m² or 15 ft²',
    worth: {
      ...named(1, 'm2', 'sq m', 'sqm'),
      ...named(M_PER_FT ** 2, 'ft2', 'sq ft', 'sqft'),
    },
  },
  {
    is: 'a mass, such as 12 kg or 26 lb',
    worth: {
      ...named(1, 'kg', 'kgs', 'kilo', 'kilos'),
      ...named(0.001, 'g'),
      ...named(1000, 't'),
      ...named(KG_PER_LB, 'lb', 'lbs', 'pound', 'pounds'),
    },
  },
  {
    is: 'a resistance, such as 4 mΩ',
    worth: { ...named(0.001, 'mω', 'mohm', 'mohms', 'milliohm', 'milliohms'), ...named(1, 'ω', 'ohm', 'ohms') },
  },
  { is: 'a volume, such as 5 l', worth: { ...named(1, 'l', 'litre', 'litres', 'liter', 'liters'), ml: 0.001 } },
  { is: 'a share, such as 24 %', worth: named(1, '%', 'percent', '%/k', '%/°c', '%/c') },
  { is: 'what it burns, such as 0.4 l/h', worth: named(1, 'l/h', 'lph', 'l per hour') },
  { is: 'a volume, such as 0.2 m³', worth: named(1, 'm3') },
  { is: 'an angle, such as 30°', worth: named(1, '°', 'deg', 'degree', 'degrees') },
  { is: 'kelvins, such as 30 K', worth: named(1, 'k', '°c', 'c') },
  { is: 'an area, such as 25 mm² or 4 AWG', worth: named(1, 'mm2', 'mm^2', 'sq mm', 'sqmm') },
];

function named(worth: number, ...names: readonly string[]): Record<string, number> {
  return Object.fromEntries(names.map((name) => [name, worth]));
}

/** One way of writing each sign; of either Ω the small letter is the same. */
const plain = (text: string): string =>
  text
    .replaceAll('−', '-')
    .replaceAll('²', '2')
    .replaceAll('³', '3')
    .replaceAll('℃', '°c')
    .replaceAll('℉', '°f')
    .replace(/\s*\/\s*/g, '/')
    .toLowerCase()
    .trim();

const SIGNED = String.raw`(-|minus\s+)?\s*(${NUMERAL})`;
const TEMPERATURE = pattern(
  `^${SIGNED}\\s*(?:(?:°|deg(?:rees)?)?\\s*(c(?:elsius)?|f(?:ahrenheit)?)|°|deg(?:rees)?)?$`,
  'iu',
);
const BARE = pattern(`^${SIGNED}$`, 'iu');
const GAUGE = pattern(/^(?:(?:awg|ga|gauge)\s*([\d/]+)|([\d/]+)\s*(?:awg|ga|gauge)|([1-4]\/0))$/iu);

/**
 * A number as it is typed where a unit is shown, in that unit: bare, with the unit, or with another unit of the same
 * quantity ("13 ft" where m are shown). What is something else is refused, and what would be understood is named.
 * @param unit as it is shown; what stands behind a blank or a comma only explains it. '' = a plain number
 */
export function readMeasure(written: string, unit: string): Read {
  const [shown = ''] = unit.split(/[ ,]/);
  const text = written.trim().replace(/^\+\s*(?=[\d.,])/, '');
  const line = OF_LINES[shown];
  if (line) return asInLines(text, shown, line);
  if (shown === '°C' || shown === '°F') return readTemperature(plain(text), shown);
  const typed = plain(text);
  const bare = signed(BARE.exec(typed));
  const name = plain(shown);
  const measure = MEASURES.find(({ worth }) => Object.hasOwn(worth, name));
  if (measure) {
    const inBase = name === 'mm2' ? (gaugeMm2(typed) ?? sumOf(typed, measure)) : sumOf(typed, measure);
    const value = bare ?? inBase / (measure.worth[name] as number);
    return Number.isFinite(value) ? { value } : { problem: `Write ${measure.is}` };
  }
  const isPrice = /^[A-Z]{3}$/.test(shown);
  const value = bare ?? signed(BARE.exec(without(typed, isPrice ? coins(shown) : words(name))));
  if (value !== null) return { value };
  return { problem: isPrice ? `Write a price, such as 250 ${shown}` : 'Write a number' };
}

/** What a line would make of it, with a sign before it; hours as a clock has them too, "1:30". */
function asInLines(text: string, shown: string, [kind, worth]: readonly [Kind, number]): Read {
  const size = text.replace(/^[-−]\s*(?=[\d.,])/, '');
  const sign = size === text ? 1 : -1;
  const clock = shown === 'h' ? /^(\d{1,3}):([0-5]\d)$/.exec(size) : null;
  if (clock) return { value: sign * (Number(clock[1]) + Number(clock[2]) / 60) };
  const read = readField(size, kind, worth);
  return 'problem' in read ? read : { value: (sign * read.value) / worth };
}

/** The number of a match of a sign and digits; null where there is none. */
function signed(match: RegExpExecArray | null): number | null {
  const size = readNumber(match?.[2] ?? '');
  return match && Number.isFinite(size) ? size * (match[1] ? -1 : 1) : null;
}

function readTemperature(typed: string, shown: '°C' | '°F'): Read {
  const match = TEMPERATURE.exec(typed);
  const number = signed(match);
  if (number === null) return { problem: 'Write a temperature, such as 5 °C or 41 °F' };
  const isF = match?.[3] ? match[3].startsWith('f') : shown === '°F';
  if (isF === (shown === '°F')) return { value: number };
  return { value: isF ? (number - 32) / 1.8 : number * 1.8 + 32 };
}

/** "13 ft 6 in": all parts of one quantity, and nothing beside them; NaN where there is something else. */
function sumOf(typed: string, { worth }: Measure): number {
  const names = Object.keys(worth).sort((a, b) => b.length - a.length);
  const part = pattern(`^(${NUMERAL})\\s*(${names.map((name) => name.replace('^', '\\^')).join('|')})`, 'iu');
  const isBelow = typed.startsWith('-');
  let [sum, rest] = [0, isBelow ? typed.slice(1).trim() : typed];
  do {
    const match = part.exec(rest);
    if (!match) return Number.NaN;
    sum += readNumber(match[1] ?? '') * (worth[match[2] ?? ''] ?? Number.NaN);
    rest = rest.slice(match[0].length).trim();
  } while (rest !== '');
  return isBelow ? -sum : sum;
}

/** mm² of "4 AWG", "2/0"; null where it is none. */
function gaugeMm2(typed: string): number | null {
  const match = GAUGE.exec(typed);
  const n = match ? gaugeNumber(match[1] ?? match[2] ?? match[3] ?? '') : null;
  return n === null ? null : awgAreaMm2(n);
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
const words = (name: string): readonly string[] => [name, name.replace(/s$/, ''), ...(name === '×' ? ['x'] : [])];

/** A text without one of these at either end. */
function without(typed: string, names: readonly string[]): string {
  for (const name of names.filter((one) => one !== '')) {
    if (typed.endsWith(name)) return typed.slice(0, -name.length).trim();
    if (typed.startsWith(name)) return typed.slice(name.length).trim();
  }
  return typed;
}
