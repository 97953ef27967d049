import { blankJob, evaluate, loadsOfTemplate, TEMPLATES } from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import { LANE_SLOTS, reckonedOf, viewOf } from './view.ts';

describe('the view of a job', () => {
  const template = TEMPLATES[0] as (typeof TEMPLATES)[number];
  const job = { ...blankJob('x'), loads: [...loadsOfTemplate(template, [])] };
  const reckoned = reckonedOf(evaluate(job));

  it('draws each load by the strongest minute in each ten', () => {
    const { profiles } = evaluate(job);
    const view = viewOf(job, 'a', reckoned, null);
    expect(view.drawn).toHaveLength(job.loads.length);
    profiles.forEach(({ meanW, runningW }, i) => {
      const drawn = view.drawn[i];
      expect(drawn?.runningW).toBe(runningW);
      expect(drawn?.skylineW).toHaveLength(LANE_SLOTS);
      for (const slot of [0, 50, 143]) {
        const strongest = Math.max(...meanW.slice(slot * 10, slot * 10 + 10));
        expect(drawn?.skylineW[slot]).toBeCloseTo(strongest, 3);
      }
    });
  });

  it('an edit of one load leaves the entries of the others the same objects, also when the answer was sent', () => {
    const before = viewOf(job, 'a', reckoned, null);
    const [first, ...others] = job.loads;
    if (!first) throw new Error('no loads');
    const edited = { ...job, loads: [{ ...first, quantity: first.quantity + 1 }, ...others] };
    const after = viewOf(edited, 'a', structuredClone(reckonedOf(evaluate(edited))), before);
    const same = after.drawn.map((one, i) => one === before.drawn[i]);
    expect(same).toEqual([false, ...others.map(() => true)]);
    expect(after.assessment).not.toBe(before.assessment);
    expect(viewOf(job, 'a', structuredClone(reckoned), before).assessment).toBe(before.assessment);
  });
});
