import type { Place } from '../job/schema.ts';
import type { MeasuredHours } from '../sources/hourlyYield.ts';
import { placeIn, sunDay } from '../sun/day.ts';
import { monthlyExtraterrestrialKwh } from '../sun/geometry.ts';
import { sunHours } from '../sun/hours.ts';
import { MONTH_DAYS, MONTH_OF_DAY, YEAR_DAYS } from '../sun/months.ts';
import { seasonOf } from '../sun/season.ts';
import { spreadOf } from '../sun/spread.ts';
import { type HourlyYear, hoursBelong, YEAR_HOURS } from '../weather/hours.ts';
import { normalDeviates, normalShare } from './normal.ts';

/** The sky and the air of some days, one after the other. */
export interface WeatherRun {
  /** Day of the year that it begins with, 0 = 1 January. */
  readonly fromDay: number;
  /** Daily clearness K_t, what reaches the ground of what arrives above the air. */
  readonly clearness: Float64Array;
  /** °C: mean of the day, and half of what the afternoon is warmer than the night. */
  readonly meanC: Float64Array;
  readonly swingC: Float64Array;
  /** Hour by hour what was measured, by the clock of the place; null where days alone are known. */
  readonly hours: MeasuredHours | null;
}

/** A place month by month: its mean clearness and temperatures. */
export interface Climate {
  readonly clearness: readonly number[];
  readonly meanC: readonly number[];
  readonly swingC: readonly number[];
  /** kWh/m² a day above the air. */
  readonly aboveKwh: readonly number[];
}

const TWELVE = Array.from({ length: 12 }, (_, i) => i + 1);

export function climateOf(place: Place): Climate {
  const places = TWELVE.map((month) => placeIn(place, month));
  const aboveKwh = TWELVE.map((month) => monthlyExtraterrestrialKwh(place.latitudeDeg, month));
  return {
    aboveKwh,
    clearness: TWELVE.map((month, i) => {
      const above = aboveKwh[i] as number;
      return above > 0 ? sunDay(places[i] as Place, month).sunHours / above : 0;
    }),
    meanC: places.map(({ dayTempC, nightTempC }) => (dayTempC + nightTempC) / 2),
    swingC: places.map(({ dayTempC, nightTempC }) => (dayTempC - nightTempC) / 2),
  };
}

/** A figure known month by month, straight from the middle of one to the middle of the next; its year's mean is kept. */
function onDay(byMonth: readonly number[], day: number): number {
  const month = (MONTH_OF_DAY[day] as number) - 1;
  const before = MONTH_DAYS.slice(0, month).reduce<number>((sum, days) => sum + days, 0);
  const days = MONTH_DAYS[month] as number;
  const from = (day + 0.5 - before) / days - 0.5;
  const other = byMonth[(month + (from < 0 ? 11 : 1)) % 12] as number;
  const own = byMonth[month] as number;
  return own + (other - own) * Math.abs(from);
}

