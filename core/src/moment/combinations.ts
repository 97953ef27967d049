import type { Together } from '../job/schema.ts';
import type { Coincidence } from './coincidence.ts';
import { bestStartOrder, type Starter } from './startOrder.ts';

/** What may run together within a limit, told so that a client can follow it. */
export interface Combinations {
  /** Small loads, counted as always on: nobody needs to think of them. */
  readonly base: readonly string[];
  readonly baseSize: number;
  /** The smallest sets that may not run at once although nothing else forbids it; one alone is too much by itself. */
  readonly clashes: readonly (readonly string[])[];
  /** The sets to which nothing more may be added, the largest first, each with its size (the base included). */
  readonly together: readonly { readonly ids: readonly string[]; readonly size: number }[];
}

/** Loads of which every combination is looked at; more are counted as always on, the smaller ones first. */
const MOST = 14;
/** Share of the limit below which a load is small. */
const SMALL = 0.04;

/**
 * Every combination of the large loads, within what a supply bears running and in the best start order. Exact for
 * the large loads; the small ones count as always on.
 */
export function combinationsWithin(
  loads: readonly (Starter & { readonly isHelped?: boolean })[],
  limits: {
    readonly running: number;
    /** For what hangs on the supply alone, where an inverter helps the rest. */
    readonly alone: number;
    readonly starting: number;
  },
  coincidence: Coincidence,
  together: Together,
): Combinations {
  const units = asUnits(loads, coincidence);
  const isLarge = ({ size, startExtra }: Unit) => size + startExtra > SMALL * limits.running;
  const large = units
    .filter(isLarge)
    .sort((a, b) => b.size + b.startExtra - (a.size + a.startExtra))
    .slice(0, MOST)
    .sort((a, b) => b.startExtra - a.startExtra);
  const rest = units.filter((unit) => !large.includes(unit));
  const baseSize = rest.reduce((sum, { size }) => sum + size, 0);
  const baseAlone = rest.reduce((sum, { aloneSize }) => sum + aloneSize, 0);
  const base: Starter = { id: 'base', size: baseSize, startExtra: Math.max(0, ...rest.map((unit) => unit.startExtra)) };
  const masks = 2 ** large.length;
  const allowed = allowedMasks(large, together);
  const fits = new Uint8Array(masks);
  for (let mask = 0; mask < masks; mask++) {
    const on = large.filter((_, i) => mask & (1 << i));
    const sum = on.reduce((total, { size }) => total + size, baseSize);
    const alone = on.reduce((total, { aloneSize }) => total + aloneSize, baseAlone);
    if (sum > limits.running * (1 + 1e-9) || alone > limits.alone * (1 + 1e-9)) continue;
    const { peak } = bestStartOrder([base, ...on]);
    if (peak <= limits.starting * (1 + 1e-9)) fits[mask] = 1;
  }
  // Should the small ones alone be too much, that is all there is to say.
  if (!fits[0]) return { base: [], baseSize: 0, clashes: [rest.flatMap(({ ids }) => ids)], together: [] };
  const clashes: string[][] = [];
  const sets: { ids: string[]; size: number }[] = [];
  const idsOf = (mask: number) => large.flatMap(({ ids }, i) => (mask & (1 << i) ? ids : []));
  const without = (mask: number) => large.flatMap((_, i) => (mask & (1 << i) ? [mask & ~(1 << i)] : []));
  const beyond = (mask: number) => large.flatMap((_, i) => (mask & (1 << i) ? [] : [mask | (1 << i)]));
  for (let mask = 1; mask < masks; mask++) {
    if (!allowed[mask]) continue;
    if (fits[mask]) {
      if (beyond(mask).every((more) => !allowed[more] || !fits[more])) {
        const size = large.reduce((sum, unit, i) => sum + (mask & (1 << i) ? unit.size : 0), baseSize);
        sets.push({ ids: idsOf(mask), size });
      }
    } else if (without(mask).every((less) => fits[less])) clashes.push(idsOf(mask));
  }
  return {
    base: rest.flatMap(({ ids }) => ids),
    baseSize,
    clashes: clashes.sort((a, b) => a.length - b.length),
    together: sets.sort((a, b) => b.size - a.size),
  };
}

/** Loads that run only together, as one. */
interface Unit extends Starter {
  readonly ids: readonly string[];
  /** Of its size, what nobody helps. */
  readonly aloneSize: number;
}

function asUnits(loads: readonly (Starter & { readonly isHelped?: boolean })[], coincidence: Coincidence): Unit[] {
  const byId = new Map(loads.map((load) => [load.id, load]));
  const units = new Map<string, Unit>();
  for (const load of loads) {
    const ids = coincidence.runsWith(load.id).filter((id) => byId.has(id));
    const key = ids[0] ?? load.id;
    const own = ids.flatMap((id) => byId.get(id) ?? []);
    units.set(key, {
      id: key,
      ids,
      size: own.reduce((sum, { size }) => sum + size, 0),
      aloneSize: own.reduce((sum, { size, isHelped }) => sum + (isHelped ? 0 : size), 0),
      startExtra: Math.max(0, ...own.map(({ startExtra }) => startExtra)),
    });
  }
  return [...units.values()];
}

/** Which masks the job's own rules let run at once. */
function allowedMasks(large: readonly Unit[], { atMost }: Together): Uint8Array {
  const groups = atMost.map(({ loads, most }) => ({
    most,
    counts: large.map(({ ids }) => ids.filter((id) => loads.includes(id)).length),
  }));
  const allowed = new Uint8Array(2 ** large.length);
  for (let mask = 0; mask < allowed.length; mask++) {
    allowed[mask] = groups.every(
      ({ most, counts }) => counts.reduce((sum, count, i) => sum + (mask & (1 << i) ? count : 0), 0) <= most,
    )
      ? 1
      : 0;
  }
  return allowed;
}
