import { KG_PER_LB, M_PER_FT } from './units.ts';

/** What a region reads numbers in. */
export type Units = 'metric' | 'imperial';

/** How the imperial reader writes a quantity of the core, and back. */
export const IMPERIAL = {
  '°C': { unit: '°F', to: (c: number) => c * 1.8 + 32, from: (f: number) => (f - 32) / 1.8 },
  kg: { unit: 'lb', to: (kg: number) => kg / KG_PER_LB, from: (lb: number) => lb * KG_PER_LB },
  m: { unit: 'ft', to: (m: number) => m / M_PER_FT, from: (ft: number) => ft * M_PER_FT },
  'm²': { unit: 'ft²', to: (m2: number) => m2 / M_PER_FT ** 2, from: (ft2: number) => ft2 * M_PER_FT ** 2 },
} as const;

const hasImperial = (unit: string): unit is keyof typeof IMPERIAL => Object.hasOwn(IMPERIAL, unit);

const THIN_SPACE = '\u2009';

/** Digits grouped by thin spaces, a true minus sign; `digits` decimals, trailing zeros dropped. */
export function formatNumber(value: number, digits = 0): string {
  const factor = 10 ** digits;
  const rounded = Math.round(Math.abs(value) * factor) / factor;
  const [whole = '0', fraction] = rounded.toFixed(digits).split('.');
  const trimmed = fraction?.replace(/0+$/, '');
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE);
  const sign = value < 0 && rounded !== 0 ? '−' : '';
  return sign + grouped + (trimmed ? `.${trimmed}` : '');
}

/** Decimals worth showing for a value of this unit: a fitter's precision, not the computer's. */
function digitsFor(value: number, unit: string): number {
  const size = Math.abs(value);
  if (unit === 'share') return size < 0.1 ? 1 : 0;
  // Of a day no tenth of a watt-hour is known.
  if (unit === 'Wh/day') return 0;
  if (unit === 'days' || unit === 'h') return size < 10 ? 1 : 0;
  if (unit === '' || unit === '°C' || unit === '°') return 3;
  if (unit === 'm²' || unit === 'ft²') return 1;
  // A tenth of an ampere decides whether a breaker holds.
  if (size >= (unit === 'A' ? 100 : 20)) return 0;
  return size < 1 ? 2 : 1;
}

export interface Shown {
  readonly number: string;
  readonly unit: string;
}

/** A value in the reader's units: shares as %; kg, °C, m and m² as lb, °F, ft and ft² for the imperial reader. */
export function show(value: number, unit: string, units: Units = 'metric'): Shown {
  if (unit === 'share') return { number: formatNumber(value * 100, digitsFor(value, unit)), unit: '%' };
  if (units === 'imperial' && hasImperial(unit)) {
    const its = IMPERIAL[unit];
    const converted = its.to(value);
    return { number: formatNumber(converted, unit === '°C' ? 0 : digitsFor(converted, its.unit)), unit: its.unit };
  }
  if (unit === 'Wh/day') return { number: formatNumber(value, digitsFor(value, unit)), unit: 'Wh' };
  const number = formatNumber(value, digitsFor(value, unit));
  return { number, unit: unit === 'days' && number === '1' ? 'day' : unit };
}

export function showText(value: number, unit: string, units?: Units): string {
  const shown = show(value, unit, units);
  return shown.unit ? `${shown.number}${THIN_SPACE}${shown.unit}` : shown.number;
}

/** "1 h 30", "45 min", "5 min 54 s" from minutes. */
export function formatDuration(minutes: number): string {
  const seconds = Math.round(minutes * 60);
  const h = Math.floor(seconds / 3600);
  const m = Math.floor((seconds % 3600) / 60);
  const s = seconds % 60;
  if (h > 0) return m > 0 ? `${h} h ${String(m).padStart(2, '0')}` : `${h} h`;
  if (m > 0) return s > 0 ? `${m} min ${s} s` : `${m} min`;
  return `${s} s`;
}

/** "06:30" from minutes after midnight. */
export function formatClock(minuteOfDay: number): string {
  const whole = ((Math.round(minuteOfDay) % 1440) + 1440) % 1440;
  return `${String(Math.floor(whole / 60)).padStart(2, '0')}:${String(whole % 60).padStart(2, '0')}`;
}
