import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Place } from '../job/schema.ts';
import { aJob } from '../test/jobs.ts';
import { sunDay } from './day.ts';
import { cosIncidence, diffuseShare, onPlane, planeIrradiance } from './plane.ts';

/** Worked examples of Duffie & Beckman, Solar Engineering of Thermal Processes, and bounds that any sun keeps. */

const RAD = Math.PI / 180;
/** The textbook's declination (Cooper), so that its examples are met by its own angles. */
const cooper = (day: number) => 23.45 * RAD * Math.sin((2 * Math.PI * (284 + day)) / 365);

describe('the angle of incidence', () => {
  it('43° N, 13 February, 10:30, slope 45°, 15° west of south: 35.0° (example 1.6.1)', () => {
    const cosine = cosIncidence(43 * RAD, cooper(44), -22.5 * RAD, 45 * RAD, 195 * RAD);
    expect(Math.abs(Math.acos(cosine) / RAD - 35.0)).toBeLessThan(0.2);
  });

  it('of a flat plane is the zenith angle, whatever it faces; of one that faces the noon sun 0°', () => {
    for (const azimuth of [0, 90, 200, 360])
      expect(cosIncidence(43 * RAD, cooper(44), -37.5 * RAD, 0, azimuth * RAD)).toBeCloseTo(Math.cos(66.5 * RAD), 2);
    // 18:30 on 1 July: 79.6° (example 1.6.2).
    expect(Math.acos(cosIncidence(43 * RAD, cooper(182), 97.5 * RAD, 0, 0)) / RAD).toBeCloseTo(79.6, 1);
    const decl = cooper(44);
    expect(cosIncidence(43 * RAD, decl, 0, 43 * RAD - decl, Math.PI)).toBeCloseTo(1, 9);
    // South of the equator the noon sun stands in the north.
    expect(cosIncidence(-35 * RAD, decl, 0, 35 * RAD + decl, 0)).toBeCloseTo(1, 9);
  });
});

describe('light on a slope', () => {
  it('40° N, 20 February 9 to 10 h, 1.04 MJ/m², slope 60°, ground 0.60: 1.17 MJ/m² by the isotropic sky (example 2.15.1)', () => {
    const latitude = 40 * RAD;
    const decl = cooper(51);
    const hour = -37.5 * RAD;
    const above = 2.34;
    const [flat, cosZenith] = [1.04, cosIncidence(latitude, decl, hour, 0, 0)];
    const cosine = cosIncidence(latitude, decl, hour, 60 * RAD, Math.PI);
    const told = onPlane({ flat, above, cosZenith, cosine, slope: 60 * RAD, ground: 0.6, sky: 'isotropic' });
    expect(told).toBeCloseTo(1.17, 2);
    // Round the sun the sky is brighter: more of it is caught.
    const hayDavies = onPlane({ flat, above, cosZenith, cosine, slope: 60 * RAD, ground: 0.6, sky: 'hay-davies' });
    expect(hayDavies).toBeGreaterThan(told);
    expect(hayDavies).toBeLessThan(1.4);
  });

  it.each([
    [0.1, 0.991],
    [0.445, 0.766],
    [0.6, 0.439],
    [0.9, 0.165],
  ])('with a clearness of %d the sky gives %d of it (Erbs, by hand)', (clearness, share) => {
    expect(diffuseShare(clearness)).toBeCloseTo(share, 2);
  });
});

const place = (part: Partial<Place>): Place => ({ ...aJob([]).brief.place, sky: 'very-clear', ...part });
const lying = (slopeDeg: number, azimuthDeg: number | null) => ({ slopeDeg, azimuthDeg, follows: false });
const wattHours = (watts: ArrayLike<number>) => Array.from(watts).reduce((sum, w) => sum + w, 0) / 60;

describe('a day on a plane', () => {
  it('flat is the flat day itself', () => {
    const here = place({ latitudeDeg: 48 });
    const day = sunDay(here, 3);
    expect(planeIrradiance(here, day, lying(0, 123))).toBe(day.irradianceWm2);
  });

  it('in winter a slope towards the noon sun gains much, away from it loses; in the south it is the other way about', () => {
    for (const [latitudeDeg, month, towards] of [
      [50, 12, 180],
      [-50, 6, 0],
    ] as const) {
      const here = place({ latitudeDeg });
      const day = sunDay(here, month);
      const flat = wattHours(day.irradianceWm2);
      expect(wattHours(planeIrradiance(here, day, lying(60, towards)))).toBeGreaterThan(1.5 * flat);
      expect(wattHours(planeIrradiance(here, day, lying(60, (towards + 180) % 360)))).toBeLessThan(0.6 * flat);
    }
  });

  it('east has its morning, west its evening, and both the same day', () => {
    const here = place({ latitudeDeg: 40 });
    const day = sunDay(here, 6);
    const [east, west] = [90, 270].map((azimuth) => planeIrradiance(here, day, lying(40, azimuth))) as [
      Float64Array,
      Float64Array,
    ];
    expect(wattHours(east.slice(0, 720))).toBeGreaterThan(1.3 * wattHours(west.slice(0, 720)));
    expect(wattHours(east) / wattHours(west)).toBeCloseTo(1, 2);
  });

  it('any heading is the mean of all', () => {
    const here = place({ latitudeDeg: 45 });
    const day = sunDay(here, 4);
    const all = Array.from({ length: 12 }, (_, i) => wattHours(planeIrradiance(here, day, lying(30, i * 30))));
    const mean = all.reduce((sum, wh) => sum + wh, 0) / 12;
    expect(wattHours(planeIrradiance(here, day, lying(30, null)))).toBeCloseTo(mean, 6);
  });

  it('property: never below nothing nor above the sun itself; nothing in polar night', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -90, max: 90 }),
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 0, max: 90 }),
        fc.option(fc.integer({ min: 0, max: 360 })),
        (latitudeDeg, month, slope, azimuth) => {
          const here = place({ latitudeDeg });
          const day = sunDay(here, month);
          const watts = planeIrradiance(here, day, lying(slope, azimuth));
          expect(watts.every((w) => Number.isFinite(w) && w >= 0 && w < 1500)).toBe(true);
          if (day.sunHours === 0) expect(wattHours(watts)).toBe(0);
        },
      ),
      { numRuns: 120 },
    );
  });
});
