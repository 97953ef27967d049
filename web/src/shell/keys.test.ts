import { describe, expect, it } from 'vitest';
import { isPlain, shownKeys } from './keys.ts';

describe('keys', () => {
  it.each([
    ['g l', 'G, then L'],
    ['$mod+Shift+z', 'Ctrl Shift Z'],
    ['Alt+PageDown', 'Alt PageDown'],
    ['/', '/'],
  ])('%s is shown as %s', (keys, shown) => {
    expect(shownKeys(keys)).toBe(shown);
  });

  it.each([
    ['/', true],
    ['?', true],
    ['g l', true],
    ['Escape', true],
    ['$mod+k', false],
    ['Alt+PageDown', false],
  ])('%s is text in a field: %s', (keys, plain) => {
    expect(isPlain(keys)).toBe(plain);
  });
});
