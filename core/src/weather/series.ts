/** An hourly weather file as it is read: hours of whole local days, one after the other. */
export interface WeatherSeries {
  readonly format: WeatherFormat;
  readonly name: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  /** h by which its hours are ahead of UTC. */
  readonly utcOffsetH: number;
  readonly heightM: number | null;
  readonly hours: readonly WeatherHour[];
}

export type WeatherFormat = 'EPW' | 'TMY3' | 'PVGIS';

export interface WeatherHour {
  readonly month: number;
  /** Of the month. */
  readonly day: number;
  /** Begins at this hour of the day, 0 to 23, local standard time. */
  readonly hour: number;
  /** Wh/m² on the flat in the hour. */
  readonly ghiWh: number;
  /** °C, dry bulb. */
  readonly tempC: number;
}

/** What is wrong with a file, and on which line; 0 = with the file as a whole. */
export interface WeatherFault {
  readonly line: number;
  readonly problem: string;
}

/** Faults that are told; the rest is counted. */
export const MOST_FAULTS = 20;

/** Gathers faults as a file is read: all are counted, the first are told. */
export class Faults {
  readonly told: WeatherFault[] = [];
  count = 0;

  add(line: number, problem: string): void {
    this.count += 1;
    if (this.told.length < MOST_FAULTS) this.told.push({ line, problem });
  }
}

/** Nothing on earth is beyond these. */
export const MOST_GHI_WH = 1500;
export const COLDEST_C = -90;
export const HOTTEST_C = 60;

/** A value of a row, or null with its fault told. `missing` is the format's own sign for "not measured". */
function numberIn(
  text: string | undefined,
  what: string,
  missing: (value: number) => boolean,
  [least, most]: readonly [number, number],
  line: number,
  faults: Faults,
): number | null {
  const value = text === undefined || text.trim() === '' ? Number.NaN : Number(text);
  if (!Number.isFinite(value)) faults.add(line, `${what} is not a number: “${(text ?? '').slice(0, 20)}”`);
  else if (missing(value)) faults.add(line, `${what} is missing (${text})`);
  else if (value < least || value > most)
    faults.add(line, `${what} of ${value} is impossible: between ${least} and ${most}`);
  else return value;
  return null;
}

export const ghiOf = (text: string | undefined, missing: (value: number) => boolean, line: number, faults: Faults) =>
  numberIn(text, 'the sun on the flat', missing, [0, MOST_GHI_WH], line, faults);

export const tempOf = (text: string | undefined, missing: (value: number) => boolean, line: number, faults: Faults) =>
  numberIn(text, 'the temperature', missing, [COLDEST_C, HOTTEST_C], line, faults);

/** A number of the head, or null with its fault told. */
export function headNumber(
  text: string | undefined,
  what: string,
  range: readonly [number, number],
  line: number,
  faults: Faults,
): number | null {
  return numberIn(text, what, () => false, range, line, faults);
}

/** The fields of a line, of which some may be quoted. */
export function fieldsOf(line: string): string[] {
  if (!line.includes('"')) return line.split(',');
  return [...line.matchAll(/("(?:[^"]|"")*"|[^,]*)(?:,|$)/g)].map(([, field = '']) =>
    field.replace(/^"|"$/g, '').replaceAll('""', '"'),
  );
}

const DAYS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;
const HOURS_A_DAY = 24;

/** Hours that follow one another, day after day; what is left out or twice is told with the line it should be on. */
export class Clock {
  #before: { month: number; day: number; hour: number } | null = null;

  /** @returns whether the hour may be taken */
  follows(month: number, day: number, hour: number, line: number, faults: Faults): boolean {
    const isDate = Number.isInteger(month) && month >= 1 && month <= 12 && day >= 1 && day <= (DAYS[month - 1] ?? 0);
    if (!isDate || !(hour >= 0 && hour < HOURS_A_DAY) || !Number.isInteger(hour)) {
      faults.add(line, 'no date and hour at its beginning');
      return false;
    }
    const before = this.#before;
    this.#before = { month, day, hour };
    if (before && !isNext(before, { month, day, hour })) {
      const after = `${before.month}/${before.day} ${before.hour}:00`;
      faults.add(line, `${month}/${day} ${hour}:00 does not follow ${after}: hours are missing, twice or out of order`);
      return false;
    }
    if (!before && hour !== 0) {
      faults.add(line, `it begins at ${hour}:00, not with a whole day`);
      return false;
    }
    return true;
  }
}

type Moment = { readonly month: number; readonly day: number; readonly hour: number };

/** The next hour; 1 March may follow 28 February, and any month may be of another year. */
function isNext(before: Moment, now: Moment): boolean {
  if (before.hour < HOURS_A_DAY - 1)
    return now.hour === before.hour + 1 && now.day === before.day && now.month === before.month;
  if (now.hour !== 0) return false;
  if (now.month === before.month && now.day === before.day + 1) return true;
  const last = DAYS[before.month - 1] as number;
  const ends = before.day === last || (before.month === 2 && before.day === 28);
  return ends && now.day === 1 && now.month === (before.month % 12) + 1;
}
