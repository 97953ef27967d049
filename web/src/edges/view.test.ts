import { blankJob, evaluate, loadsOfTemplate, TEMPLATES } from '@joulemetric/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keeping } from './keeping.ts';
import { LANE_SLOTS, reckonedOf, viewOf } from './view.ts';

describe('keeping what did not change', () => {
  const documents = fc.object({ withTypedArray: true, maxDepth: 3 });

  it('property: the answer says what the new one says, whatever was before', () => {
    fc.assert(
      fc.property(documents, documents, (before, next) => {
        expect(keeping(before, next)).toEqual(next);
      }),
    );
  });

  it('property: a copy is the object it was copied from', () => {
    // Only plain documents, as they come from a worker.
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(keeping(value, structuredClone(value))).toBe(value);
      }),
    );
  });

  it('only the way to a change is new', () => {
    const before = { a: { x: [1, 2] }, b: { y: Float64Array.of(1, 2) }, c: [{ id: 1 }, { id: 2 }] };
    const next = structuredClone(before);
    (next.c[1] as { id: number }).id = 3;
    const kept = keeping(before, next);
    expect(kept).toEqual(next);
    expect(kept).not.toBe(before);
    expect([kept.a === before.a, kept.b === before.b, kept.c[0] === before.c[0], kept.c[1] === before.c[1]]).toEqual([
      true,
      true,
      true,
      false,
    ]);
  });

  it.each([
    [{ a: 1 }, { a: 1, b: undefined }],
    [{ a: undefined }, {}],
    [[1, 2], [1]],
    [[1], [1, 2]],
    [Float64Array.of(1), Float64Array.of(1, 2)],
    [Float64Array.of(1), Float32Array.of(1)],
    [Float64Array.of(Number.NaN), Float64Array.of(1)],
    [{ 0: 1 }, [1]],
    [null, {}],
  ] as [unknown, unknown][])('%j before %j: the new one stands', (before, next) => {
    const kept = keeping(before, next);
    expect(kept).toStrictEqual(next);
    expect(kept).not.toBe(before);
  });
});

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
