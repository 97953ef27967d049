import { Body, Equator, Horizon, Observer } from 'astronomy-engine';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { blankJob } from '../job/blank.ts';
import { arrayDay } from '../sources/array.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { designMonth, sunDay } from './day.ts';
import { cosZenith, dailyExtraterrestrialKwh, monthlyExtraterrestrialKwh, sunsetHourAngle } from './geometry.ts';
import { declinationOn, solarPlace, sunPosition } from './position.ts';

const rad = Math.PI / 180;
const place = { ...blankJob('x').brief.place, latitudeDeg: 43, sky: 'mixed' as const, dayTempC: 20, nightTempC: 10 };

/** The textbook's own declination (Cooper, eq. 1.6.1a): its worked examples are reckoned with it. */
const cooper = (day: number) => 23.45 * rad * Math.sin((2 * Math.PI * (284 + day)) / 365);

describe('the sun, against Duffie & Beckman (figures recalled)', () => {
  it('Example 1.6.2: 43° N, 13 Feb 09:30 solar, zenith 66.5°', () => {
    const zenith = Math.acos(cosZenith(43 * rad, cooper(44), -37.5 * rad)) / rad;
    expect(Math.abs(zenith - 66.5)).toBeLessThan(0.05);
  });

  it('Example 1.6.2: 43° N, 1 Jul 18:30 solar, zenith 79.6°', () => {
    const zenith = Math.acos(cosZenith(43 * rad, cooper(182), 97.5 * rad)) / rad;
    expect(Math.abs(zenith - 79.6)).toBeLessThan(0.05);
  });

  it('Example 1.10.1: 43° N, 15 Apr, 33.8 MJ/m² above the air', () => {
    expect(dailyExtraterrestrialKwh(43, 105, cooper(105)) * 3.6).toBeCloseTo(33.8, 1);
  });
});

describe('the sun, against an independent astronomy package', () => {
  const observer = new Observer(0, 0, 0);

  it('stands within 0.02° of it at 780 times and places of both hemispheres and the poles', () => {
    let seen = 0;
    for (const latitude of [-90, -66, -34, -10, 0, 15, 47, 67, 80, 90])
      for (const longitude of [-123, 0, 151])
        for (let day = 3; day <= 365; day += 14) {
          const utc = Date.UTC(2024 + (day % 5), 0, day, (day * 7) % 24, (day * 13) % 60);
          const here = new Observer(latitude, longitude, 0);
          const { ra, dec } = Equator(Body.Sun, new Date(utc), here, true, true);
          const expected = Horizon(new Date(utc), here, ra, dec);
          const { elevationDeg, azimuthDeg } = sunPosition(utc, latitude, longitude);
          const name = `${latitude} ${longitude} day ${day}`;
          expect(Math.abs(elevationDeg - expected.altitude), name).toBeLessThan(0.02);
          const turn = Math.abs(((azimuthDeg - expected.azimuth + 540) % 360) - 180);
          // Near the zenith a small step is a large turn: what counts is the way across the sky.
          if (Math.abs(latitude) < 90) expect(turn * Math.cos(expected.altitude * rad), name).toBeLessThan(0.02);
          seen += 1;
        }
    expect(seen).toBe(780);
  });

  it('has every day’s declination within 0.01°, and the days of other years within 0.25°', () => {
    for (let day = 1; day <= 365; day += 4) {
      for (const [year, most] of [
        [2026, 0.01],
        [2024, 0.25],
        [2029, 0.25],
      ] as const) {
        const { dec } = Equator(Body.Sun, new Date(Date.UTC(year, 0, day, 12)), observer, true, true);
        expect(Math.abs(declinationOn(day) / rad - dec), `${year} day ${day}`).toBeLessThan(most);
      }
    }
  });

  it('takes a month’s mean above the air over all of its days', () => {
    let total = 0;
    for (let day = 1; day <= 30; day++) {
      const { dec } = Equator(Body.Sun, new Date(Date.UTC(2026, 5, day, 12)), observer, true, true);
      total += dailyExtraterrestrialKwh(52, 151 + day, dec * rad);
    }
    expect(monthlyExtraterrestrialKwh(52, 6)).toBeCloseTo(total / 30, 3);
  });

  it('knows by how much a sundial is ahead of the clock: −14 min in February, +16 in November', () => {
    expect(solarPlace(Date.UTC(2026, 1, 11, 12)).equationOfTimeMin).toBeCloseTo(-14.2, 0);
    expect(solarPlace(Date.UTC(2026, 10, 3, 12)).equationOfTimeMin).toBeCloseTo(16.4, 0);
  });
});

