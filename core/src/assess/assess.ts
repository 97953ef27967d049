import { type StaySimulation, simulateStay } from '../days/stay.ts';
import { explain } from '../explain/figures.ts';
import { findAll } from '../findings/rules.ts';
import type { Job } from '../job/schema.ts';
import type { Effort } from '../moment/effort.ts';
import type { LaidRuns } from '../runs/laid.ts';
import { runsOf } from '../settle/runs.ts';
import { type Settled, settle } from '../settle/settle.ts';
import type { Assessment } from './assessment.ts';

/** What `assess` computes on the way that curves, the simulation's picture and the moves go on from. */
export interface Evaluation extends Settled {
  readonly stay: StaySimulation;
  /** Of the runs that are laid; null while they are only proposed. */
  readonly runs: LaidRuns | null;
  readonly assessment: Assessment;
}

/** Everything said about one option of a job, in the order of the trade's work. Pure. */
export function assess(job: Job, optionId?: string): Assessment {
  return evaluate(job, optionId).assessment;
}

/**
 * Sizes are settled, the stay is played through, then figures are explained and findings made of all of it.
 * @param optionId the job's first option when left out; a RangeError when the job has no such option
 * @param effort what the searches may cost before they say "at most"; without a limit when left out
 */
export function evaluate(job: Job, optionId?: string, effort?: Effort): Evaluation {
  const settled = settle(job, optionId, effort);
  const stay = simulateStay(settled);
  const runs = settled.leads && runsOf(settled);
  const figures = explain(settled, runs);
  const { ledger, evidence, option } = settled;
  return {
    ...settled,
    stay,
    runs,
    assessment: {
      optionId: option.id,
      figures,
      ledger,
      evidence,
      findings: findAll({ ...settled, stay, runs, figures }),
    },
  };
}
