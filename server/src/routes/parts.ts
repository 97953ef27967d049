import type { Part } from '@joulemetric/core';
import { validatePart } from '@joulemetric/core/validate';
import { type Request, Router } from 'express';
import type { Database } from '../database.ts';
import { Problem } from '../errors.ts';
import { deletePart, insertPart, listParts, MOST_PARTS, replacePart } from '../queries/part.ts';
import { uuidFrom } from './ids.ts';

/** `/api/parts`: the firm's own parts, beside those that ship. */
export function partRoutes(db: Database, workspace: (request: Request) => Promise<string>): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await listParts(db, await workspace(request)));
  });

  router.post('/', async (request, response) => {
    const stored = await insertPart(db, await workspace(request), partFrom(request));
    if (!stored) throw new Problem('list-full', `The list holds ${MOST_PARTS} parts. Take some out first.`);
    response.status(201).location(`/api/parts/${stored.id}`).json(stored);
  });

  router.put('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', 'unknown-part');
    const stored = await replacePart(db, await workspace(request), id, partFrom(request));
    if (!stored) throw new Problem('unknown-part', `No part has the id ${id}. It may have been removed.`);
    response.json(stored);
  });

  router.delete('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', 'unknown-part');
    if (!(await deletePart(db, await workspace(request), id)))
      throw new Problem('unknown-part', `No part has the id ${id}. It may have been removed.`);
    response.status(204).end();
  });

  return router;
}

function partFrom(request: Request): Part {
  if (!request.is('application/json'))
    throw new Problem('not-json', 'Send the part with Content-Type: application/json.');
  const checked = validatePart(request.body);
  if (checked.ok) return checked.part;
  const [first] = checked.faults;
  throw new Problem('invalid-part', `${first?.path}: expected ${first?.expected}.`, { faults: checked.faults });
}
