import type { Job } from '@joulemetric/core';

/** Hands the job file to the browser's downloads. */
export function downloadJob(job: Job): void {
  const name =
    job.title
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase() || 'job';
  const url = URL.createObjectURL(new Blob([`${JSON.stringify(job, null, 2)}\n`], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${name}.json`;
  link.click();
  URL.revokeObjectURL(url);
}
