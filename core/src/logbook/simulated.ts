import type { Quantity } from './quantities.ts';

/**
 * Instruments that ship with the program, for trying things out: what they show comes from the job's own simulation,
 * with the noise, rounding, drift and drop-outs of real ones. What one shows at a moment follows from its seed and the
 * number of the reading alone, so that it may be asked for again.
 */

export const INSTRUMENT_KINDS = ['monitor', 'plug', 'clamp', 'thermometer', 'weather'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];
export const FAULT_KINDS = ['drop-outs', 'stuck', 'drift', 'reset', 'wrong-sign', 'thousandfold'] as const;
export type InstrumentFault = (typeof FAULT_KINDS)[number];

/** What is really so, in steps of equal length, again and again. */
export interface Truth {
  readonly stepMin: number;
  /** W out of the store, less what goes in. */
  readonly w: readonly number[];
  /** W that the loads take. */
  readonly needW: readonly number[];
  /** State of charge, 0…1. */
  readonly soc: readonly number[];
  /** V of the store. */
  readonly v: readonly number[];
  /** °C outside, and where the store stands. */
  readonly airC: readonly number[];
  readonly storeC: readonly number[];
  /** Ah of the store. */
  readonly ah: number;
}

export interface SimulatedInstrument {
  readonly kind: InstrumentKind;
  readonly seed: number;
  /** s between two readings, of the simulated time. */
  readonly everyS: number;
  readonly truth: Truth;
  readonly faults: readonly InstrumentFault[];
  /** A clamp: whether somebody has zeroed it. */
  readonly zeroed: boolean;
}

export type InstrumentReading = Readonly<Partial<Record<Quantity, number>>>;

/** A share of 0 to below 1 for a number, always the same one (SplitMix32's finisher; Steele, Lea & Flood 2014). */
function shareOf(seed: number, n: number, salt: number): number {
  let x = (Math.imul(seed, 0x9e3779b9) + Math.imul(n, 0x85ebca6b) + Math.imul(salt, 0xc2b2ae35)) | 0;
  x = Math.imul(x ^ (x >>> 16), 0x21f0aaad);
  x = Math.imul(x ^ (x >>> 15), 0x735a2d97);
  return ((x ^ (x >>> 15)) >>> 0) / 2 ** 32;
}

/** About normal, by twelve shares (Irwin–Hall). */
function noise(seed: number, n: number, salt: number): number {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += shareOf(seed, n, salt * 16 + i);
  return sum;
}

const round = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(6));

/** Straight between the middles of steps; the truth repeats. */
function at(values: readonly number[], stepMin: number, hours: number): number {
  const place = (hours * 60) / stepMin - 0.5;
  const below = Math.floor(place);
  const n = values.length;
  const of = (i: number): number => values[((i % n) + n) % n] as number;
  return of(below) + (place - below) * (of(below + 1) - of(below));
}

/** The integral of what `at` gives, from 0 to some hours: of straight lines between the middles, exactly. */
export function integral(values: readonly number[], stepMin: number, hours: number): number {
  const n = values.length;
  const step = stepMin / 60;
  const whole = values.reduce((sum, value) => sum + value, 0) * step;
  const rounds = Math.floor(hours / (n * step));
  let rest = hours - rounds * n * step;
  let sum = rounds * whole;
  // From one middle or edge to the next the line is straight.
  for (let from = 0; rest > 1e-12; ) {
    const to = Math.min(from + rest, (Math.floor(from / (step / 2) + 1e-9) + 1) * (step / 2));
    sum += ((at(values, stepMin, from) + at(values, stepMin, to)) / 2) * (to - from);
    rest -= to - from;
    from = to;
  }
  return sum;
}

/** Share of readings that get lost where an instrument has drop-outs. */
const LOST_SHARE = 0.2;
/** After so many readings a fault that happens once has happened. */
const HAPPENS_AFTER = 60;

/** What an instrument shows at its n-th reading, from 0; null where the reading is lost. */
export function instrumentReading(instrument: SimulatedInstrument, n: number): InstrumentReading | null {
  const { seed, faults, everyS, kind } = instrument;
  if (faults.includes('drop-outs') && shareOf(seed, Math.floor(n / 3), 9) < LOST_SHARE) return null;
  const shown = faults.includes('stuck') && n > HAPPENS_AFTER ? HAPPENS_AFTER : n;
  const hours = (shown * everyS) / 3600;
  const drift = faults.includes('drift') ? 1 + (0.05 * hours) / 24 : 1;
  const sign = faults.includes('wrong-sign') ? -1 : 1;
  const scale = faults.includes('thousandfold') && n >= HAPPENS_AFTER ? 1e-3 : 1;
  const setBackAt = faults.includes('reset') && shown >= HAPPENS_AFTER ? (HAPPENS_AFTER * everyS) / 3600 : null;
  return READINGS[kind](instrument, shown, hours, { drift, sign, scale, setBackAt });
}

