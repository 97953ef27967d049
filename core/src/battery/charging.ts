import { fill, notFilled, type StoreModel, socOf, whAt } from './fill.ts';

/** More hours than anything is charged for. */
const FOREVER_H = 1e6;

/**
 * Hours from one state of charge to another at a constant power with nothing drawn, as the player charges: straight
 * while the charger decides, exponential while the battery does.
 * @param offeredW W at the bus; `efficiency` Wh stored for each of them that is taken
 * @returns ∞ when nothing is offered
 */
export function hoursToSoc(
  model: StoreModel,
  fromSoc: number,
  toSoc: number,
  offeredW: number,
  efficiency: number,
): number {
  if (toSoc <= fromSoc || model.fullWh <= 0) return 0;
  if (offeredW <= 0 || model.chargeLimitW <= 0) return Number.POSITIVE_INFINITY;
  const filled = notFilled();
  fill(model, whAt(model, fromSoc, 1), offeredW, efficiency, 1, FOREVER_H, whAt(model, toSoc, 1), filled);
  return filled.hours < FOREVER_H ? filled.hours : Number.POSITIVE_INFINITY;
}

/** State of charge after so many hours of that. */
export function socAfter(
  model: StoreModel,
  fromSoc: number,
  offeredW: number,
  efficiency: number,
  hours: number,
): number {
  if (model.fullWh <= 0) return fromSoc;
  const filled = notFilled();
  fill(model, whAt(model, fromSoc, 1), offeredW, efficiency, 1, hours, Number.POSITIVE_INFINITY, filled);
  return socOf(model, filled.storedWh, 1);
}
