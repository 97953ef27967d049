import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readField, readInput } from './field.ts';
import { bothReadings, lastGroup, NUMERAL, readNumber } from './numeral.ts';
import { readText } from './readText.ts';

describe('numbers', () => {
  it.each([
    ['3', 3],
    ['3,5', 3.5],
    ['2 400', 2400],
    ['2\u202f400', 2400],
    ["2'400", 2400],
    ['12 400,5', 12_400.5],
    ['1/3', 1 / 3],
    ['1 1/2', 1.5],
    ['2-1/2', 2.5],
    ['¾', 0.75],
    ['1½', 1.5],
    ['1 ½', 1.5],
    ['1.5e3', 1500],
    ['2e-1', 0.2],
    ['7/8', 0.875],
  ])('%s is %d', (text, value) => {
    expect(readNumber(text)).toBeCloseTo(value, 12);
    expect(new RegExp(`^${NUMERAL}$`, 'iu').test(text)).toBe(true);
  });

  it.each(['', 'x', '1,2,3', '.', '-3', '1e', '1 2'])('%j is none', (text) => {
    expect(readNumber(text)).toBeNaN();
  });

  it.each([
    ['2.400', 2.4, 2400],
    ['1,350', 1.35, 1350],
    ['999.999', 999.999, 999_999],
  ])('%s has two readings', (text, decimal, grouped) => {
    expect(bothReadings(text)).toEqual({ decimal, grouped });
  });

  it.each(['0.400', '2.40', '2.4000', '2400', '1.200.300', '01.200'])('%s has but one', (text) => {
    expect(bothReadings(text)).toBeNull();
  });

  it('blanks that group nothing are given back', () => {
    expect(lastGroup('17 230')).toEqual({ text: '230', skip: 3 });
    expect(lastGroup('230')).toBeNull();
  });

  it('property: any number written with two decimals, in either mark, grouped or not, is read back', () => {
    const group = (whole: number, mark: string) => String(whole).replace(/\B(?=(\d{3})+$)/g, mark);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 99_999_999 }),
        fc.integer({ min: 0, max: 99 }),
        fc.constantFrom<readonly [string, string]>(
          [',', '.'],
          ['.', ','],
          [' ', ','],
          ["'", '.'],
          ['', '.'],
          ['', ','],
        ),
        (whole, cents, [mark, decimal]) => {
          const text = `${group(whole, mark)}${decimal}${String(cents).padStart(2, '0')}`;
          expect(readNumber(text)).toBeCloseTo(whole + cents / 100, 6);
        },
      ),
    );
  });
});

describe('fields ask as the line does', () => {
  const problem = (text: string, kind: Parameters<typeof readField>[1] = 'power') => {
    const read = readField(text, kind);
    return 'problem' in read ? read.problem : null;
  };

  it.each([
    ['2.400 W', /2\.4 or 2400/],
    ['2.400', /2\.4 or 2400/],
    ['60W 12V 10A', /are 120 W, not 60 W/],
    ['200 W per day', /Did you mean 200 Wh/],
    ['16A breaker', /not a load/],
    ['40W 60W', /Write a power/],
    ['20-40W', /Did you mean 20 W/],
    ['12V', /Write a power/],
  ])('%s: %s', (text, words) => {
    expect(problem(text)).toMatch(words);
  });

  it.each([
    ['60 W at night', /“night” was not understood/],
    ['60 W standby', /“standby” was not understood/],
  ])('and drop no word: %s', (text, words) => {
    expect(problem(text)).toMatch(words);
  });

  it.each([
    ['1/2 hp', /373 W are of the shaft/],
    ['5000 Btu/h', /1465 W are of cooling or heating/],
    ['700 W cooking', /700 W are what it cooks with/],
    ['100 W rms', /100 W are of sound/],
    ['200 W peak', /200 W are of its start/],
    ['18 W total', /18 W are of all pieces/],
  ])('what an appliance takes in is none of these: %s', (text, words) => {
    const read = readInput(text);
    expect('problem' in read ? read.problem : read.value).toMatch(words);
  });

  it.each([
    ['60 W', 60],
    ['rated 60 W', 60],
    ['1.2 kW input', 1200],
    ['40 W average', 40],
    ['12 V 3.5 A', 42],
  ])('what an appliance takes in: %s', (text, watts) => {
    expect(readInput(text)).toEqual({ value: watts });
  });

  it.each([
    ['1/3 hp', 248.57],
    ['60W 12V 5A', 60],
    ['2 400 W', 2400],
    ['2,4 kW', 2400],
    ['1.350 kW', 1350],
    ['9000 btu', 2637.64],
    ['1.5e3', 1500],
  ])('%s is %d W', (text, watts) => {
    const read = readField(text, 'power');
    expect('value' in read && read.value).toBeCloseTo(watts, 1);
  });

  it('below nothing is told by its sign', () => {
    expect(readField('-5', 'power')).toEqual({ value: -5 });
    expect(readField('−5', 'power')).toEqual({ value: -5 });
  });
});

describe('times and counts in words', () => {
  const kinds = (text: string) =>
    readText(text).facts.map(({ kind, value, second }) =>
      second === undefined ? [kind, value] : [kind, value, second],
    );

  it.each<[string, (string | number)[][]]>([
    ['an hour and a half', [['duration', 90]]],
    ['2 h 5', [['duration', 125]]],
    ['45 minutes a day', [['duration', 45]]],
    ['24/7', [['duration', 1440]]],
    ['round the clock', [['duration', 1440]]],
    ['from 7am to 9:30pm', [['clock', 420, 1290]]],
    ['7-9pm', [['clock', 1140, 1260]]],
    ['22:00 – 06:00', [['clock', 1320, 360]]],
    ['twice daily', [['times', 2]]],
    ['3 times per day', [['times', 3]]],
    ['4x/day', [['times', 4]]],
    ['once a fortnight', [['days-per-week', 0.5]]],
    ['every second day', [['days-per-week', 3.5]]],
    ['mondays and fridays', [['days-per-week', 2]]],
    ['5 nights a week', [['days-per-week', 5]]],
    ['90 s every 15 min', [['every', 1.5, 15]]],
    ['10 min/h', [['every', 10, 60]]],
    [
      '3 x 4 W',
      [
        ['count', 3],
        ['power', 4],
      ],
    ],
    [
      '3 x 4 min',
      [
        ['times', 3],
        ['duration', 4],
      ],
    ],
    [
      '4 min x 3',
      [
        ['duration', 4],
        ['times', 3],
      ],
    ],
    [
      '10W x 3',
      [
        ['power', 10],
        ['count', 3],
      ],
    ],
    [
      'a dozen of 2W',
      [
        ['count', 12],
        ['power', 2],
      ],
    ],
    [
      '12 off 2W',
      [
        ['count', 12],
        ['power', 2],
      ],
    ],
    ['0.35 kWh per wash', [['energy-per-use', 350]]],
    ['35 kWh / 100 washes', [['energy-per-use', 350]]],
    ['1 kWh/1000h', [['power', 1]]],
    ['14 kWh/week', [['energy-per-day', 2000]]],
    ['30 Ah a day', [['charge-per-day', 30]]],
  ])('%s', (text, expected) => {
    const found = kinds(text);
    expect(found.map(([kind]) => kind)).toEqual(expected.map(([kind]) => kind));
    found.forEach((fact, i) => {
      for (const [j, value] of fact.slice(1).entries())
        expect(value as number).toBeCloseTo(expected[i]?.[j + 1] as number, 6);
    });
  });
});
