import { formFault, type Job, SCHEMA_VERSION } from '@joulemetric/core';
import { validateJob } from '@joulemetric/core/validate';
import { type Request, type Response, Router } from 'express';
import type { Database } from '../database.ts';
import { Problem } from '../errors.ts';
import {
  deleteJob,
  insertJob,
  insertJobAs,
  listJobs,
  readSchemaVersion,
  type SavedJob,
  type StoredJob,
} from '../queries/job.ts';
import { type JobReader, jobReader } from '../queries/jobReader.ts';
import { jobWriter } from '../queries/jobWriter.ts';
import { ReadableJobs } from '../readableJobs.ts';
import type { Summaries } from '../summary/summaries.ts';
import { uuidFrom } from './ids.ts';
import { seenFrom } from './seen.ts';

/** `/api/jobs`: the jobs of one workspace. @param workspace resolves the workspace of a request */
export function jobRoutes(
  db: Database,
  summaries: Summaries,
  workspace: (request: Request) => Promise<string>,
): Router {
  const router = Router();
  const readJob = jobReader(db);
  const saveJob = jobWriter(db);
  const jobs = new ReadableJobs();

  router.get('/', async (request, response) => {
    const owner = await workspace(request);
    const listed = await listJobs(db, owner);
    for (const { id, summary } of listed) if (summary === null) summaries.want(owner, id);
    response.json(listed);
  });

  router.post('/', async (request, response) => {
    const owner = await workspace(request);
    const stored = await insertJob(db, owner, jobFrom(request));
    summaries.saved(owner, stored.id);
    created(response, stored);
  });

  router.get('/:id', async (request, response) => {
    const id = idFrom(request);
    answer(response, jobs.readable((await readJob(await workspace(request), id)) ?? unknown(id)));
  });

  // As it is stored, whether or not this program can read it: nothing is out of reach.
  router.get('/:id/file', async (request, response) => {
    const id = idFrom(request);
    const { text } = (await readJob(await workspace(request), id)) ?? unknown(id);
    response.attachment('job.json').type('application/json').send(text);
  });

  router.put('/:id', async (request, response) => {
    const id = idFrom(request);
    const seen = seenFrom(request);
    const job = jobFrom(request);
    const owner = await workspace(request);
    if (seen === 'none') {
      const stored = await insertJobAs(db, owner, id, job);
      if (stored) {
        jobs.saved(stored);
        summaries.saved(owner, id);
        return created(response, stored);
      }
      // The same call came before, and its answer was lost.
      return answer(response, jobs.readable((await readJob(owner, id)) ?? unknown(id)));
    }
    const stored = (await saveJob({ workspace: owner, id, seen, job })) ?? (await whyNot(db, readJob, owner, id, seen));
    jobs.saved(stored);
    summaries.saved(owner, id);
    // What was sent is what is stored: it need not come back.
    response.set('ETag', `"${stored.version}"`).json(head(stored));
  });

  router.delete('/:id', async (request, response) => {
    const id = idFrom(request);
    if (!(await deleteJob(db, await workspace(request), id))) unknown(id);
    response.status(204).end();
  });

  return router;
}

/** A save that matched nothing: the job is gone, newer than this program, or was saved by someone else. */
async function whyNot(db: Database, readJob: JobReader, owner: string, id: string, seen: number): Promise<never> {
  const schemaVersion = (await readSchemaVersion(db, owner, id)) ?? unknown(id);
  if (schemaVersion > SCHEMA_VERSION)
    throw new Problem(
      'newer-job',
      `It is of version ${schemaVersion} of the job file, this program writes ${SCHEMA_VERSION}: update it, then save.`,
    );
  const current = (await readJob(owner, id)) ?? unknown(id);
  throw new Problem('version-conflict', `Version ${seen} was edited; the newest is ${current.version}.`, {
    current: { ...head(current), job: JSON.parse(current.text) },
  });
}

const head = ({ id, version, updatedAt }: SavedJob) => ({ id, version, updatedAt });

/** The stored job, its document as the text it is: parsing it only to write it again would be most of the work. */
function answer(response: Response, stored: StoredJob): void {
  const text = `${JSON.stringify(head(stored)).slice(0, -1)},"job":${stored.text}}`;
  response.writeHead(response.statusCode, {
    'Content-Type': 'application/json; charset=utf-8',
    'Content-Length': Buffer.byteLength(text),
    ETag: `"${stored.version}"`,
  });
  response.end(text);
}

function created(response: Response, stored: StoredJob): void {
  answer(response.status(201).location(`/api/jobs/${stored.id}`), stored);
}

function unknown(id: string): never {
  throw new Problem('unknown-job', `No job has the id ${id}. It may have been deleted.`);
}

const idFrom = (request: Request): string => uuidFrom(request, 'id', 'unknown-job');

function jobFrom(request: Request): Job {
  if (!request.is('application/json')) {
    throw new Problem('not-json', 'Send the job file with Content-Type: application/json.');
  }
  const checked = validateJob(request.body);
  if (checked.ok) return checked.job;
  throw new Problem('invalid-job', formFault(request.body, checked.faults), { faults: checked.faults });
}
