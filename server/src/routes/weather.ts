import type { HourlyYear } from '@joulemetric/core';
import { validateHours } from '@joulemetric/core/validate-hours';
import { type Request, Router } from 'express';
import type { Database } from '../database.ts';
import { Problem } from '../errors.ts';
import { keepHours, readHours } from '../queries/weather.ts';
import { uuidFrom } from './ids.ts';

/** `/api/jobs/:job/weather`: the hours of the weather file of one job. */
export function weatherRoutes(db: Database, workspace: (request: Request) => Promise<string>): Router {
  const router = Router({ mergeParams: true });

  router.get('/', async (request, response) => {
    const jobId = uuidFrom(request, 'job', 'unknown-job');
    const text = await readHours(db, await workspace(request), jobId);
    if (text === null) throw new Problem('unknown-weather', `The job ${jobId} keeps no hours of a weather file.`);
    response.type('application/json').send(text);
  });

  router.put('/', async (request, response) => {
    const jobId = uuidFrom(request, 'job', 'unknown-job');
    const year = yearFrom(request);
    if (!(await keepHours(db, await workspace(request), jobId, year)))
      throw new Problem('unknown-job', `No job has the id ${jobId}. It may have been deleted.`);
    response.status(204).end();
  });

  return router;
}

function yearFrom(request: Request): HourlyYear {
  if (!request.is('application/json'))
    throw new Problem('not-json', 'Send the hours with Content-Type: application/json.');
  const checked = validateHours(request.body);
  if (checked.ok) return checked.year;
  const [first] = checked.faults;
  throw new Problem('invalid-weather', `${first?.path}: expected ${first?.expected}.`, { faults: checked.faults });
}
