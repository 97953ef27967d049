import { describe, expect, it } from 'vitest';
import { epwLines, pvgisLines, tmy3Lines } from '../test/weatherFiles.ts';
import { readWeather } from './read.ts';

const read = (lines: readonly string[], end = '\n') => readWeather(lines.join(end));
const weather = (lines: readonly string[]) => {
  const answer = read(lines);
  if (!answer.ok) throw new Error(JSON.stringify(answer.faults));
  return answer.weather;
};
const faults = (lines: readonly string[]) => {
  const answer = read(lines);
  if (answer.ok) throw new Error('it was taken');
  return answer;
};
/** A line of a file put differently. */
const changed = (lines: readonly string[], line: number, change: (text: string) => string) =>
  lines.map((text, i) => (i === line - 1 ? change(text) : text));

describe.each([
  ['EPW', epwLines()],
  ['TMY3', tmy3Lines()],
  ['PVGIS', pvgisLines('whole')],
  ['PVGIS', pvgisLines('parts')],
  ['PVGIS', pvgisLines('typical')],
] as const)('a file of %s', (format, lines) => {
  it('is read month by month', () => {
    const { months, hours, ...head } = weather(lines);
    expect(head).toMatchObject({ format, latitudeDeg: 47.5, heightM: 350 });
    expect(hours).toBe(8760);
    expect(months.map(({ days }) => days)).toEqual([31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]);
    // Twelve hours of 10·month + 5·day Wh: June's mean day is the 15.5th, its quartiles the 8.25th and the 22.75th.
    const june = months[5];
    expect(june?.sunHours).toBeCloseTo((12 * (60 + 5 * 15.5)) / 1000, 9);
    expect(june?.dullSunHours).toBeCloseTo((12 * (60 + 5 * 8.25)) / 1000, 9);
    expect(june?.brightSunHours).toBeCloseTo((12 * (60 + 5 * 22.75)) / 1000, 9);
    expect(june).toMatchObject({ dayTempC: 16, nightTempC: 1, coldestC: 1, hottestC: 16 });
  });

  it('is the same with the line ends of another system', () => {
    expect(read(lines, '\r\n')).toEqual(read(lines));
  });

  it('cut short, it is refused with the line, or the month that is missing', () => {
    const cut = [...lines.slice(0, 4000), (lines[4000] as string).slice(0, 12)];
    const { faults: told } = faults(cut);
    expect(told.some(({ line, problem }) => line === 4001 && /cut short/.test(problem))).toBe(true);
    expect(faults(lines.slice(0, 4000)).faults[0]?.problem).toMatch(/(June|July|December) has \d+ whole days/);
  });

  it('an hour left out is told with the line after it', () => {
    const { faults: told } = faults(lines.filter((_, i) => i !== 500));
    expect(told[0]).toMatchObject({ line: 501, problem: expect.stringMatching(/hours are missing|does not follow/) });
  });
});

describe('what is wrong with a weather file', () => {
  const epw = epwLines();
  const field = (line: number, at: number, value: string) =>
    changed(epw, line, (text) =>
      text
        .split(',')
        .map((one, i) => (i === at ? value : one))
        .join(','),
    );

  it.each([
    ['sun not measured', field(2000, 13, '9999'), 2000, /sun on the flat is missing/],
    ['more sun than there is', field(2000, 13, '1900'), 2000, /1900 is impossible/],
    ['less than none', field(2000, 13, '-1'), 2000, /-1 is impossible/],
    ['no warmth', field(2000, 6, '99.9'), 2000, /temperature is missing/],
    ['as hot as an oven', field(2000, 6, '75'), 2000, /75 is impossible/],
    ['words for numbers', field(2000, 6, 'warm'), 2000, /not a number: “warm”/],
    ['a latitude that is none', field(1, 6, '91'), 1, /latitude of 91 is impossible/],
    ['an hour twice', changed(epw, 2001, () => epw[1999] as string), 2001, /twice or out of order/],
    ['a month that is none', field(2000, 1, '13'), 2000, /no date/],
  ])('%s: refused with its line', (_, lines, line, problem) => {
    expect(faults(lines).faults).toContainEqual({ line, problem: expect.stringMatching(problem) });
  });

  it('many faults are counted, the first twenty told', () => {
    const all = epw.map((text, i) => (i < 8 ? text : text.replace(/^((?:[^,]*,){13})[^,]*/, '$19999')));
    const { count, faults: told } = faults(all);
    expect(count).toBe(8760);
    expect(told).toHaveLength(20);
  });

  it('a series of a tilted plane is refused', () => {
    const lines = pvgisLines('whole').map((line) => line.replace('Slope: 0 deg.', 'Slope: 35 deg. (optimum)'));
    expect(faults(lines).faults[0]).toEqual({ line: 7, problem: expect.stringMatching(/tilted by 35/) });
  });

  it('of a far longitude the days are those of the sun there', () => {
    const { months, utcOffsetH } = weather(pvgisLines('whole', 150));
    expect(utcOffsetH).toBe(10);
    expect(months[5]?.sunHours).toBeCloseTo((12 * (60 + 5 * 15.5)) / 1000, 9);
  });

  it.each([
    ['nothing', [''], /none of EPW/],
    ['a picture', ['\u0089PNG'], /none of EPW/],
    ['only a head', epw.slice(0, 8), /January has 0 whole days/],
    ['no columns', ['Latitude (decimal degrees):\t47.5', 'x'], /no line of column names/],
  ])('%s is refused', (_, lines, problem) => {
    expect(faults(lines).faults[0]?.problem).toMatch(problem);
  });

  it('forty megabytes are refused at once', () => {
    const answer = readWeather('LOCATION,'.padEnd(40 * 1_048_576, 'x'));
    expect(answer).toEqual({ ok: false, count: 1, faults: [{ line: 0, problem: expect.stringMatching(/20 MB/) }] });
  });
});
