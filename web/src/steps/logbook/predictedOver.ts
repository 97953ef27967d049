import type { Quantity, Truth } from '@joulemetric/core';

const MINUTE_MS = 60_000;
const DAY_MIN = 1440;
const MOST_POINTS = 1500;

/**
 * A simulated stretch under a measured one: from the time of the day at which the log began, on a day of the trip, for
 * as long as the log is. A state of charge begins where the reading did.
 * @param first, last ms since 1970; `firstSoc` %, null = not read
 */
export function predictedOver(
  truth: Truth,
  of: Quantity,
  day: number,
  first: number,
  last: number,
  firstSoc: number | null,
): [number, number][] {
  const values = of === 'soc' ? truth.soc.map((soc) => soc * 100) : of === 'v' ? truth.v : truth.needW;
  const began = new Date(first);
  const fromMin = day * DAY_MIN + began.getHours() * 60 + began.getMinutes();
  const minutes = (last - first) / MINUTE_MS;
  const step = Math.max(truth.stepMin, minutes / MOST_POINTS);
  const at = (minute: number): number => values[Math.floor(minute / truth.stepMin) % values.length] as number;
  const shift = of === 'soc' && firstSoc !== null ? firstSoc - at(fromMin) : 0;
  const points: [number, number][] = [];
  for (let minute = 0; minute <= minutes; minute += step) {
    const value = at(fromMin + minute) + shift;
    points.push([first + minute * MINUTE_MS, of === 'soc' ? Math.max(0, Math.min(100, value)) : value]);
  }
  return points;
}
