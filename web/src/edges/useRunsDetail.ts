import type { Job } from '@joulemetric/core';
import { useCallback } from 'react';
import type { RunsAnswer } from '../workers/compute.worker.ts';
import { type Computed, FIRST_EFFORT, useComputed } from './compute.ts';

/** What the Runs step shows: cables, volts, fuses, and what is joined with what. */
export function useRunsDetail(job: Job, optionId: string): Computed<RunsAnswer> {
  return useComputed(
    'runs',
    useCallback((remote) => remote.runs(job, optionId, FIRST_EFFORT), [job, optionId]),
  );
}
