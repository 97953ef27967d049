/**
 * Wh that a store of any size gains over a day, below 0 what it loses: sources feed the loads first and straight from
 * the bus, only the rest passes through the store, with half its loss on the way in and half on the way out.
 * @param offeredW W that all sources offer together in each minute
 */
export function storeDriftWh(busW: Float64Array, offeredW: Float64Array, roundTripEfficiency: number): number {
  const oneWay = Math.sqrt(roundTripEfficiency);
  let wattMinutes = 0;
  for (let m = 0; m < busW.length; m++) {
    const over = (offeredW[m] as number) - (busW[m] as number);
    wattMinutes += over > 0 ? over * oneWay : over / oneWay;
  }
  return wattMinutes / 60;
}
