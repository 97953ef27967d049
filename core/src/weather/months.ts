import { daysOf } from './hours.ts';
import type { WeatherHour, WeatherSeries } from './series.ts';

/** A month of a weather file. */
export interface WeatherMonth {
  readonly month: number;
  readonly days: number;
  /** kWh/m² a day on the flat: the mean, the day that three of four do not reach, and the one that three of four exceed. */
  readonly sunHours: number;
  readonly brightSunHours: number;
  readonly dullSunHours: number;
  /** °C: means of the days' highest and lowest, and the lowest and highest of all. */
  readonly dayTempC: number;
  readonly nightTempC: number;
  readonly coldestC: number;
  readonly hottestC: number;
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Share of the values below which so many lie, straight between neighbours (type 7 of Hyndman & Fan 1996). */
function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  const at = share * (sorted.length - 1);
  const [below, above] = [sorted[Math.floor(at)] as number, sorted[Math.ceil(at)] as number];
  return below + (at - Math.floor(at)) * (above - below);
}

const sunHoursOf = (day: readonly WeatherHour[]): number => day.reduce((sum, { ghiWh }) => sum + ghiWh, 0) / 1000;
const highestOf = (day: readonly WeatherHour[]): number => Math.max(...day.map(({ tempC }) => tempC));
const lowestOf = (day: readonly WeatherHour[]): number => Math.min(...day.map(({ tempC }) => tempC));

/** Each day of a year of 365, 1 January first. */
export interface WeatherDays {
  readonly sunHours: readonly number[];
  readonly dayTempC: readonly number[];
  readonly nightTempC: readonly number[];
}

/** What each day of a year came to. */
export const weatherDays = (year: readonly WeatherHour[][]): WeatherDays => ({
  sunHours: year.map(sunHoursOf),
  dayTempC: year.map(highestOf),
  nightTempC: year.map(lowestOf),
});

/** The months of a series, all years together; a month without a day is left out. */
export function weatherMonths({ hours }: Pick<WeatherSeries, 'hours'>): WeatherMonth[] {
  const days = daysOf(hours);
  return Array.from({ length: 12 }, (_, i) => i + 1).flatMap((month) => {
    const those = days.filter(([first]) => first?.month === month);
    if (those.length === 0) return [];
    const sums = those.map(sunHoursOf);
    const highest = those.map(highestOf);
    const lowest = those.map(lowestOf);
    return [
      {
        month,
        days: those.length,
        sunHours: mean(sums),
        brightSunHours: quantile(sums, 0.75),
        dullSunHours: quantile(sums, 0.25),
        dayTempC: mean(highest),
        nightTempC: mean(lowest),
        coldestC: Math.min(...lowest),
        hottestC: Math.max(...highest),
      },
    ];
  });
}