describe('a mean day', () => {
  it('spreads exactly the daily total over the daylight hours, symmetric about noon', () => {
    const { irradianceWm2, sunHours } = sunDay(place, 4);
    const kwh = irradianceWm2.reduce((sum, g) => sum + g, 0) / 60 / 1000;
    expect(kwh).toBeCloseTo(sunHours, 9);
    expect(sunHours).toBeCloseTo(0.5 * monthlyExtraterrestrialKwh(43, 4), 9);
    expect(irradianceWm2[600]).toBeCloseTo(irradianceWm2[839] as number, 6);
    expect(irradianceWm2[0]).toBe(0);
    expect(Math.max(...irradianceWm2)).toBeLessThan(1100);
  });

  it('knows polar night and polar day', () => {
    expect(sunDay({ ...place, latitudeDeg: 80 }, 12).sunHours).toBe(0);
    expect(sunsetHourAngle(80 * rad, declinationOn(172))).toBeCloseTo(Math.PI, 9);
    for (const latitudeDeg of [-90, 90]) {
      for (let month = 1; month <= 12; month++) {
        const { irradianceWm2 } = sunDay({ ...place, latitudeDeg }, month);
        expect(irradianceWm2.every(Number.isFinite)).toBe(true);
      }
    }
  });

  it('finds December darkest in the north and June in the south', () => {
    const all = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
    const day = { season: 'usual', week: 'usual', motion: 'usual' } as const;
    expect(designMonth({ place, months: all, day })).toBe(12);
    expect(designMonth({ place: { ...place, latitudeDeg: -33 }, months: all, day })).toBe(6);
    expect(designMonth({ place, months: [5, 6, 7], day })).toBe(5);
    expect(designMonth({ place, months: all, day: { ...day, season: 'summer' } })).toBe(6);
  });
});

describe('the array', () => {
  it('gives about 950 W from four 320 W panels in nominal conditions (common practice: 4 × 238), on a roof a little less', () => {
    // 800 W/m² at 20 °C all day; dirt, wiring, mismatch and controller taken out again.
    const sun = { month: 6, extraterrestrialKwh: 0, sunHours: 0, irradianceWm2: new Float64Array(1440).fill(800) };
    const { perRatedW, otherFactor } = arrayDay(sun.irradianceWm2, new Float64Array(1440).fill(20), null);
    const watts = (4 * 320 * (perRatedW[720] ?? 0)) / otherFactor;
    expect(Math.abs(watts / 950 - 1)).toBeLessThan(0.05);
  });

  it('brings about 1,900 Wh from 500 W in 3.8 sun hours at laboratory watts, 1,425 Wh at a flat 0.75', () => {
    const with500 = (arrayFactor: number) =>
      assess(
        withSystem(
          aJob([aLoad()], (j) => ({
            ...j,
            rules: { ...j.rules, arrayFactor },
            brief: { ...j.brief, place: { ...j.brief.place, peakSunHours: 3.8 } },
          })),
          { array: { ratingW: 500 } },
        ),
      ).figures['sun.yield'].value;
    expect(with500(1)).toBeCloseTo(1900, 6);
    expect(with500(0.75)).toBeCloseTo(1425, 6);
  });

  it('loses to heat: a hot day brings less than a cold one, and less than the laboratory says', () => {
    const at = (dayTempC: number) =>
      assess(
        withSystem(
          aJob([aLoad()], (j) => ({
            ...j,
            brief: { ...j.brief, place: { ...j.brief.place, dayTempC, peakSunHours: 5 } },
          })),
          { array: { ratingW: 400 } },
        ),
      ).figures['sun.yield'].value;
    expect(at(38)).toBeLessThan(at(10));
    expect(at(10)).toBeLessThan(400 * 5);
    expect(at(38)).toBeGreaterThan(400 * 5 * 0.65);
  });
});
