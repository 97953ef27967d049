import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { prepareDays, tripDetail } from '../choices/daysDetail.ts';
import { momentDetail } from '../choices/momentDetail.ts';
import { copperChoice, runsDetail } from '../choices/runsDetail.ts';
import { sourcesDetail } from '../choices/sourcesDetail.ts';
import { storeDetail } from '../choices/storeDetail.ts';
import { blankString } from '../job/blank.ts';
import type { Job } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { PARTS } from '../reference/parts.ts';
import { settle } from '../settle/settle.ts';
import { aGenerator, aHookup, aJob, aLoad, withSupplies, withSystem } from '../test/jobs.ts';
import { runDays } from './run.ts';
import { setUpDays } from './setup.ts';
import type { WeatherRun } from './weather.ts';

const ALL_DAY = [{ startMin: 0, minutes: 1440 }];

/** So many days of the same sun and air. */
const weather = (days: number, clearness: number, meanC: number): WeatherRun => ({
  fromDay: 0,
  clearness: new Float64Array(days).fill(clearness),
  meanC: new Float64Array(days).fill(meanC),
  swingC: new Float64Array(days),
  hours: null,
});

describe('the heater of a store', () => {
  // 100 Ah of LFP at −8 °C in weak sun on 30 W of panel: some watts at noon, which never warm it to 0 °C.
  const job = (heaterW: number) =>
    withSystem(aJob([aLoad({ watts: 20, uses: ALL_DAY, path: 'direct' })]), {
      store: { chemistry: 'lfp', capacityAh: 100, coldestC: -8, heaterW },
      array: { ratingW: 30 },
      dcdc: { ratingA: 0 },
    });
  const play = (heaterW: number) =>
    runDays(setUpDays(settle(job(heaterW)), 15), weather(2, 0.2, -8), { fromSoc: 0.2, month: 1 });

  it('takes of what charges and no more, however strong it is: an empty store gives nothing', () => {
    const { books, lockedH } = play(200);
    expect(books.sunOfferedWh).toBeGreaterThan(5);
    expect(books.outOfStoreWh).toBe(0);
    expect(books.intoStoreWh).toBe(0);
    // What the sun offers is what the heater gets: 20 W it never comes to.
    expect(books.usefulWh).toBeCloseTo(books.sunOfferedWh, 9);
    expect(books.sunWh).toBeCloseTo(books.sunOfferedWh, 9);
    expect(books.unservedWh).toBeCloseTo(2 * 24 * 20, 6);
    expect(lockedH).toBe(48);
  });

  it('that is weaker than the sun takes its watts and leaves the rest', () => {
    const { books } = play(0.1);
    expect(books.usefulWh).toBeGreaterThan(0);
    expect(books.usefulWh).toBeLessThan(books.sunOfferedWh / 2);
  });
});

it('a store that fills and empties in seconds ends its steps, and its books balance', () => {
  // 1 Ah that bears 500 A: 30 A come in all day, 800 W ask for twice that; it would switch on and off some hundred times.
  const string = { ...blankString('s', 's', 1), chargeA: 100, dischargeA: 500 };
  const job = withSystem(
    aJob([aLoad({ watts: 800, uses: ALL_DAY, path: 'direct' })], (blank) => ({
      ...blank,
      brief: { ...blank.brief, drives: ALL_DAY, alternator: { ...blank.brief.alternator, ratingA: 200 } },
    })),
    {
      store: { chemistry: 'lfp', strings: [string], reconnect: 0.01, coldestC: 20 },
      dcdc: { ratingA: 30 },
      array: { ratingW: 0 },
    },
  );
  expect(validateJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
  const { books, fromStoreWh } = runDays(setUpDays(settle(job), 15), weather(1, 0, 20), { fromSoc: 0.5, month: 1 });
  const income = books.sunWh + books.drivingWh + books.supplyWh;
  const used = books.usefulWh + books.conversionWh + books.idleWh + books.cableWh + books.storageWh;
  expect(income + fromStoreWh).toBeCloseTo(used, 6);
  expect(books.usefulWh + books.unservedWh).toBeCloseTo(24 * 800, 3);
  expect(books.usefulWh).toBeLessThan(24 * 30 * 14.2 + 13);
  expect(books.unservedWh).toBeGreaterThan(0);
});

/** Every number in it that is none, by its place; `allowed` may be without end. */
function notNumbers(value: unknown, path: string, allowed: RegExp): string[] {
  if (typeof value === 'number') return Number.isFinite(value) || allowed.test(path) ? [] : [`${path} ${value}`];
  if (value instanceof Float64Array || value instanceof Float32Array)
    return value.every((one) => Number.isFinite(one)) ? [] : [path];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, part]) => notNumbers(part, `${path}.${key}`, allowed));
}

