import type { Brief, System } from '../job/schema.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { type AlternatorLimit, alternatorLimit, standardDcdc } from './alternator.ts';
import type { Source } from './source.ts';

/** When a usual day's driving is taken to begin, minutes after midnight. Common practice: after breakfast. */
const DRIVE_FROM_MIN = 9 * 60;
/** Less driving than a minute is none. */
const SHORTEST_DRIVE_H = 1 / 60;

/** What charges from the alternator: what the day asks of it and what is fitted. */
export interface DrivingSize {
  readonly limit: AlternatorLimit;
  /** A that the store may be charged with. */
  readonly chargeLimitA: number;
  readonly drives: boolean;
  /** A of charger that would cover the day alone. */
  readonly requiredA: number;
  readonly ratingA: number;
  readonly isChosen: boolean;
  /** A that are counted on: the rating, held to what the alternator can feed. */
  readonly usedA: number;
  readonly yieldWh: number;
  /** One for each charger; what the alternator can feed is shared by their ratings. */
  readonly sources: readonly Source[];
}

/**
 * @param needWh of the day, at the store
 * @param chargeLimitA A that the store may be charged with
 */
export function sizeDriving(
  { alternator, driveHoursPerDay: hours }: Pick<Brief, 'alternator' | 'driveHoursPerDay'>,
  { driving, busVoltageV }: System,
  needWh: number,
  chargeLimitA: number,
): DrivingSize {
  const chargingV = chargingVoltageV(busVoltageV);
  const limit = alternatorLimit(alternator, chargingV);
  const drives = hours >= SHORTEST_DRIVE_H;
  const requiredA = drives ? needWh / (hours * chargingV) : 0;
  const isChosen = driving !== null;
  const suggestedA = standardDcdc(requiredA, Math.min(limit.outputA, chargeLimitA));
  const fitted = driving ?? (suggestedA > 0 ? [{ id: 'dcdc', name: 'DC-DC charger', ratingA: suggestedA }] : []);
  const ratingA = fitted.reduce((sum, one) => sum + one.ratingA, 0);
  const usedA = Math.min(ratingA, limit.outputA);
  const yieldWh = usedA * chargingV * hours;
  const sources = fitted.map(({ id, name, ratingA: ofIt }): Source => {
    const share = ratingA > 0 ? ofIt / ratingA : 0;
    return {
      id,
      name,
      kind: 'driving',
      priority: 1,
      watts: driveProfile(hours, yieldWh * share),
      limitW: ofIt * chargingV,
      clippedWh: 0,
      efficiency: DEFAULT.dcdcEfficiency.value,
    };
  });
  return { limit, chargeLimitA, drives, requiredA, ratingA, isChosen, usedA, yieldWh, sources };
}

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
