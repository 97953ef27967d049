import { MINUTES_PER_DAY } from './units.ts';

/** Calls `each(minute, share)` for every minute of the day that a stretch touches; wraps past midnight. */
export function eachMinute(startMin: number, minutes: number, each: (minute: number, share: number) => void): void {
  const end = startMin + minutes;
  for (let m = Math.floor(startMin); m < end; m++) {
    const share = Math.min(m + 1, end) - Math.max(m, startMin);
    if (share > 0) each(m % MINUTES_PER_DAY, share);
  }
}
