import { describe, expect, it } from 'vitest';
import { noBooks } from '../battery/books.ts';
import type { Job } from '../job/schema.ts';
import { settle } from '../settle/settle.ts';
import { spreadOf } from '../sun/spread.ts';
import { aGenerator, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { generatorW } from './answers.ts';
import { normalShare } from './normal.ts';
import { joinSamples, oddsOf, sampleYears, wilson, type YearsSample } from './odds.ts';
import { runDays } from './run.ts';
import { setUpDays } from './setup.ts';
import { syntheticRun } from './weather.ts';

describe('a share of years and its interval', () => {
  // Worked examples of the Wilson interval at 95 %.
  it.each([
    [0, 10, 0, 0.2775],
    [5, 10, 0.2366, 0.7634],
    [10, 10, 0.7225, 1],
    [1, 29, 0.0061, 0.1718],
    [81, 263, 0.2553, 0.3662],
  ])('%d of %d', (count, n, low, high) => {
    const share = wilson(count, n);
    expect([share.value, share.low, share.high]).toEqual([count / n, expect.closeTo(low, 3), expect.closeTo(high, 3)]);
  });

  it('of no years it says nothing', () => expect(wilson(0, 0)).toEqual({ value: 0, low: 0, high: 1 }));
});

/** A sample as it would come of two loads: year after year of short days, by day of the year. */
function sampleOf(short: readonly (readonly number[])[]): YearsSample {
  const years = short.length;
  const shortWh = new Float32Array(years * 365);
  const lowSoc = new Float32Array(years * 365).fill(0.5);
  for (const [y, days] of short.entries()) {
    for (const day of days) shortWh[y * 365 + day] = 10;
    lowSoc[y * 365] = y / 10;
  }
  const unservedWh = Float64Array.from({ length: years * 2 }, (_, i) => (i % 2 === 0 ? 20 : 5));
  const books = { ...noBooks(), unservedWh: 25 * years, usefulWh: 800, conversionWh: 150, idleWh: 50 };
  return { years, lowSoc, shortWh, unservedWh, books, fromStoreWh: 0 };
}

const loadNames = [
  { id: 'lamp', name: 'Lamp', critical: false },
  { id: 'fridge', name: 'Fridge', critical: true },
];

describe('odds, counted by hand', () => {
  // Eleven years: in four one short day in January, in one of these two more in July.
  const short = [[3], [4], [], [5, 190, 191], [], [30], [], [], [], [], []];
  const odds = oddsOf(sampleOf(short), { loadNames }, 1, 100, [1, 2]);

  it('years with any short day, by month, and days of a year', () => {
    expect([odds.allYear, odds.inUse].map(({ anyShort }) => anyShort.value)).toEqual([4 / 11, 4 / 11]);
    expect(odds.inUse.shortDays.value).toBeCloseTo(4 / 11, 9);
    expect(odds.months[0]?.anyShort.value).toBeCloseTo(4 / 11, 9);
    expect(odds.months[6]).toMatchObject({ anyShort: { value: 1 / 11 }, shortDays: 2 / 11 });
    expect(odds.months[1]?.anyShort).toEqual({ value: 0, low: 0, high: wilson(0, 11).high });
    expect(odds.allYear.shortDays.value).toBeCloseTo(6 / 11, 9);
    // Variance of 0 × 7, 1 × 3, 3: (3 + 9 − 36/11)/10.
    const half = 1.959964 * Math.sqrt((12 - 36 / 11) / 10 / 11);
    expect(odds.allYear.shortDays.high).toBeCloseTo(6 / 11 + half, 6);
    expect([odds.allYear.shortDays.p10, odds.allYear.shortDays.p90]).toEqual([0, 1]);
  });

  it('state of charge that one year in ten is below and above', () => {
    expect([odds.lowSoc.p10[0], odds.lowSoc.p50[0], odds.lowSoc.p90[0]]).toEqual([
      expect.closeTo(0.1, 6),
      expect.closeTo(0.5, 6),
      expect.closeTo(0.9, 6),
    ]);
    expect(odds.lowSoc.p10[100]).toBe(0.5);
  });

  it('critical loads first, a year’s worth of each, and the generator’s hours', () => {
    expect(odds.loads.map(({ id, whPerYear }) => [id, whPerYear])).toEqual([
      ['fridge', 5],
      ['lamp', 20],
    ]);
    // 25 Wh a year at the appliances are 31.25 at the bus.
    expect(odds.generatorH).toBeCloseTo(0.3125, 9);
    expect(oddsOf(sampleOf(short), { loadNames }, 1, null, [1, 2]).generatorH).toBeNull();
  });

  it('parts joined are the whole', () => {
    const joined = joinSamples([sampleOf(short.slice(0, 4)), sampleOf(short.slice(4))]);
    expect(joined.years).toBe(11);
    expect([...joined.shortWh]).toEqual([...sampleOf(short).shortWh]);
    expect(joined.unservedWh).toEqual(sampleOf(short).unservedWh);
    expect(joined.books.unservedWh).toBe(275);
  });

  it('nothing sampled says nothing', () => {
    const none = oddsOf(joinSamples([]), { loadNames }, 1, 100, [1, 2]);
    expect(none).toMatchObject({ years: 0, unservedWh: 0, loads: [], generatorH: 0 });
    expect(Object.values(none.allYear.shortDays).every(Number.isFinite)).toBe(true);
  });
});

const parked = { kind: 'parked', drives: [], supply: null } as const;
const noon: Job['loads'][number]['uses'] = [{ startMin: 720, minutes: 15 }];
const alone = (job: Job) => withSystem(job, { dcdc: { ratingA: 0 } });
const LFP = { chemistry: 'lfp', roundTripEfficiency: 1, usableDepth: 0.8, coldestC: 20 } as const;

describe('the probability of a short day', () => {
  it('with hardly any store it is that of a sky too dull for the load, by the distribution itself', () => {
    // 60 W at noon from 100 W of panel: as clear as it must be is found by playing one day after another.
    const job = alone(
      withSystem(
        aJob([aLoad({ watts: 60, uses: noon })], (one) => ({
          ...one,
          rules: { ...one.rules, arrayFactor: 0.8 },
          brief: { ...one.brief, place: { ...one.brief.place, latitudeDeg: 0, sky: 'mixed' } },
        })),
        { store: { ...LFP, capacityAh: 0.5 }, array: { ratingW: 100 } },
      ),
    );
    const setup = setUpDays(settle(job), 15, 'now', [parked]);
    const isShort = (clearness: number, month: number) => {
      const weather = {
        fromDay: 0,
        clearness: Float64Array.of(clearness),
        meanC: Float64Array.of(20),
        swingC: Float64Array.of(0),
        hours: null,
      };
      return runDays(setup, weather, { fromSoc: 0.2, month }).books.unservedWh > 0.01;
    };
    let expected = 0;
    for (let month = 1; month <= 12; month++) {
      let [low, high] = [0, 0.9];
      for (let i = 0; i < 40; i++) {
        const middle = (low + high) / 2;
        if (isShort(middle, month)) low = middle;
        else high = middle;
      }
      const spread = spreadOf(0.5);
      let [below, above] = [0, 1];
      for (let i = 0; i < 40; i++) {
        const middle = (below + above) / 2;
        if (spread(middle) < low) below = middle;
        else above = middle;
      }
      expected += below / 12;
    }
    expect(expected).toBeGreaterThan(0.1);
    expect(expected).toBeLessThan(0.9);
    const years = 60;
    const sample = sampleYears(setup, 3, 0, years);
    const odds = oddsOf(sample, setup, 3, null, [1]);
    // A store so small is filled by any clear morning: only days that begin empty count as in the bisection.
    const share = odds.allYear.shortDays.value / 365;
    expect(Math.abs(share - expected)).toBeLessThan(0.02);
  });

  it('of three days with a store between them, by going through all that may come', () => {
    // Bins of equal probability, each day’s given the one before by the copula.
    const bins = 12;
    const lag = 0.29;
    const job = alone(
      withSystem(aJob([aLoad({ watts: 45, uses: [{ startMin: 0, minutes: 1440 }] })]), {
        store: { ...LFP, capacityAh: 60 },
        array: { ratingW: 300 },
      }),
    );
    const setup = setUpDays(settle(job), 15, 'now', [parked]);
    const spread = spreadOf(0.5);
    const weather = (clearness: number[]) => ({
      fromDay: 150,
      clearness: Float64Array.from(clearness),
      meanC: new Float64Array(clearness.length).fill(20),
      swingC: new Float64Array(clearness.length),
      hours: null,
    });
    const isShort = (clearness: number[]) =>
      runDays(setup, weather(clearness), { fromSoc: 0.6 }).books.unservedWh > 0.01;
    const edges = Array.from({ length: bins + 1 }, (_, i) => i / bins);
    const scoreAt = (share: number) => {
      let [low, high] = [-7, 7];
      for (let i = 0; i < 60; i++) {
        const middle = (low + high) / 2;
        if (normalShare(middle) < share) low = middle;
        else high = middle;
      }
      return low;
    };
    const middles = Array.from({ length: bins }, (_, i) => (i + 0.5) / bins);
    const scores = middles.map(scoreAt);
    const limits = edges.map((share) => (share === 0 ? -9 : share === 1 ? 9 : scoreAt(share)));
    const toBin = (from: number, to: number) => {
      const z = (limit: number) => (limit - lag * (scores[from] as number)) / Math.sqrt(1 - lag ** 2);
      return normalShare(z(limits[to + 1] as number)) - normalShare(z(limits[to] as number));
    };
    let expected = 0;
    for (let a = 0; a < bins; a++)
      for (let b = 0; b < bins; b++)
        for (let c = 0; c < bins; c++)
          if (isShort([a, b, c].map((bin) => spread(middles[bin] as number))))
            expected += (1 / bins) * toBin(a, b) * toBin(b, c);
    // The same three days out of the days that the program makes up.
    let short = 0;
    const trips = 1500;
    const { climate, latitudeDeg } = setup;
    const even = { ...climate, clearness: new Array(12).fill(0.5) };
    for (let i = 0; i < trips; i++) {
      const { clearness } = syntheticRun(even, latitudeDeg, 9, i, 150, 3);
      if (isShort([...clearness])) short++;
    }
    const share = wilson(short, trips);
    expect(expected).toBeGreaterThan(0.1);
    expect(expected).toBeLessThan(0.9);
    // The bins are coarse: a point and a half on top of what chance leaves open.
    expect(share.low - 0.015).toBeLessThan(expected);
    expect(share.high + 0.015).toBeGreaterThan(expected);
  });
});

describe('years as they are played', () => {
  const job = (months: number[]): Job => {
    const made = alone(
      withSystem(aJob([aLoad({ watts: 60, uses: [{ startMin: 0, minutes: 1440 }] })]), {
        store: { ...LFP, capacityAh: 20 },
        array: { ratingW: 0 },
      }),
    );
    return { ...made, brief: { ...made.brief, months } };
  };
  const home = { kind: 'home', drives: [], supply: null } as const;

  it('begin in another place of the plan each, so that no day of the year is always the same day of the trip', () => {
    const setup = setUpDays(settle(job([6])), 60, 'now', [parked, home]);
    const { shortWh } = sampleYears(setup, 1, 0, 2);
    // At home only until the store has come back.
    const isShort = (year: number, day: number) => (shortWh[year * 365 + day] as number) > 200;
    for (const day of [0, 10, 100]) expect(isShort(0, day)).not.toBe(isShort(1, day));
    expect(isShort(0, 10)).not.toBe(isShort(0, 11));
  });

  it('what loads go without is counted in the months of use, short days in all', () => {
    const setup = setUpDays(settle(job([6])), 60, 'now', [parked]);
    const { shortWh, unservedWh } = sampleYears(setup, 1, 0, 1);
    const inJune = shortWh.slice(151, 181).reduce((sum, wh) => sum + wh, 0);
    expect(unservedWh[0]).toBeCloseTo(inJune, 0);
    expect(shortWh.reduce((sum, wh) => sum + wh, 0)).toBeGreaterThan(11 * inJune);
  });
});

describe('what a generator brings', () => {
  const with500W = (ratingA: number, ratedW: number, capacityAh = 400) =>
    generatorW(
      settle(
        withSupplies(
          withSystem(aJob([aLoad()]), {
            store: { chemistry: 'lfp', capacityAh },
            charger: { ratingA, leastA: 0, efficiency: 1, powerFactor: 1 },
          }),
          aGenerator(ratedW),
        ),
      ),
    );

  it('is what its chargers give, as far as it can feed them; without a charger its own watts', () => {
    expect(with500W(20, 2000)).toBeCloseTo(284, 9);
    expect(with500W(100, 710)).toBeCloseTo(710, 9);
    expect(with500W(0, 1500)).toBe(1500);
    // 40 Ah of LFP take 20 A × 14.2 V.
    expect(with500W(100, 2000, 40)).toBeCloseTo(284, 9);
    expect(generatorW(settle(aJob([aLoad()])))).toBeNull();
  });
});
