import type { BestSets, Job, Move, Ranking, Sequence } from '@joulemetric/core';
import { proxy, wrap } from 'comlink';
import { startTransition, useEffect, useState } from 'react';
import type { MovesWorker } from '../workers/moves.worker.ts';

/** One worker for the whole visit, started when first needed. */
let worker: ReturnType<typeof wrap<MovesWorker>> | null = null;

function movesWorker() {
  worker ??= wrap<MovesWorker>(new Worker(new URL('../workers/moves.worker.ts', import.meta.url), { type: 'module' }));
  return worker;
}

/** A ranking, how long it took, and how many moves were ticked when it was asked for. */
type TimedRanking = Ranking & { readonly tookMs: number; readonly ticked: number };

/** What could be done, ranked off the page; the last ranking stands until the next is there. */
export function useRanking(
  job: Job,
  optionId: string,
  ticked: readonly Move[],
): { readonly ranking: TimedRanking | null; readonly problem: string | null } {
  const [state, setState] = useState<{ ranking: TimedRanking | null; problem: string | null }>({
    ranking: null,
    problem: null,
  });
  useEffect(() => {
    let wanted = true;
    const ids = ticked.map(({ id }) => id);
    void movesWorker()
      .rank(job, optionId, ids)
      .then(
        (ranking) =>
          startTransition(() => {
            if (wanted) setState({ ranking: { ...ranking, ticked: ids.length }, problem: null });
          }),
        (error: Error) => wanted && setState((now) => ({ ...now, problem: error.message })),
      );
    return () => {
      wanted = false;
    };
  }, [job, optionId, ticked]);
  return state;
}

export interface BestOrder {
  readonly sequence: Sequence | null;
  readonly sets: BestSets | null;
  /** Share of the combinations reckoned, 0…1. */
  readonly progress: number;
}

/** The best order, and every combination to prove it, reckoned once the job has stayed the same for a while. */
export function useBestOrder(job: Job, optionId: string): BestOrder {
  const [order, setOrder] = useState<BestOrder>({ sequence: null, sets: null, progress: 0 });
  useEffect(() => {
    let wanted = true;
    setOrder({ sequence: null, sets: null, progress: 0 });
    const run = async () => {
      const sequence = await movesWorker().sequence(job, optionId);
      if (!wanted) return;
      setOrder({ sequence, sets: null, progress: 0 });
      const onProgress = proxy((progress: number) => {
        if (wanted) setOrder((now) => ({ ...now, progress }));
      });
      const sets = await movesWorker().sets(job, optionId, onProgress);
      if (wanted && sets) setOrder({ sequence, sets, progress: 1 });
    };
    void run();
    return () => {
      wanted = false;
    };
  }, [job, optionId]);
  return order;
}
