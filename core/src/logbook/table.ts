import type { Mapping } from './columns.ts';
import { meterNumber } from './meterNumber.ts';
import { type MeterUnit, QUANTITIES, QUANTITY, type Quantity, unitOf } from './quantities.ts';
import { DAY_MS, readStamp, type Zone } from './stamp.ts';
import { thousandfoldAt } from './thousandfold.ts';

/** One thing wrong with a row of a table or a reading of a file. */
export interface RowFault {
  /** Line of the file, its head being 1; of a list of readings the number of the reading. */
  readonly line: number;
  readonly column: string;
  readonly problem: string;
  readonly found: string;
}

/** A reading with its text, beside the columns of numbers. */
export interface Remark {
  readonly t: number;
  readonly note: string | null;
  readonly mark: string | null;
  readonly toGo: string | null;
}

/** Readings in columns, in the order of time, no two of one moment. What was not read is NaN. */
export interface Series {
  /** ms since 1970, or since the log's own beginning. */
  readonly t: Float64Array;
  /** Whether `t` is since 1970. */
  readonly dated: boolean;
  readonly values: Readonly<Partial<Record<Quantity, Float64Array>>>;
  readonly remarks: readonly Remark[];
}

export interface TableRead {
  readonly series: Series;
  readonly faults: readonly RowFault[];
  /** Faults in all, of which the first are told. */
  readonly faultCount: number;
  /** What was done to the rows and is no fault, in words. */
  readonly notes: readonly string[];
  readonly rows: number;
}

const MOST_TOLD = 200;
/** What `Number` takes for 0 or reads in another base. */
const BLANK = /^\s*$|^\s*0[xob]/i;
const MISSING = /^(?:|-+|–|n\/?a|nan|null|none|unknown|\?)$/i;

/** Numbers that grow. */
class Column {
  #values = new Float64Array(1024);
  length = 0;

  push(value: number): void {
    if (this.length === this.#values.length) {
      const larger = new Float64Array(this.length * 2);
      larger.set(this.#values);
      this.#values = larger;
    }
    this.#values[this.length++] = value;
  }

  done(): Float64Array {
    return this.#values.slice(0, this.length);
  }
}

const ISO_SECOND = /^\d{4}-\d\d-\d\d[ T]\d\d:\d\d:\d\d$/;
/** Of an ISO date and what follows it. */
const DAY_CHARS = 11;
const ZERO = 48;
const COLON = 58;

/** Two digits of a text, NaN where they are none. */
function twoDigits(text: string, at: number): number {
  const [tens, ones] = [text.charCodeAt(at) - ZERO, text.charCodeAt(at + 1) - ZERO];
  return tens >= 0 && tens <= 9 && ones >= 0 && ones <= 9 ? tens * 10 + ones : Number.NaN;
}

/** Takes the rows of a meter's table one by one, in the order of the file, and makes a series of them. */
export class TableReader {
  readonly #mapping: Mapping;
  readonly #heads: readonly string[];
  readonly #zone: Zone;
  readonly #faults: RowFault[] = [];
  #faultCount = 0;
  readonly #t = new Column();
  readonly #lines = new Column();
  readonly #columns: readonly Column[];
  readonly #remarks: Remark[] = [];
  readonly #row: Float64Array;
  #rows = 0;
  #before: number | null = null;
  #direction = 0;
  #doubled = 0;
  #dated: boolean | null = null;
  /** The date of the row before as it is written, with what parts it from the time, and its midnight on the wall. */
  #day: string | null = null;
  #dayMs = 0;

  constructor(mapping: Mapping, heads: readonly string[], zone: Zone) {
    this.#mapping = mapping;
    this.#heads = heads;
    this.#zone = zone;
    this.#columns = mapping.values.map(() => new Column());
    this.#row = new Float64Array(mapping.values.length);
  }

