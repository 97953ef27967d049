import type { Load } from '../job/schema.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { MOTOR_FROM } from '../reference/starts.ts';

/** What must turn something from rest, straight on the bus. */
export const startsHard = ({ path, startRatio, softStart }: Pick<Load, 'path' | 'startRatio' | 'softStart'>): boolean =>
  path === 'direct' && startRatio >= MOTOR_FROM && !softStart;

/** V below which a load on the bus does not run: as it is said, or the usual of a motor; null where neither is known. */
export const leastVoltsOf = (load: Load, busVoltageV: number): number | null => {
  if (load.path !== 'direct' && load.path !== 'fuel') return null;
  return load.minV ?? (startsHard(load) ? (DEFAULT.motorLeast12V.value * busVoltageV) / 12 : null);
};
