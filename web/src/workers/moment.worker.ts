import { type Job, type MomentDetail, momentDetail } from '@joulemetric/core';
import { expose } from 'comlink';

const momentWorker = {
  /** With the ms it took, for the benchmark. */
  detail(job: Job, optionId: string): MomentDetail & { readonly tookMs: number } {
    const started = performance.now();
    const detail = momentDetail(job, optionId);
    return { ...detail, tookMs: performance.now() - started };
  },
};

export type MomentWorker = typeof momentWorker;

expose(momentWorker);
