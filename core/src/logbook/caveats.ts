import type { Log } from './logSchema.ts';

export interface Caveat {
  readonly code: string;
  readonly says: string;
}

export function conditionCaveats(log: Log, caveats: Caveat[]): void {
  const { ambientC = null, useC = null, empty, sun, note } = log.conditions ?? {};
  if (ambientC !== null && useC !== null && Math.abs(ambientC - useC) >= 3)
    caveats.push({
      code: 'unlike-use',
      says: `Measured at ${ambientC} °C, used at ${useC} °C: a fridge or heater takes ${useC > ambientC ? 'another share of the time' : 'less or more'} there.`,
    });
  if (empty)
    caveats.push({
      code: 'empty',
      says: 'Measured empty: full it takes more while it cools down, and less swing afterwards.',
    });
  if (sun) caveats.push({ code: 'sun', says: 'Measured in the sun.' });
  if (note) caveats.push({ code: 'note', says: note });
}
