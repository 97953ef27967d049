import { formatClock, monthName, SATURDAY } from '@joulemetric/core';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** "day 3, Mon 04:15" for hours since the trip began. */
export function whenText(atH: number): string {
  const day = Math.floor(atH / 24 + 1e-9);
  const minute = Math.round((atH - day * 24) * 60);
  return `day ${day + 1}, ${WEEKDAYS[(SATURDAY + day) % 7]} ${formatClock(Math.min(1439, Math.max(0, minute)))}`;
}

/** "31 h", "3 d 4 h" for a length of time. */
export function lengthText(hours: number): string {
  const whole = Math.floor(hours + 0.5);
  if (whole < 48) return `${whole} h`;
  const days = Math.floor(whole / 24);
  return whole % 24 === 0 ? `${days} d` : `${days} d ${whole % 24} h`;
}

/** "3 in 100", "fewer than 1 in 100" for a share of years. */
export function chanceText(share: number): string {
  if (share === 0) return 'none in 100';
  if (share < 0.01) return 'fewer than 1 in 100';
  return share > 0.99 && share < 1 ? 'more than 99 in 100' : `${Math.round(share * 100)} in 100`;
}

export const shortMonth = (month: number): string => monthName(month).slice(0, 3);
