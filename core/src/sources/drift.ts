/**
 * Wh that a store of any size gains over a day, below 0 what it loses: sources feed the loads first and straight from
 * the bus, only the rest passes through the store, with half its loss on the way in and half on the way out.
 */
export function storeDriftWh(
  busW: Float64Array,
  arrayW: Float64Array,
  alternatorW: Float64Array,
  roundTripEfficiency: number,
): number {
  const oneWay = Math.sqrt(roundTripEfficiency);
  let wattMinutes = 0;
  for (let m = 0; m < busW.length; m++) {
    const over = (arrayW[m] as number) + (alternatorW[m] as number) - (busW[m] as number);
    wattMinutes += over > 0 ? over * oneWay : over / oneWay;
  }
  return wattMinutes / 60;
}
