import { currentAt, type OneDiode, openVoltage, voltageAt } from './oneDiode.ts';

/** Like panels on a controller, in the light and at the temperature of the moment. */
export interface Group {
  readonly panel: OneDiode;
  readonly series: number;
  readonly parallel: number;
}

export type Wiring = 'parallel' | 'series';

export interface Point {
  readonly volts: number;
  readonly amps: number;
}

export const wattsOf = ({ volts, amps }: Point): number => volts * amps;

/** A that groups side by side give at a voltage. */
export const ampsTogether = (groups: readonly Group[], volts: number): number =>
  groups.reduce((sum, { panel, series, parallel }) => sum + parallel * currentAt(panel, volts / series), 0);

/** V of groups one after the other at a current. */
const voltsTogether = (groups: readonly Group[], amps: number): number =>
  groups.reduce((sum, { panel, series, parallel }) => sum + series * voltageAt(panel, amps / parallel), 0);

/** Steps in which the whole curve is searched before the best of them is looked at closely. */
const STEPS = 240;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * The best point of all groups on one controller. Where bypass diodes make several humps the highest is found.
 * Series: of the current that all carry. Parallel: of the voltage that all share.
 */
export function bestPoint(groups: readonly Group[], wiring: Wiring): Point {
  if (groups.length === 0) return { volts: 0, amps: 0 };
  const { end, at } = sweep(groups, wiring);
  const power = (x: number) => wattsOf(at(x));
  let peak = 0;
  for (let i = 1; i < STEPS; i++) if (power((end * i) / STEPS) > power((end * peak) / STEPS)) peak = i;
  let [low, high] = [(end * Math.max(0, peak - 1)) / STEPS, (end * (peak + 1)) / STEPS];
  while (high - low > end * 1e-10) {
    const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
    if (power(left) < power(right)) low = left;
    else high = right;
  }
  const best = at((low + high) / 2);
  return wattsOf(best) > 0 ? best : { volts: 0, amps: 0 };
}

/** What the curve is walked along, to where it ends. */
function sweep(groups: readonly Group[], wiring: Wiring): { readonly end: number; readonly at: (x: number) => Point } {
  if (wiring === 'parallel') {
    const end = Math.max(...groups.map(({ panel, series }) => series * openVoltage(panel)));
    return { end, at: (volts) => ({ volts, amps: ampsTogether(groups, volts) }) };
  }
  const end = Math.max(...groups.map(({ panel, parallel }) => parallel * panel.lightA));
  return { end, at: (amps) => ({ volts: voltsTogether(groups, amps), amps }) };
}

/** Points of the curve from short circuit to open, for drawing: those with nothing below 0. */
export function curveOf(groups: readonly Group[], wiring: Wiring, points = 80): Point[] {
  if (groups.length === 0) return [];
  const { end, at } = sweep(groups, wiring);
  const walked = Array.from({ length: points + 1 }, (_, i) => at((end * i) / points));
  const past = walked.findIndex(({ volts, amps }, i) => i > 0 && (volts < 0 || amps < 0));
  if (past < 0) return walked;
  // Where it crosses an axis, straight between the two points about it.
  const [from, to] = [walked[past - 1] as Point, walked[past] as Point];
  const key = wiring === 'parallel' ? 'amps' : 'volts';
  const share = from[key] / (from[key] - to[key]);
  const crossing = {
    volts: from.volts + share * (to.volts - from.volts),
    amps: from.amps + share * (to.amps - from.amps),
  };
  return [...walked.slice(0, past), crossing];
}
