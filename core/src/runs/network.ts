/**
 * A direct-current network that is a tree: node 0 hangs on the source, every other on a node before it. Plus and
 * return are one resistance, so volts are between the two terminals.
 */
export interface Network {
  /** The node each hangs on, of a lower number; −1 for node 0, which hangs on the source. */
  readonly parent: Int32Array;
  /** Ω between a node and the one it hangs on, both conductors; of node 0 what is inside the source. */
  readonly ohm: Float64Array;
}

/** What each node draws; below 0 it gives. */
export interface Drawn {
  /** W whatever the volts. */
  readonly powerW: Float64Array;
  /** A whatever the volts. */
  readonly currentA: Float64Array;
  /** 1/Ω: what heats and glows draws less at lower volts. */
  readonly siemens: Float64Array;
}

export interface Solved {
  /** V at each node; where nothing holds, of the last step before it fell. */
  readonly volts: Float64Array;
  /**
   * Null when the network holds. Otherwise no voltages exist at which all get what they ask for: the node whose own way
   * is to blame.
   */
  readonly collapse: number | null;
}

export const nothingDrawn = (nodes: number): Drawn => ({
  powerW: new Float64Array(nodes),
  currentA: new Float64Array(nodes),
  siemens: new Float64Array(nodes),
});

/** Ω below which a way is taken as having this much, so that a bolt on a busbar is no division by 0. */
const LEAST_OHM = 1e-7;
const MOST_STEPS = 100;
/** V between two steps at which it has settled: what is still missing goes with the square of the step, some 1e-8 V. */
const SETTLED_V = 1e-4;

/** What a network is solved in, made once for the largest: nothing of it outlasts the call. */
let room = { slope: new Float64Array(0), residual: new Float64Array(0), siemensTo: new Float64Array(0) };

function roomFor(nodes: number) {
  if (room.slope.length < nodes)
    room = {
      slope: new Float64Array(nodes),
      residual: new Float64Array(nodes),
      siemensTo: new Float64Array(nodes),
    };
  return room;
}

/**
 * V at every node (Newton, each step solved along the tree from the leaves to the source in as many operations as
 * there are nodes). Started at the source's own volts it comes down to the upper of the two solutions that constant
 * power has, never past it: what a node draws is convex in its volts. Where the slope turns over on the way there is
 * no solution.
 * @param sourceV V of the source at rest, above 0
 */
export function solveNetwork(network: Network, sourceV: number, drawn: Drawn): Solved {
  const { parent, ohm } = network;
  const nodes = parent.length;
  const volts = new Float64Array(nodes).fill(sourceV);
  const { slope, residual, siemensTo } = roomFor(nodes);
  for (let k = 0; k < nodes; k++) siemensTo[k] = 1 / Math.max(ohm[k] as number, LEAST_OHM);
  for (let step = 0; step < MOST_STEPS; step++) {
    for (let k = 0; k < nodes; k++) {
      const v = volts[k] as number;
      const watts = drawn.powerW[k] as number;
      const own = drawn.siemens[k] as number;
      slope[k] = own - watts / (v * v);
      residual[k] = watts / v + (drawn.currentA[k] as number) + own * v;
    }
    for (let k = 0; k < nodes; k++) {
      const g = siemensTo[k] as number;
      const p = parent[k] as number;
      const flow = g * ((volts[k] as number) - (p < 0 ? sourceV : (volts[p] as number)));
      slope[k] = (slope[k] as number) + g;
      residual[k] = (residual[k] as number) + flow;
      if (p < 0) continue;
      slope[p] = (slope[p] as number) + g;
      residual[p] = (residual[p] as number) - flow;
    }
    for (let k = nodes - 1; k >= 0; k--) {
      if (!((slope[k] as number) > 0)) return { volts, collapse: blamed(k, network, sourceV, drawn) };
      const p = parent[k] as number;
      if (p < 0) continue;
      const g = siemensTo[k] as number;
      const share = g / (slope[k] as number);
      slope[p] = (slope[p] as number) - g * share;
      residual[p] = (residual[p] as number) + share * (residual[k] as number);
    }
    let moved = 0;
    const change = residual;
    for (let k = 0; k < nodes; k++) {
      const p = parent[k] as number;
      const above = p < 0 ? 0 : (change[p] as number);
      const dv = (-(residual[k] as number) + (siemensTo[k] as number) * above) / (slope[k] as number);
      // From here on the entry is what this node's volts change by, which those behind it need.
      change[k] = dv;
      moved = Math.max(moved, Math.abs(dv));
    }
    for (let k = 0; k < nodes; k++) {
      const next = (volts[k] as number) + (change[k] as number);
      if (!(next > 0)) return { volts, collapse: blamed(k, network, sourceV, drawn) };
      volts[k] = next;
    }
    if (moved < SETTLED_V) return { volts, collapse: null };
  }
  return { volts, collapse: blamed(volts.indexOf(Math.min(...volts)), network, sourceV, drawn) };
}

/**
 * Where a network falls at a node, the run to blame: of those on its way from the source and those behind it the one
 * that would lose most if all got their current at half of the source's volts, where constant power falls at the latest.
 */
function blamed(node: number, { parent, ohm }: Network, sourceV: number, drawn: Drawn): number {
  const v = sourceV / 2;
  const amps = new Float64Array(parent.length);
  const isNear = new Uint8Array(parent.length);
  for (let k = node; k >= 0; k = parent[k] as number) isNear[k] = 1;
  for (let k = 0; k < parent.length; k++) {
    const p = parent[k] as number;
    if (k > node && p >= node && isNear[p] === 1) isNear[k] = 1;
  }
  let [worst, most] = [node, Number.NEGATIVE_INFINITY];
  for (let k = parent.length - 1; k >= 0; k--) {
    const own = (drawn.powerW[k] as number) / v + (drawn.currentA[k] as number) + (drawn.siemens[k] as number) * v;
    const through = (amps[k] as number) + own;
    const p = parent[k] as number;
    if (p >= 0) amps[p] = (amps[p] as number) + through;
    const lost = through * (ohm[k] as number);
    if (isNear[k] === 1 && lost > most) [worst, most] = [k, lost];
  }
  return worst;
}

/** A that flow into a node from the one it hangs on. */
export function currentInto({ parent, ohm }: Network, sourceV: number, volts: Float64Array, node: number): number {
  const p = parent[node] as number;
  const above = p < 0 ? sourceV : (volts[p] as number);
  return (above - (volts[node] as number)) / Math.max(ohm[node] as number, LEAST_OHM);
}
