import type { Device } from '../job/schema.ts';
import type { LoadProfile } from '../loads/profile.ts';
import { chainOf } from '../paths/chain.ts';
import type { Coincidence, Weights } from './coincidence.ts';
import type { Slice } from './slices.ts';
import { isSameW, startExtraW, startOf, startSteps } from './starts.ts';
import { type TimedSet, Weighed } from './weighed.ts';

/** One load as the output of its inverter sees it. */
export interface AcLoad {
  readonly id: string;
  readonly name: string;
  /** W at its strongest, all pieces. */
  readonly runningW: number;
  readonly apparentVa: number;
  /** W at the inverter for each W at the load's own terminals, and VA for each W at the inverter. */
  readonly perLoadW: number;
  readonly vaPerW: number;
  /** W that one piece adds for a moment while it starts, on top of its strongest; and for how many seconds. */
  readonly startExtraW: number;
  /** The same by what all pieces draw at their own terminals then. */
  readonly starts: readonly { readonly atW: number; readonly extraW: number }[];
  readonly startSeconds: number;
  readonly quantity: number;
}

/** The heaviest start: what runs, what starts on top of it, the power reached in W, and the seconds it lasts. */
export interface HeaviestStart extends TimedSet {
  readonly starters: readonly string[];
  readonly seconds: number;
}

export interface WorstMoment {
  readonly acLoads: readonly AcLoad[];
  readonly continuous: TimedSet;
  readonly apparent: TimedSet;
  readonly surge: HeaviestStart;
  /** The heaviest of the starts that last longer than the inverter holds its surge; null when none does. */
  readonly longStart: HeaviestStart | null;
}

/** The loads that hang on one inverter, as its output sees them. */
export function acLoadsOf(profiles: readonly LoadProfile[], devices: readonly Device[], inverterId: string): AcLoad[] {
  return profiles.flatMap(({ load, runningW }) => {
    const chain = chainOf(load, devices);
    return chain.device?.id === inverterId ? [acLoad(load, runningW, chain.efficiency)] : [];
  });
}

/** A load as mains feeds it, through an adapter of that efficiency if it has one. */
export function acLoad(load: LoadProfile['load'], runningW: number, efficiency: number): AcLoad {
  const atMainsW = runningW / efficiency;
  const { seconds } = startOf(load);
  const profile = { load, runningW };
  return {
    id: load.id,
    name: load.name,
    runningW: atMainsW,
    apparentVa: atMainsW / load.powerFactor,
    perLoadW: 1 / efficiency,
    vaPerW: 1 / load.powerFactor,
    startExtraW: startExtraW(profile) / efficiency,
    starts: startSteps(profile).map(({ runningW: pieceW, extraW }) => ({
      atW: pieceW * load.quantity,
      extraW: extraW / efficiency,
    })),
    startSeconds: seconds,
    quantity: load.quantity,
  };
}

/** What some mains loads draw in a slice of the day, W. Those that are off in it are left out. */
export function acWeights(acLoads: readonly AcLoad[], slice: Slice): Weights {
  return new Map(
    acLoads.flatMap(({ id, perLoadW }) => {
      const powerW = slice.powerW.get(id);
      return powerW === undefined ? [] : [[id, powerW * perLoadW] as const];
    }),
  );
}

/**
 * What an inverter must carry: the heaviest set of its loads that may coincide in W and in VA (they may be
 * different sets), and the heaviest start on top of what can run with it. Common practice; exact while the effort of
 * the coincidence lasts.
 * @param holdSeconds s for which the inverter holds its surge
 */
export function worstMoment(
  acLoads: readonly AcLoad[],
  slices: readonly Slice[],
  coincidence: Coincidence,
  twoMayStart: boolean,
  holdSeconds: number,
): WorstMoment {
  const byId = new Map(acLoads.map((load) => [load.id, load]));
  const inW = new Weighed(slices, coincidence, (id) => byId.get(id)?.perLoadW);
  const inVa = new Weighed(slices, coincidence, (id) => {
    const load = byId.get(id);
    return load && load.perLoadW * load.vaPerW;
  });
  const continuous = inW.heaviest();
  const ordered = startsOf(acLoads, coincidence, twoMayStart);
  const still: HeaviestStart = { ...continuous, starters: [], seconds: 0 };
  const surge = heaviestStart(ordered, inW, continuous.weight, still) ?? still;
  const long = ordered.filter(({ seconds }) => seconds > holdSeconds);
  return {
    acLoads,
    continuous,
    apparent: inVa.heaviestBeyond(continuous),
    surge,
    longStart: heaviestStart(long, inW, continuous.weight, null),
  };
}

/** @param heaviestW of any set without a start: no start can add more than its own to that */
function heaviestStart(
  ordered: readonly Starting[],
  inW: Weighed,
  heaviestW: number,
  floor: HeaviestStart | null,
): HeaviestStart | null {
  let best = floor;
  for (const starting of ordered) {
    const { ids: starters, extraW, seconds } = starting;
    if (best && heaviestW + extraW <= best.weight) break;
    const set = inW.heaviest(starters, best ? best.weight - extraW : -1, (powerW) => isIn(starting, powerW));
    if (set.ids.length > 0) best = { ...set, weight: set.weight + extraW, starters, seconds };
  }
  return best;
}

export interface Starting {
  readonly ids: readonly string[];
  readonly extraW: number;
  readonly seconds: number;
  /** W that each of them draws then, all pieces, at its own terminals. */
  readonly atW: readonly number[];
}

/** Whether a start may be where loads draw so many W at their own terminals. */
export const isIn = ({ ids, atW }: Starting, powerW: Pick<Weights, 'get'>): boolean =>
  ids.every((id, i) => isSameW(powerW.get(id) ?? 0, atW[i] as number));

/** Every way one piece (or two, if two may start at once) can start, largest extra first. */
export function startsOf(loads: readonly AcLoad[], coincidence: Coincidence, twoMayStart: boolean): Starting[] {
  const able = loads.flatMap(({ starts, ...load }) => starts.map((start) => ({ ...load, ...start })));
  const singles = able.map(({ id, extraW, startSeconds, atW }) => ({
    ids: [id],
    extraW,
    seconds: startSeconds,
    atW: [atW],
  }));
  const pairs = twoMayStart
    ? able.flatMap((a, i) =>
        able.slice(i).flatMap((b) => {
          const atW = [a.atW, b.atW];
          if (a.id === b.id)
            return a === b && a.quantity > 1
              ? [{ ids: [a.id, a.id], extraW: 2 * a.extraW, seconds: a.startSeconds, atW }]
              : [];
          if (!coincidence.allows([a.id, b.id])) return [];
          const seconds = Math.max(a.startSeconds, b.startSeconds);
          return [{ ids: [a.id, b.id], extraW: a.extraW + b.extraW, seconds, atW }];
        }),
      )
    : [];
  return [...singles, ...pairs].sort((a, b) => b.extraW - a.extraW);
}
