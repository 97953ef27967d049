import { type ChildProcess, fork } from 'node:child_process';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { Problem } from '../errors.ts';
import { lockLog, touchReadings } from '../queries/log.ts';
import { buildBlocks } from '../queries/reading.ts';
import type { TableAsk, TableSays } from './tableProgram.ts';

export type TableTaken = Extract<TableSays, { kind: 'read' }> & {
  /** Rows that are in the log now; 0 when the file has faults and the good rows were not asked for. */
  readonly taken: number;
};

const PROGRAM = fileURLToPath(new URL('./tableProgram.ts', import.meta.url));
const MEGABYTES = 1500;
/** For putting the rows of a table in order; two tables may have it at once. */
const SORTING_MEMORY = '128MB';
/** Tables that are read at once. */
const MOST_AT_ONCE = 2;
let open = 0;

/**
 * Reads a meter's table into a log, all of it or nothing. The table is read in a process of its own, which knows
 * nothing of the database; the rows go from it straight into COPY.
 * @param databaseUrl for a connection of its own, without the limits of time of the others
 * @param replace whether readings of meters that are there already in that stretch make way
 * @param signal whoever sent it has gone, or called it off
 */
export async function takeTable(
  databaseUrl: string,
  ask: TableAsk,
  body: Readable,
  replace: boolean,
  onProgress: (stage: 'reading' | 'storing', rows: number) => void,
  signal: AbortSignal,
): Promise<TableTaken> {
  if (open >= MOST_AT_ONCE)
    throw new Problem('database-busy', 'Two tables are being read already. Try again in a minute.');
  open += 1;
  const child = fork(PROGRAM, [], {
    execArgv: ['--import', 'tsx', `--max-old-space-size=${MEGABYTES}`],
    serialization: 'advanced',
    stdio: ['pipe', 'pipe', 'ignore', 'ipc'],
    env: { PATH: process.env.PATH },
  });
  const end = (): void => void child.kill('SIGKILL');
  signal.addEventListener('abort', end);
  try {
    const read = await answerOf(child, ask, body, (rows) => onProgress('reading', rows));
    if (read.kind === 'refused') throw new Problem('invalid-table', read.reasons.join(' '));
    const isTaken = read.good > 0 && (read.faultCount === 0 || ask.goodRows);
    if (!isTaken) return { ...read, taken: 0 };
    onProgress('storing', read.good);
    await store(databaseUrl, ask.log, read, child.stdout as Readable, replace, signal);
    return { ...read, taken: read.good };
  } finally {
    open -= 1;
    signal.removeEventListener('abort', end);
    end();
  }
}

type Answer = Exclude<TableSays, { kind: 'progress' }>;

function answerOf(child: ChildProcess, ask: TableAsk, body: Readable, onRows: (rows: number) => void): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const lost = (): void =>
      reject(
        new Problem('invalid-table', 'Reading it was called off, or took more memory than there is. Split the file.'),
      );
    child.once('exit', lost);
    child.on('message', (said: TableSays | 'ready') => {
      if (said === 'ready') {
        child.send(ask);
        // A child that has refused reads no more: what is still sent is taken in, so that the sender hears the answer.
        const into = child.stdin as NodeJS.WritableStream;
        into.once('error', () => {
          body.unpipe(into);
          body.resume();
        });
        body.pipe(into);
      } else if (said.kind === 'progress') onRows(said.rows);
      else {
        child.off('exit', lost);
        resolve(said);
      }
    });
  });
}

async function store(
  databaseUrl: string,
  log: number,
  { fromT, toT, good, quantities }: Extract<TableSays, { kind: 'read' }>,
  rows: Readable,
  replace: boolean,
  signal: AbortSignal,
): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl, application_name: 'joulemetric import' });
  await client.connect();
  try {
    await client.query('begin');
    if (!(await lockLog(client, log))) throw new Problem('unknown-log', 'The log was taken out meanwhile.');
    if (replace) await client.query('delete from reading where log = $1 and t between $2 and $3', [log, fromT, toT]);
    const there = await client.query('select 1 from reading where log = $1 and t between $2 and $3 limit 1', [
      log,
      fromT,
      toT,
    ]);
    if (there.rowCount)
      throw new Problem(
        'readings-there',
        'The log has readings of a meter in that stretch of time already. Take them out, or let these take their place.',
      );
    const into = client.query(
      copyFrom(`copy reading (${['log', 't', ...quantities].join(', ')}) from stdin (format binary)`),
    );
    await pipeline(rows, into, { signal });
    // A reader that died on the way has closed its end as if it were done.
    if (into.rowCount !== good) throw new Problem('invalid-table', 'Reading it broke off; nothing of it was stored.');
    // A million rows are put in order twice: in memory, not in files.
    await client.query(`set local work_mem = '${SORTING_MEMORY}'`);
    await buildBlocks(client, log, fromT, quantities);
    await touchReadings(client, log);
    if (signal.aborted) throw new Problem('invalid-table', 'It was called off.');
    await client.query('commit');
  } catch (error) {
    await client.query('rollback').catch(() => undefined);
    throw error;
  } finally {
    await client.end();
  }
}
