import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../assess/assess.ts';
import type { Job } from '../job/schema.ts';
import { INVERTER_SIZES_W } from '../reference/sizes.ts';
import { aJob, aLoad, apart } from '../test/jobs.ts';
import { habitsOf, keptApart, type Pair } from './habits.ts';

const ac = (id: string, watts: number, part = {}) =>
  aLoad({ id, name: id, watts, hours: 0.1, path: 'inverter', ...part });
const exact = (job: Job): Job => ({ ...job, rules: { ...job.rules, inverterMargin: 'exact' } });
const habits = (job: Job) => {
  const evaluation = evaluate(job, 'a');
  const [main] = evaluation.inverters;
  return main ? habitsOf(job, evaluation, main) : null;
};
const requiredW = (job: Job): number => evaluate(job, 'a').inverters[0]?.need.requiredW ?? 0;

describe('habits that shrink the inverter', () => {
  it('dryer 1,500, microwave 1,050, cooler 1,200 W: 3,750 W ask for 5,000; without dryer and cooler together 2,550 W', () => {
    const job = exact(aJob([ac('dryer', 1500), ac('microwave', 1050), ac('cooler', 1200)]));
    const found = habits(job);
    expect(found?.ratingW).toBe(5000);
    // Kept apart: the two largest leave max(1500, 1200) + 1050.
    expect(found?.single[0]?.pairs).toEqual([['dryer-0', 'cooler-2']]);
    expect(found?.single[0]?.requiredW).toBeCloseTo(2550, 6);
    expect(found?.single.map((habit) => habit.requiredW)).toEqual([2550, 2700, 2700].map((w) => expect.closeTo(w, 6)));
    expect(found?.smallest?.pairs).toHaveLength(1);
    expect(found?.proved).toBe(true);
    expect(found?.smallest?.idleWh).toBeGreaterThan(0);
    expect(found?.smallest?.worth.kg).toBeGreaterThan(0);
  });

  it('one load that is too much by itself cannot be helped by habits, and nothing is said of two that never meet', () => {
    expect(habits(exact(aJob([ac('kettle', 2400), ac('lamp', 5)])))?.smallest).toBeNull();
    const never = apart(exact(aJob([ac('a', 1500), ac('b', 1400)])), ['a-0', 'b-1']);
    expect(habits(never)?.single).toEqual([]);
    expect(habits(exact(aJob([ac('kettle', 1500)])))).toBeNull();
  });

  it('what a habit promises is what the job shows once it is marked, and the fewest are the fewest of all sets', () => {
    const loads = fc.array(
      fc.integer({ min: 2, max: 30 }).map((n) => n * 50),
      { minLength: 2, maxLength: 5 },
    );
    fc.assert(
      fc.property(loads, fc.constantFrom(1, 3), (watts, startRatio) => {
        const job = exact(aJob(watts.map((w, i) => ac(`l${i}`, w, { startRatio: i === 0 ? startRatio : 1 }))));
        const found = habits(job);
        if (!found) return;
        for (const { pairs, requiredW: promised } of found.single)
          expect(requiredW(keptApart(job, pairs))).toBeCloseTo(promised, 6);
        const target = INVERTER_SIZES_W.filter((size) => size < found.ratingW).at(-1);
        if (target === undefined) return;
        const ids = job.loads.map(({ id }) => id);
        const all: Pair[] = ids.flatMap((a, i) => ids.slice(i + 1).map((b): Pair => [a, b]));
        let least = Number.POSITIVE_INFINITY;
        for (let mask = 0; mask < 2 ** all.length; mask++) {
          const chosen = all.filter((_, i) => mask & (1 << i));
          if (chosen.length >= least || chosen.length > 4) continue;
          if (requiredW(keptApart(job, chosen)) <= target + 1e-6) least = chosen.length;
        }
        expect(found.smallest?.pairs.length ?? Number.POSITIVE_INFINITY).toBe(least);
      }),
      { numRuns: 12 },
    );
  });

  it('a size that only one rare load asks for says so: 2,400 W for 6 minutes a day beside 100 W', () => {
    const rare = habits(
      exact(aJob([ac('dryer', 2400), ac('desk', 100, { uses: [{ startMin: 540, minutes: 300 }] })])),
    )?.rare;
    expect(rare).toMatchObject({ id: 'dryer-0', ratingW: 150 });
    expect(rare?.minutes).toBeCloseTo(6, 9);
    const daily = exact(aJob([ac('heater', 2400, { uses: [{ startMin: 540, minutes: 120 }] }), ac('desk', 100)]));
    expect(habits(daily)?.rare).toBeNull();
  });
});
