import { describe, expect, it } from 'vitest';
import { emptyWarmth, warmthOf } from '../battery/warmth.ts';
import { settle } from '../settle/settle.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { runDays } from './run.ts';
import { setUpDays } from './setup.ts';
import type { WeatherRun } from './weather.ts';

/** Days of one temperature each, under a sky of a clearness. */
const daysOf = (meanC: number[], clearness = 0): WeatherRun => ({
  fromDay: 60,
  clearness: new Float64Array(meanC.length).fill(clearness),
  meanC: Float64Array.from(meanC),
  swingC: new Float64Array(meanC.length),
  hours: null,
});

const jobOf = (watts: number, store: object, arrayW = 0) =>
  withSystem(aJob([aLoad({ watts, hours: 24, uses: [{ startMin: 0, minutes: 1440 }] })]), {
    store: { chemistry: 'lfp', capacityAh: 100, coldestC: -30, ...store },
    array: { ratingW: arrayW },
    dcdc: { ratingA: 0 },
  });

describe('how warm a store is', () => {
  it('follows the air with a time constant of 6 h, through midnight too', () => {
    const run = runDays(setUpDays(settle(jobOf(1, {})), 15), daysOf([20, -10, 10]), { traced: true });
    const at = (step: number) => run.trace?.storeC[step] as number;
    expect(at(95)).toBeCloseTo(20, 5);
    // −10 + 30·e^(−t/6 h).
    for (const h of [0.25, 3, 6, 24]) expect(at(95 + h * 4)).toBeCloseTo(-10 + 30 * Math.exp(-h / 6), 4);
    const then = -10 + 30 * Math.exp(-4);
    for (const h of [0.25, 6]) expect(at(191 + h * 4)).toBeCloseTo(10 + (then - 10) * Math.exp(-h / 6), 4);
  });

  it('is looked at in a trace too where it never gets cold enough to matter', () => {
    const run = runDays(setUpDays(settle(jobOf(1, { coldestC: 5 })), 15), daysOf([20, -10]), { traced: true });
    expect(run.trace?.storeC[95 + 12]).toBeCloseTo(5 + 15 * Math.exp(-3 / 6), 4);
    expect(run.trace?.airC[95 + 12]).toBeCloseTo(-10, 5);
  });

  it('it is warmed where it stands at 0 °C, which may be charged and not yet safely', () => {
    const job = jobOf(5, { coldestC: 0, heaterW: 100 }, 300);
    const { books } = runDays(setUpDays(settle(job), 15), daysOf([-8, -8, -8], 0.6), { fromSoc: 0.5, month: 3 });
    expect(books.usefulWh).toBeGreaterThan(5 * 72 + 50);
  });

  it('from a step on, it goes on from what it was: what came before stands', () => {
    const warmth = emptyWarmth(4);
    const row = (value: number) => new Float64Array(4).fill(value);
    const around = { airC: row(0), sunW: row(0), drivingW: row(0), supplyW: row(50), busW: row(10), usefulW: row(10) };
    const battery = {
      coldestC: -20,
      minChargeC: 0,
      coldLossPerK: 0.01,
      coldFromC: 25,
      heaterW: 30,
      heatToC: 5,
      whPerK: 10,
    };
    warmthOf(warmth, around, battery, 1, 2, 10);
    const falls = Math.exp(-1 / 6);
    expect([...warmth.storeC.slice(0, 2)]).toEqual([0, 0]);
    expect(warmth.storeC[2]).toBeCloseTo(10 * falls, 9);
    expect(warmth.storeC[3]).toBeCloseTo(10 * falls ** 2, 9);
    // Cold enough an hour later: 30 W for an hour are 3 K.
    warmthOf(warmth, around, battery, 1, 3, 4);
    expect(warmth.storeC[3]).toBeCloseTo(4 * falls + 3, 9);
    expect(warmth.warmShare[3]).toBeCloseTo(1 - 0.01 * (25 - (4 * falls + 3)), 9);
    expect([...around.busW]).toEqual([10, 10, 10, 40]);
  });

  it('what its heater takes is used, not lost', () => {
    const job = jobOf(5, { coldestC: -8, heaterW: 100 }, 300);
    const { books } = runDays(setUpDays(settle(job), 15), daysOf([-8, -8, -8], 0.6), { fromSoc: 0.5, month: 3 });
    // 5 W for three days, all else is the heater's.
    expect(books.usefulWh).toBeGreaterThan(5 * 72 + 200);
    expect(books.conversionWh).toBeCloseTo(0, 6);
  });

  it('the lowest charge of a day is where it is lowest, not where it ends', () => {
    // 64 W all day; 300 W of panels charge through the middle of it.
    const run = runDays(setUpDays(settle(jobOf(64, { coldestC: 20 }, 300)), 15), daysOf([20], 0.6), {
      fromSoc: 0.6,
      month: 6,
      traced: true,
    });
    const byStep = Math.min(...(run.trace?.soc ?? []));
    const untraced = runDays(setUpDays(settle(jobOf(64, { coldestC: 20 }, 300)), 15), daysOf([20], 0.6), {
      fromSoc: 0.6,
      month: 6,
    });
    expect(byStep).toBeLessThan((untraced.endSoc[0] as number) - 0.1);
    expect(untraced.lowSoc[0]).toBeCloseTo(byStep, 6);
    expect(run.lowSoc[0]).toBeCloseTo(byStep, 6);
  });
});
