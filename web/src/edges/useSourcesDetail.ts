import type { DayBalance, Job, KindOfDay, SourcesDetail } from '@joulemetric/core';
import { useCallback } from 'react';
import { type Computed, FIRST_EFFORT, useComputed } from './compute.ts';
import { Holder } from './sent.ts';

const answers = new Holder<SourcesDetail>();

/** What the sources bring beyond the figures: twelve months by kinds of day, ledgers, windows. */
export function useSourcesDetail(job: Job, optionId: string): Computed<SourcesDetail> {
  return useComputed(
    'sources',
    useCallback(
      async (remote) => answers.take(await remote.sourcesDetail(job, optionId, FIRST_EFFORT, answers.held)),
      [job, optionId],
    ),
    { atOnce: true },
  );
}

/** One kind of day in one month, hour by hour. */
export function useDayBalance(job: Job, optionId: string, month: number, kind: KindOfDay): Computed<DayBalance> {
  return useComputed(
    'day-balance',
    useCallback((remote) => remote.dayBalance(job, optionId, month, kind, FIRST_EFFORT), [job, optionId, month, kind]),
    { last: true },
  );
}
