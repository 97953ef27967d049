import { restVoltageV, socAtRest } from '../battery/rest.ts';
import { DEFAULT } from '../reference/defaults.ts';
import { type BusNet, type Copper, solveBus } from './busNet.ts';
import type { Cabled } from './fitted.ts';
import type { Drawn } from './network.ts';

/** Where an appliance stops for want of volts while the store still holds charge. */
export interface DropOut {
  /** State of charge, 0…1, at which the volts at its terminals fall to its cut-off; 0 = it runs to the last. */
  readonly soc: number;
  /** The same for a resting voltage that lies a little off the table either way: on a flat curve that is a lot. */
  readonly lowSoc: number;
  readonly highSoc: number;
  /** V at rest of the store at that moment. */
  readonly restV: number;
  /** What is then left in it and out of reach, Ah and Wh. */
  readonly strandedAh: number;
  readonly strandedWh: number;
}

/** Steps in which the resting voltage that leaves just the cut-off is found. */
const STEPS = 40;
const CLOSE_V = 1e-5;

/**
 * The state of charge at which a node falls to a voltage: the resting voltage that leaves just that there is sought,
 * then looked up in the table of the chemistry. Where the network does not hold at that voltage at all, the lowest at
 * which it does counts.
 */
export function dropOutAt(
  net: BusNet,
  copper: Copper,
  drawn: Drawn,
  node: number,
  cutOffV: number,
  { option, bank }: Cabled,
): DropOut {
  const { store, busVoltageV } = option.system;
  const { chemistry } = store;
  const fullV = restVoltageV(chemistry, busVoltageV, 1);
  const emptyV = restVoltageV(chemistry, busVoltageV, 0);
  const leaves = (restV: number): number | null => {
    const { volts, collapse } = solveBus(net, copper, restV, drawn);
    return collapse === null ? (volts[node] as number) : null;
  };
  const restV = restFor(leaves, cutOffV, emptyV, fullV);
  const at = (volts: number) => socAtRest(chemistry, busVoltageV, volts);
  const doubt = (DEFAULT.restDoubt12V.value * busVoltageV) / 12;
  const soc = at(restV);
  return {
    soc,
    lowSoc: at(restV - doubt),
    highSoc: at(restV + doubt),
    restV,
    strandedAh: soc * bank.ah,
    strandedWh: soc * bank.ah * bank.nominalV,
  };
}

/** V at rest between empty and full that leave the wanted volts; an end where even that leaves more, or less. */
function restFor(leaves: (restV: number) => number | null, wantedV: number, emptyV: number, fullV: number): number {
  let [low, high] = [emptyV, fullV];
  let [isLowKnown, isHighKnown] = [false, false];
  // The drop hardly changes with the volts, so a step by the miss lands close, and the line through two closer still;
  // halving keeps it safe. An end is asked only when a step leads there.
  let before: readonly [restV: number, leftV: number] | null = null;
  let restV = Math.min(fullV, Math.max(emptyV, wantedV));
  for (let step = 0; step < STEPS && high - low > CLOSE_V; step++) {
    const v = leaves(restV);
    if (v !== null && Math.abs(v - wantedV) < CLOSE_V) return restV;
    if (v === null || v < wantedV) [low, isLowKnown] = [restV, true];
    else [high, isHighKnown] = [restV, true];
    const perV: number = v !== null && before && before[0] !== restV ? (v - before[1]) / (restV - before[0]) : 1;
    const next = v === null ? Number.NaN : restV + (wantedV - v) / (perV > 0 ? perV : 1);
    if (v !== null) before = [restV, v];
    if (next >= fullV && !isHighKnown) restV = fullV;
    else if (next <= emptyV && !isLowKnown) restV = emptyV;
    else restV = next > low && next < high ? next : (low + high) / 2;
  }
  return high;
}
