import { type Band, band } from './band.ts';
import type { LogCapacity } from './capacity.ts';
import type { Caveat } from './caveats.ts';
import type { Log } from './logSchema.ts';
import { hoursOutside } from './offTime.ts';
import type { Stretch } from './open.ts';
import { type Rate, rateOf } from './rate.ts';
import { lastOf, type SocSignal } from './signals.ts';
import type { Series } from './table.ts';

export interface Forecast {
  /** As last read; null where none was. */
  readonly soc: number | null;
  /** From the last reading, h of the time in which the output is on. */
  readonly toReserveH: Band | null;
  readonly toEmptyH: Band | null;
  readonly fullToReserveH: Band | null;
  readonly fullToEmptyH: Band | null;
  readonly meanA: number | null;
  readonly meanW: number | null;
  readonly whPerDay: number | null;
  /** What the bands hold and what they do not. */
  readonly includes: readonly string[];
  readonly leavesOut: readonly string[];
}

export interface Target {
  readonly targetH: number;
  /** From full to the reserve: yes, no, or open where its band holds the target. */
  readonly met: 'yes' | 'no' | 'open';
  readonly metToEmpty: 'yes' | 'no' | 'open';
  readonly socThen: number;
}

/** The fall of the charge over powered time, charging left out. */
export function rateIn(series: Series, soc: SocSignal, off: readonly Stretch[], caveats: Caveat[]): Rate | null {
  const hours: number[] = [];
  const percent: number[] = [];
  const first = series.t[0] as number;
  for (let i = 0; i < series.t.length; i++) {
    const value = soc.values[i] as number;
    if (Number.isNaN(value)) continue;
    hours.push(hoursOutside(first, series.t[i] as number, off));
    percent.push(value);
  }
  const rise = largestRise(percent);
  if (rise > 2 * Math.max(soc.meter.step, 0.5) && (percent.at(-1) ?? 0) < (percent[0] ?? 0))
    caveats.push({
      code: 'charged',
      says: `The state of charge rose by ${rise.toFixed(1)} % on the way: something charged it, and the rate is the net of both.`,
    });
  return rateOf(hours, percent, soc.meter.low, soc.meter.high);
}

function largestRise(values: readonly number[]): number {
  let least = Number.POSITIVE_INFINITY;
  let rise = 0;
  for (const value of values) {
    least = Math.min(least, value);
    rise = Math.max(rise, value - least);
  }
  return rise;
}

interface ForecastInput {
  readonly rate: Rate | null;
  readonly soc: SocSignal | null;
  readonly reserve: number;
  readonly ceiling: number;
  readonly capacity: LogCapacity | null;
  readonly nominalV: number | null;
  readonly meanW: number | null;
  readonly stopReserveWh: number | null;
}

export function forecastOf({
  rate,
  soc,
  reserve,
  ceiling,
  capacity,
  nominalV,
  meanW,
  stopReserveWh,
}: ForecastInput): Forecast | null {
  if (capacity && !rate && meanW !== null && meanW > 0) {
    // No state of charge was read: by the mean of the power alone, from full.
    const hours = (percent: number): Band =>
      band(
        ((percent / 100) * capacity.wh) / meanW,
        ((percent / 100) * capacity.wh * (1 - capacity.doubt)) / meanW,
        ((percent / 100) * capacity.wh * (1 + capacity.doubt)) / meanW,
      );
    return {
      soc: null,
      toReserveH: null,
      toEmptyH: null,
      fullToReserveH: hours(ceiling - reserve),
      fullToEmptyH: hours(ceiling),
      meanA: nominalV === null ? null : meanW / nominalV,
      meanW,
      whPerDay: meanW * 24,
      includes: capacity.doubt > 0 ? ['the doubt of a capacity that was not measured (5 %, common practice)'] : [],
      leavesOut: ['days that are unlike this one'],
    };
  }
  if (!rate || !soc) return null;
  const fall = -rate.percentPerH.value;
  const [least, most] = [-rate.percentPerH.high, -rate.percentPerH.low];
  const lastSoc = lastOf(soc.values);
  if (!(fall > 0)) return null;
  // What the last reading may be off by counts too.
  const [lowSoc, highSoc] = [lastSoc + soc.meter.low, lastSoc + soc.meter.high];
  const from = (value: number, low: number, high: number, floor: number): Band =>
    band(
      Math.max(0, (value - floor) / fall),
      Math.max(0, (low - floor) / most),
      least > 0 ? Math.max(0, (high - floor) / least) : Number.POSITIVE_INFINITY,
    );
  const percentToW = capacity === null ? null : capacity.wh / 100;
  const watts = percentToW === null ? null : fall * percentToW;
  return {
    soc: lastSoc,
    toReserveH: finite(from(lastSoc, lowSoc, Math.min(100, highSoc), reserve)),
    toEmptyH: finite(from(lastSoc, lowSoc, Math.min(100, highSoc), 0)),
    fullToReserveH: finite(from(ceiling, ceiling, ceiling, reserve)),
    fullToEmptyH: finite(from(ceiling, ceiling, ceiling, 0)),
    meanA: watts === null || !capacity?.nominalV ? null : watts / capacity.nominalV,
    meanW: watts,
    whPerDay: watts === null ? null : watts * 24,
    includes: [
      rate.by === 'line'
        ? 'rounding of every reading (each as far off as it may be)'
        : 'rounding of the first and the last reading',
      ...(stopReserveWh === null ? [] : ['what the load needs to stop']),
    ],
    leavesOut: [
      'days that are unlike these',
      ...(rate.line?.low95 == null ? [] : ['scatter about the line (its 95 % interval stands beside it)']),
    ],
  };
}

/** A band without an end has none to show: JSON knows no infinity. */
const finite = (one: Band): Band | null =>
  Number.isFinite(one.value) ? { ...one, high: Number.isFinite(one.high) ? one.high : Number.MAX_SAFE_INTEGER } : null;

export function targetOf(
  log: Log,
  forecast: Forecast | null,
  rate: Rate | null,
  reserve: number,
  ceiling: number,
): Target | null {
  if (log.targetH == null || !forecast?.fullToReserveH || !forecast.fullToEmptyH) return null;
  const judged = ({ low, high }: Band): Target['met'] =>
    low >= (log.targetH as number) ? 'yes' : high < (log.targetH as number) ? 'no' : 'open';
  const fall = rate ? -rate.percentPerH.value : (ceiling - reserve) / forecast.fullToReserveH.value;
  return {
    targetH: log.targetH,
    met: judged(forecast.fullToReserveH),
    metToEmpty: judged(forecast.fullToEmptyH),
    socThen: ceiling - fall * log.targetH,
  };
}
