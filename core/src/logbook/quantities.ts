import { type Measure, UNITS, type Unit } from '../reading/units.ts';

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

/** What a measure is to a meter; its worth is in the unit that is stored but for these. */
const OF_MEASURE: Readonly<Partial<Record<Measure, (worth: number) => MeterUnit>>> = {
  share: (worth) => ({ of: 'soc', factor: worth * 100, offset: 0 }),
  voltage: (factor) => ({ of: 'v', factor, offset: 0 }),
  current: (factor) => ({ of: 'a', factor, offset: 0 }),
  power: (factor) => ({ of: 'w', factor, offset: 0 }),
  apparent: (factor) => ({ of: 'va', factor, offset: 0 }),
  energy: (factor) => ({ of: 'wh', factor, offset: 0 }),
  charge: (factor) => ({ of: 'ah', factor, offset: 0 }),
  celsius: () => ({ of: 'c', factor: 1, offset: 0 }),
  // Said of a reading, degrees are Celsius.
  angle: () => ({ of: 'c', factor: 1, offset: 0 }),
  fahrenheit: () => ({ of: 'c', factor: 5 / 9, offset: (-32 * 5) / 9 }),
  kelvin: () => ({ of: 'c', factor: 1, offset: -273.15 }),
};

/** What a unit is to a meter, or null. */
export const meterUnitOf = ({ of, worth }: Unit): MeterUnit | null => OF_MEASURE[of]?.(worth) ?? null;

/** The unit that a word of a table is, or null. "MWh" are mega, "mWh" milli; "MW" is not taken for milli either. */
export function unitOf(word: string): MeterUnit | null {
  const plain = word.trim().replace(/\s+/g, '').replace(/º/g, '°');
  // No table of units has these: in small letters they would be one.
  if (/^M[Ww]h$/.test(plain)) return { of: 'wh', factor: 1e6, offset: 0 };
  if (/^m[Ww]h$/.test(plain)) return { of: 'wh', factor: 1e-3, offset: 0 };
  if (/^M[WVA]/.test(plain)) return null;
  if (plain.toLowerCase() === 'share') return { of: 'soc', factor: 100, offset: 0 };
  const unit = UNITS.get(plain.toLowerCase());
  return unit === undefined || unit.of === 'angle' ? null : meterUnitOf(unit);
}
