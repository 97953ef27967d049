import { pipeline } from 'node:stream/promises';
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
  countOtherEntries,
  deleteEntry,
  extentOf,
  insertEntries,
  listEntries,
  readRows,
  readSeries,
  replaceEntry,
  type StoredEntry,
} from '../queries/reading.ts';
import { Slots } from '../slots.ts';
import { uuidFrom } from './ids.ts';
import { importRoute } from './logImport.ts';
import { instrumentRoutes } from './logInstruments.ts';
import { liveRoutes } from './logLive.ts';
import { versionFrom } from './seen.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;
const MOST_ENTRIES = 500;
/** Readings entered by hand in one log. */
const MOST_ENTRIES_IN_ALL = 20_000;
const MOST_POINTS = 4000;
/** ms that reckoning a report may take. */
const REPORT_MS = 20_000;
/** Files of readings that are sent at once, and ms that one may take. */
const FILES_AT_ONCE = 6;
const LONGEST_FILE_MS = 600_000;
/** Rows of a log's file that are read at a time. */
const ROWS_AT_A_TIME = 5000;

/** `/api/logs`: what was measured. */
export function logRoutes(pool: Pool, live: Live, workspace: (request: Request) => Promise<string>): Router {
  const router = Router();
  const reporter = new Helper<ReportAsk, ReportAnswer>(
    new URL('../logbook/reportProgram.ts', import.meta.url),
    REPORT_MS,
  );

  const files = new Slots(FILES_AT_ONCE, 'Other files of readings are being sent; ask again in a minute.');

  const logOf = async (request: Request): Promise<StoredLog> => {
    const id = uuidFrom(request, 'id', 'unknown-log');
    const stored = await readLog(pool, await workspace(request), id);
    if (!stored) throw new Problem('unknown-log', `No log has the id ${id}. It may have been taken out.`);
    return stored;
  };

  liveRoutes(router, live, workspace, logOf);

  router.get('/', async (request, response) => {
    const { job } = request.query;
    if (job !== undefined && !(typeof job === 'string' && (job === NO_JOB || UUID.test(job))))
      throw new Problem('unknown-job', `job is the id of a job, a UUID, or ${NO_JOB}.`);
    response.json(await listLogs(pool, await workspace(request), job ?? null));
  });

  router.post('/', async (request, response) => {
    const { log, jobId, id } = logFrom(request);
    const owner = await workspace(request);
    const stored = await inTransaction(pool, (db) => insertLog(db, owner, id, jobId, log));
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
    const version = versionFrom(request);
    if (version === null) throw new Problem('version-required', 'Send the version you have seen as If-Match: "3".');
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
      if (!(await lockLog(db, stored.number))) throw new Problem('unknown-log', 'The log was removed meanwhile.');
      if ((await countOtherEntries(db, stored.number, entries)) + entries.length > MOST_ENTRIES_IN_ALL)
        throw new Problem('list-full', `A log holds at most ${MOST_ENTRIES_IN_ALL} readings entered by hand.`);
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

  router.get('/:id/file', async (request, response) => {
    const stored = await logOf(request);
    const entries = await listEntries(pool, stored.number);
    response.attachment('log.json').json({ ...stored.log, readings: entries.map(({ entry }) => entry) });
  });

  router.get('/:id/readings.csv', async (request, response) => {
    const { number } = await logOf(request);
    const release = files.take();
    try {
      response.attachment('readings.csv').type('text/csv');
      // As fast as it is taken, and no faster: what is not taken is not read from the database either.
      await pipeline(csvOf(pool, number), response, { signal: AbortSignal.timeout(LONGEST_FILE_MS) });
    } catch (error) {
      // Whoever asked has gone or was too slow, or the database has: a file that breaks off is told from a whole one.
      response.destroy();
      request.log?.info({ kind: (error as Error).name }, 'a file of readings broke off');
    } finally {
      release();
    }
  });

  importRoute(router, pool, logOf);
  instrumentRoutes(router, pool, workspace, logOf);
  return router;
}

/** What meters recorded, as CSV, some rows at a time. */
async function* csvOf(pool: Pool, log: number): AsyncGenerator<string> {
  yield 'time,soc (%),v (V),a (A),w (W),va (VA),wh (Wh),ah (Ah),c (°C)\n';
  for (let after = Number.NEGATIVE_INFINITY; ; ) {
    const rows = await readRows(pool, log, after, ROWS_AT_A_TIME);
    const last = rows.at(-1)?.[0];
    if (last == null) return;
    after = last;
    yield rows
      .map(
        ([t, ...values]) => `${new Date(t as number).toISOString()},${values.map((value) => value ?? '').join(',')}\n`,
      )
      .join('');
  }
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

/** What a log file may hold and nobody can have read: nothing at all, or a photo that is no id of one. */
function refuseNonsense(reading: LogReading, i: number): void {
  const { mark, note, toGo, photo } = reading;
  if (photo !== undefined && !UUID.test(photo))
    throw new Problem('invalid-reading', `/${i}/photo: expected the id of a photo of the job, a UUID.`);
  if (!QUANTITIES.some((quantity) => reading[quantity] != null) && !mark && !note?.trim() && !toGo?.trim() && !photo)
    throw new Problem('invalid-reading', `/${i}: expected a value, a mark, a note or a photo, found none of them.`);
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
  for (const [i, reading] of readings.entries()) refuseNonsense(reading, i);
  const placed = placeReadings(readings, zone);
  if ('fault' in placed) throw new Problem('invalid-reading', placed.fault);
  return placed.times.map((t, i) => ({ id: ids[i] as string, t, entry: readings[i] as LogReading }));
}
