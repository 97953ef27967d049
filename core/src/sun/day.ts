import type { Brief, Place } from '../job/schema.ts';
import { remembering } from '../quantity/remember.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { SKY } from '../reference/skies.ts';
import { meanDayOfMonth, monthlyExtraterrestrialKwh, sunsetHourAngle } from './geometry.ts';
import { declinationOn, equationOfTimeOn } from './position.ts';

export interface SunDay {
  readonly month: number;
  /** Daily extraterrestrial radiation on the flat, kWh/m². */
  readonly extraterrestrialKwh: number;
  /** Daily radiation on the flat at the ground, kWh/m² = peak sun hours. */
  readonly sunHours: number;
  /** Mean irradiance on the flat in each minute of the day by the clock, W/m². */
  readonly irradianceWm2: Float64Array;
}

/** The place as it is in a month: what is known month by month takes the place of the figures for all of the year. */
export function placeIn(place: Place, month: number): Place {
  const { peakSunHours, dayTempC, nightTempC } = place.monthly;
  if (!peakSunHours && !dayTempC && !nightTempC) return place;
  return rememberedPlace(place, [month], () => ({
    ...place,
    peakSunHours: peakSunHours?.[month - 1] ?? place.peakSunHours,
    dayTempC: dayTempC?.[month - 1] ?? place.dayTempC,
    nightTempC: nightTempC?.[month - 1] ?? place.nightTempC,
  }));
}

/** Places already made, so that each stays the same object. A place is never changed in place. */
const rememberedPlace = remembering<Place, Place>(12);

/** H = K̄·H₀ for a month, kWh/m² a day on the flat, or the figure the job gives. @param place as it is in that month */
function sunHoursOf(place: Place, month: number): number {
  return place.peakSunHours ?? SKY[place.sky].clearness * monthlyExtraterrestrialKwh(place.latitudeDeg, month);
}

/**
 * The brief with a figure typed for the sun of the month designed for kept to that month: the others have what their sky
 * lets through, and those of use no less than it, since it is the month with the least (on a summer's day no more).
 */
export function withSunInItsMonth<B extends Pick<Brief, 'place' | 'months' | 'day'>>(brief: B): B {
  const { place } = brief;
  if (place.peakSunHours === null || place.monthly.peakSunHours) return brief;
  return rememberedBrief(brief, [], () => ({ ...brief, place: placeWithItsSun(brief) })) as B;
}

function placeWithItsSun(brief: Pick<Brief, 'place' | 'months' | 'day'>): Place {
  const { place, months } = brief;
  const isSummer = brief.day.season === 'summer';
  return withItsSun(place, [months, isSummer], () => {
    const typedFor = designMonth(brief);
    const typed = place.peakSunHours as number;
    const peakSunHours = Array.from({ length: 12 }, (_, i) => {
      const month = i + 1;
      if (month === typedFor) return typed;
      const bySky = sunHoursOf({ ...place, peakSunHours: null }, month);
      if (!months.includes(month)) return bySky;
      return isSummer ? Math.min(bySky, typed * (1 - APART)) : Math.max(bySky, typed * (1 + APART));
    });
    return { ...place, monthly: { ...place.monthly, peakSunHours } };
  });
}

/** Share by which a month of use differs at least from the one that is designed for. */
const APART = 1e-9;

const rememberedBrief = remembering<object, object>();
const withItsSun = remembering<Place, Place>();

/** The month that is designed for: of the months of use the one with the least sun, on a summer's day with the most. */
export function designMonth({ place, months, day }: Pick<Brief, 'place' | 'months' | 'day'>): number {
  const sign = day.season === 'summer' ? -1 : 1;
  const table = place.monthly.peakSunHours;
  const sunIn = (month: number) => table?.[month - 1] ?? monthlyExtraterrestrialKwh(place.latitudeDeg, month);
  const sun = new Map(months.map((month) => [month, sunIn(month)]));
  return [...months].sort((a, b) => sign * ((sun.get(a) ?? 0) - (sun.get(b) ?? 0)) || a - b)[0] ?? 1;
}

/**
 * Minutes by which the sun is ahead of the clocks in a month, −180 to 180 or so: 4 min a degree from the meridian that
 * the clocks go by, and the equation of time on the month's mean day; 0 where longitude or clock is not known.
 */
export function sunAheadMin({ longitudeDeg, utcOffsetH }: Place, month: number): number {
  if (longitudeDeg === null || utcOffsetH === null) return 0;
  const ahead = 4 * (longitudeDeg - 15 * utcOffsetH) + equationOfTimeOn(meanDayOfMonth(month));
  return Math.round(ahead - MINUTES_PER_DAY * Math.round(ahead / MINUTES_PER_DAY));
}

/**
 * A mean day of a month at a place as it is in that month, minute by minute: the daily total spread in the shape of Collares-Pereira &
 * Rabl (1979), scaled so that its integral is the daily total exactly; r_t ∝ (a + b·cos ω)(cos ω − cos ω_s) with
 * a = 0.409 + 0.5016·sin(ω_s − 60°), b = 0.6609 − 0.4767·sin(ω_s − 60°).
 */
export function sunDay(place: Place, month: number): SunDay {
  return rememberedDay(place, [month], () => computeSunDay(place, month));
}

/** Days already made: a place is never changed in place. */
const rememberedDay = remembering<Place, SunDay>(12);

function computeSunDay(place: Place, month: number): SunDay {
  const ahead = sunAheadMin(place, month);
  const day = meanDayOfMonth(month);
  const latitude = (Math.max(-89.999, Math.min(89.999, place.latitudeDeg)) * Math.PI) / 180;
  const ws = sunsetHourAngle(latitude, declinationOn(day));
  const a = 0.409 + 0.5016 * Math.sin(ws - Math.PI / 3);
  const b = 0.6609 - 0.4767 * Math.sin(ws - Math.PI / 3);
  const shape = new Float64Array(MINUTES_PER_DAY);
  let total = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const solar = (m + ahead + MINUTES_PER_DAY) % MINUTES_PER_DAY;
    const w = ((solar + 0.5) / MINUTES_PER_DAY) * 2 * Math.PI - Math.PI;
    if (Math.abs(w) >= ws) continue;
    const r = Math.max(0, (a + b * Math.cos(w)) * (Math.cos(w) - Math.cos(ws)));
    shape[m] = r;
    total += r;
  }
  const sunHours = total > 0 ? sunHoursOf(place, month) : 0;
  // kWh/m² over the day into W/m² in each minute.
  const scale = total > 0 ? (sunHours * 1000 * 60) / total : 0;
  return {
    month,
    extraterrestrialKwh: monthlyExtraterrestrialKwh(place.latitudeDeg, month),
    sunHours,
    irradianceWm2: shape.map((r) => r * scale),
  };
}
