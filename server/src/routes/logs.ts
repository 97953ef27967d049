import { type Log, type LogReading, QUANTITIES, type Quantity } from '@joulemetric/core';
import { validateLog } from '@joulemetric/core/validate-log';
import { type Request, Router } from 'express';
import type { Pool } from 'pg';
import { inTransaction } from '../database.ts';
import { Problem } from '../errors.ts';
import { Helper } from '../helper.ts';
import type { Live } from '../logbook/live.ts';
import { placeReadings } from '../logbook/placeReadings.ts';
import type { ReportAnswer, ReportAsk } from '../logbook/reportProgram.ts';
import {
  deleteLog,
  insertLog,
  listLogs,
  lockLog,
  MOST_LOGS,
  NO_JOB,
  readLog,
  type StoredLog,
  touchReadings,
  updateLog,
} from '../queries/log.ts';
import {
  chartOf,
  deleteEntry,
  extentOf,
  insertEntries,
  listEntries,
  readRows,
  readSeries,
  replaceEntry,
  type StoredEntry,
} from '../queries/reading.ts';
import { uuidFrom } from './ids.ts';
import { importRoute } from './logImport.ts';
import { instrumentRoutes } from './logInstruments.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;
const MOST_ENTRIES = 500;
const MOST_POINTS = 4000;
/** ms that reckoning a report may take. */
const REPORT_MS = 20_000;
/** ms between two signs of life to whoever watches. */
const HEARTBEAT_MS = 3000;
/** Rows of a log's file that are read at a time. */
const ROWS_AT_A_TIME = 20_000;

/** `/api/logs`: what was measured. */
export function logRoutes(pool: Pool, live: Live, workspace: (request: Request) => Promise<string>): Router {
  const router = Router();
  const reporter = new Helper<ReportAsk, ReportAnswer>(
    new URL('../logbook/reportProgram.ts', import.meta.url),
    REPORT_MS,
  );

  const logOf = async (request: Request): Promise<StoredLog> => {
    const id = uuidFrom(request, 'id', 'unknown-log');
    const stored = await readLog(pool, await workspace(request), id);
    if (!stored) throw new Problem('unknown-log', `No log has the id ${id}. It may have been taken out.`);
    return stored;
  };

  router.get('/', async (request, response) => {
    const { job } = request.query;
    if (job !== undefined && !(typeof job === 'string' && (job === NO_JOB || UUID.test(job))))
      throw new Problem('unknown-job', `job is the id of a job, a UUID, or ${NO_JOB}.`);
    response.json(await listLogs(pool, await workspace(request), job ?? null));
  });

  router.post('/', async (request, response) => {
    const { log, jobId, id } = logFrom(request);
    const stored = await insertLog(pool, await workspace(request), id, jobId, log);
    if (!stored) throw new Problem('list-full', `There may be ${MOST_LOGS} logs. Take some out first.`);
    response.status(201).location(`/api/logs/${stored.id}`).json(stored);
  });

  router.get('/:id', async (request, response) => {
    const stored = await logOf(request);
    const [entries, extent] = await Promise.all([listEntries(pool, stored.number), extentOf(pool, stored.number)]);
    response.json({ ...stored, entries, ...extent });
  });

  router.put('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', 'unknown-log');
    const version = Number(/^"?(\d+)"?$/.exec(request.get('If-Match') ?? '')?.[1]);
    if (!(version >= 1)) throw new Problem('version-required', 'Send the version you have seen as If-Match: "3".');
    const { log, jobId } = logFrom(request);
    const owner = await workspace(request);
    const stored = await updateLog(pool, owner, id, version, jobId, log);
    if (stored) {
      response.json(stored);
      return;
    }
    const current = await readLog(pool, owner, id);
    if (!current) throw new Problem('unknown-log', `No log has the id ${id}. It may have been taken out.`);
    throw new Problem('version-conflict', `The log is at version ${current.version}.`, { current });
  });

  router.delete('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', 'unknown-log');
    const owner = await workspace(request);
    if (!(await inTransaction(pool, (db) => deleteLog(db, owner, id))))
      throw new Problem('unknown-log', `No log has the id ${id}. It may have been taken out.`);
    response.status(204).end();
  });

  router.post('/:id/entries', async (request, response) => {
    const stored = await logOf(request);
    const sent: unknown = request.body;
    if (!Array.isArray(sent) || sent.length === 0 || sent.length > MOST_ENTRIES)
      throw new Problem(
        'invalid-reading',
        `Send a list of 1 to ${MOST_ENTRIES} readings, each with an id of your own (a UUID).`,
      );
    const entries = entriesFrom(sent, stored.log);
    await inTransaction(pool, async (db) => {
      if (!(await lockLog(db, stored.number))) throw new Problem('unknown-log', 'The log was taken out meanwhile.');
      await insertEntries(db, stored.number, entries);
      await touchReadings(db, stored.number);
    });
    response.status(201).json(await listEntries(pool, stored.number));
  });

  router.put('/:id/entries/:entry', async (request, response) => {
    const stored = await logOf(request);
    const id = uuidFrom(request, 'entry', 'unknown-reading');
    const [entry] = entriesFrom([{ ...(request.body as object), id }], stored.log);
    if (!entry || !(await replaceEntry(pool, stored.number, entry)))
      throw new Problem('unknown-reading', `The log has no reading ${id}.`);
    await touchReadings(pool, stored.number);
    response.json(entry);
  });

  router.delete('/:id/entries/:entry', async (request, response) => {
    const stored = await logOf(request);
    const id = uuidFrom(request, 'entry', 'unknown-reading');
    if (!(await deleteEntry(pool, stored.number, id)))
      throw new Problem('unknown-reading', `The log has no reading ${id}.`);
    await touchReadings(pool, stored.number);
    response.status(204).end();
  });

  router.get('/:id/chart', async (request, response) => {
    const stored = await logOf(request);
    const quantity = String(request.query.of) as Quantity;
    if (!QUANTITIES.includes(quantity)) throw new Problem('invalid-search', `of is one of ${QUANTITIES.join(', ')}.`);
    const extent = await extentOf(pool, stored.number);
    const [from, to] = [numberFrom(request, 'from') ?? extent.fromT ?? 0, numberFrom(request, 'to') ?? extent.toT ?? 0];
    const points = Math.min(MOST_POINTS, Math.max(1, Math.floor(numberFrom(request, 'points') ?? 1000)));
    if (to < from) throw new Problem('invalid-search', 'to comes after from, both ms since 1970.');
    response.json(await chartOf(pool, stored.number, quantity, [from, to], points));
  });

  router.get('/:id/report', async (request, response) => {
    const stored = await logOf(request);
    const [entries, extent] = await Promise.all([listEntries(pool, stored.number), extentOf(pool, stored.number)]);
    const series = await readSeries(pool, stored.number, extent);
    const answer = await reporter.ask({
      log: stored.log,
      entries: entries.map(({ entry }) => entry as LogReading),
      series,
    });
    if (!answer || 'failed' in answer) throw new Problem('unexpected', answer?.failed ?? 'Reckoning it took too long.');
    response.json(answer.report);
  });

  router.get('/:id/live', async (request, response) => {
    const { number } = await logOf(request);
    response.set({ 'Content-Type': 'text/event-stream', 'X-Accel-Buffering': 'no' });
    response.flushHeaders();
    response.write('retry: 2000\n\n');
    const stop = live.watch(number, (readings) => response.write(`data: ${JSON.stringify(readings)}\n\n`));
    const beat = setInterval(() => response.write(':\n\n'), HEARTBEAT_MS);
    request.once('close', () => {
      stop();
      clearInterval(beat);
    });
  });

  router.get('/:id/file', async (request, response) => {
    const stored = await logOf(request);
    const entries = await listEntries(pool, stored.number);
    response.attachment('log.json').json({ ...stored.log, readings: entries.map(({ entry }) => entry) });
  });

  router.get('/:id/readings.csv', async (request, response) => {
    const { number } = await logOf(request);
    response.attachment('readings.csv').type('text/csv');
    response.write('time,soc (%),v (V),a (A),w (W),va (VA),wh (Wh),ah (Ah),c (°C)\n');
    for (let after = Number.NEGATIVE_INFINITY; ; ) {
      const rows = await readRows(pool, number, after, ROWS_AT_A_TIME);
      if (rows.length === 0 || response.destroyed) break;
      after = rows.at(-1)?.[0] as number;
      response.write(
        rows
          .map(
            ([t, ...values]) =>
              `${new Date(t as number).toISOString()},${values.map((value) => value ?? '').join(',')}\n`,
          )
          .join(''),
      );
    }
    response.end();
  });

  importRoute(router, pool, logOf);
  instrumentRoutes(router, pool, logOf);
  return router;
}

