import { CSV_COLUMNS, type CsvRow, type Job, loadToRow } from '@joulemetric/core';

/** Hands a text to the browser's downloads, under the job's title. */
function download(job: Job, text: string, type: string, ending: string): void {
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

export function downloadJob(job: Job): void {
  download(job, `${JSON.stringify(job, null, 2)}\n`, 'application/json', '.json');
}

/** The CSV library is fetched only when somebody reads or writes a table. */
const csvLibrary = () => import('papaparse').then((module) => module.default);

export async function downloadLoads(job: Job): Promise<void> {
  const csv = await csvLibrary();
  const rows = job.loads.map(loadToRow);
  const text = csv.unparse({ fields: [...CSV_COLUMNS], data: rows }, { escapeFormulae: true, newline: '\r\n' });
  download(job, `${text}\r\n`, 'text/csv', '-loads.csv');
}

/** The rows of a CSV file by the names in its head; problems of the file itself are thrown as one sentence. */
export async function readLoadRows(file: File): Promise<CsvRow[]> {
  const csv = await csvLibrary();
  const { data, meta } = csv.parse<Record<string, string>>(await file.text(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) =>
      head
        .trim()
        .toLowerCase()
        .replace(/^\ufeff/, ''),
    transform: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
  });
  const fields = meta.fields ?? [];
  if (!fields.includes('name')) throw new Error('The first line must name the columns, at least name and power_w.');
  const unknown = fields.filter((field) => field !== '' && !CSV_COLUMNS.some((column) => column === field));
  if (unknown.length > 0)
    throw new Error(`There is no column ${unknown.join(', ')}; there are ${CSV_COLUMNS.join(', ')}.`);
  return data;
}
