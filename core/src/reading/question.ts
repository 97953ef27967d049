/** The step of the work to which such a thing belongs. */
export type OfStep =
  | 'battery'
  | 'solar'
  | 'alternator'
  | 'generator'
  | 'inverter'
  | 'controller'
  | 'dcdc'
  | 'station'
  | 'shore'
  | 'wiring';

/** What can be unclear about something typed; the words for each are the page's. */
export type QuestionCode =
  | 'power-per-time'
  | 'current-per-time'
  | 'energy-per-hour'
  | 'charge-per-hour'
  | 'battery'
  | 'source'
  | 'breaker'
  | 'energy-above-power'
  | 'energy-unlike-use'
  | 'contradiction'
  | 'two-readings'
  | 'negative'
  | 'range'
  | 'bare-number'
  | 'second-figure'
  | 'unread-word'
  | 'unread-rest'
  | 'cooking-or-input'
  | 'cooling-or-input'
  | 'shaft-or-input'
  | 'sound-or-input'
  | 'fixed-or-inverter'
  | 'unlike-type'
  | 'several-outputs'
  | 'whose-store'
  | 'over-a-day'
  | 'time-per-week'
  | 'like-a-bulb'
  | 'per-length'
  | 'no-energy'
  | 'unfit';

/** A plain question about what was typed, with the likely meanings ready to take. */
export interface Question {
  readonly code: QuestionCode;
  readonly start: number;
  readonly end: number;
  /** What stands there. */
  readonly found: string;
  /** What may have been meant, each to be put in its place; none when only a person can say. "" takes it out. */
  readonly choices: readonly string[];
  /** The step of the work where it belongs, for what is no load. */
  readonly step?: OfStep;
}
