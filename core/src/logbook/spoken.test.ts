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
  // Times since the beginning and of the day, what the display promises, two places, counts in notes.
  [
    '8 h: 84 %, display 1 day, lid three times, battery 12.3, fridge 12.2',
    {
      at: { sinceMin: 480 },
      values: { soc: 84, v: 12.3 },
      toGo: '1 day',
      note: 'lid three times, fridge 12.2',
    },
  ],
  ['at 2 h 91 percent', { at: { sinceMin: 120 }, values: { soc: 91 } }],
  ['after 90 min: 40 W', { at: { sinceMin: 90 }, values: { w: 40 } }],
  ['2 h 30 in, 88 %', { at: { sinceMin: 150 }, values: { soc: 88 } }],
  ['two hours, eighty eight percent', { at: { sinceMin: 120 }, values: { soc: 88 } }],
  ['84 %, at 2 h', { at: { sinceMin: 120 }, values: { soc: 84 } }],
  ['84 % after 90 min', { at: { sinceMin: 90 }, values: { soc: 84 } }],
  ['lid opened, 84 % at 14:30', { at: { clockMin: 870 }, values: { soc: 84 }, note: 'lid opened' }],
  ['12 point 6 volts', { values: { v: 12.6 } }],
  ['one hundred and five watts', { values: { w: 105 } }],
  ['14:30 84 %', { at: { clockMin: 870 }, values: { soc: 84 } }],
  ['12:30 pm 84 %', { at: { clockMin: 750 }, values: { soc: 84 } }],
  ['12:30 am 84 %', { at: { clockMin: 30 }, values: { soc: 84 } }],
  ['at 2 pm: 84 %', { at: { clockMin: 840 }, values: { soc: 84 } }],
  ['2:15 pm, 12.6 V', { at: { clockMin: 855 }, values: { v: 12.6 } }],
  ['−6.2 A, 20.6 Ah used, 29 h left', { values: { a: -6.2, ah: 20.6 }, toGo: '29 h' }],
  ['84 %, 1 d 4 h left', { values: { soc: 84 }, toGo: '1 d 4 h' }],
  ['battery 12.3 V, fridge says 12.2 V', { values: { v: 12.3 }, note: 'fridge 12.2 V' }],
  ['fridge 12.2 V, battery 12.3 V', { values: { v: 12.3 }, note: 'fridge 12.2 V' }],
  ['81 %, lid 3 times, setting 4', { values: { soc: 81 }, note: 'lid 3 times, setting 4' }],
  ['lid open 5 min, 80 %', { values: { soc: 80 }, note: 'lid open 5 min' }],
  ['81 % and three cold drinks went in', { values: { soc: 81 }, note: 'three cold drinks went in' }],
  // What is not clear is asked about.
  ['81 % 5 min', { question: '“5 min” since when? Say “at 2 h” or “2 h left”.' }],
  ['battery 84', { question: expect.stringContaining('“84” of what?') }],
  ['fridge 12.2 V, tap 12.3 V', { question: expect.stringContaining('Two times volts') }],
  ['81', { question: '“81” of what? Say percent, volts, amps, watts, watt-hours, amp-hours or degrees.' }],
  ['2 MW', { question: expect.stringContaining('of what?') }],
  ['3 MWh', { note: '3 MWh' }],
  ['81 percent 40', { question: expect.stringContaining('“40” of what?') }],
  ['80 percent 81 percent', { question: 'Two times state of charge: 80 and 81 %. Say one of them.' }],
  ['start stop', { question: 'Both start and stop: say one of them.' }],
  ['140 percent', { question: '140 % is not between 0 and 100.' }],
  ['', {}],
  ['   ', {}],
];

describe('a reading as it is said', () => {
  it.each(SAID)('“%s”', (said, meant) => {
    expect(readSpoken(said)).toEqual({
      at: null,
      mark: null,
      values: {},
      toGo: '',
      note: '',
      question: null,
      ...meant,
    });
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
        const { at, mark, note, toGo, values, question } = readSpoken(words.join(' '));
        const said = at !== null || mark !== null || toGo !== '' || question !== null || Object.keys(values).length > 0;
        expect(said || note === words.join(' ')).toBe(true);
      }),
    );
  });
});
