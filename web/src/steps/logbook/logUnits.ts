import { IMPERIAL, QUANTITY, type Quantity, type Units } from '@joulemetric/core';
import { createContext, useContext } from 'react';

/** The units of the region whose job a log is of; a log of none is metric, and so is every file. */
export const LogUnits = createContext<Units>('metric');

/** How a quantity of a reading is shown and typed, and the way to and from what is kept. */
interface Read {
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  readonly to: (kept: number) => number;
  readonly from: (shown: number) => number;
}

const rounded = (value: number, digits: number): number => Math.round(value * 10 ** digits) / 10 ** digits;

export function readIn(quantity: Quantity, units: Units): Read {
  const { unit, least, most } = QUANTITY[quantity];
  if (quantity !== 'c' || units === 'metric') return { unit, least, most, to: (kept) => kept, from: (shown) => shown };
  const { to, from, unit: own } = IMPERIAL['°C'];
  return {
    unit: own,
    least: to(least),
    most: to(most),
    to: (kept) => rounded(to(kept), 1),
    from: (shown) => rounded(from(shown), 3),
  };
}

/** The same for every quantity of the log that is open. */
export function useReadIn(): (quantity: Quantity) => Read {
  const units = useContext(LogUnits);
  return (quantity) => readIn(quantity, units);
}
