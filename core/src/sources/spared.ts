import type { FigureBook } from '../quantity/figure.ts';
import { ORIGIN } from '../reference/origins.ts';

/**
 * Storage loss that demand under the sun does not have, Wh/day: what the array feeds directly, minute by minute,
 * skips the store's way in and out.
 * @param busW W drawn in each minute; `arrayW` W the array gives in each
 */
export function sparedWh(busW: Float64Array, arrayW: Float64Array, roundTripEfficiency: number): number {
  return directWh(busW, arrayW) * (1 / roundTripEfficiency - 1);
}

function directWh(busW: Float64Array, arrayW: Float64Array): number {
  let wattMinutes = 0;
  for (let m = 0; m < busW.length; m++) wattMinutes += Math.min(busW[m] as number, arrayW[m] as number);
  return wattMinutes / 60;
}

/** Records what a day with sun spares of the storage loss. */
export function recordSpared(
  book: FigureBook,
  busW: Float64Array,
  arrayW: Float64Array,
  roundTripEfficiency: number,
): void {
  book.set('storage.spared', {
    value: sparedWh(busW, arrayW, roundTripEfficiency),
    unit: 'Wh/day',
    label: 'Storage loss spared under the sun',
    basis: ORIGIN.si,
    working: {
      formula: '{direct} × (1 ÷ {roundTrip} − 1)',
      inputs: [
        {
          symbol: 'direct',
          label: 'Fed straight from the array',
          value: directWh(busW, arrayW),
          unit: 'Wh',
          origin: ORIGIN.computed,
        },
        {
          symbol: 'roundTrip',
          label: 'Round trip of the store',
          value: roundTripEfficiency,
          unit: 'share',
          origin: ORIGIN.practiceRecalled,
        },
      ],
      note: 'Not taken off the need: the store is sized for days without sun, when all of it passes through.',
    },
  });
}
