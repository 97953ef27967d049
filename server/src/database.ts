import pg from 'pg';
import type { Logger } from 'pino';

/** What the queries need of a connection, so that a pool, a client or a transaction will do. */
export type Database = Pick<pg.Pool, 'query'>;

/** ms to wait for a connection before saying that the database cannot be reached. */
const CONNECT_TIMEOUT_MS = 3000;
/** ms PostgreSQL gives a statement, and a wait for a lock. */
const STATEMENT_TIMEOUT_MS = 4000;
const LOCK_TIMEOUT_MS = 2000;
/** ms after which an answer is not waited for any more: a stopped backend does not keep its own time. */
const QUERY_TIMEOUT_MS = 5000;
const CONNECTIONS = 10;

export function openPool(connectionString: string, log?: Logger): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max: CONNECTIONS,
    connectionTimeoutMillis: CONNECT_TIMEOUT_MS,
    statement_timeout: STATEMENT_TIMEOUT_MS,
    lock_timeout: LOCK_TIMEOUT_MS,
    idle_in_transaction_session_timeout: QUERY_TIMEOUT_MS,
    query_timeout: QUERY_TIMEOUT_MS,
    application_name: 'joulemetric',
  });
  // A connection that breaks while idle is dropped by the pool; the next query reports it to whoever asked.
  pool.on('error', (error) => log?.warn({ code: (error as { code?: unknown }).code }, 'idle connection lost'));
  return pool;
}

/** Runs the work in one transaction: all of it or nothing. */
export async function inTransaction<T>(pool: pg.Pool, work: (db: Database) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  let lost = false;
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    return result;
  } catch (error) {
    lost = databaseTrouble(error) === 'away';
    if (!lost) await client.query('rollback').catch(() => (lost = true));
    throw error;
  } finally {
    client.release(lost);
  }
}

/** Connection failures, shutdown, too many clients. */
const AWAY_STATES = /^(?:08|57P0|53300)/;
/**
 * States in which the same statement may succeed later: resources (disk full, memory), a cancelled or timed-out
 * statement, locks and deadlocks, a read-only standby, trouble of the system below.
 */
const BUSY_STATES = /^(?:53|57014|55|40|25006|58|25P0)/;
const AWAY_CODES = new Set(['ECONNREFUSED', 'ECONNRESET', 'ENOENT', 'ETIMEDOUT', 'EPIPE', 'ENOTFOUND', 'EAI_AGAIN']);

/** `away`: no answer from PostgreSQL; `busy`: it cannot take it just now; `refused`: it holds what was sent for nonsense; null: not its fault. */
export function databaseTrouble(error: unknown): 'away' | 'busy' | 'refused' | null {
  if (!(error instanceof Error)) return null;
  if (error instanceof AggregateError) return error.errors.map(databaseTrouble).find((trouble) => trouble) ?? null;
  const { code: found, syscall } = error as { code?: unknown; syscall?: unknown };
  const code = String(found ?? '');
  // The system's own codes count only where a socket broke: a missing file has them too.
  if (AWAY_CODES.has(code))
    return ['connect', 'read', 'write', 'getaddrinfo'].includes(String(syscall)) ? 'away' : null;
  if (error instanceof pg.DatabaseError) {
    if (AWAY_STATES.test(code)) return 'away';
    if (BUSY_STATES.test(code)) return 'busy';
    return /^2[23]/.test(code) ? 'refused' : null;
  }
  return /^Query read timeout|timeout exceeded when trying to connect|Connection terminated/.test(error.message)
    ? 'away'
    : null;
}
