import type { CopperAt, Job, ThickerLine } from '@joulemetric/core';
import type { Remote } from 'comlink';
import { useCallback } from 'react';
import type { ComputeWorker, RunsAnswer } from '../workers/compute.worker.ts';
import { type Computed, FIRST_EFFORT, figures, useComputed } from './compute.ts';
import { Holder } from './sent.ts';

/** Asked with the figures of the same job: what they were reckoned from is there. */
const AT_ONCE = { worker: figures };

const answers = new Holder<RunsAnswer>();

/** What the Runs step shows: cables, volts, fuses, and what is joined with what. @param job null = nothing is asked */
export function useRunsDetail(job: Job | null, optionId: string): Computed<RunsAnswer> {
  const ask = useCallback(
    async (remote: Remote<ComputeWorker>) =>
      answers.take(await remote.runs(job as Job, optionId, FIRST_EFFORT, answers.held)),
    [job, optionId],
  );
  return useComputed('runs', job && ask, AT_ONCE);
}

/** The copper of the job at 12 and at 24 V: asked apart, since two other systems are sized for it. */
export function useCopper(job: Job, optionId: string): Computed<CopperAt[]> {
  return useComputed(
    'copper',
    useCallback((remote) => remote.copper(job, optionId, FIRST_EFFORT), [job, optionId]),
    { rests: true },
  );
}

/** What thicker cables would win. @param job null = nobody looks */
export function useThicker(job: Job | null, optionId: string): Computed<Readonly<Record<string, ThickerLine | null>>> {
  const ask = useCallback(
    (remote: Remote<ComputeWorker>) => remote.thicker(job as Job, optionId, FIRST_EFFORT),
    [job, optionId],
  );
  return useComputed('thicker', job && ask, { rests: true });
}
