/** What a store must carry, Wh at its terminals: every day the same, and what runs on some days of the week only. */
export interface Demand {
  /** Of a day on which nothing occasional runs. */
  readonly everyDayWh: number;
  /** Of each occasional load on a day it runs, and on how many days of seven it does. */
  readonly occasional: readonly { readonly wh: number; readonly daysPerWeek: number }[];
}

/** Days beyond which a store is not followed. */
const MOST_DAYS = 3650;

/**
 * Energy of the heaviest run of N days in a row that a week can hold: what runs on d days of seven may run on the
 * first d of them, once at least. A mean over the week would size a store for the seventh part of a weekly wash.
 */
export function heaviestWh({ everyDayWh, occasional }: Demand, days: number): number {
  return (
    everyDayWh * days + occasional.reduce((sum, { wh, daysPerWeek }) => sum + wh * mostOnDays(daysPerWeek, days), 0)
  );
}

/** On how many of so many days in a row something of d days a week may run at most; what runs less than weekly, as often as its turn may come. */
function mostOnDays(daysPerWeek: number, days: number): number {
  if (daysPerWeek < 1) return Math.min(days, Math.max(1, Math.ceil((days * daysPerWeek) / 7 - 1e-9)));
  const weeks = Math.floor(days / 7);
  return weeks * daysPerWeek + Math.min(days - 7 * weeks, daysPerWeek);
}

/**
 * The longest run of days whose heaviest case an energy covers; 0 when nothing is drawn.
 * @param selfWh Wh at the terminals that are lost each day besides
 */
export function daysOf({ everyDayWh, occasional }: Demand, wh: number, selfWh = 0): number {
  if (heaviestWh({ everyDayWh, occasional }, MOST_DAYS) <= 0) return 0;
  const demand = { everyDayWh: everyDayWh + selfWh, occasional };
  if (heaviestWh(demand, MOST_DAYS) <= wh) return MOST_DAYS;
  let [low, high] = [0, MOST_DAYS];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (heaviestWh(demand, middle) <= wh) low = middle;
    else high = middle;
  }
  return low;
}
