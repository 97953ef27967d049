import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalDeviates } from '../days/normal.ts';
import { changePoints, levelsOf, noiseOf } from './changePoints.ts';

const steps = (...parts: readonly (readonly [mean: number, count: number])[]) =>
  parts.flatMap(([mean, count]) => Array.from({ length: count }, () => mean));

/** The best cut by trying all of them (optimal partitioning with the same penalty), for few values. */
function bestByTrying(values: readonly number[], noise: number): number {
  const penalty = 3 * noise * noise * Math.log(values.length);
  let least = Number.POSITIVE_INFINITY;
  for (let mask = 0; mask < 2 ** (values.length - 1); mask++) {
    let cost = -penalty;
    let from = 0;
    for (let i = 0; i < values.length; i++) {
      const ends = i === values.length - 1 || mask & (1 << i);
      if (!ends) continue;
      const part = values.slice(from, i + 1);
      const mean = part.reduce((sum, value) => sum + value, 0) / part.length;
      cost += penalty + part.reduce((sum, value) => sum + (value - mean) ** 2, 0);
      from = i + 1;
    }
    least = Math.min(least, cost);
  }
  return least;
}

describe('changes of a level', () => {
  it('are found where they are, without noise', () => {
    expect(changePoints(steps([50, 20], [5, 30], [50, 10]), 0.1)).toEqual([
      { from: 0, to: 20, mean: 50 },
      { from: 20, to: 50, mean: 5 },
      { from: 50, to: 60, mean: 50 },
    ]);
  });

  it('are found within a reading or two in noise of a fifth of the step, and none in noise alone', () => {
    const noise = normalDeviates(7, 1);
    const values = steps([40, 60], [60, 45], [20, 80]).map((mean) => mean + 4 * noise());
    const found = changePoints(values, noiseOf(values));
    expect(found).toHaveLength(3);
    expect(Math.abs((found[1]?.from ?? 0) - 60)).toBeLessThanOrEqual(2);
    expect(Math.abs((found[2]?.from ?? 0) - 105)).toBeLessThanOrEqual(2);
    const quiet = Array.from({ length: 500 }, () => 40 + 4 * noise());
    expect(changePoints(quiet, 4)).toHaveLength(1);
  });

  it('cost as little as any cut does', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 2, maxLength: 11 }), (values) => {
        const found = changePoints(values, 0.7);
        const penalty = 3 * 0.49 * Math.log(values.length);
        const cost = found.reduce(
          (sum, { from, to, mean }) =>
            sum + penalty + values.slice(from, to).reduce((all, value) => all + (value - mean) ** 2, 0),
          -penalty,
        );
        expect(cost).toBeCloseTo(bestByTrying(values, 0.7), 9);
      }),
      { numRuns: 60 },
    );
  });

  it('noise is that of the readings, not of the jumps', () => {
    const noise = normalDeviates(3, 1);
    const values = Array.from({ length: 2000 }, (_, i) => (i % 200 < 100 ? 0 : 500) + 3 * noise());
    expect(noiseOf(values)).toBeGreaterThan(2.7);
    expect(noiseOf(values)).toBeLessThan(3.3);
  });

  it('nothing has none, one value is one stretch', () => {
    expect(changePoints([], 1)).toEqual([]);
    expect(changePoints([5], 1)).toEqual([{ from: 0, to: 1, mean: 5 }]);
  });
});

describe('levels', () => {
  it('a fridge of 45 W for a third of the time', () => {
    const stretches = Array.from({ length: 6 }, (_, i) =>
      i % 2 ? { mean: 45 + i / 10, minutes: 10 } : { mean: 1.5, minutes: 20 },
    );
    const [off, on] = levelsOf(stretches, 0.5);
    expect(off).toMatchObject({ times: 3, meanMinutes: 20 });
    expect(off?.mean).toBeCloseTo(1.5, 9);
    expect(on?.duty).toBeCloseTo(1 / 3, 9);
    expect(on?.mean).toBeCloseTo(45.3, 9);
  });
});
