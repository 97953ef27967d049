import { blankJob, loadsOfTemplate, MOST_LOADS, TEMPLATES } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { describe, expect, it } from 'vitest';
import { addLoad, addLoads, duplicateLoad, duplicateLoads, roomFor } from './loads.ts';
import { keepApart } from './together.ts';

const [template] = TEMPLATES;
if (!template) throw new Error('there are templates');
const [load] = loadsOfTemplate(template, []);
if (!load) throw new Error('a template has loads');
const many = (count: number) => Array.from({ length: count }, () => load);
const full = addLoads(many(MOST_LOADS))(blankJob('Full'));

describe('a job holds so many loads and no more', () => {
  it('all or none are added, each with an id of its own, and the job still validates', () => {
    expect(full.loads).toHaveLength(MOST_LOADS);
    expect(new Set(full.loads.map(({ id }) => id)).size).toBe(MOST_LOADS);
    expect(validateJob(full).ok).toBe(true);
    expect(roomFor(full)).toBe(0);
  });

  it('nothing that would be cut off is added', () => {
    const almost = addLoads(many(MOST_LOADS - 2))(blankJob('Almost'));
    expect(addLoads(many(3))(almost)).toBe(almost);
    expect(addLoads(many(2))(almost).loads).toHaveLength(MOST_LOADS);
    expect(addLoad(load)(full)).toBe(full);
    expect(addLoads([])(full)).toBe(full);
  });

  it('copies stop at the limit too', () => {
    const [first] = full.loads;
    expect(duplicateLoad(first?.id ?? '')(full)).toBe(full);
    const almost = addLoads(many(MOST_LOADS - 1))(blankJob('Almost'));
    const ids = new Set(almost.loads.slice(0, 5).map(({ id }) => id));
    expect(duplicateLoads(ids)(almost).loads).toHaveLength(MOST_LOADS);
  });
});

describe('habits', () => {
  it('are marked as one edit, all or none', () => {
    const job = addLoads(many(4))(blankJob('Habits'));
    const [a = '', b = '', c = ''] = job.loads.map(({ id }) => id);
    const marked = keepApart([
      [a, b],
      [b, c],
    ])(job);
    expect(marked.together.atMost).toEqual([
      { loads: [a, b], most: 1 },
      { loads: [b, c], most: 1 },
    ]);
    expect(validateJob(marked).ok).toBe(true);
    const crowded = {
      ...job,
      together: { always: [], atMost: Array.from({ length: 199 }, () => ({ loads: [a, b], most: 1 })) },
    };
    const both: [string, string][] = [
      [a, b],
      [b, c],
    ];
    expect(keepApart(both)(crowded).together.atMost).toHaveLength(199);
  });
});
