import { TAPER_END } from '../store/charging.ts';

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
  /** State of charge above which charging tapers towards `TAPER_END` of the limit at 100 %. */
  readonly taperFromSoc: number;
}

/** Where the energy of one step went, Wh; `storedWh` is what is in the store afterwards. */
export interface Step {
  storedWh: number;
  /** Taken from each source, in the order they are drawn on. */
  readonly takenWh: Float64Array;
  servedWh: number;
  unservedWh: number;
  storageLossWh: number;
}

export const aStep = (sources: number, storedWh: number): Step => ({
  storedWh,
  takenWh: new Float64Array(sources),
  servedWh: 0,
  unservedWh: 0,
  storageLossWh: 0,
});

/** Largest power the store accepts, W: flat to `taperFromSoc`, then falling exponentially. Common practice. */
export function acceptanceW(model: StoreModel, storedWh: number): number {
  if (model.capacityWh <= 0) return 0;
  const soc = storedWh / model.capacityWh;
  if (soc <= model.taperFromSoc) return model.chargeLimitW;
  const depth = Math.min(1, (soc - model.taperFromSoc) / (1 - model.taperFromSoc));
  return model.chargeLimitW * TAPER_END ** depth;
}

/**
 * One step of the store's day. Sources serve the loads first and straight from the bus; what is left over charges,
 * what is missing is taken from the store down to its floor, the rest goes unserved. Of what is used, the earlier
 * source gives first. Writes into `out`, whose `storedWh` it begins with, so that the loop allocates nothing.
 * @param offeredW what each source offers, W, in the order they are drawn on
 */
export function stepStore(
  model: StoreModel,
  demandW: number,
  offeredW: ArrayLike<number>,
  hours: number,
  out: Step,
): void {
  const { storedWh } = out;
  let incomeW = 0;
  for (let i = 0; i < offeredW.length; i++) incomeW += offeredW[i] as number;
  const directW = Math.min(demandW, incomeW);
  const missingW = demandW - directW;
  const roomW = (model.capacityWh - storedWh) / (model.oneWayEfficiency * hours);
  const chargeW = Math.max(0, Math.min(incomeW - directW, acceptanceW(model, storedWh), roomW));
  const availableW = Math.max(0, ((storedWh - model.floorWh) * model.oneWayEfficiency) / hours);
  const dischargeW = Math.min(missingW, model.dischargeLimitW, availableW);
  const inWh = chargeW * hours;
  const outWh = dischargeW * hours;
  let leftW = directW + chargeW;
  for (let i = 0; i < offeredW.length; i++) {
    const takenW = Math.min(offeredW[i] as number, leftW);
    leftW -= takenW;
    out.takenWh[i] = takenW * hours;
  }

  out.storedWh = storedWh + inWh * model.oneWayEfficiency - outWh / model.oneWayEfficiency;
  out.servedWh = (directW + dischargeW) * hours;
  out.unservedWh = (missingW - dischargeW) * hours;
  out.storageLossWh = inWh * (1 - model.oneWayEfficiency) + outWh * (1 / model.oneWayEfficiency - 1);
}
