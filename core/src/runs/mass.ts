import type { Run } from '../job/schema.ts';
import { kgPerMm2M } from '../reference/conductors.ts';

/** kg of metal in a run, both ways unless it comes back through a chassis. */
export const runKg = (
  { conductor, return: back }: Pick<Run, 'conductor' | 'return'>,
  { areaMm2, parallel, lengthM }: { readonly areaMm2: number; readonly parallel: number; readonly lengthM: number },
): number => (back === 'chassis' ? 1 : 2) * parallel * areaMm2 * lengthM * kgPerMm2M(conductor);
