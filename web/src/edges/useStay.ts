import type { Job, StaySimulation } from '@joulemetric/core';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { StayWorker } from '../workers/stay.worker.ts';

/** One worker for the whole visit, started when first needed. */
let worker: ReturnType<typeof wrap<StayWorker>> | null = null;

function stayWorker() {
  worker ??= wrap<StayWorker>(new Worker(new URL('../workers/stay.worker.ts', import.meta.url), { type: 'module' }));
  return worker;
}

export type Stay = { readonly simulation: StaySimulation | null; readonly problem: string | null };

/** The simulated stay of an option, computed off the page; the last result stands until the next is there. */
export function useStay(job: Job, optionId: string): Stay {
  const [stay, setStay] = useState<Stay>({ simulation: null, problem: null });
  useEffect(() => {
    let wanted = true;
    stayWorker()
      .simulate(job, optionId)
      .then(
        (simulation) => wanted && setStay({ simulation, problem: null }),
        (error: Error) => wanted && setStay({ simulation: null, problem: error.message }),
      );
    return () => {
      wanted = false;
    };
  }, [job, optionId]);
  return stay;
}
