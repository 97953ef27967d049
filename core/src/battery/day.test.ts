import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayIncome, takenOf } from '../sources/dayIncome.ts';
import type { Source } from '../sources/source.ts';
import { isWorthAWord, simulateDay, traceDay } from './day.ts';

const DAY_MIN = 1440;
const flat = (w: number) => new Float64Array(DAY_MIN).fill(w);
const source = (id: string, kind: Source['kind'], watts: Float64Array): Source =>
  ({ id, kind, name: id, priority: 0, watts, clippedWh: 0 }) as unknown as Source;

/** 1,000 Wh that lose nothing on the way, down to 100 Wh. */
const store = {
  model: {
    fullWh: 1000,
    chargeLimitW: 400,
    selfWhPerDay: 0,
    dischargeLimitW: 300,
    taperFromSoc: 1,
    inBySun: 1,
    inByAmps: 1,
    out: 1,
  },
  warm: { warmShare: flat(1), locked: new Uint8Array(DAY_MIN) },
  floorSoc: 0.1,
};

describe('a day at the store’s terminals', () => {
  it.each([
    // A full store: what the loads take is the sun's, then the alternator's; what is over is spilled.
    [100, 2400, 0, 1200],
    [200, 3600, 1200, 0],
    [230, 3600, 1920, 0],
  ])('draws on the earlier source first: %d W of loads', (loadW, sunWh, drivingWh, spilledWh) => {
    const sources = [source('sun', 'sun', flat(150)), source('alternator', 'driving', flat(80))];
    const { books, endWh, spareW } = simulateDay(store, 1000, flat(loadW), dayIncome(sources));
    expect(takenOf(sources, spareW)).toEqual([expect.closeTo(sunWh, 6), expect.closeTo(drivingWh, 6)]);
    expect([books.sunWh, books.drivingWh]).toEqual([expect.closeTo(sunWh, 6), expect.closeTo(drivingWh, 6)]);
    expect(books.sunOfferedWh - books.sunWh).toBeCloseTo(spilledWh, 6);
    expect(books.usefulWh).toBeCloseTo(loadW * 24, 6);
    expect(endWh).toBeCloseTo(1000, 6);
  });

  it('is empty when nothing comes: 900 Wh at 60 W are 15 h', () => {
    const { books, unservedFromMin, endWh } = simulateDay(store, 1000, flat(60), dayIncome([]));
    expect(unservedFromMin).toBe(15 * 60);
    expect(books.unservedWh).toBeCloseTo(9 * 60, 6);
    expect(endWh).toBeCloseTo(100, 6);
  });

  /** Watts in the first hour of the day only. */
  const firstHour = (w: number) => flat(0).map((_, m) => (m < 60 ? w : 0));
  const large = { ...store, model: { ...store.model, fullWh: 100_000 } };

  it('charges with what comes up to the limit: by the sun and by amps with the losses of each', () => {
    const lossy = { ...large, model: { ...large.model, inBySun: 0.97, inByAmps: 0.9 } };
    const after = (kind: Source['kind'], w: number) =>
      simulateDay(lossy, 1000, flat(0), dayIncome([source('it', kind, firstHour(w))])).endWh;
    expect(after('sun', 200)).toBeCloseTo(1000 + 200 * 0.97, 6);
    expect(after('driving', 200)).toBeCloseTo(1000 + 200 * 0.9, 6);
    // 400 W of 700.
    expect(after('sun', 700)).toBeCloseTo(1000 + 400 * 0.97, 6);
  });

  it('gives no more than the store may give at a time', () => {
    const { books, endWh } = simulateDay(large, 50_000, firstHour(500), dayIncome([]));
    expect([books.usefulWh, books.unservedWh]).toEqual([expect.closeTo(300, 6), expect.closeTo(200, 6)]);
    expect(endWh).toBeCloseTo(49_700, 6);
  });

  it('tapers above its level: exponentially from the limit to 2 % of it', () => {
    const tapering = { ...store, model: { ...store.model, chargeLimitW: 100, taperFromSoc: 0.8 } };
    const { endWh } = simulateDay(tapering, 800, flat(0), dayIncome([source('it', 'sun', firstHour(100))]));
    // From 800 Wh on: span ÷ ln 50 × ln(1 + ln 50 × 100 Wh ÷ span), with a span of 200 Wh.
    expect(endWh).toBeCloseTo(800 + (200 / Math.log(50)) * Math.log(1 + (Math.log(50) * 100) / 200), 6);
  });

  it('is traced minute by minute in shares of what it holds', () => {
    const { soc, lowestSoc } = traceDay(store, 1000, firstHour(300), dayIncome([]));
    expect([soc[0], soc[30], soc[60], soc[1440]]).toEqual([
      1,
      expect.closeTo(0.85, 9),
      expect.closeTo(0.7, 9),
      expect.closeTo(0.7, 9),
    ]);
    expect(lowestSoc).toBeCloseTo(0.7, 9);
  });

  it('goes short of what is worth a word from an hour’s worth of it on', () => {
    // 24 W all day are 576 Wh, 24 of them an hour.
    expect([0, 23.9, 24.1].map((wh) => isWorthAWord(wh, 24 * 24))).toEqual([false, false, true]);
    expect(isWorthAWord(0, 0)).toBe(false);
  });

  it('comes to what a plain loop over its minutes comes to', () => {
    const runs = fc.array(
      fc.record({
        fromMin: fc.integer({ min: 0, max: DAY_MIN - 1 }),
        minutes: fc.integer({ min: 1, max: 400 }),
        watts: fc.double({ min: 0.01, max: 250, noNaN: true }),
      }),
      { maxLength: 5 },
    );
    const wattsOf = (parts: readonly { fromMin: number; minutes: number; watts: number }[]) =>
      flat(0).map((_, m) =>
        parts.reduce(
          (sum, { fromMin, minutes, watts }) => sum + (m >= fromMin && m < fromMin + minutes ? watts : 0),
          0,
        ),
      );
    let short = 0;
    fc.assert(
      fc.property(
        fc.record({ asked: runs, sun: runs, driving: runs, startWh: fc.double({ min: 100, max: 1000, noNaN: true }) }),
        ({ asked, sun, driving, startWh }) => {
          const income = dayIncome([source('sun', 'sun', wattsOf(sun)), source('it', 'driving', wattsOf(driving))]);
          const lossy = {
            ...store,
            model: { ...store.model, inBySun: 0.95, inByAmps: 0.9, out: 0.96, dischargeLimitW: 900 },
          };
          const busW = wattsOf(asked);
          const day = traceDay(lossy, startWh, busW, income);
          // By hand: what is over charges, the sun better than amps; what is missing is taken, as far as there is any.
          let [wh, served, unserved, taken, offered] = [startWh, 0, 0, 0, 0];
          let first: number | null = null;
          let off = 0;
          for (let m = 0; m < DAY_MIN; m++) {
            const [need, bySun, byAmps] = [busW[m] as number, income.sunW[m] as number, income.otherW[m] as number];
            const over = bySun + byAmps - need;
            offered += (bySun + byAmps) / 60;
            if (over > 0) {
              const sunOver = Math.max(0, bySun - need);
              const each = (sunOver * 0.95 + (over - sunOver) * 0.9) / over;
              const into = Math.min(Math.min(over, 400) / 60, (1000 - wh) / each);
              wh += into * each;
              served += need / 60;
              taken += need / 60 + into;
            } else {
              const out = Math.min(Math.min(-over, 900) / 60, Math.max(0, wh - 100) * 0.96);
              wh -= out / 0.96;
              served += need / 60 + over / 60 + out;
              unserved += -over / 60 - out;
              taken += (bySun + byAmps) / 60;
              if (-over / 60 - out > 1e-9) first ??= m;
            }
            off = Math.max(off, Math.abs((day.soc[m + 1] as number) - wh / 1000));
          }
          expect(off).toBeLessThan(1e-9);
          if (first !== null) short++;
          expect(day.unservedFromMin).toBe(first);
          const { books, spareW } = day;
          const spareWh = spareW.reduce((sum, w) => sum + w, 0) / 60;
          const all = [books.usefulWh, books.unservedWh, books.sunWh + books.drivingWh + books.supplyWh, spareWh];
          expect(all).toEqual([served, unserved, taken, offered - taken].map((value) => expect.closeTo(value, 6)));
        },
      ),
      { numRuns: 300 },
    );
    expect(short).toBeGreaterThan(30);
  });
});
