import { dayBattery, traceDay } from '../battery/day.ts';
import { FULL_SOC } from '../battery/fill.ts';
import { steadyDay } from '../battery/steadyDay.ts';
import { withHeater } from '../battery/warmDay.ts';
import type { SupplyMoment } from '../moment/supplyMoment.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { warmOn } from '../settle/fit.ts';
import type { Settled } from '../settle/settle.ts';
import { dayIncome } from '../sources/dayIncome.ts';
import { wattHours } from '../sources/source.ts';
import { supplyDay } from '../sources/supplyDay.ts';

/** A day on a supply with an inverter that assists, nothing else charging: what the battery adds, and when it has it back. */
export interface AssistDay {
  /** Wh a day at mains volts that it gives beyond what the supply can. */
  readonly lentWh: number;
  /** The least that is in it, 0…1, and when. */
  readonly lowestSoc: number;
  readonly lowestMin: number;
  /** Minutes from then until it is full again; null when such days do not fill it. */
  readonly fullAfterMin: number | null;
  /** Wh a day that go unserved, and from when on; null when all is served. */
  readonly unservedWh: number;
  readonly emptyFromMin: number | null;
}

export function assistDay(settled: Settled, { limit, assisting }: SupplyMoment): AssistDay | null {
  const { option, profiles, inverters, feeds, leads, bus } = settled;
  if (!assisting?.feed) return null;
  const { system } = option;
  const supply = supplyDay(limit.supply, { profiles, system, inverters, feeds, leads, busW: bus.busW });
  const brings = dayIncome([supply.source]);
  const warm = warmOn(settled.store, settled, brings);
  const battery = dayBattery(settled, warm);
  const busW = withHeater(supply.busW(), warm);
  const { startWh } = steadyDay(battery, busW, brings);
  const { soc, books, unservedFromMin } = traceDay(battery, startWh, busW, brings);
  const day = soc.subarray(0, MINUTES_PER_DAY);
  const lowestMin = day.reduce((best, share, m) => (share < (day[best] as number) ? m : best), 0);
  let fullAfterMin: number | null = null;
  for (let n = 0; n < MINUTES_PER_DAY && fullAfterMin === null; n++)
    if ((day[(lowestMin + n) % MINUTES_PER_DAY] as number) >= FULL_SOC) fullAfterMin = n;
  return {
    lentWh: wattHours(supply.lentW),
    lowestSoc: day[lowestMin] as number,
    lowestMin,
    fullAfterMin,
    unservedWh: books.unservedWh,
    emptyFromMin: unservedFromMin,
  };
}
