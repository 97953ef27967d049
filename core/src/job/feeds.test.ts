import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { assess } from '../assess/assess.ts';
import { applyMoves } from '../moves/move.ts';
import { aJob, aLoad, withSystem } from '../test/jobs.ts';
import { asFed, fedBy, withoutFeeds, withoutLostDevices } from './feeds.ts';
import { mergeJobs } from './merge.ts';
import type { Job } from './schema.ts';
import { validateJob } from './validate.ts';

/** A laptop on its mains adapter in a job of two options: A at 12 V, B at 24 V. */
function twoOptions(): Job {
  const job = aJob([aLoad({ watts: 60, hours: 5, path: 'inverter-adapter' }), aLoad({ watts: 800, path: 'inverter' })]);
  const [a] = job.options;
  if (!a) throw new Error('a blank job has an option');
  const b = { ...a, id: 'b', name: 'B 24 V', system: { ...a.system, busVoltageV: 24 as const } };
  return { ...job, options: [a, b] };
}

const DC = { path: 'dc-dc', device: null, converterEfficiency: null } as const;
const optionOf = (job: Job, id: string) => job.options.find((option) => option.id === id) as Job['options'][number];
const need = (job: Job, id: string) => assess(job, id).figures['demand.battery'].value;

describe('how a load is fed', () => {
  it('in one option of two changes that option alone', () => {
    const job = twoOptions();
    const fed = fedBy(job, 'b', 'load-0', () => DC);
    expect(fed.loads).toBe(job.loads);
    expect(optionOf(fed, 'b').feeds).toEqual([{ load: 'load-0', ...DC }]);
    expect(need(fed, 'a')).toBe(need(job, 'a'));
    expect(need(fed, 'b')).toBeLessThan(need(job, 'b'));
    // As if the load had been on that path all along.
    const allAlong = { ...job, loads: job.loads.map((load, i) => (i === 0 ? { ...load, ...DC } : load)) };
    expect(need(fed, 'b')).toBe(need(allAlong, 'b'));
    expect(validateJob(fed).ok).toBe(true);
  });

  it('in a job of one option is its usual way', () => {
    const fed = fedBy(aJob([aLoad({ path: 'inverter-adapter' })]), 'a', 'load-0', () => DC);
    expect(fed.loads[0]).toMatchObject(DC);
    expect(fed.options[0]?.feeds).toEqual([]);
  });

  it('as usual again is no longer said', () => {
    const job = twoOptions();
    const back = fedBy(
      fedBy(job, 'b', 'load-0', () => DC),
      'b',
      'load-0',
      (way) => ({ ...way, path: 'inverter-adapter' }),
    );
    expect(back.options).toEqual(job.options);
  });

  it('of what did not change stays the very same object, so that a page need not draw it again', () => {
    const job = fedBy(twoOptions(), 'b', 'load-0', () => DC);
    const fed = asFed(job, optionOf(job, 'b'));
    expect(fed.loads[1]).toBe(job.loads[1]);
    expect(asFed(job, optionOf(job, 'b')).loads).toBe(fed.loads);
    expect(asFed(job, optionOf(job, 'a'))).toBe(job);
  });

  it('goes with its load, and leaves a device that goes', () => {
    const job = withSystem(twoOptions(), {});
    const fed = fedBy(job, 'a', 'load-1', (way) => ({ ...way, device: 'second' }));
    expect(withoutFeeds(fed, ['load-1']).options).toEqual(job.options);
    expect(optionOf(withoutLostDevices(fed), 'a').feeds).toEqual([]);
    expect(validateJob(fed).ok).toBe(false);
    expect(validateJob(withoutLostDevices(fed)).ok).toBe(true);
  });

  it('moves with the option a move is ticked in', () => {
    const job = twoOptions();
    const moved = applyMoves(job, 'b', [{ id: 'dc-converter load-0', kind: 'dc-converter', loadId: 'load-0' }]);
    expect(optionOf(moved, 'b').feeds[0]).toMatchObject({ load: 'load-0', path: 'dc-dc' });
    expect(moved.loads).toEqual(job.loads);
    expect(optionOf(moved, 'a')).toEqual(optionOf(job, 'a'));
  });

  it('on gas in one option leaves the other on mains; the fan’s watts are the load’s own', () => {
    const job = twoOptions();
    const fuel = { id: 'fuel load-1', kind: 'fuel', loadId: 'load-1', residueW: 7 } as const;
    const moved = applyMoves(job, 'b', [fuel]);
    expect(optionOf(moved, 'b').feeds).toEqual([
      { load: 'load-1', path: 'fuel', device: null, converterEfficiency: null },
    ]);
    expect(moved.loads[1]).toMatchObject({ path: 'inverter', residueW: 7 });
    // 7 W for an hour instead of 800 W through the inverter; option A pays for the 800 W as before.
    expect(need(moved, 'a')).toBeCloseTo(need(job, 'a'), 9);
    expect(need(moved, 'b')).toBeLessThan(need(job, 'b') - 800);
  });

  it('is merged by load when two people change different ones', () => {
    const job = twoOptions();
    const mine = fedBy(job, 'b', 'load-0', () => DC);
    const theirs = fedBy(job, 'b', 'load-1', (way) => ({ ...way, path: 'supply-only' }));
    const merged = mergeJobs(job, mine, theirs);
    // What was saved first stands first.
    expect(merged && optionOf(merged, 'b').feeds.map(({ load }) => load)).toEqual(['load-1', 'load-0']);
    const other = fedBy(job, 'b', 'load-0', (way) => ({ ...way, path: 'direct' }));
    expect(mergeJobs(job, mine, other)).toBeNull();
  });

  it.each([
    ['a load that is not there', [{ load: 'nobody', ...DC }], '/options/1/feeds/0'],
    ['a load twice', [0, 1].map(() => ({ load: 'load-0', ...DC })), '/options/1/feeds/1/load'],
    ['a device of nobody', [{ load: 'load-0', ...DC, device: 'gone' }], '/options/1/feeds/0/device'],
  ])('of %s is refused, naming the place', (_name, feeds, path) => {
    const job = twoOptions();
    const checked = validateJob({ ...job, options: [job.options[0], { ...job.options[1], feeds }] });
    if (checked.ok) throw new Error('it was taken');
    expect(checked.faults[0]?.path).toBe(path);
  });

  it('never changes another option, whatever the edits', () => {
    const paths = ['direct', 'dc-dc', 'inverter', 'inverter-adapter', 'fuel'] as const;
    const step = fc.record({
      option: fc.constantFrom('a', 'b'),
      load: fc.nat({ max: 1 }),
      path: fc.constantFrom(...paths),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 8 }), (steps) => {
        let job = twoOptions();
        const said = new Map<string, string>();
        for (const { option, load, path } of steps) {
          job = fedBy(job, option, `load-${load}`, (way) => ({ ...way, path }));
          said.set(`${option} ${load}`, path);
        }
        for (const option of ['a', 'b'])
          for (const [i, load] of asFed(job, optionOf(job, option)).loads.entries())
            expect(load.path).toBe(said.get(`${option} ${i}`) ?? twoOptions().loads[i]?.path);
        expect(validateJob(job).ok).toBe(true);
      }),
    );
  });
});
