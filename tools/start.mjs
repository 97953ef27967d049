/** `npm start`: from a fresh machine to a running Joulemetric, saying each step. See README.md. */
import { mkdirSync } from 'node:fs';
import { freePort, startCluster, stopOrphan } from './lib/cluster.mjs';
import { endOrphanServer, markServer, releaseDirectory, takeDirectory } from './lib/lock.mjs';
import { ensureBuild, ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { dataDirectory } from './lib/paths.mjs';
import { fail, say } from './lib/say.mjs';
import { answers, startServer } from './lib/server.mjs';
import { supervise } from './lib/supervise.mjs';
import { serverPlace } from './lib/unprivileged.mjs';

const DEFAULT_PORT = 4680;
const DATABASE_PORT = 54_680;

const unknown = process.argv.slice(2).filter((argument) => argument !== '--fresh-demo');
if (unknown.length > 0) fail(`Unknown argument ${unknown[0]}; there is only --fresh-demo.`);
const freshDemo = process.argv.includes('--fresh-demo');
const port = Number(process.env.PORT || DEFAULT_PORT);
if (!Number.isInteger(port) || port < 1 || port > 65_535)
  fail(`PORT must be a port number, not "${process.env.PORT}".`);

const directory = dataDirectory();
const ownDatabase = !process.env.DATABASE_URL;
if (ownDatabase) await takeOver();
if ((await freePort(port)) !== port) {
  if (ownDatabase) releaseDirectory(directory);
  fail(`Port ${port} is taken: stop what uses it, or choose another with PORT=${port + 1} npm start.`);
}
await ensureNodePackages();
const database = ownDatabase ? await privateDatabase() : given();
await ensureBuild();
const place = await serverPlace(directory);
say(freshDemo ? 'Migrating and resetting the demo jobs' : 'Migrating');
const server = await runServer(freshDemo ? 'replace' : 'first-start').catch(async (error) => {
  await database.stop();
  if (ownDatabase) releaseDirectory(directory);
  fail(error.message);
});
say(`Joulemetric is ready: http://127.0.0.1:${port}/`);

const keptServer = supervise('The server', server, () => runServer('first-start'), { answers });
keptServer.lost.then(async (reason) => {
  process.stderr.write(`\n${reason}\n`);
  await shutDown(1);
});
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => void shutDown(0));
}

let stopping = false;

/** The server first, then the database, the marks after both. */
async function shutDown(code) {
  if (stopping) return;
  stopping = true;
  say('Stopping');
  await keptServer.stop();
  await database.stop();
  if (ownDatabase) releaseDirectory(directory);
  process.exit(code);
}

/** Takes the data directory, and ends what a start that was killed left running with it. */
async function takeOver() {
  try {
    mkdirSync(directory, { recursive: true, mode: 0o711 });
    const other = takeDirectory(directory);
    if (other !== null) fail(`Joulemetric already runs with the data in ${directory} (process ${other}).`);
  } catch (error) {
    fail(
      `${directory} cannot be written (${error.code}): choose another place with JOULEMETRIC_DATA=/some/directory npm start.`,
    );
  }
  await endOrphanServer(directory);
  await stopOrphan(directory);
}

async function privateDatabase() {
  const bin = await ensurePostgres();
  say(`Starting PostgreSQL, data in ${directory}`);
  try {
    const databasePort = await freePort(DATABASE_PORT);
    const start = () => startCluster({ bin, directory, port: databasePort, durable: true });
    const cluster = await start();
    return { url: cluster.url, ownerUrl: cluster.ownerUrl, stop: supervise('PostgreSQL', cluster, start).stop };
  } catch (error) {
    releaseDirectory(directory);
    return fail(`PostgreSQL cannot be started: ${error.message}`);
  }
}

function given() {
  say('Using the database of DATABASE_URL');
  return { url: process.env.DATABASE_URL, ownerUrl: process.env.DATABASE_OWNER_URL, stop: async () => {} };
}

async function runServer(demo) {
  const { url, ownerUrl } = database;
  const started = await startServer({
    databaseUrl: url,
    ownerUrl,
    port,
    env: { JOULEMETRIC_DEMO: demo },
    places: true,
    ...place,
  });
  if (ownDatabase) markServer(directory, started.pid);
  return started;
}