  /** @param line of the file, its head being 1 */
  add(cells: readonly string[], line: number, mark: string | null = null): void {
    if ((cells[0] ?? '').trim() === '' && cells.every((cell) => cell.trim() === '')) return;
    this.#rows += 1;
    if (cells.length < this.#heads.length && this.#isNeeded(cells.length)) {
      this.#fault(
        line,
        '',
        `it has ${cells.length} of ${this.#heads.length} columns: the file is cut off here`,
        cells.join(' ').slice(0, 40),
      );
      return;
    }
    const t = this.#moment(cells, line);
    const { values, toGo, note } = this.#mapping;
    let isGood = t !== null;
    for (const [i, { column, unit }] of values.entries()) {
      const value = this.#number(cells[column] ?? '', unit, column, line);
      if (value === null) isGood = false;
      else this.#row[i] = value;
    }
    if (!isGood || t === null) return;
    this.#t.push(t);
    this.#lines.push(line);
    for (let i = 0; i < values.length; i++) (this.#columns[i] as Column).push(this.#row[i] as number);
    if (toGo === null && note === null && mark === null) return;
    const remark = {
      t,
      note: note === null ? null : (cells[note] ?? '').trim() || null,
      toGo: toGo === null ? null : (cells[toGo] ?? '').trim() || null,
      mark,
    };
    if (remark.note !== null || remark.toGo !== null || mark !== null) this.#remarks.push(remark);
  }

  /** A row may be shorter than the head where only what is not wanted is missing. */
  #isNeeded(length: number): boolean {
    const { time, values } = this.#mapping;
    return [...time, ...values.map(({ column }) => column)].some((column) => column >= length);
  }

  #fault(line: number, column: string, problem: string, found: string): null {
    this.#faultCount += 1;
    if (this.#faults.length < MOST_TOLD) this.#faults.push({ line, column, problem, found: found.slice(0, 40) });
    return null;
  }

