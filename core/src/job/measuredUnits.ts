import type { FirmAppliance } from './applianceSchema.ts';
import { runningPowerW } from './draw.ts';
import type { Draw, Load } from './schema.ts';

/** One unit of an appliance as it was measured. */
export type MeasuredUnit = FirmAppliance['measured'][number];

/** What several units of one appliance came to. */
export interface Spread {
  readonly units: number;
  readonly unit: MeasuredUnit['unit'];
  readonly mean: number;
  readonly least: number;
  readonly most: number;
  /** Standard deviation between units, n − 1; null of a single one. */
  readonly deviation: number | null;
}

/** What is measured of a draw, of one piece: mean W while it is on, Wh of a cycle. Null where a phase has no length of its own. */
export function measuredValue(draw: Draw): Pick<MeasuredUnit, 'value' | 'unit'> | null {
  if (draw.kind === 'thermostatic') return { value: draw.runningW * draw.duty, unit: 'W' };
  if (draw.kind !== 'cycle') return { value: runningPowerW(draw), unit: 'W' };
  if (draw.phases.some(({ minutes }) => minutes === null)) return null;
  return { value: draw.phases.reduce((wh, { powerW, minutes }) => wh + (powerW * (minutes ?? 0)) / 60, 0), unit: 'Wh' };
}

/** The same draw with all its watts so much stronger. */
function stronger(draw: Draw, factor: number): Draw {
  switch (draw.kind) {
    case 'steady':
    case 'standby':
    case 'water-heating':
      return { ...draw, powerW: draw.powerW * factor };
    case 'room':
      return { ...draw, capacityW: draw.capacityW * factor };
    case 'thermostatic':
      return { ...draw, runningW: draw.runningW * factor };
    case 'cycle':
      return { ...draw, phases: draw.phases.map((phase) => ({ ...phase, powerW: phase.powerW * factor })) };
  }
}

/** What the units measured so far come to; those of another quantity than the first are left out. Null of none. */
export function spreadOf(measured: readonly MeasuredUnit[]): Spread | null {
  const [first] = measured;
  if (!first) return null;
  const values = measured.flatMap(({ value, unit }) => (unit === first.unit ? [value] : []));
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return {
    units: values.length,
    unit: first.unit,
    mean,
    least: Math.min(...values),
    most: Math.max(...values),
    deviation: values.length > 1 ? Math.sqrt(squares / (values.length - 1)) : null,
  };
}

/** Units that an entry keeps at most. */
export const MOST_UNITS = 100;

/**
 * An entry with one more unit measured, its load at the mean of them all. The same unit on the same day again takes the
 * place of what it said before.
 */
export function withUnit(entry: FirmAppliance, unit: MeasuredUnit): FirmAppliance {
  const others = entry.measured.filter(({ on, of }) => on !== unit.on || of !== unit.of);
  return atMean({ ...entry, measured: [...others, unit].slice(-MOST_UNITS) });
}

/** An entry with one unit less; the last one leaves the load as it stands. */
export const withoutUnit = (entry: FirmAppliance, index: number): FirmAppliance =>
  atMean({ ...entry, measured: entry.measured.filter((_, i) => i !== index) });

function atMean(entry: FirmAppliance): FirmAppliance {
  const spread = spreadOf(entry.measured);
  const now = measuredValue(entry.load.draw);
  if (!spread || !now || now.unit !== spread.unit || !(now.value > 0)) return entry;
  const draw = stronger(entry.load.draw, spread.mean / now.value);
  return { ...entry, load: { ...entry.load, draw, evidence: 'measured' } };
}

/** A load as the firm keeps it: what belongs to one vehicle stays there. */
export const entryOf = (load: Load, schemaVersion: FirmAppliance['schemaVersion']): FirmAppliance => ({
  schemaVersion,
  name: load.name,
  words: load.type.replaceAll('-', ' '),
  load: { ...load, device: null, photos: [], room: '', circuit: '' },
  measured: [],
});
