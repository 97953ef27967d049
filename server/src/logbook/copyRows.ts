import type { Quantity } from '@joulemetric/core/read-table';

/** What the table of readings keeps as double precision: counters, which grow. The others are reals. */
const DOUBLES: readonly Quantity[] = ['wh', 'ah'];
const ROWS_AT_A_TIME = 4000;
/** A field begins with its length in bytes; −1 is null. */
const LENGTH_BYTES = 4;
const NULL_LENGTH = -1;

/** A column of readings, NaN where there is none. */
export interface CopyColumn {
  readonly quantity: Quantity;
  readonly values: Float64Array;
}

/**
 * Rows (log, t, and the columns in their order) in the binary form of COPY, which costs neither side the writing and
 * reading of decimals. Source: PostgreSQL's manual, COPY, "Binary Format".
 * @param t ms
 */
export function* copyRows(log: number, t: Float64Array, columns: readonly CopyColumn[]): Generator<Buffer> {
  // Signature, no flags, no extension of the header.
  yield Buffer.concat([Buffer.from('PGCOPY\n\xff\r\n\0', 'latin1'), Buffer.alloc(8)]);
  const widths = columns.map(({ quantity }) => (DOUBLES.includes(quantity) ? 8 : 4));
  const longest =
    2 + (LENGTH_BYTES + 4) + (LENGTH_BYTES + 8) + widths.reduce((sum, width) => sum + LENGTH_BYTES + width, 0);
  for (let row = 0; row < t.length; ) {
    const end = Math.min(t.length, row + ROWS_AT_A_TIME);
    const bytes = Buffer.allocUnsafe((end - row) * longest);
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.length);
    let at = 0;
    for (; row < end; row++) {
      view.setInt16(at, columns.length + 2);
      view.setInt32(at + 2, 4);
      view.setInt32(at + 6, log);
      view.setInt32(at + 10, 8);
      view.setFloat64(at + 14, t[row] as number);
      at += 22;
      for (const [i, { values }] of columns.entries()) {
        const value = values[row] as number;
        const width = Number.isNaN(value) ? NULL_LENGTH : (widths[i] as number);
        view.setInt32(at, width);
        at += LENGTH_BYTES;
        if (width === 8) view.setFloat64(at, value);
        else if (width === 4) view.setFloat32(at, value);
        at += Math.max(0, width);
      }
    }
    yield bytes.subarray(0, at);
  }
  // No fields: the end.
  yield Buffer.from([0xff, 0xff]);
}