  #moment(cells: readonly string[], line: number): number | null {
    const { time, order, elapsedMs } = this.#mapping;
    const text =
      time.length === 1
        ? (cells[time[0] as number] ?? '').trim()
        : time.map((column) => (cells[column] ?? '').trim()).join(' ');
    const quick = this.#sameDay(text);
    if (quick !== null) return this.#since(quick);
    const head = time.map((column) => this.#heads[column] ?? '').join(' + ');
    const stamp = readStamp(text, order, elapsedMs);
    if (stamp === null) return this.#fault(line, head, text.trim() === '' ? 'no time' : 'not a time', text);
    const dated = stamp.kind === 'instant' || stamp.kind === 'local';
    this.#dated ??= dated;
    if (this.#dated !== dated)
      return this.#fault(line, head, dated ? 'a date among times without one' : 'a time without a date', text);
    const t =
      stamp.kind === 'instant' || stamp.kind === 'elapsed'
        ? stamp.ms
        : stamp.kind === 'clock'
          ? this.#afterwards(stamp.ms)
          : this.#local(stamp.wallMs);
    if (t === null) return this.#fault(line, head, 'this time does not exist: clocks go forward over it', text);
    this.#day = stamp.kind === 'local' && ISO_SECOND.test(text) ? text.slice(0, DAY_CHARS) : null;
    if (stamp.kind === 'local') this.#dayMs = Math.floor(stamp.wallMs / DAY_MS) * DAY_MS;
    return this.#since(t);
  }

  #since(t: number): number {
    if (this.#before !== null && this.#direction === 0) this.#direction = Math.sign(t - this.#before);
    this.#before = t;
    return t;
  }

  /** Of an ISO time of the day that the row before was of, without reading the date again; null = read it whole. */
  #sameDay(text: string): number | null {
    if (this.#day === null || text.length !== DAY_CHARS + 8 || !text.startsWith(this.#day)) return null;
    const hour = twoDigits(text, DAY_CHARS);
    const minute = twoDigits(text, DAY_CHARS + 3);
    const second = twoDigits(text, DAY_CHARS + 6);
    const colons = text.charCodeAt(DAY_CHARS + 2) === COLON && text.charCodeAt(DAY_CHARS + 5) === COLON;
    if (!(hour < 24 && minute < 60 && second < 60 && colons)) return null;
    return this.#local(this.#dayMs + ((hour * 60 + minute) * 60 + second) * 1000);
  }

  /** A time of the day is the next such time after the row before. */
  #afterwards(clockMs: number): number {
    if (this.#before === null) return clockMs;
    const midnight = Math.floor(this.#before / DAY_MS) * DAY_MS;
    const today = midnight + clockMs;
    return today < this.#before ? today + DAY_MS : today;
  }

  /** Of an hour that exists twice, the moment that goes on from the row before. */
  #local(wallMs: number): number | null {
    const moments = this.#zone(wallMs);
    if (moments.length < 2) return moments[0] ?? null;
    const [first, second] = moments as readonly [number, number];
    this.#doubled += 1;
    if (this.#before === null) return first;
    if (this.#direction < 0) return second <= this.#before ? second : first;
    return first >= this.#before ? first : second;
  }

  #number(cell: string, unit: MeterUnit, column: number, line: number): number | null {
    const { least, most, unit: stored, word } = QUANTITY[unit.of];
    if (this.#mapping.decimal === '.' && cell !== '') {
      // Most cells of a long file are nothing but a number.
      const quick = Number(cell) * unit.factor + unit.offset;
      if (quick >= least && quick <= most && !BLANK.test(cell)) return quick;
    }
    const text = cell.trim();
    if (MISSING.test(text)) return Number.NaN;
    const head = this.#heads[column] ?? '';
    const written = meterNumber(text, this.#mapping.decimal);
    if (written === null) return this.#fault(line, head, 'not a number', text);
    let meant = unit;
    if (written.unit !== '') {
      const own = unitOf(written.unit);
      if (own === null) return this.#fault(line, head, `“${written.unit}” is no unit of ${word}`, text);
      if (own.of !== unit.of)
        return this.#fault(line, head, `${written.unit} in a column of ${word} (${stored})`, text);
      meant = own;
    }
    const value = written.value * meant.factor + meant.offset;
    if (!Number.isFinite(value) || value < least || value > most)
      return this.#fault(
        line,
        head,
        unit.of === 'soc' && value > most ? 'above 100 %' : `impossible: between ${least} and ${most} ${stored}`,
        text,
      );
    return value;
  }

  /** All rows have been added: what they come to. */
  done(): TableRead {
    const notes: string[] = [];
    const t = this.#t.done();
    const lines = this.#lines.done();
    const columns = this.#columns.map((column) => column.done());
    let order = new Int32Array(t.length);
    for (let i = 0; i < order.length; i++) order[i] = i;
    if (isNewestFirst(t)) {
      order.reverse();
      notes.push('The newest row stands first: the rows were turned round.');
    }
    order = this.#withoutJumps(t, order, lines);
    const kept = this.#withoutDoubles(t, order, lines, columns, notes);
    if (this.#doubled > 0)
      notes.push(
        `${this.#doubled} rows are in an hour that exists twice (clocks go back): each was taken to go on from the row before.`,
      );
    const values: Partial<Record<Quantity, Float64Array>> = {};
    for (const [i, { unit }] of this.#mapping.values.entries())
      values[unit.of] = picked(columns[i] as Float64Array, kept);
    for (const quantity of QUANTITIES) this.#unitChange(values[quantity], kept, lines, quantity);
    const series = {
      t: picked(t, kept),
      dated: this.#dated ?? false,
      values,
      remarks: [...this.#remarks].sort((a, b) => a.t - b.t),
    };
    return {
      series,
      faults: this.#faults.sort((a, b) => a.line - b.line),
      faultCount: this.#faultCount,
      notes,
      rows: this.#rows,
    };
  }

  /** The fewest rows are left out so that time never goes back (longest non-decreasing subsequence; Fredman 1975). */
  #withoutJumps(t: Float64Array, order: Int32Array<ArrayBuffer>, lines: Float64Array): Int32Array<ArrayBuffer> {
    const at = (i: number): number => t[order[i] as number] as number;
    let rises = true;
    for (let i = 1; i < order.length && rises; i++) rises = at(i) >= at(i - 1);
    if (rises) return order;
    // From the end: of two ways that leave out as many rows, the one that trusts the earlier rows.
    const ends: number[] = [];
    const after = new Int32Array(order.length).fill(-1);
    for (let i = order.length - 1; i >= 0; i--) {
      let [low, high] = [0, ends.length];
      while (low < high) {
        const middle = (low + high) >> 1;
        if (at(ends[middle] as number) >= at(i)) low = middle + 1;
        else high = middle;
      }
      after[i] = low > 0 ? (ends[low - 1] as number) : -1;
      ends[low] = i;
    }
    const kept: number[] = [];
    for (let i = ends.at(-1) ?? -1; i >= 0; i = after[i] as number) kept.push(i);
    const isKept = new Set(kept);
    const head = this.#mapping.time.map((column) => this.#heads[column] ?? '').join(' + ');
    for (let i = 0; i < order.length; i++) {
      if (isKept.has(i)) continue;
      const far = i > 0 && at(i) >= at(i - 1) ? 'the clock was ahead of the rows after it' : 'the clock jumps back';
      this.#fault(
        lines[order[i] as number] as number,
        head,
        far,
        this.#dated ? new Date(at(i)).toISOString() : `${(at(i) / 3_600_000).toFixed(2)} h`,
      );
    }
    return Int32Array.from(kept, (i) => order[i] as number);
  }

  /** Rows of one moment are one: those that repeat it are left out, those that add to it are joined, others conflict. */
  #withoutDoubles(
    t: Float64Array,
    order: Int32Array,
    lines: Float64Array,
    columns: readonly Float64Array[],
    notes: string[],
  ): number[] {
    const kept: number[] = [];
    let repeated = 0;
    let joined = 0;
    for (const at of order) {
      const last = kept.at(-1);
      if (last === undefined || t[last] !== t[at]) {
        kept.push(at);
        continue;
      }
      const conflict = columns.findIndex((column) => {
        const [one, other] = [column[last] as number, column[at] as number];
        return !Number.isNaN(one) && !Number.isNaN(other) && one !== other;
      });
      if (conflict >= 0) {
        const { column } = this.#mapping.values[conflict] as Mapping['values'][number];
        this.#fault(
          lines[at] as number,
          this.#heads[column] ?? '',
          `another value at the same time as line ${lines[last]}`,
          String((columns[conflict] as Float64Array)[at]),
        );
        continue;
      }
      const adds = columns.some(
        (column) => Number.isNaN(column[last] as number) && !Number.isNaN(column[at] as number),
      );
      if (adds) joined += 1;
      else repeated += 1;
      for (const column of columns) if (Number.isNaN(column[last] as number)) column[last] = column[at] as number;
    }
    if (repeated > 0) notes.push(`${repeated} rows say again what the row before says; they were taken once.`);
    if (joined > 0) notes.push(`${joined} rows are of the same moment as the row before and were joined with it.`);
    return kept;
  }

  /**
   * From some row on all values are a thousandfold or a thousandth: a meter that went from W to kW without a word.
   * Counters and volts cannot do so by themselves, watts and amps may when nothing is between.
   */
  #unitChange(
    values: Float64Array | undefined,
    kept: readonly number[],
    lines: Float64Array,
    quantity: Quantity,
  ): void {
    if (values === undefined || quantity === 'soc' || quantity === 'c') return;
    const at = thousandfoldAt(values);
    if (at === null) return;
    const column = this.#mapping.values.find(({ unit }) => unit.of === quantity)?.column ?? 0;
    const line = lines[kept[at] as number] as number;
    this.#fault(
      line,
      this.#heads[column] ?? '',
      'from here on the values are about a thousandfold or a thousandth of those before: did the unit change? Split the file here, or say the unit of each part',
      String(values[at]),
    );
  }
}

function picked(values: Float64Array, at: readonly number[]): Float64Array {
  const those = new Float64Array(at.length);
  for (let i = 0; i < at.length; i++) those[i] = values[at[i] as number] as number;
  return those;
}

/** More than half of all steps go back in time. */
function isNewestFirst(t: Float64Array): boolean {
  let back = 0;
  let forth = 0;
  for (let i = 1; i < t.length; i++) {
    if ((t[i] as number) < (t[i - 1] as number)) back += 1;
    else if ((t[i] as number) > (t[i - 1] as number)) forth += 1;
  }
  return back > forth;
}
