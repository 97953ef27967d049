import type { Log } from './logSchema.ts';
import type { Series } from './table.ts';

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

/** °C by which a reading may be off what the one before it is in °F. From memory. */
const DEGREES_NEAR = 2.5;
/** °C that nothing warms or cools by between two readings. From memory. */
const LEAP_C = 15;

/** A temperature that leaps from a reading to the very same in other degrees: a display was changed on the way. */
export function degreesCaveat({ values }: Series, caveats: Caveat[]): void {
  const read = [...(values.c ?? [])].filter((c) => !Number.isNaN(c));
  const inF = (c: number) => c * 1.8 + 32;
  const at = read.findIndex((c, i) => {
    const before = read[i - 1];
    if (before === undefined || Math.abs(c - before) < LEAP_C) return false;
    return Math.abs(c - inF(before)) <= DEGREES_NEAR || Math.abs(before - inF(c)) <= DEGREES_NEAR;
  });
  if (at > 0)
    caveats.push({
      code: 'degrees',
      says: `The temperature leaps from ${read[at - 1]} to ${read[at]}: was the display changed between °C and °F? Then put the readings of one side down anew.`,
    });
}
