import type { JobSummary } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { summarise } from './summarise.ts';

/** The process that reckons summaries: a large job takes longer than a request may. */
export interface ToSummarise {
  readonly text: string;
}
export interface Summarised {
  readonly summary: JobSummary | null;
}

function summaryOf(text: string): JobSummary | null {
  try {
    const checked = validateJob(JSON.parse(text));
    return checked.ok ? summarise(checked.job) : null;
  } catch {
    return null;
  }
}

process.on('message', ({ text }: ToSummarise) => {
  process.send?.({ summary: summaryOf(text) } satisfies Summarised);
});
process.on('disconnect', () => process.exit(0));
process.send?.('ready');
