import { CSV_COLUMNS, type CsvLoads, type CsvRow, FORMER_COLUMNS, loadsFromRows, MOST_ROWS } from '@joulemetric/core';
import { expose } from 'comlink';
import Papa from 'papaparse';

/** Bytes of a table: 5,000 full rows take about 1 MB. */
const MOST_BYTES = 8 * 1_048_576;
/** Rows made into loads between two signs of progress. */
const AT_A_TIME = 200;

const csvWorker = {
  /**
   * Reads a table of loads. What is wrong with the file itself is thrown as one sentence; what is wrong with rows is
   * in the answer.
   * @param onProgress share done, 0…1
   */
  async read(file: File, onProgress: (share: number) => void): Promise<CsvLoads> {
    if (file.size > MOST_BYTES) throw new Error(`It is larger than ${MOST_BYTES / 1_048_576} MB. Split it.`);
    const rows = await rowsOf(file, (share) => onProgress(share / 2));
    const taken = new Set<string>();
    const read: { loads: CsvLoads['loads'][number][]; faults: CsvLoads['faults'][number][] } = {
      loads: [],
      faults: [],
    };
    for (let from = 0; from < rows.length; from += AT_A_TIME) {
      const { loads, faults } = loadsFromRows(rows.slice(from, from + AT_A_TIME), taken);
      for (const { id } of loads) taken.add(id);
      read.loads.push(...loads);
      read.faults.push(...faults.map((fault) => ({ ...fault, line: fault.line + from })));
      onProgress(0.5 + (0.5 * (from + AT_A_TIME)) / rows.length);
    }
    return read;
  },
};

export type CsvWorker = typeof csvWorker;

expose(csvWorker);

function rowsOf(file: File, onProgress: (share: number) => void): Promise<CsvRow[]> {
  return new Promise((resolve, reject) => {
    const rows: CsvRow[] = [];
    let fault: Error | null = null;
    Papa.parse<Record<string, string>>(file, {
      header: true,
      skipEmptyLines: 'greedy',
      chunkSize: 262_144,
      transformHeader: (head) =>
        head
          .trim()
          .toLowerCase()
          .replace(/^\ufeff/, ''),
      transform: (cell) => cell.replace(/^'(?=[=+\-@\t\r])/, ''),
      chunk: ({ data, meta }, parser) => {
        fault ??= headFault(meta.fields ?? []);
        rows.push(...data);
        if (rows.length > MOST_ROWS) fault ??= new Error(`It has more than ${MOST_ROWS} rows. Split it.`);
        if (fault) parser.abort();
        else onProgress(meta.cursor / Math.max(1, file.size));
      },
      complete: () => (fault ? reject(fault) : resolve(rows)),
      error: reject,
    });
  });
}

function headFault(fields: readonly string[]): Error | null {
  if (!fields.includes('name')) return new Error('The first line must name the columns, at least name and power_w.');
  const known = new Set<string>([...CSV_COLUMNS, ...Object.values(FORMER_COLUMNS)]);
  const unknown = fields.filter((field) => field !== '' && !known.has(field));
  return unknown.length > 0
    ? new Error(
        `There is no column ${unknown.slice(0, 5).join(', ').slice(0, 120)}; there are ${CSV_COLUMNS.join(', ')}.`,
      )
    : null;
}
