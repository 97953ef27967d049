import { expect, it } from 'vitest';
import { isAdding } from './adding.ts';
import { PARTS, STEPS } from './steps.ts';

it('the steps are numbered in the order of the work, the answer last and without a number', () => {
  const numbers = STEPS.map(({ number }) => number);
  expect(numbers.at(-1)).toBeNull();
  const built = numbers.slice(0, -1) as number[];
  expect(built).toEqual([...new Set(built)].sort((a, b) => a - b));
  expect(built[0]).toBe(1);
});

it('no two share a key, a path or a name; none has the key of another command after G', () => {
  for (const of of ['key', 'path', 'name', 'onPhone'] as const) {
    expect(new Set(STEPS.map((step) => step[of])).size, of).toBe(STEPS.length);
  }
  // G and C is the client's card, G and J the jobs.
  expect(STEPS.map(({ key }): string => key).filter((key) => 'cj'.includes(key))).toEqual([]);
});

it('the parts hold every step once, in order', () => {
  expect(PARTS.flat()).toEqual([...STEPS]);
  expect(PARTS.every((steps) => steps.length > 0)).toBe(true);
});

it.each([
  [{ add: true }, true],
  [{ add: false }, false],
  [{}, false],
  [null, false],
  [undefined, false],
])('whoever leads to the loads with %j wants to add one: %s', (state, expected) => {
  expect(isAdding(state)).toBe(expected);
});
