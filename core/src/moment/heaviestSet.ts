/** Something that may run at the same time as others, with the weight (W, VA or A) it then adds. */
export interface Candidate {
  readonly id: string;
  readonly weight: number;
}

export interface HeaviestSet {
  readonly ids: readonly string[];
  readonly weight: number;
}

/**
 * The heaviest set of candidates that may coincide, exactly: maximum-weight independent set by branch and
 * bound. Candidates are taken heaviest first; the bound covers what is left with the never-together groups,
 * of each of which at most one member can run.
 * @param neverTogether groups of ids of which at most one runs; unknown ids are ignored
 * @param running ids that must be in the set; they must not exclude each other
 */
export function heaviestSet(
  candidates: readonly Candidate[],
  neverTogether: readonly (readonly string[])[],
  running: readonly string[] = [],
): HeaviestSet {
  for (const { id, weight } of candidates) {
    if (!Number.isFinite(weight) || weight < 0)
      throw new RangeError(`weight of ${id} must be 0 or more, not ${weight}`);
  }
  const excluded = exclusions(neverTogether);
  const forced = new Set(running);
  const chosen: Candidate[] = [];
  const open: Candidate[] = [];
  for (const candidate of candidates) {
    // What excludes nothing always runs, its weight being 0 or more: only the rest is searched.
    if (forced.has(candidate.id) || !excluded.has(candidate.id)) chosen.push(candidate);
    else if (!running.some((other) => excluded.get(other)?.has(candidate.id))) open.push(candidate);
  }
  const searched = search(
    open.sort((a, b) => b.weight - a.weight),
    excluded,
    firstGroups(neverTogether),
  );
  const set = [...chosen, ...searched];
  return { ids: set.map(({ id }) => id), weight: set.reduce((sum, { weight }) => sum + weight, 0) };
}

/** Branch and bound over candidates in descending weight. */
function search(
  candidates: readonly Candidate[],
  excluded: ReadonlyMap<string, ReadonlySet<string>>,
  cliqueOf: ReadonlyMap<string, number>,
): readonly Candidate[] {
  let best: readonly Candidate[] = [];
  let bestWeight = -1;
  const descend = (open: readonly Candidate[], chosen: readonly Candidate[], weight: number): void => {
    const [head, ...rest] = open;
    if (!head) {
      if (weight > bestWeight) [best, bestWeight] = [chosen, weight];
      return;
    }
    if (weight + bound(open, cliqueOf) <= bestWeight) return;
    const conflicts = excluded.get(head.id);
    const compatible = rest.filter((other) => !conflicts?.has(other.id));
    descend(compatible, [...chosen, head], weight + head.weight);
    // Leaving the head out can only pay when it keeps something else out.
    if (compatible.length < rest.length) descend(rest, chosen, weight);
  };
  descend(candidates, [], 0);
  return best;
}

function exclusions(groups: readonly (readonly string[])[]): Map<string, Set<string>> {
  const excluded = new Map<string, Set<string>>();
  for (const group of groups) {
    for (const a of group) {
      const others = excluded.get(a) ?? new Set<string>();
      for (const b of group) if (b !== a) others.add(b);
      excluded.set(a, others);
    }
  }
  return excluded;
}

function firstGroups(groups: readonly (readonly string[])[]): Map<string, number> {
  const first = new Map<string, number>();
  groups.forEach((group, g) => {
    for (const id of group) if (!first.has(id)) first.set(id, g);
  });
  return first;
}

/** Sum over the open candidates, counting only the heaviest of each group; they come heaviest first. */
function bound(open: readonly Candidate[], cliqueOf: ReadonlyMap<string, number>): number {
  const counted = new Set<number>();
  let sum = 0;
  for (const { id, weight } of open) {
    const clique = cliqueOf.get(id);
    if (clique !== undefined) {
      if (counted.has(clique)) continue;
      counted.add(clique);
    }
    sum += weight;
  }
  return sum;
}

/** Whether two ids stand in one never-together group. */
export function excludeEachOther(neverTogether: readonly (readonly string[])[], a: string, b: string): boolean {
  return neverTogether.some((group) => group.includes(a) && group.includes(b));
}
