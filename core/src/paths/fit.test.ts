import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cecEfficiency, efficiencyAt, europeanEfficiency } from './curve.ts';
import { fitCurve, idleBetween } from './fit.ts';

/** η = 0.96/0.9637·(−0.0162ζ − 0.0059/ζ + 0.9858), ζ = DC input ÷ rated DC input (NREL/TP-6A20-62641). */
const published = (zeta: number): number => (0.96 / 0.9637) * (-0.0162 * zeta - 0.0059 / zeta + 0.9858);
/** Its efficiency at an output of x of the rated output: ζ·η(ζ) = x·η(1), solved by halving. */
function publishedAt(x: number): number {
  let [low, high] = [1e-3, 2];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (middle * published(middle) < x * published(1)) low = middle;
    else high = middle;
  }
  return published(low);
}

describe('a curve fitted to measured pairs', () => {
  it('is 34.8 W + 0.0882·P for two pairs (case of common practice), and 361 W in at 300 W out', () => {
    const curve = fitCurve(
      [
        { outW: 76.1, inW: 117.6 },
        { outW: 574, inW: 659.4 },
      ],
      1000,
      null,
    );
    expect(curve.c0 * 1000).toBeCloseTo(34.8, 1);
    expect(curve.c1).toBeCloseTo(0.0882, 4);
    expect(efficiencyAt(curve, 0.0761)).toBeCloseTo(0.647, 3);
    expect(efficiencyAt(curve, 0.574)).toBeCloseTo(0.87, 2);
    expect(300 / efficiencyAt(curve, 0.3)).toBeCloseTo(361.3, 0);
  });

  it('leaves an idle of 32 to 40 W open (33 to 42 W by common practice) through 574 W out of 672 W and 76 W out of 117 W (common practice)', () => {
    const pairs = [
      { outW: 76, inW: 117 },
      { outW: 574, inW: 672 },
    ];
    const curve = fitCurve(pairs, 1000, null);
    // By hand: 41 − 76·57/498 W in a straight line, 41 − 76²·57/(574² − 76²) W with the square.
    expect(idleBetween(pairs)?.lowW).toBeCloseTo(32.3, 1);
    expect(idleBetween(pairs)?.highW).toBeCloseTo(40, 1);
    expect(curve.c0 * 1000).toBeCloseTo(32.3, 1);
    expect(idleBetween([])).toBeNull();
    expect(efficiencyAt(curve, 0.574)).toBeCloseTo(0.854, 3);
    expect(efficiencyAt(curve, 0.076)).toBeCloseTo(0.65, 2);
  });

  it('goes through the published inverter curve at three points, with the coefficients worked out for it', () => {
    const pairs = [0.1, 0.5, 1].map((x) => ({ outW: 2000 * x, inW: (2000 * x) / publishedAt(x) }));
    const curve = fitCurve(pairs, 2000, null);
    expect(curve.c0).toBeCloseTo(0.00626, 4);
    expect(curve.c1).toBeCloseTo(0.01815, 4);
    expect(curve.c2).toBeCloseTo(0.01725, 4);
    for (const x of [0.05, 0.3, 0.75]) expect(Math.abs(efficiencyAt(curve, x) - publishedAt(x))).toBeLessThan(0.001);
  });

  it('weighs like the published curve: CEC and European efficiency within 0.001', () => {
    const pairs = [0.1, 0.5, 1].map((x) => ({ outW: 2000 * x, inW: (2000 * x) / publishedAt(x) }));
    const curve = fitCurve(pairs, 2000, null);
    const cec =
      0.04 * publishedAt(0.1) +
      0.05 * publishedAt(0.2) +
      0.12 * publishedAt(0.3) +
      0.21 * publishedAt(0.5) +
      0.53 * publishedAt(0.75) +
      0.05 * publishedAt(1);
    const european =
      0.03 * publishedAt(0.05) +
      0.06 * publishedAt(0.1) +
      0.13 * publishedAt(0.2) +
      0.1 * publishedAt(0.3) +
      0.48 * publishedAt(0.5) +
      0.2 * publishedAt(1);
    expect(Math.abs(cecEfficiency(curve) - cec)).toBeLessThan(0.001);
    expect(Math.abs(europeanEfficiency(curve) - european)).toBeLessThan(0.001);
  });

  it('gives back any curve from enough of its own points, and never loses less than nothing', () => {
    const share = fc.double({ min: 0, max: 0.1, noNaN: true });
    fc.assert(
      fc.property(share, share, share, (c0, c1, c2) => {
        const pairs = [0.05, 0.2, 0.5, 0.8, 1].map((x) => ({
          outW: 1000 * x,
          inW: 1000 * (x + c0 + c1 * x + c2 * x * x),
        }));
        const fitted = fitCurve(pairs, 1000, null);
        for (const x of [0.1, 0.6, 1]) {
          const loss = (c: typeof fitted) => c.c0 + c.c1 * x + c.c2 * x * x;
          expect(loss(fitted)).toBeCloseTo(loss({ c0, c1, c2 }), 6);
        }
        expect(Math.min(fitted.c0, fitted.c1, fitted.c2)).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('takes a known idle as it is, and asks for more when a curve cannot be told', () => {
    const one = fitCurve([{ outW: 500, inW: 560 }], 1000, 10);
    expect(one.c0).toBe(0.01);
    expect(efficiencyAt(one, 0.5)).toBeCloseTo(500 / 560, 9);
    expect(() => fitCurve([{ outW: 500, inW: 560 }], 1000, null)).toThrow(/two measured pairs/);
    expect(() => fitCurve([], 1000, 10)).toThrow(/measured pairs/);
  });
});
