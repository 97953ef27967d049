import { CSV_COLUMNS, type Job, loadToRow } from '@joulemetric/core';

/** Hands a text to the browser's downloads, under the job's title. */
export function download(job: Pick<Job, 'title'>, text: string | Blob, type: string, ending: string): void {
  const name =
    job.title
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase() || 'job';
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = `${name}${ending}`;
  link.click();
  URL.revokeObjectURL(url);
}

/** A text as it is, such as one that could not be read. */
export function downloadText(job: Pick<Job, 'title'>, text: string, ending: string): void {
  download(job, text, 'text/plain', ending);
}

export function downloadJob(job: Job): void {
  download(job, `${JSON.stringify(job, null, 2)}\n`, 'application/json', '.json');
}

/** The CSV library is fetched only when somebody reads or writes a table. */
export const csvLibrary = () => import('papaparse').then((module) => module.default);

export async function downloadLoads(job: Job): Promise<void> {
  const csv = await csvLibrary();
  const rows = job.loads.map(loadToRow);
  const text = csv.unparse({ fields: [...CSV_COLUMNS], data: rows }, { escapeFormulae: true, newline: '\r\n' });
  download(job, `${text}\r\n`, 'text/csv', '-loads.csv');
}
