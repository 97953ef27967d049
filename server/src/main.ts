import { pino } from 'pino';
import { buildApp } from './app.ts';
import { bringJobsForward } from './bringForward.ts';
import { isUnreachable, openPool } from './database.ts';
import { seedDemo } from './demo.ts';
import { migrate } from './migrate.ts';

/** The server process: migrate, put the demo in, listen. Settings come from the environment alone. */
const connectionString = process.env.DATABASE_URL;
const port = Number(process.env.PORT ?? 4680);
const host = process.env.HOST ?? '127.0.0.1';
const demo = process.env.JOULEMETRIC_DEMO === 'replace' ? 'replace' : 'first-start';
const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });

/** One clear sentence on standard error instead of a stack trace. */
function fail(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

if (!connectionString) fail('DATABASE_URL is not set; use npm start, which sets it.');
if (!Number.isInteger(port) || port < 0 || port > 65_535)
  fail(`PORT must be a port number, not "${process.env.PORT}".`);

const pool = openPool(connectionString);
try {
  await migrate(connectionString);
  await bringJobsForward(pool, (sentence) => log.warn(sentence));
  await seedDemo(pool, demo);
} catch (error) {
  const { message } = error as Error;
  const target = connectionString.replace(/\/\/[^@/]*@/, '//');
  if (isUnreachable(error))
    fail(`The database at ${target} cannot be reached: check that it runs and that DATABASE_URL is right.`);
  fail(`The database at ${target} cannot be prepared: ${message}`);
}

const server = buildApp(pool, log).listen(port, host, (error?: Error) => {
  if (error) {
    const taken = (error as NodeJS.ErrnoException).code === 'EADDRINUSE';
    fail(
      taken ? `Port ${port} is taken: stop what uses it, or choose another with PORT=4681 npm start.` : error.message,
    );
  }
  const address = server.address();
  const bound = typeof address === 'object' && address ? address.port : port;
  process.send?.({ ready: true, port: bound });
  log.info({ host, port: bound }, 'listening');
});

function stop(): void {
  server.close(() => pool.end().then(() => process.exit(0)));
  server.closeIdleConnections();
  setTimeout(() => process.exit(0), 2000).unref();
}
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
