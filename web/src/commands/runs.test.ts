import { blankJob, blankLink, blankRun, type Job, type Run, runFaults, withoutLost } from '@joulemetric/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addRun, changeRuns, layRuns, removeRuns } from './runs.ts';

const run = (id: string, from: string | null, end: Run['end'], change: Partial<Run> = {}): Run => ({
  ...blankRun(id, id, from, end),
  ...change,
});
const tree: readonly Run[] = [
  run('main', null, 'busbar'),
  run('block', 'main', 'busbar'),
  run('lamp', 'block', 'loads', { lengthM: 4, areaMm2: 1.5 }),
  run('dcdc', 'main', 'driving', { part: 'link' }),
  run('alternator', 'dcdc', 'alternator', { part: 'link' }),
];
const job: Job = (() => {
  const blank = blankJob('Test');
  const [option] = blank.options;
  if (!option) throw new Error('an option');
  return { ...blank, options: [{ ...option, system: { ...option.system, driving: [blankLink('link', 'Link', 30)] } }] };
})();
const runsOf = (one: Job) => one.options[0]?.system.runs ?? null;
const laid = layRuns('a', tree)(job);

describe('runs are edited', () => {
  it('laid, and back to the proposal', () => {
    expect(runsOf(laid)).toEqual(tree);
    expect(runsOf(layRuns('a', null)(laid))).toBeNull();
  });

  it('a change while none are laid lays them all, the others as they were', () => {
    const changed = runsOf(changeRuns('a', tree, ['lamp'], { lengthM: 7 })(job));
    expect(changed?.find(({ id }) => id === 'lamp')?.lengthM).toBe(7);
    expect(changed?.filter(({ id }) => id !== 'lamp')).toEqual(tree.filter(({ id }) => id !== 'lamp'));
  });

  it('length and size of the lead from an alternator are its charger’s', () => {
    const changed = changeRuns('a', tree, ['alternator', 'lamp'], { lengthM: 6, areaMm2: 25, bundled: 4 })(laid);
    const lead = runsOf(changed)?.find(({ id }) => id === 'alternator');
    expect(lead).toMatchObject({ lengthM: null, areaMm2: null, bundled: 4 });
    expect(changed.options[0]?.system.driving?.[0]).toMatchObject({ cableM: 6, cableMm2: 25 });
    expect(runsOf(changed)?.find(({ id }) => id === 'lamp')).toMatchObject({ lengthM: 6, areaMm2: 25, bundled: 4 });
  });

  it('one more begins where it is said; one that goes leaves what hung on it to what it hung on', () => {
    const more = runsOf(addRun('a', tree, 'block')(laid));
    expect(more?.at(-1)).toMatchObject({ from: 'block', end: 'busbar' });
    const less = runsOf(removeRuns('a', tree, ['block'])(laid));
    expect(less?.map(({ id, from }) => [id, from])).toEqual([
      ['main', null],
      ['lamp', 'main'],
      ['dcdc', 'main'],
      ['alternator', 'dcdc'],
    ]);
    // The lead from an alternator means nothing without its charger.
    expect(runsOf(removeRuns('a', tree, ['dcdc'])(laid))?.map(({ id }) => id)).toEqual(['main', 'block', 'lamp']);
    expect(runsOf(removeRuns('a', tree, ['main', 'block'])(laid))?.[0]).toMatchObject({ id: 'lamp', from: null });
  });

  it('property: whatever is taken out of whatever tree, what is left is a tree', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 1, maxLength: 12 }),
        fc.array(fc.nat(11)),
        (ups, gone) => {
          const runs = ups.map((up, k) => run(`r${k}`, k === 0 ? null : `r${Math.floor(up * k)}`, 'busbar'));
          const left = removeRuns(
            'a',
            runs,
            gone.map((k) => `r${k}`),
          )(layRuns('a', runs)(job));
          const system = left.options[0]?.system;
          if (!system) return false;
          expect([...runFaults(system, left.loads, '')]).toEqual([]);
          expect(runsOf(left)).toHaveLength(runs.filter((_, k) => !gone.includes(k)).length);
          return true;
        },
      ),
    );
  });
});

describe('what an edit elsewhere takes away', () => {
  const [option] = laid.options;
  if (!option) throw new Error('an option');
  const withSystem = (change: Partial<typeof option.system>): Job => ({
    ...laid,
    options: [{ ...option, system: { ...option.system, ...change } }],
  });

  it('takes the leads to it along; a lead on which others hang becomes a busbar', () => {
    expect(runsOf(withoutLost(withSystem({ driving: [] })))?.map(({ id }) => id)).toEqual(['main', 'block', 'lamp']);
    const lamps = tree.map((one) => (one.id === 'lamp' ? { ...one, loads: ['gone'] } : one));
    const next = [...lamps, run('further', 'lamp', 'busbar'), run('end', 'further', 'loads', { loads: [] })];
    const left = runsOf(withoutLost(withSystem({ runs: next })));
    expect(left?.find(({ id }) => id === 'lamp')).toMatchObject({ end: 'busbar', loads: [] });
    expect(left?.some(({ id }) => id === 'further')).toBe(true);
  });

  it('leaves a job of which nothing is lost the very same', () => {
    const whole = withSystem({ runs: tree.map((one) => (one.id === 'lamp' ? { ...one, loads: [] } : one)) });
    expect(withoutLost(whole)).toBe(whole);
    expect(withoutLost(job)).toBe(job);
  });
});
