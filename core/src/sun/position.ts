/**
 * Where the sun stands: the low-accuracy series of Meeus, *Astronomical Algorithms* (2nd ed., ch. 25, 28 and 13), good to
 * 0.01° from 1950 to 2050; without refraction (geometric).
 */

const RADIANS = Math.PI / 180;
const MS_PER_DAY = 86_400_000;
/** Julian day of 1970-01-01 00:00 UTC and of 2000-01-01 12:00. */
const UNIX_EPOCH = 2_440_587.5;
const J2000 = 2_451_545;
const DAYS_PER_CENTURY = 36_525;

export interface SolarPlace {
  /** Radians north of the equator. */
  readonly declination: number;
  /** Apparent less mean solar time, minutes: −14.3 in February to +16.5 in November. */
  readonly equationOfTimeMin: number;
}

/** @param utcMs ms since 1970-01-01 UTC; UTC stands for dynamical time (70 s, 0.001° of the sun's way) */
export function solarPlace(utcMs: number): SolarPlace {
  const t = (utcMs / MS_PER_DAY + UNIX_EPOCH - J2000) / DAYS_PER_CENTURY;
  const meanLongitude = 280.46646 + t * (36_000.76983 + t * 0.0003032);
  const anomaly = (357.52911 + t * (35_999.05029 - t * 0.0001537)) * RADIANS;
  const centre =
    Math.sin(anomaly) * (1.914602 - t * (0.004817 + t * 0.000014)) +
    Math.sin(2 * anomaly) * (0.019993 - t * 0.000101) +
    Math.sin(3 * anomaly) * 0.000289;
  const node = (125.04 - 1934.136 * t) * RADIANS;
  const longitude = (meanLongitude + centre - 0.00569 - 0.00478 * Math.sin(node)) * RADIANS;
  const obliquity = (23.4392911 - t * (0.0130042 + t * 1.64e-7) + 0.00256 * Math.cos(node)) * RADIANS;
  const declination = Math.asin(Math.sin(obliquity) * Math.sin(longitude));
  const rightAscension = Math.atan2(Math.cos(obliquity) * Math.sin(longitude), Math.cos(longitude)) / RADIANS;
  const nutation = -0.004778 * Math.sin(node) * Math.cos(obliquity);
  const ahead = meanLongitude - 0.0057183 - rightAscension + nutation;
  return { declination, equationOfTimeMin: 4 * (ahead - 360 * Math.round(ahead / 360)) };
}

/** A common year by which the others are within 0.25° of declination: dates of a design belong to no year. */
const REFERENCE_YEAR = 2026;

/** Where the sun is at noon UTC on day n of the year, 1 = January first. */
export const solarPlaceOn = (day: number): SolarPlace => solarPlace(Date.UTC(REFERENCE_YEAR, 0, day, 12));

/** Radians of declination on day n of the year. */
export const declinationOn = (day: number): number => solarPlaceOn(day).declination;

/** Minutes by which a sundial is ahead of mean solar time on day n of the year. */
export const equationOfTimeOn = (day: number): number => solarPlaceOn(day).equationOfTimeMin;

export interface SunPosition {
  /** ° above the horizon, negative below. */
  readonly elevationDeg: number;
  /** ° clockwise from north, 0 to 360. */
  readonly azimuthDeg: number;
}

/**
 * @param utcMs ms since 1970-01-01 UTC
 * @param latitudeDeg −90…90, north positive
 * @param longitudeDeg −180…180, east positive
 */
export function sunPosition(utcMs: number, latitudeDeg: number, longitudeDeg: number): SunPosition {
  const { declination, equationOfTimeMin } = solarPlace(utcMs);
  const utcMinutes = (((utcMs % MS_PER_DAY) + MS_PER_DAY) % MS_PER_DAY) / 60_000;
  const solarMinutes = utcMinutes + equationOfTimeMin + 4 * longitudeDeg;
  const hourAngle = (solarMinutes / 4 - 180) * RADIANS;
  const latitude = latitudeDeg * RADIANS;
  const up =
    Math.sin(latitude) * Math.sin(declination) + Math.cos(latitude) * Math.cos(declination) * Math.cos(hourAngle);
  const west = Math.cos(declination) * Math.sin(hourAngle);
  const south =
    Math.sin(latitude) * Math.cos(declination) * Math.cos(hourAngle) - Math.cos(latitude) * Math.sin(declination);
  const azimuth = Math.atan2(west, south) / RADIANS + 180;
  return { elevationDeg: Math.atan2(up, Math.hypot(west, south)) / RADIANS, azimuthDeg: azimuth % 360 };
}
