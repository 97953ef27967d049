import { describe, expect, it } from 'vitest';
import { brightest, clearnessAt } from './spread.ts';

/** Mean over many equal shares of the days: no formula of the code under test. */
const meanOf = (mean: number) => {
  const n = 20_000;
  let sum = 0;
  for (let i = 0; i < n; i++) sum += clearnessAt(mean, (i + 0.5) / n);
  return sum / n;
};

describe('how days of a month differ', () => {
  it.each([0.08, 0.15, 0.3, 0.4, 0.5, 0.6, 0.7, 0.78])('the days of a month of mean %d have that mean', (mean) => {
    expect(meanOf(mean)).toBeCloseTo(mean, 3);
  });

  it('Liu and Jordan’s curves, as textbooks draw them: at a mean of 0.5 a quarter of the days lies below 0.36', () => {
    // Duffie & Beckman, fig. 2.9.2, read off to ±0.03.
    expect(Math.abs(clearnessAt(0.5, 0.25) - 0.36)).toBeLessThan(0.03);
    expect(Math.abs(clearnessAt(0.5, 0.75) - 0.66)).toBeLessThan(0.03);
    expect(Math.abs(clearnessAt(0.3, 0.5) - 0.26)).toBeLessThan(0.04);
  });

  it('is never below the dullest nor above the brightest, and rises with the share', () => {
    for (const mean of [0.1, 0.25, 0.45, 0.65, 0.75]) {
      let before = 0;
      for (let share = 0; share <= 1; share += 0.05) {
        const k = clearnessAt(mean, share);
        expect(k).toBeGreaterThanOrEqual(Math.max(0.05 - 1e-9, before));
        expect(k).toBeLessThanOrEqual(brightest(mean) + 1e-9);
        before = k;
      }
    }
  });

  it.each([0, 0.03, 0.07, 0.85, 1])('a mean of %d, at an end, makes every day the same', (mean) => {
    expect(clearnessAt(mean, 0.25)).toBe(mean);
    expect(clearnessAt(mean, 0.75)).toBe(mean);
  });
});
