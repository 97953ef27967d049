import type { LossCurve } from '../paths/curve.ts';
import { fitCurve, idleBetween } from '../paths/fit.ts';
import type { Log } from './logSchema.ts';
import type { Contradiction } from './stated.ts';

export interface Loss {
  readonly idleW: number;
  readonly perW: number;
  readonly squarePerW: number;
  readonly idleBetween: { readonly lowW: number; readonly highW: number } | null;
  readonly pairs: readonly { readonly outW: number; readonly inW: number; readonly efficiency: number }[];
  readonly at: readonly {
    readonly outW: number;
    readonly inW: number;
    readonly efficiency: number;
    readonly lowInW: number;
    readonly highInW: number;
  }[];
}

export function lossOf(log: Log, contradictions: Contradiction[]): Loss | null {
  const pairs = (log.pairs ?? []).filter(({ outW, inW }) => {
    if (inW >= outW) return true;
    contradictions.push({
      code: 'more-out-than-in',
      where: `${outW} W out`,
      says: `${outW} W out of ${inW} W in: more comes out than goes in. Were they taken for each other, or at different moments?`,
      offer: null,
      refused: true,
    });
    return false;
  });
  if (pairs.length < 2) return null;
  const rating = Math.max(...pairs.map(({ outW }) => outW), 1);
  const curve = fitCurve(pairs, rating, null);
  const idle = idleBetween(pairs);
  const at = (outW: number, { c0, c1, c2 }: LossCurve): number =>
    outW + c0 * rating + c1 * outW + (c2 * outW * outW) / rating;
  const [a, b] = pairs as [Pair, Pair];
  // Two pairs leave open whether the loss grows with the load or with its square: both are shown.
  const square = idle === null ? null : squareThrough(a, b, rating);
  const asked = log.atW ?? [0.1, 0.25, 0.5, 0.75, 1].map((share) => Math.round(share * rating));
  return {
    idleW: curve.c0 * rating,
    perW: curve.c1,
    squarePerW: curve.c2 / rating,
    idleBetween: idle,
    pairs: pairs.map(({ outW, inW }) => ({ outW, inW, efficiency: inW > 0 ? outW / inW : 0 })),
    at: asked.map((outW) => {
      const inW = at(outW, curve);
      const other = square === null ? inW : at(outW, square);
      return {
        outW,
        inW,
        efficiency: inW > 0 ? outW / inW : 0,
        lowInW: Math.min(inW, other),
        highInW: Math.max(inW, other),
      };
    }),
  };
}

type Pair = { readonly outW: number; readonly inW: number };

function squareThrough(a: Pair, b: Pair, rating: number): LossCurve {
  const [xa, xb] = [(a.outW / rating) ** 2, (b.outW / rating) ** 2];
  const [la, lb] = [(a.inW - a.outW) / rating, (b.inW - b.outW) / rating];
  const c2 = Math.max(0, (lb - la) / (xb - xa));
  return { c0: Math.max(0, la - c2 * xa), c1: 0, c2 };
}
