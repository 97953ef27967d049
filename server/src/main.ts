import { createServer } from 'node:http';
import pgConnectionString from 'pg-connection-string';
import { pino } from 'pino';
import { buildApp } from './app.ts';
import { bringForward } from './bringForward.ts';
import { limitConnections } from './connections.ts';
import { databaseTrouble, openPool } from './database.ts';
import { seedDemo } from './demo.ts';
import { Live } from './logbook/live.ts';
import { Recorder } from './logbook/recorder.ts';
import { migrate, NewerDatabase } from './migrate.ts';
import { PhotoDecoder } from './photo/reencode.ts';
import { Gazetteer } from './places/gazetteer.ts';
import { readSettings, SettingFault, type Settings } from './settings.ts';
import { Summaries } from './summary/summaries.ts';

/** The server process: migrate, put the demo in, listen. Settings come from the environment alone. */

/** Exit code of a start that trying again does not mend. */
const HOPELESS = 2;

/** One clear sentence on standard error instead of a stack trace. */
function fail(sentence: string, code = HOPELESS): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(code);
}

function settings(): Settings {
  try {
    return readSettings(process.env);
  } catch (error) {
    if (error instanceof SettingFault) fail(error.message);
    throw error;
  }
}

const { databaseUrl, databaseTarget, ownerUrl, ownerTarget, port, host, hosts, demo, places, logLevel, ...limits } =
  settings();
const log = pino({ level: logLevel });
const pool = openPool(databaseUrl, log);
await prepare();

async function prepare(): Promise<void> {
  let target = ownerTarget;
  try {
    await migrate(ownerUrl, pgConnectionString.parse(databaseUrl).user);
    target = databaseTarget;
    await bringForward(pool, (sentence) => log.warn(sentence));
    await seedDemo(pool, demo);
  } catch (error) {
    if (databaseTrouble(error))
      fail(`The database at ${target} cannot be reached: check that it runs and that DATABASE_URL is right.`, 1);
    const { message } = error as Error;
    if (error instanceof NewerDatabase) fail(`The database at ${target} cannot be used: ${message}`);
    fail(`The database at ${target} cannot be prepared: ${message}`);
  }
}

const decoder = new PhotoDecoder();
const summaries = new Summaries(pool, log);
const gazetteer = new Gazetteer();
const live = new Live();
const recorder = new Recorder(pool, log, live);
const app = buildApp(pool, log, {
  hosts,
  proxies: limits.proxies,
  decoder,
  summaries,
  live,
  requestsPerMinute: limits.requestsPerMinute,
});
const server = createServer({ connectionsCheckingInterval: 2000 }, app);
const isProxy = app.get('trust proxy fn') as (address: string, hop: number) => boolean;
limitConnections(server, { isProxy: (address) => isProxy(address, 0) });
server.once('error', (error: NodeJS.ErrnoException) =>
  fail(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken: stop what uses it, or choose another with PORT=4681 npm start.`
      : error.message,
  ),
);
server.listen(port, host, () => {
  const address = server.address();
  const bound = typeof address === 'object' && address ? address.port : port;
  process.send?.({ ready: true, port: bound });
  log.info({ host, port: bound }, 'listening');
  recorder.start();
  if (places)
    gazetteer
      .fill(pool, databaseUrl, log)
      .catch((error: Error) => log.warn({ reason: error.message }, 'places could not be loaded'));
});

/** ms that open requests may take to end; after that they are cut off. */
const STOP_MS = 2000;

function stop(): void {
  decoder.close();
  summaries.close();
  gazetteer.close();
  recorder.close();
  server.close(() => pool.end().then(() => process.exit(0)));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), STOP_MS).unref();
}
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
// Whoever started it is gone without a word: nothing is left running behind.
process.once('disconnect', stop);
