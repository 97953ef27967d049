import { Body, Equator, Horizon, Observer } from 'astronomy-engine';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planeHours, sunHours } from './hours.ts';
import { onPlane } from './plane.ts';

/** Sine of the sun's height by an independent package, without refraction. */
function sineOfHeight(utcMs: number, latitudeDeg: number, longitudeDeg: number): number {
  const at = new Date(utcMs);
  const observer = new Observer(latitudeDeg, longitudeDeg, 0);
  const { ra, dec } = Equator(Body.Sun, at, observer, true, true);
  return Math.sin((Horizon(at, observer, ra, dec).altitude * Math.PI) / 180);
}

const flat = { slopeDeg: 0, azimuthDeg: null, follows: false } as const;
const south = { slopeDeg: 40, azimuthDeg: 180, follows: false } as const;

describe('where the sun stands in each hour', () => {
  it.each([
    [47.5, -8.25, -1],
    [-33.9, 18.4, 2],
    [5, 100, 7],
    [69.6, 19, 1],
    [28.6, 77.2, 5.5],
    [52, 5, 0],
  ])('at %d°, %d° by a clock of UTC%d: as an independent package has it', (latitudeDeg, longitudeDeg, utcOffsetH) => {
    for (const fromDay of [0, 79, 171, 265, 354]) {
      const sun = sunHours({ latitudeDeg, longitudeDeg, utcOffsetH }, fromDay, 1);
      for (let h = 0; h < 24; h++) {
        const begins = Date.UTC(2026, 0, 1 + fromDay, h) - utcOffsetH * 3_600_000;
        // The share of 60 minutes in which it is up.
        let up = 0;
        for (let m = 0; m < 60; m++)
          up += Number(sineOfHeight(begins + (m + 0.5) * 60_000, latitudeDeg, longitudeDeg) > 0);
        // Nearer than 6 min: at 70° the sun rises at a slant, and a day's noon stands for all of it.
        expect(Math.abs((sun.lit[h] as number) - up / 60)).toBeLessThan(0.1);
        if (up < 60) continue;
        expect(sun.cosZenith[h]).toBeCloseTo(sineOfHeight(begins + 1_800_000, latitudeDeg, longitudeDeg), 2);
      }
    }
  });

  it('never in polar night, always under the midnight sun, and a year begins again at its end', () => {
    const north = { latitudeDeg: 78, longitudeDeg: 15, utcOffsetH: 1 };
    expect(sunHours(north, 354, 1).lit.every((share) => share === 0)).toBe(true);
    expect(sunHours(north, 171, 1).lit.every((share) => Math.abs(share - 1) < 1e-12)).toBe(true);
    for (const pole of [90, -90])
      expect(sunHours({ ...north, latitudeDeg: pole }, 0, 365).cosZenith.every(Number.isFinite)).toBe(true);
    const [over, first] = [sunHours(north, 364, 2), sunHours(north, 0, 1)];
    expect([...over.cosZenith.slice(24)]).toEqual([...first.cosZenith]);
  });
});

