import type { Demand } from '../battery/demand.ts';
import { chargeWeightedMeanA } from '../battery/peukert.ts';
import { busCurrents } from '../moment/busCurrents.ts';
import { type BusMoment, busMoment } from '../moment/busMoment.ts';
import { ledgerRows } from '../paths/ledger.ts';
import { type Ledger, ledgerOf } from '../paths/shares.ts';
import { bankVoltageV } from '../reference/chemistries.ts';
import { type Currents, shortSecondsOf } from '../reference/currents.ts';
import type { SettledDay } from './day.ts';
import { demandOn } from './demand.ts';

/** What a day asks of the store and of all that fills it, whatever they are. */
export interface Asked {
  /** Wh at the store. */
  readonly needWh: number;
  /** W on the bus in each minute, a heater of the store apart. */
  readonly busW: Float64Array;
  /** What the store must carry on which days. */
  readonly demand: Demand;
  /** A at nominal volts: the mean by charge, and at the worst. */
  readonly typicalA: number;
  readonly currents: Currents;
}

/** What it asks, with the books and the moment that say so. */
export interface AskedBy extends Asked {
  readonly ledger: Ledger;
  readonly busPeak: BusMoment;
  readonly nominalV: number;
}

export function askedBy(day: SettledDay): AskedBy {
  const { profiles, bus, feeds, slices, coincidence, roundTripEfficiency } = day;
  const { devices, store, busVoltageV } = day.option.system;
  const ledger = ledgerOf(ledgerRows(profiles, devices, bus.devices, bus.cables), bus, roundTripEfficiency);
  const busPeak = busMoment(profiles, devices, feeds, slices, coincidence);
  const nominalV = bankVoltageV(store, busVoltageV);
  return {
    ledger,
    busPeak,
    nominalV,
    needWh: ledger.total.batteryWh,
    busW: bus.busW,
    demand: demandOn(day),
    typicalA: chargeWeightedMeanA(bus.busW, nominalV),
    currents: busCurrents(
      busPeak,
      { ...day, twoMayStart: day.job.rules.twoMayStart, day: day.brief.day },
      nominalV,
      shortSecondsOf(store),
    ),
  };
}
