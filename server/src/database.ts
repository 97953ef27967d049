import pg from 'pg';

/** What the queries need of a connection, so that a pool, a client or a transaction will do. */
export type Database = Pick<pg.Pool, 'query'>;

/** ms to wait for a connection before saying that the database cannot be reached. */
const CONNECT_TIMEOUT_MS = 3000;
/** ms a single statement may take. */
const STATEMENT_TIMEOUT_MS = 10_000;

export function openPool(connectionString: string): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: CONNECT_TIMEOUT_MS,
    statement_timeout: STATEMENT_TIMEOUT_MS,
    application_name: 'joulemetric',
  });
  // A connection that breaks while idle is dropped by the pool; the next query reports it.
  pool.on('error', () => {});
  return pool;
}

/** Runs the work in one transaction: all of it or nothing. */
export async function inTransaction<T>(pool: pg.Pool, work: (db: Database) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    await client.query('rollback').catch(() => {});
    throw error;
  } finally {
    client.release();
  }
}

/** PostgreSQL's classes for "not there": connection failures, shutdown, too many clients. */
const UNREACHABLE_STATES = /^(?:08|57P0|53300)/;
const UNREACHABLE_CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOENT',
  'ETIMEDOUT',
  'EPIPE',
  'ENOTFOUND',
  'EAI_AGAIN',
]);

export function isUnreachable(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const code = String((error as { code?: unknown }).code ?? '');
  if (UNREACHABLE_STATES.test(code) || UNREACHABLE_CODES.has(code)) return true;
  if (error instanceof AggregateError) return error.errors.some(isUnreachable);
  return /timeout exceeded when trying to connect|Connection terminated/.test(error.message);
}
