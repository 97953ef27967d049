import type { Device, Job } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { chainOf } from '../paths/chain.ts';
import { type Candidate, excludeEachOther, type HeaviestSet, heaviestSet } from './heaviestSet.ts';

/** One load as the inverter's output sees it. */
export interface AcLoad {
  readonly id: string;
  readonly name: string;
  readonly runningW: number;
  readonly apparentVa: number;
  /** W that one piece adds for a moment while it starts: start − run. */
  readonly startExtraW: number;
  readonly quantity: number;
}

export interface WorstMoment {
  readonly acLoads: readonly AcLoad[];
  readonly continuous: HeaviestSet;
  readonly apparent: HeaviestSet;
  /** The heaviest start: what runs, what starts on top of it, and the power reached, W. */
  readonly surge: { readonly ids: readonly string[]; readonly starters: readonly string[]; readonly weight: number };
}

/** The loads that hang on one inverter, as its output sees them. */
function acLoadsOf(profiles: readonly LoadProfile[], devices: readonly Device[], inverterId: string): AcLoad[] {
  return profiles.flatMap(({ load, runningW }) => {
    const chain = chainOf(load, devices);
    if (chain.device?.id !== inverterId) return [];
    const atInverterW = runningW / chain.efficiency;
    return [
      {
        id: load.id,
        name: load.name,
        runningW: atInverterW,
        apparentVa: atInverterW / load.powerFactor,
        startExtraW: (atInverterW / load.quantity) * (load.startRatio - 1),
        quantity: load.quantity,
      },
    ];
  });
}

/**
 * What the inverter must carry: the heaviest set of AC loads that may coincide in W and in VA (they may be
 * different sets), and the heaviest start on top of what can run with it. Common practice; exact search.
 */
export function worstMoment(
  profiles: readonly LoadProfile[],
  devices: readonly Device[],
  inverterId: string,
  neverTogether: Job['neverTogether'],
  twoMayStart: boolean,
): WorstMoment {
  const acLoads = acLoadsOf(profiles, devices, inverterId);
  const byPower = acLoads.map(({ id, runningW }): Candidate => ({ id, weight: runningW }));
  const byApparent = acLoads.map(({ id, apparentVa }): Candidate => ({ id, weight: apparentVa }));
  const continuous = heaviestSet(byPower, neverTogether);

  let surge: WorstMoment['surge'] = { ids: continuous.ids, starters: [], weight: continuous.weight };
  for (const starters of starts(acLoads, neverTogether, twoMayStart)) {
    // No set is heavier than the continuous one: from here on no start can beat the best.
    if (continuous.weight + starters.extraW <= surge.weight) break;
    const set = heaviestSet(byPower, neverTogether, starters.ids);
    const weight = set.weight + starters.extraW;
    if (weight > surge.weight) surge = { ids: set.ids, starters: starters.ids, weight };
  }
  return { acLoads, continuous, apparent: heaviestSet(byApparent, neverTogether), surge };
}

/** Every way one piece (or two, if two may start at once) can start, largest extra first. */
function starts(
  loads: readonly AcLoad[],
  neverTogether: Job['neverTogether'],
  twoMayStart: boolean,
): { ids: string[]; extraW: number }[] {
  const singles = loads.map((load) => ({ ids: [load.id], extraW: load.startExtraW }));
  const pairs = twoMayStart
    ? loads.flatMap((a, i) =>
        loads.slice(i).flatMap((b) => {
          if (a === b) return a.quantity > 1 ? [{ ids: [a.id, a.id], extraW: 2 * a.startExtraW }] : [];
          if (excludeEachOther(neverTogether, a.id, b.id)) return [];
          return [{ ids: [a.id, b.id], extraW: a.startExtraW + b.startExtraW }];
        }),
      )
    : [];
  return [...singles, ...pairs].sort((a, b) => b.extraW - a.extraW);
}
