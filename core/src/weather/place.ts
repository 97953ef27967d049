import type { Place } from '../job/schema.ts';
import type { WeatherMonth } from './months.ts';
import type { Weather } from './read.ts';

const to3 = (value: number): number => Math.round(value * 1000) / 1000;
const LOWEST_M = -430;
const HIGHEST_M = 6000;

/** A place as a weather file has it: its months and days, where it is, and how its clocks stand. @param file its name, for what names no station */
export function placeOfWeather(weather: Weather, file: string): Partial<Place> {
  const { months, days, format, name, heightM, latitudeDeg, longitudeDeg, utcOffsetH } = weather;
  const by = (of: (month: WeatherMonth) => number) => months.map((month) => to3(of(month)));
  return {
    latitudeDeg,
    longitudeDeg,
    // PVGIS keeps UTC and says nothing of the clocks there.
    ...(format === 'PVGIS' ? {} : { utcOffsetH }),
    heightM: heightM === null ? null : Math.max(LOWEST_M, Math.min(HIGHEST_M, heightM)),
    monthly: {
      peakSunHours: by(({ sunHours }) => sunHours),
      brightSunHours: by(({ brightSunHours }) => brightSunHours),
      dullSunHours: by(({ dullSunHours }) => dullSunHours),
      dayTempC: by(({ dayTempC }) => dayTempC),
      nightTempC: by(({ nightTempC }) => nightTempC),
      days: days && {
        sunHours: days.sunHours.map(to3),
        dayTempC: days.dayTempC.map(to3),
        nightTempC: days.nightTempC.map(to3),
      },
      from: `${format} ${name === '' ? file : name}`.replace(/[\p{Cc}\p{Cs}]/gu, ' ').slice(0, 120),
    },
  };
}
