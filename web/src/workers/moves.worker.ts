import {
  type BestSets,
  bestSequence,
  bestSetsInSteps,
  type Job,
  type Ranking,
  rankMoves,
  type Sequence,
} from '@joulemetric/core';
import { expose } from 'comlink';

/** The latest question about sets; an older one stops as soon as it sees a newer. */
let asked = 0;

const movesWorker = {
  rank(job: Job, optionId: string, tickedIds: readonly string[]): Ranking {
    return rankMoves(job, optionId, tickedIds);
  },
  sequence(job: Job, optionId: string): Sequence {
    return bestSequence(job, optionId);
  },
  /** Every subset of the best moves; null when something newer was asked meanwhile. */
  async sets(job: Job, optionId: string, onProgress: (share: number) => void): Promise<BestSets | null> {
    asked += 1;
    const mine = asked;
    const steps = bestSetsInSteps(job, optionId);
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
