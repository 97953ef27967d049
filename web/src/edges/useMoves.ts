import type { BestSets, Job, Move, Ranking, Sequence } from '@joulemetric/core';
import { useCallback, useEffect } from 'react';
import { type Computed, details, useComputed } from './compute.ts';

/** A ranking, how long it took, and how many moves were ticked when it was asked for. */
type TimedRanking = Ranking & { readonly tookMs: number; readonly ticked: number };

/** What could be done, ranked. */
export function useRanking(job: Job, optionId: string, ticked: readonly Move[]): Computed<TimedRanking> {
  return useComputed(
    'ranking',
    useCallback(
      async (remote) => {
        const ids = ticked.map(({ id }) => id);
        return { ...(await remote.rank(job, optionId, ids)), ticked: ids.length };
      },
      [job, optionId, ticked],
    ),
  );
}

export interface BestOrder {
  readonly sequence: Sequence | null;
  readonly sets: BestSets | null;
  /** Share of the combinations reckoned, 0…1. */
  readonly progress: number;
}

/** The best order, and then every combination to prove it. */
export function useBestOrder(job: Job, optionId: string): BestOrder {
  const order = useComputed(
    'order',
    useCallback((remote) => remote.sequence(job, optionId), [job, optionId]),
    { afresh: true },
  );
  const isOrdered = order.value !== null;
  const askSets = useCallback<Parameters<typeof useComputed<BestSets | null>>[1] & {}>(
    (remote, onProgress) => remote.sets(job, optionId, onProgress),
    [job, optionId],
  );
  const sets = useComputed('sets', isOrdered ? askSets : null, { afresh: true });
  // biome-ignore lint/correctness/useExhaustiveDependencies: another job, or none: the old sets stop.
  useEffect(() => () => details.tell((remote) => remote.dropSets()), [job, optionId]);
  return { sequence: order.value, sets: sets.value, progress: sets.progress };
}
