import type { Question } from '../quantity/question.ts';

export type Side = 'input' | 'output' | 'plain';
export type Quantity =
  | 'V'
  | 'A'
  | 'A start'
  | 'A cable'
  | 'W'
  | 'VA'
  | 'Hz'
  | 'PF'
  | 'Wh/day'
  | 'Wh/cycle'
  | 'Ah'
  | 'Wh'
  | 'W cooking'
  | 'W cooling'
  | 'W shaft'
  | 'W heat'
  | 'W standby'
  | 'W start'
  | 'W lamp';

/** Heat moved or given for each watt taken, at least and at most. From memory. */
export const LEAST_MOVED = 0.8;
export const MOST_MOVED = 8;

/** What says how much an appliance takes. */
export const TAKES: ReadonlySet<Quantity> = new Set(['A', 'W', 'VA', 'W cooking', 'W cooling', 'W shaft']);

/** Whether a plate says how much it takes, in watts or by its energy. */
export const saysHowMuch = (tokens: readonly { readonly quantity: Quantity }[]): boolean =>
  tokens.some(({ quantity }) => TAKES.has(quantity) || quantity.startsWith('Wh/'));

export interface LabelToken {
  readonly quantity: Quantity;
  readonly side: Side;
  /** The lower and upper value of a range; equal for a single value. */
  readonly low: number;
  readonly high: number;
  /** Two values that stand for two ways of feeding it, in the order they are written: 12/24 V, 4/2 A. */
  readonly pair: readonly [number, number] | null;
  /** The other reading of a number such as 2.400, when both are possible. */
  readonly other: number | null;
  readonly current: 'ac' | 'dc' | null;
  readonly start: number;
  readonly end: number;
}

export interface LabelReading {
  readonly tokens: readonly LabelToken[];
  readonly questions: readonly Question[];
  /** What the appliance takes, W; from the output line of an adapter when there is one. Null when it does not say. */
  readonly powerW: number | null;
  /** How `powerW` came about, in words. */
  readonly because: string | null;
  readonly apparentVa: number | null;
  readonly powerFactor: number | null;
  /** Starting ÷ running amps, when the locked-rotor amps stand there. */
  readonly startRatio: number | null;
  /** Amps of its start, where those stand there and what it runs on does not stand in amps. */
  readonly startA: number | null;
  /** Heat it moves, W, when the label says that. */
  readonly coolingW: number | null;
  readonly energyWhPerDay: number | null;
  readonly energyWhPerCycle: number | null;
  /** What it must be fed with: mains, a DC voltage, or what an adapter makes of mains. */
  readonly supply: { readonly kind: 'mains' | 'dc' | 'adapter'; readonly volts: number; readonly low: number } | null;
}
