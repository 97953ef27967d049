import type { FirmAppliance } from '@joulemetric/core';
import { validateAppliance } from '@joulemetric/core/validate';
import { type Request, Router } from 'express';
import type { Database } from '../database.ts';
import { Problem } from '../errors.ts';
import { deleteAppliance, insertAppliance, listAppliances, replaceAppliance } from '../queries/appliance.ts';
import { uuidFrom } from './ids.ts';

/** `/api/catalogue`: the firm's own appliances. */
export function catalogueRoutes(db: Database, workspace: (request: Request) => Promise<string>): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await listAppliances(db, await workspace(request)));
  });

  router.post('/', async (request, response) => {
    const stored = await insertAppliance(db, await workspace(request), applianceFrom(request));
    response.status(201).location(`/api/catalogue/${stored.id}`).json(stored);
  });

  router.put('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', 'unknown-appliance');
    const stored = await replaceAppliance(db, await workspace(request), id, applianceFrom(request));
    if (!stored) throw new Problem('unknown-appliance', `No entry has the id ${id}. It may have been removed.`);
    response.json(stored);
  });

  router.delete('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', 'unknown-appliance');
    if (!(await deleteAppliance(db, await workspace(request), id)))
      throw new Problem('unknown-appliance', `No entry has the id ${id}. It may have been removed.`);
    response.status(204).end();
  });

  return router;
}

function applianceFrom(request: Request): FirmAppliance {
  if (!request.is('application/json'))
    throw new Problem('not-json', 'Send the entry with Content-Type: application/json.');
  const checked = validateAppliance(request.body);
  if (checked.ok) return checked.appliance;
  const [first] = checked.faults;
  throw new Problem('invalid-appliance', `${first?.path}: expected ${first?.expected}.`, { faults: checked.faults });
}
