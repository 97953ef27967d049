import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from './assess/assess.ts';
import { withDriveHours } from './job/day.ts';
import type { Job, Load } from './job/schema.ts';
import { CHEMISTRIES, PATHS } from './job/values.ts';
import { APPLIANCES, loadFrom } from './reference/appliances.ts';
import { settle } from './settle/settle.ts';
import { aJob, withSystem } from './test/jobs.ts';
import { stayOf, takenWh } from './test/stay.ts';

/** Jobs of catalogue loads on any path, store and policy: what must hold for every one of them. */
const jobs = fc
  .record({
    picks: fc.array(
      fc.tuple(fc.nat({ max: APPLIANCES.length - 1 }), fc.constantFrom(...PATHS), fc.integer({ min: 1, max: 3 })),
      {
        minLength: 1,
        maxLength: 10,
      },
    ),
    chemistry: fc.constantFrom(...CHEMISTRIES),
    capacityAh: fc.option(fc.integer({ min: 20, max: 600 })),
    arrayW: fc.option(fc.integer({ min: 0, max: 1200 })),
    always: fc.boolean(),
    busVoltageV: fc.constantFrom(12 as const, 24 as const),
    nights: fc.integer({ min: 1, max: 5 }),
    drive: fc.integer({ min: 0, max: 5 }),
  })
  .map(({ picks, chemistry, capacityAh, arrayW, always, busVoltageV, nights, drive }): Job => {
    const loads = picks.map(([index, path, quantity]): Load => {
      const appliance = APPLIANCES[index];
      if (!appliance) throw new Error('no such appliance');
      return { ...loadFrom(appliance, appliance.id), path, quantity };
    });
    const job = aJob(loads, (j) => ({
      ...j,
      brief: { ...j.brief, nightsOffGrid: nights, drives: withDriveHours([], drive) },
    }));
    return withSystem(job, {
      busVoltageV,
      store: { chemistry, capacityAh },
      array: { ratingW: arrayW },
      inverter: { policy: always ? 'always' : 'with-loads' },
    });
  });

const need = (job: Job): number => assess(job).figures['demand.battery'].value;
const near = (a: number, b: number) =>
  expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(a), Math.abs(b)));

describe('every job', () => {
  it('comes to the same whatever the order of its loads', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        near(need(job), need({ ...job, loads: [...job.loads].reverse() }));
      }),
    );
  });

  it('is unharmed by being assessed: the same job gives the same again, and is not changed', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const before = JSON.stringify(job);
        const first = JSON.stringify(assess(job));
        expect(JSON.stringify(assess(structuredClone(job)))).toBe(first);
        expect(JSON.stringify(job)).toBe(before);
      }),
    );
  });

  it('needs no less with one more load on the bus', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const [first] = job.loads;
        if (!first) return;
        const more = { ...job, loads: [...job.loads, { ...first, id: 'one-more', path: 'direct' as const }] };
        expect(need(more)).toBeGreaterThanOrEqual(need(job) - 1e-9);
      }),
    );
  });

  it('loses nothing to converters when all is wired straight to the bus', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const direct = { ...job, loads: job.loads.map((load) => ({ ...load, path: 'direct' as const })) };
        const { figures } = assess(direct);
        expect([
          figures['loss.conversion'].value,
          figures['loss.idle'].value,
          figures['inverter.rating'].value,
        ]).toEqual([0, 0, 0]);
      }),
    );
  });

  it('has a day’s least, its need and its most in that order', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const { figures } = assess(job);
        expect(figures['demand.low'].value).toBeLessThanOrEqual(figures['demand.battery'].value + 1e-9);
        expect(figures['demand.battery'].value).toBeLessThanOrEqual(figures['demand.high'].value + 1e-9);
      }),
    );
  });

  it('has a worst moment that is no more than the sum of its loads and no less than the largest', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const { figures } = assess(job);
        const peak = figures['peak.continuous'].value;
        const alone = job.loads.map((load) => assess({ ...job, loads: [load] }).figures['peak.continuous'].value);
        expect(peak).toBeGreaterThanOrEqual(Math.max(0, ...alone) - 1e-9);
        near(
          peak,
          alone.reduce((sum, watts) => sum + watts, 0),
        );
        expect(figures['peak.surge'].value).toBeGreaterThanOrEqual(peak - 1e-9);
        expect(figures['peak.apparent'].value).toBeGreaterThanOrEqual(peak - 1e-9);
      }),
      { numRuns: 50 },
    );
  });
});

describe('every simulated stay', () => {
  it('keeps its charge between reserve and full, balances its books, and serves what it does not miss', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const stay = stayOf(job);
        const { figures } = assess(job);
        for (const day of [stay.first, stay.last]) {
          const { soc, books, lowestSoc, unservedFromMin } = day;
          expect(Math.max(...soc)).toBeLessThanOrEqual(1 + 1e-9);
          // What cools holds less: it may come below its reserve with nothing drawn.
          const shares = settle(job).heater.warmShare;
          const cools = Math.max(...shares) - Math.min(...shares);
          expect(Math.min(...soc)).toBeGreaterThanOrEqual(stay.floorSoc - cools / Math.min(...shares) - 1e-9);
          near(lowestSoc, Math.min(...soc));
          near(books.usefulWh + books.unservedWh, figures['demand.bus'].value);
          // To a millionth of what a large store holds: its change is a small difference of large numbers.
          const income = books.sunWh + books.drivingWh + books.supplyWh;
          const off = income - books.usefulWh - books.storageWh - (day.endWh - day.startWh);
          expect(Math.abs(off)).toBeLessThanOrEqual(1e-6 * Math.max(1, books.usefulWh + income));
          expect(unservedFromMin === null).toBe(books.unservedWh < 1e-6);
          const _solarWh = takenWh(stay, day, 'sun');
          near(books.sunOfferedWh, figures['sun.yield'].value);
        }
        // What draws nothing asks for no store.
        const stored = assess(job).figures['store.capacity'].value > 0;
        expect(stay.first.soc[0]).toBeCloseTo(stored ? 1 : 0, 12);
      }),
      { numRuns: 60 },
    );
  });

  it('ends a day no fuller for a smaller array', () => {
    fc.assert(
      fc.property(jobs, fc.integer({ min: 0, max: 500 }), (job, watts) => {
        const end = (ratingW: number) => stayOf(withSystem(job, { array: { ratingW } })).first.soc[1440] ?? 0;
        expect(end(watts)).toBeLessThanOrEqual(end(watts + 200) + 1e-9);
      }),
      { numRuns: 40 },
    );
  });
});
