import type { Load, Use } from '../job/schema.ts';
import type { PartOfDay } from '../quantity/partsOfDay.ts';
import type { Question } from '../quantity/question.ts';
import type { Reading, Token } from '../quantity/token.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { partOfDay } from './uses.ts';

/** Minutes that somebody says for a week and means for one day of it. From memory. */
const ONCE_A_WEEK_MIN = 180;
/** "8 h a night" is by night; two hours of television a night are not. From memory. */
const A_NIGHT = /(?:\b(?:a|per|each|every)|\/)\s*night\b|\bnightly\b/i;
export const NIGHT_LONG_MIN = 300;
/** Between which minutes of the day what is used after dark begins. From memory. */
const DARK_FROM_MIN = 17 * 60;
const LIGHT_FROM_MIN = 6 * 60;
/** What says of a length of a week or month that it is another. */
const OFTEN: ReadonlySet<Token['kind']> = new Set(['times', 'every', 'clock', 'duration']);

export interface Energy {
  readonly token: Token;
  /** Wh a day, or a use. */
  readonly value: number;
  readonly perUse: boolean;
  readonly perDay: boolean;
}

/** On how many days of the week, and what else on which; with the minutes of a length that was said for a week. */
export interface Week {
  readonly daysPerWeek: number;
  readonly variants: Load['variants'];
  readonly minutes: number;
}

/** What a line says of when and how much, each marked as used when it is taken, and the questions that it raises. */
export class Sayings {
  readonly questions: Question[] = [];
  readonly used: Token[] = [];
  readonly text: string;
  readonly reading: Reading;

  constructor(text: string, reading: Reading) {
    this.text = text;
    this.reading = reading;
  }

  has(...kinds: readonly Token['kind'][]): boolean {
    return this.reading.tokens.some(({ kind }) => kinds.includes(kind));
  }

  all(...kinds: readonly Token['kind'][]): Token[] {
    const found = this.reading.tokens.filter(({ kind }) => kinds.includes(kind));
    this.used.push(...found);
    return found;
  }

  /** The first of a kind; a second is left over, and asked about. */
  one(...kinds: readonly Token['kind'][]): Token | null {
    const found = this.reading.tokens.find(({ kind }) => kinds.includes(kind)) ?? null;
    if (found) this.used.push(found);
    return found;
  }

  ask(code: Question['code'], { start, end }: Token, choices: readonly string[]): void {
    this.questions.push({ code, start, end, found: this.text.slice(start, end), choices });
  }

  unlike(token: Token): void {
    this.ask('energy-unlike-use', token, ['']);
  }

  /** More than its watts give in that time: the first power of ten that is possible is offered. */
  tooMuch(token: Token, value: number, most: number): void {
    let possible = value;
    while (possible > most * (1 + 1e-9) && possible > 0.01) possible /= 10;
    const unit = token.kind === 'energy-per-day' || token.kind === 'charge-per-day' ? ' Wh/day' : ' Wh';
    const slip = value / possible <= 1000 ? [`${Number(possible.toPrecision(6))}${unit}`] : [];
    this.ask('energy-above-power', token, slip);
  }

  get pieces(): number {
    return this.reading.tokens.find(({ kind }) => kind === 'count')?.value ?? 1;
  }

  /** "1 h 30 min" is one length; two lengths apart are not. */
  length(): number {
    const lengths = this.reading.tokens.filter(({ kind }) => kind === 'duration');
    const [first] = lengths;
    if (!first) return 0;
    let sum = 0;
    let least = first.value;
    let end = first.start;
    for (const token of lengths) {
      if (!/^[\s,+&]*(?:and)?\s*$/i.test(this.text.slice(end, token.start))) continue;
      // "5 min 10 h" are two.
      if (sum > 0 && token.value >= least) break;
      least = token.value;
      sum += token.value;
      end = token.end;
      this.used.push(token);
    }
    return sum;
  }

  clock(): Use[] {
    return this.all('clock').map((token) => ({
      startMin: token.value,
      minutes: ((token.second ?? 0) - token.value + MINUTES_PER_DAY) % MINUTES_PER_DAY || MINUTES_PER_DAY,
    }));
  }

