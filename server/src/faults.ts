import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { databaseTrouble } from './database.ts';
import { Problem, type ProblemCode } from './errors.ts';

/** body-parser's and Express's own refusals, by their type. */
const REFUSALS: Readonly<Record<string, ProblemCode>> = {
  'entity.parse.failed': 'malformed-json',
  'entity.too.large': 'body-too-large',
  'encoding.unsupported': 'malformed-request',
  'charset.unsupported': 'malformed-request',
};

const TROUBLES = {
  away: [
    'database-unreachable',
    'PostgreSQL does not answer. Edits wait in the browser and are saved when it is back.',
  ],
  busy: ['database-busy', 'PostgreSQL cannot take it just now. Edits wait in the browser and are sent again.'],
  refused: ['invalid-job', 'PostgreSQL refuses it: a text or a number in it cannot be stored.'],
} as const satisfies Record<string, readonly [ProblemCode, string]>;

/** Faults of the request are judged before those of the database: a missing file is no missing PostgreSQL. */
export function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const { type, status, message } = error as { type?: string; status?: number; message?: string };
  const refusal = REFUSALS[type ?? ''];
  if (refusal) return new Problem(refusal, message ?? '');
  if (status === 404) return new Problem('unknown-route', 'There is no such file.');
  if (status === 408) return new Problem('request-timeout', message ?? '');
  if (status !== undefined && status >= 400 && status < 500) return new Problem('malformed-request', message ?? '');
  const trouble = databaseTrouble(error);
  if (trouble) {
    const [code, detail] = TROUBLES[trouble];
    return new Problem(code, detail);
  }
  return new Problem('unexpected', 'The fault is logged. Nothing was saved.');
}

export function answerProblem(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = toProblem(error);
    if (problem.status >= 500 || databaseTrouble(error))
      log.error({ fault: traceOf(error), id: request.id }, problem.code);
    if (problem.status === 503) response.set('Retry-After', '2');
    if (problem.status === 429 && !response.get('Retry-After')) response.set('Retry-After', '10');
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

/** Where it happened, without the words: PostgreSQL's and the parser's messages repeat what clients typed. */
function traceOf(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const { code, constraint, table, routine } = error as Error & Partial<Record<string, unknown>>;
  const frames = error.stack?.split('\n').filter((line) => /^\s+at /.test(line)) ?? [];
  return { type: error.name, code, constraint, table, routine, stack: frames.map((line) => line.trim()).slice(0, 12) };
}
