import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatUse } from '../loads/use.ts';
import { formatDuration, formatNumber, show } from '../quantity/format.ts';
import { findAppliances } from '../reference/appliances.ts';
import { aLoad } from '../test/jobs.ts';
import { readField } from './field.ts';
import { readNumber } from './numeral.ts';
import { proposeLoad } from './propose.ts';
import { readText } from './readText.ts';
import { readUse } from './readUse.ts';

describe('numbers as people write them', () => {
  it.each([
    ['3.5', 3.5],
    ['3,5', 3.5],
    ['1,200', 1200],
    ['0,125', 0.125],
    ['1.200,5', 1200.5],
    ['1,200.5', 1200.5],
    ['1,200,000', 1_200_000],
  ])('%s is %d', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });

  it.each(['1.2.3', '1,2,3'])('%s is none', (text) => {
    expect(readNumber(text)).toBeNaN();
  });
});

describe('fields', () => {
  it.each([
    ['1.2kW', 'power', 1200],
    ['12v 3.5a', 'power', 42],
    ['12 V 3,5 A', 'power', 42],
    ['60', 'power', 60],
    ['6000 Btu/h', 'power', 1758.426],
    ['500 mA', 'current', 0.5],
    ['45 min', 'duration', 45],
    ['1h30', 'duration', 90],
    ['1 h 30 min', 'duration', 90],
    ['2.5 h', 'duration', 150],
    ['90 s', 'duration', 1.5],
    ['24 %', 'share', 0.24],
    ['0.5 kWh', 'energy', 500],
    ['2200 mAh', 'charge', 2.2],
  ] as const)('%s as %s is %d', (text, kind, value) => {
    const read = readField(text, kind);
    expect('value' in read ? read.value : read.problem).toBeCloseTo(value, 6);
  });

  it.each(['abc', '', '5 h', '12 W 3 h', '1.2.3'])('%j is not a power, and says what would be', (text) => {
    expect(readField(text, 'power')).toHaveProperty('problem');
  });
});

describe('units that are not what they claim', () => {
  it.each([
    ['200 W per day', 'power-per-time', '200 Wh'],
    ['0.5 kW/day', 'power-per-time', '0.5 kWh'],
    ['250 watts per hour', 'power-per-time', '250 W'],
    ['2 kWh per hour', 'energy-per-hour', '2 kW'],
    ['5 A per hour', 'current-per-time', '5 A'],
    ['3 amp hours an hour', 'charge-per-hour', '3 A'],
    ['15 A breaker', 'breaker', null],
    ['fuse 10A', 'breaker', null],
  ])('%s asks, meaning %s', (text, code, meant) => {
    const { questions } = proposeLoad(`thing ${text}`, (name) => name);
    expect(questions.map((question) => [question.code, question.choices[0] ?? null])).toEqual([[code, meant]]);
  });

  it('finds the decimal slip: 0.85 kWh in 70 min from at most 100 W', () => {
    const { questions } = proposeLoad('warmer 100W 70min 0.85kWh', (name) => name);
    expect(questions).toMatchObject([{ code: 'energy-above-power', choices: ['85 Wh'] }]);
  });

  it('never throws on any text, and its tokens lie in it', () => {
    const soup = fc.array(
      fc.constantFrom('12', ' ', 'V', 'A', 'w', '/', 'h', 'day', 'x', '3,5', '.', 'kettle', '%', '∞', '-'),
      {
        maxLength: 20,
      },
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string({ unit: 'grapheme' }),
          soup.map((parts) => parts.join('')),
        ),
        (text) => {
          const { tokens, facts } = readText(text);
          let last = 0;
          for (const { start, end } of tokens) {
            expect(text.slice(last, start).trim()).toBe('');
            expect(start).toBeLessThan(end);
            last = end;
          }
          expect(text.slice(last).trim()).toBe('');
          for (const { value, from, to } of facts) {
            expect(from).toBeLessThan(to);
            expect(Number.isFinite(value)).toBe(true);
          }
          const { reading } = proposeLoad(text, (name) => name);
          const all = [...reading.name, ...reading.ofFacts, ...reading.asked, ...reading.silent];
          expect(all.sort((a, b) => a.start - b.start).map(({ start }) => start)).toEqual(
            tokens.map(({ start }) => start),
          );
        },
      ),
      { numRuns: 2000 },
    );
  });
});

describe('texts that are made to keep a reader busy', () => {
  it.each([
    '1/2/3/4/5/6/7/8/9/'.repeat(12),
    '1 234 567 890 '.repeat(14),
    '5W/'.repeat(70),
    '1/2 '.repeat(50),
    '12V1A'.repeat(40),
    `heater ${'1000/'.repeat(38)}W`,
    '.5'.repeat(100),
    '9'.repeat(200),
    `${'5 m '.repeat(45)}14 W/m`,
    'x4 (x4 '.repeat(28),
    '-18° '.repeat(40),
    'every night '.repeat(16),
    `${'solar portable petrol diesel gas '.repeat(6)}panel`,
    `${'1 '.repeat(99)}W`,
  ])('%j comes to an end', (text) => {
    const { load, questions } = proposeLoad(text, () => 'it');
    // What it is read as is a load or a question: no such thing is taken in silence for more than one piece can be.
    expect(load === null || questions.length > 0 || load.quantity <= 500).toBe(true);
  });
});

