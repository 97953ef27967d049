import { Readable } from 'node:stream';
import {
  headOfTable,
  QUANTITIES,
  type Quantity,
  recognise,
  type SaidColumns,
  type TableRead,
  TableReader,
  tableFault,
  zoneOf,
} from '@joulemetric/core/read-table';
import Papa from 'papaparse';
import { copyRows } from './copyRows.ts';
import { decodeText } from './decodeText.ts';

/**
 * The process that reads a meter's table: CSV comes in on standard input, what is wrong with it goes back as a message,
 * and if all is well (or the good rows were asked for) the rows go out on standard output as COPY takes them.
 */
export interface TableAsk {
  /** Of the log, for its rows. */
  readonly log: number;
  readonly map: SaidColumns;
  readonly dates: 'dmy' | 'mdy' | null;
  readonly zone: string;
  readonly goodRows: boolean;
}

export type TableSays =
  | { readonly kind: 'progress'; readonly rows: number }
  /** The file as a whole cannot be taken. */
  | { readonly kind: 'refused'; readonly reasons: readonly string[] }
  | {
      readonly kind: 'read';
      readonly rows: number;
      readonly good: number;
      readonly fromT: number;
      readonly toT: number;
      readonly faults: TableRead['faults'];
      readonly faultCount: number;
      readonly notes: readonly string[];
      readonly columns: readonly { readonly head: string; readonly as: string | null }[];
      readonly dated: boolean;
      /** What the rows hold, in the order in which it is sent. */
      readonly quantities: readonly Quantity[];
    };

/** Rows that tell what the columns are. */
const SAMPLE_ROWS = 500;
const ROWS_A_SIGN = 50_000;
/** More are refused: a log of a year at a reading every ten seconds. */
const MOST_ROWS = 3_200_000;

const say = (answer: TableSays): void => void process.send?.(answer);

process.once('message', (ask: TableAsk) => {
  read(ask);
});
process.on('disconnect', () => process.exit(0));
process.send?.('ready');

/** Why a table is not taken at all. */
class Refused extends Error {
  readonly reasons: readonly string[];

  constructor(...reasons: string[]) {
    super(reasons.join(' '));
    this.reasons = reasons;
  }
}

function refuse(sentence: string): never {
  throw new Refused(sentence);
}

/** Takes a table's rows: the first are looked at together to tell what the columns are, then all are read one by one. */
class Intake {
  readonly #ask: TableAsk;
  readonly #sample: string[][] = [];
  #reader: TableReader | null = null;
  #columns: Columns = [];
  #line = 0;

  constructor(ask: TableAsk) {
    this.#ask = ask;
  }

  row(cells: string[], delimiter: string): void {
    this.#line += 1;
    if (this.#reader) this.#reader.add(cells, this.#line);
    else if (this.#sample.push(cells) >= SAMPLE_ROWS) this.#begin(delimiter);
    if (this.#line % ROWS_A_SIGN === 0) say({ kind: 'progress', rows: this.#line });
    if (this.#line > MOST_ROWS) throw new Refused(`It has more than ${MOST_ROWS} rows. Split it.`);
  }

  done(delimiter: string): { read: TableRead; columns: Columns } {
    const reader = this.#reader ?? this.#begin(delimiter);
    return { read: reader.done(), columns: this.#columns };
  }

  #begin(delimiter: string): TableReader {
    const head = headOfTable(this.#sample);
    const rows = this.#sample.slice(head?.before ?? 0);
    if (head === null || !rows.some((row) => row.some((cell) => cell.trim() !== '')))
      throw new Refused('It needs a line that names the columns and at least one row.');
    const { map, dates, zone: name } = this.#ask;
    const { mapping, columns, unclear } = recognise(head.heads, rows, delimiter, map, dates);
    const zone = zoneOf(name);
    if (unclear.length > 0) throw new Refused(...unclear);
    if (zone === null) throw new Refused(`There is no time zone “${name}”.`);
    this.#columns = columns;
    this.#reader = new TableReader(mapping, head.heads, zone);
    for (const [i, row] of rows.entries()) this.#reader.add(row, i + 1 + head.before);
    return this.#reader;
  }
}

type Columns = readonly { readonly head: string; readonly as: string | null }[];

function read(ask: TableAsk): void {
  const intake = new Intake(ask);
  let delimiter = ',';
  let refused: unknown = null;
  const attempt = (work: () => void): void => {
    try {
      if (refused === null) work();
    } catch (error) {
      refused = error;
      say({ kind: 'refused', reasons: error instanceof Refused ? error.reasons : ['It cannot be read.'] });
    }
  };
  let charset: string | null = null;
  const text = decodeText((other) => {
    charset = other;
  });
  text.once('error', ({ message }) => attempt(() => refuse(`The file cannot be read: ${message}.`)));
  Papa.parse<string[]>(process.stdin.pipe(text) as never, {
    beforeFirstChunk: (chunk) => {
      const fault = tableFault(Buffer.from(chunk.slice(0, 4096), 'latin1'));
      attempt(() => {
        if (fault !== null) refuse(`The file cannot be read: ${fault}.`);
      });
      return chunk;
    },
    chunk: ({ data, meta }, parser) => {
      delimiter = meta.delimiter;
      attempt(() => {
        for (const row of data) intake.row(row, delimiter);
      });
      if (refused !== null) parser.abort();
    },
    complete: () =>
      attempt(() => {
        const { read: table, columns } = intake.done(delimiter);
        const notes = charset === null ? [] : [`It is not UTF-8: read as ${charset}.`];
        finish({ ...table, notes: [...notes, ...table.notes] }, columns, ask);
      }),
  });
}

function finish({ series, faults, faultCount, notes, rows }: TableRead, columns: Columns, ask: TableAsk): void {
  const { t, values } = series;
  const quantities = QUANTITIES.filter((quantity) => values[quantity] !== undefined);
  const isTaken = t.length > 0 && (faultCount === 0 || ask.goodRows);
  say({
    kind: 'read',
    rows,
    good: t.length,
    fromT: t[0] ?? 0,
    toT: t[t.length - 1] ?? 0,
    faults,
    faultCount,
    notes,
    columns,
    dated: series.dated,
    quantities,
  });
  if (!isTaken) {
    process.stdout.end();
    return;
  }
  const those = quantities.map((quantity) => ({ quantity, values: values[quantity] as Float64Array }));
  const sent = Readable.from(copyRows(ask.log, t, those));
  // A pipe leaves standard output open.
  sent.once('end', () => process.stdout.end());
  sent.pipe(process.stdout);
}