function numberFrom(request: Request, name: string): number | null {
  const text = request.query[name];
  if (text === undefined) return null;
  const value = Number(text);
  if (typeof text !== 'string' || text === '' || !Number.isFinite(value))
    throw new Problem('invalid-search', `${name} is a number.`);
  return value;
}

/** A log's document, without readings of its own: those are sent apart. */
function logFrom(request: Request): { log: Log; jobId: string | null; id: string | null } {
  if (!request.is('application/json'))
    throw new Problem('not-json', 'Send the log with Content-Type: application/json.');
  const { log, jobId = null, id = null } = (request.body ?? {}) as { log?: unknown; jobId?: unknown; id?: unknown };
  for (const one of [jobId, id])
    if (one !== null && !(typeof one === 'string' && UUID.test(one)))
      throw new Problem('invalid-log', 'jobId and id are UUIDs, or null.');
  const checked = validateLog(log);
  if (!checked.ok) {
    const [first] = checked.faults;
    throw new Problem('invalid-log', `${first?.path}: expected ${first?.expected}.`, { faults: checked.faults });
  }
  if ((checked.log.readings?.length ?? 0) > 0 || checked.log.csv)
    throw new Problem('invalid-log', '/readings: send the readings to the log’s entries, and tables to its import.');
  return { log: checked.log, jobId: jobId as string | null, id: id as string | null };
}

/** Readings that were sent, each with its time; what is wrong with any of them refuses all, named by its place. */
function entriesFrom(sent: readonly unknown[], { zone = 'UTC' }: Log): StoredEntry[] {
  const ids = sent.map((one) => (one as { id?: unknown } | null)?.id);
  const bad = ids.findIndex((id) => !(typeof id === 'string' && UUID.test(id)));
  if (bad >= 0) throw new Problem('invalid-reading', `/${bad}/id: expected a UUID of your own.`);
  const readings = sent.map((one) => {
    const { id: _, ...reading } = one as { id: string };
    return reading as LogReading;
  });
  const checked = validateLog({ format: 'joulemetric-log', version: 1, readings });
  if (!checked.ok) {
    const faults = checked.faults.map((fault) => ({ ...fault, path: fault.path.replace(/^\/readings/, '') }));
    throw new Problem('invalid-reading', `${faults[0]?.path}: expected ${faults[0]?.expected}.`, { faults });
  }
  const placed = placeReadings(readings, zone);
  if ('fault' in placed) throw new Problem('invalid-reading', placed.fault);
  return placed.times.map((t, i) => ({ id: ids[i] as string, t, entry: readings[i] as LogReading }));
}
