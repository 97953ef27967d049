import { HOUR_MS } from './band.ts';
import type { Mapping } from './columns.ts';
import type { Log, LogInstrument, LogReading } from './logSchema.ts';
import { type MeterUnit, QUANTITIES, QUANTITY, type Quantity, unitOf } from './quantities.ts';
import { DAY_MS, readStamp, type Stamp, type Zone } from './stamp.ts';
import { type Series, type TableRead, TableReader } from './table.ts';

/** A stretch of time in a log, ms. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

const HEADS = ['at', ...QUANTITIES, 'toGo', 'note'] as const;

/** The readings that stand in a log file itself, checked as the rows of a table are; `line` is the reading's number. */
export function readingsOf(readings: readonly LogReading[], zone: Zone): TableRead {
  const mapping: Mapping = {
    time: [0],
    elapsedMs: null,
    order: 'dmy',
    values: QUANTITIES.map((quantity, i) => ({ column: i + 1, unit: unitOf(QUANTITY[quantity].unit) as MeterUnit })),
    toGo: HEADS.indexOf('toGo'),
    note: HEADS.indexOf('note'),
    decimal: '.',
  };
  const reader = new TableReader(mapping, HEADS, zone);
  for (const [i, reading] of readings.entries()) {
    const at = reading.h !== undefined ? `${reading.h.toFixed(9)} h` : (reading.at ?? '');
    const values = QUANTITIES.map((quantity) =>
      reading[quantity] === undefined || reading[quantity] === null ? '' : String(reading[quantity]),
    );
    reader.add([at, ...values, reading.toGo ?? '', reading.note ?? ''], i + 1, reading.mark ?? null);
  }
  const read = reader.done();
  // A quantity that no reading has is none of the log's.
  const values = Object.fromEntries(
    Object.entries(read.series.values).filter(([, column]) => column.some((value) => !Number.isNaN(value))),
  );
  return { ...read, series: { ...read.series, values } };
}

/** The moment that a time written in a log means there: clock times are the next such time after its first reading. */
export function momentIn(series: Series, text: string, zone: Zone, after: number): number | null {
  const stamp = readStamp(text, 'dmy', null);
  if (stamp === null) return null;
  const first = series.t[0] ?? 0;
  if (stamp.kind === 'elapsed') return first + stamp.ms;
  if (stamp.kind === 'clock') return nextClock(series, stamp, zone, after);
  if (!series.dated) return null;
  return stamp.kind === 'instant' ? stamp.ms : (zone(stamp.wallMs)[0] ?? null);
}

function nextClock(series: Series, stamp: Extract<Stamp, { kind: 'clock' }>, zone: Zone, after: number): number | null {
  if (!series.dated) {
    const today = Math.floor(after / DAY_MS) * DAY_MS + stamp.ms;
    return today < after ? today + DAY_MS : today;
  }
  // The wall is at most 14 h away from UTC.
  const days = Math.floor(after / DAY_MS) * DAY_MS;
  const moments = [-1, 0, 1, 2].flatMap((day) => zone(days + day * DAY_MS + stamp.ms));
  return moments.filter((ms) => ms >= after).sort((a, b) => a - b)[0] ?? null;
}

/** What is known of the instrument of a quantity, with what is usual where nothing is said. */
export interface Meter {
  /** The step of its display, in the unit of the reading; 0 = finer than matters. */
  readonly step: number;
  readonly cuts: boolean;
  /** Between the reading and the truth, from the reading: half a step each way, or none and a whole one. */
  readonly low: number;
  readonly high: number;
  /** 1 where positive is out of the store, −1 where it is into it. */
  readonly out: 1 | -1;
  /** Whether somebody said so. */
  readonly isSignSaid: boolean;
  readonly counts: NonNullable<LogInstrument['counts']>;
  readonly rollsOverAt: number | null;
}

export function meterOf(log: Log, quantity: Quantity, values: Float64Array | undefined): Meter {
  const said = log.instruments?.find((instrument) => instrument.quantity === quantity);
  const step = said?.resolution ?? (quantity === 'soc' ? Math.min(1, stepIn(values, 1)) : stepIn(values, 0));
  const cuts = said?.rounding === 'cuts';
  const isNegative = values?.some((value) => value < 0) ?? false;
  const isPositive = values?.some((value) => value > 0) ?? false;
  const signed = quantity === 'a' || quantity === 'w' || quantity === 'ah' || quantity === 'wh';
  // What only ever goes down below nothing is a monitor that counts what leaves as negative.
  const out = said?.positive ? (said.positive === 'out' ? 1 : -1) : signed && isNegative && !isPositive ? -1 : 1;
  return {
    step,
    cuts,
    low: cuts ? 0 : -step / 2,
    high: cuts ? step : step / 2,
    out,
    isSignSaid: said?.positive !== undefined || !(isNegative && isPositive),
    counts: said?.counts ?? 'out',
    rollsOverAt: said?.rollsOverAt ?? null,
  };
}

/** The step in which values are written: the coarsest of 1, 0.1, 0.01, 0.001 that all of them are whole multiples of. */
function stepIn(values: Float64Array | undefined, otherwise: number): number {
  if (values === undefined) return otherwise;
  const MOST_LOOKED_AT = 2000;
  for (const step of [1, 0.1, 0.01, 0.001]) {
    let all = true;
    for (let i = 0; i < values.length && i < MOST_LOOKED_AT && all; i++) {
      const value = values[i] as number;
      if (!Number.isNaN(value)) all = Math.abs(value / step - Math.round(value / step)) < 1e-6;
    }
    if (all) return step;
  }
  return 0;
}

export const hoursFrom = (series: Series, t: number): number => (t - (series.t[0] ?? 0)) / HOUR_MS;
