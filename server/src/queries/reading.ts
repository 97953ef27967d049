import { QUANTITIES, type Quantity, type Series } from '@joulemetric/core';
import type { Database } from '../database.ts';

/** What was put down by hand. */
export interface StoredEntry {
  readonly id: string;
  readonly t: number;
  readonly entry: Record<string, unknown>;
}

export async function listEntries(db: Database, log: number): Promise<StoredEntry[]> {
  const { rows } = await db.query<StoredEntry>(
    'select id, t, document as entry from log_entry where log = $1 order by t, id',
    [log],
  );
  return rows;
}

/** How many entries a log has other than these. */
export async function countOtherEntries(db: Database, log: number, entries: readonly StoredEntry[]): Promise<number> {
  const { rows } = await db.query<{ n: number }>(
    'select count(*)::integer as n from log_entry where log = $1 and not id = any ($2::uuid[])',
    [log, entries.map(({ id }) => id)],
  );
  return rows[0]?.n ?? 0;
}

/** Entries that are there already stay as they are: they were sent twice. */
export async function insertEntries(db: Database, log: number, entries: readonly StoredEntry[]): Promise<void> {
  await db.query(
    `insert into log_entry (log, id, t, document)
     select $1, id, t, document from json_to_recordset($2) as sent (id uuid, t double precision, document jsonb)
     on conflict (log, id) do nothing`,
    [log, JSON.stringify(entries.map(({ id, t, entry }) => ({ id, t, document: entry })))],
  );
}

export async function replaceEntry(db: Database, log: number, { id, t, entry }: StoredEntry): Promise<boolean> {
  const { rowCount } = await db.query('update log_entry set t = $3, document = $4 where log = $1 and id = $2', [
    log,
    id,
    t,
    JSON.stringify(entry),
  ]);
  return rowCount === 1;
}

export async function deleteEntry(db: Database, log: number, id: string): Promise<boolean> {
  const { rowCount } = await db.query('delete from log_entry where log = $1 and id = $2', [log, id]);
  return rowCount === 1;
}

export interface Extent {
  readonly rows: number;
  readonly fromT: number | null;
  readonly toT: number | null;
}

/** How many readings of meters a log has, and between when. Blocks are counted, only what is behind them is read. */
export async function extentOf(db: Database, log: number): Promise<Extent> {
  const { rows } = await db.query<Extent>(
    `with blocks as (select sum(n) as n, min(from_t) as from_t, max(to_t) as to_t from reading_block where log = $1),
          rest as (select count(*) as n, min(t) as from_t, max(t) as to_t from reading, blocks
                    where log = $1 and t > coalesce(blocks.to_t, '-infinity'))
     select (coalesce(blocks.n, 0) + rest.n)::integer as rows,
            coalesce(blocks.from_t, rest.from_t) as "fromT", coalesce(rest.to_t, blocks.to_t) as "toT"
       from blocks, rest`,
    [log],
  );
  return rows[0] as Extent;
}

export const READING_COLUMNS = ['log', 't', ...QUANTITIES] as const;
/** Readings in a block. */
const IN_BLOCK = 64;

/**
 * Puts the readings that are behind the blocks into blocks of their own. Readings before the end of the blocks (an
 * older file) make all of them anew.
 * @param there quantities that the readings have: the others cost time and are not looked at
 */
export async function buildBlocks(
  db: Database,
  log: number,
  fromT: number,
  there: readonly Quantity[] = QUANTITIES,
): Promise<void> {
  const list = (of: (quantity: Quantity) => string): string =>
    `array[${QUANTITIES.map((q) => (there.includes(q) ? of(q) : 'null')).join(', ')}]`;
  const last = (q: Quantity): string =>
    ofLast(q) ? `(array_agg(${q} order by t desc) filter (where ${q} is not null))[1]` : 'null';
  await db.query('delete from reading_block where log = $1 and to_t >= $2', [log, fromT]);
  await db.query(
    `with counted as (
       select *, (row_number() over (order by t) - 1) / ${IN_BLOCK} as block from reading
        where log = $1 and t > coalesce((select max(to_t) from reading_block where log = $1), '-infinity'))
     insert into reading_block (log, from_t, to_t, n, least, most, mean, last)
     select $1, min(t), max(t), count(*), ${list((q) => `min(${q})`)}::real[], ${list((q) => `max(${q})`)}::real[],
            ${list((q) => `avg(${q})`)}::double precision[], ${list(last)}::double precision[]
       from counted group by block having count(*) = ${IN_BLOCK}`,
    [log],
  );
}

