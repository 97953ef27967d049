import type { Brief } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';

/** Warmest time of a usual day: mid-afternoon, 15:00 solar. Common practice. */
const WARMEST_MIN = 15 * 60;

/**
 * Ambient temperature in °C for each minute of a usual day: a cosine between the night's and the
 * afternoon's temperature, warmest at 15:00. Common practice for a clear day; real nights cool unevenly.
 */
export function ambientByMinuteC(place: Brief['place']): Float64Array {
  const found = known.get(place);
  if (found) return found;
  const ambientC = dayAmbientC(place);
  known.set(place, ambientC);
  return ambientC;
}

/** Days already made: a place is never changed in place. */
const known = new WeakMap<Brief['place'], Float64Array>();

function dayAmbientC(place: Brief['place']): Float64Array {
  const mean = (place.dayTempC + place.nightTempC) / 2;
  const swing = (place.dayTempC - place.nightTempC) / 2;
  return Float64Array.from(
    { length: MINUTES_PER_DAY },
    (_, minute) => mean + swing * Math.cos((2 * Math.PI * (minute + 0.5 - WARMEST_MIN)) / MINUTES_PER_DAY),
  );
}
