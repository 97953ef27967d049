import type { System } from '../job/schema.ts';

/** Parts of a system that may take something from the battery around the clock. */
export type Standing = Pick<System, 'arrays' | 'driving' | 'chargers' | 'allInOnes'>;

/** W that solar controllers, DC-DC and mains chargers idle on around the clock; of what is in an all-in-one unit its inverter's idle says it. */
export function standingW({ arrays, driving, chargers, allInOnes }: Standing): number {
  const isBoxed = (id: string) => allInOnes.some((box) => box.charger === id || box.arrays.includes(id));
  const own = [
    ...(arrays ?? []).map(({ id, controller: { idleW } }) => (isBoxed(id) ? 0 : (idleW ?? 0))),
    ...(driving ?? []).map(({ idleW }) => idleW ?? 0),
    ...chargers.map(({ id, idleW }) => (isBoxed(id) ? 0 : (idleW ?? 0))),
  ];
  return own.reduce((sum, w) => sum + w, 0);
}