/** More readings than these are taken block by block. */
const MOST_SINGLE = 20_000;

/** The readings of meters of a log, one by one, or of a long one the means of its blocks and what is behind them. */
export async function readSeries(db: Database, log: number, { rows: count }: Extent): Promise<Series> {
  const single = `select t, ${QUANTITIES.join(', ')} from reading where log = $1`;
  const blocks = `select (from_t + to_t) / 2, ${QUANTITIES.map((q, i) => `${ofLast(q) ? 'last' : 'mean'}[${i + 1}]`).join(', ')}
    from reading_block where log = $1`;
  const text =
    count <= MOST_SINGLE
      ? `${single} order by t`
      : `${blocks} union all ${single} and t > coalesce((select max(to_t) from reading_block where log = $1), '-infinity') order by 1`;
  const { rows } = await db.query<(number | null)[]>({ text, values: [log], rowMode: 'array' } as never);
  return seriesOf(rows);
}

/** Counters and what a display says are as they were last; what is measured is its mean. */
const ofLast = (quantity: Quantity): boolean => quantity === 'wh' || quantity === 'ah' || quantity === 'soc';

/** Before it (in 1973) lie only times that count from a log's beginning. */
const DATED_FROM_MS = 1e11;

/** Rows of one moment (of several instruments) are one. */
function seriesOf(rows: readonly (number | null)[][]): Series {
  const at: (readonly (number | null)[])[][] = [];
  let before = Number.NaN;
  for (const row of rows) {
    if (row[0] === before) at.at(-1)?.push(row);
    else at.push([row]);
    before = row[0] as number;
  }
  const values: Partial<Record<Quantity, Float64Array>> = {};
  for (const [i, quantity] of QUANTITIES.entries()) {
    const column = Float64Array.from(at, (those) => those.find((row) => row[i + 1] !== null)?.[i + 1] ?? Number.NaN);
    if (column.some((value) => !Number.isNaN(value))) values[quantity] = column;
  }
  const t = Float64Array.from(at, ([row]) => row?.[0] as number);
  return { t, dated: (t[0] ?? 0) >= DATED_FROM_MS, values, remarks: [] };
}

/** One point of a chart: a stretch with the least, the greatest and the mean of a quantity. */
export interface ChartPoint {
  readonly t: number;
  readonly least: number;
  readonly most: number;
  readonly mean: number;
}

/** Blocks are fine enough for a chart when there are so many of them for each of its points. */
const BLOCKS_A_POINT = 2;

/**
 * Min–max buckets of a quantity between two times, made in the database: of single readings where there are few, of
 * blocks where there are many.
 * @param points at most; each quantity has as many
 */
export async function chartOf(
  db: Database,
  log: number,
  quantity: Quantity,
  [fromT, toT]: readonly [number, number],
  points: number,
): Promise<ChartPoint[]> {
  const width = (toT - fromT) / points || 1;
  const { rows: counted } = await db.query<{ n: number }>(
    'select count(*)::integer as n from reading_block where log = $1 and to_t >= $2 and from_t <= $3',
    [log, fromT, toT],
  );
  const byBlocks = (counted[0]?.n ?? 0) >= BLOCKS_A_POINT * points;
  const i = QUANTITIES.indexOf(quantity) + 1;
  const source = byBlocks
    ? `select (from_t + to_t) / 2 as t, least[${i}] as least, most[${i}] as most, mean[${i}] as mean
         from reading_block where log = $1 and to_t >= $2 and from_t <= $3
       union all
       select t, ${quantity}, ${quantity}, ${quantity} from reading
        where log = $1 and t between $2 and $3 and t > coalesce((select max(to_t) from reading_block where log = $1), '-infinity')`
    : `select t, ${quantity} as least, ${quantity} as most, ${quantity} as mean from reading
        where log = $1 and t between $2 and $3`;
  const { rows } = await db.query<ChartPoint>(
    `select avg(t) as t, min(least)::double precision as least, max(most)::double precision as most, avg(mean)::double precision as mean
       from (${source}) as points where mean is not null
      group by floor((t - $2) / $4) order by 1`,
    [log, fromT, toT, width],
  );
  return rows;
}

/** Readings of a log after a time, for its file; some more than asked for where several are of the last moment. */
export async function readRows(db: Database, log: number, after: number, most: number): Promise<(number | null)[][]> {
  const { rows } = await db.query<(number | null)[]>({
    text: `select t, ${QUANTITIES.join(', ')} from reading where log = $1 and t > $2 order by t fetch first ${most} rows with ties`,
    values: [log, after],
    rowMode: 'array',
  } as never);
  return rows;
}
