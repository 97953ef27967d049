import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../assess/assess.ts';
import type { Job } from '../job/schema.ts';
import { aJob, aLoad, apart } from '../test/jobs.ts';
import { busMoment } from './busMoment.ts';
import { Coincidence } from './coincidence.ts';
import { Effort } from './effort.ts';
import type { Slice } from './slices.ts';
import { Weighed } from './weighed.ts';

/** Up to nine loads, each on in some of up to eight moments, with groups of which only so many run. */
const days = fc
  .record({
    watts: fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 3, maxLength: 9 }),
    on: fc.array(fc.array(fc.boolean(), { minLength: 9, maxLength: 9 }), { minLength: 1, maxLength: 8 }),
    groups: fc.array(
      fc.tuple(fc.uniqueArray(fc.nat({ max: 8 }), { minLength: 2, maxLength: 5 }), fc.integer({ min: 1, max: 2 })),
      {
        maxLength: 6,
      },
    ),
  })
  .map(({ watts, on, groups }) => ({
    slices: on.map(
      (row, startMin): Slice => ({
        startMin,
        powerW: new Map(watts.flatMap((w, i) => (row[i] ? [[`load-${i}`, w] as const] : []))),
      }),
    ),
    atMost: groups
      .map(([members, most]) => ({ loads: members.filter((i) => i < watts.length).map((i) => `load-${i}`), most }))
      .filter(({ loads, most }) => loads.length > most),
    watts,
  }));

describe('the heaviest of a day’s moments', () => {
  it('is the heaviest of each moment by itself, though most are passed over', () => {
    fc.assert(
      fc.property(days, fc.nat({ max: 8 }), ({ slices, atMost }, pick) => {
        const rules = new Coincidence({ atMost, always: [] });
        const each = (running: readonly string[]) =>
          slices.flatMap(({ powerW }) =>
            running.every((id) => powerW.has(id)) ? (rules.heaviest(powerW, running)?.weight ?? []) : [],
          );
        const all = new Weighed(slices, rules, () => 1);
        expect(all.heaviest().weight).toBe(Math.max(0, ...each([])));
        const forced = [`load-${pick}`];
        expect(all.heaviest(forced).weight).toBe(Math.max(0, ...each(forced)));
      }),
      { numRuns: 300 },
    );
  });

  it('at the store is the heaviest of each moment by itself; cut short it is no less', () => {
    fc.assert(
      fc.property(days, ({ slices, atMost, watts }) => {
        const paths = ['inverter', 'direct', 'inverter-adapter'] as const;
        const job: Job = {
          ...aJob(watts.map((w, i) => aLoad({ watts: w, path: paths[i % 3] ?? 'direct' }))),
          together: { atMost, always: [] },
        };
        const { profiles, option, feeds } = evaluate(job);
        const rules = new Coincidence(job.together);
        const on = (some: readonly Slice[], coincidence = rules) =>
          busMoment(profiles, option.system.devices, feeds, some, coincidence);
        const exact = on(slices);
        expect(exact.weight).toBeCloseTo(Math.max(0, ...slices.map((slice) => on([slice]).weight)), 6);
        const cut = on(slices, rules.within(new Effort(3)));
        expect(cut.weight).toBeGreaterThanOrEqual(exact.weight - 1e-6);
        if (cut.isProved) expect(cut.weight).toBeCloseTo(exact.weight, 6);
      }),
      { numRuns: 200 },
    );
  });

  it('cut short counts what it could be, not what was found: 500 and 500 W beside 800 W that excludes both', () => {
    const job = apart(
      aJob([aLoad({ watts: 500 }), aLoad({ watts: 800 }), aLoad({ watts: 500 })]),
      ['load-0', 'load-1'],
      ['load-1', 'load-2'],
    );
    const { busPeak } = evaluate(job, undefined, new Effort(1));
    expect(busPeak).toMatchObject({ weight: 1000, isProved: false });
    expect(evaluate(job).busPeak).toMatchObject({ weight: 1000, isProved: true, ids: ['load-0', 'load-2'] });
  });
});