export const dayOf = (day: number): number => ((day % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS;

function run(fromDay: number, days: number): WeatherRun {
  return {
    fromDay: dayOf(fromDay),
    clearness: new Float64Array(days),
    meanC: new Float64Array(days),
    swingC: new Float64Array(days),
    hours: null,
  };
}

/** Every day the mean of its month. @param month the same for all of them; null = as the year goes */
export function typicalRun(climate: Climate, fromDay: number, days: number, month: number | null = null): WeatherRun {
  const made = run(fromDay, days);
  for (let i = 0; i < days; i++) {
    const day = dayOf(fromDay + i);
    const m = (month ?? (MONTH_OF_DAY[day] as number)) - 1;
    made.clearness[i] = climate.clearness[m] as number;
    made.meanC[i] = month === null ? onDay(climate.meanC, day) : (climate.meanC[m] as number);
    made.swingC[i] = climate.swingC[m] as number;
  }
  return made;
}

/** Correlation of one day's sky with the next's, of the normal scores (Graham & Hollands 1990). */
export const SKY_LAG = 0.29;
/** The same of daily mean temperature, and by how many K it scatters. From memory. */
const TEMPERATURE_LAG = 0.7;
const SCATTER_K = 3;
/** How sky and temperature go together: a clear day of winter is cold, one of summer warm. From memory. */
const CLEAR_WARMS = { winter: -0.4, usual: 0, summer: 0.4 } as const;
/** Share of the difference of day and night that stands under any sky; the rest goes with clearness. From memory. */
const STEADY_SWING = 0.4;
const MOST_SWING = 1.6;

const fills = new WeakMap<Climate, ((share: number) => number)[]>();
/** Days before the year, so that it does not begin with a mean one. */
const LEAD_IN = 30;

/**
 * Days that might be: clearness by the distribution of Bendt, Collares-Pereira & Rabl (1981) about the month's mean,
 * day after day correlated through a Gaussian copula of lag 0.29; temperatures correlated from day to day and with the
 * sky. The same seed and number give the same days.
 * @param seed a whole number; `number` of the year, 0 upward
 */
export function syntheticRun(
  climate: Climate,
  latitudeDeg: number,
  seed: number,
  number: number,
  fromDay = 0,
  days = YEAR_DAYS,
): WeatherRun {
  const made = run(fromDay, days);
  const spread = fills.get(climate) ?? climate.clearness.map(spreadOf);
  fills.set(climate, spread);
  const next = normalDeviates(seed, number);
  const skyNoise = Math.sqrt(1 - SKY_LAG ** 2);
  const airNoise = Math.sqrt(1 - TEMPERATURE_LAG ** 2);
  let [sky, air] = [next(), next()];
  for (let i = -LEAD_IN; i < days; i++) {
    const day = dayOf(fromDay + i);
    const month = MONTH_OF_DAY[day] as number;
    const together = CLEAR_WARMS[seasonOf(month, latitudeDeg)];
    const skyNew = next();
    sky = SKY_LAG * sky + skyNoise * skyNew;
    air = TEMPERATURE_LAG * air + airNoise * (together * skyNew + Math.sqrt(1 - together ** 2) * next());
    if (i < 0) continue;
    const mean = climate.clearness[month - 1] as number;
    const clearness = (spread[month - 1] as (share: number) => number)(normalShare(sky));
    made.clearness[i] = clearness;
    made.meanC[i] = onDay(climate.meanC, day) + SCATTER_K * air;
    const swing = STEADY_SWING + (1 - STEADY_SWING) * (mean > 0 ? clearness / mean : 1);
    made.swingC[i] = (climate.swingC[month - 1] as number) * Math.min(MOST_SWING, swing);
  }
  return made;
}

/**
 * The days of an imported year, from any of them on and around again; null where the place has none.
 * @param hourly the same year hour by hour, where it is known
 */
export function importedRun(
  place: Place,
  climate: Climate,
  fromDay: number,
  days: number,
  hourly: HourlyYear | null = null,
): WeatherRun | null {
  const { monthly } = place;
  if (!monthly.days) return null;
  const { sunHours, dayTempC, nightTempC } = monthly.days;
  const made = run(fromDay, days);
  for (let i = 0; i < days; i++) {
    const day = dayOf(fromDay + i);
    const above = climate.aboveKwh[(MONTH_OF_DAY[day] as number) - 1] as number;
    const [warmest, coldest] = [dayTempC[day] as number, nightTempC[day] as number];
    made.clearness[i] = above > 0 ? (sunHours[day] as number) / above : 0;
    made.meanC[i] = (warmest + coldest) / 2;
    made.swingC[i] = (warmest - coldest) / 2;
  }
  return hourly && hoursBelong(monthly.days, hourly) ? { ...made, hours: hoursOf(place, hourly, fromDay, days) } : made;
}

/** Hours by the clock of a place; where it has none, by the sun. Clocks that stand between two hours get their mean. */
function hoursOf({ utcOffsetH }: Place, year: HourlyYear, fromDay: number, days: number): MeasuredHours {
  const offsetH = utcOffsetH ?? year.longitudeDeg / 15;
  const laterH = year.utcOffsetH - offsetH;
  const whole = Math.floor(laterH);
  const part = laterH - whole;
  const made = { ghiWh: new Float64Array(days * 24), airC: new Float64Array(days * 24) };
  for (let k = 0; k < days * 24; k++) {
    const at = hourOf(fromDay * 24 + k + whole);
    const next = hourOf(at + 1);
    made.ghiWh[k] = (1 - part) * (year.ghiWh[at] as number) + part * (year.ghiWh[next] as number);
    made.airC[k] = (1 - part) * (year.tempC[at] as number) + part * (year.tempC[next] as number);
  }
  return { ...made, sun: sunHours({ ...year, utcOffsetH: offsetH }, fromDay, days) };
}

const hourOf = (hour: number): number => ((hour % YEAR_HOURS) + YEAR_HOURS) % YEAR_HOURS;
