import type { FirmAppliance } from '../job/applianceSchema.ts';
import { entryOf, type MeasuredUnit, withUnit } from '../job/measuredUnits.ts';
import { SCHEMA_VERSION } from '../job/values.ts';
import { proposeLoad } from '../reading/propose.ts';

/** The firm's measured appliances as a table: a row for each unit that was measured. */
export const MEASURED_COLUMNS = ['name', 'on', 'value', 'unit', 'of'] as const;

export type MeasuredRow = Readonly<Record<string, string>>;

export const measuredToRows = (entries: readonly FirmAppliance[]): Record<string, string>[] =>
  entries.flatMap(({ name, measured }) =>
    measured.map(({ on, value, unit, of }) => ({ name, on, value: String(value), unit, of })),
  );

export interface MeasuredRead {
  /** Entries that are new or have more units than before, each whole. */
  readonly entries: readonly FirmAppliance[];
  readonly faults: readonly { readonly line: number; readonly problem: string }[];
}

/**
 * Rows put to the entries that are there. A name that is not among them is made an entry as a typed line would be;
 * what cannot be is a fault of its row.
 */
export function measuredFromRows(rows: readonly MeasuredRow[], there: readonly FirmAppliance[]): MeasuredRead {
  const changed = new Map<string, FirmAppliance>();
  const faults: { line: number; problem: string }[] = [];
  for (const [i, row] of rows.entries()) {
    const line = i + 2;
    const name = (row.name ?? '').trim();
    const unit = unitOf(row);
    if (typeof unit === 'string') {
      faults.push({ line, problem: unit });
      continue;
    }
    const entry = changed.get(name) ?? there.find((one) => one.name === name) ?? newEntry(name, unit);
    if (!entry) {
      faults.push({ line, problem: `name: no appliance could be made of “${name}”; keep it from a job first` });
      continue;
    }
    if (entry.measured.some((one) => one.unit !== unit.unit)) {
      faults.push({ line, problem: `unit: “${name}” is measured in ${entry.measured[0]?.unit}, not ${unit.unit}` });
      continue;
    }
    changed.set(name, withUnit(entry, unit));
  }
  return { entries: [...changed.values()], faults };
}

function unitOf(row: MeasuredRow): MeasuredUnit | string {
  const [on, unit, of] = ['on', 'unit', 'of'].map((key) => (row[key] ?? '').trim()) as [string, string, string];
  const written = (row.value ?? '').trim();
  if (/^[1-9]\d{0,2},\d{3}$/.test(written))
    return `value: “${written}” may be a thousand or a decimal; write it with a point or without a mark`;
  const value = Number((row.value ?? '').trim().replace(',', '.') || Number.NaN);
  if (!isDay(on)) return `on: “${on}” is no day; write it as 2026-05-31`;
  if (!(value > 0 && value <= 1e6)) return `value: “${row.value ?? ''}” is no number above 0`;
  if (unit !== 'W' && unit !== 'Wh') return `unit: “${unit}” is neither W nor Wh`;
  if (of.length > 80) return 'of: at most 80 letters';
  return { on, value, unit, of };
}

/** A day of the calendar, as YYYY-MM-DD. */
export function isDay(text: string): boolean {
  const date = new Date(`${text}T00:00:00Z`);
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(date.getTime()) && date.toISOString().startsWith(text);
}

function newEntry(name: string, { value, unit }: MeasuredUnit): FirmAppliance | null {
  if (name === '' || unit !== 'W') return null;
  const { load } = proposeLoad(`${name} ${value}W`, () => 'measured');
  // Watts that the line puts to something else are not taken for its own.
  return load ? entryOf({ ...load, name }, SCHEMA_VERSION) : null;
}
