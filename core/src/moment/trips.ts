import { DEFAULT } from '../reference/defaults.ts';

/**
 * Why an inverter shuts off, and how soon: `inrush` at once, on a start above what it holds; `surge-time` on a start
 * that lasts longer than it holds; `overload` within seconds to a minute, on what runs; `heat` after minutes to
 * hours, on what it would carry in cool air.
 */
export type TripKind = 'inrush' | 'surge-time' | 'overload' | 'heat';

export interface Trip {
  readonly kind: TripKind;
  /** What is asked, and what is held, in `unit`. */
  readonly asked: number;
  readonly limit: number;
  readonly unit: 'W' | 'VA';
  /** Of a start that lasts too long: the seconds it lasts, and those for which it is held. */
  readonly seconds?: number;
  readonly holdSeconds?: number;
}

/** What an inverter bears. */
export interface Bears {
  readonly ratingW: number;
  /** In the heat around it, W. */
  readonly hotW: number;
  readonly ratingVa: number;
  readonly surgeW: number;
  readonly holdSeconds: number;
}

/** What is asked of it: W and VA that run, and the starts on top, each with the W it reaches and the s it lasts. */
export interface Asks {
  readonly runningW: number;
  readonly apparentVa: number;
  readonly starts: readonly { readonly weight: number; readonly seconds: number }[];
}

/**
 * What makes an inverter trip, the soonest first. Rounding of a part in a million is let through. The three ways
 * are apart because they prove different things: one that trips on what runs says nothing of its surge.
 */
export function tripsOf(bears: Bears, asks: Asks): Trip[] {
  const { surgeW, holdSeconds } = bears;
  const minuteW = bears.ratingW * DEFAULT.inverterOverloadFactor.value;
  const over = (asked: number, limit: number) => asked > limit * (1 + 1e-6);
  const trips: Trip[] = [];
  const inrush = asks.starts.find(({ weight }) => over(weight, surgeW));
  const long = asks.starts.find(({ weight, seconds }) => seconds > holdSeconds && over(weight, minuteW));
  if (inrush) trips.push({ kind: 'inrush', asked: inrush.weight, limit: surgeW, unit: 'W' });
  else if (long) {
    const { weight, seconds } = long;
    trips.push({ kind: 'surge-time', asked: weight, limit: minuteW, unit: 'W', seconds, holdSeconds });
  }
  const { runningW, apparentVa } = asks;
  if (over(runningW, bears.ratingW)) trips.push({ kind: 'overload', asked: runningW, limit: bears.ratingW, unit: 'W' });
  else if (over(apparentVa, bears.ratingVa))
    trips.push({ kind: 'overload', asked: apparentVa, limit: bears.ratingVa, unit: 'VA' });
  else if (over(runningW, bears.hotW)) trips.push({ kind: 'heat', asked: runningW, limit: bears.hotW, unit: 'W' });
  return trips;
}
