import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestStartOrder, type Starter, staircase, worstOrderPeak } from './startOrder.ts';

const starters = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 0, max: 9000 })), { minLength: 1, maxLength: 8 })
  .map((pairs) => pairs.map(([size, startExtra], i): Starter => ({ id: `l${i}`, size, startExtra })));

/** The lowest and the highest peak of every order: each of the n! tried, depth first. */
function everyOrder(all: readonly Starter[]): { lowest: number; highest: number } {
  let lowest = Number.POSITIVE_INFINITY;
  let highest = 0;
  const go = (left: readonly Starter[], running: number, peak: number): void => {
    if (left.length === 0) {
      lowest = Math.min(lowest, peak);
      highest = Math.max(highest, peak);
    }
    for (const next of left) {
      const started = running + next.size + next.startExtra;
      go(
        left.filter((other) => other !== next),
        running + next.size,
        Math.max(peak, started),
      );
    }
  };
  go(all, 0, 0);
  return { lowest, highest };
}

describe('the order of switching on', () => {
  it('peaks as low as any of all orders, on 500 random instances of up to 8 loads; the worst as high as any', () => {
    fc.assert(
      fc.property(starters, (all) => {
        const { lowest, highest } = everyOrder(all);
        expect(bestStartOrder(all).peak).toBe(lowest);
        expect(worstOrderPeak(all)).toBe(highest);
      }),
      { numRuns: 500 },
    );
  });

  it('names the loads of which one must start on top of the others: none of them starts softer than the last', () => {
    fc.assert(
      fc.property(starters, (all) => {
        const { because, peak } = bestStartOrder(all);
        const named = all.filter(({ id }) => because.includes(id));
        const least = Math.min(...named.map(({ startExtra }) => startExtra));
        expect(named.reduce((sum, { size }) => sum + size, 0) + least).toBe(peak);
      }),
    );
  });

  it('is told step by step', () => {
    const { steps } = staircase([
      { id: 'pump', size: 100, startExtra: 150 },
      { id: 'heater', size: 1000, startExtra: 0 },
    ]);
    expect(steps).toEqual([
      { id: 'pump', before: 0, peak: 250, after: 100 },
      { id: 'heater', before: 100, peak: 1100, after: 1100 },
    ]);
  });
});
