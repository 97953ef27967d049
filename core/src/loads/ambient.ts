import type { Place } from '../job/schema.ts';
import { remembering } from '../quantity/remember.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';

/** Warmest time of a usual day: mid-afternoon, 15:00 solar. Common practice. */
const WARMEST_MIN = 15 * 60;

/**
 * Ambient temperature in °C for each minute of a usual day by the clock: a cosine between the night's and the
 * afternoon's temperature, warmest at 15:00 by the sun. Common practice for a clear day; real nights cool unevenly.
 * @param sunAheadMin minutes by which the sun is ahead of the clock
 */
export function ambientByMinuteC(place: Place, sunAheadMin = 0): Float64Array {
  return remembered(place, [sunAheadMin], () => dayAmbientC(place, WARMEST_MIN - sunAheadMin));
}

/** Days already made: a place is never changed in place. */
const remembered = remembering<Place, Float64Array>(12);

function dayAmbientC(place: Place, warmestMin: number): Float64Array {
  const mean = (place.dayTempC + place.nightTempC) / 2;
  const swing = (place.dayTempC - place.nightTempC) / 2;
  return Float64Array.from(
    { length: MINUTES_PER_DAY },
    (_, minute) => mean + swing * Math.cos((2 * Math.PI * (minute + 0.5 - warmestMin)) / MINUTES_PER_DAY),
  );
}
