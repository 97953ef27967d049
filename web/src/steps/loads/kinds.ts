import type { Draw, Load, Use } from '@joulemetric/core';

/** The kinds of load, in everyday words. */
const KINDS: Readonly<Record<Draw['kind'], string>> = {
  steady: 'steady power',
  cycle: 'phases',
  thermostatic: 'fridge, freezer',
  standby: 'always on',
  'water-heating': 'hot water',
  room: 'cooling or heating a room',
};

export const KIND_CHOICES = Object.entries(KINDS).map(([value, label]) => ({ value: value as Draw['kind'], label }));

/** Uses that suit another kind: what never rests runs all day; the others keep theirs. */
export function usesOfKind(kind: Draw['kind'], load: Load): Use[] {
  if (kind === 'thermostatic' || kind === 'standby') return [{ startMin: 0, minutes: 1440 }];
  return load.uses.length > 0 ? load.uses : [{ startMin: 1080, minutes: 60 }];
}
