import type { AllInOne, Run } from '../job/schema.ts';

/** Whether what is at the end of a run is inside an all-in-one unit. */
export const isInside = ({ inverter, arrays, charger }: AllInOne, end: Run['end'], part: string | null): boolean =>
  part !== null &&
  ((end === 'device' && part === inverter) ||
    (end === 'array' && arrays.includes(part)) ||
    (end === 'charger' && part === charger));

/** The unit that a run leads to: all that hangs on its end is inside that unit. Null for busbars between devices. */
export function unitAt(run: Run, runs: readonly Run[], units: readonly AllInOne[]): AllInOne | null {
  if (run.end !== 'busbar' || run.from === null) return null;
  const behind = runs.filter(({ from }) => from === run.id);
  if (behind.length === 0) return null;
  return units.find((unit) => behind.every(({ end, part }) => isInside(unit, end, part))) ?? null;
}
