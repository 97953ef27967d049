import { Body, Equator, Observer } from 'astronomy-engine';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess.ts';
import { arrayDay } from '../sources/array.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { designMonth, sunDay } from './day.ts';
import { cosZenith, dailyExtraterrestrialKwh, declination, sunsetHourAngle } from './geometry.ts';

const rad = Math.PI / 180;
const place = { label: '', latitudeDeg: 43, sky: 'mixed', peakSunHours: null, dayTempC: 20, nightTempC: 10 } as const;

describe('the sun, against Duffie & Beckman (figures recalled)', () => {
  it('Example 1.6.2: 43° N, 13 Feb 09:30 solar, zenith 66.5°', () => {
    const zenith = Math.acos(cosZenith(43 * rad, declination(44), -37.5 * rad)) / rad;
    expect(zenith).toBeCloseTo(66.5, 0);
  });

  it('Example 1.6.2: 43° N, 1 Jul 18:30 solar, zenith 79.6°', () => {
    const zenith = Math.acos(cosZenith(43 * rad, declination(182), 97.5 * rad)) / rad;
    expect(Math.abs(zenith - 79.6)).toBeLessThan(0.15);
  });

  it('Example 1.10.1: 43° N, 15 Apr, 33.8 MJ/m² above the air', () => {
    expect(dailyExtraterrestrialKwh(43, 105) * 3.6).toBeCloseTo(33.8, 1);
  });
});

describe('the sun, against an independent astronomy package', () => {
  it('has its declination within 0.45° on a grid of dates', () => {
    const observer = new Observer(0, 0, 0);
    for (let day = 5; day <= 365; day += 15) {
      const noon = new Date(Date.UTC(2026, 0, day, 12));
      const { dec } = Equator(Body.Sun, noon, observer, true, true);
      expect(Math.abs(declination(day) / rad - dec), `day ${day}`).toBeLessThan(0.45);
    }
  });
});

describe('a mean day', () => {
  it('spreads exactly the daily total over the daylight hours, symmetric about noon', () => {
    const { irradianceWm2, sunHours } = sunDay(place, 4);
    const kwh = irradianceWm2.reduce((sum, g) => sum + g, 0) / 60 / 1000;
    expect(kwh).toBeCloseTo(sunHours, 9);
    expect(sunHours).toBeCloseTo(0.5 * dailyExtraterrestrialKwh(43, 105), 9);
    expect(irradianceWm2[600]).toBeCloseTo(irradianceWm2[839] as number, 6);
    expect(irradianceWm2[0]).toBe(0);
    expect(Math.max(...irradianceWm2)).toBeLessThan(1100);
  });

  it('knows polar night and polar day', () => {
    expect(sunDay({ ...place, latitudeDeg: 80 }, 12).sunHours).toBe(0);
    expect(sunsetHourAngle(80 * rad, declination(172))).toBeCloseTo(Math.PI, 9);
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
    const { perRatedW, otherFactor } = arrayDay(sun, new Float64Array(1440).fill(20), null);
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
