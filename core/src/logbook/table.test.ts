import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { headOf, recognise, type SaidColumns, tableFault } from './columns.ts';
import { headOfTable } from './head.ts';
import { meterNumber } from './meterNumber.ts';
import { type DateOrder, readStamp, zoneOf } from './stamp.ts';
import { TableReader } from './table.ts';

/** A table as a meter writes it, read as the command line reads it. */
function table(
  text: string,
  { zone = 'UTC', delimiter = ',', said = {} as SaidColumns, order = null as DateOrder | null } = {},
) {
  const [heads = [], ...rows] = text
    .trim()
    .split('\n')
    .map((line) => line.split(delimiter));
  const found = recognise(heads, rows, delimiter, said, order);
  if (found.unclear.length > 0) return { found, unclear: found.unclear, read: null };
  const where = zoneOf(zone);
  if (where === null) throw new Error(`no zone ${zone}`);
  const reader = new TableReader(found.mapping, heads, where);
  for (const [i, row] of rows.entries()) reader.add(row, i + 2);
  return { found, unclear: [], read: reader.done() };
}
const good = (...args: Parameters<typeof table>) => {
  const { read, unclear } = table(...args);
  if (read === null) throw new Error(unclear.join(' '));
  return read;
};
const column = (read: ReturnType<typeof good>, quantity: 'soc' | 'v' | 'a' | 'w' | 'wh' | 'ah' | 'c') =>
  Array.from(read.series.values[quantity] ?? []);
const times = (read: ReturnType<typeof good>) =>
  Array.from(read.series.t, (t) => new Date(t).toISOString().slice(0, 16));

