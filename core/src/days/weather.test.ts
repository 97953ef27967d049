import { describe, expect, it } from 'vitest';
import { blankJob } from '../job/blank.ts';
import { spreadOf } from '../sun/spread.ts';
import { normalDeviates, normalShare } from './normal.ts';
import { type Climate, climateOf, importedRun, syntheticRun, typicalRun } from './weather.ts';

/** The normal distribution by adding up its density, as another opinion. */
const STEP = 1e-3;
const TABLE = (() => {
  const table: number[] = [0];
  for (let z = -8; z < 8; z += STEP) {
    const density = (at: number) => Math.exp((-at * at) / 2) / Math.sqrt(2 * Math.PI);
    table.push((table.at(-1) as number) + ((density(z) + density(z + STEP)) / 2) * STEP);
  }
  return table;
})();
const scoreOf = (share: number): number => {
  let [low, high] = [0, TABLE.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((TABLE[middle] as number) < share) low = middle;
    else high = middle;
  }
  return -8 + low * STEP;
};

/** The distribution of Bendt, its γ found by trying: the mean by adding up 1 − F. */
function bendt(mean: number): (k: number) => number {
  const max = 0.6313 + 0.267 * mean - 11.9 * (mean - 0.75) ** 8;
  const share = (gamma: number) => (k: number) =>
    k <= 0.05 ? 0 : k >= max ? 1 : (Math.exp(gamma * (k - 0.05)) - 1) / (Math.exp(gamma * (max - 0.05)) - 1);
  const meanOf = (gamma: number) => {
    let sum = 0.05;
    const n = 4000;
    for (let i = 0; i < n; i++) sum += ((1 - share(gamma)(0.05 + ((i + 0.5) * (max - 0.05)) / n)) * (max - 0.05)) / n;
    return sum;
  };
  let [low, high] = [-60, 100];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2 || 1e-9;
    if (meanOf(middle) < mean) low = middle;
    else high = middle;
  }
  return share((low + high) / 2);
}

const steady = (clearness: number): Climate => ({
  clearness: new Array(12).fill(clearness),
  meanC: new Array(12).fill(10),
  swingC: new Array(12).fill(5),
  aboveKwh: new Array(12).fill(8),
});
const DAYS = 10_000;
const mean = (values: ArrayLike<number>) => Array.from(values).reduce((sum, v) => sum + v, 0) / values.length;
function correlation(a: readonly number[], b: readonly number[]): number {
  const [ma, mb] = [mean(a), mean(b)];
  const sum = (of: (i: number) => number) => a.reduce((total, _, i) => total + of(i), 0);
  const both = sum((i) => ((a[i] as number) - ma) * ((b[i] as number) - mb));
  return both / Math.sqrt(sum((i) => ((a[i] as number) - ma) ** 2) * sum((i) => ((b[i] as number) - mb) ** 2));
}
const lagOne = (values: readonly number[]) => correlation(values.slice(0, -1), values.slice(1));

describe('the normal distribution', () => {
  // From printed tables.
  it.each([
    [0, 0.5],
    [1, 0.8413447461],
    [1.959964, 0.975],
    [-2.5, 0.0062096653],
    [4, 0.9999683288],
  ])('below %f lies %f', (z, share) => expect(normalShare(z)).toBeCloseTo(share, 6));

  it('its deviates have mean 0, variance 1 and the same share beyond two as the table', () => {
    const next = normalDeviates(7, 0);
    const values = Array.from({ length: 100_000 }, next);
    expect(mean(values)).toBeCloseTo(0, 1.5);
    expect(mean(values.map((v) => v * v))).toBeCloseTo(1, 1.5);
    expect(values.filter((v) => Math.abs(v) > 2).length / 1e5).toBeCloseTo(0.0455, 2);
    expect(Math.abs(lagOne(values))).toBeLessThan(0.01);
  });

  it('the same seed and stream are the same, others are others', () => {
    const first = (seed: number, stream: number) => normalDeviates(seed, stream)();
    expect(first(3, 2)).toBe(first(3, 2));
    expect(new Set([first(3, 2), first(3, 1), first(4, 2), first(3, 0)]).size).toBe(4);
  });
});

