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
  readonly yieldWh: number;
}

/**
 * @param day what 1 W of panel gives
 * @param toCoverWh Wh a day
 */
export function sizeSolar({ arrays, busVoltageV }: System, day: ArrayDay, toCoverWh: number): SolarSize {
  const sunRises = day.whPerRatedW >= LEAST_YIELD_WH;
  const requiredW = sunRises ? toCoverWh / day.whPerRatedW : 0;
  const isChosen = arrays !== null;
  const suggestedW = Math.ceil(requiredW / ARRAY_STEP_W - 1e-9) * ARRAY_STEP_W;
  const fitted = arrays ?? [{ id: 'array', name: 'Solar array', ratingW: suggestedW, controllerA: null }];
  const chargingV = chargingVoltageV(busVoltageV);
  const sources = fitted.map(({ id, name, ratingW, controllerA }): Source => {
    const limitW = controllerA === null ? null : controllerA * chargingV;
    const efficiency = DEFAULT.mpptEfficiency.value;
    return { id, name, kind: 'sun', priority: 0, limitW, efficiency, ...arrayWatts(ratingW, limitW, day) };
  });
  return {
    toCoverWh,
    sunRises,
    requiredW,
    ratingW: fitted.reduce((sum, { ratingW }) => sum + ratingW, 0),
    isChosen,
    sources,
    clippedWh: sources.reduce((sum, { clippedWh }) => sum + clippedWh, 0),
    yieldWh: sources.reduce((sum, source) => sum + offeredWh(source), 0),
  };
}
