import { describe, expect, it } from 'vitest';
import { boundsFault } from './bounds.ts';

const nested = (levels: number): unknown => (levels === 0 ? 1 : [nested(levels - 1)]);
const keys = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`k${i}`, i]));
const lists = (count: number, each: number) => Array.from({ length: count }, () => Array(each).fill(0));

describe('what is too much of a document', () => {
  it.each<[string, unknown]>([
    ['nothing at all', null],
    ['0 and −0', [0, -0]],
    ['the least and the largest quantity of either sign', [1e-9, -1e-9, 1e12, -1e12]],
    ['a list of 1,000', Array(1000).fill('x')],
    ['100 keys of 60 letters', { ...keys(99), ['k'.repeat(60)]: true }],
    ['20 levels', nested(20)],
    // One for the whole and one for each list.
    ['200,000 values', lists(200, 998).concat([Array(198).fill(0)])],
  ])('not %s', (_what, document) => {
    expect(boundsFault(document)).toBeNull();
  });

  it.each<[string, unknown, string, string]>([
    ['a number nearer to 0', { a: [1, { b: 0.9e-9 }] }, '/a/1/b', '0, or a number between 1e-9 and 1e12 in size'],
    ['a larger one, negative', { a: [-1.1e12] }, '/a/0', '0, or a number between 1e-9 and 1e12 in size'],
    ['what is no number', Number.NaN, '/', '0, or a number between 1e-9 and 1e12 in size'],
    ['a list of 1,001', { a: { b: Array(1001).fill(0) } }, '/a/b', 'at most 1000 entries'],
    ['101 keys', [keys(101)], '/0', 'at most 100 keys'],
    ['a key of 61 letters', { a: { ['k'.repeat(61)]: 1 } }, `/a/"${'k'.repeat(59)}…`, 'a key of at most 60 characters'],
    ['21 levels', nested(21), '/0'.repeat(20), 'at most 20 levels inside one another'],
    ['200,001 values', lists(200, 998).concat([Array(199).fill(0)]), '/200/198', 'at most 200000 values in all'],
  ])('%s, at its place', (_what, document, path, expected) => {
    expect(boundsFault(document)).toMatchObject({ path, expected });
  });

  it('a list of hours may be longer where it is asked so', () => {
    expect(boundsFault(Array(1001).fill(0), 8784)).toBeNull();
    expect(boundsFault(Array(8785).fill(0), 8784)?.expected).toBe('at most 8784 entries');
  });
});
