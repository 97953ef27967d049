import { DEFAULT } from '../reference/defaults.ts';
import { extraterrestrialNormal, sunsetHourAngle } from './geometry.ts';
import { YEAR_DAYS } from './months.ts';
import { beamRatio, diffuseShare, HEADINGS, type Plane, sumOnPlane } from './plane.ts';
import { solarPlaceOn } from './position.ts';

const RADIANS = Math.PI / 180;
const HOURS_A_DAY = 24;
const HOUR = (2 * Math.PI) / HOURS_A_DAY;

/** Where a clock is, and how it goes. */
export interface ClockPlace {
  /** −90…90, north positive, and −180…180, east positive. */
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  /** h by which the clock is ahead of UTC. */
  readonly utcOffsetH: number;
}

/** Where the sun stands in the middle of the light part of each hour by the clock, day after day. */
export interface SunHours {
  readonly days: number;
  readonly latitude: number;
  /** Share of each hour in which it is above the horizon. */
  readonly lit: Float64Array;
  readonly cosHour: Float64Array;
  readonly sinHour: Float64Array;
  readonly cosZenith: Float64Array;
  /** Of each day: sine and cosine of the declination, and W/m² above the air across the beam. */
  readonly sinDecl: Float64Array;
  readonly cosDecl: Float64Array;
  readonly normalWm2: Float64Array;
}

/** @param fromDay of the year, 0 = 1 January; from any of them on and around again */
export function sunHours(place: ClockPlace, fromDay: number, days: number): SunHours {
  const row = (length: number) => new Float64Array(length);
  const latitude = Math.max(-89.999, Math.min(89.999, place.latitudeDeg)) * RADIANS;
  const made: SunHours = {
    days,
    latitude,
    lit: row(days * HOURS_A_DAY),
    cosHour: row(days * HOURS_A_DAY),
    sinHour: row(days * HOURS_A_DAY),
    cosZenith: row(days * HOURS_A_DAY),
    sinDecl: row(days),
    cosDecl: row(days),
    normalWm2: row(days),
  };
  for (let d = 0; d < days; d++) {
    const day = (((fromDay + d) % YEAR_DAYS) + YEAR_DAYS) % YEAR_DAYS;
    const { declination: decl, equationOfTimeMin } = solarPlaceOn(day + 1);
    const sunset = sunsetHourAngle(latitude, decl);
    const ahead = (4 * (place.longitudeDeg - 15 * place.utcOffsetH) + equationOfTimeMin) / 60;
    const [sinD, cosD] = [Math.sin(decl), Math.cos(decl)];
    const [up, across] = [Math.sin(latitude) * sinD, Math.cos(latitude) * cosD];
    made.sinDecl[d] = sinD;
    made.cosDecl[d] = cosD;
    made.normalWm2[d] = extraterrestrialNormal(day + 1);
    for (let h = 0; h < HOURS_A_DAY; h++) {
      const k = d * HOURS_A_DAY + h;
      // From solar noon, −π…π where the hour begins; it may reach into the next morning.
      const from = (((((h + ahead) % 24) + 24) % 24) / 24) * 2 * Math.PI - Math.PI;
      let begins = from;
      let ends = from + HOUR;
      if (sunset < Math.PI) {
        // What reaches past the next sunrise counts from there.
        const rise = ends > 2 * Math.PI - sunset ? 2 * Math.PI - sunset : -sunset;
        const set = rise > 0 ? ends : sunset;
        if (Math.min(ends, set) > Math.max(begins, rise))
          [begins, ends] = [Math.max(begins, rise), Math.min(ends, set)];
        else begins = ends = from + HOUR / 2;
      }
      const middle = (begins + ends) / 2;
      const cosHour = Math.cos(middle);
      made.lit[k] = (ends - begins) / HOUR;
      made.cosHour[k] = cosHour;
      made.sinHour[k] = Math.sin(middle);
      made.cosZenith[k] = up + across * cosHour;
    }
  }
  return made;
}

/**
 * W/m² on a plane in the light part of each hour, from what was measured on the flat: sky and beam told apart by Erbs,
 * Klein & Duffie (1982), the sky brighter round the sun by Hay & Davies (1980). What exceeds the sunlight above the air, as at
 * the horizon, comes from all of the sky.
 * @param ghiWh Wh/m² on the flat in each hour
 */
export function planeHours(sun: SunHours, ghiWh: ArrayLike<number>, plane: Plane): Float64Array {
  const { slopeDeg, azimuthDeg, follows } = plane;
  const light = new Float64Array(sun.lit.length);
  const ground = DEFAULT.groundAlbedo.value;
  const isFlat = slopeDeg === 0 && !follows;
  const slope = slopeDeg * RADIANS;
  const azimuths =
    azimuthDeg === null ? Array.from({ length: HEADINGS }, (_, i) => (i * 360) / HEADINGS) : [azimuthDeg];
  const [cosS, sinS] = [Math.cos(slope), Math.sin(slope)];
  const [cosL, sinL] = [Math.cos(sun.latitude), Math.sin(sun.latitude)];
  const seen = (1 + cosS) / 2;
  const [a, b, c] = [azimuths, azimuths, azimuths].map((list) => new Float64Array(list.length)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const facing = azimuths.map((azimuth) => azimuth * RADIANS - Math.PI);
  for (let d = 0; d < sun.days; d++) {
    const [sinD, cosD, normal] = [sun.sinDecl[d], sun.cosDecl[d], sun.normalWm2[d]] as [number, number, number];
    // Duffie & Beckman eq. 1.6.2 as a + b·cos ω + c·sin ω.
    for (let i = 0; i < facing.length; i++) {
      const [cosA, sinA] = [Math.cos(facing[i] as number), Math.sin(facing[i] as number)];
      a[i] = sinD * (sinL * cosS - cosL * sinS * cosA);
      b[i] = cosD * (cosL * cosS + sinL * sinS * cosA);
      c[i] = cosD * sinS * sinA;
    }
    for (let h = 0; h < HOURS_A_DAY; h++) {
      const k = d * HOURS_A_DAY + h;
      const wh = ghiWh[k] as number;
      if (wh <= 0) continue;
      const lit = sun.lit[k] as number;
      const flat = lit > 0 ? wh / lit : wh;
      if (isFlat) {
        light[k] = flat;
        continue;
      }
      const cosZenith = sun.cosZenith[k] as number;
      const above = lit > 0 ? Math.max(0, normal * cosZenith) : 0;
      // What is more than the sunlight above the air is the sky's.
      const direct = Math.min(flat, above);
      const diffuse = direct * diffuseShare(above > 0 ? direct / above : 0);
      const around = above > 0 ? (direct - diffuse) / above : 0;
      const all = diffuse + flat - direct;
      const near = all > 0 ? (around * diffuse) / all : 0;
      if (follows) {
        light[k] = Math.min(normal, sumOnPlane(flat, all, near, beamRatio(1, cosZenith), (1 + cosZenith) / 2, ground));
        continue;
      }
      const [cosHour, sinHour] = [sun.cosHour[k] as number, sun.sinHour[k] as number];
      let ratio = 0;
      for (let i = 0; i < a.length; i++)
        ratio += beamRatio((a[i] as number) + (b[i] as number) * cosHour + (c[i] as number) * sinHour, cosZenith);
      light[k] = Math.min(normal, sumOnPlane(flat, all, near, ratio / a.length, seen, ground));
    }
  }
  return light;
}
