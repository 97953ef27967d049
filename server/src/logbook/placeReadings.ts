import { type LogReading, readingsOf, zoneOf } from '@joulemetric/core';

const DAY_MS = 86_400_000;

/**
 * When each reading was taken, ms: one by one, since two of one moment are two entries. Times of the day without a date
 * go on from the one before. What cannot be read is named by its place.
 */
export function placeReadings(
  readings: readonly LogReading[],
  zoneName: string,
): { readonly times: readonly number[] } | { readonly fault: string } {
  const zone = zoneOf(zoneName) ?? ((wallMs: number) => [wallMs]);
  const times: number[] = [];
  for (const [i, reading] of readings.entries()) {
    const { series, faults } = readingsOf([reading], zone);
    const [fault] = faults;
    if (fault) return { fault: `/${i}/${fault.column}: ${fault.problem}, found “${fault.found}”.` };
    let t = series.t[0] as number;
    const before = times.at(-1);
    if (!series.dated && reading.at !== undefined && before !== undefined) while (t < before) t += DAY_MS;
    times.push(t);
  }
  return { times };
}
