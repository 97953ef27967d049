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

/** State of charge at which a bank rests at a voltage; 0 and 1 beyond the table. */
export function socAtRest(chemistry: Chemistry, busVoltageV: number, volts: number): number {
  const points = CHEMISTRY[chemistry].restV;
  const v = (volts * 12) / busVoltageV;
  const below = points.findIndex(([, at]) => at <= v);
  if (below === 0) return (points[0] as readonly [number, number])[0];
  if (below < 0) return (points.at(-1) as readonly [number, number])[0];
  const [low, high] = [points[below], points[below - 1]] as [readonly [number, number], readonly [number, number]];
  return low[0] + ((v - low[1]) / (high[1] - low[1])) * (high[0] - low[0]);
}
