import { randomUUID } from 'node:crypto';
import { type Request, type Response, Router } from 'express';
import type { Pool } from 'pg';
import { Problem, type ProblemCode } from '../errors.ts';
import type { FirmList, Listed } from '../queries/firmList.ts';
import { MOST_LISTED } from '../queries/firmList.ts';
import { uuidFrom } from './ids.ts';
import { seenFrom, versionFrom } from './seen.ts';

/** What tells one list of the firm from another. */
export interface FirmListOf<T> {
  readonly list: FirmList<T>;
  readonly path: string;
  /** The key under which an entry's document is answered. */
  readonly key: string;
  /** "part": for what is said of it. */
  readonly word: string;
  readonly unknown: ProblemCode;
  /** The document of a request; refuses what breaks the schema. */
  readonly documentFrom: (request: Request) => T;
  /** A stored document as it is answered. */
  readonly whole?: (document: T) => T;
}

/** A list of the firm: entries with versions, made under ids of their maker's. */
export function firmListRoutes<T>(
  pool: Pool,
  workspace: (request: Request) => Promise<string>,
  { list, path, key, word, unknown, documentFrom, whole = (document) => document }: FirmListOf<T>,
): Router {
  const router = Router();
  const shown = ({ id, version, document }: Listed<T>) => ({ id, version, [key]: whole(document) });
  const answer = (response: Response, stored: Listed<T>) =>
    response.set('ETag', `"${stored.version}"`).json(shown(stored));

  const make = async (request: Request, response: Response, id: string): Promise<void> => {
    const made = await list.insert(pool, await workspace(request), id, documentFrom(request));
    if (!made) throw new Problem('list-full', `The list holds ${MOST_LISTED} entries. Remove some first.`);
    answer(made.isNew ? response.status(201).location(`${path}/${id}`) : response, made.stored);
  };

  /** Nothing matched: it is gone, or somebody else has changed it since. */
  const whyNot = async (owner: string, id: string): Promise<never> => {
    const current = await list.read(pool, owner, id);
    if (!current) throw new Problem(unknown, `No ${word} has the id ${id}. It may have been removed.`);
    throw new Problem('version-conflict', `The ${word} is at version ${current.version}.`, { current: shown(current) });
  };

  router.get('/', async (request, response) => {
    response.json((await list.list(pool, await workspace(request))).map(shown));
  });

  router.post('/', (request, response) => make(request, response, randomUUID()));

  router.put('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', unknown);
    const seen = seenFrom(request);
    if (seen === 'none') return make(request, response, id);
    const owner = await workspace(request);
    const stored = await list.replace(pool, owner, id, seen, documentFrom(request));
    answer(response, stored ?? (await whyNot(owner, id)));
  });

  router.delete('/:id', async (request, response) => {
    const id = uuidFrom(request, 'id', unknown);
    const owner = await workspace(request);
    if (!(await list.remove(pool, owner, id, versionFrom(request)))) await whyNot(owner, id);
    response.status(204).end();
  });

  return router;
}
