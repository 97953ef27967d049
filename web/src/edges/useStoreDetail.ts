import type { Job, Part, StoreDetail } from '@joulemetric/core';
import { useCallback } from 'react';
import { type Computed, FIRST_EFFORT, useComputed } from './compute.ts';
import { Holder } from './sent.ts';

const answers = new Holder<StoreDetail>();

/** What the store says beyond its figures. */
export function useStoreDetail(job: Job, optionId: string, parts: readonly Part[]): Computed<StoreDetail> {
  return useComputed(
    'store',
    useCallback(
      async (remote) => answers.take(await remote.storeDetail(job, optionId, parts, FIRST_EFFORT, answers.held)),
      [job, optionId, parts],
    ),
  );
}
