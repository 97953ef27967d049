import { describe, expect, it } from 'vitest';
import { curveFromIdleAndPeak, efficiencyAt, flatCurve } from './curve.ts';

describe('the loss curve of an inverter', () => {
  it('comes out as worked by hand for 2,000 W, 20 W idle, 92 % at 35 % (arithmetic)', () => {
    const curve = curveFromIdleAndPeak(20 / 2000, 0.92, 0.35);
    expect(curve.c0).toBeCloseTo(0.01, 10);
    expect(curve.c1).toBeCloseTo(0.02981, 5);
    expect(curve.c2).toBeCloseTo(0.08163, 5);
    expect(efficiencyAt(curve, 0.01)).toBeCloseTo(0.4925, 4);
    expect(efficiencyAt(curve, 0.05)).toBeCloseTo(0.8104, 4);
    expect(efficiencyAt(curve, 0.1)).toBeCloseTo(0.8788, 4);
    expect(efficiencyAt(curve, 1)).toBeCloseTo(0.8917, 4);
  });

  it('reproduces the inverter curve published in NREL/TP-6A20-62641 within 0.001', () => {
    // Output-based points of that curve at nominal efficiency 0.96; its peak is 0.9625 at 60 % load.
    const curve = curveFromIdleAndPeak(0.00626, 0.9625, Math.sqrt(0.00626 / 0.01725));
    for (const [x, eta] of [
      [0.05, 0.8741],
      [0.1, 0.9238],
      [0.3, 0.9576],
      [0.5, 0.9622],
      [0.75, 0.9621],
      [1, 0.96],
    ] as const) {
      expect(Math.abs(efficiencyAt(curve, x) - eta), `at ${x}`).toBeLessThan(0.001);
    }
  });

  it('goes through its peak even when the idle is too large for the efficiency', () => {
    // By hand: c₁ = 0.1111 − 2·0.05/0.35 < 0, so c₂ = (0.1111/2)²/0.05 = 0.061728, best at √(0.05/0.061728) = 0.9.
    const curve = curveFromIdleAndPeak(0.05, 0.9, 0.35);
    expect(curve.c1).toBe(0);
    expect(curve.c2).toBeCloseTo(0.061728, 6);
    expect(efficiencyAt(curve, 0.9)).toBeCloseTo(0.9, 12);
    const best = Math.max(...Array.from({ length: 200 }, (_, i) => efficiencyAt(curve, (i + 1) / 100)));
    expect(best).toBeCloseTo(0.9, 6);
    // 92 % with 2.7 % idle: never better than 92 % at any load.
    const large = curveFromIdleAndPeak(0.027, 0.92, 0.35);
    for (let x = 0.02; x <= 2; x += 0.02) expect(efficiencyAt(large, x)).toBeLessThanOrEqual(0.92 + 1e-9);
  });

  it('is 80 % at every load in the flat school, and 64 % through two such stages (common practice)', () => {
    const flat = flatCurve(0, 0.8);
    expect(efficiencyAt(flat, 0.1)).toBeCloseTo(0.8, 12);
    expect(efficiencyAt(flat, 0.9)).toBeCloseTo(0.8, 12);
    expect(efficiencyAt(flat, 0.5) ** 2).toBeCloseTo(0.64, 12);
  });

  it('refuses nonsense by name', () => {
    expect(() => curveFromIdleAndPeak(-0.1, 0.9, 0.35)).toThrow(/idle share/);
    expect(() => curveFromIdleAndPeak(0.01, 1.2, 0.35)).toThrow(/peak efficiency/);
    expect(() => curveFromIdleAndPeak(0.01, 0.9, 0)).toThrow(/load of the peak/);
    expect(() => efficiencyAt(flatCurve(0, 0.9), Number.NaN)).toThrow(/load/);
  });
});
