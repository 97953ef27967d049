import fc from 'fast-check';
import highs from 'highs';
import { describe, expect, it } from 'vitest';
import { assess, evaluate } from '../assess/assess.ts';
import type { Job } from '../job/schema.ts';
import { Coincidence } from '../moment/coincidence.ts';
import { combinationsWithin } from '../moment/combinations.ts';
import { aHookup, aJob, aLoad, apart, withSupplies, withSystem } from '../test/jobs.ts';
import { momentDetail } from './momentDetail.ts';

const solver = await highs();
const ac = (id: string, watts: number, hours = 1) => aLoad({ id, watts, hours, path: 'inverter' });
const inverterOf = (job: Job) => momentDetail(job, 'a').inverters[0];

describe('the largest set that fits a supply', () => {
  it('is as large as a mixed-integer solver finds, on random loads with pairs that never meet', () => {
    const instance = fc.record({
      sizes: fc.array(fc.integer({ min: 100, max: 2500 }), { minLength: 2, maxLength: 12 }),
      pairs: fc.array(fc.tuple(fc.nat({ max: 11 }), fc.nat({ max: 11 })), { maxLength: 8 }),
      limit: fc.integer({ min: 2500, max: 6000 }),
    });
    fc.assert(
      fc.property(instance, ({ sizes, pairs, limit }) => {
        const loads = sizes.map((size, i) => ({ id: `l${i}`, size, startExtra: 0 }));
        const apartPairs = pairs.filter(([a, b]) => a !== b && a < sizes.length && b < sizes.length);
        const together = { atMost: apartPairs.map(([a, b]) => ({ loads: [`l${a}`, `l${b}`], most: 1 })), always: [] };
        const limits = { running: limit, alone: limit, starting: limit };
        const found = combinationsWithin(loads, limits, new Coincidence(together), together);
        // The small ones count as always on, whatever is marked: they are not the solver's to leave out.
        if (together.atMost.some(({ loads: pair }) => pair.some((id) => found.base.includes(id)))) return;
        const rows = [
          `${sizes.map((size, i) => `${size} l${i}`).join(' + ')} <= ${limit}`,
          ...apartPairs.map(([a, b]) => `l${a} + l${b} <= 1`),
          ...found.base.map((id) => `${id} = 1`),
        ];
        const text = [
          'Maximize',
          ` obj: ${sizes.map((size, i) => `${size} l${i}`).join(' + ')}`,
          'Subject To',
          ...rows.map((row, i) => ` c${i}: ${row}`),
          'Binary',
          ` ${loads.map(({ id }) => id).join(' ')}`,
          'End',
        ].join('\n');
        const solved = solver.solve(text, { mip_rel_gap: 0, threads: 1, random_seed: 1 });
        if (solved.Status !== 'Optimal') return;
        expect(found.together[0]?.size ?? found.baseSize).toBe(Math.round(solved.ObjectiveValue));
      }),
      { numRuns: 150 },
    );
  });

  it('is told as nothing when the small ones alone are too much', () => {
    const loads = Array.from({ length: 30 }, (_, i) => ({ id: `l${i}`, size: 38, startExtra: 0 }));
    const none = { atMost: [], always: [] };
    const limits = { running: 1000, alone: 1000, starting: 1000 };
    const found = combinationsWithin(loads, limits, new Coincidence(none), none);
    expect(found.together).toEqual([]);
    expect(found.clashes).toHaveLength(1);
    expect(found.clashes[0]).toHaveLength(30);
  });

  it('gets no help for what does not hang on the inverter', () => {
    const loads = [
      { id: 'heater', size: 3000, startExtra: 0, isHelped: false },
      { id: 'kettle', size: 2000, startExtra: 0, isHelped: true },
    ];
    const none = { atMost: [], always: [] };
    const limits = { running: 5300, alone: 2300, starting: 9000 };
    const found = combinationsWithin(loads, limits, new Coincidence(none), none);
    expect(found.clashes).toEqual([['heater']]);
    expect(found.together).toEqual([{ ids: ['kettle'], size: 2000 }]);
  });
});

