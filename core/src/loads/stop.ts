import type { Load } from '../job/schema.ts';

/**
 * Wh at its terminals that a load needs to stop in order: its last phases, where they are fixed and come after the one that
 * fills its use, such as the burning out of a heater.
 */
export function stopWhOf({ draw, quantity }: Pick<Load, 'draw' | 'quantity'>): number {
  if (draw.kind !== 'cycle') return 0;
  const filling = draw.phases.findIndex(({ minutes }) => minutes === null);
  if (filling < 0) return 0;
  return draw.phases
    .slice(filling + 1)
    .reduce((sum, { powerW, minutes }) => sum + (quantity * powerW * (minutes ?? 0)) / 60, 0);
}
