import { blankJob, isSame, type Job, mergeParts } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCommand } from '../test/anyCommand.ts';

const some = (most: number) => fc.array(anyCommand, { maxLength: most });
const after = (job: Job, commands: readonly ((job: Job) => Job)[]): Job =>
  commands.reduce(
    (now, apply) => (now.loads.length === 0 && JSON.stringify(now).includes('none') ? now : apply(now)),
    job,
  );

/** Every number, text and so on of a job under the keys and ids that lead to it; what is written out knows no merge. */
function leaves(value: unknown, path = '', found = new Map<string, unknown>()): Map<string, unknown> {
  if (Array.isArray(value) && value.every((one) => typeof one?.id === 'string' || typeof one?.load === 'string')) {
    for (const one of value) leaves(one, `${path}/${one.id ?? one.load}`, found);
  } else if (typeof value === 'object' && value !== null && !Array.isArray(value)) {
    for (const [key, part] of Object.entries(value)) leaves(part, `${path}/${key}`, found);
  } else found.set(path, JSON.stringify(value));
  return found;
}

/** Parts that follow from others: a group, or an output shared, goes with what it names. */
const FOLLOWS = /^\/together|sharesWith|allInOnes/;

describe('two people’s random edits of one job', () => {
  it('put together without a question: each part is as the one who changed it left it, and the job is valid', () => {
    let merges = 0;
    fc.assert(
      fc.property(some(12), some(4), some(4), (shared, ones, others) => {
        const base = after(blankJob('Random'), shared);
        const [mine, theirs] = [after(base, ones), after(base, others)];
        const { job, clashes } = mergeParts(base, mine, theirs, 'mine');
        if (job === null || clashes.length > 0) return;
        merges += 1;
        const checked = validateJob(JSON.parse(JSON.stringify(job)));
        expect(checked.ok ? [] : checked.faults).toEqual([]);
        const [was, here, there, got] = [base, mine, theirs, job].map((one) => leaves(one)) as Map<string, unknown>[];
        for (const path of new Set([...(here ?? []), ...(there ?? []), ...(was ?? [])].map(([key]) => key))) {
          if (FOLLOWS.test(path)) continue;
          const [w, h, t] = [was?.get(path), here?.get(path), there?.get(path)];
          expect([path, got?.get(path)]).toEqual([path, w === t ? h : t]);
        }
      }),
      { numRuns: 400 },
    );
    expect(merges).toBeGreaterThan(100);
  });

  it('where both changed one part: the preferred side is whole in it, the rest of either is kept, and the job is valid', () => {
    let clashed = 0;
    fc.assert(
      fc.property(some(12), some(10), some(10), fc.boolean(), (shared, ones, others, mineFirst) => {
        const base = after(blankJob('Random'), shared);
        const [mine, theirs] = [after(base, ones), after(base, others)];
        const { job, clashes } = mergeParts(base, mine, theirs, mineFirst ? 'mine' : 'theirs');
        if (job === null || clashes.length === 0) return;
        clashed += 1;
        const checked = validateJob(JSON.parse(JSON.stringify(job)));
        expect(checked.ok ? [] : checked.faults).toEqual([]);
        for (const clash of clashes) expect(isSame(clash.mine, clash.theirs)).toBe(false);
      }),
      { numRuns: 400 },
    );
    expect(clashed).toBeGreaterThan(5);
  });
});
