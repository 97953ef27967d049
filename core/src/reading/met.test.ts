import { describe, expect, it } from 'vitest';
import type { Load, Use } from '../job/schema.ts';
import { aLoad } from '../test/jobs.ts';
import { unmet } from '../test/unmet.ts';
import { proposeLoad } from './propose.ts';
import { readText } from './readText.ts';

const at = (hour: number, minutes: number): Use => ({ startMin: hour * 60, minutes });

/** What of a line a load does not do, as it stands there. */
const misses = (text: string, part: Partial<Load> & { readonly watts?: number }) =>
  unmet(readText(text), aLoad({ watts: 60, uses: [at(18, 60)], ...part }), 12);

describe('what a load does not do of its line', () => {
  it.each([
    ['3x a day', { uses: [at(8, 60), at(18, 60)] }, ['3x a day']],
    ['3x a day', { uses: [at(8, 60), at(12, 60), at(18, 60)] }, []],
    ['60x a day', { uses: [at(8, 60)] }, ['60x a day']],
    ['from 8 to 18', { uses: [at(8, 600)] }, []],
    ['from 8 to 18', { uses: [at(9, 60), at(17, 61)] }, []],
    ['from 8 to 18', { uses: [at(9, 60), at(17.5, 60)] }, ['from 8 to 18']],
    ['from 22 to 6', { uses: [at(23, 300)] }, []],
    ['from 22 to 6', { uses: [at(23, 500)] }, ['from 22 to 6']],
    ['at 6pm', { uses: [at(18, 60)] }, []],
    ['at 6pm', { uses: [at(19, 60)] }, ['at 6pm']],
    ['2 h', { uses: [at(8, 120), at(18, 120)] }, []],
    ['2 h', { uses: [at(8, 60), at(18, 60)] }, []],
    ['2 h', { uses: [at(8, 60)], quantity: 2 }, []],
    ['2 h', { uses: [at(8, 90)] }, ['2 h']],
    ['1 h 30 min', { uses: [at(8, 90)] }, []],
    ['1 h 30 min', { uses: [at(8, 60)] }, ['1 h 30 min']],
    ['10 min every hour', { uses: [at(8, 10), at(9, 10), at(10, 10)] }, []],
    ['10 min every hour', { uses: [at(8, 60), at(9, 60), at(10, 60)] }, ['10 min every hour']],
    ['10 min every hour', { uses: [at(0, 1440)] }, ['10 min every hour']],
    ['2 days a week', { daysPerWeek: 3 }, ['2 days a week']],
    ['2 days a week', { daysPerWeek: 2 }, []],
    ['weekends', { daysPerWeek: 2 }, ['weekends']],
    ['weekends', { daysPerWeek: 2, variants: [{ on: 'weekday', uses: [] }] }, []],
    ['in winter', { variants: [{ on: 'winter', uses: [] }] }, ['in winter']],
    ['in winter', { variants: [{ on: 'summer', uses: [] }] }, []],
    ['300 Wh/day', { uses: [at(8, 300)] }, []],
    ['300 Wh/day', { uses: [at(8, 150), at(18, 150)] }, []],
    ['300 Wh/day', { uses: [at(8, 200)] }, ['300 Wh/day']],
    ['5 Ah/day', { uses: [at(8, 60)] }, []],
    ['5 Ah/day', { uses: [at(8, 90)] }, ['5 Ah/day']],
    ['50 Wh per use', { uses: [at(8, 50), at(18, 50)] }, []],
    ['50 Wh per use', { uses: [at(8, 50), at(18, 90)] }, ['50 Wh per use']],
    ['mornings', { uses: [at(8, 60)] }, []],
    ['mornings', { uses: [at(18, 60)] }, ['mornings']],
    ['mornings', { uses: [at(8, 60), at(18, 60)] }, ['mornings']],
    ['morning and evening', { uses: [at(8, 60), at(19, 60)] }, []],
    ['morning and evening', { uses: [at(8, 60), at(9, 60)] }, ['and evening']],
    ['at lunch', { uses: [at(12, 30)] }, []],
    ['at lunch', { uses: [at(16.5, 30)] }, ['at lunch']],
    ['at night', { uses: [at(19, 60)] }, []],
    ['at night', { uses: [at(10, 60)] }, ['at night']],
    ['day and night', { uses: [at(0, 1440)] }, []],
    ['8 h a night', { uses: [at(20, 480)] }, []],
    ['24/7', { uses: [at(0, 1440)] }, []],
  ] as const)('%s of %j: %j', (text, part, missed) => {
    expect(misses(text, part as Partial<Load>)).toEqual(missed);
  });

  it('of what cycles by itself, its duty and the hours that it runs', () => {
    const uses = [at(0, 1440)];
    const draw = { kind: 'thermostatic', runningW: 50, duty: 0.25, dutyAtC: 25, setC: 4 } as const;
    expect(misses('25% duty', { uses, draw })).toEqual([]);
    expect(misses('40% duty', { uses, draw })).toEqual(['40% duty']);
    expect(misses('6 h', { uses, draw })).toEqual([]);
    expect(misses('9 h', { uses, draw })).toEqual(['9 h']);
    expect(misses('15 min every hour', { uses, draw })).toEqual([]);
    expect(misses('300 Wh/day', { uses, draw })).toEqual([]);
    expect(misses('450 Wh/day', { uses, draw })).toEqual(['450 Wh/day']);
  });
});

describe('lines that were read wrongly before', () => {
  const read = (line: string) => proposeLoad(line, () => 'x');

  it('what is always on and runs ten minutes of each hour does so', () => {
    const { load, questions } = read('wifi router 9W 10 min every hour');
    expect(questions).toEqual([]);
    expect(load?.uses).toHaveLength(24);
    expect(load?.draw).toEqual({ kind: 'steady', powerW: 9 });
  });

  it('a heater’s two hours at lunch are then', () => {
    const { load } = read('diesel heater 2 h at lunch');
    expect(load?.uses).toEqual([{ startMin: 720, minutes: 120 }]);
  });

  it('more than a day is asked, and never ends the reader', () => {
    for (const line of [
      'tv 12V 253 h 10 min every hour from 8 to 18',
      'pump 60W 30 h 10 min every hour',
      'pump 60W 30 h 10 min every hour at night',
      'washing machine 24/7 2 h from 8 to 18',
      'coffee machine 24/7 5 min each from 8 to 18',
    ])
      expect(read(line).questions).not.toEqual([]);
  });
});
