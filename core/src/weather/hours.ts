import { dayOfYear, YEAR_DAYS } from '../sun/months.ts';
import type { WeatherHour, WeatherSeries } from './series.ts';

/** The hours of a common year at a place, 1 January first; each begins at its whole hour of the file's own clock. */
export interface HourlyYear {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  /** h by which that clock is ahead of UTC. */
  readonly utcOffsetH: number;
  /** Wh/m² on the flat in each hour. */
  readonly ghiWh: readonly number[];
  /** °C, dry bulb. */
  readonly tempC: readonly number[];
}

export const YEAR_HOURS = YEAR_DAYS * 24;

/** The hours of each whole day, in their order. */
export function daysOf(hours: readonly WeatherHour[]): WeatherHour[][] {
  const days: WeatherHour[][] = [];
  for (const hour of hours) {
    if (hour.hour === 0 || days.length === 0) days.push([]);
    (days.at(-1) as WeatherHour[]).push(hour);
  }
  return days;
}

/** The first of each date in a series, without 29 February; null when a date has no day. */
export function yearOf({ hours }: Pick<WeatherSeries, 'hours'>): WeatherHour[][] | null {
  const byDate = new Map<number, WeatherHour[]>();
  for (const day of daysOf(hours)) {
    const [first] = day;
    if (!first || (first.month === 2 && first.day === 29)) continue;
    const date = dayOfYear(first.month, first.day);
    if (!byDate.has(date)) byDate.set(date, day);
  }
  if (byDate.size < YEAR_DAYS) return null;
  return Array.from({ length: YEAR_DAYS }, (_, i) => byDate.get(i) as WeatherHour[]);
}

/** A year of whole days as hours; a tenth of a Wh/m² and of a K are kept. Null where a day lacks an hour. */
export function hourlyYear(
  { latitudeDeg, longitudeDeg, utcOffsetH }: WeatherSeries,
  year: readonly WeatherHour[][],
): HourlyYear | null {
  const hours = year.flat();
  if (hours.length !== YEAR_HOURS) return null;
  const to1 = (value: number): number => Math.round(value * 10) / 10;
  return {
    latitudeDeg,
    longitudeDeg,
    utcOffsetH,
    ghiWh: hours.map(({ ghiWh }) => to1(ghiWh)),
    tempC: hours.map(({ tempC }) => to1(tempC)),
  };
}

/** By how much a day's sum of rounded hours may be off the day that was rounded as a whole, kWh/m². */
const ROUNDED_KWH = 0.002;

/** Whether hours are those of a year of days: what is left of another file is not played under these months. */
export const hoursBelong = (days: { readonly sunHours: readonly number[] } | null, { ghiWh }: HourlyYear): boolean =>
  days !== null &&
  ghiWh.length === YEAR_HOURS &&
  days.sunHours.every((kwh, day) => {
    let wh = 0;
    for (let h = day * 24; h < day * 24 + 24; h++) wh += ghiWh[h] as number;
    return Math.abs(wh / 1000 - kwh) <= ROUNDED_KWH;
  });
