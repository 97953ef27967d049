import {
  Clock,
  type Faults,
  fieldsOf,
  ghiOf,
  headNumber,
  tempOf,
  type WeatherHour,
  type WeatherSeries,
} from './series.ts';

/**
 * EnergyPlus weather file: eight lines of head, the first LOCATION, city, state, country, source, WMO, latitude,
 * longitude, h ahead of UTC, m above the sea; then an hour a line: year, month, day, hour 1 to 24 (ending), minute,
 * flags, dry bulb °C (missing 99.9), … and as the 14th field global horizontal Wh/m² (missing 9999). Columns as
 * published in the EnergyPlus documentation, Auxiliary Programs.
 */
const HEAD_LINES = 8;
const [MONTH, DAY, HOUR, DRY_BULB, GHI] = [1, 2, 3, 6, 13];

export const isEpw = (first: string): boolean => /^LOCATION,/i.test(first);

export function readEpw(lines: readonly string[], faults: Faults): WeatherSeries | null {
  const head = fieldsOf(lines[0] ?? '');
  const latitudeDeg = headNumber(head[6], 'the latitude', [-90, 90], 1, faults);
  const longitudeDeg = headNumber(head[7], 'the longitude', [-180, 180], 1, faults);
  const utcOffsetH = headNumber(head[8], 'h ahead of UTC', [-12, 14], 1, faults);
  const heightM = headNumber(head[9], 'the height', [-450, 9000], 1, faults);
  const clock = new Clock();
  const hours: WeatherHour[] = [];
  for (let i = HEAD_LINES; i < lines.length; i++) {
    const line = lines[i] as string;
    if (line.trim() === '') continue;
    const fields = fieldsOf(line);
    if (fields.length <= GHI) {
      faults.add(i + 1, `it has ${fields.length} fields; an hour has at least ${GHI + 1}: the file is cut short`);
      continue;
    }
    const [month, day, hour] = [Number(fields[MONTH]), Number(fields[DAY]), Number(fields[HOUR]) - 1];
    if (!clock.follows(month, day, hour, i + 1, faults)) continue;
    const tempC = tempOf(fields[DRY_BULB], (value) => value === 99.9, i + 1, faults);
    const ghiWh = ghiOf(fields[GHI], (value) => value >= 9999, i + 1, faults);
    if (tempC !== null && ghiWh !== null) hours.push({ month, day, hour, ghiWh, tempC });
  }
  if (latitudeDeg === null || longitudeDeg === null || utcOffsetH === null) return null;
  return { format: 'EPW', name: (head[1] ?? '').trim(), latitudeDeg, longitudeDeg, utcOffsetH, heightM, hours };
}
