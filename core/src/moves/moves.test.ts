import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { blankInverter } from '../job/blank.ts';
import type { Job } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { oneLead } from '../test/runs.ts';
import { applyMove, excludes, type Move } from './move.ts';
import { bestSequence, bestSetsInSteps, prepareMoves, rankMoves } from './rank.ts';

const needWh = (job: Job): number => assess(job, 'a').figures['demand.battery'].value;
const sets = (job: Job) => {
  const steps = bestSetsInSteps(prepareMoves(job, 'a'));
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
};
const findMove = (job: Job, kind: Move['kind']) => {
  const found = rankMoves(prepareMoves(job, 'a'), []).moves.find(({ move }) => move.kind === kind);
  if (!found) throw new Error(`no move ${kind}`);
  return found;
};

/** Small random jobs with everything that moves act on but the sun, whose saving is no part of the need. */
const job = fc
  .record({
    loads: fc.array(
      fc.record({
        type: fc.constantFrom('', 'kettle', 'television', 'fan-heater', 'vacuum'),
        path: fc.constantFrom('inverter', 'inverter-adapter', 'direct'),
        watts: fc.integer({ min: 2, max: 1800 }),
        start: fc.integer({ min: 0, max: 1439 }),
        minutes: fc.integer({ min: 2, max: 900 }),
        warm: fc.boolean(),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    policy: fc.constantFrom('always', 'with-loads', 'manual'),
    ratingW: fc.option(fc.constantFrom(2000, 3000, 5000)),
  })
  .map(({ loads, policy, ratingW }) =>
    withSystem(
      aJob(
        loads.map(({ type, path, watts, start, minutes, warm }) =>
          aLoad({
            type,
            path,
            draw: warm
              ? {
                  kind: 'cycle',
                  phases: [
                    { label: 'brew', powerW: watts, minutes: 2, startRatio: null },
                    { label: 'keep warm', powerW: watts / 10, minutes: null, startRatio: null },
                  ],
                }
              : { kind: 'steady', powerW: watts },
            uses: [{ startMin: start, minutes }],
          }),
        ),
      ),
      { inverter: { policy, ratingW, leftOnH: 5 } },
    ),
  );

describe('moves', () => {
  it('leave a valid job, and save alone what the whole assessment says they save', () => {
    fc.assert(
      fc.property(job, (before) => {
        const base = needWh(before);
        for (const { move, savedWh } of rankMoves(prepareMoves(before, 'a'), []).moves) {
          const after = applyMove(before, 'a', move);
          expect(validateJob(after).ok).toBe(true);
          expect(savedWh, move.id).toBeCloseTo(base - needWh(after), 6);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('have an exact best set of each size that brute force over the whole assessment confirms', () => {
    fc.assert(
      fc.property(job, (before) => {
        const { candidates, bySize } = sets(before);
        const moves = prepareMoves(before, 'a').moves.filter(({ id }) => candidates.includes(id));
        fc.pre(moves.length <= 6);
        const base = needWh(before);
        const best = new Map<number, number>();
        for (let mask = 1; mask < 2 ** moves.length; mask++) {
          const set = moves.filter((_, i) => mask & (1 << i));
          if (set.some((a) => set.some((b) => excludes(a, b)))) continue;
          const orders = [set, [...set].reverse()];
          const saved = Math.max(
            ...orders.map((order) => base - needWh(order.reduce((made, move) => applyMove(made, 'a', move), before))),
          );
          best.set(set.length, Math.max(best.get(set.length) ?? Number.NEGATIVE_INFINITY, saved));
        }
        expect(bySize.length).toBe(best.size);
        bySize.forEach(({ savedWh, ids }, i) => {
          expect(ids).toHaveLength(i + 1);
          expect(Math.abs(savedWh - (best.get(i + 1) ?? 0)), String(ids)).toBeLessThan(1e-6 * Math.max(1, base));
        });
      }),
      { numRuns: 40 },
    );
  });

  it('come in an order in which each step saves something and none can be made better by itself', () => {
    fc.assert(
      fc.property(job, (before) => {
        const { steps } = bestSequence(prepareMoves(before, 'a'));
        const ranked = rankMoves(prepareMoves(before, 'a'), []).moves;
        if (ranked[0] && ranked[0].savedWh > 0.5) expect(steps[0]?.savedWh).toBeCloseTo(ranked[0].savedWh, 9);
        for (const { savedWh } of steps) expect(savedWh).toBeGreaterThan(0.5);
        const { bySize } = sets(before);
        let sum = 0;
        steps.forEach(({ savedWh }, i) => {
          sum += savedWh;
          const exact = bySize[i];
          if (exact && steps.length <= 12) expect(sum).toBeLessThanOrEqual(exact.savedWh + 1e-6);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('take a phone charger alone off a 2,500 W inverter: nearly all of its idle is saved', () => {
    const phone = aLoad({ watts: 10, hours: 2, path: 'inverter-adapter' });
    const alone = withSystem(aJob([phone]), {
      inverter: { ratingW: 2500, idleW: 25 },
      store: { roundTripEfficiency: 1 },
    });
    const { savedWh, averageWh, onLessH } = findMove(alone, 'dc-converter');
    // 25 W for 2 h of idle, and the losses of two conversions of 20 Wh less those of one.
    expect(savedWh).toBeGreaterThan(50);
    expect(savedWh).toBeLessThan(50 + 20);
    expect(onLessH).toBeCloseTo(2, 9);
    // Alone, the average is the truth.
    expect(averageWh).toBeCloseTo(savedWh, 6);
  });

  it('find that stepping up to 48 V saves under 1 % where the inverter is well loaded anyway', () => {
    const link = aLoad({
      watts: 57,
      hours: 24,
      path: 'inverter-adapter',
      converterEfficiency: 0.9,
      minV: 48,
      maxV: 57,
    });
    const all = (watts: number, part = {}) =>
      aLoad({ watts, path: 'inverter', uses: [{ startMin: 0, minutes: 1440 }], ...part });
    const busy = withSystem(aJob([{ ...link, uses: [{ startMin: 0, minutes: 1440 }] }, all(300)]), {
      inverter: { ratingW: 2000, idleW: 18, peakEfficiency: 0.93, policy: 'always' },
    });
    const { savedWh, averageWh } = findMove(busy, 'dc-converter');
    expect(savedWh / needWh(busy)).toBeLessThan(0.01);
    expect(savedWh).toBeLessThan(averageWh ?? 0);
  });

  it('shift a load into the sun for the storage loss alone (closed form)', () => {
    const charger = aLoad({ watts: 100, movable: true, uses: [{ startMin: 60, minutes: 120 }] });
    const sunny = withSystem(
      aJob([charger], (j) => ({ ...j, brief: { ...j.brief, place: { ...j.brief.place, peakSunHours: 5 } } })),
      { array: { ratingW: 2000 }, store: { roundTripEfficiency: 0.8 } },
    );
    expect(findMove(sunny, 'into-sun').savedWh).toBeCloseTo(200 * (1 / 0.8 - 1), 6);
  });

  it('a thicker lead saves what its copper loses less: arithmetic, its kilograms and price counted', () => {
    // 120 W at 12.8 V for 8 h: 9.375 A; 10 m there and back of 2.5 mm² 0.1596 Ω, of 4 mm² 0.0990 Ω; round trip 0.95.
    const lead = oneLead({ watts: 120, hours: 8 }, { lengthM: 10, areaMm2: 2.5 });
    const priced = { ...lead, brief: { ...lead.brief, prices: { ...lead.brief.prices, copperPerKg: 20 } } };
    const { savedWh, words, worth } = findMove(priced, 'thicker');
    expect(savedWh).toBeCloseTo((9.375 ** 2 * (0.1596 - 0.099) * 8) / 0.95, 6);
    expect(words.title).toBe('lead: 4 mm² instead of 2.5 mm²');
    const copperKg = 2 * 10 * (4 - 2.5) * 8930e-6;
    expect(worth.money).toBeCloseTo(-copperKg * 20, 9);
    const storeKg = worth.kg + copperKg;
    expect(storeKg).toBeGreaterThan(0);
    expect(findMove(lead, 'thicker').worth.money).toBeNull();
  });

  it('price a saving by what it spares: arithmetic', () => {
    const television = aLoad({ type: 'television', watts: 45, hours: 4, path: 'inverter' });
    const before = withSystem(
      aJob([television], (j) => ({
        ...j,
        brief: {
          ...j.brief,
          sunlessDays: 2,
          prices: {
            storePerKwh: 400,
            arrayPerW: null,
            copperPerKg: null,
            energyPerKwh: 0.5,
            moves: [{ move: 'swap load-0 television-12v', cost: 100_000 }],
          },
        },
      })),
      { store: { usableDepth: 0.8 } },
    );
    const { savedWh, worth } = findMove(before, 'swap');
    expect(worth.ahPerDay).toBeCloseTo(savedWh / 12.8, 9);
    // Two days, at 80 % depth, 85 % age reserve and one way of the round trip: within 5 % of 2 ÷ 0.8 ÷ 0.85.
    expect(worth.storeWh / savedWh / (2 / 0.8 / 0.85)).toBeGreaterThan(0.95);
    expect(worth.storeWh / savedWh / (2 / 0.8 / 0.85)).toBeLessThan(1.05);
    expect(worth.money).toBeCloseTo((worth.storeWh / 1000) * 400, 9);
    expect(worth.paybackDays).toBeCloseTo((100_000 - (worth.money ?? 0)) / ((savedWh / 1000) * 0.5), 6);
  });

  it('give a small inverter the loads that run for hours, and leave the kettle on the large one', () => {
    const evening = { startMin: 1080, minutes: 300 };
    const van = withSystem(
      aJob([
        aLoad({ id: 'kettle', watts: 1500, path: 'inverter', uses: [{ startMin: 420, minutes: 5 }] }),
        aLoad({ id: 'lamp', watts: 15, path: 'inverter', uses: [evening] }),
        aLoad({ id: 'screen', watts: 40, path: 'inverter', uses: [evening] }),
      ]),
      {},
    );
    const { move, savedWh } = findMove(van, 'second-inverter');
    expect(move.kind === 'second-inverter' && move.loadIds).toEqual(['lamp-1', 'screen-2']);
    // 2,000 W at 1 % idle for 5 h less a 150 W one: 100 − 7.5 Wh of idle.
    expect(savedWh).toBeGreaterThan(80);
    const made = applyMove(van, 'a', move);
    expect(made.options[0]?.system.devices.map(({ id }) => id)).toEqual(['inverter', 'second-inverter']);
    expect(applyMove(made, 'a', move)).toBe(made);
    expect(blankInverter('x', 'x').policy).toBe('with-loads');
  });
});
