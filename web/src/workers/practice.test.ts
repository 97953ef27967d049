import { readFileSync } from 'node:fs';
import { type Job, runsDetail } from '@joulemetric/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Practice, slightlyOther } from './practice.ts';

describe('practice', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  /** Work that takes so many ms by the clock, told how often it is done. */
  function taking(ms: number) {
    const turns: number[] = [];
    const work = (turn: number) => {
      turns.push(turn);
      vi.spyOn(performance, 'now').mockReturnValue(turns.length * ms);
    };
    vi.spyOn(performance, 'now').mockReturnValue(0);
    return { turns, work };
  }

  it('begins after a rest, goes on turn by turn, and ends when it has had its time', () => {
    const { turns, work } = taking(90);
    new Practice().begin(work);
    vi.advanceTimersByTime(299);
    expect(turns).toEqual([]);
    vi.advanceTimersByTime(1);
    expect(turns).toEqual([0]);
    vi.advanceTimersByTime(60_000);
    // 90 ms each: after the twelfth 1,080 of 1,000 ms are spent.
    expect(turns).toEqual(Array.from({ length: 12 }, (_, i) => i));
  });

  it('of work that takes nearly half a second is done once: a question could come meanwhile', () => {
    const { turns, work } = taking(420);
    new Practice().begin(work);
    vi.advanceTimersByTime(60_000);
    expect(turns).toEqual([0]);
  });

  it('ends when something is asked', () => {
    const { turns, work } = taking(10);
    const practice = new Practice();
    practice.begin(work);
    vi.advanceTimersByTime(330);
    practice.end();
    const done = turns.length;
    vi.advanceTimersByTime(60_000);
    expect(turns.length).toBe(done);
    expect(done).toBeGreaterThan(0);
  });
});

describe('a job that is slightly other', () => {
  const demo = JSON.parse(readFileSync('demo/river-survey-4wd.json', 'utf8')) as Job;
  const [option] = demo.options as [Job['options'][number]];
  const runs = runsDetail(demo, option.id)
    .proposed.slice(0, 2)
    .map((run, i) => ({ ...run, lengthM: i ? 2 : null }));
  const [first, second] = demo.loads as [Job['loads'][number], Job['loads'][number]];
  const job: Job = {
    ...demo,
    loads: [first, second].map((load) => ({ ...load, residueW: 0 })),
    options: [
      { ...option, system: { ...option.system, runs } },
      { ...option, id: 'b' },
    ],
  };
  const residues = (turn: number) => slightlyOther(job, option.id, turn).loads.map(({ residueW }) => residueW);
  const lengths = (turn: number) =>
    slightlyOther(job, option.id, turn).options[0]?.system.runs?.map(({ lengthM }) => lengthM);

  it('differs in one load and in one run, by turns, and no turn is like another', () => {
    expect([0, 1, 2].map(residues)).toEqual([
      [0.001, 0],
      [0, 0.002],
      [0.003, 0],
    ]);
    expect([0, 1, 2].map(lengths)).toEqual([
      [1.001, 2],
      [null, 2.002],
      [1.003, 2],
    ]);
  });

  it('shares all the rest, and lays no runs where none are laid', () => {
    const other = slightlyOther(job, option.id, 1);
    expect(other.brief).toBe(job.brief);
    expect(other.loads[0]).toBe(job.loads[0]);
    expect(other.options[1]).toBe(job.options[1]);
    const open = { ...job, options: demo.options.map((one) => ({ ...one, system: { ...one.system, runs: null } })) };
    expect(slightlyOther(open, option.id, 1).options[0]?.system.runs).toBeNull();
    expect(slightlyOther({ ...job, loads: [] }, option.id, 1).loads).toEqual([]);
  });
});
