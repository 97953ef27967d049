import { parentPort } from 'node:worker_threads';
import { validateJob } from '@joulemetric/core/validate';
import { summarise } from './summarise.ts';

/** A thread of its own reckons summaries: a large job takes longer than a request may. */
parentPort?.on('message', ({ text }: { text: string }) => {
  try {
    const checked = validateJob(JSON.parse(text));
    parentPort?.postMessage({ summary: checked.ok ? summarise(checked.job) : null });
  } catch {
    parentPort?.postMessage({ summary: null });
  }
});
