import { describe, expect, it } from 'vitest';
import { buildDay } from '../test/dayEnergy.ts';
import { proposeLoad } from './propose.ts';

/** What a line may say of when and how long, in a word for each. */
const SAYS = {
  long: '2 h',
  often: '3x a day',
  every: '10 min every hour',
  clock: 'from 8 to 18',
  night: 'at night',
  begins: 'at 6pm',
  daily: '300 Wh/day',
  perUse: '50 Wh per use',
  days: '2 days a week',
  weekends: 'weekends',
  winter: 'in winter',
  duty: '50% duty',
  weekly: '90 min a week',
  always: '24/7',
  twice: 'morning and evening',
  total: '2 h total',
  each: '5 min each',
} as const;
type Said = keyof typeof SAYS;

/**
 * Two of them about a thing of 60 W that nobody knows, and the Wh of a day on which it is used: by hand, from what a
 * person would mean; ? where they cannot both be meant or it cannot be told how. Of what says no length one use is an
 * hour, a night is nine hours.
 */
const PAIRS = `
long: often 360, every 20, clock ?, night 120, begins 120, daily ?, perUse ?, days 120, weekends 120, winter 120, duty ?, weekly ?, always ?, twice 240
often: every ?, clock ?, night 180, begins ?, daily 300, perUse 150, days 180, weekends 180, winter 180, duty ?, weekly ?, always ?, twice ?, total 120, each 15
every: clock 100, night 90, begins ?, daily ?, perUse ?, days 240, weekends 240, winter 240, duty ?, weekly ?, always 240, twice ?, total 20, each ?
clock: begins ?, daily ?, perUse ?, days 600, weekends 600, winter 600, duty 300, weekly ?, always ?, twice ?, total ?, each ?
night: begins 60, daily 300, perUse 50, days 60, weekends 60, winter 60, duty 270, weekly 90, always 540, total 120, each 5
begins: daily 300, perUse 50, days 60, weekends 60, winter 60, duty ?, weekly 90, twice ?, total 120, each 5
daily: perUse ?, days 300, weekends 300, winter 300, duty ?, weekly ?, always ?, twice 300, total ?, each ?
perUse: days 50, weekends 50, winter 50, duty ?, weekly ?, always ?, twice 100, total ?, each ?
days: weekends ?, winter 60, duty 720, weekly ?, always 1440, twice 120, total 120, each 5
weekends: winter ?, duty 720, weekly ?, always 1440, twice 120, total 120, each 5
winter: duty 720, weekly ?, always 1440, twice 120, total 120, each 5
duty: weekly ?, always 720, twice ?, total ?, each ?
weekly: always ?, twice ?, total ?
always: twice ?, total ?, each ?
twice: total 120, each 10
`;

const pairs = PAIRS.trim()
  .split('\n')
  .flatMap((row) => {
    const [first = '', rest = ''] = row.split(': ');
    return rest.split(', ').flatMap((cell) => {
      const [second = '', wh = ''] = cell.split(' ');
      const [a, b] = [SAYS[first as Said], SAYS[second as Said]];
      // "5 min each 2 h" is every two hours.
      const orders =
        second === 'each'
          ? [[a, b]]
          : [
              [a, b],
              [b, a],
            ];
      return orders.map((said) => ({ line: `plonker 60 W ${said.join(' ')}`, wh }));
    });
  });

const propose = (line: string) => proposeLoad(line, () => 'plonker');

describe('two sayings of one line', () => {
  it.each(pairs)('$line: $wh', ({ line, wh }) => {
    const { load, questions } = propose(line);
    if (wh === '?') {
      expect(questions).not.toEqual([]);
      return;
    }
    expect(questions).toEqual([]);
    expect(load && buildDay(load)).toBeCloseTo(Number(wh), 6);
  });
});

describe('when a use is', () => {
  const at = (line: string) =>
    propose(line).load?.uses.map(({ startMin, minutes }) => `${startMin / 60} h: ${Math.round(minutes)} min`);

  it.each([
    ['oven 2kW 45 min at 6pm', ['18 h: 45 min']],
    ['kettle 2kW 5 min at 7am and 5:30 pm', ['7 h: 5 min', '17.5 h: 5 min']],
    ['kettle 2kW 5 min at 6:30, 12:30 and 18:00', ['6.5 h: 5 min', '12.5 h: 5 min', '18 h: 5 min']],
    ['hob 1800W breakfast 20 min, dinner 40 min', ['7.833333333333333 h: 20 min', '20.166666666666668 h: 40 min']],
    ['heater 1 kW 1h at 7am and 2h at 6pm', ['7 h: 60 min', '18 h: 120 min']],
    ['pump 60W 10 min per hour 8am to 6pm', Array.from({ length: 10 }, (_, i) => `${8 + i} h: 10 min`)],
    ['fan 10W 15 min every hour overnight', [22, 23, 0, 1, 2, 3, 4, 5, 6].map((h) => `${h} h: 15 min`)],
    ['plonker 60 W 3 x 10 min between 8 and 17', ['8 h: 10 min', '11 h: 10 min', '14 h: 10 min']],
    ['wifi router 9W off overnight', ['7 h: 900 min']],
    ['reading light 2.5W 2 h at night', ['21.5 h: 120 min']],
  ])('%s', (line, told) => {
    expect(propose(line).questions).toEqual([]);
    expect(at(line)).toEqual(told);
  });

  it.each(['kettle 5 min 3x a day at 7am and 5pm', 'kettle 1500W 3 h at 7am and 8am'])('is asked: %s', (line) => {
    expect(propose(line).questions).not.toEqual([]);
  });
});
