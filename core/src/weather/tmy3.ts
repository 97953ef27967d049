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
 * TMY3 CSV: station, name, state, h ahead of UTC, latitude, longitude, m above the sea; a line of column names; then an
 * hour a line: date MM/DD/YYYY, time 01:00 to 24:00 (ending). Sun and warmth are found by their columns' names, "GHI
 * (W/m^2)" and "Dry-bulb (C)"; missing is −9900. Columns as published in the user's manual for TMY3 data sets.
 */
export const isTmy3 = (second: string): boolean => /^"?date \(mm\/dd\/yyyy\)/i.test(second);

const MISSING = (value: number): boolean => value <= -9900;

export function readTmy3(lines: readonly string[], faults: Faults): WeatherSeries | null {
  const head = fieldsOf(lines[0] ?? '');
  const utcOffsetH = headNumber(head[3], 'h ahead of UTC', [-12, 14], 1, faults);
  const latitudeDeg = headNumber(head[4], 'the latitude', [-90, 90], 1, faults);
  const longitudeDeg = headNumber(head[5], 'the longitude', [-180, 180], 1, faults);
  const heightM = headNumber(head[6], 'the height', [-450, 9000], 1, faults);
  const names = fieldsOf(lines[1] ?? '').map((name) => name.trim().toLowerCase());
  const [ghiAt, tempAt] = [names.indexOf('ghi (w/m^2)'), names.indexOf('dry-bulb (c)')];
  if (ghiAt < 0) faults.add(2, 'there is no column “GHI (W/m^2)”');
  if (tempAt < 0) faults.add(2, 'there is no column “Dry-bulb (C)”');
  if (ghiAt < 0 || tempAt < 0) return null;
  const clock = new Clock();
  const hours: WeatherHour[] = [];
  for (let i = 2; i < lines.length; i++) {
    const line = lines[i] as string;
    if (line.trim() === '') continue;
    const fields = fieldsOf(line);
    if (fields.length <= Math.max(ghiAt, tempAt)) {
      faults.add(i + 1, `it has ${fields.length} fields of ${names.length}: the file is cut short`);
      continue;
    }
    const [month, day] = (fields[0] ?? '').split('/').map(Number);
    const hour = Number((fields[1] ?? '').split(':')[0]) - 1;
    if (!clock.follows(month ?? 0, day ?? 0, hour, i + 1, faults)) continue;
    const ghiWh = ghiOf(fields[ghiAt], MISSING, i + 1, faults);
    const tempC = tempOf(fields[tempAt], MISSING, i + 1, faults);
    if (tempC !== null && ghiWh !== null) hours.push({ month: month ?? 0, day: day ?? 0, hour, ghiWh, tempC });
  }
  if (latitudeDeg === null || longitudeDeg === null || utcOffsetH === null) return null;
  return { format: 'TMY3', name: (head[1] ?? '').trim(), latitudeDeg, longitudeDeg, utcOffsetH, heightM, hours };
}
