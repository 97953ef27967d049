import { type ApplianceVolts, PROTECTION, type RunLine, type ThickerLine } from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import { bigAmps, DECIDED, fuseKindWords, fuseWords, PROTECTIONS, stopsAt, stopsBand, winsWords } from './words.ts';

const THIN = '\u2009';

describe('a fuse in words', () => {
  const fuse = (kind: RunLine['fuse']['kind'], ratingA: number | null, ratedV: number | null = 32) =>
    ({ fuse: { kind, ratingA, ratedV, ways: 1 } as RunLine['fuse'], isProtectedAbove: false }) as const;

  it('by its amps and its kind, or that there is none', () => {
    expect([fuseWords(fuse('blade', 7.5)), fuseKindWords(fuse('blade', 7.5))]).toEqual(['7.5 A', 'blade fuse, 32 V']);
    expect([fuseWords(fuse(null, null)), fuseKindWords(fuse(null, null))]).toEqual(['none', 'no fuse']);
    expect(fuseWords({ ...fuse(null, null), isProtectedAbove: true })).toBe('the one before it');
    const two = { fuse: { kind: 'strip', ratingA: 600, ways: 2 } as RunLine['fuse'], isProtectedAbove: false };
    expect(fuseWords(two)).toBe('2 × 300 A');
  });

  it('every kind can be chosen, the program’s choice and none before them, each said to be slow or fast', () => {
    expect(PROTECTIONS.map(({ value }) => value)).toEqual(['as-needed', 'none', ...Object.keys(PROTECTION)]);
    const labels = Object.fromEntries(PROTECTIONS.map(({ value, label }) => [value, label]));
    expect(labels.blade).toBe('blade fuse, fast');
    expect(labels.strip).toBe('bolted strip fuse, slow');
    expect(labels.breaker).toBe('thermal breaker, slow');
  });

  it('thousands of amps of a short circuit as kA', () => {
    expect([bigAmps(999), bigAmps(1000), bigAmps(20_740)]).toEqual([`999${THIN}A`, '1 kA', '20.7 kA']);
  });

  it('what decided a size is said of each limit in other words', () => {
    expect(new Set(Object.values(DECIDED)).size).toBe(Object.keys(DECIDED).length);
  });
});

describe('where an appliance stops', () => {
  const appliance = (soc: number | null, cutOffV: number | null = 10.5): ApplianceVolts =>
    ({
      cutOffV,
      dropOut:
        soc === null
          ? null
          : { soc, lowSoc: Math.max(0, soc - 0.04), highSoc: soc + 0.06, restV: 12.9, strandedAh: 14, strandedWh: 180 },
    }) as ApplianceVolts;

  it('at a charge with its band; at the last, never, or not known without one', () => {
    expect([stopsAt(appliance(0.14)), stopsBand(appliance(0.14))]).toEqual(['14 %', '10–20 %']);
    expect([stopsAt(appliance(0)), stopsBand(appliance(0))]).toEqual(['runs to the last', '']);
    expect([stopsAt(appliance(1)), stopsBand(appliance(1))]).toEqual(['never runs', '']);
    expect([stopsAt(appliance(null, null)), stopsBand(appliance(null, null))]).toEqual(['–', '']);
    expect(stopsAt(appliance(0.5, null))).toBe('–');
  });
});

describe('what the next thicker cable wins', () => {
  const thicker = (part: Partial<ThickerLine>): ThickerLine =>
    ({ savedWh: 0, wonAh: 0, wonBy: '', kg: 0.42, money: null, size: '4 mm²', ...part }) as ThickerLine;

  it('energy, then charge, for mass and money; light ones in grams', () => {
    const all = thicker({ savedWh: 3.24, wonAh: 5.51, wonBy: 'Fridge', money: 6.5 });
    expect(winsWords(all, 'EUR', 'metric')).toBe('3.2 Wh/day, 5.5 Ah for Fridge for 420 g, 6.5 EUR');
    expect(winsWords(thicker({ savedWh: 3.24, kg: 1.5 }), 'EUR', 'metric')).toBe(`3.2 Wh/day for 1.5${THIN}kg`);
  });

  it('nothing is said to be nothing, not rounded up', () => {
    expect(winsWords(thicker({ savedWh: 0.04, wonAh: 0.04, wonBy: 'Fridge' }), 'EUR', 'metric')).toBe(
      'nothing for 420 g',
    );
  });

  it('in pounds where weights are in pounds: 0.42 kg are 0.93 lb', () => {
    expect(winsWords(thicker({ savedWh: 1 }), 'USD', 'imperial')).toBe(`1 Wh/day for 0.93${THIN}lb`);
  });
});