describe('the light on a plane, hour by hour', () => {
  const place = { latitudeDeg: 40, longitudeDeg: 0, utcOffsetH: 0 };

  it('on the flat it is what was measured', () => {
    const sun = sunHours(place, 80, 1);
    const ghi = Float64Array.from({ length: 24 }, (_, h) => ((sun.lit[h] as number) > 0 ? 100 + h : 0));
    planeHours(sun, ghi, flat).forEach((light, h) => {
      expect(light * (sun.lit[h] as number)).toBeCloseTo(ghi[h] as number, 9);
    });
  });

  it('a hazy sky on a slope: half of the sky is seen by a wall, and a fifth of the ground', () => {
    // So dull that Erbs has 1 − 0.09·k of it diffuse; a beam is hardly left.
    const sun = sunHours(place, 171, 1);
    const ghi = new Float64Array(24);
    ghi[12] = 10;
    const wall = planeHours(sun, ghi, { slopeDeg: 90, azimuthDeg: 0, follows: false })[12] as number;
    expect(wall).toBeGreaterThan(10 * (0.5 + 0.2 / 2) * 0.98);
    expect(wall).toBeLessThanOrEqual(10 * (0.5 + 0.2 / 2));
  });

  it.each([171, 80, 354])('on day %d a clear day by the hour is one by the minute, within 2 %', (fromDay) => {
    // Seven tenths of the light above the air in every minute, as no day is; the sum of minutes is made here.
    const clear = 0.7;
    const minutes = 4;
    const ghi = new Float64Array(24);
    const slope = (south.slopeDeg * Math.PI) / 180;
    let byMinute = 0;
    const normal = 1367 * (1 + 0.033 * Math.cos((2 * Math.PI * (fromDay + 1)) / 365));
    for (let k = 0; k < (24 * 60) / minutes; k++) {
      const utcMs = Date.UTC(2026, 0, 1 + fromDay) + (k + 0.5) * minutes * 60_000;
      const cosZenith = sineOfHeight(utcMs, 40, 0);
      if (cosZenith <= 0) continue;
      const above = normal * cosZenith;
      ghi[Math.floor((k * minutes) / 60)] =
        (ghi[Math.floor((k * minutes) / 60)] as number) + (clear * above * minutes) / 60;
      const { azimuth, altitude } = horizonOf(utcMs);
      // The angle between the sun and the plane's normal, as of two directions in space.
      const cosine =
        Math.cos(slope) * Math.sin(altitude) + Math.sin(slope) * Math.cos(altitude) * Math.cos(azimuth - Math.PI);
      byMinute +=
        (onPlane({ flat: clear * above, above, cosZenith, cosine, slope, ground: 0.2, sky: 'hay-davies' }) * minutes) /
        60;
    }
    const sun = sunHours(place, fromDay, 1);
    const byHour = planeHours(sun, ghi, south).reduce((sum, w, h) => sum + w * (sun.lit[h] as number), 0);
    expect(Math.abs(byHour / byMinute - 1)).toBeLessThan(0.02);
  });

  it('property: never below nothing, never above the sun itself, and nothing from nothing', () => {
    fc.assert(
      fc.property(
        fc.record({
          latitudeDeg: fc.integer({ min: -90, max: 90 }),
          longitudeDeg: fc.integer({ min: -180, max: 180 }),
          utcOffsetH: fc.integer({ min: -12, max: 14 }),
        }),
        fc.integer({ min: 0, max: 364 }),
        fc.record({
          slopeDeg: fc.integer({ min: 0, max: 90 }),
          azimuthDeg: fc.option(fc.integer({ min: 0, max: 359 })),
          follows: fc.boolean(),
        }),
        fc.array(fc.integer({ min: 0, max: 1500 }), { minLength: 24, maxLength: 24 }),
        (at, fromDay, plane, ghi) => {
          const sun = sunHours(at, fromDay, 1);
          const light = planeHours(sun, ghi, plane);
          light.forEach((w, h) => {
            expect(w).toBeGreaterThanOrEqual(0);
            expect(Number.isFinite(w)).toBe(true);
            if (ghi[h] === 0) expect(w).toBe(0);
            if (plane.slopeDeg > 0 || plane.follows) expect(w).toBeLessThanOrEqual(1367 * 1.034);
          });
        },
      ),
      { numRuns: 200 },
    );
  });
});

function horizonOf(utcMs: number): { azimuth: number; altitude: number } {
  const at = new Date(utcMs);
  const observer = new Observer(40, 0, 0);
  const { ra, dec } = Equator(Body.Sun, at, observer, true, true);
  const { azimuth, altitude } = Horizon(at, observer, ra, dec);
  return { azimuth: (azimuth * Math.PI) / 180, altitude: (altitude * Math.PI) / 180 };
}
