import type { LogCapacity } from './capacity.ts';
import type { Log } from './logSchema.ts';
import { hoursFrom, type Meter } from './open.ts';
import type { Rate } from './rate.ts';
import type { SocSignal } from './signals.ts';
import type { Contradiction } from './stated.ts';
import type { Series } from './table.ts';
import { readTimeToGo } from './timeToGo.ts';

export interface ToGo {
  readonly atH: number;
  readonly shown: string;
  readonly lowH: number;
  readonly highH: number;
  /** To the reserve and to empty, as the readings up to the end tell it from then on. */
  readonly toReserveH: number | null;
  readonly toEmptyH: number | null;
  readonly agrees: boolean | null;
}

export function timeToGoOf(
  log: Log,
  series: Series,
  soc: SocSignal | null,
  rate: Rate | null,
  reserve: number,
  contradictions: Contradiction[],
): ToGo[] {
  const cuts = log.instruments?.find(({ quantity }) => quantity === 'toGo')?.rounding === 'cuts';
  const fall = rate ? -rate.percentPerH.value : 0;
  return series.remarks.flatMap(({ t, toGo }) => {
    if (toGo === null) return [];
    const range = readTimeToGo(toGo, cuts);
    if (range === null) return [];
    const at = series.t.indexOf(t);
    const percent = soc?.values[at] ?? Number.NaN;
    const known = soc && rate && fall > 0 && !Number.isNaN(percent);
    const [toReserveH, toEmptyH] = known ? [Math.max(0, (percent - reserve) / fall), percent / fall] : [null, null];
    // It may mean down to the reserve or down to nothing.
    const agrees =
      toReserveH === null || toEmptyH === null
        ? null
        : range.highH >= toReserveH * 0.95 && range.lowH <= toEmptyH * 1.05;
    if (agrees === false)
      contradictions.push({
        code: 'time-to-go',
        where: `${hoursFrom(series, t).toFixed(1)} h`,
        says: `the display said “${toGo}” (${range.lowH.toFixed(1)} to ${range.highH.toFixed(1)} h); by the readings it was ${toReserveH?.toFixed(1)} h to the reserve and ${toEmptyH?.toFixed(1)} h to empty`,
        offer: null,
        refused: false,
      });
    return [{ atH: hoursFrom(series, t), shown: toGo, ...range, toReserveH, toEmptyH, agrees }];
  });
}

export interface Spot {
  readonly atH: number;
  readonly w: number | null;
  readonly a: number | null;
  /** Of the whole log. */
  readonly meanW: number | null;
  readonly ratio: number | null;
  readonly toReserveH: number | null;
  readonly toEmptyH: number | null;
}

export function spotOf(
  series: Series,
  watts: Float64Array | null,
  amps: Float64Array | undefined,
  meterA: Meter,
  meanW: number | null,
  soc: SocSignal | null,
  capacity: LogCapacity | null,
  reserve: number,
  nominalV: number | null,
): Spot | null {
  if (!watts && !amps) return null;
  const at = series.t.findLastIndex((_, i) => !Number.isNaN((watts ?? (amps as Float64Array))[i] as number));
  if (at < 0) return null;
  const w = watts ? (watts[at] as number) : null;
  const a = amps && !Number.isNaN(amps[at] as number) ? meterA.out * (amps[at] as number) : null;
  const percent = soc ? (soc.values[at] as number) : Number.NaN;
  // Amp-hours by amps where both are known, else watt-hours by watts.
  const left = (floor: number): number | null => {
    if (capacity === null || Number.isNaN(percent)) return null;
    const share = Math.max(0, percent - floor) / 100;
    if (a !== null && capacity.ah !== null && (nominalV !== null || w === null))
      return a > 0 ? (share * capacity.ah) / a : null;
    return w !== null && w > 0 ? (share * capacity.wh) / w : null;
  };
  return {
    atH: hoursFrom(series, series.t[at] as number),
    w,
    a,
    meanW,
    ratio: w === null || meanW === null || meanW === 0 ? null : w / meanW,
    toReserveH: left(reserve),
    toEmptyH: left(0),
  };
}

/** Ah that were left when it cut out; null where nothing is marked so. */
export function strandedOf(series: Series, soc: SocSignal | null, capacity: LogCapacity | null): number | null {
  const cut = series.remarks.findLast(({ mark }) => mark === 'cut-out');
  if (!cut || !soc || capacity?.ah == null) return null;
  const percent = soc.values[series.t.indexOf(cut.t)] ?? Number.NaN;
  return Number.isNaN(percent) ? null : (percent / 100) * capacity.ah;
}