describe('a typed line becomes a load', () => {
  const propose = (text: string) => proposeLoad(text, (name) => name).load;

  it.each([
    ['kettle', { name: 'Kettle', quantity: 1, path: 'inverter', evidence: 'typical' }],
    ['2 laptops 38W 5h', { name: 'Laptops', quantity: 2, path: 'inverter-adapter', evidence: 'nameplate' }],
    ['2x phone', { quantity: 2, path: 'dc-dc' }],
    ['pump 12V 3,5A 3x3min', { name: 'Pump', path: 'direct', draw: { kind: 'steady', powerW: 42 } }],
    ['mystery box 60W', { name: 'Mystery box', draw: { kind: 'steady', powerW: 60 } }],
    ['heater 500W 4h', { draw: { kind: 'steady', powerW: 500 } }],
    ['aircon', { draw: { kind: 'room' } }],
    ['fridge 60W 6h', { draw: { kind: 'thermostatic', runningW: 60, duty: 0.25 } }],
    ['coffee 1.2kW', { draw: { kind: 'cycle' } }],
    ['coffee 1.2kW 2x6min', { draw: { kind: 'steady', powerW: 1200 }, uses: [{ minutes: 6 }, { minutes: 6 }] }],
    ['sauna 230V 8A', { path: 'inverter', draw: { kind: 'steady', powerW: 1840 } }],
  ] as const)('%s', (text, expected) => {
    expect(propose(text)).toMatchObject(expected);
  });

  it('takes hours and uses', () => {
    expect(formatUse(propose('lamp 10W 5h') ?? aLoad())).toBe('5 h');
    expect(formatUse(propose('kettle 3 x 4 min') ?? aLoad())).toBe('3 × 4 min');
    const phone = propose('phone 15 Wh');
    expect(phone?.uses.reduce((sum, use) => sum + use.minutes, 0)).toBeCloseTo(90, 6);
  });

  it('asks for watts when it knows nothing of the name', () => {
    expect(proposeLoad('flux capacitor', (name) => name)).toMatchObject({ load: null, missing: 'power' });
    expect(proposeLoad('60 W', (name) => name)).toMatchObject({ missing: 'name' });
  });

  it.each([
    ['tv', 'television'],
    ['wifi', 'router'],
    ['aircon', 'aircon-rooftop'],
    ['apnoea', 'cpap'],
    ['fridges', 'fridge-small'],
  ])('finds %s by everyday words', (word, id) => {
    expect(findAppliances(word)[0]?.id).toBe(id);
  });
});

describe('how long', () => {
  it.each(['5 h', '1 h 30', '45 min', '3 × 4 min', 'all day'])('%s is read back as written', (text) => {
    const read = readUse(text, aLoad());
    expect('uses' in read && formatUse(aLoad({ uses: read.uses }))).toBe(text);
  });

  it.each([
    ['30 h', /24 hours/],
    ['20 x 2 h', /24 hours/],
    ['soon', /Write how long/],
  ])('%s is asked about', (text, problem) => {
    expect(readUse(text, aLoad())).toMatchObject({ problem: expect.stringMatching(problem) });
  });

  it('keeps a cycle at least as long as its phases', () => {
    const heater = aLoad({
      draw: {
        kind: 'cycle',
        phases: [
          { label: 'start', powerW: 105, minutes: 4, startRatio: null },
          { label: 'run', powerW: 22, minutes: null, startRatio: null },
          { label: 'stop', powerW: 85, minutes: 3, startRatio: null },
        ],
      },
      uses: [{ startMin: 300, minutes: 120 }],
    });
    expect(readUse('5 min', heater)).toMatchObject({ problem: expect.stringContaining('7 min') });
    expect(readUse('2 h', heater)).toMatchObject({ uses: [{ startMin: 300, minutes: 120 }] });
  });
});

describe('numbers as shown', () => {
  it('groups by thin spaces, drops trailing zeros, has a true minus and no −0', () => {
    expect(formatNumber(1234567)).toBe('1\u2009234\u2009567');
    expect(formatNumber(-12.5, 2)).toBe('−12.5');
    expect(formatNumber(-0.001, 1)).toBe('0');
    expect(formatNumber(0, 2)).toBe('0');
  });

  it('shows shares in % and weights in the region’s units', () => {
    expect(show(0.18, 'share')).toEqual({ number: '18', unit: '%' });
    expect(show(45.359237, 'kg', 'imperial')).toEqual({ number: '100', unit: 'lb' });
    expect(show(0.45359237, 'kg', 'imperial')).toEqual({ number: '1', unit: 'lb' });
    expect(show(0.3, 'kg', 'imperial')).toEqual({ number: '0.66', unit: 'lb' });
    expect(show(100, '°C', 'imperial')).toEqual({ number: '212', unit: '°F' });
    expect(show(-40, '°C', 'imperial')).toEqual({ number: '−40', unit: '°F' });
    expect(show(3.048, 'm', 'imperial')).toEqual({ number: '10', unit: 'ft' });
    expect(show(0.18, 'm', 'imperial')).toEqual({ number: '0.59', unit: 'ft' });
    // An acre, 4,046.86 m², is 43,560 ft².
    expect(show(4046.8564224, 'm²', 'imperial')).toEqual({ number: '43\u2009560', unit: 'ft²' });
    for (const unit of ['kg', '°C', 'm', 'm²']) expect(show(12, unit, 'metric')).toEqual({ number: '12', unit });
    for (const unit of ['W', 'Ah', 'V', 'h', 'share'])
      expect(show(0.5, unit, 'imperial')).toEqual(show(0.5, unit, 'metric'));
    expect(show(1, 'days')).toEqual({ number: '1', unit: 'day' });
  });

  it.each([
    [5.9, '5 min 54 s'],
    [90, '1 h 30'],
    [60, '1 h'],
    [0.25, '15 s'],
  ])('%d min is %s', (minutes, text) => {
    expect(formatDuration(minutes)).toBe(text);
  });
});
