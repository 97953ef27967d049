import { overlappingUse } from './overlap.ts';
import type { Brief, Day, DayKind, Load, Use } from './schema.ts';
import { DAY_KINDS } from './values.ts';

/** Whether a day is of a kind, such as a weekend. */
const isOfKind = (day: Day, kind: DayKind): boolean => day.season === kind || day.week === kind || day.motion === kind;

/** The kind of day whose uses a load follows on a day; null when it runs as usual. The last that applies wins. */
export function variantOn(load: Pick<Load, 'variants'>, day: Day): DayKind | null {
  const said = new Set(load.variants.map(({ on }) => on));
  return DAY_KINDS.findLast((kind) => said.has(kind) && isOfKind(day, kind)) ?? null;
}

/** When a load runs on a day of that kind. */
export function usesOn(load: Pick<Load, 'uses' | 'variants'>, day: Day): readonly Use[] {
  const kind = variantOn(load, day);
  return load.variants.find(({ on }) => on === kind)?.uses ?? load.uses;
}

/** The load as it is on a day: the same object when that is as usual, so that a page need not draw it again. */
export function loadOn(load: Load, day: Day): Load {
  const kind = variantOn(load, day);
  if (kind === null) return load;
  const others = known.get(load) ?? new Map<DayKind, Load>();
  known.set(load, others);
  const made = others.get(kind) ?? { ...load, uses: [...usesOn(load, day)] };
  others.set(kind, made);
  return made;
}

const known = new WeakMap<Load, Map<DayKind, Load>>();

/**
 * The kind of day that an edit of a load's uses is for while such a day is shown: the most particular of its
 * kinds, or null (the usual uses) on a usual day.
 */
export function editedKind(day: Day): DayKind | null {
  return DAY_KINDS.findLast((kind) => isOfKind(day, kind)) ?? null;
}

export const sameDay = (a: Day, b: Day): boolean => a.season === b.season && a.week === b.week && a.motion === b.motion;

export const isUsual = (day: Day): boolean => editedKind(day) === null;

/** The brief as it holds on its kind of day: a parked day has no driving. */
export function briefOn(brief: Brief): Brief {
  return brief.day.motion === 'parked' ? { ...brief, drives: [] } : brief;
}

/** When a drive is taken to begin where nothing is said, minutes after midnight. Common practice: after breakfast. */
const DRIVE_FROM_MIN = 9 * 60;
const DAY_MIN = 24 * 60;

/** A plan of so many hours: the one there is, longer or shorter; one stretch where there is none, or no room. */
export function withDriveHours(plan: readonly Use[], hours: number): Use[] {
  const minutes = hours * 60;
  if (minutes <= 0) return [];
  const now = plan.reduce((sum, use) => sum + use.minutes, 0);
  const scaled = plan.map((use) => ({ ...use, minutes: (use.minutes * minutes) / now }));
  if (plan.length > 1 && !overlappingUse(scaled)) return scaled;
  return [{ startMin: Math.min(plan[0]?.startMin ?? DRIVE_FROM_MIN, DAY_MIN - minutes), minutes }];
}

/** h of driving on a usual day. */
export const driveHours = ({ drives }: Pick<Brief, 'drives'>): number =>
  drives.reduce((sum, { minutes }) => sum + minutes, 0) / 60;

/**
 * Share of the days like the one that is shown on which a load runs, 0…1. Where a day of the week is chosen, a load
 * that is said to be of those days runs on it, and nothing is scaled twice.
 */
export function shareOfDays({ daysPerWeek, variants }: Pick<Load, 'daysPerWeek' | 'variants'>, { week }: Day): number {
  const byWeek = variants.some(({ on }) => on === 'weekday' || on === 'weekend');
  const itsDays = (week === 'weekday' && daysPerWeek === 5) || (week === 'weekend' && daysPerWeek === 2);
  return week !== 'usual' && (byWeek || itsDays) ? 1 : daysPerWeek / 7;
}

/** The load as it is on a day on which it runs, or (`false`) on one on which it does not: the same object each time. */
export function onItsDay(load: Load, uses: boolean): Load {
  const made = madeByDay.get(load) ?? {
    on: { ...load, daysPerWeek: 7 },
    off: { ...load, daysPerWeek: 7, uses: [], variants: [], draw: { kind: 'steady', powerW: 0 }, residueW: 0 },
  };
  madeByDay.set(load, made);
  return uses ? made.on : made.off;
}

const madeByDay = new WeakMap<Load, { readonly on: Load; readonly off: Load }>();
