import type { Draw, Load, Use } from '../job/schema.ts';
import { hoursOfPart, minutesPerDay } from '../loads/uses.ts';
import type { PartOfDay } from '../quantity/partsOfDay.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import type { Fact, Facts } from '../reading/facts.ts';

/** How far what a load does may be from what was said and still be the same, share; figures are rounded. From memory. */
const SAME = 0.12;
/** Minutes by which a use may begin or end beside what was said. From memory. */
const BESIDE_MIN = 1;
/** Share of a use that falls into the part of the day that it is said to be in. From memory. */
const IN_PART = 0.4;
/** How far people stretch a part of the day, minutes before and after; a night from when it may be dark. From memory. */
const BEFORE_MIN = { night: 300, day: 120, morning: 120, afternoon: 120, evening: 60 } as const;
const AFTER_MIN = 120;

const isAbout = (a: number, b: number): boolean => Math.abs(a - b) <= SAME * Math.max(Math.abs(a), Math.abs(b)) + 1e-9;

/**
 * What a line says of when, how long and how much that its load does not do: an oracle that does not know how the line's
 * facts were put together.
 * @param busV of the battery, for ampere-hours
 */
export function unmet(read: Facts, load: Load, busV: number): readonly string[] {
  const { facts, tokens, text } = read;
  const named = facts.filter(
    ({ kind, mark, tag = '' }) => kind === 'part' && mark === undefined && tag !== 'but-night',
  );
  const textOf = ({ from, to }: Fact) => text.slice(tokens[from]?.start, tokens[to - 1]?.end);
  return facts
    .filter(
      (fact) => !isMet(fact, facts, load, busV) || (named.includes(fact) && unmetParts(named, load).includes(fact)),
    )
    .map(textOf);
}

const partOf = ({ tag = '' }: Fact, several: boolean): PartOfDay =>
  tag
    .replace('whole-', '')
    .replace('pm', several ? 'evening' : 'afternoon')
    .replace('noon', 'day') as PartOfDay;

/** In each part of the day that is named there is a use, and each use is in one. */
function unmetParts(named: readonly Fact[], { uses }: Load): readonly Fact[] {
  const isInPart = (use: Use, fact: Fact) => isIn(use, partOf(fact, named.length > 1));
  const isOutside = (use: Use) => !named.some((fact) => isInPart(use, fact));
  return uses.some(isOutside) ? named : named.filter((fact) => !uses.some((use) => isInPart(use, fact)));
}

function isMet(token: Fact, all: readonly Fact[], load: Load, busV: number): boolean {
  const { uses, draw, daysPerWeek } = load;
  const { kind, value } = token;
  switch (kind) {
    case 'times':
      // Once a day is every day.
      return value === 1 || uses.length === value;
    case 'clock':
      return uses.every((use) => isWithin(use, all));
    case 'begins':
      return uses.some(({ startMin }) => Math.abs(startMin - value) <= BESIDE_MIN);
    case 'every':
      return isShareOf(load, token, all);
    case 'share':
      return draw.kind !== 'thermostatic' || isAbout(draw.duty, value);
    case 'days-per-week':
      return isAbout(daysPerWeek, value);
    case 'duration':
      return lasts(token, load, all);
    case 'on':
      return isOff(load, token.tag === 'weekend' ? 'weekday' : 'weekend');
    case 'season':
      return isOff(load, token.tag === 'summer' ? 'winter' : 'summer');
    case 'energy':
    case 'energy-per-day':
    case 'energy-per-use':
    case 'charge-per-day':
      return takes(load, kind, kind === 'charge-per-day' ? value * busV : value);
    default:
      return true;
  }
}

const isOff = ({ variants }: Load, on: Load['variants'][number]['on']): boolean =>
  variants.some((variant) => variant.on === on && variant.uses.length === 0);

