import { LOG_VERSION, type Log, type LogReport, readingsOf, reportOf, zoneOf } from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import { predictedOver } from './predictedOver.ts';
import { answerOf, figuresOf, hoursText, spanText, waysOf } from './says.ts';
import { readOutages, readPairs, readWindows, writeOutages, writePairs, writeWindows } from './typed.ts';

const said = (part: Omit<Log, 'format' | 'version'>): LogReport => {
  const log: Log = { format: 'joulemetric-log', version: LOG_VERSION, ...part };
  const zone = zoneOf('UTC') ?? ((ms: number) => [ms]);
  return reportOf(log, readingsOf(log.readings ?? [], zone), zone);
};
const fall = [
  { h: 0, soc: 100 },
  { h: 10, soc: 80 },
];
const windows = (a: number, b: number) =>
  ['A', 'B', 'A', 'B'].map((label, i) => ({ label, minutes: 15, w: (label === 'A' ? a : b) + (i > 1 ? 0.2 : 0) }));

describe('a log in one sentence', () => {
  it.each([
    ['nothing', {}, /Nothing has been read yet/],
    ['one reading', { readings: [{ h: 0, soc: 50 }] }, /^One reading/],
    ['a rate', { readings: fall }, /^Full to the reserve takes 38\.1 to 42\.1 h\.$/],
    ['a rate with watts', { readings: fall, capacity: { wh: 1000 } }, /at 20 W on average/],
    ['a target met', { readings: fall, targetH: 24 }, /^The 24 h asked for is met/],
    ['a target that fails', { readings: fall, targetH: 60 }, /60 h asked for is not met/],
    ['a target left open', { readings: fall, targetH: 40 }, /within what these readings leave open/],
    ['watts', { readings: [0, 1, 2].map((h) => ({ h, w: 60 })) }, /^120 Wh in 2 h: 60 W on average/],
    ['a difference', { windows: windows(50, 60) }, /^B takes 10 W more than A/],
    [
      'no difference',
      { windows: windows(48.1, 48.2), meterStepWh: 1.28 },
      /^No difference detected between A and B; a test that could tell takes/,
    ],
    [
      'pairs',
      {
        pairs: [
          { outW: 82, inW: 121 },
          { outW: 610, inW: 701 },
        ],
      },
      /takes 30\.9 W with nothing on it, and 9\.8 % of what it gives/,
    ],
    [
      'a cycle',
      {
        phases: [
          { label: 'brew', minutes: 6, wh: 140 },
          { label: 'warm', minutes: 70, wh: 85 },
        ],
      },
      /One cycle takes 225 Wh/,
    ],
    ['a contradiction', { phases: [{ label: 'warm', minutes: 70, maxW: 100, wh: 850 }] }, /contradict each other/],
  ] as [string, Omit<Log, 'format' | 'version'>, RegExp][])('of %s', (_, log, sentence) => {
    expect(answerOf(said(log))).toMatch(sentence);
  });

  it('lengths in the unit that is read most easily', () => {
    expect([0.5, 2, 47.4, 72, 300].map(hoursText)).toEqual(['30 min', '2 h', '47.4 h', '3 days', '13 days']);
    expect(spanText(46.13, 48.76)).toBe('46.1 to 48.8 h');
    expect(spanText(1, 3)).toBe('60 min to 3 h');
  });

  it('its figures, the most wanted first, and energy by each way with the one that counts', () => {
    const log = said({
      readings: [0, 5, 10].map((h) => ({ h, soc: 100 - h, w: 10 })),
      capacity: { wh: 1000, measured: true },
    });
    expect(figuresOf(log).map(({ label, value, unit }) => `${label} ${value} ${unit}`)).toEqual([
      'To the reserve 70 h',
      'Full to reserve 80 h',
      'Mean 10 W',
      'A day 240 Wh',
    ]);
    expect(waysOf(log).map(({ way, wh, counts }) => [way, Math.round(wh), counts])).toEqual([
      ['W × time', 100, true],
      ['state of charge × capacity', 100, false],
    ]);
    expect(figuresOf(said({}))).toEqual([]);
  });
});

