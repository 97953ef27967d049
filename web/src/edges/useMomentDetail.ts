import type { Job, MomentDetail } from '@joulemetric/core';
import { useCallback } from 'react';
import { type Computed, DETAIL_EFFORT, useComputed } from './compute.ts';

/** What the worst moment says beyond its figures. */
export function useMomentDetail(job: Job, optionId: string): Computed<MomentDetail & { readonly tookMs: number }> {
  return useComputed(
    'moment',
    useCallback((remote) => remote.detail(job, optionId, DETAIL_EFFORT), [job, optionId]),
    { rests: true },
  );
}
