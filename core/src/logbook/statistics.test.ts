import { jStat } from 'jstat';
import { describe, expect, it } from 'vitest';
import { compareWindows, windowsFor } from './compare.ts';
import { deviation, fitLine, fTail, median, tQuantile, tShare } from './statistics.ts';

describe('distributions, against a statistics package', () => {
  it.each([1, 2, 3, 4.7, 10, 29, 120])('Student’s t with %d degrees of freedom', (freedom) => {
    for (const share of [0.8, 0.9, 0.975, 0.995])
      expect(tQuantile(share, freedom)).toBeCloseTo(jStat.studentt.inv(share, freedom), 5);
    for (const t of [-3, -0.5, 0, 1, 4.2]) expect(tShare(t, freedom)).toBeCloseTo(jStat.studentt.cdf(t, freedom), 7);
  });

  it('Student’s t with one degree is an arctangent', () => {
    for (const t of [-30, -0.5, 0, 1, 4.2]) expect(tShare(t, 1)).toBeCloseTo(0.5 + Math.atan(t) / Math.PI, 12);
  });

  it('tables: t of 95 % with 1, 10 and 30 degrees (12.706, 2.228, 2.042)', () => {
    expect([1, 10, 30].map((freedom) => Number(tQuantile(0.975, freedom).toFixed(3)))).toEqual([12.706, 2.228, 2.042]);
  });

  it.each([
    [4.26, 2, 9],
    [0.3, 2, 3],
    [19, 2, 2],
    [1.7, 5, 40],
  ])('F above %d with %d and %d', (f, between, within) => {
    expect(fTail(f, between, within)).toBeCloseTo(1 - jStat.centralF.cdf(f, between, within), 8);
  });

  it('deviation and median', () => {
    const values = [3, 1, 4, 1, 5, 9, 2, 6];
    expect(deviation(values)).toBeCloseTo(jStat.stdev(values, true), 12);
    expect(median(values)).toBe(3.5);
    expect(median([7, 1, 3])).toBe(3);
  });
});

describe('a straight line', () => {
  // By hand: x 1…5, y 2 4 5 4 5: slope 0.6, 2.2 at 0, residuals squared 2.4, error √(2.4/3/10).
  it('is that of the textbook', () => {
    const line = fitLine([1, 2, 3, 4, 5], [2, 4, 5, 4, 5]);
    expect(line?.slope).toBeCloseTo(0.6, 12);
    expect(line?.at0).toBeCloseTo(2.2, 12);
    expect(line?.rest).toBeCloseTo(2.4, 12);
    expect(line?.error).toBeCloseTo(Math.sqrt(0.08), 12);
  });

  it('through points of one x is none', () => {
    expect(fitLine([2, 2], [1, 3])).toBeNull();
    expect(fitLine([1], [1])).toBeNull();
  });
});

const inTurn = (a: readonly number[], b: readonly number[]) =>
  a.flatMap((w, i) => [{ label: 'A', w }, ...(b[i] === undefined ? [] : [{ label: 'B', w: b[i] }])]);

describe('two ways compared', () => {
  // Welch's example with unequal spread, reckoned by hand: means 20.6 and 22.0.
  const a = [19.8, 20.4, 19.6, 21.8, 21.4];
  const b = [28.2, 16.6, 20.1, 23.3, 21.8];

  it('by Welch’s test', () => {
    const found = compareWindows(inTurn(a, b), 15, null, null);
    const spread = (values: readonly number[]) => jStat.stdev(values, true) ** 2 / values.length;
    const [va, vb] = [spread(a), spread(b)];
    const freedom = (va + vb) ** 2 / (va ** 2 / 4 + vb ** 2 / 4);
    const half = jStat.studentt.inv(0.975, freedom) * Math.sqrt(va + vb);
    expect(found?.freedom).toBeCloseTo(freedom, 9);
    expect(found?.interval?.lowW).toBeCloseTo(1.4 - half, 5);
    expect(found?.interval?.highW).toBeCloseTo(1.4 + half, 5);
    expect(found?.p).toBeCloseTo(2 * (1 - jStat.studentt.cdf(1.4 / Math.sqrt(va + vb), freedom)), 7);
    expect(found).toMatchObject({ distinguishable: false, because: ['scatter'] });
  });

  it('a difference far above the scatter is told', () => {
    const found = compareWindows(inTurn([50, 51, 49.5, 50.2], [60, 60.4, 59.7, 60.1]), 15, null, null);
    expect(found).toMatchObject({ distinguishable: true, because: [] });
    expect(found?.differenceW).toBeCloseTo(9.875, 9);
    expect(found?.p).toBeLessThan(0.001);
  });

  it('one window a side has no interval, and equal readings of a coarse meter none of no width', () => {
    expect(compareWindows(inTurn([50], [60]), 15, null, null)).toMatchObject({
      interval: null,
      distinguishable: false,
      because: ['one-window'],
    });
    const coarse = compareWindows(inTurn([57.2, 57.2], [57.6, 57.6]), 15, 1.28, null);
    expect(coarse?.interval?.lowW).toBeLessThan(-5);
    expect(coarse?.byStep).toBe(true);
  });

  it('a drift that would pass for a difference is taken out', () => {
    // 2 W more a window, and no difference at all: A B A B … makes B 2 W higher.
    const order = Array.from({ length: 12 }, (_, i) => ({
      label: i % 2 ? 'B' : 'A',
      w: 100 + 2 * i + (i % 3 === 0 ? 0.1 : -0.05),
    }));
    const found = compareWindows(order, 15, null, null);
    expect(found?.differenceW).toBeCloseTo(2, 1);
    expect(Math.abs(found?.withDrift?.differenceW ?? 9)).toBeLessThan(0.2);
    expect(found?.withDrift?.wPerWindow).toBeCloseTo(2, 1);
  });

  it('a swing far above the difference asks for more windows', () => {
    const found = compareWindows(inTurn([57.2, 57.3], [59.2, 59.3]), 15, null, [50, 130]);
    expect(found?.because).toEqual(['swing']);
    expect(found?.swing?.deviationW).toBeCloseTo(80 / Math.sqrt(12), 9);
  });

  it('windows needed: 2·((1.96 + 0.84)·σ/Δ)², by hand', () => {
    // σ 10, Δ 5: 2 · (2.8016 · 2)² = 62.8; σ 2, Δ 4: far below ten, so t's longer tails ask for more than 4.
    expect(windowsFor(5, 10)).toBe(63);
    expect(windowsFor(-5, 10)).toBe(63);
    expect(windowsFor(4, 2)).toBeGreaterThan(4);
    expect(windowsFor(0, 10)).toBeNull();
  });

  it('windows of three labels, or of one, are no comparison', () => {
    expect(
      compareWindows(
        [
          { label: 'A', w: 1 },
          { label: 'B', w: 2 },
          { label: 'C', w: 3 },
        ],
        15,
        null,
        null,
      ),
    ).toBeNull();
    expect(
      compareWindows(
        [
          { label: 'A', w: 1 },
          { label: 'A', w: 2 },
        ],
        15,
        null,
        null,
      ),
    ).toBeNull();
  });
});