describe('the table of sizes', () => {
  const job = (policy: 'always' | 'with-loads') =>
    withSystem(aJob([ac('kettle', 1500, 0.2), ac('desk', 60, 5), ac('lamp', 20, 3)]), { inverter: { policy } });

  it.each(['always', 'with-loads'] as const)('%s: each row is what the job comes to with that size', (policy) => {
    for (const { ratingW, idleWh, conversionWh, busWh } of inverterOf(job(policy))?.sizes ?? []) {
      const { figures } = assess(withSystem(job(policy), { inverter: { ratingW } }));
      expect(idleWh).toBeCloseTo(figures['loss.idle'].value, 6);
      expect(conversionWh).toBeCloseTo(figures['loss.conversion'].value, 6);
      expect(busWh).toBeCloseTo(figures['demand.bus'].value, 6);
    }
  });

  it('does not take over what was measured on the unit that is fitted', () => {
    const measured = withSystem(job('always'), { inverter: { ratingW: 2000, idleW: 40, surgeW: 2500 } });
    const sizes = inverterOf(measured)?.sizes ?? [];
    expect(sizes.find(({ ratingW }) => ratingW === 2000)?.idleWh).toBeCloseTo(960, 6);
    expect(sizes.find(({ ratingW }) => ratingW === 2500)?.idleWh).toBeCloseTo(600, 6);
  });

  it('judges the fitted size by its own surge, the others by the usual one', () => {
    // 300 W × 5 start at 1,500 W: 800 W usually hold 1,600 W, this unit of 800 W only 1,400 W.
    const motor = aJob([aLoad({ watts: 300, path: 'inverter', startRatio: 5 })]);
    const fails = (surgeW: number | null) =>
      inverterOf(withSystem(motor, { inverter: { ratingW: 800, surgeW } }))?.sizes.find(
        ({ ratingW }) => ratingW === 800,
      )?.fails;
    expect(fails(null)).toEqual([]);
    expect(fails(1400)).toEqual(['surge']);
  });

  it('shows the fitted size even when it is none of the usual ones', () => {
    const odd = withSystem(job('with-loads'), { inverter: { ratingW: 2300 } });
    expect(inverterOf(odd)?.sizes.map(({ ratingW }) => ratingW)).toContain(2300);
  });

  it('has no rows for an inverter that nothing uses', () => {
    expect(momentDetail(aJob([aLoad()]), 'a').inverters).toEqual([]);
  });
});

describe('what an assisting inverter lends', () => {
  it('is what is above the limit, minute by minute, through its efficiency', () => {
    const uses = [{ startMin: 600, minutes: 30 }];
    const loads = [ac('kettle', 1800), ac('heater', 1200)].map((load) => ({ ...load, uses }));
    const plugged = withSupplies(
      aJob(loads, (j) => ({ ...j, rules: { ...j.rules, inverterCurve: 'flat' } })),
      aHookup(10, 230),
    );
    const assisted = withSystem(plugged, {
      inverter: { form: 'assisting', ratingW: 2000, idleW: 0, peakEfficiency: 0.9 },
    });
    // 3,000 W less 2,300 W for half an hour.
    const day = momentDetail(assisted, 'a').supplies[0]?.assistDay;
    expect(day?.lentWh).toBeCloseTo(700 * 0.5, 6);
    expect(momentDetail(plugged, 'a').supplies[0]?.assistDay).toBeNull();
  });
});

describe('several inverters', () => {
  const two = withSystem(aJob([ac('kettle', 1500), { ...ac('desk', 60, 8), device: 'small' }]), {
    devices: [
      ...(aJob([]).options[0]?.system.devices ?? []),
      {
        ...(aJob([]).options[0]?.system.devices[0] as Extract<
          Job['options'][number]['system']['devices'][number],
          { kind: 'inverter' }
        >),
        id: 'small',
        name: 'Small one',
      },
    ],
  });

  it('have each its own worst moment and sizes; the store bears both', () => {
    const { inverters } = momentDetail(two, 'a');
    expect(inverters.map(({ deviceId, sets }) => [deviceId, sets[0]?.weight])).toEqual([
      ['inverter', 1500],
      ['small', 60],
    ]);
    expect(evaluate(two).busPeak.throughW).toBe(1560);
  });

  it('kept apart by a mark across them, the store bears the heavier', () => {
    expect(evaluate(apart(two, ['kettle-0', 'desk-1'])).busPeak.throughW).toBe(1500);
  });
});
