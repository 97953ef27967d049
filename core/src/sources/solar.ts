import { blankArray } from '../job/blank.ts';
import type { System } from '../job/schema.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { ARRAY_STEP_W } from '../reference/sizes.ts';
import { type ArrayDay, arrayWatts } from './array.ts';
import { offeredWh, type Source } from './source.ts';

/** An array of which 1 W yields less than this a day, Wh, helps nobody. */
const LEAST_YIELD_WH = 1e-3;

/** The panels: what the day asks of them and what is fitted. */
export interface SolarSize {
  /** What 1 W of panel gives flat and unshaded. */
  readonly flat: ArrayDay;
  /** Wh a day that is left for the sun to cover. */
  readonly toCoverWh: number;
  /** Whether there is sun enough in that month for any array to help. */
  readonly sunRises: boolean;
  readonly requiredW: number;
  readonly ratingW: number;
  /** Whether the rating is chosen, or as the day asks. */
  readonly isChosen: boolean;
  /** One for each array. */
  readonly sources: readonly Source[];
  readonly clippedWh: number;
  /** Yield ÷ that of the same panels flat, unshaded and not held back; 1 without panels. */
  readonly lieFactor: number;
  readonly yieldWh: number;
}

/**
 * @param dayOn what 1 W of panel gives that lies so
 * @param toCoverWh Wh a day
 */
export function sizeSolar(
  { arrays, busVoltageV }: System,
  dayOn: (slopeDeg: number, azimuthDeg: number | null) => ArrayDay,
  toCoverWh: number,
): SolarSize {
  const flat = dayOn(0, null);
  const sunRises = flat.whPerRatedW >= LEAST_YIELD_WH;
  const requiredW = sunRises ? toCoverWh / flat.whPerRatedW : 0;
  const isChosen = arrays !== null;
  const suggestedW = Math.ceil(requiredW / ARRAY_STEP_W - 1e-9) * ARRAY_STEP_W;
  const fitted = arrays ?? [blankArray('array', 'Solar array', suggestedW)];
  const chargingV = chargingVoltageV(busVoltageV);
  const sources = fitted.map(({ id, name, ratingW, controllerA, slopeDeg, azimuthDeg, shade }): Source => {
    const limitW = controllerA === null ? null : controllerA * chargingV;
    const efficiency = DEFAULT.mpptEfficiency.value;
    return {
      id,
      name,
      kind: 'sun',
      priority: 0,
      limitW,
      efficiency,
      ...arrayWatts(ratingW, 1 - shade, limitW, dayOn(slopeDeg, azimuthDeg)),
    };
  });
  const ratingW = fitted.reduce((sum, one) => sum + one.ratingW, 0);
  const clippedWh = sources.reduce((sum, source) => sum + source.clippedWh, 0);
  const yieldWh = sources.reduce((sum, source) => sum + offeredWh(source), 0);
  const flatWh = ratingW * flat.whPerRatedW;
  return {
    flat,
    toCoverWh,
    sunRises,
    requiredW,
    ratingW,
    isChosen,
    sources,
    clippedWh,
    lieFactor: flatWh > 0 ? (yieldWh + clippedWh) / flatWh : 1,
    yieldWh,
  };
}
