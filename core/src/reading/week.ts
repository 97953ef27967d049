import type { Load } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Kind } from './facts.ts';
import type { Said } from './said.ts';
import { hoursOf, partsOf } from './when.ts';

/** Minutes that somebody says for a week and means for one day of it. From memory. */
const ONCE_A_WEEK_MIN = 180;
/** What says of a length of a week or month that it is another. */
const OFTEN: readonly Kind[] = ['times', 'every', 'clock', 'duration'];

/** On how many days of the week, and what else on which; with the minutes of a length that was said for a week. */
export interface Week {
  readonly daysPerWeek: number;
  readonly variants: Load['variants'];
  readonly minutes: number;
}

/** @param cycles whether it cycles by itself, and is on every day */
export function weekOf(said: Said, start: Load, cycles: boolean): Week {
  const isLeft = (fact: Parameters<Said['isUsed']>[0]) => !said.isUsed(fact);
  // Daily says nothing beside certain days.
  const all = said.see('days-per-week').filter(isLeft);
  const days = all.find(({ value }) => value < 7) ?? all[0];
  said.use(...all.filter(({ value }) => value === 7));
  // Of days of the week and a season one is asked about: both would say on which days it is not.
  const [part] = days ? [] : said.see('on').filter(isLeft);
  const [season] = part ? [] : said.see('season').filter(isLeft);
  for (const fact of [days, season, part]) if (fact) said.use(fact);
  let { variants } = start;
  if (season) variants = without(variants, season.tag === 'summer' ? 'winter' : 'summer');
  if (part) variants = without(variants, part.tag === 'weekday' ? 'weekend' : 'weekday');
  if (days) return { daysPerWeek: days.value, variants, minutes: 0 };
  if (part) return { daysPerWeek: part.value, variants, minutes: 0 };
  return season ? { daysPerWeek: start.daysPerWeek, variants, minutes: 0 } : inAWeek(said, start, cycles);
}

/** "10 min a week" is once; of hours it may be a part of every day. */
function inAWeek(said: Said, { daysPerWeek, variants }: Load, cycles: boolean): Week {
  // What says how often or when as well is of two minds.
  if (said.see(...OFTEN).length > 0 || partsOf(said).length > 1 || cycles) return { daysPerWeek, variants, minutes: 0 };
  const monthly = said.one('per-month');
  if (monthly) return { daysPerWeek: (7 * 12) / 365, variants, minutes: Math.min(monthly.value, MINUTES_PER_DAY) };
  const fact = said.one('per-week');
  if (!fact) return { daysPerWeek, variants, minutes: 0 };
  const { value } = fact;
  const once = value <= MINUTES_PER_DAY ? [`${hoursOf(value)} once a week`] : [];
  if (value > ONCE_A_WEEK_MIN) said.ask('time-per-week', [fact], [hoursOf(value / 7), ...once]);
  return { daysPerWeek: 1, variants, minutes: Math.min(value, MINUTES_PER_DAY) };
}

/** What it does on other days, with those on which it does nothing. */
const without = (variants: Load['variants'], off: Load['variants'][number]['on']): Load['variants'] => [
  ...variants.filter(({ on }) => on !== off),
  { on: off, uses: [] },
];
