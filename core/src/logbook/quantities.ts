/** What a meter reads. All are stored in the unit named here; Wh and Ah are counters. */
export const QUANTITIES = ['soc', 'v', 'a', 'w', 'va', 'wh', 'ah', 'c'] as const;
export type Quantity = (typeof QUANTITIES)[number];

export interface QuantityOf {
  readonly unit: string;
  readonly word: string;
  /** No reading lies beyond these. */
  readonly least: number;
  readonly most: number;
}

/** Limits: what no system of this kind reaches, from memory. */
export const QUANTITY: Readonly<Record<Quantity, QuantityOf>> = {
  soc: { unit: '%', word: 'state of charge', least: 0, most: 100 },
  v: { unit: 'V', word: 'volts', least: -1000, most: 1000 },
  a: { unit: 'A', word: 'amps', least: -5000, most: 5000 },
  w: { unit: 'W', word: 'watts', least: -200_000, most: 200_000 },
  va: { unit: 'VA', word: 'volt-amps', least: 0, most: 200_000 },
  wh: { unit: 'Wh', word: 'counter of watt-hours', least: -1e9, most: 1e9 },
  ah: { unit: 'Ah', word: 'counter of amp-hours', least: -1e7, most: 1e7 },
  c: { unit: '°C', word: 'temperature', least: -90, most: 200 },
};

/** A unit as meters write it: of what, and how to come to the unit stored. */
export interface MeterUnit {
  readonly of: Quantity;
  readonly factor: number;
  readonly offset: number;
}

const of = (quantity: Quantity, factor = 1, offset = 0): MeterUnit => ({ of: quantity, factor, offset });

/** Lower case, but for M, which tells mega from milli. */
const UNITS: Readonly<Record<string, MeterUnit>> = {
  '%': of('soc'),
  pct: of('soc'),
  percent: of('soc'),
  share: of('soc', 100),
  mv: of('v', 1e-3),
  v: of('v'),
  volt: of('v'),
  volts: of('v'),
  vdc: of('v'),
  kv: of('v', 1e3),
  ma: of('a', 1e-3),
  a: of('a'),
  amp: of('a'),
  amps: of('a'),
  ampere: of('a'),
  adc: of('a'),
  mw: of('w', 1e-3),
  w: of('w'),
  watt: of('w'),
  watts: of('w'),
  kw: of('w', 1e3),
  va: of('va'),
  kva: of('va', 1e3),
  mwh: of('wh', 1e-3),
  wh: of('wh'),
  kwh: of('wh', 1e3),
  Mwh: of('wh', 1e6),
  mah: of('ah', 1e-3),
  ah: of('ah'),
  '°c': of('c'),
  c: of('c'),
  degc: of('c'),
  celsius: of('c'),
  '°f': of('c', 5 / 9, (-32 * 5) / 9),
  f: of('c', 5 / 9, (-32 * 5) / 9),
  degf: of('c', 5 / 9, (-32 * 5) / 9),
  fahrenheit: of('c', 5 / 9, (-32 * 5) / 9),
  k: of('c', 1, -273.15),
  kelvin: of('c', 1, -273.15),
};

/** The unit that a word is, or null. "MWh" are mega, "mWh" milli; "MW" is not taken for milli either. */
export function unitOf(word: string): MeterUnit | null {
  const plain = word.trim().replace(/\s+/g, '').replace(/º/g, '°');
  if (/^M(?:[Ww]h)$/.test(plain)) return UNITS.Mwh as MeterUnit;
  if (/^M[WVA]/.test(plain)) return null;
  return UNITS[plain.toLowerCase()] ?? null;
}
