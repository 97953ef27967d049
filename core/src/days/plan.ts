import { shareOfDays, withDriveHours } from '../job/day.ts';
import type { Brief, Day, Load, PlanStretch, Supply, Use } from '../job/schema.ts';
import { minutesPerDay } from '../loads/uses.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { beginsAtMin } from '../sources/supplyDay.ts';

/** One day of the trip. */
export interface PlanDay {
  readonly kind: PlanStretch['kind'];
  readonly drives: readonly Use[];
  /** What the vehicle is plugged into, and when. */
  readonly supply: Supply | null;
}

/** The plan of a job: as it is said, or the nights away as usual and then one on power, at home where there is none. */
export function planOf({
  plan,
  nightsOffGrid,
  supplies,
}: Pick<Brief, 'plan' | 'nightsOffGrid' | 'supplies'>): readonly PlanStretch[] {
  if (plan.length > 0) return plan;
  const hookup = supplies.find(({ kind }) => kind === 'hookup');
  const rest = { days: 1, driveH: null, hours: null };
  return [
    { kind: 'usual', days: nightsOffGrid, driveH: null, supply: null, hours: null },
    hookup ? { kind: 'supply', ...rest, supply: hookup.id } : { kind: 'home', ...rest, supply: null },
  ];
}

/** Each day of a plan, once through. */
export function daysOfPlan(brief: Brief): readonly PlanDay[] {
  return planOf(brief).flatMap((stretch) => {
    const day = planDay(brief, stretch);
    return Array<PlanDay>(stretch.days).fill(day);
  });
}

function planDay(brief: Brief, { kind, driveH, supply: id, hours }: PlanStretch): PlanDay {
  const supply = kind === 'supply' ? (brief.supplies.find((one) => one.id === id) ?? null) : null;
  const drives =
    kind === 'usual'
      ? brief.drives
      : kind === 'driving'
        ? withDriveHours(brief.drives, driveH ?? driveHoursOf(brief))
        : [];
  return { kind, drives, supply: supply && { ...supply, hours: hoursOn(supply, hours) } };
}

const driveHoursOf = ({ drives }: Brief): number => minutesPerDay(drives) / 60;

/** The hours of a supply on a day: so many from when it begins, and no longer than its timer lets it. */
function hoursOn(supply: Supply, hours: number | null): Use[] {
  const from = beginsAtMin(supply);
  const asked = hours === null ? supply.hours : hours > 0 ? [{ startMin: from, minutes: hours * 60 }] : [NEVER];
  const timer = supply.kind === 'outlet' ? supply.offAfterH : null;
  if (timer === null) return [...asked];
  const all = asked.length > 0 ? asked : [{ startMin: from, minutes: MINUTES_PER_DAY }];
  return all.map(({ startMin, minutes }) => ({ startMin, minutes: Math.min(minutes, timer * 60) }));
}

/** No hours at all: a list without a stretch would mean all day. */
const NEVER: Use = { startMin: 0, minutes: 1e-6 };

/** A load that is never switched off: it runs with nobody on board. */
const NEVER_OFF_MIN = 23.9 * 60;

/**
 * Whether a load runs on a day of the calendar. Of some days of the week: five are the working days and two the
 * weekend, as elsewhere; others are spread evenly.
 * @param index of the day, 0 a Monday
 */
export function runsOn(load: Load, plan: PlanDay, day: Day, index: number): boolean {
  if (plan.kind === 'away' || plan.kind === 'home')
    return load.draw.kind === 'standby' || minutesPerDay(load.uses) >= NEVER_OFF_MIN;
  const { daysPerWeek } = load;
  if (daysPerWeek === 7 || shareOfDays(load, day) === 1) return true;
  if (daysPerWeek === 5 || daysPerWeek === 2) return (day.week === 'weekend') === (daysPerWeek === 2);
  return Math.floor(((index + 1) * daysPerWeek) / 7 + 1e-9) > Math.floor((index * daysPerWeek) / 7 + 1e-9);
}

/** Days. */
export const WEEK = 7;
const WORKING_DAYS = 5;

/** The kind of day by the calendar. @param index of the day, 0 a Monday */
export const dayKind = (plan: PlanDay, season: Day['season'], index: number): Day => ({
  season,
  week: index % WEEK < WORKING_DAYS ? 'weekday' : 'weekend',
  motion: plan.kind === 'usual' ? 'usual' : plan.drives.length > 0 ? 'driving' : 'parked',
});