describe('days that might be, 10,000 of them', () => {
  it.each([0.12, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.75])('at a mean clearness of %f', (clearness) => {
    const { clearness: days } = syntheticRun(steady(clearness), 45, 11, 0, 0, DAYS);
    expect(Math.abs(mean(days) - clearness)).toBeLessThan(0.01);
    // Kolmogorov & Smirnov, at 1 %, with the 5,500 days that 10,000 correlated ones are worth.
    const share = bendt(clearness);
    const sorted = [...days].sort((a, b) => a - b);
    const furthest = Math.max(...sorted.map((k, i) => Math.abs(share(k) - (i + 0.5) / DAYS)));
    expect(furthest).toBeLessThan(1.63 / Math.sqrt(5500));
    const scores = [...days].map((k) => scoreOf(Math.min(1 - 1e-9, Math.max(1e-9, share(k)))));
    expect(Math.abs(lagOne(scores) - 0.29)).toBeLessThan(0.03);
  });

  it('at 0.80, where a month has hardly any dull day, the mean is kept', () => {
    const { clearness: days } = syntheticRun(steady(0.8), 45, 11, 0, 0, DAYS);
    expect(Math.abs(mean(days) - 0.8)).toBeLessThan(0.01);
    expect(Math.max(...days)).toBeLessThan(0.86);
  });

  it('warmth goes on from day to day, and clear days are cold in winter, warm in summer, with colder nights', () => {
    const run = syntheticRun(steady(0.5), 45, 5, 0, 0, DAYS);
    const inMonths = (from: number, to: number) =>
      [...run.clearness.keys()].filter((i) => i % 365 >= from && i % 365 < to);
    const at = (days: number[], row: Float64Array) => days.map((i) => row[i] as number);
    const together = (days: number[]) => correlation(at(days, run.clearness), at(days, run.meanC));
    expect(lagOne([...run.meanC])).toBeCloseTo(0.7, 1);
    expect(mean(run.meanC)).toBeCloseTo(10, 0);
    expect(Math.sqrt(mean([...run.meanC].map((c) => (c - 10) ** 2)))).toBeCloseTo(3, 0);
    expect(together(inMonths(0, 59))).toBeLessThan(-0.15);
    expect(together(inMonths(151, 243))).toBeGreaterThan(0.15);
    expect(Math.abs(together(inMonths(59, 151)))).toBeLessThan(0.1);
    expect(correlation([...run.clearness], [...run.swingC])).toBeGreaterThan(0.9);
  });

  it('a year is the same however it is come by, and no two are', () => {
    const year = (number: number) => syntheticRun(steady(0.5), 45, 5, number);
    expect(year(3)).toEqual(year(3));
    expect(year(3).clearness).not.toEqual(year(4).clearness);
  });

  it('polar night has no sun, whatever the sky', () => {
    const { place } = blankJob('x').brief;
    const climate = climateOf({ ...place, latitudeDeg: 80 });
    expect(climate.clearness[11]).toBe(0);
    expect([...syntheticRun(climate, 80, 1, 0, 335, 30).clearness].every((k) => k === 0)).toBe(true);
    expect(spreadOf(0)(0.5)).toBe(0);
  });
});

describe('typical and imported days', () => {
  const { place } = blankJob('x').brief;
  const monthly = {
    ...place.monthly,
    dayTempC: Array.from({ length: 12 }, (_, m) => 10 + 2 * m),
    nightTempC: new Array(12).fill(0),
  };

  it('a typical year keeps each month’s mean sky and passes from one month’s warmth to the next', () => {
    const climate = climateOf({ ...place, monthly, sky: 'cloudy' });
    const run = typicalRun(climate, 0, 365);
    expect(new Set([...run.clearness].map((k) => k.toFixed(9)))).toEqual(new Set(['0.400000000']));
    // Middle of March: 14 by day, 0 by night.
    expect(run.meanC[31 + 28 + 15]).toBeCloseTo(7, 1);
    // Between April and May: half way between 8 and 9.
    expect(((run.meanC[119] as number) + (run.meanC[120] as number)) / 2).toBeCloseTo(8.5, 1);
    // The 25th of April: 24.5 of 30 days are 0.317 of the way on.
    expect(run.meanC[114]).toBeCloseTo(8 + 24.5 / 30 - 0.5, 6);
    expect(typicalRun(climate, 200, 3, 3).meanC).toEqual(new Float64Array(3).fill(7));
  });

  it('an imported year gives its own days, around again at its end', () => {
    const climate = climateOf(place);
    expect(importedRun(place, climate, 0, 5)).toBeNull();
    const days = {
      sunHours: Array.from({ length: 365 }, (_, i) => (i === 364 ? 1 : 2)),
      dayTempC: Array.from({ length: 365 }, (_, i) => (i === 0 ? 9 : 20)),
      nightTempC: new Array(365).fill(5),
    };
    const run = importedRun({ ...place, monthly: { ...place.monthly, days } }, climate, 364, 2);
    expect(run?.clearness[0]).toBeCloseTo(1 / (climate.aboveKwh[11] as number), 9);
    expect([...(run?.meanC ?? [])]).toEqual([12.5, 7]);
    expect([...(run?.swingC ?? [])]).toEqual([7.5, 2]);
  });
});
