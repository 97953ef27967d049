import { type Band, band, HOUR_MS } from './band.ts';
import type { LogCapacity } from './capacity.ts';
import type { Caveat } from './caveats.ts';
import type { Log } from './logSchema.ts';
import { hoursOutside, joined } from './offTime.ts';
import { hoursFrom, type Stretch } from './open.ts';
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

/** The fall of the charge over powered time: stretches in which it was charged, and leaps of the display, are left out. */
export function rateIn(series: Series, soc: SocSignal, off: readonly Stretch[], caveats: Caveat[]): Rate | null {
  const read = [...series.t.keys()].filter((i) => !Number.isNaN(soc.values[i] as number));
  const times = read.map((i) => series.t[i] as number);
  const percent = read.map((i) => soc.values[i] as number);
  const left = leftOut(times, percent, 2 * Math.max(soc.meter.step, 0.5));
  const hoursAt = (ms: number) => hoursFrom(series, ms).toFixed(2);
  for (const { from, to, by, isLeap } of left)
    caveats.push(
      isLeap
        ? {
            code: 'leap',
            says: `The state of charge leaps by ${by.toFixed(1)} % ${hoursAt(from)} h after the first reading: was the monitor set anew (a resync)? The leap is not in the rate.`,
          }
        : {
            code: 'charged',
            says: `The state of charge rose by ${by.toFixed(1)} % from ${hoursAt(from)} to ${hoursAt(to)} h: something charged it, and that time is not in the rate.`,
          },
    );
  const apart = joined([...off, ...left]);
  const first = times[0] ?? 0;
  const moved = (at: number) => left.reduce((sum, { to, by }) => (to <= at ? sum + by : sum), 0);
  const kept = times.flatMap((at, k) => (left.some(({ from, to }) => at > from && at < to) ? [] : [k]));
  return rateOf(
    kept.map((k) => hoursOutside(first, times[k] as number, apart)),
    kept.map((k) => (percent[k] as number) - moved(times[k] as number)),
    soc.meter.low,
    soc.meter.high,
  );
}

interface LeftOut extends Stretch {
  /** % that it changes meanwhile. */
  readonly by: number;
  readonly isLeap: boolean;
}

/** % and % an hour beyond which a change from one reading to the next is no current's: twice the capacity. From memory. */
const LEAP_PERCENT = 5;
const LEAP_PERCENT_PER_H = 200;

/** % from which a single rise is no noise of the meter but charging. From memory. */
const CHARGED_PERCENT = 10;

/** Leaps, and stretches between a low and the high after it that are more than so much apart. */
function leftOut(times: readonly number[], percent: readonly number[], least: number): LeftOut[] {
  const left: LeftOut[] = [];
  let low = 0;
  let high = 0;
  const close = () => {
    const by = (percent[high] as number) - (percent[low] as number);
    if (by > least && (high - low > 1 || by >= CHARGED_PERCENT))
      left.push({ from: times[low] as number, to: times[high] as number, by, isLeap: false });
  };
  for (let k = 1; k < times.length; k++) {
    const step = (percent[k] as number) - (percent[k - 1] as number);
    const hours = ((times[k] as number) - (times[k - 1] as number)) / HOUR_MS;
    if (Math.abs(step) >= LEAP_PERCENT && Math.abs(step) > LEAP_PERCENT_PER_H * hours) {
      close();
      left.push({ from: times[k - 1] as number, to: times[k] as number, by: step, isLeap: true });
      low = k;
      high = k;
      continue;
    }
    if ((percent[k] as number) > (percent[high] as number)) high = k;
    // It falls again by more than it may be off: what rose has ended.
    if (
      (percent[high] as number) - (percent[k] as number) > least ||
      (percent[k] as number) < (percent[low] as number)
    ) {
      close();
      low = k;
      high = k;
    }
  }
  close();
  return left;
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
  // The mean that stands above the log is that of its day too, by whatever way it is known best.
  const watts = meanW ?? (percentToW === null ? null : fall * percentToW);
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
