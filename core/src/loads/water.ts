import type { Draw } from '../job/schema.ts';

/** Wh to heat a litre of water by a kelvin. SI, at 20 °C. */
const WH_PER_LITRE_K = 1.163;

/** Heating energy of the day's hot water, Wh: litres × 1.163 Wh/(l·K) × ΔT ÷ η; the tank's standing loss comes on top. */
export function waterHeatingWh(draw: Extract<Draw, { kind: 'water-heating' }>): number {
  return draw.riseK * waterWhPerK(draw);
}

/** Wh for each K by which the day's water is heated. */
export const waterWhPerK = ({ litres, efficiency }: Extract<Draw, { kind: 'water-heating' }>): number =>
  (litres * WH_PER_LITRE_K) / efficiency;
