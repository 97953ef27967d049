import { type MeterUnit, QUANTITIES, QUANTITY, type Quantity, unitOf } from './quantities.ts';
import { type DateOrder, isDate, isUnclearDate, orderOf, readStamp } from './stamp.ts';

/** Which column of a meter's table is what. Columns are counted from 0. */
export interface Mapping {
  /** One column with the moment, or one with the date and one with the time. */
  readonly time: readonly number[];
  /** ms that a number in the column of time stands for; null = it is a moment. */
  readonly elapsedMs: number | null;
  readonly order: DateOrder;
  readonly values: readonly { readonly column: number; readonly unit: MeterUnit }[];
  readonly toGo: number | null;
  readonly note: number | null;
  readonly decimal: '.' | ',';
}

/** What is known of a table from its head and its first rows. */
export interface Recognised {
  readonly mapping: Mapping;
  /** What was understood of each column, in words: "Power (kW)" → "watts, from kW". */
  readonly columns: readonly { readonly head: string; readonly as: string | null }[];
  /** What only a person can say; nothing may be taken before. */
  readonly unclear: readonly string[];
}

/** What somebody said of the columns, by what they are: { w: "Power:kW" }. A head, or a number counted from 1. */
export type SaidColumns = Readonly<Partial<Record<Quantity | 'time' | 'date' | 'note' | 'toGo', string>>>;

/** Words of heads; the first that fits counts. What a unit tells comes before. */
const WORDS: readonly (readonly [RegExp, Quantity])[] = [
  [/\b(?:so ?c|state of charge|charge level|battery level|battery percent|level|percent)\b/, 'soc'],
  [/\b(?:temp|temperature)\b/, 'c'],
  [/\b(?:apparent)\b/, 'va'],
  [/\b(?:amp ?hours?|ampere ?hours?|consumed ah)\b/, 'ah'],
  [/\b(?:energy|watt ?hours?|consumption|yield)\b/, 'wh'],
  [/\b(?:voltage|volts?|volt)\b/, 'v'],
  [/\b(?:current|amps?|amperage)\b/, 'a'],
  [/\b(?:power|watts?|load)\b/, 'w'],
];
/** Heads that name what is not the battery's, or no quantity of a log at all; whoever means one of them says so. */
const NOT_OF_STORE =
  /\b(?:power factor|pf|cos(?: ?(?:phi|φ))?|solar|pv|panels?|array|mppt|alternator|shore|grid|generator)\b/;

/** Counters, whose unit may be a thousandfold: without one they are asked about. */
const NEEDS_UNIT: readonly Quantity[] = ['wh', 'ah'];
const TIME_HEAD =
  /^(?:(?:date|day)[ /&+-]*(?:and )?time|timestamp|time ?stamp|time|datetime|at|when|moment|utc|local time|clock)$/;
const DATE_HEAD = /^(?:date|day)$/;
const ELAPSED_HEAD =
  /^(?:elapsed|elapsed time|hours?|h|hrs|minutes?|mins?|seconds?|secs?|s|t|run ?time|duration|time since start)$/;
const TO_GO = /\b(?:time to go|ttg|to go|time left|remaining time|time remaining|remaining)\b/;
const NOTE = /^(?:notes?|comments?|remarks?|event)$/;
const ELAPSED_MS: Readonly<Record<string, number>> = {
  h: 3_600_000,
  hr: 3_600_000,
  hrs: 3_600_000,
  hour: 3_600_000,
  hours: 3_600_000,
  min: 60_000,
  mins: 60_000,
  minute: 60_000,
  minutes: 60_000,
  s: 1000,
  sec: 1000,
  secs: 1000,
  second: 1000,
  seconds: 1000,
  ms: 1,
};

/** Whether a word is a unit that columns have. */
export const isUnitWord = (word: string): boolean =>
  unitOf(word) !== null || ELAPSED_MS[word.toLowerCase()] !== undefined;

interface Head {
  /** Words, in lower case, without the unit. */
  readonly words: string;
  readonly unit: string | null;
}

