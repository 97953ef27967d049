import type { Brief } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { SKY } from '../reference/skies.ts';
import { dailyExtraterrestrialKwh, declination, meanDayOfMonth, sunsetHourAngle } from './geometry.ts';

export interface SunDay {
  readonly month: number;
  /** Daily extraterrestrial radiation on the flat, kWh/m². */
  readonly extraterrestrialKwh: number;
  /** Daily radiation on the flat at the ground, kWh/m² = peak sun hours. */
  readonly sunHours: number;
  /** Mean irradiance on the flat in each minute of local solar time, W/m². */
  readonly irradianceWm2: Float64Array;
}

/** H = K̄·H₀ for a month, kWh/m² a day on the flat, or the figure the job gives. */
export function sunHoursOf(place: Brief['place'], month: number): number {
  return (
    place.peakSunHours ?? SKY[place.sky].clearness * dailyExtraterrestrialKwh(place.latitudeDeg, meanDayOfMonth(month))
  );
}

/** The month that is designed for: of the months of use the one with the least sun, on a summer's day with the most. */
export function designMonth({ place, months, day }: Pick<Brief, 'place' | 'months' | 'day'>): number {
  const sign = day.season === 'summer' ? -1 : 1;
  const byDay = (month: number) => dailyExtraterrestrialKwh(place.latitudeDeg, meanDayOfMonth(month));
  return [...months].sort((a, b) => sign * (byDay(a) - byDay(b)) || a - b)[0] ?? 1;
}

/**
 * A mean day of a month, minute by minute: the daily total spread in the shape of Collares-Pereira &
 * Rabl (1979), scaled so that its integral is the daily total exactly; r_t ∝ (a + b·cos ω)(cos ω − cos ω_s) with
 * a = 0.409 + 0.5016·sin(ω_s − 60°), b = 0.6609 − 0.4767·sin(ω_s − 60°).
 */
export function sunDay(place: Brief['place'], month: number): SunDay {
  const months = known.get(place) ?? new Map<number, SunDay>();
  known.set(place, months);
  const found = months.get(month);
  if (found) return found;
  const made = computeSunDay(place, month);
  months.set(month, made);
  return made;
}

/** Days already made: a place is never changed in place. */
const known = new WeakMap<Brief['place'], Map<number, SunDay>>();

function computeSunDay(place: Brief['place'], month: number): SunDay {
  const day = meanDayOfMonth(month);
  const latitude = (Math.max(-89.999, Math.min(89.999, place.latitudeDeg)) * Math.PI) / 180;
  const ws = sunsetHourAngle(latitude, declination(day));
  const a = 0.409 + 0.5016 * Math.sin(ws - Math.PI / 3);
  const b = 0.6609 - 0.4767 * Math.sin(ws - Math.PI / 3);
  const shape = new Float64Array(MINUTES_PER_DAY);
  let total = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const w = ((m + 0.5) / MINUTES_PER_DAY) * 2 * Math.PI - Math.PI;
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
    extraterrestrialKwh: dailyExtraterrestrialKwh(place.latitudeDeg, day),
    sunHours,
    irradianceWm2: shape.map((r) => r * scale),
  };
}
