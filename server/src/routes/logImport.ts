import type { SaidColumns } from '@joulemetric/core';
import type { Request, Router } from 'express';
import type { Pool } from 'pg';
import { Problem } from '../errors.ts';
import { takeTable } from '../logbook/takeTable.ts';
import type { StoredLog } from '../queries/log.ts';

/**
 * `POST /:id/import?zone&map&dates&goodRows&replace`: a meter's CSV as the body. The answer is lines of JSON: signs of
 * progress, and last what was taken or why not.
 */
export function importRoute(router: Router, pool: Pool, logOf: (request: Request) => Promise<StoredLog>): void {
  router.post('/:id/import', async (request, response) => {
    if (!request.is('text/csv'))
      throw new Problem('invalid-table', 'Send the table itself, with Content-Type: text/csv.');
    const { number, log } = await logOf(request);
    const { zone, dates, goodRows, replace } = request.query;
    const ask = {
      log: number,
      map: mapFrom(request.query.map),
      dates: dates === 'dmy' || dates === 'mdy' ? dates : null,
      zone: typeof zone === 'string' && zone !== '' ? zone : (log.zone ?? 'UTC'),
      goodRows: goodRows === 'yes',
    } as const;
    const gone = new AbortController();
    response.once('close', () => gone.abort());
    response.type('application/x-ndjson');
    const say = (line: object): void => {
      if (!response.writableEnded) response.write(`${JSON.stringify(line)}\n`);
    };
    // Nothing for a while looks like nobody there.
    const beat = setInterval(() => say({ stage: 'working' }), 2000);
    try {
      const url = (pool as unknown as { options: { connectionString: string } }).options.connectionString;
      say({
        done: await takeTable(url, ask, request, replace === 'yes', (stage, rows) => say({ stage, rows }), gone.signal),
      });
    } catch (error) {
      if (!(error instanceof Problem))
        request.log?.error({ code: (error as { code?: unknown }).code }, 'import failed');
      say({
        problem:
          error instanceof Problem
            ? error
            : new Problem('unexpected', 'The table could not be stored; nothing of it was kept.'),
      });
    } finally {
      clearInterval(beat);
      response.end();
    }
  });
}

/** What was said of the columns: a JSON object of texts. */
function mapFrom(text: unknown): SaidColumns {
  if (text === undefined || text === '') return {};
  try {
    const map: unknown = JSON.parse(String(text));
    if (map && typeof map === 'object' && Object.values(map).every((value) => typeof value === 'string'))
      return map as SaidColumns;
  } catch {
    // Said below.
  }
  throw new Problem('invalid-table', 'map is a JSON object: {"w":"Power:kW"}.');
}