interface Bent {
  readonly drift: number;
  readonly sign: 1 | -1;
  readonly scale: number;
  /** h after which counters began again. */
  readonly setBackAt: number | null;
}

type Reads = (instrument: SimulatedInstrument, n: number, hours: number, bent: Bent) => InstrumentReading;

const READINGS: Readonly<Record<InstrumentKind, Reads>> = {
  /** A shunt: amps with the sign of a monitor (out is negative), volts, whole percent, Ah below full. */
  monitor: ({ truth, seed }, n, hours, { drift, sign, scale }) => {
    const v = at(truth.v, truth.stepMin, hours);
    const a = (at(truth.w, truth.stepMin, hours) / v) * drift + 0.03 * noise(seed, n, 1);
    const soc = at(truth.soc, truth.stepMin, hours);
    return {
      v: round(v + 0.003 * noise(seed, n, 2), 0.01),
      a: round(-sign * a * scale, scale === 1 ? 0.1 : 0.0001),
      soc: round(Math.min(1, Math.max(0, soc)) * 100, 1),
      ah: round(-(1 - soc) * truth.ah * drift, 0.1),
    };
  },
  /** A plug-in meter: 0.1 W, and a counter of 0.01 kWh that goes on while the plug is in. */
  plug: ({ truth, seed }, n, hours, { drift, scale, setBackAt }) => {
    const w = at(truth.needW, truth.stepMin, hours) * drift * (1 + 0.002 * noise(seed, n, 3));
    const wh =
      integral(truth.needW, truth.stepMin, hours) -
      (setBackAt === null ? 0 : integral(truth.needW, truth.stepMin, setBackAt));
    return { w: round(w * scale, scale === 1 ? 0.1 : 0.0001), wh: Math.floor((wh * drift) / 10 + 1e-9) * 10 };
  },
  /** A clamp: off by up to 1.5 A until it is zeroed. */
  clamp: ({ truth, seed, zeroed }, n, hours, { drift, sign, scale }) => {
    const offset = zeroed ? 0.05 * (shareOf(seed, 0, 5) - 0.5) : 3 * (shareOf(seed, 0, 4) - 0.5);
    const a = at(truth.needW, truth.stepMin, hours) / at(truth.v, truth.stepMin, hours);
    return { a: round(sign * (a * drift + offset + 0.05 * noise(seed, n, 6)) * scale, scale === 1 ? 0.1 : 0.0001) };
  },
  thermometer: ({ truth, seed }, n, hours, { drift }) => ({
    c: round(at(truth.storeC, truth.stepMin, hours) + (drift - 1) * 20 + 0.05 * noise(seed, n, 7), 0.1),
  }),
  weather: ({ truth, seed }, n, hours, { drift }) => ({
    c: round(at(truth.airC, truth.stepMin, hours) + (drift - 1) * 20 + 0.2 * noise(seed, n, 8), 0.1),
  }),
};

/** Which instruments a reading of a kind comes with, as a log's file says them. */
export const INSTRUMENT_METERS: Readonly<
  Record<
    InstrumentKind,
    readonly {
      readonly quantity: Quantity;
      readonly resolution: number;
      readonly positive?: 'out' | 'in';
      readonly counts?: 'out' | 'from-full';
    }[]
  >
> = {
  monitor: [
    { quantity: 'v', resolution: 0.01 },
    { quantity: 'a', resolution: 0.1, positive: 'in' },
    { quantity: 'soc', resolution: 1 },
    { quantity: 'ah', resolution: 0.1, counts: 'from-full' },
  ],
  plug: [
    { quantity: 'w', resolution: 0.1 },
    { quantity: 'wh', resolution: 10 },
  ],
  clamp: [{ quantity: 'a', resolution: 0.1, positive: 'out' }],
  thermometer: [{ quantity: 'c', resolution: 0.1 }],
  weather: [{ quantity: 'c', resolution: 0.1 }],
};
