import type { DesignOption, Job, SolarArray } from '../job/schema.ts';
import { ambientByMinuteC } from '../loads/ambient.ts';
import type { Leads } from '../paths/cables.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { standingOf } from '../sources/array.ts';
import { arraySource, controllerLimitW } from '../sources/solar.ts';
import { placeIn, sunAheadMin, sunDay } from '../sun/day.ts';
import { planeIrradiance } from '../sun/plane.ts';
import { stepMeans } from './demand.ts';
import type { Climate } from './weather.ts';

/** Clearness between one level and the next, about; and the clearest that is told apart. */
const LEVEL_STEP = 0.09;
const CLEAREST = 0.9;

/** Levels of clearness at which arrays are reckoned, the month's mean among them; between them it is straight. */
function levelsOf(meanClearness: number): { readonly step: number; readonly count: number } {
  const step = meanClearness > 0 ? meanClearness / Math.max(1, Math.round(meanClearness / LEVEL_STEP)) : LEVEL_STEP;
  return { step, count: Math.ceil(CLEAREST / step) + 1 };
}

/** What arrays give through a day of a month, at each level of clearness, and what is around them. */
export interface MonthSky {
  /** One for each array: W of each step, level after level, the cells as warm as the month's air makes them. */
  readonly arrays: readonly Float64Array[];
  /** Clearness of one level more, and the highest level that has one above it. */
  readonly levelStep: number;
  readonly lastLevel: number;
  /** Share by which an array gives more for each K of air above the month's; and W that its controller lets through at most. */
  readonly perK: readonly number[];
  readonly mostW: readonly number[];
  /** The first step in which any of them gives something, and the first after the last. */
  readonly lit: readonly [number, number];
  /** W/m² on the flat of each step for a clearness of 1. */
  readonly flatWm2: Float64Array;
  /** −1…1 between the coldest and the warmest step of a day. */
  readonly warmth: Float64Array;
  readonly meanC: number;
  readonly swingC: number;
}

export function monthSky(
  { brief, rules }: Pick<Job, 'brief' | 'rules'>,
  { system }: DesignOption,
  climate: Climate,
  month: number,
  steps: number,
  leads: Leads | null,
): MonthSky {
  const place = placeIn(brief.place, month);
  const ahead = sunAheadMin(place, month);
  const meanC = climate.meanC[month - 1] as number;
  const swingC = climate.swingC[month - 1] as number;
  const above = climate.aboveKwh[month - 1] as number;
  const arrays = system.arrays ?? [];
  const dayAt = (clearness: number) => {
    const there = { ...place, peakSunHours: clearness * above, monthly: { ...place.monthly, peakSunHours: null } };
    return { place: there, sun: sunDay(there, month) };
  };
  const ambientC = ambientByMinuteC(place, ahead);
  const { step, count } = levelsOf(climate.clearness[month - 1] as number);
  const levels = Array.from({ length: count }, (_, level) => dayAt(level * step));
  const tables = arrays.map((array) => {
    const table = new Float64Array(count * steps);
    for (const [level, { place: there, sun }] of levels.entries()) {
      if (level === 0) continue;
      const sky = {
        onPlane: (plane: Pick<SolarArray, 'slopeDeg' | 'azimuthDeg' | 'follows'>) => planeIrradiance(there, sun, plane),
        ambientC,
        flatFactor: rules.arrayFactor,
      };
      table.set(stepMeans(arraySource(array, sky, system, leads).watts, steps), level * steps);
    }
    return table;
  });
  const unit = { dayTempC: 1, nightTempC: -1 };
  return {
    arrays: tables,
    levelStep: step,
    lastLevel: count - 2,
    // Of panels joined straight to the store the current counts, which hardly moves with warmth.
    perK: arrays.map((array) =>
      rules.arrayFactor !== null || array.controller.kind === 'pwm' ? 0 : standingOf(array).powerPerK,
    ),
    mostW: arrays.map((array) => controllerLimitW(array, chargingVoltageV(system)) ?? Number.POSITIVE_INFINITY),
    lit: litSteps(tables, steps),
    flatWm2: stepMeans(dayAt(1).sun.irradianceWm2, steps),
    warmth: stepMeans(ambientByMinuteC({ ...place, ...unit }, ahead), steps),
    meanC,
    swingC,
  };
}

function litSteps(tables: readonly Float64Array[], steps: number): [number, number] {
  let [from, to] = [steps, 0];
  for (const table of tables)
    for (let k = 0; k < table.length; k++) {
      if (table[k] === 0) continue;
      from = Math.min(from, k % steps);
      to = Math.max(to, (k % steps) + 1);
    }
  return [from, to];
}
