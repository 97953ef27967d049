import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import express, { type ErrorRequestHandler, type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { type Database, isUnreachable } from './database.ts';
import { Problem, type ProblemCode } from './errors.ts';
import { workspaceId } from './queries/workspace.ts';
import { catalogueRoutes } from './routes/catalogue.ts';
import { jobRoutes } from './routes/jobs.ts';
import { photoRoutes } from './routes/photos.ts';

const WEB = fileURLToPath(new URL('../../web/dist/', import.meta.url));
const ONE_MEGABYTE = 1_048_576;

/** Builds the application without starting it: web and API from one origin. */
export function buildApp(db: Database, log: Logger, webRoot: string = WEB): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(requestLog(log));
  app.use(securityHeaders);

  const demoWorkspace = memo(() => workspaceId(db, 'demo'));
  const api = express.Router();
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.use(express.json({ limit: ONE_MEGABYTE, strict: false }));
  api.get('/health', async (_request, response) => {
    await db.query('select 1');
    response.json({ status: 'ok' });
  });
  api.use('/jobs/:job/photos', photoRoutes(db, demoWorkspace));
  api.use('/jobs', jobRoutes(db, demoWorkspace));
  api.use('/catalogue', catalogueRoutes(db, demoWorkspace));
  api.use((request) => {
    throw new Problem(
      'unknown-route',
      `${request.method} ${request.baseUrl}${request.path} is not part of the API; see docs/api.md.`,
    );
  });
  app.use('/api', api);

  app.use('/assets', express.static(join(webRoot, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(webRoot, { index: false, maxAge: 0 }));
  app.get('/{*path}', (_request, response) => response.sendFile('index.html', { root: webRoot }));

  app.use(answerProblem(log));
  return app;
}

const securityHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      'default-src': ["'self'"],
      'script-src': ["'self'"],
      'worker-src': ["'self'"],
      // Charts and dialogs position themselves with style attributes; no script may be inline.
      'style-src': ["'self'", "'unsafe-inline'"],
      'img-src': ["'self'", 'data:', 'blob:'],
      'font-src': ["'self'"],
      'connect-src': ["'self'"],
      'object-src': ["'none'"],
      'base-uri': ["'none'"],
      'form-action': ["'self'"],
      'frame-ancestors': ["'none'"],
    },
  },
  strictTransportSecurity: false,
});

/** One structured line a request: method, route, status, time. Never a body, a header or a client's words. */
function requestLog(log: Logger) {
  return pinoHttp({
    logger: log,
    serializers: {
      req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
        id,
        method,
        url: url.split('?')[0],
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      err: ({ type, message }: { type: string; message: string }) => ({ type, message }),
    },
    autoLogging: { ignore: (request) => !request.url?.startsWith('/api') },
    customLogLevel: (_request, response, error) => (error || response.statusCode >= 500 ? 'error' : 'info'),
  });
}

/** body-parser's and Express's own refusals, by their type or status. */
const REFUSALS: Readonly<Record<string, ProblemCode>> = {
  'entity.parse.failed': 'malformed-json',
  'entity.too.large': 'body-too-large',
  'encoding.unsupported': 'malformed-request',
  'charset.unsupported': 'malformed-request',
};

function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (isUnreachable(error)) {
    return new Problem(
      'database-unreachable',
      'PostgreSQL does not answer. Edits wait in the browser and are saved when it is back.',
    );
  }
  const { type, status, message } = error as { type?: string; status?: number; message?: string };
  const refusal = REFUSALS[type ?? ''];
  if (refusal) return new Problem(refusal, message ?? '');
  if (status === 404) return new Problem('unknown-route', 'There is no such file.');
  if (status !== undefined && status >= 400 && status < 500) return new Problem('malformed-request', message ?? '');
  return new Problem('unexpected', 'The fault is logged. Nothing was saved.');
}

function answerProblem(log: Logger): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const problem = toProblem(error);
    if (problem.code === 'unexpected')
      log.error({ err: { message: String(error?.message) }, id: request.id }, 'unexpected');
    if (problem.code === 'database-unreachable') response.set('Retry-After', '2');
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

/** Remembers the first success; a failure is tried again next time. */
function memo<T>(get: () => Promise<T>): () => Promise<T> {
  let known: T | undefined;
  return async () => {
    known ??= await get();
    return known;
  };
}
