import type { System } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';
import { FULL_SOC } from './fill.ts';

/** States of charge between which a battery is used, 0…1. */
export interface Levels {
  /** Share of the capacity that is said to be used, or the usual of its chemistry. */
  readonly depth: number;
  /** At which all loads are cut off; and, above it, where those go that are not critical. */
  readonly cutOffSoc: number;
  readonly keptSoc: number;
  /** Share of the capacity down to where the first load goes without, no more than `depth`: what is planned with. */
  readonly plannedDepth: number;
  /** Which of them is the highest. */
  readonly decidedBy: 'depth' | 'cut-off' | 'critical';
}

/** Of charge, between where loads go and where they come back. */
export const LEAST_BAND = 0.01;

/** A cut-off ends below where loads come back, however much is asked to be kept. */
export const keptSocOf = (cutOffSoc: number, keep: number): number =>
  Math.min(Math.max(cutOffSoc, FULL_SOC - LEAST_BAND), cutOffSoc + keep);

export function levelsOf({
  chemistry,
  usableDepth,
  cutOff,
  keepForCritical,
}: Pick<System['store'], 'chemistry' | 'usableDepth' | 'cutOff' | 'keepForCritical'>): Levels {
  const depth = usableDepth ?? CHEMISTRY[chemistry].usableDepth;
  const cutOffSoc = cutOff ?? 1 - depth;
  const keptSoc = keptSocOf(cutOffSoc, keepForCritical);
  const byDepth = 1 - depth >= keptSoc;
  return {
    depth,
    cutOffSoc,
    keptSoc,
    plannedDepth: byDepth ? depth : 1 - keptSoc,
    decidedBy: byDepth ? 'depth' : keepForCritical > 0 ? 'critical' : 'cut-off',
  };
}
