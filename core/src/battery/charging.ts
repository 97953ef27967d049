/** What a store takes while it is charged. */
export interface Charging {
  readonly capacityAh: number;
  /** A it takes below the taper. */
  readonly limitA: number;
  /** State of charge from which it takes less and less. */
  readonly taperFromSoc: number;
  /** Ah stored ÷ Ah put in, above 0 to 1. */
  readonly coulombic: number;
}

/** Share of the limit that is still taken at 100 %: the tail of absorption. Common practice. */
export const TAPER_END = 0.02;
/** The state of charge that is called full. Common practice. */
export const FULL_SOC = 0.99;

/** Per unit of charge, how fast the taper falls: acceptance = limit · e^(−k·(s − s_t)). */
const fallOf = ({ taperFromSoc }: Charging): number => -Math.log(TAPER_END) / (1 - taperFromSoc);

/** State of charge from which the store takes less than is offered. */
function heldFrom(store: Charging, offeredA: number): number {
  if (offeredA >= store.limitA) return store.taperFromSoc;
  return store.taperFromSoc + Math.log(store.limitA / offeredA) / fallOf(store);
}

/**
 * Hours from one state of charge to another: t = ∫ C ds / (η·min(I, acceptance)), in closed form — straight while the
 * charger decides, exponential while the store does.
 * @param offeredA A of the charger
 * @returns ∞ when nothing is offered or the charge is never reached
 */
export function hoursToSoc(store: Charging, fromSoc: number, toSoc: number, offeredA: number): number {
  const { capacityAh, limitA, taperFromSoc, coulombic } = store;
  if (toSoc <= fromSoc || capacityAh <= 0) return 0;
  if (offeredA <= 0 || limitA <= 0) return Number.POSITIVE_INFINITY;
  const held = Math.min(1, heldFrom(store, offeredA));
  const straight = Math.max(0, Math.min(toSoc, held) - fromSoc);
  const start = Math.max(fromSoc, held);
  const k = fallOf(store);
  const tapered =
    toSoc > start ? (Math.exp(k * (toSoc - taperFromSoc)) - Math.exp(k * (start - taperFromSoc))) / (k * limitA) : 0;
  return (capacityAh / coulombic) * (straight / Math.min(offeredA, limitA) + tapered);
}

/** State of charge after so many hours; the inverse of `hoursToSoc`, at most 1. */
export function socAfter(store: Charging, fromSoc: number, offeredA: number, hours: number): number {
  const { capacityAh, limitA, taperFromSoc, coulombic } = store;
  if (offeredA <= 0 || limitA <= 0 || hours <= 0 || capacityAh <= 0) return fromSoc;
  const held = Math.min(1, heldFrom(store, offeredA));
  const toHeld = hoursToSoc(store, fromSoc, Math.max(fromSoc, held), offeredA);
  if (hours <= toHeld) return fromSoc + (hours * coulombic * Math.min(offeredA, limitA)) / capacityAh;
  const start = Math.max(fromSoc, held);
  const k = fallOf(store);
  const grown = Math.exp(k * (start - taperFromSoc)) + ((hours - toHeld) * coulombic * limitA * k) / capacityAh;
  return Math.min(1, taperFromSoc + Math.log(grown) / k);
}
