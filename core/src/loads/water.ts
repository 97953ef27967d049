import type { Draw } from '../job/schema.ts';

/** Wh to heat a litre of water by a kelvin. SI, at 20 °C. */
const WH_PER_LITRE_K = 1.163;

/** Heating energy of the day's hot water, Wh: litres × 1.163 Wh/(l·K) × ΔT ÷ η; the tank's standing loss comes on top. */
export function waterHeatingWh(draw: Extract<Draw, { kind: 'water-heating' }>): number {
  return (draw.litres * WH_PER_LITRE_K * draw.riseK) / draw.efficiency;
}
