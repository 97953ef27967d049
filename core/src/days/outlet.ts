import { wattHours } from '../sources/source.ts';
import { hoursOf, type SupplyDay } from '../sources/supplyDay.ts';
import { stepMeans } from './demand.ts';
import type { PlanDay } from './plan.ts';

/** A day on an outlet whose battery runs down. */
export interface OutletDay {
  readonly id: string;
  /** Wh that its battery gives down to its reserve, full as it is to begin with. */
  readonly packWh: number;
  /** W in each step that mains loads and the outlet itself take of it. */
  readonly drawnW: Float64Array;
  /** W of it for each W that its chargers bring. */
  readonly perChargedW: number;
}

const WH_PER_KWH = 1000;

/** Null where a day has no outlet, or where nothing is known of its battery. */
export function outletDay({ supply }: PlanDay, day: SupplyDay | null, steps: number): OutletDay | null {
  if (supply?.kind !== 'outlet' || supply.packKwh === null || !day) return null;
  const on = hoursOf(supply.hours);
  const drawnW = day.throughW.map((w, m) => w + (supply.ownW ?? 0) * (on[m] as number));
  const charged = wattHours(day.source.watts);
  return {
    id: supply.id,
    packWh: Math.max(0, supply.packKwh * (supply.fullShare - supply.reserveShare)) * WH_PER_KWH,
    drawnW: stepMeans(drawnW, steps),
    perChargedW: charged > 0 ? wattHours(day.chargersW) / charged : 0,
  };
}
