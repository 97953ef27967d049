import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pattern } from './pattern.ts';

describe('patterns of the readers', () => {
  it.each([
    ['Kühlbox', true],
    ['entrée', true],
    ['φ', true],
    ['лампа', true],
    ['ÅNGSTRÖM', true],
    ['×', false],
    ['÷', false],
    ['5', false],
    ['°', false],
    ['灯', false],
  ])('a letter begins %s: %s', (text, isLetter) => {
    expect(pattern('^\\p{L}').test(text)).toBe(isLetter);
    expect(pattern('^\\P{L}').test(text)).toBe(!isLetter);
    expect(pattern(/^[\p{L}]/iu).test(text)).toBe(isLetter);
  });

  it('stands within a class beside others, and does not close it', () => {
    const words = pattern(/(?<![\p{L}\d])(ü|x)(?![\p{L}\d.])/giu);
    expect([...'ü 5ü üb ü. (ü) Ü x] [x'.matchAll(words)].map(({ index }) => index)).toEqual([0, 12, 15, 17, 21]);
    expect(pattern('[\\]\\p{L}]+').exec('-]é]-')?.[0]).toBe(']é]');
  });

  it('is made once, and keeps its flags', () => {
    expect(pattern('a\\p{L}')).toBe(pattern('a\\p{L}'));
    expect(pattern('a\\p{L}', 'giu').flags).toBe('giu');
    expect(pattern(/a/iu).flags).toBe('iu');
  });

  it('tells the letters of these scripts as all of Unicode does', () => {
    const latin = fc.integer({ min: 0x20, max: 0x24f });
    fc.assert(
      fc.property(fc.oneof(latin, fc.integer({ min: 0x386, max: 0x481 })), (code) => {
        const sign = String.fromCodePoint(code);
        if (/[\u0387\u038b\u038d\u03a2\u03f6]/.test(sign)) return;
        expect(pattern('^\\p{L}$').test(sign), sign).toBe(/^\p{L}$/u.test(sign));
      }),
      { numRuns: 600 },
    );
  });
});
