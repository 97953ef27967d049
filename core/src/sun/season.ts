import type { Day } from '../job/schema.ts';

/** Beyond the tropics the three months about each solstice are winter and summer; between them there are none. */
const TROPIC_DEG = 23.44;

/** The season of a month at a latitude. */
export function seasonOf(month: number, latitudeDeg: number): Day['season'] {
  if (Math.abs(latitudeDeg) <= TROPIC_DEG) return 'usual';
  const northern = latitudeDeg > 0;
  if ([12, 1, 2].includes(month)) return northern ? 'winter' : 'summer';
  if ([6, 7, 8].includes(month)) return northern ? 'summer' : 'winter';
  return 'usual';
}
