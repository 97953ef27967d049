import { monthName } from '../sun/months.ts';
import { isEpw, readEpw } from './epw.ts';
import { type HourlyYear, hourlyYear, yearOf } from './hours.ts';
import { type WeatherDays, type WeatherMonth, weatherDays, weatherMonths } from './months.ts';
import { isPvgis, readPvgis } from './pvgis.ts';
import { Faults, type WeatherFault, type WeatherSeries } from './series.ts';
import { isTmy3, readTmy3 } from './tmy3.ts';

/** Characters of a file: twenty years of hours take less. */
export const MOST_WEATHER_CHARS = 20 * 1_048_576;

/** A weather file that was read, month by month. */
export interface Weather extends Omit<WeatherSeries, 'hours'> {
  readonly hours: number;
  readonly months: readonly WeatherMonth[];
  readonly days: WeatherDays | null;
  /** The same year hour by hour. */
  readonly hourly: HourlyYear | null;
}

export type WeatherRead =
  | { readonly ok: true; readonly weather: Weather }
  /** The first of them; `count` is of all. */
  | { readonly ok: false; readonly faults: readonly WeatherFault[]; readonly count: number };

/** Reads an hourly weather file in one of the open formats, or says what is wrong on which line. Nothing is half taken. */
export function readWeather(text: string): WeatherRead {
  const faults = new Faults();
  const series = text.length > MOST_WEATHER_CHARS ? tooLarge(faults) : seriesOf(text, faults);
  const months = series ? weatherMonths(series) : [];
  if (series && faults.count === 0)
    for (let month = 1; month <= 12; month++) {
      const days = months.find((one) => one.month === month)?.days ?? 0;
      if (days < 28) faults.add(0, `${monthName(month)} has ${days} whole days: a year of hours is needed`);
    }
  if (!series || faults.count > 0) return { ok: false, faults: faults.told, count: faults.count };
  const year = yearOf(series);
  const days = year && weatherDays(year);
  const hourly = year && hourlyYear(series, year);
  return { ok: true, weather: { ...series, hours: series.hours.length, months, days, hourly } };
}

function tooLarge(faults: Faults): null {
  faults.add(0, `it is larger than ${MOST_WEATHER_CHARS / 1_048_576} MB: no file of hours is`);
  return null;
}

function seriesOf(text: string, faults: Faults): WeatherSeries | null {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n|\n|\r/);
  const [first = '', second = ''] = lines;
  if (isEpw(first)) return readEpw(lines, faults);
  if (isTmy3(second)) return readTmy3(lines, faults);
  if (isPvgis(first)) return readPvgis(lines, faults);
  faults.add(1, 'it is none of EPW (begins with LOCATION), TMY3 CSV or PVGIS hourly CSV (begins with Latitude)');
  return null;
}
