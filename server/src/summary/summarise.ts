import { assess, type Job, wordsFor } from '@joulemetric/core';

/** What a list says of a job at a glance; its first option's figures. */
export interface JobSummary {
  /** Wh a day from the store, and what of it is lost on the way. */
  readonly needWh: number;
  readonly lostWh: number;
  /** The store, at the bus voltage. */
  readonly storeAh: number;
  readonly busV: number;
  /** The gravest open finding, in one sentence; null when there is none above a note. */
  readonly worst: { readonly severity: 'stop' | 'caution'; readonly what: string } | null;
  readonly stops: number;
  readonly cautions: number;
}

const LONGEST_SENTENCE = 160;

export function summarise(job: Job): JobSummary {
  const { figures, findings } = assess(job);
  const count = (severity: string) => findings.filter((finding) => finding.severity === severity).length;
  const [worst] = findings;
  const need = figures['demand.battery'].value;
  return {
    needWh: need,
    lostWh: need - figures['demand.useful'].value,
    storeAh: figures['store.ah'].value,
    busV: job.options[0]?.system.busVoltageV ?? 12,
    worst:
      worst && worst.severity !== 'note'
        ? { severity: worst.severity, what: wordsFor(worst).what.slice(0, LONGEST_SENTENCE) }
        : null,
    stops: count('stop'),
    cautions: count('caution'),
  };
}
