import type { Job, Part } from '@joulemetric/core';
import type { Remote } from 'comlink';
import { useCallback } from 'react';
import type { ComputeWorker } from '../workers/compute.worker.ts';
import { type Computed, FIRST_EFFORT, useComputed } from './compute.ts';
import type { SaidBoxChoice } from './view.ts';

/** The job with separate units beside one box that holds them. @param job null = nobody looks */
export function useBoxChoice(job: Job | null, optionId: string, parts: readonly Part[]): Computed<SaidBoxChoice> {
  const ask = useCallback(
    (remote: Remote<ComputeWorker>) => remote.boxes(job as Job, optionId, parts, FIRST_EFFORT),
    [job, optionId, parts],
  );
  return useComputed('boxes', job && ask, { rests: true });
}
