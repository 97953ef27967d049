import type { Chemistry } from '../job/schema.ts';
import { CHEMISTRY } from '../reference/chemistries.ts';

/** V at rest of a bank at a state of charge, straight between the points that are known. Figures from memory. */
export function restVoltageV(chemistry: Chemistry, busVoltageV: number, soc: number): number {
  const points = CHEMISTRY[chemistry].restV;
  const below = points.findIndex(([at]) => at <= soc);
  const [low, high] = [points[below === -1 ? points.length - 1 : below], points[Math.max(0, below - 1)]];
  if (!low || !high) throw new RangeError(`${chemistry} has no voltages at rest`);
  const share = high[0] > low[0] ? (soc - low[0]) / (high[0] - low[0]) : 0;
  return ((low[1] + Math.max(0, Math.min(1, share)) * (high[1] - low[1])) * busVoltageV) / 12;
}