/** "Battery power (kW)", "power_kW", "Power [kW]", "Power, kW", "kW" apart into words and unit. */
export function headOf(text: string): Head {
  const plain = text.replace(/^\ufeff/, '').trim();
  const bracket = /^(.*?)[([{]\s*([^)\]}]+?)\s*[)\]}]\s*$/.exec(plain);
  const spaced = plain.replace(/[_/]+/g, ' ').replace(/\s+/g, ' ').trim();
  if (bracket?.[2] !== undefined && isUnitWord(bracket[2]))
    return { words: wordsOf(bracket[1] ?? ''), unit: bracket[2] };
  const comma = /^(.*?)[,;:]\s*(\S+)$/.exec(plain);
  if (comma?.[2] !== undefined && isUnitWord(comma[2])) return { words: wordsOf(comma[1] ?? ''), unit: comma[2] };
  const last = spaced.split(' ').at(-1) ?? '';
  // "SoC" ends no unit, "W" alone is one; "Temperature C" and "time s" end with theirs.
  if (isUnitWord(last) && !ELAPSED_HEAD.test(spaced.toLowerCase()))
    return { words: wordsOf(spaced.slice(0, -last.length)), unit: last };
  if (plain.endsWith('%')) return { words: wordsOf(plain.slice(0, -1)), unit: '%' };
  return { words: wordsOf(spaced), unit: null };
}

