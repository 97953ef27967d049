import type { Job } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { type Request, Router } from 'express';
import type { Database } from '../database.ts';
import { Problem } from '../errors.ts';
import { deleteJob, insertJob, listJobs, readJob, type StoredJob, updateJob } from '../queries/job.ts';
import { uuidFrom } from './ids.ts';

/** `/api/jobs`: the jobs of one workspace. @param workspace resolves the workspace of a request */
export function jobRoutes(db: Database, workspace: (request: Request) => Promise<string>): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await listJobs(db, await workspace(request)));
  });

  router.post('/', async (request, response) => {
    const stored = await insertJob(db, await workspace(request), jobFrom(request));
    answer(response.status(201).location(`/api/jobs/${stored.id}`), stored);
  });

  router.get('/:id', async (request, response) => {
    const id = idFrom(request);
    answer(response, (await readJob(db, await workspace(request), id)) ?? unknown(id));
  });

  router.put('/:id', async (request, response) => {
    const id = idFrom(request);
    const seen = versionFrom(request);
    const job = jobFrom(request);
    const owner = await workspace(request);
    const stored = await updateJob(db, owner, id, seen, job);
    if (!stored) {
      const current = (await readJob(db, owner, id)) ?? unknown(id);
      throw new Problem('version-conflict', `Version ${seen} was edited; the newest is ${current.version}.`, {
        current,
      });
    }
    answer(response, stored);
  });

  router.delete('/:id', async (request, response) => {
    const id = idFrom(request);
    if (!(await deleteJob(db, await workspace(request), id))) unknown(id);
    response.status(204).end();
  });

  return router;
}

function answer(response: { set(name: string, value: string): { json(body: unknown): unknown } }, stored: StoredJob) {
  response.set('ETag', `"${stored.version}"`).json(stored);
}

function unknown(id: string): never {
  throw new Problem('unknown-job', `No job has the id ${id}. It may have been deleted.`);
}

const idFrom = (request: Request): string => uuidFrom(request, 'id', 'unknown-job');

/** The version in `If-Match: "7"`. */
function versionFrom(request: Request): number {
  const match = /^"?(\d{1,9})"?$/.exec(request.get('If-Match') ?? '');
  if (!match)
    throw new Problem('version-required', 'Send If-Match with the version you edited, such as If-Match: "7".');
  return Number(match[1]);
}

function jobFrom(request: Request): Job {
  if (!request.is('application/json')) {
    throw new Problem('not-json', 'Send the job file with Content-Type: application/json.');
  }
  const checked = validateJob(request.body);
  if (checked.ok) return checked.job;
  const [first] = checked.faults;
  throw new Problem('invalid-job', `${first?.path}: expected ${first?.expected}.`, { faults: checked.faults });
}