describe('jobs at the ends of what may be typed', () => {
  const loads = fc.array(
    fc.record({
      watts: fc.constantFrom(0, 0.01, 5, 60, 1500, 9000),
      hours: fc.constantFrom(0.01, 1, 24),
      path: fc.constantFrom('direct', 'inverter', 'dc-dc', 'inverter-adapter', 'fuel'),
      startRatio: fc.constantFrom(1, 6),
      startSeconds: fc.constantFrom(null, 5),
      powerFactor: fc.constantFrom(0.3, 1),
      quantity: fc.constantFrom(1, 50),
      minV: fc.constantFrom(null, 11.5),
      critical: fc.boolean(),
      duty: fc.constantFrom(null, 0, 0.3, 1),
    }),
    { maxLength: 5 },
  );
  const system = fc.record({
    busVoltageV: fc.constantFrom(12 as const, 24 as const, 48 as const),
    store: fc.record({
      chemistry: fc.constantFrom('lfp' as const, 'agm' as const, 'flooded' as const, 'gel' as const),
      coldestC: fc.constantFrom(-30, -18, 0, 25),
      usableDepth: fc.constantFrom(null, 0.1, 1),
      heaterW: fc.constantFrom(null, 5, 200),
      capacityAh: fc.constantFrom(null, 1, 100, 5000),
    }),
    dcdc: fc.record({ ratingA: fc.constantFrom(null, 0, 60) }),
    array: fc.record({ ratingW: fc.constantFrom(null, 0, 3000) }),
    charger: fc.record({ ratingA: fc.constantFrom(1, 100) }),
  });
  const brief = fc.record({
    sunlessDays: fc.constantFrom(0, 1, 30),
    nightsOffGrid: fc.constantFrom(1, 30),
    payloadKg: fc.constantFrom(null, 0, 10),
    months: fc.constantFrom([6], [12], [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]),
    drives: fc.constantFrom([], ALL_DAY, [{ startMin: 480, minutes: 60 }]),
  });
  const place = fc.record({
    latitudeDeg: fc.constantFrom(-90, -41, 0, 78, 90),
    sky: fc.constantFrom('overcast' as const, 'very-clear' as const),
    dayTempC: fc.constantFrom(-40, 20, 60),
    nightTempC: fc.constantFrom(-50, 10, 50),
  });
  const ask = fc.record({
    month: fc.constantFrom(null, 1, 7),
    weather: fc.constantFrom('typical' as const, 'sunless' as const, { seed: 1, number: 1 }),
    ifs: fc.constantFrom([], ['heat-wave' as const, 'aged' as const], ['cold-snap' as const, 'guest' as const]),
    stepMin: fc.constantFrom(5, 15),
  });

  it('property: every step answers, and every number of it is one', () => {
    fc.assert(
      fc.property(loads, system, brief, place, fc.boolean(), ask, (some, parts, asked, where, plugged, asks) => {
        const made = some.map(({ duty, ...load }) =>
          aLoad({
            ...load,
            ...(duty === null
              ? {}
              : { draw: { kind: 'thermostatic', runningW: load.watts, duty, dutyAtC: 25, setC: 4 } }),
          } as Parameters<typeof aLoad>[0]),
        );
        const under = (job: Job): Job => {
          const { place: somewhere } = job.brief;
          return {
            ...job,
            brief: {
              ...job.brief,
              ...asked,
              drives: [...asked.drives],
              months: [...asked.months],
              place: { ...somewhere, ...where },
            },
          };
        };
        const open = withSystem(aJob(made, under), parts);
        const job = plugged ? withSupplies(open, aHookup(1, 230), aGenerator(5000)) : open;
        expect(validateJob(JSON.parse(JSON.stringify(job)))).toMatchObject({ ok: true });
        const answers = {
          figures: settle(job, 'a').ledger,
          store: storeDetail(job, 'a', PARTS),
          sources: sourcesDetail(job, 'a'),
          runs: runsDetail(job, 'a'),
          copper: copperChoice(job, 'a'),
          moment: momentDetail(job, 'a'),
          trip: tripDetail(prepareDays(job, 'a', asks)),
        };
        // A fuse that never opens holds for ever.
        expect(notNumbers(answers, '', /holdsSeconds$/)).toEqual([]);
      }),
      { numRuns: 40, seed: 7 },
    );
  });
});
