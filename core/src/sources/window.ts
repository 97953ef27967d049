import type { Brief, SolarArray, System } from '../job/schema.ts';
import { arrayRatingW, panelsOf } from '../panels/panels.ts';
import { chargingVoltageV } from '../reference/chemistries.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { placeIn } from '../sun/day.ts';
import { MONTH_OF_DAY } from '../sun/months.ts';
import { cellTemperatureC, standingOf } from './array.ts';

/** One limit of a controller against what its panels bring. */
export interface Check {
  readonly value: number;
  /** null = not known. */
  readonly limit: number | null;
  /** Value ÷ limit, of a least value limit ÷ value; above 1 it is exceeded. */
  readonly share: number | null;
}

/** What panels bring to their controller at the cold and hot ends of the months of use. */
export interface Window {
  readonly arrayId: string;
  readonly name: string;
  readonly kind: SolarArray['controller']['kind'];
  /** °C of cells at dawn of the coldest night, and in full light on the warmest afternoon. */
  readonly coldC: number;
  readonly hotC: number;
  /** V with nothing connected, cold, against what the controller bears. */
  readonly coldVoc: Check | null;
  /** V that the store or the controller needs, against those of the best point when hot. */
  readonly hotVmp: Check | null;
  /** A short-circuited, against what the controller's input bears. */
  readonly inputA: Check | null;
  /** Laboratory W ÷ charging volts, against its A at the store: more than that is held back. */
  readonly outputA: Check;
  /** Laboratory W, against what it takes. */
  readonly watts: Check;
}

/** V that a controller which seeks the best point needs above the store. Common practice. */
const HEADROOM_V = 1;

/**
 * °C of the coldest dawn in the months of use: as recorded, or the coldest day that was imported, or a usual night less
 * what records are below it.
 */
export function lowestC(place: Brief['place'], months: Brief['months']): number {
  if (place.lowestC !== null) return place.lowestC;
  const nights = place.monthly.days?.nightTempC?.filter((_, day) => months.includes(MONTH_OF_DAY[day] as number)) ?? [];
  if (nights.length > 0) return nights.reduce((least, c) => Math.min(least, c), Number.POSITIVE_INFINITY);
  const usual = Math.min(...months.map((month) => placeIn(place, month).nightTempC));
  return usual - DEFAULT.recordBelowUsualK.value;
}

const most = (value: number, limit: number | null): Check => ({
  value,
  limit,
  share: limit === null ? null : value / limit,
});

/**
 * Open voltage cold: V_oc·(1 + β(T − 25)) × series at the lowest temperature of the months of use, no usual night; best voltage hot likewise
 * with V_oc's coefficient, cells in 1,000 W/m² on the warmest afternoon. Groups side by side: the highest and the lowest
 * of them; one after the other: their sum.
 */
export function windowOf(
  array: SolarArray,
  { place, months }: Pick<Brief, 'place' | 'months'>,
  system: Pick<System, 'busVoltageV' | 'store'>,
): Window {
  const { panels, wiring, controller } = array;
  const chargingV = chargingVoltageV(system);
  const places = months.map((month) => placeIn(place, month));
  const coldC = lowestC(place, months);
  const hotC = cellTemperatureC(standingOf(array), Math.max(...places.map(({ dayTempC }) => dayTempC)), 1000);
  const ratingW = arrayRatingW(array);
  const groups = panels.map(({ vocV, vmpV, iscA, series, parallel }, i) => {
    const { vocPerK } = panelsOf(panels[i] as (typeof panels)[number]);
    const at = (volts: number | null, celsius: number) =>
      volts === null ? Number.NaN : volts * series * (1 + vocPerK * (celsius - 25));
    return { cold: at(vocV, coldC), hot: at(vmpV, hotC), shortA: (iscA ?? Number.NaN) * parallel };
  });
  const all = (of: (group: (typeof groups)[number]) => number): readonly number[] => groups.map(of);
  const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
  const isParallel = wiring === 'parallel';
  const known = (value: number) => groups.length > 0 && Number.isFinite(value);
  const cold = isParallel ? Math.max(...all(({ cold: v }) => v)) : sum(all(({ cold: v }) => v));
  const hot = isParallel ? Math.min(...all(({ hot: v }) => v)) : sum(all(({ hot: v }) => v));
  const shortA = isParallel ? sum(all(({ shortA: a }) => a)) : Math.max(...all(({ shortA: a }) => a));
  const neededV = Math.max(chargingV + (controller.kind === 'mppt' ? HEADROOM_V : 0), controller.minV ?? 0);
  return {
    arrayId: array.id,
    name: array.name,
    kind: controller.kind,
    coldC,
    hotC,
    coldVoc: known(cold) ? most(cold, controller.maxV) : null,
    hotVmp: known(hot) ? { value: hot, limit: neededV, share: neededV / hot } : null,
    inputA: known(shortA) ? most(shortA, controller.maxInputA) : null,
    outputA: most(ratingW / chargingV, controller.maxA),
    watts: most(ratingW, controller.maxW),
  };
}
