import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aJob, aLoad } from '../test/jobs.ts';
import { isSame, mergeJobs, mergeParts } from './merge.ts';
import type { Job, Load } from './schema.ts';
import { MOST_LOADS } from './values.ts';

const base = aJob([aLoad({ id: 'a', name: 'A' }), aLoad({ id: 'b', name: 'B' }), aLoad({ id: 'c', name: 'C' })]);
const change = (job: Job, id: string, part: Partial<Load>): Job => ({
  ...job,
  loads: job.loads.map((load) => (load.id === id ? { ...load, ...part } : load)),
});
const without = (job: Job, id: string): Job => ({ ...job, loads: job.loads.filter((load) => load.id !== id) });
const withLoad = (job: Job, id: string, part: Partial<Load> = {}): Job => ({
  ...job,
  loads: [...job.loads, aLoad({ id, name: id, ...part })],
});
const names = (job: Job | null) => job?.loads.map(({ name }) => name);

describe('two edits of one job put together', () => {
  it('takes from each side what only it changed', () => {
    const mine = change({ ...base, title: 'mine' }, 'a-0', { quantity: 2 });
    const theirs = change(change({ ...base, client: 'theirs' }, 'a-0', { room: 'galley' }), 'b-1', { quantity: 3 });
    const merged = mergeJobs(base, mine, theirs);
    expect(merged).toMatchObject({ title: 'mine', client: 'theirs' });
    expect(merged?.loads.map(({ quantity, room }) => [quantity, room])).toEqual([
      [2, 'galley'],
      [3, ''],
      [1, ''],
    ]);
  });

  it('keeps what either added and takes out what either removed', () => {
    const mine = without(withLoad(base, 'kettle'), 'a-0');
    const theirs = without(withLoad(base, 'lamp'), 'c-2');
    expect(names(mergeJobs(base, mine, theirs))?.sort()).toEqual(['B', 'kettle', 'lamp']);
  });

  it('what one says is not there and what the other says are both not there', () => {
    const none = (...ids: string[]): Job => ({ ...base, hasNot: ids.map((id) => ({ id })) });
    expect(mergeJobs(none('phone'), none('phone', 'fan-roof'), none('phone', 'water-pump'))?.hasNot).toEqual(
      expect.arrayContaining([{ id: 'phone' }, { id: 'fan-roof' }, { id: 'water-pump' }]),
    );
  });

  it('puts what they added where they had it', () => {
    const theirs = {
      ...base,
      loads: [base.loads[0], aLoad({ id: 'new', name: 'new' }), ...base.loads.slice(1)],
    } as Job;
    expect(names(mergeJobs(base, { ...base, title: 'x' }, theirs))).toEqual(['A', 'new', 'B', 'C']);
  });

  it.each<[string, Job, Job]>([
    ['the same figure in two ways', change(base, 'a-0', { quantity: 2 }), change(base, 'a-0', { quantity: 3 })],
    ['a load that the other removed', change(base, 'a-0', { quantity: 2 }), without(base, 'a-0')],
    ['two loads under one id', withLoad(base, 'x', { quantity: 1 }), withLoad(base, 'x', { quantity: 2 })],
    [
      'runs, which have no ids',
      change(base, 'a-0', { uses: [{ startMin: 0, minutes: 10 }] }),
      change(base, 'a-0', { uses: [{ startMin: 5, minutes: 10 }] }),
    ],
    [
      'a group of a load that the other removed',
      { ...base, together: { atMost: [{ loads: ['a-0', 'b-1'], most: 1 }], always: [] } },
      without(base, 'b-1'),
    ],
    ['voltages that contradict each other', change(base, 'a-0', { minV: 14 }), change(base, 'a-0', { maxV: 11 })],
  ])('is refused for %s', (_what, mine, theirs) => {
    expect(mergeJobs(base, mine, theirs)).toBeNull();
    expect(mergeJobs(base, theirs, mine)).toBeNull();
  });

  it('is refused when more loads come out than a job may hold', () => {
    const add = (job: Job, mark: string, count: number): Job => ({
      ...job,
      loads: [...job.loads, ...Array.from({ length: count }, (_, i) => aLoad({ id: `${mark}${i}`, name: mark }))],
    });
    expect(mergeJobs(base, add(base, 'x', 300), add(base, 'y', MOST_LOADS - 303))).not.toBeNull();
    expect(mergeJobs(base, add(base, 'x', 300), add(base, 'y', MOST_LOADS - 302))).toBeNull();
  });

  it('properties: an unchanged side gives way, and each side’s own changes survive', () => {
    const edit = fc.record({
      title: fc.constantFrom('Test', 'mine'),
      quantities: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 }),
      drop: fc.constantFrom(null, 'a-0', 'b-1'),
    });
    fc.assert(
      fc.property(edit, edit, (one, two) => {
        const apply = ({ title, quantities, drop }: typeof one): Job => {
          const edited = {
            ...base,
            title,
            loads: base.loads.map((load, i) => ({ ...load, quantity: quantities[i] ?? 1 })),
          };
          return drop ? without(edited, drop) : edited;
        };
        const [mine, theirs] = [apply(one), apply(two)];
        expect(mergeJobs(base, mine, base)).toEqual(mine);
        expect(mergeJobs(base, base, theirs)).toEqual(theirs);
        expect(mergeJobs(base, mine, mine)).toEqual(mine);
        const merged = mergeJobs(base, mine, theirs);
        if (!merged) return;
        for (const [side, other] of [
          [mine, theirs],
          [theirs, mine],
        ] as const)
          for (const load of side.loads) {
            const old = base.loads.find(({ id }) => id === load.id);
            const kept = merged.loads.find(({ id }) => id === load.id);
            if (load.quantity !== old?.quantity) expect(kept?.quantity).toBe(load.quantity);
            else if (kept) expect(kept.quantity).toBe(other.loads.find(({ id }) => id === load.id)?.quantity);
          }
      }),
      { numRuns: 300 },
    );
  });
});

