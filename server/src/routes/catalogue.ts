import type { FirmAppliance } from '@joulemetric/core';
import { validateAppliance } from '@joulemetric/core/validate';
import type { Request, Router } from 'express';
import type { Pool } from 'pg';
import { Problem } from '../errors.ts';
import { FirmList } from '../queries/firmList.ts';
import { firmListRoutes } from './firmList.ts';

/** `/api/catalogue`: the firm's own appliances. */
export const catalogueRoutes = (pool: Pool, workspace: (request: Request) => Promise<string>): Router =>
  firmListRoutes(pool, workspace, {
    list: new FirmList<FirmAppliance>('appliance'),
    path: '/api/catalogue',
    key: 'appliance',
    word: 'entry',
    unknown: 'unknown-appliance',
    documentFrom: applianceFrom,
  });

function applianceFrom(request: Request): FirmAppliance {
  if (!request.is('application/json'))
    throw new Problem('not-json', 'Send the entry with Content-Type: application/json.');
  const checked = validateAppliance(request.body);
  if (checked.ok) return checked.appliance;
  const [first] = checked.faults;
  throw new Problem('invalid-appliance', `${first?.path}: expected ${first?.expected}.`, { faults: checked.faults });
}
