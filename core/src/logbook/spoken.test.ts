import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { QUANTITIES, QUANTITY } from './quantities.ts';
import { readSpoken } from './spoken.ts';

/** What is said → what it is, written before the reader was. */
const SAID: readonly (readonly [said: string, meant: Partial<ReturnType<typeof readSpoken>>])[] = [
  ['stop', { mark: 'stop' }],
  ['Stopped.', { mark: 'stop' }],
  ['start, 98 percent', { mark: 'start', values: { soc: 98 } }],
  ['started at 98 per cent', { mark: 'start', values: { soc: 98 } }],
  ['eighty two percent', { values: { soc: 82 } }],
  ['eighty-two percent 12.6 volts', { values: { soc: 82, v: 12.6 } }],
  ['twelve point six volts and minus four amps', { values: { v: 12.6, a: -4 } }],
  ['minus 6.5 amps', { values: { a: -6.5 } }],
  ['one hundred and twenty watts', { values: { w: 120 } }],
  ['a thousand two hundred watts', { values: { w: 1200 } }],
  ['1.2 kilowatts', { values: { w: 1200 } }],
  ['0.85 kilowatt hours', { values: { wh: 850 } }],
  ['20.6 amp hours', { values: { ah: 20.6 } }],
  ['18 degrees', { values: { c: 18 } }],
  ['64 degrees fahrenheit', { values: { c: expect.closeTo(17.78, 2) } }],
  ['next phase', { mark: 'phase' }],
  ['phase, heating', { mark: 'phase', note: 'heating' }],
  ['cut out at 14 percent', { mark: 'cut-out', values: { soc: 14 } }],
  ['it cut out', { mark: 'cut-out' }],
  ['at rest 12,8 V', { mark: 'rest', values: { v: 12.8 } }],
  ['81 % 40 W door opened twice', { values: { soc: 81, w: 40 }, note: 'door opened twice' }],
  ['door opened twice', { note: 'door opened twice' }],
  ['zero watts', { values: { w: 0 } }],
  // What is not clear is asked about.
  ['81', { question: '“81” of what? Say percent, volts, amps, watts, watt-hours, amp-hours or degrees.' }],
  ['81 percent 40', { question: expect.stringContaining('“40” of what?') }],
  ['80 percent 81 percent', { question: 'Two times state of charge: 80 and 81 %. Say one of them.' }],
  ['start stop', { question: 'Both start and stop: say one of them.' }],
  ['140 percent', { question: '140 % is not between 0 and 100.' }],
  ['', {}],
  ['   ', {}],
];

describe('a reading as it is said', () => {
  it.each(SAID)('“%s”', (said, meant) => {
    expect(readSpoken(said)).toEqual({ mark: null, values: {}, note: '', question: null, ...meant });
  });

  it('property: every quantity said with its unit is taken as it is, in any order', () => {
    const one = fc.constantFrom(...QUANTITIES).chain((quantity) => {
      const { least, most } = QUANTITY[quantity];
      const value = fc.integer({ min: Math.max(least, -999), max: Math.min(most, 999) });
      return fc.tuple(fc.constant(quantity), value);
    });
    fc.assert(
      fc.property(fc.uniqueArray(one, { selector: ([quantity]) => quantity, minLength: 1 }), (said) => {
        const text = said.map(([quantity, value]) => `${value} ${QUANTITY[quantity].unit}`).join(', ');
        const { values, question, note } = readSpoken(text);
        expect([question, note]).toEqual([null, '']);
        expect(values).toEqual(Object.fromEntries(said.map(([quantity, value]) => [quantity, value + 0])));
      }),
    );
  });

  it('property: nothing that is said is lost: words are a value, a mark, a note or a question', () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[a-z]{3,8}$/), { minLength: 1, maxLength: 6 }), (words) => {
        const { mark, note, values, question } = readSpoken(words.join(' '));
        const said = mark !== null || question !== null || Object.keys(values).length > 0;
        expect(said || note === words.join(' ')).toBe(true);
      }),
    );
  });
});
