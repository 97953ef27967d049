import {
  type BestSets,
  bestSequence,
  bestSetsInSteps,
  type Job,
  type Prepared,
  prepareMoves,
  type Ranking,
  rankMoves,
  type Sequence,
} from '@joulemetric/core';
import { expose } from 'comlink';

/** The latest question about sets; an older one stops as soon as it sees a newer. */
let asked = 0;

/** The job last asked about, with what has been reckoned of it: a tick more asks for little. */
let known: { key: string; prepared: Prepared } | null = null;

function prepared(job: Job, optionId: string): Prepared {
  const key = `${optionId}\n${JSON.stringify(job)}`;
  if (known?.key !== key) known = { key, prepared: prepareMoves(job, optionId) };
  return known.prepared;
}

const movesWorker = {
  /** With the ms it took, for the benchmark. */
  rank(job: Job, optionId: string, tickedIds: readonly string[]): Ranking & { readonly tookMs: number } {
    const started = performance.now();
    const ranking = rankMoves(prepared(job, optionId), tickedIds);
    return { ...ranking, tookMs: performance.now() - started };
  },
  sequence(job: Job, optionId: string): Sequence {
    return bestSequence(prepared(job, optionId));
  },
  /** Every subset of the best moves; null when something newer was asked meanwhile. */
  async sets(job: Job, optionId: string, onProgress: (share: number) => void): Promise<BestSets | null> {
    asked += 1;
    const mine = asked;
    const steps = bestSetsInSteps(prepared(job, optionId));
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      onProgress(value);
      // Other questions get their turn between two steps.
      await new Promise((resolve) => setTimeout(resolve));
      if (mine !== asked) return null;
    }
  },
};

export type MovesWorker = typeof movesWorker;

expose(movesWorker);
