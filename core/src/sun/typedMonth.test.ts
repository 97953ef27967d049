import { describe, expect, it } from 'vitest';
import { blankJob } from '../job/blank.ts';
import { SKY } from '../reference/skies.ts';
import { designMonth, placeIn, sunDay, withSunInItsMonth } from './day.ts';
import { monthlyExtraterrestrialKwh } from './geometry.ts';

const { brief } = blankJob('it');
const hoursIn = (typed: number | null, month: number, months = [11, 12, 1]) => {
  const now = withSunInItsMonth({ ...brief, months, place: { ...brief.place, peakSunHours: typed } });
  return sunDay(placeIn(now.place, month), month).sunHours;
};
const bySky = (month: number) => SKY[brief.place.sky].clearness * monthlyExtraterrestrialKwh(45, month);

describe('a figure typed for the sun of the month designed for', () => {
  it('is that month’s and no other’s: June has what its sky lets through', () => {
    expect(hoursIn(0.9, 12)).toBe(0.9);
    expect(hoursIn(0.9, 6)).toBeCloseTo(bySky(6), 9);
    expect(hoursIn(0.9, 1)).toBeCloseTo(bySky(1), 9);
    expect(hoursIn(null, 6)).toBeCloseTo(bySky(6), 9);
  });

  it('leaves the month designed for what it is: those of use have no less', () => {
    const months = [11, 12, 1];
    const typed = { ...brief, months, place: { ...brief.place, peakSunHours: 5 } };
    expect(designMonth(typed)).toBe(12);
    expect(designMonth(withSunInItsMonth(typed))).toBe(12);
    expect(hoursIn(5, 1)).toBeCloseTo(5, 6);
    expect(hoursIn(9, 7)).toBeCloseTo(bySky(7), 9);
    expect(bySky(7)).toBeLessThan(9);
  });
});
