import { describe, expect, it } from 'vitest';
import { dayIncome } from '../sources/dayIncome.ts';
import type { Source } from '../sources/source.ts';
import { dayEndWh, simulateDay } from './simulate.ts';

const DAY_MIN = 1440;
const flat = (w: number) => new Float64Array(DAY_MIN).fill(w);
const source = (id: string, kind: Source['kind'], watts: Float64Array): Source =>
  ({ id, kind, name: id, priority: 0, watts, clippedWh: 0 }) as unknown as Source;

/** 1,000 Wh that lose nothing on the way, down to 100 Wh. */
const store = {
  model: {
    fullWh: 1000,
    chargeLimitW: 400,
    dischargeLimitW: 300,
    taperFromSoc: 1,
    inBySun: 1,
    inByAmps: 1,
    out: 1,
  },
  warmShare: 1,
  floorWh: 100,
};

describe('a day at the store’s terminals', () => {
  it.each([
    // A full store: what the loads take is the sun's, then the alternator's; what is over is spilled.
    [100, 2400, 0, 1200],
    [200, 3600, 1200, 0],
    [230, 3600, 1920, 0],
  ])('draws on the earlier source first: %d W of loads', (loadW, sunWh, drivingWh, spilledWh) => {
    const income = dayIncome([source('sun', 'sun', flat(150)), source('alternator', 'driving', flat(80))]);
    const { books, endWh } = simulateDay(store, 1000, flat(loadW), income);
    expect(books.takenWh[0]).toBeCloseTo(sunWh, 6);
    expect(books.takenWh[1]).toBeCloseTo(drivingWh, 6);
    expect(books.spilledWh).toBeCloseTo(spilledWh, 6);
    expect(books.servedWh).toBeCloseTo(loadW * 24, 6);
    expect(endWh).toBeCloseTo(1000, 6);
  });

  it('is empty when nothing comes: 900 Wh at 60 W are 15 h', () => {
    const { books, unservedFromMin, endWh } = simulateDay(store, 1000, flat(60), dayIncome([]));
    expect(unservedFromMin).toBe(15 * 60);
    expect(books.unservedWh).toBeCloseTo(9 * 60, 6);
    expect(endWh).toBeCloseTo(100, 6);
  });

  it('ends as its end alone is reckoned, whatever comes and goes', () => {
    const sun = flat(0).map((_, m) => Math.max(0, 700 * Math.sin((Math.PI * (m - 360)) / 720)));
    const loads = flat(0).map((_, m) => 80 + ((m * 37) % 300));
    const income = dayIncome([source('sun', 'sun', sun), source('alternator', 'driving', flat(20))]);
    const lossy = { ...store, model: { ...store.model, inBySun: 0.95, inByAmps: 0.9, out: 0.96, taperFromSoc: 0.9 } };
    for (const startWh of [100, 400, 1000])
      expect(dayEndWh(lossy, startWh, loads, income)).toBe(simulateDay(lossy, startWh, loads, income).endWh);
  });
});
