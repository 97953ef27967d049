import { MINUTES_PER_DAY } from '../quantity/units.ts';

/** When a usual day's driving is taken to begin, minutes after midnight. Common practice: after breakfast. */
const DRIVE_FROM_MIN = 9 * 60;

/** W from the alternator in each minute of a usual day. @param yieldWh what it gives in all of it, Wh */
export function driveProfile(driveHours: number, yieldWh: number): Float64Array {
  const driveMin = driveHours * 60;
  const watts = driveMin > 0 ? (yieldWh / driveMin) * 60 : 0;
  const start = Math.min(DRIVE_FROM_MIN, MINUTES_PER_DAY - driveMin);
  return Float64Array.from({ length: MINUTES_PER_DAY }, (_, m) => {
    const share = Math.min(m + 1, start + driveMin) - Math.max(m, start);
    return watts * Math.max(0, share);
  });
}
