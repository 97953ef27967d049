import type { Job, MomentDetail } from '@joulemetric/core';
import { wrap } from 'comlink';
import { startTransition, useEffect, useState } from 'react';
import type { MomentWorker } from '../workers/moment.worker.ts';

/** One worker for the whole visit, started when first needed. */
let worker: ReturnType<typeof wrap<MomentWorker>> | null = null;

function momentWorker() {
  worker ??= wrap<MomentWorker>(
    new Worker(new URL('../workers/moment.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

interface Reckoned {
  readonly detail: (MomentDetail & { readonly tookMs: number }) | null;
  readonly problem: string | null;
}

/** What the worst moment says beyond its figures, computed off the page; the last stands until the next is there. */
export function useMomentDetail(job: Job, optionId: string): Reckoned {
  const [state, setState] = useState<Reckoned>({ detail: null, problem: null });
  useEffect(() => {
    let wanted = true;
    void momentWorker()
      .detail(job, optionId)
      .then(
        (detail) =>
          startTransition(() => {
            if (wanted) setState({ detail, problem: null });
          }),
        (error: Error) => wanted && setState((now) => ({ ...now, problem: error.message })),
      );
    return () => {
      wanted = false;
    };
  }, [job, optionId]);
  return state;
}
