import { describe, expect, it } from 'vitest';
import type { Job } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { aJob } from '../test/jobs.ts';
import { placeOfWeather } from './place.ts';
import type { Weather } from './read.ts';

/** A made-up summary of a year: twelve like months. */
const summary = (part: Partial<Weather>): Weather => ({
  format: 'EPW',
  name: 'High Moor',
  latitudeDeg: 51.5,
  longitudeDeg: -1.25,
  utcOffsetH: 1,
  heightM: 120,
  hours: 8760,
  months: Array.from({ length: 12 }, (_, i) => ({
    month: i + 1,
    days: 30,
    sunHours: 2.34567,
    brightSunHours: 4.5,
    dullSunHours: 0.5,
    dayTempC: 14.0004,
    nightTempC: 6,
    coldestC: -3,
    hottestC: 25,
  })) as Weather['months'],
  days: null,
  hourly: null,
  ...part,
});

const jobAt = (weather: Weather, file = 'year.epw'): Job =>
  aJob([], (job) => ({
    ...job,
    brief: { ...job.brief, place: { ...job.brief.place, ...placeOfWeather(weather, file) } },
  }));

describe('a place as its weather file has it', () => {
  it('its months rounded to what matters, its position and clocks, and where they are from', () => {
    const place = placeOfWeather(summary({}), 'year.epw');
    expect(place).toMatchObject({ latitudeDeg: 51.5, longitudeDeg: -1.25, utcOffsetH: 1, heightM: 120 });
    expect(place.monthly?.peakSunHours).toEqual(new Array(12).fill(2.346));
    expect(place.monthly?.dayTempC).toEqual(new Array(12).fill(14));
    expect(place.monthly?.from).toBe('EPW High Moor');
    expect(place.monthly?.days).toBeNull();
  });

  it('says nothing of the clocks where the file keeps none, so that what was typed stands', () => {
    expect(placeOfWeather(summary({ format: 'PVGIS' }), 'x.csv')).not.toHaveProperty('utcOffsetH');
  });

  it('days of the year go along, rounded too', () => {
    const days = { sunHours: [1.23456], dayTempC: [9.87654], nightTempC: [-1.00049] };
    expect(placeOfWeather(summary({ days }), 'x.epw').monthly?.days).toEqual({
      sunHours: [1.235],
      dayTempC: [9.877],
      nightTempC: [-1],
    });
  });

  it.each([
    ['no station named', summary({ name: '' }), 'EPW year.epw'],
    ['a control sign in the name', summary({ name: 'High\u0007Moor' }), 'EPW High Moor'],
    ['a long name', summary({ name: 'x'.repeat(300) }), `EPW ${'x'.repeat(116)}`],
  ])('%s: a job that is valid', (_, weather, from) => {
    const job = jobAt(weather);
    expect(job.brief.place.monthly.from).toBe(from);
    expect(validateJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
  });

  it.each([
    [-600, -430],
    [9000, 6000],
    [null, null],
  ])('%s m above the sea is kept as %s, within what a job takes', (heightM, kept) => {
    const job = jobAt(summary({ heightM }));
    expect(job.brief.place.heightM).toBe(kept);
    expect(validateJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
  });
});
