import { describe, expect, it } from 'vitest';
import { prepareDays, tripDetail, yearDetail } from '../choices/daysDetail.ts';
import { blankArray, blankController } from '../job/blank.ts';
import type { Job, SolarArray } from '../job/schema.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { epwLines, madeUp, pvgisLines } from '../test/weatherFiles.ts';
import { placeOfWeather } from '../weather/place.ts';
import { readWeather, type Weather } from '../weather/read.ts';
import { validateHours } from '../weather/validateHours.ts';
import { runDays } from './run.ts';
import { climateOf, importedRun, type WeatherRun } from './weather.ts';
import { weatherUnder } from './whatIf.ts';

const weatherOf = (lines: readonly string[]): Weather => {
  const read = readWeather(lines.join('\n'));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.weather;
};
const epw = weatherOf(epwLines());
const under = (job: Job, weather: Weather, place = {}): Job => ({
  ...job,
  brief: { ...job.brief, place: { ...job.brief.place, ...placeOfWeather(weather, 'made-up.epw'), ...place } },
});
const always = (watts: number) => aLoad({ watts, hours: 24, uses: [{ startMin: 0, minutes: 1440 }] });
const ask = { month: 6, weather: 'imported', ifs: [], stepMin: 15 } as const;
/** One array under a flat factor on laboratory watts, so that what it gives is a product. */
const withArray = (job: Job, part: Partial<SolarArray>): Job => ({
  ...job,
  brief: { ...job.brief, plan: [{ kind: 'usual', days: TRIP, driveH: null, supply: null, hours: null }] },
  options: withSystem(job, { store: { chemistry: 'lfp', capacityAh: 400 }, dcdc: { ratingA: 0 } }).options.map(
    (option) => ({
      ...option,
      system: { ...option.system, arrays: [{ ...blankArray('array', 'Roof', 300), ...part }] },
    }),
  ),
  rules: { ...job.rules, arrayFactor: 0.7 },
});
const TRIP = 4;

