import { blankJob, type Job } from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import type { StoredJob } from './answers.ts';
import { joinLeft } from './joinLeft.ts';
import type { Waiting } from './waiting.ts';

const base = blankJob('base');
const stored: StoredJob = { id: 'j', version: 4, updatedAt: '2026-01-01T00:00:00Z', job: base };
let made = 0;
const left = (change: Partial<Job>, part: Partial<Waiting> = {}): Waiting => ({
  session: `s${made++}`,
  jobId: 'j',
  baseVersion: 4,
  base,
  job: { ...base, ...change },
  edits: 1,
  at: '2026-01-01T00:00:00Z',
  ...part,
});

describe('what closed tabs left', () => {
  it('nothing comes to nothing', () => {
    expect(joinLeft([], stored)).toEqual({ joined: null, apart: [], settled: [] });
  });

  it('what the server has already is settled, whoever kept it', () => {
    const one = left({});
    expect(joinLeft([one], stored)).toEqual({ joined: null, apart: [], settled: [one.session] });
  });

  it('unlike changes of one base are put together, their edits added up', () => {
    const [a, b, c] = [left({ title: 'A' }, { edits: 2 }), left({ client: 'B' }), left({ vehicle: 'C' }, { edits: 4 })];
    const { joined, apart } = joinLeft([a, b, c], stored);
    expect(joined).toMatchObject({ baseVersion: 4, edits: 7, from: [a.session, b.session, c.session] });
    expect(joined?.job).toMatchObject({ title: 'A', client: 'B', vehicle: 'C' });
    expect(apart).toEqual([]);
  });

  it('what clashes with the first stays apart, and what does not clash still joins', () => {
    const [a, clash, c] = [left({ title: 'A' }), left({ title: 'X' }), left({ client: 'C' })];
    const { joined, apart } = joinLeft([a, clash, c], stored);
    expect(joined?.job).toMatchObject({ title: 'A', client: 'C' });
    expect(apart).toEqual([clash]);
  });

  it('edits of another base are never put together, nor those of an unknown one', () => {
    const older = left({ title: 'A' }, { baseVersion: 3 });
    const newer = left({ client: 'B' });
    expect(joinLeft([older, newer], stored)).toMatchObject({ joined: { baseVersion: 3 }, apart: [newer] });
    const unknown = left({ title: 'A' }, { base: null });
    const second = left({ client: 'B' }, { base: null });
    expect(joinLeft([unknown, second], stored).apart).toEqual([second]);
  });

  it('when one of the tabs was saved before it closed, the others go on from it, without a question', () => {
    const saved = left({ title: 'Saved' }, { baseVersion: 3 });
    const newest = { ...stored, job: saved.job };
    const [other, clash] = [left({ client: 'B' }, { baseVersion: 3 }), left({ title: 'X' }, { baseVersion: 3 })];
    const { joined, apart, settled } = joinLeft([saved, other, clash], newest);
    expect(settled).toEqual([saved.session]);
    expect(joined).toMatchObject({ baseVersion: 4, base: saved.job, from: [other.session] });
    expect(joined?.job).toMatchObject({ title: 'Saved', client: 'B' });
    expect(apart).toEqual([clash]);
    // Somebody else's version is still asked about.
    expect(joinLeft([other], { ...stored, job: { ...base, vehicle: 'theirs' } }).joined).toMatchObject({
      baseVersion: 3,
    });
  });
});
