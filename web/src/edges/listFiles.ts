import {
  type FirmAppliance,
  MEASURED_COLUMNS,
  type MeasuredRead,
  measuredFromRows,
  measuredToRows,
  PART_COLUMNS,
  type Part,
  partsFromRows,
  partToRow,
} from '@joulemetric/core';
import { csvLibrary, download } from './files.ts';

/** The firm's lists as tables. */

/** Bytes of such a table; 2,000 full rows take about 400 kB. */
const MOST_BYTES = 2 * 1_048_576;

async function save(title: string, fields: readonly string[], data: Record<string, string>[]): Promise<void> {
  const csv = await csvLibrary();
  const table = csv.unparse({ fields: [...fields], data }, { escapeFormulae: true, newline: '\r\n' });
  download({ title }, `${table}\r\n`, 'text/csv', '.csv');
}

/** The rows of a table by the names of its columns; what is wrong with the file itself is thrown as one sentence. */
async function rowsOf(
  file: File,
  columns: readonly string[],
  needed: readonly string[],
): Promise<Record<string, string>[]> {
  if (file.size > MOST_BYTES) throw new Error('It is larger than 2 MB. Split it.');
  const csv = await csvLibrary();
  const { data, meta } = csv.parse<Record<string, string>>(await file.text(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => {
      const plain = head.trim().replace(/^\ufeff/, '');
      return columns.find((column) => column.toLowerCase() === plain.toLowerCase()) ?? plain;
    },
    transform: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
  });
  const missing = needed.filter((column) => !meta.fields?.includes(column));
  if (missing.length > 0)
    throw new Error(
      `The first line must name the columns, at least ${needed.join(', ')}: ${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing.`,
    );
  return data;
}

export const downloadParts = (parts: readonly Part[]): Promise<void> =>
  save('parts', PART_COLUMNS, parts.map(partToRow));

export const readParts = async (file: File): Promise<ReturnType<typeof partsFromRows>> =>
  partsFromRows(await rowsOf(file, PART_COLUMNS, ['kind', 'name']));

export const downloadMeasured = (entries: readonly FirmAppliance[]): Promise<void> =>
  save('measured', MEASURED_COLUMNS, measuredToRows(entries));

export const readMeasured = async (file: File, there: readonly FirmAppliance[]): Promise<MeasuredRead> =>
  measuredFromRows(await rowsOf(file, MEASURED_COLUMNS, ['name', 'on', 'value', 'unit']), there);