describe('the hours of a weather file', () => {
  it('are those of its lines, and pass the door of the server', () => {
    const { hourly } = epw;
    expect(hourly).toMatchObject({ latitudeDeg: 47.5, longitudeDeg: -8.25, utcOffsetH: -1 });
    // 3 February, 10:00: day 33 of the year, counted from 0.
    expect(hourly?.ghiWh[33 * 24 + 10]).toBe(madeUp.ghi({ month: 2, day: 3, hour: 10 }));
    expect(hourly?.tempC[364 * 24 + 14]).toBe(22);
    expect(validateHours(hourly)).toMatchObject({ ok: true });
  });

  it.each([
    ['an hour short', { ghiWh: new Array(8759).fill(1) }, '/ghiWh'],
    ['an hour too long', { tempC: new Array(8761).fill(1) }, '/tempC'],
    ['with more sun than there is', { ghiWh: [1501, ...new Array(8759).fill(1)] }, '/ghiWh/0'],
    ['with a word', { tempC: ['warm', ...new Array(8759).fill(1)] }, '/tempC/0'],
    ['beyond the pole', { latitudeDeg: 91 }, '/latitudeDeg'],
    ['with something else', { more: 1 }, '/more'],
  ])('%s are refused, and it is said where', (_, part, path) => {
    expect(validateHours({ ...epw.hourly, ...part })).toMatchObject({ ok: false, faults: [{ path }] });
  });

  it('play the sun of each hour: laboratory watts × light × factor, held to the controller', () => {
    const offered = (part: Partial<SolarArray>): number =>
      tripDetail(prepareDays(under(withArray(aJob([always(5)]), part), epw), 'a', { ...ask, hourly: epw.hourly })).run
        .books.sunOfferedWh;
    // June's days in their order: 300 W × (10·6 + 5·day) W/m² for twelve hours, seven tenths of it.
    const by = (most: number): number =>
      Array.from({ length: TRIP }, (_, i) => 12 * Math.min(most, 0.3 * (60 + 5 * (i + 1)) * 0.7)).reduce(
        (a, b) => a + b,
      );
    expect(offered({})).toBeCloseTo(by(Number.POSITIVE_INFINITY), 3);
    expect(offered({ controller: { ...blankController('mppt'), maxW: 14 } })).toBeCloseTo(by(14), 3);
  });

  it('a year of them is not a year of its days: a controller that is too small cuts a bright noon', () => {
    // One hour of all the day's light, against the same light as the model spreads it.
    const hours = { ...epw.hourly, ghiWh: (epw.hourly?.ghiWh ?? []).map((_, k) => (k % 24 === 12 ? 600 : 0)) };
    const days = {
      sunHours: new Array(365).fill(0.6),
      dayTempC: new Array(365).fill(20),
      nightTempC: new Array(365).fill(10),
    };
    const job = withArray(aJob([always(1)]), { controller: { ...blankController('mppt'), maxW: 50 } });
    const placed = under(job, epw);
    const { place } = placed.brief;
    const there = { ...placed, brief: { ...placed.brief, place: { ...place, monthly: { ...place.monthly, days } } } };
    const year = (hourly: Weather['hourly']) =>
      yearDetail(prepareDays(there, 'a', { ...ask, hourly })).run.books.sunOfferedWh;
    expect(year(hours as NonNullable<Weather['hourly']>)).toBeCloseTo(365 * 50, 3);
    expect(year(null)).toBeGreaterThan(365 * 100);
  });

  it('set panels out, and shade them, in the hours in which they are', () => {
    const setOut = withArray(aJob([always(1)]), { setOut: [{ startMin: 9 * 60 + 30, minutes: 90 }], shade: 0.5 });
    const { run } = tripDetail(prepareDays(under(setOut, epw), 'a', { ...ask, hourly: epw.hourly }));
    // The first of June: 65 W/m². Half of the hour from nine, all of that from ten, each half in shade.
    const w = 0.3 * 65 * 0.7 * 0.5;
    const at = (hour: number): number => run.trace?.sunOfferedW[hour * 4] as number;
    expect([at(8), at(9), at(10), at(11)].map((x) => Math.round(x * 1e4) / 1e4)).toEqual(
      [0, w / 2, w, 0].map((x) => Math.round(x * 1e4) / 1e4),
    );
  });

  it('stand by the clock of the place, wherever that of the file is', () => {
    const utc = weatherOf(pvgisLines('whole', 77.2));
    const first = (utcOffsetH: number | null): number[] => {
      const job = under(withArray(aJob([always(1)]), {}), utc, { utcOffsetH });
      const { run } = tripDetail(prepareDays(job, 'a', { ...ask, hourly: utc.hourly }));
      return Array.from({ length: 24 }, (_, h) => (run.trace?.sunOfferedW[h * 4] as number) / (0.3 * 0.7));
    };
    const lit = first(0).findIndex((w) => w > 0);
    expect(first(2).findIndex((w) => w > 0)).toBe(lit + 2);
    // By a clock of half past: the hour in which it begins has half of it.
    const india = first(5.5);
    expect(india.findIndex((w) => w > 0)).toBe(lit + 5);
    expect(india[lit + 5]).toBeCloseTo((first(0)[lit] as number) / 2, 3);
    // Where the place has no clock it is that of the sun: 77.2° are 5.147 h.
    expect(first(null)[lit + 5]).toBeCloseTo((first(0)[lit] as number) * (1 - 77.2 / 15 + 5), 3);
  });

  it('are warmed by a heat wave, darkened by a grey spell, and follow their air', () => {
    const { place } = under(aJob([]), epw).brief;
    const run = importedRun(place, climateOf(place), 151, 2, epw.hourly);
    const late = importedRun(place, climateOf(place), 178, 2, epw.hourly);
    if (!run?.hours || !late?.hours) throw new Error('no hours');
    expect(run.hours.airC[14]).toBe(16);
    expect(run.hours.airC[24 + 4]).toBe(1);
    const hot = weatherUnder(run, ['heat-wave']);
    expect(hot.hours?.airC[14]).toBe(24);
    expect(hot.hours?.ghiWh).toEqual(run.hours.ghiWh);
    const grey = weatherUnder(late, ['overcast']);
    const share = (grey.clearness[0] as number) / (late.clearness[0] as number);
    expect(share).toBeLessThan(1);
    expect(grey.hours?.ghiWh[12]).toBeCloseTo((late.hours.ghiWh[12] as number) * share, 9);
    const { run: trip } = tripDetail(
      prepareDays(under(withArray(aJob([always(1)]), {}), epw), 'a', { ...ask, hourly: epw.hourly }),
    );
    expect([trip.trace?.airC[4 * 4], trip.trace?.airC[14 * 4 + 3], trip.trace?.airC[20 * 4]]).toEqual([1, 16, 6]);
  });

  it('a fridge follows the air of its hour', () => {
    const draw = { kind: 'thermostatic', runningW: 50, duty: 0.3, dutyAtC: 25, setC: 4 } as const;
    const fridge = aLoad({ watts: 0, hours: 24, uses: [{ startMin: 0, minutes: 1440 }], draw });
    const job = under(withArray(aJob([fridge]), {}), epw);
    const hourly = { ...epw.hourly, tempC: (epw.hourly?.tempC ?? []).map((c) => c + 15) } as Weather['hourly'];
    const { trace } = tripDetail(prepareDays(job, 'a', { ...ask, hourly })).run;
    const at = (hour: number) => trace?.needW[hour * 4] as number;
    // Set to 4 °C, 31 °C around it at two and 21 before and after: 27 K against 17.
    expect(at(14) / at(13)).toBeCloseTo(27 / 17, 6);
    expect(at(13)).toBeCloseTo(at(15), 9);
  });

  it('cold water follows the mean of its day', () => {
    const draw = { kind: 'water-heating', powerW: 1000, litres: 20, riseK: 30, efficiency: 1, standingW: 0 } as const;
    const water = aLoad({ path: 'direct', uses: [{ startMin: 840, minutes: 120 }], draw });
    const job = under(withArray(aJob([water]), {}), epw);
    const { setup } = prepareDays(job, 'a', { ...ask, hourly: epw.hourly });
    const measured = importedRun(job.brief.place, setup.climate, 151, 2, epw.hourly);
    if (!measured?.hours) throw new Error('no hours');
    const wh = (run: WeatherRun) => runDays(setup, run, { month: 6 }).books;
    const byHours = wh(measured);
    const byMeans = wh({ ...measured, hours: null });
    const asked = ({ usefulWh, unservedWh }: typeof byHours) => usefulWh + unservedWh;
    expect(asked(byHours)).toBeCloseTo(asked(byMeans), 6);
    expect(asked(byHours)).toBeGreaterThan(0);
  });

  it('of another file are not played under these days', () => {
    const { place } = under(aJob([]), epw).brief;
    const other = { ...epw.hourly, ghiWh: (epw.hourly?.ghiWh ?? []).map((wh) => wh * 1.01) } as typeof epw.hourly;
    expect(importedRun(place, climateOf(place), 0, 3, other)?.hours).toBeNull();
    expect(importedRun(place, climateOf(place), 0, 3)?.hours).toBeNull();
  });
});