describe('what a column is', () => {
  it.each([
    ['Battery power (kW)', 'battery power', 'kW'],
    ['power_w', 'power', 'w'],
    ['Voltage [mV]', 'voltage', 'mV'],
    ['Current, A', 'current', 'A'],
    ['W', '', 'W'],
    ['SoC %', 'so c', '%'],
    ['State of charge', 'state of charge', null],
    ['Temperature °C', 'temperature', '°C'],
    ['Energy_kWh', 'energy', 'kWh'],
  ])('“%s” is %s in %s', (head, words, unit) => {
    expect(headOf(head)).toEqual({ words, unit });
  });

  it.each([
    ['Time,Power (kW)\n2026-06-01T10:00Z,1.2', 'w', [1200]],
    ['Time,Power\n2026-06-01T10:00Z,150', 'w', [150]],
    ['Time,P (mW)\n2026-06-01T10:00Z,500', 'w', [0.5]],
    ['Time,Voltage [mV]\n2026-06-01T10:00Z,12800', 'v', [12.8]],
    ['Time,Current (mA)\n2026-06-01T10:00Z,-250', 'a', [-0.25]],
    ['Time,Energy kWh\n2026-06-01T10:00Z,0.14', 'wh', [140]],
    ['Time,Total MWh\n2026-06-01T10:00Z,0.002', 'wh', [2000]],
    ['Time,Consumed Ah\n2026-06-01T10:00Z,-20.6', 'ah', [-20.6]],
    ['Time,SoC %\n2026-06-01T10:00Z,57', 'soc', [57]],
    ['Time,State of charge\n2026-06-01T10:00Z,57 %', 'soc', [57]],
    ['Time,Temp (°F)\n2026-06-01T10:00Z,50', 'c', [10]],
    ['Time,Temperature (K)\n2026-06-01T10:00Z,283.15', 'c', [10]],
    ['Time,Power\n2026-06-01T10:00Z,1.2 kW', 'w', [1200]],
  ] as const)('%j', (text, quantity, values) => {
    const found = column(good(text), quantity);
    expect(found).toHaveLength(values.length);
    for (const [i, value] of values.entries()) expect(found[i]).toBeCloseTo(value, 9);
  });

  it.each([
    ['a counter without its unit', 'Time,Energy\n2026-06-01T10:00Z,140', /Wh or kWh/],
    ['a share that may be a percentage', 'Time,SoC\n2026-06-01T10:00Z,0.97\n2026-06-01T11:00Z,0.95', /share/],
    ['no time', 'Power (W),Volts\n5,12.8', /Which column is the time/],
    ['nothing that a meter reads', 'Time,Mood\n2026-06-01T10:00Z,5', /No column is of/],
    ['time that counts something', 'Time,W\n0,5\n1,6', /hours, minutes or seconds/],
    ['a date that may be either', 'Time,W\n03/04/2026 10:00,5\n03/04/2026 11:00,6', /day\/month or month\/day/],
  ])('is asked of %s', (_, text, question) => {
    expect(table(text).unclear.join(' ')).toMatch(question);
  });

  it('takes the order of dates that makes the days follow one another', () => {
    // Three days in a row: 1, 2 and 3 April, not the first of three months.
    const rows = ['01/04/2026 10:00,5', '02/04/2026 10:00,5', '03/04/2026 10:00,5'].join('\n');
    expect(times(good(`Time,W\n${rows}`))).toEqual(['2026-04-01T10:00', '2026-04-02T10:00', '2026-04-03T10:00']);
    const american = ['04/01/2026 10:00,5', '04/02/2026 10:00,5', '04/03/2026 10:00,5'].join('\n');
    expect(times(good(`Time,W\n${american}`))).toEqual(['2026-04-01T10:00', '2026-04-02T10:00', '2026-04-03T10:00']);
  });

  it('of a table of commas has points for its decimals, whatever else is in it', () => {
    const { found } = table('Time,W,x\n2026-06-01T10:00Z,5,"1,5"', {});
    expect(found.mapping.decimal).toBe('.');
    expect(recognise(['Time', 'W'], [['2026-06-01T10:00Z', '1,5']], ',').mapping.decimal).toBe('.');
    expect(recognise(['Time', 'W'], [['2026-06-01T10:00Z', '1,5']], ';').mapping.decimal).toBe(',');
  });

  it('is as somebody says, by head, number and unit', () => {
    const text = 'When,P1,P2,x\n2026-06-01T10:00Z,5,1.5,57';
    const { found, read } = table(text, { said: { time: 'When', w: 'P2:kW', soc: '4' } });
    expect(read && column(read, 'w')).toEqual([1500]);
    expect(read && column(read, 'soc')).toEqual([57]);
    expect(found.columns[2]?.as).toBe('watts, from kW');
    expect(table(text, { said: { time: 'When', w: 'P3' } }).unclear.join(' ')).toMatch(
      /no column “P3”; there are “When”/,
    );
    expect(table(text, { said: { time: 'When', w: 'P2:kWh' } }).unclear.join(' ')).toMatch(/no unit of watts/);
  });

  it('may be told by two columns of date and time, or count from the beginning', () => {
    expect(times(good('Date,Time,W\n2026-06-01,10:00,5\n2026-06-01,10:05,6'))).toEqual([
      '2026-06-01T10:00',
      '2026-06-01T10:05',
    ]);
    expect(Array.from(good('Elapsed (min),W\n0,5\n1.5,6').series.t)).toEqual([0, 90_000]);
    expect(Array.from(good('h,soc\n0,100\n1.5,97').series.t)).toEqual([0, 5_400_000]);
    expect(Array.from(good('Time,W\n0,5\n30,6', { said: { time: 'Time:s' } }).series.t)).toEqual([0, 30_000]);
  });

  it('a spreadsheet file, UTF-16 and a picture are named for what they are', () => {
    expect(tableFault(Uint8Array.from([0x50, 0x4b, 3, 4, 0]))).toMatch(/spreadsheet/);
    expect(tableFault(Uint8Array.from([0xff, 0xfe, 65, 0]))).toMatch(/UTF-16/);
    expect(tableFault(Uint8Array.from([0x89, 0x50, 0, 0]))).toMatch(/not text/);
    expect(tableFault(new Uint8Array())).toMatch(/empty/);
    expect(tableFault(new TextEncoder().encode('Time,W\n'))).toBeNull();
  });
});

