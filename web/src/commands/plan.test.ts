import { blankJob, blankSupply, type Job, type PlanStretch } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Edit } from './loads.ts';
import { addStretch, changeKind, changeStretch, lengthen, moveStretch, removeStretch, usualPlan } from './plan.ts';
import { removeSupply } from './supplies.ts';

const plain = (kind: PlanStretch['kind'], days: number): PlanStretch => ({
  kind,
  days,
  driveH: null,
  supply: null,
  hours: null,
});
const withHookup = (plan: PlanStretch[] = []): Job => {
  const job = blankJob('Plan');
  const hookup = { ...blankSupply('hookup', '230V-50Hz'), id: 'hookup' };
  return { ...job, brief: { ...job.brief, nightsOffGrid: 3, supplies: [hookup], plan } };
};
const kinds = ({ brief }: Job) => brief.plan.map(({ kind, days }) => `${days} ${kind}`);

describe('the days of the trip', () => {
  it('the first edit writes down the plan that was taken: the nights away, then one on the hookup', () => {
    expect(kinds(lengthen(0, 2)(withHookup()))).toEqual(['5 usual', '1 supply']);
    const home = { ...blankJob('No hookup') };
    expect(kinds(addStretch(home))).toEqual(['3 usual', '1 home', '1 parked']);
  });

  it('stretches are lengthened to a day at least, moved, changed and taken out', () => {
    const job = withHookup([plain('usual', 2), plain('parked', 3)]);
    expect(kinds(lengthen(0, -9)(job))).toEqual(['1 usual', '3 parked']);
    expect(kinds(moveStretch(1, -1)(job))).toEqual(['3 parked', '2 usual']);
    expect(moveStretch(0, -1)(job).brief.plan).toEqual(job.brief.plan);
    expect(kinds(removeStretch(0)(job))).toEqual(['3 parked']);
    expect(changeStretch(1, { days: 7 })(job).brief.plan[1]).toMatchObject({ kind: 'parked', days: 7 });
    expect(usualPlan(job).brief.plan).toEqual([]);
  });

  it('another kind leaves nothing of the one before; a supply that goes leaves parked days', () => {
    const job = withHookup([{ ...plain('driving', 2), driveH: 4 }]);
    const onHookup = changeKind(0, 'supply', 'hookup')(job);
    expect(onHookup.brief.plan).toEqual([{ ...plain('supply', 2), supply: 'hookup' }]);
    expect(changeKind(0, 'away', 'hookup')(onHookup).brief.plan).toEqual([plain('away', 2)]);
    expect(removeSupply('hookup')(onHookup).brief.plan).toEqual([plain('parked', 2)]);
  });

  it('more than a year or sixty stretches is not taken', () => {
    const long = withHookup([plain('usual', 365)]);
    expect(lengthen(0, 2)(long)).toBe(long);
    const many = withHookup(Array.from({ length: 60 }, () => plain('usual', 1)));
    expect(addStretch(many)).toBe(many);
  });

  it('property: whatever is done, the job is one that can be saved', () => {
    const edit: fc.Arbitrary<Edit> = fc.oneof(
      fc.tuple(fc.nat(3), fc.integer({ min: -400, max: 400 })).map(([i, by]) => lengthen(i, by)),
      fc.tuple(fc.nat(3), fc.constantFrom<-1 | 1>(-1, 1)).map(([i, by]) => moveStretch(i, by)),
      fc.nat(3).map(removeStretch),
      fc.constant(addStretch),
      fc.constant(removeSupply('hookup')),
      fc
        .tuple(fc.nat(3), fc.constantFrom<PlanStretch['kind']>('usual', 'parked', 'driving', 'away', 'home'))
        .map(([i, kind]) => changeKind(i, kind, 'hookup')),
    );
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        const job = edits.reduce((now, one) => one(now), changeKind(0, 'supply', 'hookup')(withHookup()));
        expect(validateJob(job)).toMatchObject({ ok: true });
      }),
      { numRuns: 60 },
    );
  });
});
