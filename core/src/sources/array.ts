import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { DEFAULT } from '../reference/defaults.ts';

export interface ArrayDay {
  /** W that reach the store's terminals per W of laboratory rating, in each minute. */
  readonly perRatedW: Float64Array;
  /** Wh a day per W of rating. */
  readonly whPerRatedW: number;
  /** Share of the laboratory figure kept because of heat, energy-weighted; 1 with a flat factor. */
  readonly heatFactor: number;
  /** Share kept of everything else: dirt, wiring, mismatch, controller; or the flat factor. */
  readonly otherFactor: number;
}

/**
 * Yield of panels close to a roof per W of rating, by the light on their plane. T_c = T_a + (NOCT − 20)/800·G + roof extra;
 * P = P_stc·G/1000·(1 + γ(T_c − 25)), then dirt, wiring, mismatch and controller. With `flatFactor` the
 * product of all of these is that one figure. Shade, and what a controller holds back, are taken off in `arrayWatts`.
 * @param irradianceWm2 on the plane of the panels, in each minute
 */
export function arrayDay(irradianceWm2: Float64Array, ambientC: Float64Array, flatFactor: number | null): ArrayDay {
  const otherFactor =
    flatFactor ??
    DEFAULT.soiling.value * DEFAULT.arrayWiring.value * DEFAULT.mismatch.value * DEFAULT.mpptEfficiency.value;
  const perRatedW = new Float64Array(MINUTES_PER_DAY);
  let hot = 0;
  let cool = 0;
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const g = irradianceWm2[m] as number;
    if (g === 0) continue;
    const cellC =
      (ambientC[m] as number) +
      ((DEFAULT.panelNoctC.value - 20) / 800) * g +
      DEFAULT.panelRoofExtraK.value * Math.min(1, g / 800);
    const heat = flatFactor === null ? 1 + DEFAULT.panelTemperatureCoefficient.value * (cellC - 25) : 1;
    perRatedW[m] = (g / 1000) * heat * otherFactor;
    hot += g * heat;
    cool += g;
  }
  let wattMinutes = 0;
  for (const w of perRatedW) wattMinutes += w;
  return { perRatedW, whPerRatedW: wattMinutes / 60, heatFactor: cool > 0 ? hot / cool : 1, otherFactor };
}

/**
 * W that an array gives in each minute, less what shade takes, held to what its controller gives.
 * @param share of the yield that shade leaves
 * @param limitW of the controller; null = without a limit
 */
export function arrayWatts(
  ratingW: number,
  share: number,
  limitW: number | null,
  { perRatedW }: ArrayDay,
): { readonly watts: Float64Array; readonly clippedWh: number } {
  const most = limitW ?? Number.POSITIVE_INFINITY;
  let clipped = 0;
  const watts = perRatedW.map((perW) => {
    const given = ratingW * share * perW;
    clipped += Math.max(0, given - most);
    return Math.min(given, most);
  });
  return { watts, clippedWh: clipped / 60 };
}