describe('where a table begins', () => {
  const head = (text: string) => headOfTable(text.split('\n').map((line) => line.split(';')));

  it.each([
    ['at its first line', 'Time;V;A\n10:00;12.8;3', ['Time', 'V', 'A'], 1],
    [
      'below what the meter says of itself',
      'Device: shunt\nSerial;77\n\nTime;V;A\n10:00;12.8;3\n10:01;12.8;3',
      ['Time', 'V', 'A'],
      4,
    ],
    [
      'with a row of units',
      'Time;Voltage;Current\ns;V;mA\n0;12.8;3\n1;12.8;3',
      ['Time (s)', 'Voltage (V)', 'Current (mA)'],
      2,
    ],
    [
      'with units in brackets, some missing',
      'Time;Voltage;Note\n;[V];\n10:00;12.8;x\n10:01;12.8;y',
      ['Time', 'Voltage (V)', 'Note'],
      2,
    ],
  ] as const)('%s', (_, text, heads, before) => {
    expect(head(text)).toEqual({ heads, before });
  });

  it('has none where nothing is named', () => {
    expect(head('1;2;3\n4;5;6')).toBeNull();
    expect(head('')).toBeNull();
  });

  it('with points between them the day comes before the month', () => {
    expect(times(good('Time;W\n01.06.2026 10:00;5\n01.06.2026 11:00;6', { delimiter: ';' }))).toEqual([
      '2026-06-01T10:00',
      '2026-06-01T11:00',
    ]);
  });

  it('dates and times of the day belong together, whatever they are called', () => {
    const read = good('Datum;Zeit;Spannung (V)\n13.06.2026;23:00;12,8\n14.06.2026;01:00;12,7', { delimiter: ';' });
    expect(times(read)).toEqual(['2026-06-13T23:00', '2026-06-14T01:00']);
    expect(column(read, 'v')).toEqual([12.8, 12.7]);
  });
});

describe('a moment', () => {
  it.each([
    ['2026-06-01T16:55:30Z', 1780332930000],
    ['2026-06-01 18:55:30 +02:00', 1780332930000],
    ['1780332930', 1780332930000],
    ['1780332930000', 1780332930000],
  ])('%s is an instant', (text, ms) => {
    expect(readStamp(text, 'dmy', null)).toEqual({ kind: 'instant', ms });
  });

  it.each([
    ['2026-06-01 16:55', 'dmy', '2026-06-01T16:55'],
    ['01/06/2026 4:55 pm', 'dmy', '2026-06-01T16:55'],
    ['06/01/2026 16:55', 'mdy', '2026-06-01T16:55'],
    ['1.6.26, 16:55', 'dmy', '2026-06-01T16:55'],
    ['46174.704861111', 'dmy', '2026-06-01T16:55'],
    ['2026-06-01', 'dmy', '2026-06-01T00:00'],
    ['01/06/2026 12:05 am', 'dmy', '2026-06-01T00:05'],
  ] as const)('%s (%s) is on the wall', (text, order, iso) => {
    const stamp = readStamp(text, order, null);
    expect(stamp?.kind).toBe('local');
    expect(
      stamp?.kind === 'local' && new Date(Math.round(stamp.wallMs / 60_000) * 60_000).toISOString().slice(0, 16),
    ).toBe(iso);
  });

  it.each(['2026-02-30 10:00', '2026-06-01 25:00', '31/31/2026', '10:75', 'soon', '', '13:00 pm', '2026-13-01'])(
    '“%s” is none',
    (text) => {
      expect(readStamp(text, 'dmy', null)).toBeNull();
    },
  );

  it('a zone’s hour that does not exist has no moment, one that exists twice has two', () => {
    const paris = zoneOf('Europe/Paris');
    // Clocks went forward on 29 March 2026 at 02:00 and back on 25 October 2026 at 03:00.
    expect(paris?.(Date.UTC(2026, 2, 29, 2, 30))).toEqual([]);
    expect(paris?.(Date.UTC(2026, 9, 25, 2, 30))).toEqual([Date.UTC(2026, 9, 25, 0, 30), Date.UTC(2026, 9, 25, 1, 30)]);
    expect(paris?.(Date.UTC(2026, 6, 1, 12))).toEqual([Date.UTC(2026, 6, 1, 10)]);
    expect(zoneOf('Nowhere/Else')).toBeNull();
    expect(zoneOf('+05:45')?.(Date.UTC(2026, 0, 1, 6))).toEqual([Date.UTC(2026, 0, 1, 0, 15)]);
    // Half an hour in New South Wales' island: 5 April 2026 back at 02:00 by 30 min.
    expect(zoneOf('Australia/Lord_Howe')?.(Date.UTC(2026, 3, 5, 1, 45))).toHaveLength(2);
  });
});

