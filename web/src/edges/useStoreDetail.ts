import type { Job, StoreDetail } from '@joulemetric/core';
import { useCallback } from 'react';
import { type Computed, FIRST_EFFORT, useComputed } from './compute.ts';

/** What the store says beyond its figures. */
export function useStoreDetail(job: Job, optionId: string): Computed<StoreDetail> {
  return useComputed(
    'store',
    useCallback((remote) => remote.storeDetail(job, optionId, FIRST_EFFORT), [job, optionId]),
  );
}
