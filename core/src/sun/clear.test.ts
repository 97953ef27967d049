import { describe, expect, it } from 'vitest';
import { aJob } from '../test/jobs.ts';
import { clearDay, clearSkyWm2 } from './clear.ts';
import { sunDay } from './day.ts';

describe('a sky without a cloud', () => {
  it.each([
    [30, 489.8],
    [60, 890.3],
  ])('at %d° of elevation has %d W/m² (Haurwitz 1945)', (elevation, wm2) => {
    expect(clearSkyWm2(Math.sin((elevation * Math.PI) / 180))).toBeCloseTo(wm2, 1);
  });

  it('has none from below the horizon, and never less than the day that is typed', () => {
    expect(clearSkyWm2(0)).toBe(0);
    expect(clearSkyWm2(-0.5)).toBe(0);
    const place = { ...aJob([]).brief.place, latitudeDeg: 45 };
    const usual = sunDay(place, 6);
    expect(clearDay(place, usual).sunHours).toBeGreaterThan(1.2 * usual.sunHours);
    const typed = { ...place, peakSunHours: 9.5 };
    const day = sunDay(typed, 6);
    expect(clearDay(typed, day).sunHours).toBeCloseTo(9.5, 6);
  });
});
