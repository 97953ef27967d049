import type { CopperAt, Job } from '@joulemetric/core';
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

/** The copper of the job at 12 and at 24 V: asked apart, since two other systems are sized for it. */
export function useCopper(job: Job, optionId: string): Computed<CopperAt[]> {
  return useComputed(
    'copper',
    useCallback((remote) => remote.copper(job, optionId, FIRST_EFFORT), [job, optionId]),
  );
}