describe('numbers as meters write them', () => {
  it.each([
    ['1,234.5', '.', 1234.5, ''],
    ['1.234,5', ',', 1234.5, ''],
    ['12,8', ',', 12.8, ''],
    ['12,8', '.', 12.8, ''],
    ['−6.0 A', '.', -6, 'A'],
    ['57 %', '.', 57, '%'],
    ['1 234', '.', 1234, ''],
    ['.5', '.', 0.5, ''],
    ['1.5e3', '.', 1500, ''],
    ['+3', '.', 3, ''],
  ] as const)('%s with %s', (text, decimal, value, unit) => {
    expect(meterNumber(text, decimal)).toEqual({ value, unit });
  });

  it.each([
    ['1.2.3', '.'],
    ['twelve', '.'],
    ['1,2,3', ','],
    ['', '.'],
  ] as const)('%s is none', (text, decimal) => {
    expect(meterNumber(text, decimal)).toBeNull();
  });

  it('comma decimals in a table of semicolons', () => {
    const read = good('Zeit;Time;Voltage (V);Power (W)\nx;01.06.2026 10:00;12,8;1.250,5\nx;13.06.2026 10:00;12,75;80', {
      delimiter: ';',
    });
    expect(column(read, 'v')).toEqual([12.8, 12.75]);
    expect(column(read, 'w')).toEqual([1250.5, 80]);
  });
});