describe('lines that are typed', () => {
  it.each([
    ['02:40–06:15', [{ from: '02:40', to: '06:15' }]],
    ['02:40-06:15', [{ from: '02:40', to: '06:15' }]],
    [
      '3 h to 5 h; 2026-06-01T10:00 until 2026-06-01T11:00',
      [
        { from: '3 h', to: '5 h' },
        { from: '2026-06-01T10:00', to: '2026-06-01T11:00' },
      ],
    ],
    ['', []],
  ])('off: %s', (text, value) => expect(readOutages(text)).toEqual({ value }));

  it.each([
    [
      '82/121, 610/701',
      [
        { outW: 82, inW: 121 },
        { outW: 610, inW: 701 },
      ],
    ],
    [
      '82,5 W / 121,5 W; 610/701',
      [
        { outW: 82.5, inW: 121.5 },
        { outW: 610, inW: 701 },
      ],
    ],
  ])('pairs: %s', (text, value) => expect(readPairs(text)).toEqual({ value }));

  it.each([
    [
      'A 15 48.1, B 15 48.6',
      [
        { label: 'A', minutes: 15, w: 48.1 },
        { label: 'B', minutes: 15, w: 48.6 },
      ],
    ],
    ['A 10:00–10:15', [{ label: 'A', from: '10:00', to: '10:15' }]],
  ])('windows: %s', (text, value) => expect(readWindows(text)).toEqual({ value }));

  it.each([
    [readOutages, '02:40'],
    [readPairs, '76'],
    [readPairs, 'a/b'],
    [readPairs, '1/2/3'],
    [readWindows, 'A'],
    [readWindows, 'A 15 lots'],
  ])('%o of “%s” is asked about, with how to write it', (read, text) => {
    expect(read(text)).toEqual({ problem: expect.stringContaining(`“${text}”: write`) });
  });

  it('are written as they are read', () => {
    const pairs = [
      { outW: 82, inW: 121 },
      { outW: 610, inW: 701 },
    ];
    const those = [
      { label: 'A', minutes: 15, w: 48.1 },
      { label: 'B', from: '10:00', to: '10:15' },
    ];
    const outages = [{ from: '02:40', to: '06:15' }];
    expect(readPairs(writePairs(pairs))).toEqual({ value: pairs });
    expect(readWindows(writeWindows(those))).toEqual({ value: those });
    expect(readOutages(writeOutages(outages))).toEqual({ value: outages });
  });
});

describe('simulated beside measured', () => {
  const hours = Array.from({ length: 48 }, (_, h) => h);
  const truth = {
    stepMin: 60,
    ah: 100,
    w: hours,
    needW: hours.map((h) => 10 + h),
    soc: hours.map((h) => 1 - h / 100),
    v: hours.map(() => 13),
    airC: hours,
    storeC: hours,
  };
  const noon = new Date(2026, 5, 1, 12, 0).getTime();

  it('is from the same time of the day, on the day that is chosen', () => {
    const points = predictedOver(truth, 'w', 1, noon, noon + 3 * 3_600_000, null);
    expect(points.map(([t, w]) => [(t - noon) / 3_600_000, w])).toEqual([
      [0, 46],
      [1, 47],
      [2, 48],
      [3, 49],
    ]);
  });

  it('of a charge begins where the reading did, and stays within its bounds', () => {
    const points = predictedOver(truth, 'soc', 0, noon, noon + 2 * 3_600_000, 90);
    expect(points.map(([, soc]) => Math.round(soc))).toEqual([90, 89, 88]);
    expect(predictedOver(truth, 'soc', 0, noon, noon + 20 * 3_600_000, 5).at(-1)?.[1]).toBe(0);
  });
});
