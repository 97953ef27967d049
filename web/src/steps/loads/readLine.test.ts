import { APPLIANCES } from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import { isOnlySearch, suggestions } from './readLine.ts';

const idsOf = (text: string): string[] => suggestions(text, []).map(({ id }) => id);
const kettle = APPLIANCES.find(({ id }) => id === 'kettle');

describe('types offered below the line', () => {
  it('are those whose words are all there, numbers and times left out', () => {
    expect(idsOf('kettle 2 kW 3x4 min')).toContain('kettle');
    expect(idsOf('ket')[0]).toBe('kettle');
    expect(idsOf('')).toEqual([]);
  });

  it('are those that a strange word does not hide, in any of the languages', () => {
    expect(idsOf('kettle of Anna 2 kW')[0]).toBe('kettle');
    expect(idsOf('Wasserkocher 2000 W 3x täglich 4 min')).toContain('kettle');
  });

  it('are at most six, and of a plate without a name what takes about its watts, from an adapter first', () => {
    expect(idsOf('light').length).toBeLessThanOrEqual(6);
    const near = suggestions('INPUT 100-240V~ 1.5A OUTPUT 19V⎓ 3.42A', []);
    expect(near.length).toBeGreaterThan(0);
    // 19 × 3.42 = 65 W.
    for (const { lowW, highW } of near) expect(lowW <= 64.98 && highW >= 64.98).toBe(true);
    expect(near[0]?.path).toBe('inverter-adapter');
  });
});

it('a name of one’s own stays when a type is chosen; words that only led to it do not', () => {
  if (!kettle) throw new Error('the catalogue has no kettle');
  expect(isOnlySearch('kett 2 kW', kettle)).toBe(true);
  expect(isOnlySearch('tea 900W', kettle)).toBe(true);
  expect(isOnlySearch('Anna’s kettle', kettle)).toBe(false);
  expect(isOnlySearch('Wasserkocher 2 kW', kettle)).toBe(false);
});
