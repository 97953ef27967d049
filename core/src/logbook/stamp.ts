import { readNumber } from '../reading/numeral.ts';

/** When a reading was taken, as it is written. */
export type Stamp =
  /** A moment that needs no zone: ms since 1970. */
  | { readonly kind: 'instant'; readonly ms: number }
  /** A date and time on the wall: ms since 1970 if the wall were at UTC. */
  | { readonly kind: 'local'; readonly wallMs: number }
  /** A time of the day without a date: ms after midnight. */
  | { readonly kind: 'clock'; readonly ms: number }
  /** Time since the beginning: ms. */
  | { readonly kind: 'elapsed'; readonly ms: number };

export type DateOrder = 'dmy' | 'mdy';

const SECOND = 1000;
const MINUTE = 60 * SECOND;
const HOUR = 60 * MINUTE;
export const DAY_MS = 24 * HOUR;

const TIME = '(\\d{1,2}):(\\d{2})(?::(\\d{2})(?:[.,](\\d{1,9}))?)?\\s*([ap]\\.?m\\.?)?';
const ZONE = '(z|utc|[+-]\\d{2}:?\\d{2}|[+-]\\d{2})?';
const ISO = new RegExp(`^(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})(?:(?:\\s*t\\s*|[ ,]+)${TIME}\\s*${ZONE})?$`, 'i');
const DATE = new RegExp(`^(\\d{1,2})([-/.])(\\d{1,2})\\2(\\d{4}|\\d{2})(?:[ ,t]+${TIME}\\s*${ZONE})?$`, 'i');
const CLOCK = new RegExp(`^${TIME}$`, 'i');
const HOURS = /^(\d+)\s*h(?:ours?)?\s*(?:(\d{1,2})\s*(?:m|min|minutes?)?)?$/i;

/** ms after midnight of the groups of TIME, or null of what is no time. */
function timeOf(groups: readonly (string | undefined)[]): number | null {
  const [hour = '0', minute = '0', second = '0', part = '', half] = groups;
  let hours = Number(hour);
  if (half) {
    if (hours < 1 || hours > 12) return null;
    hours = (hours % 12) + (/^p/i.test(half) ? 12 : 0);
  }
  const [minutes, seconds] = [Number(minute), Number(second)];
  const isMidnight = hours === 24 && minutes === 0 && seconds === 0;
  if (hours > 23 && !isMidnight) return null;
  if (minutes > 59 || seconds > 60) return null;
  return hours * HOUR + minutes * MINUTE + seconds * SECOND + (part === '' ? 0 : Number(`0.${part}`) * SECOND);
}

function dateOf(year: number, month: number, day: number): number | null {
  const ms = Date.UTC(year, month - 1, day);
  const back = new Date(ms);
  return month >= 1 && month <= 12 && back.getUTCMonth() === month - 1 && back.getUTCDate() === day ? ms : null;
}

function placed(wallMs: number, zone: string | undefined): Stamp {
  if (zone === undefined) return { kind: 'local', wallMs };
  return { kind: 'instant', ms: wallMs - offsetOf(zone) * MINUTE };
}

/** Minutes ahead of UTC of "Z", "+02:00", "-0330", "+2". */
const offsetOf = (zone: string): number => {
  const match = /^([+-])(\d{1,2}):?(\d{2})?$/.exec(zone);
  if (!match) return 0;
  return (match[1] === '-' ? -1 : 1) * (Number(match[2]) * 60 + Number(match[3] ?? 0));
};

/** Whether a date with slashes says of itself which number is the month: null when it may be either. */
export function orderOf(text: string): DateOrder | null {
  const match = DATE.exec(text.trim());
  if (!match) return null;
  const [first, second] = [Number(match[1]), Number(match[3])];
  if (first > 12 && second <= 12) return 'dmy';
  if (second > 12 && first <= 12) return 'mdy';
  return null;
}

/** Whether it is a date without a time. */
export const isDate = (text: string): boolean => {
  const trimmed = text.trim();
  const [iso, written] = [ISO.exec(trimmed), DATE.exec(trimmed)];
  return (iso !== null && iso[4] === undefined) || (written !== null && written[5] === undefined);
};

/** Whether a date's month cannot be told from its day. Where points part them, the day comes first. */
export const isUnclearDate = (text: string): boolean => {
  const match = DATE.exec(text.trim());
  return (
    match !== null && match[2] !== '.' && Number(match[1]) <= 12 && Number(match[3]) <= 12 && match[1] !== match[3]
  );
};

/**
 * Reads a moment: ISO dates with or without a zone, 31/12/2026 23:59, 1:05 pm, 16:55, "138 h 04", seconds or
 * milliseconds since 1970, days since 1900 as spreadsheets count them. Null when it is none.
 * @param elapsed ms that a bare number stands for, where the column counts from the beginning; null = it does not
 */
