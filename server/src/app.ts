import { fileURLToPath } from 'node:url';
import express, { type Express } from 'express';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { Problem } from './errors.ts';
import { answerProblem } from './faults.ts';
import { MOST_JSON_BYTES, refuseDeep, requestsPerMinute, utf8Only } from './limits.ts';
import { Live } from './logbook/live.ts';
import { page } from './page.ts';
import { PhotoDecoder } from './photo/reencode.ts';
import { workspaceId } from './queries/workspace.ts';
import { catalogueRoutes } from './routes/catalogue.ts';
import { jobRoutes } from './routes/jobs.ts';
import { logRoutes } from './routes/logs.ts';
import { partRoutes } from './routes/parts.ts';
import { photoRoutes } from './routes/photos.ts';
import { placeRoutes } from './routes/places.ts';
import { weatherRoutes } from './routes/weather.ts';
import { apiHeaders, knownHost, oneHost, ownOrigin, permissions } from './security.ts';
import { Summaries } from './summary/summaries.ts';

const WEB = fileURLToPath(new URL('../../web/dist/', import.meta.url));

export interface AppOptions {
  readonly webRoot?: string;
  /** Names under which it may be asked for, beside loopback's. */
  readonly hosts?: readonly string[];
  /** Addresses of proxies: behind these, limits count the clients that they name. */
  readonly proxies?: readonly string[];
  /** Requests a minute of one address; 0 = no limit. */
  readonly requestsPerMinute?: number;
  readonly decoder?: PhotoDecoder;
  readonly summaries?: Summaries;
  readonly live?: Live;
}

/** Builds the application without starting it: web and API from one origin. */
export function buildApp(pool: Pool, log: Logger, options: AppOptions = {}): Express {
  const {
    webRoot = WEB,
    hosts = [],
    proxies = [],
    decoder = new PhotoDecoder(),
    summaries = new Summaries(pool, log),
    live = new Live(),
  } = options;
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.set('trust proxy', proxies.length > 0 ? [...proxies] : false);
  app.use(requestLog(log));
  app.use(permissions, oneHost, knownHost(hosts), ownOrigin);

  const demoWorkspace = memo(() => workspaceId(pool, 'demo'));
  const api = express.Router();
  api.use(apiHeaders, requestsPerMinute(options.requestsPerMinute ?? 0));
  api.use(utf8Only);
  api.use(express.json({ limit: MOST_JSON_BYTES, strict: false, verify: refuseDeep }));
  api.get('/health', async (_request, response) => {
    await pool.query('select 1');
    response.json({ status: 'ok' });
  });
  api.use('/jobs/:job/photos', photoRoutes(pool, decoder, demoWorkspace));
  api.use('/jobs/:job/weather', weatherRoutes(pool, demoWorkspace));
  api.use('/jobs', jobRoutes(pool, summaries, demoWorkspace));
  api.use('/catalogue', catalogueRoutes(pool, demoWorkspace));
  api.use('/parts', partRoutes(pool, demoWorkspace));
  api.use('/logs', logRoutes(pool, live, demoWorkspace));
  api.use('/places', placeRoutes(pool));
  api.use((request) => {
    throw new Problem(
      'unknown-route',
      `${request.method} ${request.baseUrl}${request.path.slice(0, 100)} is not part of the API; see docs/api.md.`,
    );
  });
  app.use('/api', api);
  app.use(page(webRoot));
  app.use(answerProblem(log));
  return app;
}

/** One structured line a request: method, route, status, time. Never a body, a header or a client's words. */
function requestLog(log: Logger) {
  return pinoHttp({
    logger: log,
    serializers: {
      req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
        id,
        method,
        url: url.split('?')[0]?.slice(0, 200),
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
      err: ({ type }: { type: string }) => ({ type }),
    },
    autoLogging: { ignore: (request) => !request.url?.startsWith('/api') },
    customLogLevel: (_request, response, error) => (error || response.statusCode >= 500 ? 'error' : 'info'),
  });
}

/** Remembers the first success; a failure is tried again next time. */
function memo<T>(get: () => Promise<T>): () => Promise<T> {
  let known: T | undefined;
  return async () => {
    known ??= await get();
    return known;
  };
}