  /** @param cycles whether it cycles by itself: then any share of the time is its duty */
  duty(cycles: boolean): Token | null {
    const token = this.reading.tokens.find(({ kind }) => kind === 'share');
    if (!token || !(token.value > 0 && token.value <= 1)) return null;
    const isDuty =
      cycles ||
      /duty|of the time|cycling/i.test(this.reading.words) ||
      /(?:time|duty|cycle)$/i.test(this.text.slice(token.start, token.end));
    if (!isDuty) return null;
    this.used.push(token);
    return token;
  }

  energy(busV: number): Energy | null {
    const token = this.one('energy', 'energy-per-day', 'energy-per-use', 'charge-per-day');
    if (!token) return null;
    const value = token.kind === 'charge-per-day' ? token.value * busV : token.value;
    return { token, value, perUse: token.kind === 'energy-per-use', perDay: token.kind.endsWith('-per-day') };
  }

  /** The part of the day that is named; an hour or two "at night" of what is used in the evening are then. */
  part(start: Load, minutes: number): PartOfDay | null {
    let left = this.text;
    // "3 evenings a week" says when as well.
    for (const token of this.reading.tokens) if (token.kind !== 'days-per-week') left = blanked(left, token);
    const isLong = minutes >= NIGHT_LONG_MIN;
    const part = partOfDay(left.replace(A_NIGHT, ' ')) ?? (isLong && A_NIGHT.test(this.text) ? 'night' : null);
    const [usual, ...more] = start.uses;
    const isAfterDark =
      usual && more.length === 0 && (usual.startMin >= DARK_FROM_MIN || usual.startMin < LIGHT_FROM_MIN);
    const isHabit = !isLong || partOfDay(left.replace(A_NIGHT, ' ')) === null;
    return part === 'night' && isHabit && start.type !== '' && isAfterDark ? null : part;
  }

  /** @param cycles whether it cycles by itself, and is on every day */
  week(start: Load, cycles: boolean): Week {
    const days = this.one('days-per-week');
    const season = this.one('summer', 'winter');
    if (days || season)
      return {
        daysPerWeek: days?.value ?? start.daysPerWeek,
        variants: season ? without(start, season.kind === 'summer' ? 'winter' : 'summer') : start.variants,
        minutes: 0,
      };
    const part = this.one('weekdays', 'weekends');
    if (!part) return this.#inAWeek(start, cycles);
    const off = part.kind === 'weekdays' ? 'weekend' : 'weekday';
    return { minutes: 0, daysPerWeek: part.value, variants: without(start, off) };
  }

  /** "10 min a week" is once; of hours it may be a part of every day. */
  #inAWeek({ daysPerWeek, variants }: Load, cycles: boolean): Week {
    // What says how often or when as well is of two minds.
    if (this.has(...OFTEN) || cycles) return { daysPerWeek, variants, minutes: 0 };
    const monthly = this.one('per-month');
    if (monthly) return { daysPerWeek: (7 * 12) / 365, variants, minutes: Math.min(monthly.value, MINUTES_PER_DAY) };
    const token = this.one('per-week');
    if (!token) return { daysPerWeek, variants, minutes: 0 };
    const { value } = token;
    if (value > ONCE_A_WEEK_MIN)
      this.ask('time-per-week', token, [
        hoursOf(value / 7),
        ...(value <= MINUTES_PER_DAY ? [`${hoursOf(value)} once a week`] : []),
      ]);
    return { daysPerWeek: 1, variants, minutes: Math.min(value, MINUTES_PER_DAY) };
  }
}

/** What it does on other days, with those on which it does nothing. */
const without = ({ variants }: Load, off: Load['variants'][number]['on']): Load['variants'] => [
  ...variants.filter(({ on }) => on !== off),
  { on: off, uses: [] },
];

const blanked = (text: string, { start, end }: Token): string =>
  text.slice(0, start) + ' '.repeat(end - start) + text.slice(end);

export const hoursOf = (minutes: number): string => `${Number((minutes / 60).toPrecision(3))} h`;
