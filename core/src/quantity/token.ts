import type { Question } from './question.ts';

export type Kind =
  | 'power'
  | 'cooling'
  | 'shaft'
  | 'apparent'
  | 'voltage'
  | 'current'
  | 'factor'
  | 'energy'
  | 'energy-per-day'
  | 'energy-per-use'
  | 'charge'
  | 'charge-per-day'
  | 'frequency'
  | 'duration'
  | 'share'
  | 'count'
  | 'times'
  | 'start-ratio'
  | 'clock'
  | 'begins'
  | 'every'
  | 'days-per-week'
  | 'per-week'
  | 'per-month'
  | 'weekdays'
  | 'weekends'
  | 'summer'
  | 'winter';

/** What stands beside a power and says of what. */
export type Mark =
  | 'input'
  | 'output'
  | 'cooking'
  | 'cooling'
  | 'shaft'
  | 'sound'
  | 'peak'
  | 'most'
  | 'average'
  | 'equivalent'
  | 'running'
  | 'total';

export interface Token {
  readonly kind: Kind;
  /** W, VA, V, A, Wh, Ah, Hz, min, 0…1, a ratio or a count; of a clock and of what begins minutes after midnight; of "every" the minutes on. */
  readonly value: number;
  /** Of a clock its end, of "every" the period, both in minutes. */
  readonly second?: number;
  /** The other reading of a number such as 2.400, when that is possible too. */
  readonly other?: number;
  readonly mark?: Mark;
  /** DC or AC, when it is said. */
  readonly current?: 'ac' | 'dc';
  readonly start: number;
  readonly end: number;
}

export interface Reading {
  readonly tokens: readonly Token[];
  readonly questions: readonly Question[];
  /** What is left when quantities are taken out. */
  readonly words: string;
}
