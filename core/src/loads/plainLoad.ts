import type { Load } from '../job/schema.ts';
import { spreadRuns } from './runs.ts';

/** A load of which nothing is known but that it exists: an hour a day, straight from the bus, no start. */
export function plainLoad(id: string): Load {
  return {
    id,
    name: id,
    quantity: 1,
    draw: { kind: 'steady', powerW: 0 },
    runs: spreadRuns(1, 60),
    daysPerWeek: 7,
    path: 'direct',
    converterEfficiency: null,
    evidence: 'nameplate',
    startRatio: 1,
    powerFactor: 1,
    critical: false,
  };
}
