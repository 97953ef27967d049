import { type Drawn, type Network, nothingDrawn, type Solved, solveNetwork } from './network.ts';
import type { SizedRun } from './sized.ts';

export type Copper = 'cold' | 'hot';

/** The runs at the volts of the bus as a network: node 0 the terminals of the store, then the far end of each. */
export interface BusNet {
  readonly network: Readonly<Record<Copper, Network>>;
  /** The node at the far end of each run, by its index; −1 = it is not at the volts of the bus. */
  readonly nodeOf: readonly number[];
  /** The run whose far end a node is; null for the terminals. */
  readonly runAt: readonly (SizedRun | null)[];
}

/** @param insideOhm Ω of the bank itself */
export function busNet(sized: readonly SizedRun[], insideOhm: number): BusNet {
  const nodeOf: number[] = [];
  const runAt: (SizedRun | null)[] = [null];
  const parent = [-1];
  const ohm: Record<Copper, number[]> = { cold: [insideOhm], hot: [insideOhm] };
  for (const run of sized) {
    if (run.zone.kind !== 'bus') {
      nodeOf.push(-1);
      continue;
    }
    nodeOf.push(runAt.push(run) - 1);
    parent.push(run.parent < 0 ? 0 : (nodeOf[run.parent] as number));
    ohm.cold.push(run.coldOhm);
    ohm.hot.push(run.hotOhm);
  }
  const parents = Int32Array.from(parent);
  const made = (copper: Copper): Network => ({ parent: parents, ohm: Float64Array.from(ohm[copper]) });
  return { network: { cold: made('cold'), hot: made('hot') }, nodeOf, runAt };
}

/** The same with other Ω on one run. */
export function withOhm(net: BusNet, index: number, coldOhm: number, hotOhm: number): BusNet {
  const node = net.nodeOf[index] as number;
  const changed = (network: Network, ohm: number): Network => ({ ...network, ohm: network.ohm.with(node, ohm) });
  return {
    ...net,
    network: { cold: changed(net.network.cold, coldOhm), hot: changed(net.network.hot, hotOhm) },
  };
}

export const solveBus = (net: BusNet, copper: Copper, restV: number, drawn: Drawn): Solved =>
  solveNetwork(net.network[copper], restV, drawn);

export const drawnOn = (net: BusNet): Drawn => nothingDrawn(net.runAt.length);
