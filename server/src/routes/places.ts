import { Router } from 'express';
import type { Database } from '../database.ts';
import { Problem } from '../errors.ts';
import { findPlaces } from '../queries/place.ts';

const SHORTEST = 2;
const LONGEST = 80;

/** `/api/places?q=NAME`: where a place is, by its name. */
export function placeRoutes(db: Database): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const { q } = request.query;
    const text = typeof q === 'string' ? q.trim() : '';
    if (text.length < SHORTEST || text.length > LONGEST || /\p{Cc}|\p{Cs}/u.test(text))
      throw new Problem('invalid-search', `q: expected ${SHORTEST} to ${LONGEST} characters of a place’s name.`);
    response.json(await findPlaces(db, text));
  });
  return router;
}
