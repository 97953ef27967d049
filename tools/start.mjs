/** `npm start`: from a fresh machine to a running Joulemetric, saying each step. See README.md. */
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort, startCluster, stopOrphan } from './lib/cluster.mjs';
import { ensureBuild, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { dataDirectory } from './lib/paths.mjs';
import { fail, say } from './lib/say.mjs';
import { startServer } from './lib/server.mjs';

const DEFAULT_PORT = 4680;
const DATABASE_PORT = 54_680;

const unknown = process.argv.slice(2).filter((argument) => argument !== '--fresh-demo');
if (unknown.length > 0) fail(`Unknown argument ${unknown[0]}; there is only --fresh-demo.`);
const freshDemo = process.argv.includes('--fresh-demo');
const port = Number(process.env.PORT || DEFAULT_PORT);
if (!Number.isInteger(port) || port < 1 || port > 65_535)
  fail(`PORT must be a port number, not "${process.env.PORT}".`);
if ((await freePort(port)) !== port) {
  fail(`Port ${port} is taken: stop what uses it, or choose another with PORT=${port + 1} npm start.`);
}

await ensureNodePackages();

let cluster = null;
let lock = null;
let databaseUrl = process.env.DATABASE_URL;
if (!databaseUrl) {
  const bin = await ensurePostgres();
  const directory = dataDirectory();
  lock = takeLock(directory);
  say(`Starting PostgreSQL, data in ${directory}`);
  try {
    await stopOrphan(directory);
    cluster = await startCluster({ bin, directory, port: await freePort(DATABASE_PORT), durable: true });
  } catch (error) {
    releaseLock();
    fail(`PostgreSQL cannot be started: ${error.message}`);
  }
  databaseUrl = cluster.url;
} else {
  say('Using the database of DATABASE_URL');
}

await ensureBuild();
say(freshDemo ? 'Migrating and resetting the demo jobs' : 'Migrating');
const server = await startServer({
  databaseUrl,
  port,
  env: { JOULEMETRIC_DEMO: freshDemo ? 'replace' : 'first-start' },
}).catch(async (error) => {
  await shutDown();
  fail(error.message);
});
say(`Joulemetric is ready: http://127.0.0.1:${server.port}/`);
server.exited.then(async (code) => {
  await shutDown();
  process.exit(code);
});

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    say('Stopping');
    server.stop();
  });
}

/** The database after the server, and the lock after both. */
async function shutDown() {
  await cluster?.stop();
  releaseLock();
}

/** One start a data directory: the lock names the process that holds it. */
function takeLock(directory) {
  const file = join(directory, 'start.pid');
  const holder = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 0;
  if (holder && holder !== process.pid && existsSync(`/proc/${holder}/cmdline`)) {
    const command = readFileSync(`/proc/${holder}/cmdline`, 'utf8');
    if (command.includes('start.mjs'))
      fail(`Joulemetric already runs with the data in ${directory} (process ${holder}).`);
  }
  try {
    mkdirSync(directory, { recursive: true, mode: 0o711 });
    writeFileSync(file, String(process.pid));
  } catch (error) {
    fail(
      `${directory} cannot be written (${error.code}): choose another place with JOULEMETRIC_DATA=/some/directory npm start.`,
    );
  }
  return file;
}

function releaseLock() {
  if (lock) rmSync(lock, { force: true });
}
