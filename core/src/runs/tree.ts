import type { Device, Run } from '../job/schema.ts';
import type { Fitted, SourceLead } from './fitted.ts';

/** Whose volts a run is at: the bus, what a converter gives, the panels, the alternator. */
export type Zone =
  | { readonly kind: 'bus' }
  | { readonly kind: 'output'; readonly device: Exclude<Device, { kind: 'inverter' }> }
  | { readonly kind: 'panels' | 'alternator'; readonly lead: SourceLead };

/** What a zone is made of, for whoever asks whether it is still the same. */
export const partsOfZone = (zone: Zone): readonly unknown[] => [
  zone.kind,
  zone.kind === 'bus' ? null : zone.kind === 'output' ? zone.device : zone.lead,
];

/** A run in its place, parents before children. */
export interface Branch {
  readonly run: Run;
  readonly zone: Zone;
  /** Index of the run it begins at; −1 at the store. */
  readonly parent: number;
  /** Runs between it and the store. */
  readonly depth: number;
}

/** The runs in an order in which each follows the one it begins at; what hangs on nothing that is known is left out. */
export function treeOf(runs: readonly Run[], fitted: Fitted): Branch[] {
  const behind = new Map<string | null, Run[]>();
  for (const run of runs) behind.set(run.from, [...(behind.get(run.from) ?? []), run]);
  const branches: Branch[] = [];
  const walk = (from: string | null, parent: number, zone: Zone, depth: number): void => {
    for (const run of behind.get(from) ?? []) {
      const own = zoneOf(run, zone, fitted);
      const index = branches.push({ run, zone: own, parent, depth }) - 1;
      walk(run.id, index, zoneBehind(run, own, fitted), depth + 1);
    }
  };
  walk(null, -1, { kind: 'bus' }, 0);
  return branches;
}

function zoneOf(run: Run, above: Zone, { sources }: Fitted): Zone {
  if (run.end !== 'panels' && run.end !== 'alternator') return above;
  const kind = run.end === 'panels' ? 'array' : 'driving';
  const lead = sources.find((one) => one.kind === kind && one.id === run.part);
  return lead ? { kind: run.end, lead } : above;
}

function zoneBehind(run: Run, own: Zone, { option }: Fitted): Zone {
  if (run.end !== 'device') return own;
  const device = option.system.devices.find(({ id }) => id === run.part);
  return device && device.kind !== 'inverter' ? { kind: 'output', device } : own;
}

/** Nominal V of a zone. */
export function zoneVolts(zone: Zone, busV: number): number {
  if (zone.kind === 'bus') return busV;
  return zone.kind === 'output' ? zone.device.outputV : (zone.lead.far?.volts ?? busV);
}
