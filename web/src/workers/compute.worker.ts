import {
  type BestSets,
  bestSequence,
  bestSetsInSteps,
  type DayBalance,
  dayBalance,
  Effort,
  evaluate,
  type Job,
  type KindOfDay,
  type MomentDetail,
  momentDetail,
  type Prepared,
  prepareMoves,
  type Ranking,
  rankMoves,
  type Sequence,
  type SourcesDetail,
  type StoreDetail,
  settle,
  sourcesDetail,
  storeDetail,
} from '@joulemetric/core';
import { expose } from 'comlink';
import { keeping } from '../edges/keeping.ts';
import { type Reckoned, reckonedOf } from '../edges/view.ts';

/** What the page asks of the core that may take longer than a frame; see `edges/compute.ts`. */

/** What each of the many days of a ranking may cost in searches. */
const EFFORT = 3e4;

/** The job last asked about for its moves, with what has been reckoned of it: a tick more asks for little. */
let known: { key: string; prepared: Prepared } | null = null;

function prepared(job: Job, optionId: string): Prepared {
  const key = `${optionId}\n${JSON.stringify(job)}`;
  if (known?.key !== key) known = { key, prepared: prepareMoves(job, optionId, EFFORT) };
  return known.prepared;
}

/** The job last asked about for its figures: what the core remembers, it remembers by the objects it was asked with. */
let last: Job | null = null;

/** Counts what was asked and dropped about sets: whoever sees it change stops. */
let asked = 0;

const computeWorker = {
  evaluate(job: Job, optionId: string, effort: number): Reckoned {
    const kept = last ? keeping(last, job) : job;
    last = kept;
    return reckonedOf(evaluate(kept, optionId, new Effort(effort)));
  },
  /** The day's need on each of some variations of the job, Wh. */
  needs(jobs: readonly Job[], optionId: string, effort: number): number[] {
    return jobs.map((job) => settle(job, optionId, new Effort(effort)).ledger.total.batteryWh);
  },
  /** With the ms it took, for the benchmark. */
  detail(job: Job, optionId: string, effort: number): MomentDetail & { readonly tookMs: number } {
    const started = performance.now();
    const detail = momentDetail(job, optionId, new Effort(effort));
    return { ...detail, tookMs: performance.now() - started };
  },
  storeDetail(job: Job, optionId: string, effort: number): StoreDetail {
    return storeDetail(job, optionId, effort);
  },
  /** With the ms it took, for the benchmark. */
  sourcesDetail(job: Job, optionId: string, effort: number): SourcesDetail & { readonly tookMs: number } {
    const started = performance.now();
    const detail = sourcesDetail(job, optionId, effort);
    return { ...detail, tookMs: performance.now() - started };
  },
  dayBalance(job: Job, optionId: string, month: number, kind: KindOfDay, effort: number): DayBalance {
    return dayBalance(job, optionId, month, kind, effort);
  },
  /** With the ms it took, for the benchmark. */
  rank(job: Job, optionId: string, tickedIds: readonly string[]): Ranking & { readonly tookMs: number } {
    const started = performance.now();
    const ranking = rankMoves(prepared(job, optionId), tickedIds);
    return { ...ranking, tookMs: performance.now() - started };
  },
  sequence(job: Job, optionId: string): Sequence {
    return bestSequence(prepared(job, optionId));
  },
  /** What is reckoned of sets is not wanted any more. */
  dropSets(): void {
    asked += 1;
  },
  /** Every subset of the best moves; null when it was dropped meanwhile. */
  async sets(job: Job, optionId: string, onProgress: (share: number) => void): Promise<BestSets | null> {
    asked += 1;
    const mine = asked;
    const steps = bestSetsInSteps(prepared(job, optionId));
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      onProgress(value);
      // Other questions get their turn between two steps.
      await new Promise((resolve) => setTimeout(resolve));
      if (mine !== asked) return null;
    }
  },
};

export type ComputeWorker = typeof computeWorker;

expose(computeWorker);
