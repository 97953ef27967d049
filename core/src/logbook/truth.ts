import { restVoltageV } from '../battery/rest.ts';
import { type PreparedDays, tripDetail } from '../choices/daysDetail.ts';
import { bankVoltageV, highestChargingV } from '../reference/chemistries.ts';
import type { Truth } from './simulated.ts';

/** Ω inside a store of 12 V, from memory: what its volts give way under load in what instruments show. */
const OHM_12V = 0.01;

/** What is really so for the simulated instruments: the job's own trip, played through. */
export function truthOf(prepared: PreparedDays): Truth {
  const { settled } = prepared;
  const { run, fullWh } = tripDetail(prepared);
  const { trace, stepMin } = run;
  if (!trace) throw new RangeError('the trip was played without its trace');
  const { busVoltageV, store } = settled.option.system;
  const w = Array.from(trace.needW, (needW, i) => {
    const [sunW, drivingW, supplyW, unservedW] = [
      trace.sunW[i],
      trace.drivingW[i],
      trace.supplyW[i],
      trace.unservedW[i],
    ];
    return needW - (unservedW ?? 0) - (sunW ?? 0) - (drivingW ?? 0) - (supplyW ?? 0);
  });
  const soc = Array.from(trace.soc);
  return {
    stepMin,
    w,
    needW: Array.from(trace.needW, (needW, i) => Math.max(0, needW - (trace.unservedW[i] ?? 0))),
    soc,
    v: soc.map((charge, i) => {
      const rest = restVoltageV(store.chemistry, busVoltageV, charge);
      // No charger goes above its own volts.
      return Math.min(highestChargingV(busVoltageV), rest - ((w[i] ?? 0) / rest) * OHM_12V * (busVoltageV / 12));
    }),
    airC: Array.from(trace.airC),
    storeC: Array.from(trace.storeC),
    ah: fullWh / bankVoltageV(store, busVoltageV),
  };
}