export function readStamp(text: string, order: DateOrder, elapsed: number | null): Stamp | null {
  const trimmed = text.trim();
  if (elapsed !== null) return elapsedOf(trimmed, elapsed);
  const iso = ISO.exec(trimmed);
  if (iso) {
    const date = dateOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
    const time = timeOf(iso.slice(4, 9));
    return date === null || time === null ? null : placed(date + time, iso[9]);
  }
  const written = DATE.exec(trimmed);
  if (written) {
    const [first, second, year] = [Number(written[1]), Number(written[3]), Number(written[4])];
    const [day, month] = order === 'dmy' ? [first, second] : [second, first];
    const date = dateOf(year < 100 ? 2000 + year : year, month, day);
    const time = timeOf(written.slice(5, 10));
    return date === null || time === null ? null : placed(date + time, written[10]);
  }
  const clock = CLOCK.exec(trimmed);
  if (clock) {
    const time = timeOf(clock.slice(1, 6));
    return time === null ? null : { kind: 'clock', ms: time };
  }
  if (HOURS.test(trimmed)) return elapsedOf(trimmed, HOUR);
  const hours = /^(\d+[.,]\d+)\s*h(?:ours?)?$/i.exec(trimmed);
  if (hours) return elapsedOf(hours[1] as string, HOUR);
  return counted(trimmed);
}

/** Hours of a log that counts from its beginning, as a number or as "138:04", "138 h 04". */
function elapsedOf(text: string, unit: number): Stamp | null {
  const clock = /^(\d+):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/.exec(text);
  if (clock) {
    const seconds = clock[3] === undefined ? 0 : readNumber(clock[3]);
    if (Number(clock[2]) > 59 || seconds >= 60) return null;
    return { kind: 'elapsed', ms: Number(clock[1]) * HOUR + Number(clock[2]) * MINUTE + seconds * SECOND };
  }
  const words = HOURS.exec(text);
  if (words) {
    if (Number(words[2] ?? 0) > 59) return null;
    return { kind: 'elapsed', ms: Number(words[1]) * HOUR + Number(words[2] ?? 0) * MINUTE };
  }
  const value = /^\d*[.,]?\d+(?:e[+-]?\d+)?$/i.test(text) ? Number(text.replace(',', '.')) : Number.NaN;
  return Number.isFinite(value) ? { kind: 'elapsed', ms: value * unit } : null;
}

/** From 1990 to 2100, in each way of counting. */
const EPOCH_S = [631_152_000, 4_102_444_800] as const;
const SHEET_DAYS = [32_874, 73_051] as const;
/** Day 25,569 of a spreadsheet is 1 January 1970. */
const SHEET_1970 = 25_569;

function counted(text: string): Stamp | null {
  if (!/^\d+(?:[.,]\d+)?$/.test(text)) return null;
  const value = Number(text.replace(',', '.'));
  const within = ([least, most]: readonly [number, number], by = 1): boolean =>
    value >= least * by && value < most * by;
  if (within(EPOCH_S)) return { kind: 'instant', ms: value * SECOND };
  if (within(EPOCH_S, 1000)) return { kind: 'instant', ms: value };
  if (within(SHEET_DAYS)) return { kind: 'local', wallMs: Math.round((value - SHEET_1970) * DAY_MS) };
  return null;
}

/** The moments that a time on a zone's wall may be: none in spring's lost hour, two in autumn's doubled one. */
export type Zone = (wallMs: number) => readonly number[];

/** A zone by its name ("Europe/Paris", "UTC") or as an offset ("+02:00"); null when there is none of the name. */
export function zoneOf(name: string): Zone | null {
  const plain = name.trim();
  if (/^(?:z|utc|gmt)$/i.test(plain)) return (wallMs) => [wallMs];
  if (/^[+-]\d{1,2}(?::?\d{2})?$/.test(plain)) {
    const minutes = offsetOf(plain);
    return Math.abs(minutes) <= 14 * 60 ? (wallMs) => [wallMs - minutes * MINUTE] : null;
  }
  let format: Intl.DateTimeFormat;
  try {
    format = new Intl.DateTimeFormat('en', { timeZone: plain, timeZoneName: 'longOffset', year: 'numeric' });
  } catch {
    return null;
  }
  const offsetAt = (ms: number): number => {
    const said = format.formatToParts(ms).find(({ type }) => type === 'timeZoneName')?.value ?? 'GMT';
    return offsetOf(said.replace('GMT', '').slice(0, 6)) * MINUTE;
  };
  // Clocks change at most a few times a year: what a quarter of an hour of the wall may be is kept.
  const known = new Map<number, readonly number[]>();
  const QUARTER = 15 * MINUTE;
  const offsetsAt = (wallMs: number): readonly number[] => {
    const quarter = Math.floor(wallMs / QUARTER);
    const kept = known.get(quarter);
    if (kept) return kept;
    const first = quarter * QUARTER;
    const near = [...new Set([offsetAt(first - DAY_MS), offsetAt(first + DAY_MS)])];
    const offsets = near.filter((offset) => offsetAt(first - offset) === offset).sort((a, b) => b - a);
    known.set(quarter, offsets);
    return offsets;
  };
  return (wallMs) => offsetsAt(wallMs).map((offset) => wallMs - offset);
}
