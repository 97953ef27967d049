import type { Load, Use } from '../job/schema.ts';
import { minutesPerDay } from '../loads/uses.ts';
import type { PartOfDay } from '../quantity/partsOfDay.ts';
import { HOURS_OF_PART } from '../quantity/partsOfDay.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Fact } from './facts.ts';
import type { Said } from './said.ts';

/** What a text says of when and how much, each marked as used when it is taken. */

/** "8 h a night" is by night; two hours of television a night are not. From memory. */
export const NIGHT_LONG_MIN = 300;
/** Between which minutes of the day what is used after dark begins. From memory. */
const LONG_MIN = 120;
const DARK_FROM_MIN = 17 * 60;
const LIGHT_FROM_MIN = 6 * 60;

export interface Energy {
  readonly fact: Fact;
  /** Wh a day, or a use. */
  readonly value: number;
  readonly perUse: boolean;
  readonly perDay: boolean;
}

export function energyOf(said: Said, busV: number): Energy | null {
  const fact = said.one('energy', 'energy-per-day', 'energy-per-use', 'charge-per-day');
  if (!fact) return null;
  const value = fact.kind === 'charge-per-day' ? fact.value * busV : fact.value;
  return { fact, value, perUse: fact.kind === 'energy-per-use', perDay: fact.kind.endsWith('-per-day') };
}

export const unlike = (said: Said, fact: Fact): void => said.ask('energy-unlike-use', [fact], ['']);

/** More than its watts give in that time: the first power of ten that is possible is offered. */
export function tooMuch(said: Said, fact: Fact, value: number, most: number): void {
  let possible = value;
  while (possible > most * (1 + 1e-9) && possible > 0.01) possible /= 10;
  const unit = fact.kind.endsWith('-per-day') ? ' Wh/day' : ' Wh';
  const slip = value / possible <= 1000 ? [`${Number(possible.toPrecision(6))}${unit}`] : [];
  said.ask('energy-above-power', [fact], slip);
}

export const hoursOf = (minutes: number, figures = 3): string => `${Number((minutes / 60).toPrecision(figures))} h`;

/**
 * Minutes of one use. Of a total each use has its part; of "10 min every hour" it is all of the time in which that goes on,
 * and no less than the hour.
 */
export function lengthOf(said: Said, times: number, every: Fact | null): number {
  const lengths = said.see('duration');
  const total = lengths.find(({ mark }) => mark === 'total');
  if (total) {
    said.use(total);
    const pieces = said.see('count')[0]?.value ?? 1;
    if (pieces > 1) said.ask('unread-word', [total], [hoursOf(total.value / pieces), hoursOf(total.value)]);
    return total.value / times;
  }
  const least = every?.second ?? 0;
  if (lengths.some(({ value }) => value < least)) return 0;
  return said.one('duration')?.value ?? 0;
}

/** Stretches of the clock, and whole parts of the day where no length says otherwise. */
export function clockOf(said: Said): Use[] {
  const clock = said.all('clock').map((fact) => {
    if (fact.tag === 'either') said.ask('bare-number', [fact], halvesOf(fact));
    return {
      startMin: fact.value,
      minutes: ((fact.second ?? 0) - fact.value + MINUTES_PER_DAY) % MINUTES_PER_DAY || MINUTES_PER_DAY,
    };
  });
  if (clock.length > 0 || said.see('duration').length > 0) return clock;
  const [whole] = said.see('part').filter(({ tag = '' }) => WHOLE.test(tag));
  if (!whole) return clock;
  said.use(whole);
  if (whole.tag !== 'but-night') return [{ ...HOURS_OF_PART[partOfTag(whole.tag)] }];
  const { startMin, minutes } = HOURS_OF_PART.night;
  return [{ startMin: (startMin + minutes) % MINUTES_PER_DAY, minutes: MINUTES_PER_DAY - minutes }];
}

const WHOLE = /^(?:whole-|but-night)/;
const partOfTag = (tag = ''): PartOfDay =>
  tag
    .replace(/^whole-/, '')
    .replace(/^pm$/, 'afternoon')
    .replace(/^noon$/, 'day') as PartOfDay;

/** "10 till 4" by day or by night. */
const halvesOf = ({ value, second = 0 }: Fact): string[] => {
  const [from, to] = [value / 60, second / 60].map((one) => Number(one.toPrecision(4)));
  return [`${from}am to ${to}pm`, `${from}pm to ${to}am`];
};

/** When each use begins, one after the other. */
export const beginsOf = (said: Said): Fact[] => said.all('begins').sort((a, b) => a.value - b.value);

/** Every part of the day that is named, each once. "8 h a night" says how often. */
export function partsOf(said: Said): PartOfDay[] {
  const named = said.see('part').filter(({ mark, tag }) => mark === undefined && tag !== 'but-night');
  const several = named.length > 1;
  const parts = named.map(({ tag }) => (tag === 'pm' && several ? 'evening' : partOfTag(tag)));
  return [...new Set(parts)].sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b));
}
const ORDER: readonly PartOfDay[] = ['morning', 'day', 'afternoon', 'evening', 'night'];

/** Minutes by which people stretch a part of the day. From memory. */
const STRETCH_MIN = 60;

const isDuring = (minute: number, part: PartOfDay): boolean => {
  const { startMin, minutes } = HOURS_OF_PART[part];
  const before = part === 'night' ? NIGHT_LONG_MIN : STRETCH_MIN;
  return (minute - startMin + before + MINUTES_PER_DAY) % MINUTES_PER_DAY <= minutes + before + STRETCH_MIN;
};

/** The part of the day that is named; an hour or two "at night" of what is used in the evening are then. */
export function partOf(said: Said, start: Load, minutes: number, times: number | null = null): PartOfDay | null {
  const facts = said.see('part');
  const begins = said.see('begins');
  if (begins.length > 0) {
    said.use(...facts.filter((fact) => begins.some(({ value }) => isDuring(value, partOfTag(fact.tag)))));
    return null;
  }
  // One of several would not do for all of them.
  if (partsOf(said).length > 1) return null;
  // Lunch is no time for what usually goes on for hours.
  if (
    minutes === 0 &&
    facts.some(({ tag }) => tag === 'noon') &&
    minutesPerDay(start.uses) > LONG_MIN * Math.max(1, start.uses.length)
  )
    return null;
  said.use(...facts);
  const isNightly =
    facts.some(({ mark }) => mark === 'average') || said.see('duration').some(({ tag }) => tag === 'a-night');
  const parts = partsOf(said);
  const named = parts.includes('night') ? 'night' : (parts[0] ?? null);
  const isLong = minutes >= NIGHT_LONG_MIN;
  const part = named ?? (isLong && isNightly ? 'night' : null);
  const [usual, ...more] = start.uses;
  const isAfterDark =
    usual && more.length === 0 && (usual.startMin >= DARK_FROM_MIN || usual.startMin < LIGHT_FROM_MIN);
  const isHabit = (!isLong || named === null) && (times ?? 1) <= 1;
  return part === 'night' && isHabit && start.type !== '' && isAfterDark ? null : part;
}
