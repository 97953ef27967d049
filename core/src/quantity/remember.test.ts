import { expect, it } from 'vitest';
import { remembering } from './remember.ts';

/** A maker that counts, and says what it made of which thing. */
function counted(kept?: number) {
  const remembered = remembering<object, number>(kept);
  let made = 0;
  const of = (thing: object, ...from: unknown[]) => remembered(thing, from, () => ++made);
  return { of, made: () => made };
}

it('remembers while all that something was made from is the very same, NaN and −0 told apart from 0', () => {
  const { of, made } = counted();
  const [thing, part] = [{}, {}];
  expect(of(thing, 1, part)).toBe(1);
  expect(of(thing, 1, part)).toBe(1);
  expect(of(thing, 1, { ...part })).toBe(2);
  expect(of(thing, Number.NaN)).toBe(3);
  expect(of(thing, Number.NaN)).toBe(3);
  expect(of(thing, 0)).toBe(4);
  expect(of(thing, -0)).toBe(5);
  expect(of(thing)).toBe(6);
  expect(made()).toBe(6);
});

it('keeps things apart, and of each as many as it is told, the newest', () => {
  const { of } = counted(2);
  const [one, other] = [{}, {}];
  expect(of(one, 'a')).toBe(1);
  expect(of(other, 'a')).toBe(2);
  expect(of(one, 'b')).toBe(3);
  expect(of(one, 'a')).toBe(1);
  expect(of(one, 'c')).toBe(4);
  expect(of(one, 'b')).toBe(3);
  expect(of(one, 'a')).toBe(5);
});

it('remembers that there is nothing, too', () => {
  const remembered = remembering<object, null>();
  const thing = {};
  let asked = 0;
  const nothing = () => {
    asked++;
    return null;
  };
  expect([remembered(thing, [], nothing), remembered(thing, [], nothing)]).toEqual([null, null]);
  expect(asked).toBe(1);
});
