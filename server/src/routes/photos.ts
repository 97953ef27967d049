import { randomUUID } from 'node:crypto';
import express, { type Request, type Response, Router } from 'express';
import type { Pool } from 'pg';
import { inTransaction } from '../database.ts';
import { Problem } from '../errors.ts';
import type { PhotoDecoder } from '../photo/reencode.ts';
import { countPhotos, dropUnusedPhotos, headOfPhoto, insertPhoto, lockJob, readPhoto } from '../queries/photo.ts';
import { uuidFrom } from './ids.ts';

const FIFTEEN_MEGABYTES = 15 * 1_048_576;
const MOST_PHOTOS = 400;

/** `/api/jobs/:job/photos`: the photos of labels of one job. */
export function photoRoutes(
  pool: Pool,
  decoder: PhotoDecoder,
  workspace: (request: Request) => Promise<string>,
): Router {
  const router = Router({ mergeParams: true });

  const body = express.raw({ type: 'image/*', limit: FIFTEEN_MEGABYTES });

  /** Keeps a photo under an id of its sender's; one that is there already, sent again, is answered as it is. */
  const keep = async (request: Request, response: Response, id: string): Promise<void> => {
    const jobId = uuidFrom(request, 'job', 'unknown-job');
    if (!Buffer.isBuffer(request.body) || request.body.length === 0)
      throw new Problem('not-a-photo', 'Send the photo itself, with Content-Type: image/jpeg or the like.');
    const owner = await workspace(request);
    const there = await headOfPhoto(pool, owner, jobId, id);
    if (there) {
      response.json(there);
      return;
    }
    await dropUnusedPhotos(pool, owner, jobId);
    refuseFull(await countPhotos(pool, owner, jobId));
    const photo = await decoder.reencode(request.body);
    const stored = await inTransaction(pool, async (db) => {
      // Counted again under the job's lock: of many senders at once none gets past the limit.
      if (!(await lockJob(db, owner, jobId))) throw new Problem('unknown-job', `No job has the id ${jobId}.`);
      const meanwhile = await headOfPhoto(db, owner, jobId, id);
      if (meanwhile) return meanwhile;
      refuseFull(await countPhotos(db, owner, jobId));
      return insertPhoto(db, owner, jobId, id, photo);
    });
    response.status(201).location(`/api/jobs/${jobId}/photos/${stored.id}`).json(stored);
  };

  router.post('/', body, (request, response) => keep(request, response, randomUUID()));

  router.put('/:photo', body, (request, response) =>
    keep(request, response, uuidFrom(request, 'photo', 'unknown-photo')),
  );

  router.get('/:photo', async (request, response) => {
    const jobId = uuidFrom(request, 'job', 'unknown-job');
    const id = uuidFrom(request, 'photo', 'unknown-photo');
    const jpeg = await readPhoto(pool, await workspace(request), jobId, id);
    if (!jpeg) throw new Problem('unknown-photo', `This job has no photo ${id}. It may have come with a file.`);
    // A photo never changes under its id.
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(jpeg);
  });

  return router;
}

function refuseFull(photos: number): void {
  if (photos >= MOST_PHOTOS)
    throw new Problem('too-many-photos', `A job keeps at most ${MOST_PHOTOS} photos; take some off its loads.`);
}
