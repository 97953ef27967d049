import type { Request } from 'express';
import { Problem, type ProblemCode } from '../errors.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** A UUID from the address, or the problem that there is no such thing. */
export function uuidFrom(request: Request, parameter: string, problem: ProblemCode): string {
  const id = String(request.params[parameter]);
  if (!UUID.test(id)) throw new Problem(problem, `An id is a UUID such as the API lists, not "${id.slice(0, 60)}".`);
  return id;
}
