const MONTHS = 'January February March April May June July August September October November December'.split(' ');

/** @param month 1 = January */
export const monthName = (month: number): string => MONTHS[month - 1] ?? String(month);
