import { type Part, wholePart } from '@joulemetric/core';
import { validatePart } from '@joulemetric/core/validate';
import type { Request, Router } from 'express';
import type { Pool } from 'pg';
import { Problem } from '../errors.ts';
import { FirmList } from '../queries/firmList.ts';
import { firmListRoutes } from './firmList.ts';

/** `/api/parts`: the firm's own parts, next to those that ship. */
export const partRoutes = (pool: Pool, workspace: (request: Request) => Promise<string>): Router =>
  firmListRoutes(pool, workspace, {
    list: new FirmList<Part>('part'),
    path: '/api/parts',
    key: 'part',
    word: 'part',
    unknown: 'unknown-part',
    documentFrom: partFrom,
    whole: wholePart,
  });

function partFrom(request: Request): Part {
  if (!request.is('application/json'))
    throw new Problem('not-json', 'Send the part with Content-Type: application/json.');
  const checked = validatePart(request.body);
  if (checked.ok) return checked.part;
  const [first] = checked.faults;
  throw new Problem('invalid-part', `${first?.path}: expected ${first?.expected}.`, { faults: checked.faults });
}
