import type { Place } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { type SunDay, sunAheadMin } from './day.ts';
import { cosZenith, meanDayOfMonth } from './geometry.ts';
import { declinationOn } from './position.ts';

/** W/m² on the flat under a clear sky: Haurwitz (1945), GHI = 1098·cos θ_z·e^(−0.057 ÷ cos θ_z). */
export const clearSkyWm2 = (cosZenithAngle: number): number =>
  cosZenithAngle > 0 ? 1098 * cosZenithAngle * Math.exp(-0.057 / cosZenithAngle) : 0;

/** The same day without a cloud; never less light than the day itself has, whatever was typed of it. */
export function clearDay(place: Place, day: SunDay): SunDay {
  const latitude = (place.latitudeDeg * Math.PI) / 180;
  const decl = declinationOn(meanDayOfMonth(day.month));
  const ahead = sunAheadMin(place, day.month);
  const clear = day.irradianceWm2.map((_, m) => {
    const hourAngle = (((m + ahead + 0.5) / MINUTES_PER_DAY) * 2 - 1) * Math.PI;
    return clearSkyWm2(cosZenith(latitude, decl, hourAngle));
  });
  const kwh = clear.reduce((sum, w) => sum + w, 0) / 60_000;
  const scale = kwh > 0 ? Math.max(1, day.sunHours / kwh) : 1;
  return { ...day, sunHours: kwh * scale, irradianceWm2: clear.map((w) => w * scale) };
}
