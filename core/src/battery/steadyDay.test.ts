import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { simulateDay } from './day.ts';
import { steadyDay } from './steadyDay.ts';

const row = (of: (hour: number) => number) => Float64Array.from({ length: 1440 }, (_, m) => of(m / 60));
const none = row(() => 0);
const warm = { warmShare: row(() => 1), locked: new Uint8Array(1440) };
const sun = (w: number, from: number, to: number) => {
  const sunW = row((h) => (h >= from && h < to ? w : 0));
  return { sunW, drivingW: none, supplyW: none, otherW: none };
};
const battery = (part: Partial<Parameters<typeof simulateDay>[0]['model']> = {}) => ({
  model: {
    fullWh: 1000,
    inBySun: 1,
    inByAmps: 1,
    out: 1,
    chargeLimitW: 500,
    selfWhPerDay: 0,
    dischargeLimitW: 2000,
    taperFromSoc: 1,
    ...part,
  },
  warm,
  floorSoc: 0.2,
});

describe('a day once many like it have gone by', () => {
  it('ends as full as what came since it was full leaves it: 50 W from 18 o’clock on', () => {
    const day = steadyDay(
      battery(),
      row(() => 50),
      sun(300, 8, 18),
    );
    expect(day.endWh).toBeCloseTo(1000 - 6 * 50, 6);
    expect(day.books.unservedWh).toBe(0);
  });

  it('is empty at some time where less comes than is asked for, and as short as that', () => {
    // 1,200 Wh a day of which 1,000 come.
    const day = steadyDay(
      battery(),
      row(() => 50),
      sun(100, 8, 18),
    );
    expect(day.books.unservedWh).toBeCloseTo(200, 2);
    expect(day.lowestSoc).toBeCloseTo(0.2, 9);
  });

  it('finds where a battery that takes less and less ends up, though each day changes it by a little only', () => {
    // Lead that is offered 5 % more than it loses: it is never full, and stands where it takes just that.
    const lead = battery({ fullWh: 5000, chargeLimitW: 200, taperFromSoc: 0.5 });
    const day = steadyDay(
      lead,
      row(() => 40),
      sun(140, 8, 18),
    );
    expect(Math.abs(day.endWh - day.startWh)).toBeLessThan(0.011);
    let wh = 5000;
    for (let n = 0; n < 3000; n++)
      wh = simulateDay(
        lead,
        wh,
        row(() => 40),
        sun(140, 8, 18),
      ).endWh;
    expect(Math.abs(day.endWh - wh)).toBeLessThan(2);
  });

  it('property: is where days one after the other end up, from full or from empty', () => {
    fc.assert(
      fc.property(
        fc.record({
          loadW: fc.integer({ min: 5, max: 150 }),
          sunW: fc.integer({ min: 0, max: 600 }),
          from: fc.integer({ min: 5, max: 11 }),
          hours: fc.integer({ min: 1, max: 12 }),
          fullWh: fc.integer({ min: 300, max: 3000 }),
          taperFromSoc: fc.constantFrom(0.5, 0.8, 0.95),
          chargeLimitW: fc.integer({ min: 30, max: 600 }),
        }),
        ({ loadW, sunW, from, hours, ...model }) => {
          const [it, busW, income] = [
            battery({ ...model, out: 0.95, inBySun: 0.95 }),
            row(() => loadW),
            sun(sunW, from, from + hours),
          ];
          const day = steadyDay(it, busW, income);
          const after = (startWh: number) => {
            let wh = startWh;
            let last = simulateDay(it, wh, busW, income);
            for (let n = 0; n < 400; n++) {
              last = simulateDay(it, wh, busW, income);
              wh = last.endWh;
            }
            return last;
          };
          const [high, low] = [after(model.fullWh), after(model.fullWh * 0.2)];
          const within = Math.max(1, Math.abs(high.endWh - low.endWh));
          expect(day.endWh).toBeLessThan(high.endWh + within);
          expect(day.endWh).toBeGreaterThan(low.endWh - within);
          expect(Math.abs(day.books.unservedWh - low.books.unservedWh)).toBeLessThan(within);
        },
      ),
      { numRuns: 60 },
    );
  });
});
