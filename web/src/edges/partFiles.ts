import { PART_COLUMNS, type Part, partsFromRows, partToRow } from '@joulemetric/core';
import { csvLibrary, download } from './files.ts';

/** Bytes of a table of parts; 2,000 full rows take about 400 kB. */
const MOST_BYTES = 2 * 1_048_576;

export async function downloadParts(parts: readonly Part[]): Promise<void> {
  const csv = await csvLibrary();
  const table = { fields: [...PART_COLUMNS], data: parts.map(partToRow) };
  download(
    { title: 'parts' },
    `${csv.unparse(table, { escapeFormulae: true, newline: '\r\n' })}\r\n`,
    'text/csv',
    '.csv',
  );
}

/** Reads a table of parts; what is wrong with the file itself is thrown as one sentence. */
export async function readParts(file: File): Promise<ReturnType<typeof partsFromRows>> {
  if (file.size > MOST_BYTES) throw new Error('It is larger than 2 MB. Split it.');
  const csv = await csvLibrary();
  const { data, meta } = csv.parse<Record<string, string>>(await file.text(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => {
      const plain = head.trim().replace(/^\ufeff/, '');
      return PART_COLUMNS.find((column) => column.toLowerCase() === plain.toLowerCase()) ?? plain;
    },
    transform: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
  });
  const missing = ['kind', 'name'].filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0)
    throw new Error(`The first line must name the columns, at least kind and name: ${missing.join(', ')} is missing.`);
  return partsFromRows(data);
}
