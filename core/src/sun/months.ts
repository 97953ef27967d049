const MONTHS = 'January February March April May June July August September October November December'.split(' ');

/** @param month 1 = January */
export const monthName = (month: number): string => MONTHS[month - 1] ?? String(month);

/** Days of each month of a common year, and of all of it. */
export const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;
export const YEAR_DAYS = 365;

/** Day of a common year, 0 = 1 January. @param month 1 = January; `day` of the month, 1 its first */
export const dayOfYear = (month: number, day: number): number =>
  MONTH_DAYS.slice(0, month - 1).reduce<number>((sum, days) => sum + days, 0) + day - 1;

/** The month of each day of a common year. */
export const MONTH_OF_DAY: readonly number[] = MONTH_DAYS.flatMap((days, i) => Array<number>(days).fill(i + 1));