/** Whether something of the load lasts so long: a use, all of them, all pieces, the time it goes on, or what runs of it. */
function lasts({ value: minutes }: Fact, { uses, draw, quantity }: Load, all: readonly Fact[]): boolean {
  const total = minutesPerDay(uses);
  // All day long is every time that it may be on.
  if (minutes >= MINUTES_PER_DAY) return !all.some((token) => token.kind === 'clock' && lengthOfClock(token) < minutes);
  if (uses.some((use) => isAbout(use.minutes, minutes)) || isAbout(total, minutes)) return true;
  if (isAbout(total * quantity, minutes)) return true;
  if (draw.kind === 'thermostatic') return isAbout(draw.duty * total, minutes);
  const every = all.find(({ kind }) => kind === 'every');
  return every !== undefined && isAbout((total * (every.second ?? 0)) / every.value, minutes);
}

/** Whether it runs for such a share of some time that was said. */
function isShareOf({ uses, draw }: Load, every: Fact, all: readonly Fact[]): boolean {
  const share = every.value / (every.second ?? MINUTES_PER_DAY);
  if (draw.kind === 'thermostatic') return isAbout(draw.duty, share);
  const total = minutesPerDay(uses);
  const clock = all.filter(({ kind }) => kind === 'clock').reduce((sum, token) => sum + lengthOfClock(token), 0);
  const [first, last] = [uses[0], uses.at(-1)];
  const spanMin = first && last ? last.startMin + last.minutes - first.startMin : 0;
  return [
    MINUTES_PER_DAY,
    clock,
    (spanMin + MINUTES_PER_DAY) % MINUTES_PER_DAY,
    ...all.filter(({ kind }) => kind === 'duration').map(({ value }) => value),
  ].some((within) => Math.abs(within * share - total) <= SAME * total + every.value);
}

const lengthOfClock = ({ value, second = value }: Fact): number =>
  (second - value + MINUTES_PER_DAY) % MINUTES_PER_DAY || MINUTES_PER_DAY;

function isWithin({ startMin, minutes }: Use, all: readonly Fact[]): boolean {
  return all.some((token) => {
    if (token.kind !== 'clock') return false;
    const after = (startMin - token.value + MINUTES_PER_DAY) % MINUTES_PER_DAY;
    const begins = after > MINUTES_PER_DAY - BESIDE_MIN ? 0 : after;
    return begins + minutes <= lengthOfClock(token) + BESIDE_MIN;
  });
}

/** Noon and lunch are in the middle of the day. */
const NOON: Use = { startMin: 12 * 60, minutes: 2 * 60 };

/** Whether enough of a use lies in a part of the day. */
function isIn(use: Use, part: PartOfDay): boolean {
  const hours = part === 'day' ? NOON : hoursOfPart(part);
  const from = hours.startMin - BEFORE_MIN[part];
  const length = hours.minutes + BEFORE_MIN[part] + AFTER_MIN;
  let shared = 0;
  for (const turn of [-MINUTES_PER_DAY, 0, MINUTES_PER_DAY]) {
    const begins = Math.max(use.startMin, from + turn);
    const ends = Math.min(use.startMin + use.minutes, from + length + turn);
    shared += Math.max(0, ends - begins);
  }
  return shared >= IN_PART * use.minutes;
}

/** Whether an energy is what it takes on a day, a use, or all pieces of it. */
function takes(load: Load, kind: Fact['kind'], wh: number): boolean {
  const { uses, quantity } = load;
  const dayWh = energyOfDay(load.draw, uses);
  if (dayWh === null || wh <= 0) return true;
  const perUse = dayWh / Math.max(1, uses.length);
  const may = kind === 'energy-per-use' ? [perUse] : kind === 'energy' ? [dayWh, perUse] : [dayWh];
  return may.some((one) => isAbout(one, wh) || isAbout(one * quantity, wh));
}

/** Wh a day of one piece; null of what the weather or the water decides. */
function energyOfDay(draw: Draw, uses: readonly Use[]): number | null {
  const hours = minutesPerDay(uses) / 60;
  switch (draw.kind) {
    case 'standby':
      return draw.powerW * 24;
    case 'steady':
      return draw.powerW * hours;
    case 'thermostatic':
      return draw.runningW * draw.duty * hours;
    case 'cycle': {
      const fixedMin = draw.phases.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0);
      const rest = minutesPerDay(uses) - fixedMin * uses.length;
      return draw.phases.reduce(
        (sum, { powerW, minutes }) => sum + (powerW * (minutes === null ? rest : minutes * uses.length)) / 60,
        0,
      );
    }
    default:
      return null;
  }
}