describe('bad rows are named, all at once, and the good ones stay', () => {
  const problems = (text: string, options: Parameters<typeof table>[1] = {}) => {
    const read = good(text, options);
    return {
      faults: read.faults.map(({ line, problem }) => `${line} ${problem}`),
      kept: read.series.t.length,
      notes: read.notes.join(' '),
    };
  };

  it.each([
    ['% above 100', 'Time,SoC %\n2026-06-01T10:00Z,57\n2026-06-01T11:00Z,157', /^3 above 100 %/],
    ['less than nothing', 'Time,SoC %\n2026-06-01T10:00Z,57\n2026-06-01T11:00Z,-3', /^3 impossible: between 0 and 100/],
    ['words', 'Time,W\n2026-06-01T10:00Z,57\n2026-06-01T11:00Z,lots', /^3 not a number/],
    [
      'another dimension',
      'Time,Power (W)\n2026-06-01T10:00Z,57\n2026-06-01T11:00Z,12.8 V',
      /^3 V in a column of watts/,
    ],
    [
      'a unit that is none',
      'Time,Power (W)\n2026-06-01T10:00Z,57\n2026-06-01T11:00Z,12 bananas',
      /^3 “bananas” is no unit/,
    ],
    ['no time', 'Time,W\n2026-06-01T10:00Z,57\n,58', /^3 no time/],
    ['a time that is none', 'Time,W\n2026-06-01T10:00Z,57\n2026-06-31T10:00Z,58', /^3 not a time/],
    [
      'cut off',
      'Time,V,W\n2026-06-01T10:00Z,12.8,57\n2026-06-01T11:00Z',
      /^3 it has 1 of 3 columns: the file is cut off/,
    ],
    [
      'other values at one time',
      'Time,W\n2026-06-01T10:00Z,57\n2026-06-01T10:00Z,58',
      /^3 another value at the same time as line 2/,
    ],
    [
      'a clock that jumps back',
      'Time,W\n2026-06-01T10:00Z,57\n2026-06-01T11:00Z,58\n2026-06-01T10:30Z,59\n2026-06-01T12:00Z,59',
      /^4 the clock jumps back/,
    ],
    [
      'one row far ahead',
      'Time,W\n2026-06-01T10:00Z,57\n2099-06-01T11:00Z,58\n2026-06-01T11:00Z,59\n2026-06-01T12:00Z,59',
      /^3 the clock was ahead/,
    ],
    ['an hour that does not exist', 'Time,W\n2026-03-29 01:30,57\n2026-03-29 02:30,58', /^3 this time does not exist/],
    ['a date among times', 'Time,W\n10:00,57\n2026-06-01T10:30,58', /^3 a date among times/],
  ])('%s', (_, text, problem) => {
    const { faults, kept } = problems(text, { zone: 'Europe/Paris' });
    expect(faults).toHaveLength(1);
    expect(faults[0]).toMatch(problem);
    expect(kept).toBe(text.split('\n').length - 2);
  });

  it('units mixed in one column are each taken as written', () => {
    expect(column(good('Time,Power (W)\n2026-06-01T10:00Z,800\n2026-06-01T11:00Z,1.2 kW'), 'w')).toEqual([800, 1200]);
  });

  it('what is missing is no fault', () => {
    const read = good('Time,V,W\n2026-06-01T10:00Z,12.8,\n2026-06-01T11:00Z,--,50\n\n2026-06-01T12:00Z,n/a,NaN');
    expect(read.faults).toEqual([]);
    expect(column(read, 'v')).toEqual([12.8, Number.NaN, Number.NaN]);
    expect(column(read, 'w')).toEqual([Number.NaN, 50, Number.NaN]);
  });

  it('equal rows are taken once, rows that add to one another are joined', () => {
    const read = good(
      'Time,V,W\n2026-06-01T10:00Z,12.8,50\n2026-06-01T10:00Z,12.8,50\n2026-06-01T11:00Z,12.7,\n2026-06-01T11:00Z,,60',
    );
    expect(read.faults).toEqual([]);
    expect(column(read, 'w')).toEqual([50, 60]);
    expect(column(read, 'v')).toEqual([12.8, 12.7]);
    expect(read.notes.join(' ')).toMatch(/1 rows say again.*1 rows are of the same moment/);
  });

  it('newest first is turned round', () => {
    const { faults, notes } = problems('Time,W\n2026-06-01T12:00Z,3\n2026-06-01T11:00Z,2\n2026-06-01T10:00Z,1');
    expect(faults).toEqual([]);
    expect(notes).toMatch(/newest row stands first/);
    expect(column(good('Time,W\n2026-06-01T12:00Z,3\n2026-06-01T11:00Z,2\n2026-06-01T10:00Z,1'), 'w')).toEqual([
      1, 2, 3,
    ]);
  });

  it.each([
    ['oldest first', (rows: string[]) => rows],
    ['newest first', (rows: string[]) => rows.reverse()],
  ])('the hour that exists twice goes on, %s', (_, turn) => {
    const rows = turn([
      '2026-10-25 01:30,1',
      '2026-10-25 02:00,2',
      '2026-10-25 02:30,3',
      '2026-10-25 02:00,4',
      '2026-10-25 02:30,5',
      '2026-10-25 03:00,6',
    ]);
    const read = good(`Time,W\n${rows.join('\n')}`, { zone: 'Europe/Paris' });
    expect(read.faults).toEqual([]);
    expect(column(read, 'w')).toEqual([1, 2, 3, 4, 5, 6]);
    expect((read.series.t[5] ?? 0) - (read.series.t[0] ?? 0)).toBe(2.5 * 3_600_000);
    expect(read.notes.join(' ')).toMatch(/exists twice/);
  });

  it('a thousandfold from some row on is asked about, a load that switches is not', () => {
    const at = (i: number) =>
      `2026-06-01T${String(10 + Math.floor(i / 60)).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}Z`;
    const rows = (values: readonly number[]) =>
      `Time,Power\n${values.map((value, i) => `${at(i)},${value}`).join('\n')}`;
    expect(problems(rows([812, 805, 820, 811, 0.812, 0.806, 0.818, 0.809])).faults).toEqual([
      expect.stringMatching(/^6 from here on.*thousandfold/),
    ]);
    expect(problems(rows([0.9, 0.9, 0.9, 900, 900, 900, 0.9, 0.9, 0.9, 900])).faults).toEqual([]);
    expect(problems(rows([2, 2, 2, 2, 150, 150, 150, 150])).faults).toEqual([]);
  });

  it('times of the day pass midnight', () => {
    const read = good('Time,SoC %\n16:55,57\n19:18,52\n08:57,39\n18:17,21');
    expect(Array.from(read.series.t, (t) => (t - (read.series.t[0] ?? 0)) / 3_600_000)).toEqual([
      0,
      expect.closeTo(2.3833, 3),
      expect.closeTo(16.0333, 3),
      expect.closeTo(25.3667, 3),
    ]);
  });

  it('many faults are counted and the first told', () => {
    const read = good(
      `Time,W\n${Array.from({ length: 500 }, (_, i) => `2026-06-01T10:00:${i}x,1`).join('\n')}\n2026-06-01T10:00Z,5`,
    );
    expect(read.faultCount).toBe(500);
    expect(read.faults).toHaveLength(200);
    expect(read.series.t).toHaveLength(1);
  });

  it('whatever order rows come in, what is kept is in order and no row is lost without a word', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 1, maxLength: 40 }), (minutes) => {
        const read = good(
          `Time,W\n${minutes.map((minute) => `2026-06-01T10:${String(minute).padStart(2, '0')}Z,${minute}`).join('\n')}`,
        );
        const kept = Array.from(read.series.t);
        expect(kept.every((t, i) => i === 0 || t > (kept[i - 1] as number))).toBe(true);
        const repeated = Number(/(\d+) rows say again/.exec(read.notes.join(' '))?.[1] ?? 0);
        expect(kept.length + read.faultCount + repeated).toBe(minutes.length);
      }),
      { numRuns: 100 },
    );
  });
});
