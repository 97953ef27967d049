import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Use } from '../job/schema.ts';
import { validateJob } from '../job/validate.ts';
import { aJob, aLoad } from '../test/jobs.ts';
import { withPhases } from './phases.ts';
import { addUse, minutesPerDay, moveUse, rescaleUses, resizeUse, spreadUses } from './uses.ts';

const noOverlap = (uses: readonly Use[]) =>
  expect(validateJob(aJob([aLoad({ uses: [...uses] })]))).toMatchObject({ ok: true });

describe('runs of a day', () => {
  it('move as far as their neighbours let them, and around the clock when alone', () => {
    const two = [
      { startMin: 60, minutes: 60 },
      { startMin: 180, minutes: 60 },
    ];
    expect(moveUse(two, 0, 500)[0]).toEqual({ startMin: 120, minutes: 60 });
    expect(moveUse(two, 1, -500)[1]).toEqual({ startMin: 120, minutes: 60 });
    expect(moveUse([{ startMin: 30, minutes: 60 }], 0, -60)).toEqual([{ startMin: 1410, minutes: 60 }]);
  });

  it('grow up to the next run, across midnight too, and shrink to the least', () => {
    const night = [
      { startMin: 1320, minutes: 60 },
      { startMin: 60, minutes: 30 },
    ];
    expect(resizeUse(night, 0, 600, 5)[0]?.minutes).toBe(180);
    expect(resizeUse(night, 0, -600, 5)[0]?.minutes).toBe(5);
    expect(resizeUse([{ startMin: 0, minutes: 60 }], 0, 5000, 5)[0]?.minutes).toBe(1440);
  });

  it('are added in the longest gap, and not where there is no room', () => {
    expect(addUse([{ startMin: 0, minutes: 60 }], 60)).toContainEqual({ startMin: 720, minutes: 60 });
    expect(addUse([{ startMin: 0, minutes: 1440 }], 60)).toHaveLength(1);
  });

  it('never overlap, whatever is done to them', () => {
    const edit = fc.record({
      kind: fc.nat({ max: 3 }),
      index: fc.nat({ max: 9 }),
      by: fc.integer({ min: -2000, max: 2000 }),
    });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 200 }),
        fc.array(edit, { maxLength: 15 }),
        (times, minutes, edits) => {
          let uses = spreadUses(times, minutes);
          for (const { kind, index, by } of edits) {
            const at = index % uses.length;
            if (kind === 0) uses = moveUse(uses, at, by);
            if (kind === 1) uses = resizeUse(uses, at, by, 1);
            if (kind === 2) uses = addUse(uses, 1 + Math.abs(by % 90));
            if (kind === 3 && by > 0 && by <= 1440) uses = rescaleUses(uses, by);
            noOverlap(uses);
            expect(minutesPerDay(uses)).toBeLessThanOrEqual(1440 + 1e-6);
          }
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('a run moved to midnight', () => {
  it('begins there and not a rounding before it', () => {
    const six = rescaleUses(spreadUses(6, 1), 859);
    const moved = moveUse(moveUse(six, 5, 97), 0, -1);
    expect(moved[0]?.startMin).toBe(0);
    noOverlap(moved);
  });
});

describe('a run made longer', () => {
  it('stops at the next run even when it is shorter than the least', () => {
    const close = [
      { startMin: 420, minutes: 0.5 },
      { startMin: 420.5, minutes: 0.5 },
    ];
    expect(resizeUse(close, 0, 0, 1)).toEqual(close);
    expect(resizeUse([{ startMin: 420, minutes: 0.5 }], 0, 0, 1)).toEqual([{ startMin: 420, minutes: 1 }]);
  });
});

describe('phases', () => {
  const phase = (minutes: number | null) => ({ label: 'p', powerW: 100, minutes, startRatio: null });

  it('set the length of the runs when all are fixed, its least when one fills the rest', () => {
    const load = aLoad({ uses: [{ startMin: 60, minutes: 10 }] });
    expect(withPhases(load, [phase(6), phase(30)]).uses).toEqual([{ startMin: 60, minutes: 36 }]);
    expect(withPhases(load, [phase(6), phase(null)]).uses).toEqual([{ startMin: 60, minutes: 10 }]);
  });

  it('leave a valid load, however long they become', () => {
    const minutes = fc.option(fc.integer({ min: 1, max: 700 }));
    fc.assert(
      fc.property(
        fc.array(minutes, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1, max: 8 }),
        (lengths, times) => {
          fc.pre(lengths.filter((one) => one === null).length <= 1);
          fc.pre(lengths.reduce<number>((sum, one) => sum + (one ?? 0), 0) <= 1440);
          const load = aLoad({ uses: spreadUses(times, 20) });
          expect(validateJob(aJob([{ ...load, ...withPhases(load, lengths.map(phase)) }]))).toMatchObject({ ok: true });
        },
      ),
    );
  });
});
