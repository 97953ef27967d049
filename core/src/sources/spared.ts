/**
 * Wh that the array feeds straight to what runs meanwhile, minute by minute: they skip the store's way in and out.
 * @param busW W drawn in each minute; `arrayW` W the array gives in each
 */
export function directWh(busW: Float64Array, arrayW: Float64Array): number {
  let wattMinutes = 0;
  for (let m = 0; m < busW.length; m++) wattMinutes += Math.min(busW[m] as number, arrayW[m] as number);
  return wattMinutes / 60;
}

/** Storage loss that demand under the sun does not have, Wh/day. */
export const sparedWh = (busW: Float64Array, arrayW: Float64Array, roundTripEfficiency: number): number =>
  directWh(busW, arrayW) * (1 / roundTripEfficiency - 1);
