import type { System } from '../job/schema.ts';
import { bankVoltageV, CHEMISTRY, chargingVoltageV } from '../reference/chemistries.ts';

/** What is left of a watt-hour on its way into the store and out of it; in the store it is ampere-hours × nominal volts. */
export interface Passage {
  /** Of what the sun brings, limited by its watts: half of the round trip's loss. */
  readonly inBySun: number;
  /** Of what chargers bring: they are limited by their amps, and amps are counted as amps whatever the volts. */
  readonly inByAmps: number;
  readonly out: number;
}

/**
 * An ampere-hour that a charger gives at V_ch is η_coulombic·V_nominal Wh in the store, never more than half of the
 * round trip's loss would leave: √η_rt.
 */
export function passageOf(system: Pick<System, 'store' | 'busVoltageV'>): Passage {
  const { store, busVoltageV } = system;
  const { coulombic, roundTripEfficiency } = CHEMISTRY[store.chemistry];
  const oneWay = Math.sqrt(store.roundTripEfficiency ?? roundTripEfficiency);
  const byAmps = (coulombic * bankVoltageV(store, busVoltageV)) / chargingVoltageV(system);
  return { inBySun: oneWay, inByAmps: Math.min(oneWay, byAmps), out: oneWay };
}
