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
  const refused = contradictionsOf(pairs);
  contradictions.push(...refused);
  if (refused.length > 0) return null;
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

/** Share of what goes in within which two pairs say the same: a meter's own error. From memory. */
const SAME = 0.02;
/** Least share that the larger load of two pairs has over the smaller, so that a line through them reaches idle. From memory. */
const APART = 1.5;

/** What no converter does: lose less with more on it, lose two amounts at one load; and two loads too alike to tell idle. */
function contradictionsOf(pairs: readonly Pair[]): Contradiction[] {
  const sorted = [...pairs].sort((a, b) => a.outW - b.outW || a.inW - b.inW);
  const refuse = (code: Contradiction['code'], { outW }: Pair, says: string): Contradiction[] => [
    { code, where: `${outW} W out`, says, offer: null, refused: true },
  ];
  for (const [i, pair] of sorted.entries()) {
    const before = sorted[i - 1];
    if (!before) continue;
    const lossW = pair.inW - pair.outW;
    const lossBeforeW = before.inW - before.outW;
    const isSameLoad = pair.outW - before.outW <= SAME * pair.outW;
    const off = SAME * Math.max(pair.inW, before.inW);
    if (isSameLoad && Math.abs(pair.inW - before.inW) > 2 * off)
      return refuse(
        'pairs-differ',
        pair,
        `${before.outW} W out of ${before.inW} W in, and ${pair.outW} W out of ${pair.inW} W: the same load with two losses. Was it warm, cold, or at another voltage?`,
      );
    if (!isSameLoad && lossW < lossBeforeW - off)
      return refuse(
        'loss-falls',
        pair,
        `${lossBeforeW.toFixed(0)} W are lost at ${before.outW} W and ${lossW.toFixed(0)} W at ${pair.outW} W: no converter loses less with more on it. Were both sides read at the same moment?`,
      );
  }
  const [low, high] = [sorted[0] as Pair, sorted.at(-1) as Pair];
  if (low.outW > 0 && high.outW < APART * low.outW)
    return refuse(
      'idle-untold',
      low,
      `${low.outW} W and ${high.outW} W are too alike to tell what it idles on: measure with nothing on it, or at a third of the load.`,
    );
  return [];
}

type Pair = { readonly outW: number; readonly inW: number };

function squareThrough(a: Pair, b: Pair, rating: number): LossCurve {
  const [xa, xb] = [(a.outW / rating) ** 2, (b.outW / rating) ** 2];
  const [la, lb] = [(a.inW - a.outW) / rating, (b.inW - b.outW) / rating];
  const c2 = Math.max(0, (lb - la) / (xb - xa));
  return { c0: Math.max(0, la - c2 * xa), c1: 0, c2 };
}
