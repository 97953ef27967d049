import type { SolarArray } from '../job/schema.ts';
import type { Leads } from '../paths/cables.ts';
import { MINUTES_PER_DAY } from '../quantity/units.ts';
import { planeHours, type SunHours } from '../sun/hours.ts';
import { arrayAt, noLight, shadeLeft } from './array.ts';

/** What was measured in each hour of some days, and where the sun stood. */
export interface MeasuredHours {
  readonly sun: SunHours;
  /** Wh/m² on the flat. */
  readonly ghiWh: Float64Array;
  readonly airC: Float64Array;
}

/** What arrays work on, and how their leads are laid. */
export interface ArraysUnder {
  readonly busV: number;
  readonly chargingV: number;
  /** One flat factor on laboratory watts; null = computed. */
  readonly flatFactor: number | null;
  readonly leads: Pick<Leads, 'ofArray'> | null;
}

/** Wh that an array gives at the store in each hour, held to its controller. */
export function hourlyYield(
  array: SolarArray,
  { sun, ghiWh, airC }: MeasuredHours,
  { busV, chargingV, flatFactor, leads }: ArraysUnder,
): Float64Array {
  const around = { flatFactor, busV, chargingV };
  const at = arrayAt(array, around, leads?.ofArray.get(array.id) ?? null);
  const left = hourMeans(shadeLeft(array));
  const light = planeHours(sun, ghiWh, array);
  const way = noLight();
  const given = new Float64Array(light.length);
  for (let k = 0; k < light.length; k++) {
    const g = light[k] as number;
    if (g === 0) continue;
    at(way, g, left[k % left.length] as number, airC[k] as number);
    // Outside the light part of its hour there is nothing; what was measured after sunset is spread over all of it.
    given[k] = way.used * ((sun.lit[k] as number) || 1);
  }
  return given;
}

/** Means of each hour of a day. */
function hourMeans(minutes: Float64Array): Float64Array {
  const hours = new Float64Array(24);
  for (let m = 0; m < MINUTES_PER_DAY; m++) {
    const h = Math.floor(m / 60);
    hours[h] = (hours[h] as number) + (minutes[m] as number) / 60;
  }
  return hours;
}
