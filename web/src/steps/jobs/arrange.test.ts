import { describe, expect, it } from 'vitest';
import type { JobListing } from '../../edges/answers.ts';
import { arrange } from './arrange.ts';

const job = (title: string, part: Partial<JobListing> = {}): JobListing => ({
  id: title,
  version: 1,
  updatedAt: '2026-01-01T00:00:00Z',
  title,
  client: '',
  vehicle: '',
  loads: 0,
  summary: null,
  ...part,
});
const summary = (needWh: number, stops: number, cautions = 0) => ({ needWh, stops, cautions });
const jobs = [
  job('Bus', { client: 'Ada', updatedAt: '2026-01-03T00:00:00Z', summary: summary(500, 0, 2) }),
  job('Van', { vehicle: 'high roof', updatedAt: '2026-01-05T00:00:00Z' }),
  job('Ark', { client: 'Adam', updatedAt: '2026-01-04T00:00:00Z', summary: summary(2000, 1) }),
];
const titles = (word: string, order: Parameters<typeof arrange>[2]) =>
  arrange(jobs, word, order).map(({ title }) => title);

describe('the list of jobs', () => {
  it('is found by words of name, client or vehicle, all of them', () => {
    expect(titles('ADA', 'name')).toEqual(['Ark', 'Bus']);
    expect(titles('ada bus', 'name')).toEqual(['Bus']);
    expect(titles('roof', 'name')).toEqual(['Van']);
    expect(titles('  ', 'name')).toHaveLength(3);
    expect(titles('nobody', 'name')).toEqual([]);
  });

  it('is sorted by what is asked for; what is not reckoned yet comes last', () => {
    expect(titles('', 'touched')).toEqual(['Van', 'Ark', 'Bus']);
    expect(titles('', 'name')).toEqual(['Ark', 'Bus', 'Van']);
    expect(titles('', 'need')).toEqual(['Ark', 'Bus', 'Van']);
    expect(titles('', 'findings')).toEqual(['Ark', 'Bus', 'Van']);
  });
});
