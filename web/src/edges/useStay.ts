import type { Job, StaySimulation } from '@joulemetric/core';
import { useCallback } from 'react';
import { type Computed, DETAIL_EFFORT, useComputed } from './compute.ts';

/** The simulated stay of an option. */
export function useStay(job: Job, optionId: string): Computed<StaySimulation> {
  return useComputed(
    'stay',
    useCallback((remote) => remote.simulate(job, optionId, DETAIL_EFFORT), [job, optionId]),
  );
}