it('sameness is of the JSON, not of the order of keys', () => {
  expect(isSame({ a: 1, b: [1, { c: null }] }, { b: [1, { c: null }], a: 1 })).toBe(true);
  for (const [a, b] of [
    [{ a: 1 }, { a: 1, b: 2 }],
    [{ a: undefined }, { b: undefined }],
    [[1, 2], [1]],
    [[], {}],
    [null, {}],
    ['1', 1],
  ])
    expect(isSame(a, b)).toBe(false);
});

describe('the order of a list that two have changed', () => {
  const order = (mine: string[], theirs: string[], base = ['a-0', 'b-1', 'c-2']) => {
    const of = (ids: string[]): Job => ({ ...aJob([]), loads: ids.map((id) => ({ ...aLoad({ name: id }), id })) });
    return mergeJobs(of(base), of(mine), of(theirs))?.loads.map(({ id }) => id);
  };

  it.each<[string, string[], string[], string[]]>([
    ['is that of the one who moved something', ['a-0', 'b-1', 'c-2'], ['c-2', 'a-0', 'b-1'], ['c-2', 'a-0', 'b-1']],
    ['is mine where I moved it', ['c-2', 'b-1', 'a-0'], ['a-0', 'b-1', 'c-2', 'x'], ['c-2', 'x', 'b-1', 'a-0']],
    [
      'has what I added behind what they added',
      ['a-0', 'b-1', 'c-2', 'mine'],
      ['a-0', 'b-1', 'c-2', 'theirs'],
      ['a-0', 'b-1', 'c-2', 'theirs', 'mine'],
    ],
    [
      'has what I put first at the front',
      ['mine', 'a-0', 'b-1', 'c-2'],
      ['c-2', 'a-0', 'b-1'],
      ['mine', 'c-2', 'a-0', 'b-1'],
    ],
    ['keeps their order beside what I removed', ['a-0', 'c-2'], ['c-2', 'b-1', 'a-0'], ['c-2', 'a-0']],
  ])('%s', (_what, mine, theirs, put) => {
    expect(order(mine, theirs)).toEqual(put);
  });

  it('of an empty one has theirs first', () => {
    expect(order(['mine'], ['theirs'], [])).toEqual(['theirs', 'mine']);
  });
});

describe('where both changed one part', () => {
  const mine = change({ ...base, title: 'mine' }, 'a-0', { quantity: 2, room: 'cab' });
  const theirs = change({ ...base, client: 'C' }, 'a-0', { quantity: 3, circuit: 'lights' });

  it('the preferred side counts in it alone, and it is listed with what each made of it', () => {
    for (const [prefer, quantity] of [
      ['mine', 2],
      ['theirs', 3],
    ] as const) {
      const { job, clashes } = mergeParts(base, mine, theirs, prefer);
      expect(clashes).toEqual([{ path: ['loads', 'a-0', 'quantity'], base: 1, mine: 2, theirs: 3 }]);
      expect(job).toMatchObject({
        title: 'mine',
        client: 'C',
        loads: [{ quantity, room: 'cab', circuit: 'lights' }, {}, {}],
      });
    }
  });

  it('two kinds of one thing are not mixed', () => {
    const standby = change(base, 'a-0', { draw: { kind: 'standby', powerW: 5 } });
    const stronger = change(base, 'a-0', { draw: { kind: 'steady', powerW: 99 } });
    expect(mergeParts(base, standby, stronger, 'mine').job?.loads[0]?.draw).toEqual(standby.loads[0]?.draw);
    expect(mergeParts(base, standby, stronger, 'theirs').job?.loads[0]?.draw).toEqual({ kind: 'steady', powerW: 99 });
  });

  it('photos of one load are put together, each once', () => {
    const of = (...photos: string[]) => change(base, 'a-0', { photos });
    const merged = mergeJobs(of('p'), of('p', 'q'), of('p', 'r'));
    expect(merged?.loads[0]?.photos).toEqual(['p', 'r', 'q']);
    expect(mergeJobs(of('p'), of(), of('p', 'r'))?.loads[0]?.photos).toEqual(['r']);
  });
});
