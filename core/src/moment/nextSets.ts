import type { Coincidence, LoadSet, Weights } from './coincidence.ts';

interface Branch extends LoadSet {
  readonly running: readonly string[];
}

/**
 * The heaviest sets in order, each one to which nothing more may be added. Exact: every set but those already found
 * has a load that they lack, so each found set is branched on the loads outside it, always the heaviest branch first.
 * A branch no heavier than what already fills the list is dropped. Should the effort run out, the list ends with the
 * set that could not be proved.
 * @param count how many sets are wanted at most
 */
export function heaviestFirst(coincidence: Coincidence, weights: Weights, count: number): LoadSet[] {
  const known = new Map<string, LoadSet>();
  const seen = new Set<string>();
  let best: LoadSet[] = [];
  let open: Branch[] = [];
  let isCut = false;
  const branch = (running: readonly string[]): void => {
    const key = keyOf(running);
    if (seen.has(key)) return;
    seen.add(key);
    const set = coincidence.heaviest(weights, running, best.length < count ? -1 : best[count - 1]?.weight);
    if (!set) return;
    isCut ||= !set.isProved;
    open.push({ ...set, running });
    const setKey = keyOf(set.ids);
    if (known.has(setKey)) return;
    known.set(setKey, set);
    best = [...known.values()].sort((a, b) => b.weight - a.weight).slice(0, count);
  };
  branch([]);
  for (let next = open.shift(); next; next = open.shift()) {
    for (const [id, more] of weights) {
      if (isCut) return best;
      if (more > 0 && !next.ids.includes(id)) branch([...next.running, id]);
    }
    const least = best.length < count ? -1 : (best[count - 1]?.weight ?? -1);
    open = open.filter(({ weight }) => weight > least).sort((a, b) => b.weight - a.weight);
  }
  return best;
}

const keyOf = (ids: readonly string[]): string => [...ids].sort().join('\n');