const wordsOf = (text: string): string =>
  text
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/[_/.-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .toLowerCase();

/** Whether numbers in the sample are written with a comma for the decimal mark. */
function decimalOf(rows: readonly (readonly string[])[], delimiter: string): '.' | ',' {
  if (delimiter === ',') return '.';
  const cells = rows.flat().map((cell) => cell.trim());
  if (cells.some((cell) => /^-?\d+\.\d+(?:\s*\D+)?$/.test(cell))) return '.';
  return cells.some((cell) => /^-?(?:\d{1,3}(?:[.\s]\d{3})+|\d+),\d+(?:\s*\D+)?$/.test(cell)) ? ',' : '.';
}

/** A column that was said, by its head or its number; -1 when there is none. */
function columnOf(said: string, heads: readonly string[]): number {
  const exact = heads.findIndex((head) => head.trim().toLowerCase() === said.trim().toLowerCase());
  if (exact >= 0) return exact;
  return /^\d+$/.test(said.trim()) && Number(said) >= 1 && Number(said) <= heads.length ? Number(said) - 1 : -1;
}

/** A head with a colon in it, or a head and its unit: "Power:kW". */
function saidColumn(said: string, heads: readonly string[]): { column: number; unit: string | null } {
  const whole = columnOf(said, heads);
  if (whole >= 0) return { column: whole, unit: null };
  const at = said.lastIndexOf(':');
  return at < 0
    ? { column: -1, unit: null }
    : { column: columnOf(said.slice(0, at), heads), unit: said.slice(at + 1).trim() };
}

/**
 * Says what the columns of a meter's table are, by their heads and units, by what was said of them, and by the first
 * rows.
 * @param rows some first rows; more of them tell more
 */
export function recognise(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  delimiter: string,
  said: SaidColumns = {},
  saidOrder: DateOrder | null = null,
): Recognised {
  const unclear: string[] = [];
  const as: (string | null)[] = heads.map(() => null);
  const parsed = heads.map(headOf);
  const taken = new Set<number>();
  const decimal = decimalOf(rows, delimiter);
  const cellsOf = (column: number): string[] =>
    rows.map((row) => (row[column] ?? '').trim()).filter((cell) => cell !== '');

  const place = (what: 'time' | 'date' | 'note' | 'toGo', guess: (head: Head, column: number) => boolean): number => {
    const wanted = said[what];
    const column =
      wanted === undefined
        ? parsed.findIndex((head, i) => !taken.has(i) && guess(head, i))
        : saidColumn(wanted, heads).column;
    if (wanted !== undefined && column < 0) unclear.push(noColumn(wanted, heads));
    if (column >= 0) taken.add(column);
    return column;
  };
  const isStamp = (column: number): boolean => {
    const cells = cellsOf(column);
    return (
      cells.length > 0 &&
      cells.every((cell) => readStamp(cell, 'dmy', null) !== null || readStamp(cell, 'mdy', null) !== null)
    );
  };

  const saidTime = said.time === undefined ? null : saidColumn(said.time, heads);
  // A unit that was said of the time ("Elapsed:min") makes it count from the beginning.
  let time = place('time', ({ words, unit }, i) => unit === null && TIME_HEAD.test(words) && isStamp(i));
  let elapsedMs: number | null = saidTime?.unit ? (ELAPSED_MS[saidTime.unit.toLowerCase()] ?? null) : null;
  if (saidTime?.unit && elapsedMs === null) unclear.push(`“${saidTime.unit}” is no unit of time: h, min or s.`);
  let date = place('date', ({ words }) => DATE_HEAD.test(words));
  if (time < 0) {
    time = parsed.findIndex(
      ({ words, unit }, i) =>
        !taken.has(i) &&
        (TIME_HEAD.test(words) ||
          (unit === null && ELAPSED_HEAD.test(words)) ||
          (unit !== null && ELAPSED_MS[unit.toLowerCase()] !== undefined && !TO_GO.test(words))),
    );
    if (time < 0 && date < 0)
      time = parsed.findIndex((_, i) => !taken.has(i) && isStamp(i) && cellsOf(i).some((cell) => /[-:/]/.test(cell)));
    if (time >= 0) taken.add(time);
  }
  if (time >= 0 && elapsedMs === null && !(date >= 0) && !isStamp(time)) {
    const { unit, words } = parsed[time] as Head;
    const by = ELAPSED_MS[(unit ?? words).toLowerCase()];
    if (by !== undefined) elapsedMs = by;
    else if (cellsOf(time).length > 0 && cellsOf(time).every((cell) => /^\d+(?:[.,]\d+)?$/.test(cell)))
      unclear.push(`Does “${heads[time]}” count hours, minutes or seconds? Say time=${heads[time]}:h, :min or :s.`);
  }
  const ofClock = (column: number): boolean =>
    cellsOf(column).every((cell) => readStamp(cell, 'dmy', null)?.kind === 'clock');
  const ofDate = (column: number): boolean =>
    cellsOf(column).length > 0 && cellsOf(column).every((cell) => isDate(cell));
  if (date < 0 && time >= 0 && elapsedMs === null && ofClock(time)) {
    // Times of the day, and dates in a column of another name: they belong together.
    date = parsed.findIndex((_, i) => !taken.has(i) && ofDate(i));
    if (date >= 0) taken.add(date);
  }
  const times = [date, time].filter((column) => column >= 0);
  if (times.length === 0)
    unclear.push(`Which column is the time? There are ${heads.map((head) => `“${head}”`).join(', ')}.`);
  for (const column of times)
    as[column] =
      column === date && time >= 0
        ? 'date'
        : elapsedMs === null
          ? 'time'
          : `time since the beginning, in ${elapsedWord(elapsedMs)}`;

  const cellsOfDate = times.length > 0 ? cellsOf(times[0] as number) : [];
  const orders = new Set(cellsOfDate.map(orderOf).filter((order) => order !== null));
  let order: DateOrder = saidOrder ?? [...orders][0] ?? 'dmy';
  if (saidOrder === null && orders.size === 0 && cellsOfDate.some(isUnclearDate)) {
    const byOrder = (['dmy', 'mdy'] as const).filter((one) => isPlausible(cellsOfDate, one));
    if (byOrder.length === 1) order = byOrder[0] as DateOrder;
    else unclear.push(`Is “${cellsOfDate.find(isUnclearDate)}” day/month or month/day? Say which.`);
  }

  const toGo = place('toGo', ({ words }) => TO_GO.test(words));
  if (toGo >= 0) as[toGo] = 'the display’s time to go';
  const note = place('note', ({ words }) => NOTE.test(words));
  if (note >= 0) as[note] = 'note';

  const values: { column: number; unit: MeterUnit }[] = [];
  for (const quantity of QUANTITIES) {
    const wanted = said[quantity];
    if (wanted === undefined) continue;
    const { column, unit } = saidColumn(wanted, heads);
    if (column < 0) {
      unclear.push(noColumn(wanted, heads));
      continue;
    }
    const meant = unitOf(unit ?? parsed[column]?.unit ?? QUANTITY[quantity].unit);
    if (meant === null || meant.of !== quantity) {
      unclear.push(
        `“${unit ?? parsed[column]?.unit}” is no unit of ${QUANTITY[quantity].word}; they are in ${QUANTITY[quantity].unit}.`,
      );
      continue;
    }
    taken.add(column);
    values.push({ column, unit: meant });
    as[column] = told(meant, unit ?? parsed[column]?.unit ?? null);
  }
  for (const [column, { words, unit }] of parsed.entries()) {
    if (taken.has(column)) continue;
    const cells = cellsOf(column);
    // A column of words is none of a meter's.
    if (cells.length > 0 && !cells.some((cell) => /\d/.test(cell))) continue;
    if (NOT_OF_STORE.test(words)) {
      as[column] = LEFT_OUT('not of the battery');
      continue;
    }
    const byUnit = unit === null ? null : unitOf(unit);
    const byWord = WORDS.find(([pattern]) => pattern.test(words))?.[1] ?? null;
    const quantity = byUnit?.of ?? byWord;
    if (quantity === null) continue;
    if (values.some(({ unit: { of } }) => of === quantity)) {
      as[column] = LEFT_OUT(
        `a second column of ${QUANTITY[quantity].word}; say ${quantity}=${heads[column]} to take this one`,
      );
      continue;
    }
    if (byUnit === null && NEEDS_UNIT.includes(quantity) && !cells.every((cell) => unitInCell(cell)?.of === quantity)) {
      const small = QUANTITY[quantity].unit;
      unclear.push(
        `Does “${heads[column]}” count ${small} or ${quantity === 'wh' ? 'kWh' : 'mAh'}? Say ${quantity}=${heads[column]}:${small}.`,
      );
      continue;
    }
    const meant = byUnit ?? (unitOf(QUANTITY[quantity].unit) as MeterUnit);
    if (quantity === 'soc' && meant.factor === 1 && isShare(cells)) {
      unclear.push(`“${heads[column]}” is never above 1: is it a share? Say soc=${heads[column]}:share, or :%.`);
      continue;
    }
    taken.add(column);
    values.push({ column, unit: meant });
    as[column] = told(meant, unit);
  }
  if (values.length === 0 && unclear.length === 0)
    unclear.push(
      `No column is of %, V, A, W, VA, Wh, Ah or °C. There are ${heads.map((head) => `“${head}”`).join(', ')}.`,
    );
  return {
    mapping: {
      time: times,
      elapsedMs,
      order,
      values,
      toGo: toGo < 0 ? null : toGo,
      note: note < 0 ? null : note,
      decimal,
    },
    columns: heads.map((head, i) => ({ head, as: as[i] ?? null })),
    unclear,
  };
}

const LEFT_OUT = (why: string): string => `left out: ${why}`;

const isShare = (cells: readonly string[]): boolean => {
  const numbers = cells.map((cell) => Number(cell.replace(',', '.')));
  return (
    numbers.length > 1 && numbers.every((value) => value >= 0 && value <= 1) && numbers.some((value) => value % 1 !== 0)
  );
};

/** The unit written beside a number, or null. */
export function unitInCell(cell: string): MeterUnit | null {
  const match = /^[-+]?[\d.,\s]*\d\s*([^\d\s.,+-].*)$/.exec(cell.trim());
  return match?.[1] === undefined ? null : unitOf(match[1]);
}

const elapsedWord = (ms: number): string => (ms === 3_600_000 ? 'h' : ms === 60_000 ? 'min' : ms === 1000 ? 's' : 'ms');

const told = (unit: MeterUnit, written: string | null): string => {
  const { word, unit: stored } = QUANTITY[unit.of];
  return written === null
    ? `${word}, taken as ${stored}`
    : unit.factor === 1 && unit.offset === 0
      ? `${word}, ${stored}`
      : `${word}, from ${written}`;
};

const noColumn = (wanted: string, heads: readonly string[]): string =>
  `There is no column “${wanted}”; there are ${heads.map((head) => `“${head}”`).join(', ')}.`;

/** Dates of a log come one after the other, no two rows a month apart: which order makes them so. */
function isPlausible(cells: readonly string[], order: DateOrder): boolean {
  const MONTH_MS = 28 * 86_400_000;
  let before: number | null = null;
  let changed = false;
  for (const cell of cells) {
    const stamp = readStamp(cell, order, null);
    if (stamp === null || (stamp.kind !== 'local' && stamp.kind !== 'instant')) return false;
    const ms = stamp.kind === 'local' ? stamp.wallMs : stamp.ms;
    if (before !== null && Math.abs(ms - before) >= MONTH_MS) return false;
    changed ||= before !== null && Math.floor(ms / 86_400_000) !== Math.floor(before / 86_400_000);
    before = ms;
  }
  // One day alone tells nothing.
  return changed;
}

/** Why the first bytes of a file are no table of text, or null. */
export function tableFault(bytes: Uint8Array): string | null {
  const starts = (...those: number[]): boolean => those.every((byte, i) => bytes[i] === byte);
  if (bytes.length === 0) return 'it is empty';
  if (starts(0x50, 0x4b, 0x03, 0x04) || starts(0xd0, 0xcf, 0x11, 0xe0))
    return 'it is a spreadsheet file, not CSV: open it and save it as CSV (comma-separated values)';
  if (starts(0xff, 0xfe) || starts(0xfe, 0xff)) return 'it is text in UTF-16: save it as CSV in UTF-8';
  if (bytes.subarray(0, 4096).includes(0)) return 'it is not text: export the meter’s log as CSV';
  return null;
}
