import type { Device } from '../job/schema.ts';
import { chainOf } from '../paths/chain.ts';
import type { Fitted } from './fitted.ts';
import { type Network, nothingDrawn, solveNetwork } from './network.ts';
import type { SizedRun } from './sized.ts';

/** The leads behind one converter or port, at the volts it gives. */
export interface ZoneDrops {
  readonly device: Exclude<Device, { kind: 'inverter' }>;
  /** Index of each run, that of the one it begins at (−1 = the device itself), and W that loads at its end take. */
  readonly ways: readonly { readonly index: number; readonly parent: number; readonly watts: number }[];
}

export function zoneDrops({ option, profiles }: Fitted, sized: readonly SizedRun[]): ZoneDrops[] {
  const { devices } = option.system;
  const zones = new Map<
    string,
    { device: ZoneDrops['device']; ways: { index: number; parent: number; watts: number }[] }
  >();
  for (const [index, { zone, run, parent }] of sized.entries()) {
    if (zone.kind !== 'output') continue;
    const { device } = zone;
    const known = zones.get(device.id) ?? { device, ways: [] };
    const watts = profiles.reduce((sum, { load, runningW }) => {
      if (!run.loads.includes(load.id)) return sum;
      return chainOf(load, devices).device?.id === device.id ? sum + runningW : sum;
    }, 0);
    known.ways.push({ index, parent: sized[parent]?.zone.kind === 'output' ? parent : -1, watts });
    zones.set(device.id, known);
  }
  return [...zones.values()];
}

/** V at the end of each run behind a converter or port, hot, all its loads running; null = it does not hold. */
export function outputVolts(fitted: Fitted, sized: readonly SizedRun[]): ReadonlyMap<number, number | null> {
  const volts = new Map<number, number | null>();
  for (const { device, ways } of zoneDrops(fitted, sized)) {
    const nodeOf = new Map(ways.map(({ index }, i) => [index, i + 1]));
    const network: Network = {
      parent: Int32Array.from([-1, ...ways.map(({ parent }) => (parent < 0 ? 0 : (nodeOf.get(parent) as number)))]),
      ohm: Float64Array.from([0, ...ways.map(({ index }) => (sized[index] as SizedRun).hotOhm)]),
    };
    const drawn = nothingDrawn(ways.length + 1);
    for (const [i, { watts }] of ways.entries()) drawn.powerW[i + 1] = watts;
    const solved = solveNetwork(network, device.outputV, drawn);
    for (const [i, { index }] of ways.entries())
      volts.set(index, solved.collapse === null ? (solved.volts[i + 1] as number) : null);
  }
  return volts;
}
