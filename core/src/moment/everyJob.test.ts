import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../assess/assess.ts';
import { momentDetail } from '../choices/momentDetail.ts';
import type { Job, Load } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { FORMS } from '../job/values.ts';
import { APPLIANCES, loadFrom } from '../reference/appliances.ts';
import { MARGIN } from '../reference/sizes.ts';
import { aGenerator, aHookup, aJob, withSupplies, withSystem } from '../test/jobs.ts';

/** Jobs of catalogue loads on mains, with marks, supplies, kinds of inverter: what must hold for every one of them. */
const jobs = fc
  .record({
    picks: fc.array(
      fc.tuple(fc.nat({ max: APPLIANCES.length - 1 }), fc.constantFrom('inverter', 'supply-only', 'direct')),
      {
        minLength: 2,
        maxLength: 9,
      },
    ),
    pairs: fc.array(fc.tuple(fc.nat({ max: 8 }), fc.nat({ max: 8 })), { maxLength: 4 }),
    form: fc.constantFrom(...FORMS),
    lanes: fc.boolean(),
    two: fc.boolean(),
    amps: fc.integer({ min: 4, max: 50 }),
    chargerA: fc.integer({ min: 0, max: 80 }),
    ambientC: fc.option(fc.integer({ min: 20, max: 60 })),
    margin: fc.constantFrom(...(Object.keys(MARGIN) as Job['rules']['inverterMargin'][])),
  })
  .map(({ picks, pairs, form, lanes, two, amps, chargerA, ambientC, margin }): Job => {
    const loads = picks.map(([index, path], i): Load => {
      const appliance = APPLIANCES[index];
      if (!appliance) throw new Error('no such appliance');
      return { ...loadFrom(appliance, `l${i}`), path };
    });
    const job = aJob(loads, (j) => ({
      ...j,
      rules: { ...j.rules, coincide: lanes ? 'by-lanes' : 'any-time', twoMayStart: two, inverterMargin: margin },
    }));
    const ids = job.loads.map(({ id }) => id);
    const atMost = pairs
      .map(([a, b]) => [ids[a % ids.length] as string, ids[b % ids.length] as string])
      .filter(([a, b]) => a !== b)
      .map((group) => ({ loads: group, most: 1 }));
    return withSystem(
      withSupplies({ ...job, together: { atMost, always: [] } }, aHookup(amps, 230), aGenerator(2000)),
      {
        inverter: { form, ambientC },
        charger: { ratingA: chargerA, leastA: 5 },
      },
    );
  });

const peak = (job: Job) => {
  const { inverters, busPeak, supplies } = evaluate(job);
  const moment = inverters[0]?.moment;
  return {
    running: moment?.continuous.weight ?? 0,
    surge: moment?.surge.weight ?? 0,
    bus: busPeak.weight,
    supplies: supplies.map(({ worst }) => worst.weight),
  };
};
const atMost = (a: number, b: number) => expect(a).toBeLessThanOrEqual(b * (1 + 1e-9) + 1e-9);

describe('the worst moment of every job', () => {
  it('is a valid job’s, and all of its detail is finite', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        expect(validateJob(job)).toMatchObject({ ok: true });
        expect(JSON.stringify(momentDetail(job, 'a'))).not.toMatch(/null,"unit"|NaN|Infinity/);
      }),
      { numRuns: 60 },
    );
  });

  it('by the lanes is never above anything with anything', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const as = (coincide: Job['rules']['coincide']) => peak({ ...job, rules: { ...job.rules, coincide } });
        const lanes = as('by-lanes');
        const free = as('any-time');
        atMost(lanes.running, free.running);
        atMost(lanes.surge, free.surge);
        lanes.supplies.forEach((size, i) => {
          atMost(size, free.supplies[i] ?? 0);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('grows with no mark, and shrinks with no mark taken back', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const free = peak({ ...job, together: { atMost: [], always: [] } });
        const marked = peak(job);
        atMost(marked.running, free.running);
        atMost(marked.surge, free.surge);
        marked.supplies.forEach((size, i) => {
          atMost(size, free.supplies[i] ?? 0);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('asks for no less than what runs, and no more with soft starters that are as quick', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const [inverter] = evaluate(job).inverters;
        if (!inverter) return;
        atMost(inverter.moment.continuous.weight, inverter.need.requiredW);
        const soft = { ...job, loads: job.loads.map((load) => ({ ...load, softStart: true, startSeconds: 0.1 })) };
        atMost(peak(soft).surge, peak(job).surge);
      }),
      { numRuns: 60 },
    );
  });

  it('lists its heaviest set first, then lighter ones none of which is part of another', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const { inverters } = evaluate(job);
        for (const { deviceId, sets } of momentDetail(job, 'a').inverters) {
          const own = inverters.find(({ device }) => device.id === deviceId);
          expect(sets[0]?.weight ?? 0).toBeCloseTo(own?.moment.continuous.weight ?? 0, 6);
          sets.forEach((set, i) => {
            for (const lighter of sets.slice(i + 1)) {
              atMost(lighter.weight, set.weight);
              expect(lighter.ids.every((id) => set.ids.includes(id))).toBe(false);
            }
          });
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('the supplies of every job', () => {
  it('never charge beyond their limit, nor below the charger’s lowest setting', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        for (const { worst, chargingSize, limit, loads, fullSize } of evaluate(job).supplies) {
          if (chargingSize > 0) atMost(worst.weight + chargingSize, limit.runningSize);
          atMost(worst.weight + chargingSize, fullSize);
          const least = loads.find(({ leastSize }) => leastSize !== null)?.leastSize ?? 0;
          expect(chargingSize === 0 || chargingSize >= least - 1e-9).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('are never worse off with a larger breaker', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const larger = withSupplies(job, aHookup(64, 230));
        const clashes = (one: Job) => momentDetail(one, 'a').supplies[0]?.combinations.clashes.length ?? 0;
        const [small, large] = [job, larger].map((one) => evaluate(one).supplies[0]);
        if (!small || !large) return;
        expect(large.fits || !small.fits).toBe(true);
        atMost(small.chargingSize, large.chargingSize);
        if (clashes(job) === 0) expect(clashes(larger)).toBe(0);
      }),
      { numRuns: 60 },
    );
  });

  it('take nothing from a stand-alone inverter’s loads, and the same from all other kinds', () => {
    fc.assert(
      fc.property(jobs, (job) => {
        const worst = (form: (typeof FORMS)[number]) =>
          evaluate(withSystem(job, { inverter: { form } })).supplies.map((moment) => moment.worst.weight);
        const waiting = {
          ...job,
          loads: job.loads.map((load) => (load.path === 'inverter' ? { ...load, path: 'direct' as const } : load)),
        };
        expect(worst('stand-alone')).toEqual(evaluate(waiting).supplies.map((moment) => moment.worst.weight));
        expect(worst('assisting')).toEqual(worst('transfer'));
      }),
      { numRuns: 60 },
    );
  });
});
