import { describe, expect, it } from 'vitest';
import { recognise } from './columns.ts';
import { compareWindows } from './compare.ts';
import { lossOf } from './lossPairs.ts';
import type { Contradiction } from './stated.ts';

describe('columns that are not the battery’s', () => {
  const asOf = (...heads: string[]) => {
    const rows = [['2026-03-01 10:00', ...heads.slice(1).map((_, i) => String(10 + i))]];
    return recognise(heads, rows, ',').columns.map(({ as }) => as);
  };

  it.each([['Power factor'], ['Solar (W)'], ['PV power (W)'], ['Alternator current (A)']])('%s is left out', (head) => {
    expect(asOf('Time', head, 'Battery power (W)')).toEqual([
      'time',
      'left out: not of the battery',
      expect.stringMatching(/^watts/),
    ]);
  });

  it('a second column of one quantity is named, with how to take it', () => {
    expect(asOf('Time', 'Power (W)', 'Output power (W)')[2]).toBe(
      'left out: a second column of watts; say w=Output power (W) to take this one',
    );
  });
});

describe('pairs that no converter gives', () => {
  const codesOf = (...pairs: [number, number][]) => {
    const found: Contradiction[] = [];
    const loss = lossOf({ pairs: pairs.map(([outW, inW]) => ({ outW, inW })) } as never, found);
    return { codes: found.map(({ code }) => code), told: loss !== null };
  };

  it.each<[string, [number, number][], string[]]>([
    [
      '40 W lost at 100 W and 20 at 400',
      [
        [100, 140],
        [400, 420],
      ],
      ['loss-falls'],
    ],
    [
      'one load with two losses',
      [
        [200, 225],
        [201, 260],
        [20, 35],
      ],
      ['pairs-differ'],
    ],
    [
      'two loads alike',
      [
        [300, 340],
        [340, 384],
      ],
      ['idle-untold'],
    ],
    [
      'a usual inverter',
      [
        [50, 70],
        [500, 560],
      ],
      [],
    ],
    [
      'idle measured by itself, and a load',
      [
        [0, 14],
        [300, 340],
      ],
      [],
    ],
    [
      'losses that are the same within the meters',
      [
        [100, 112],
        [200, 211],
      ],
      [],
    ],
  ])('%s', (_, pairs, codes) => {
    expect(codesOf(...pairs)).toEqual({ codes, told: codes.length === 0 });
  });
});

describe('two ways', () => {
  const windows = (...w: [string, number][]) =>
    compareWindows(
      w.map(([label, watts]) => ({ label, w: watts })),
      60,
      null,
      null,
    );

  it('readings that are alike have an interval all the same: as wide as their last digit', () => {
    const found = windows(['a', 20], ['a', 20], ['b', 22], ['b', 22]);
    expect(found?.interval?.highW).toBeGreaterThan(found?.interval?.lowW ?? Number.NaN);
    // A digit of 1 W is ±0.5 at both ends of a window: 1/√6 W; of two a side √(1/6 ÷ 2 × 2) = 0.408, × t(0.975, 2) = 4.303.
    expect((found?.interval?.highW ?? 0) - 2).toBeCloseTo(0.40825 * 4.30265, 3);
  });

  it('six windows that only drift are no difference: the line through time decides', () => {
    // Each hour 2 W more, and b always the later: 2 W between the sides and none of it theirs.
    const found = windows(['a', 20], ['b', 22], ['a', 24], ['b', 26], ['a', 28], ['b', 30]);
    expect(found?.differenceW).toBe(2);
    expect(found?.withDrift?.differenceW).toBeCloseTo(0, 9);
    expect(found?.distinguishable).toBe(false);
    expect(found?.because).toContain('scatter');
  });

  it('a difference that stands beside a drift is told where the windows by themselves drown it', () => {
    const found = windows(['a', 20], ['b', 33], ['a', 40], ['b', 53], ['a', 60], ['b', 73], ['a', 80], ['b', 93]);
    // 10 W each window, and 3 W of b over that.
    expect(found?.withDrift?.differenceW).toBeCloseTo(3, 6);
    expect(found?.distinguishable).toBe(true);
  });
});
