import { Effort, evaluate, type Job, type JobSummary, wordsFor } from '@joulemetric/core';

/** What its searches may cost: a list can do with "at most". */
const EFFORT = 3e5;

const LONGEST_SENTENCE = 160;

export function summarise(job: Job): JobSummary {
  const { figures, findings } = evaluate(job, undefined, new Effort(EFFORT)).assessment;
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
        ? { severity: worst.severity, what: wordsFor(worst, job.brief.region.units).what.slice(0, LONGEST_SENTENCE) }
        : null,
    stops: count('stop'),
    cautions: count('caution'),
  };
}
