import { type Faults, ghiOf, headNumber, tempOf, type WeatherHour, type WeatherSeries } from './series.ts';

/**
 * PVGIS hourly CSV: lines "Latitude (decimal degrees): 45.000" and their like, then a line of column names that begins
 * with "time"; then an hour a line, time in UTC as 20200101:0010. Of an hourly series the sun is G(i), or the sum of
 * Gb(i), Gd(i) and Gr(i), on a plane whose slope stands in the head; of a typical year it is G(h). Warmth is T2m. What
 * follows an empty line explains the columns. Columns as published with the PVGIS tools.
 */
export const isPvgis = (first: string): boolean => /^latitude \(decimal degrees\)/i.test(first);

const NEVER = (): boolean => false;

export function readPvgis(lines: readonly string[], faults: Faults): WeatherSeries | null {
  const names = lines.findIndex((line) => /^time/i.test(line));
  if (names < 0) {
    faults.add(0, 'there is no line of column names that begins with “time”');
    return null;
  }
  const said = (what: RegExp): { text: string | undefined; line: number } => {
    const at = lines.slice(0, names).findIndex((line) => what.test(line));
    return { text: at < 0 ? undefined : (lines[at] as string).split(':')[1]?.trim(), line: at < 0 ? 1 : at + 1 };
  };
  const number = (what: RegExp, word: string, range: readonly [number, number]) => {
    const { text, line } = said(what);
    return headNumber(text, word, range, line, faults);
  };
  const latitudeDeg = number(/^latitude/i, 'the latitude', [-90, 90]);
  const longitudeDeg = number(/^longitude/i, 'the longitude', [-180, 180]);
  const heightM = said(/^elevation/i).text === undefined ? null : number(/^elevation/i, 'the height', [-450, 9000]);
  const columns = (lines[names] as string).split(',').map((name) => name.trim().toLowerCase());
  const at = (...wanted: string[]) => wanted.map((name) => columns.indexOf(name));
  const [flat, plane, temp] = at('g(h)', 'g(i)', 't2m') as [number, number, number];
  const parts = at('gb(i)', 'gd(i)', 'gr(i)');
  const sun = flat >= 0 ? [flat] : plane >= 0 ? [plane] : parts;
  if (sun.some((i) => i < 0)) faults.add(names + 1, 'there is no column G(h) or G(i), nor Gb(i), Gd(i) and Gr(i)');
  if (temp < 0) faults.add(names + 1, 'there is no column T2m');
  const slope = said(/^\s*slope/i);
  if (flat < 0 && slope.text !== undefined && Number.parseFloat(slope.text) !== 0)
    faults.add(slope.line, `its sun is of a plane tilted by ${slope.text}: take the series of the flat, slope 0`);
  if (faults.count > 0 || latitudeDeg === null || longitudeDeg === null) return null;

  // Hours of UTC are moved to those of the sun there, so that a day is a day.
  const utcOffsetH = Math.round(longitudeDeg / 15);
  const hours: WeatherHour[] = [];
  let before: number | null = null;
  for (let i = names + 1; i < lines.length; i++) {
    const line = lines[i] as string;
    if (line.trim() === '') break;
    const fields = line.split(',');
    const utc = /^(\d{4})(\d{2})(\d{2}):(\d{2})\d{2}$/.exec((fields[0] ?? '').trim());
    if (!utc || fields.length < columns.length) {
      faults.add(
        i + 1,
        `it has ${fields.length} fields of ${columns.length}, the first “${(fields[0] ?? '').slice(0, 20)}”: the file is cut short`,
      );
      continue;
    }
    const [, year, month, day, hour] = utc.map(Number) as [number, number, number, number, number];
    const ms: number = Date.UTC(year, month - 1, day, hour);
    // A typical year is put together of months of several years.
    const sameMonth: boolean = before !== null && new Date(before).getUTCMonth() === month - 1;
    if (before !== null && ms - before !== 3_600_000 && (sameMonth || hour !== 0 || day !== 1)) {
      faults.add(
        i + 1,
        `${fields[0]} does not follow the line before by an hour: hours are missing, twice or out of order`,
      );
    }
    before = ms;
    const values = sun.map((column) => ghiOf(fields[column], NEVER, i + 1, faults));
    const tempC = tempOf(fields[temp], NEVER, i + 1, faults);
    if (tempC === null || values.includes(null)) continue;
    const local = new Date(ms + utcOffsetH * 3_600_000);
    hours.push({
      month: local.getUTCMonth() + 1,
      day: local.getUTCDate(),
      hour: local.getUTCHours(),
      ghiWh: values.reduce((sum: number, value) => sum + (value ?? 0), 0),
      tempC,
    });
  }
  return { format: 'PVGIS', name: '', latitudeDeg, longitudeDeg, utcOffsetH, heightM, hours: wholeDays(hours) };
}

/** The hours before the first midnight and after the last belong to no whole day. */
function wholeDays(hours: readonly WeatherHour[]): WeatherHour[] {
  const from = hours.findIndex(({ hour }) => hour === 0);
  const to = hours.findLastIndex(({ hour }) => hour === 23);
  return from < 0 ? [] : hours.slice(from, to + 1);
}
