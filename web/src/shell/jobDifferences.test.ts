import { expect, it } from 'vitest';
import { namesOnlyIn } from './jobDifferences.ts';

it('names what only the first list has, by id and not by name', () => {
  const [fridge, lamp, other] = [
    { id: 'a', name: 'Fridge' },
    { id: 'b', name: 'Lamp' },
    { id: 'c', name: 'Fridge' },
  ];
  expect(namesOnlyIn([fridge, lamp], [other])).toBe('Fridge, Lamp');
  expect(namesOnlyIn([fridge, lamp], [{ ...fridge, name: 'Cool box' }])).toBe('Lamp');
  expect(namesOnlyIn([fridge], [fridge, lamp])).toBe('');
});
