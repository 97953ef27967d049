import { describe, expect, it } from 'vitest';
import { type Cycle, cycleIn, cycleLasting, cycleTaking } from './cycles.ts';

/** Heats with 2,000 W for 15 min, turns with 150 W for 45: 500 Wh and 112.5 Wh. */
const wash: Cycle = {
  kind: 'cycle',
  phases: [
    { label: 'Heat', powerW: 2000, minutes: 15, startRatio: null },
    { label: 'Turn', powerW: 150, minutes: 45, startRatio: null },
  ],
};
const lengths = (cycle: Cycle | null) => cycle?.phases.map(({ minutes }) => Math.round((minutes ?? 0) * 100) / 100);
const energyWh = (cycle: Cycle | null) =>
  cycle?.phases.reduce((sum, { powerW, minutes }) => sum + (powerW * (minutes ?? 0)) / 60, 0);

describe('a cycle of another length', () => {
  it('heats as long as before and turns for longer or shorter', () => {
    expect(lengths(cycleLasting(wash, 120))).toEqual([15, 105]);
    expect(lengths(cycleLasting(wash, 40))).toEqual([15, 25]);
  });

  it('shrinks as a whole where it is shorter than its heating', () => {
    expect(lengths(cycleLasting(wash, 10))).toEqual([2.5, 7.5]);
  });

  it('grows as a whole where nothing of it takes little', () => {
    const boil: Cycle = { kind: 'cycle', phases: [{ label: 'Boil', powerW: 2000, minutes: 4, startRatio: null }] };
    expect(lengths(cycleLasting(boil, 6))).toEqual([6]);
  });
});

describe('a cycle of so much in so long', () => {
  it('heats for as long as that takes', () => {
    // 2000 h/4 + 150 (120 − 15 h)/60 = 800: h = 500/462.5.
    const longer = cycleIn(wash, 800, 120);
    expect(lengths(longer)).toEqual([16.22, 103.78]);
    expect(energyWh(longer)).toBeCloseTo(800, 9);
  });

  it('rests where turning alone would take more', () => {
    const short = cycleIn(wash, 100, 120);
    expect(energyWh(short)).toBeCloseTo(100, 9);
    expect(short?.phases.map(({ powerW }) => powerW)).toEqual([2000, 150, 0]);
    expect(short?.phases.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0)).toBeCloseTo(120, 9);
  });

  it('is none when its watts cannot give that', () => {
    expect(cycleIn(wash, 5000, 120)).toBeNull();
    expect(cycleTaking(wash, 612.5 * 5)).toBeNull();
    expect(lengths(cycleTaking(wash, 1225))).toEqual([30, 90]);
  });
});
