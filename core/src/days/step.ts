/** Limits of a store for the stepper, all plain numbers so that the loop stays tight. */
export interface StoreModel {
  readonly capacityWh: number;
  /** Wh at which it is cut off: what is left when the usable depth is used. */
  readonly floorWh: number;
  /** √ of the round trip, taken once on the way in and once on the way out. */
  readonly oneWayEfficiency: number;
  /** W at the terminals. */
  readonly chargeLimitW: number;
  readonly dischargeLimitW: number;
  /** State of charge above which charging tapers towards `taperEnd` of the limit at 100 %. */
  readonly taperFromSoc: number;
}

/** Share of the charge limit that is still accepted when full: the tail of absorption. */
const TAPER_END = 0.02;

/** Where the energy of one step went, Wh; `storedWh` is what is in the store afterwards. */
export interface Step {
  storedWh: number;
  solarUsedWh: number;
  alternatorUsedWh: number;
  spilledWh: number;
  servedWh: number;
  unservedWh: number;
  storageLossWh: number;
}

/** Largest power the store accepts, W: flat to `taperFromSoc`, then falling exponentially. Common practice. */
export function acceptanceW(model: StoreModel, storedWh: number): number {
  if (model.capacityWh <= 0) return 0;
  const soc = storedWh / model.capacityWh;
  if (soc <= model.taperFromSoc) return model.chargeLimitW;
  const depth = Math.min(1, (soc - model.taperFromSoc) / (1 - model.taperFromSoc));
  return model.chargeLimitW * TAPER_END ** depth;
}

/**
 * One step of the store's day. Sun serves the loads first and straight from the bus, then the alternator;
 * what is left over charges, what is missing is taken from the store down to its floor, the rest goes unserved.
 * Writes into `out` so that the loop allocates nothing.
 */
export function stepStore(
  model: StoreModel,
  storedWh: number,
  demandW: number,
  solarW: number,
  alternatorW: number,
  hours: number,
  out: Step,
): void {
  const directW = Math.min(demandW, solarW + alternatorW);
  const missingW = demandW - directW;
  const roomW = (model.capacityWh - storedWh) / (model.oneWayEfficiency * hours);
  const offeredW = solarW + alternatorW - directW;
  const chargeW = Math.max(0, Math.min(offeredW, acceptanceW(model, storedWh), roomW));
  const availableW = Math.max(0, ((storedWh - model.floorWh) * model.oneWayEfficiency) / hours);
  const dischargeW = Math.min(missingW, model.dischargeLimitW, availableW);
  const inWh = chargeW * hours;
  const outWh = dischargeW * hours;
  const usedW = directW + chargeW;
  const solarUsedW = Math.min(solarW, usedW);

  out.storedWh = storedWh + inWh * model.oneWayEfficiency - outWh / model.oneWayEfficiency;
  out.solarUsedWh = solarUsedW * hours;
  out.alternatorUsedWh = (usedW - solarUsedW) * hours;
  out.spilledWh = (solarW - solarUsedW) * hours;
  out.servedWh = (directW + dischargeW) * hours;
  out.unservedWh = (missingW - dischargeW) * hours;
  out.storageLossWh = inWh * (1 - model.oneWayEfficiency) + outWh * (1 / model.oneWayEfficiency - 1);
}
