import { type Band, band, HOUR_MS } from './band.ts';
import { gapsOf, joined } from './offTime.ts';
import type { Meter, Stretch } from './open.ts';

/** Energy out of the store as one way of counting tells it, from one reading on. */
export interface Counted {
  readonly by: 'soc' | 'counter' | 'power';
  /** Wh out since the first reading, at each reading; NaN before it can be told. */
  readonly upTo: Float64Array;
  readonly wh: Band;
  /** Its standard deviation, Wh: rounding, sampling, and of a capacity that was not measured its doubt. */
  readonly sigmaWh: number;
  /** Hours that it covers: without gaps. */
  readonly hours: number;
  /** ms of its first and its last reading. */
  readonly from: number;
  readonly to: number;
  readonly gaps: readonly Stretch[];
  /** What happened to a counter. */
  readonly notes: readonly string[];
}

const ends = (times: readonly number[]) => ({ from: times[0] as number, to: times.at(-1) as number });

/** Readings that have a signal. */
function present(t: Float64Array, values: Float64Array): { t: number[]; at: number[] } {
  const times: number[] = [];
  const at: number[] = [];
  for (let i = 0; i < values.length; i++)
    if (!Number.isNaN(values[i] as number)) {
      times.push(t[i] as number);
      at.push(i);
    }
  return { t: times, at };
}

/**
 * Energy by the trapezoid of the power, gaps and off times left out.
 * @param watts out of the store positive
 * @param step of the meter, W
 */
export function byPower(t: Float64Array, watts: Float64Array, step: number, off: readonly Stretch[]): Counted | null {
  const { t: times, at } = present(t, watts);
  if (times.length < 2) return null;
  const gaps = gapsOf(times);
  const left = joined([...gaps, ...off]);
  const upTo = new Float64Array(t.length).fill(Number.NaN);
  upTo[at[0] as number] = 0;
  let wh = 0;
  let hours = 0;
  let sampling = 0;
  let k = 0;
  for (let i = 1; i < times.length; i++) {
    const [from, to] = [times[i - 1] as number, times[i] as number];
    const [one, other] = [watts[at[i - 1] as number] as number, watts[at[i] as number] as number];
    while (k < left.length && (left[k] as Stretch).to <= from) k += 1;
    const inside = k < left.length && (left[k] as Stretch).from < to;
    const h = inside ? Math.max(0, to - from - overlap(from, to, left, k)) / HOUR_MS : (to - from) / HOUR_MS;
    // What is beside an off time goes on as it was read on its side of it.
    wh += ((one + other) / 2) * h;
    hours += h;
    // In between it may have been either for all of the time: a rectangle's deviation.
    sampling += ((other - one) * h) ** 2 / 12;
    upTo[at[i] as number] = wh;
  }
  fillForward(upTo);
  const rounding = ((step / Math.sqrt(12)) * hours) / Math.sqrt(times.length);
  const sigma = Math.hypot(Math.sqrt(sampling), rounding);
  return {
    by: 'power',
    upTo,
    wh: band(wh, wh - 1.96 * sigma, wh + 1.96 * sigma),
    sigmaWh: sigma,
    hours,
    gaps,
    notes: [],
    ...ends(times),
  };
}

function overlap(from: number, to: number, left: readonly Stretch[], first: number): number {
  let ms = 0;
  for (let k = first; k < left.length && (left[k] as Stretch).from < to; k++)
    ms += Math.min(to, (left[k] as Stretch).to) - Math.max(from, (left[k] as Stretch).from);
  return ms;
}

function fillForward(values: Float64Array): void {
  for (let i = 1; i < values.length; i++) if (Number.isNaN(values[i] as number)) values[i] = values[i - 1] as number;
}

/** A counter that starts again from so near to its range's beginning has rolled over. */
const ROLLS_FROM = 0.9;
const ROLLS_TO = 0.1;

/**
 * Energy by a counter. One that falls back has rolled over, when it was near its range's end and is near its
 * beginning, and was set back otherwise: what it counted between the reading before and then is not known.
 * @param values of the counter; `whOf` Wh of a unit of it
 */
export function byCounter(t: Float64Array, values: Float64Array, meter: Meter, whOf: number): Counted | null {
  const { t: times, at } = present(t, values);
  if (times.length < 2) return null;
  const upTo = new Float64Array(t.length).fill(Number.NaN);
  upTo[at[0] as number] = 0;
  const goesBoth = meter.counts === 'net' || meter.counts === 'from-full';
  const out = meter.counts === 'in' ? -1 : 1;
  const notes: string[] = [];
  let units = 0;
  let parts = 1;
  for (let i = 1; i < times.length; i++) {
    const before = meter.out * (values[at[i - 1] as number] as number);
    const now = meter.out * (values[at[i] as number] as number);
    if (goesBoth || now >= before) units += now - before;
    else {
      const range = meter.rollsOverAt ?? rangeOf(before, now);
      const hour = ((times[i] as number) - (times[0] as number)) / HOUR_MS;
      const said = `after ${hour.toFixed(1)} h, from ${before} to ${now}`;
      if (range !== null && before >= ROLLS_FROM * range && now <= ROLLS_TO * range) {
        units += range - before + now;
        notes.push(
          `The counter rolled over ${said}: it is taken to begin again at ${range}${meter.rollsOverAt === null ? ', which nobody said' : ''}.`,
        );
      } else {
        units += now;
        parts += 1;
        notes.push(`The counter was set back ${said}: what it had counted since the reading before is not in the sum.`);
      }
    }
    upTo[at[i] as number] = out * units * whOf;
  }
  fillForward(upTo);
  const total = out * units * whOf;
  const half = meter.step * whOf;
  const gaps = gapsOf(times);
  return {
    by: 'counter',
    upTo,
    // Its first and its last reading are each off by up to half a step, of a display that cuts off by up to one.
    wh: band(total, total - half, total + half),
    sigmaWh: (half / Math.sqrt(6)) * Math.sqrt(parts),
    hours: ((times.at(-1) as number) - (times[0] as number)) / HOUR_MS,
    gaps,
    notes,
    ...ends(times),
  };
}

/** The power of ten just above a counter that fell back to almost nothing, or null. */
function rangeOf(before: number, now: number): number | null {
  if (before < 1) return null;
  const range = 10 ** Math.ceil(Math.log10(before + 1e-9));
  return before >= 0.99 * range && now <= 0.01 * range ? range : null;
}

/** Doubt of a capacity that was not measured: common practice. */
export const CAPACITY_DOUBT = 0.05;

/**
 * Energy by the state of charge × the capacity.
 * @param doubt share by which the capacity may be off
 */
export function bySoc(
  t: Float64Array,
  soc: Float64Array,
  meter: Meter,
  capacityWh: number,
  doubt: number,
): Counted | null {
  const { t: times, at } = present(t, soc);
  if (times.length < 2) return null;
  const first = soc[at[0] as number] as number;
  const upTo = new Float64Array(t.length).fill(Number.NaN);
  for (const i of at) upTo[i] = ((first - (soc[i] as number)) / 100) * capacityWh;
  fillForward(upTo);
  const wh = upTo[at.at(-1) as number] as number;
  const hull = (meter.step / 100) * capacityWh;
  return {
    by: 'soc',
    upTo,
    wh: band(wh, wh - hull, wh + hull),
    sigmaWh: Math.hypot(hull / Math.sqrt(6), (Math.abs(wh) * doubt) / Math.sqrt(3)),
    hours: ((times.at(-1) as number) - (times[0] as number)) / HOUR_MS,
    gaps: [],
    notes: [],
    ...ends(times),
  };
}
