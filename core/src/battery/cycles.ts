import type { Chemistry } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';

/**
 * Cycles to the end of its life when each goes to a depth: between the figures known by straight lines of their
 * logarithms, beyond them by the nearest line. From memory.
 * @param depth 0.05 to 1
 */
export function cyclesAt(chemistry: Chemistry, depth: number): number {
  const { cycles } = CHEMISTRY[chemistry];
  const found = cycles.findIndex(([known]) => known >= depth - 1e-9);
  const above = Math.max(1, found < 0 ? cycles.length - 1 : found);
  const [d0, n0] = cycles[above - 1] as readonly [number, number];
  const [d1, n1] = cycles[above] as readonly [number, number];
  const t = (depth - d0) / (d1 - d0);
  return Math.exp(Math.log(n0) + t * (Math.log(n1) - Math.log(n0)));
}
