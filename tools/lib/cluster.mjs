import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { chmodSync, chownSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { findProcess, isRunning } from './processes.mjs';
import { prepareRoles } from './roles.mjs';
import { run } from './run.mjs';

/**
 * A private PostgreSQL cluster on loopback, with its own port, directory and passwords.
 * @typedef {{ url: string, ownerUrl: string, adminUrl: string, port: number, pid: number, stop: () => Promise<void>,
 *   exited: Promise<number> }} Cluster `url` is the server's role, which may read and write rows; `ownerUrl` owns the
 *   tables and migrates; `adminUrl` is the superuser's, for tests
 */

/** PostgreSQL refuses to run as root: as root its programs run as its system user. */
async function systemUser() {
  if (process.getuid?.() !== 0) return {};
  const ids = await Promise.all([run(['id', '-u', 'postgres']), run(['id', '-g', 'postgres'])]);
  if (ids.some(({ code }) => code !== 0)) throw new Error('PostgreSQL has no system user "postgres" on this machine');
  const [uid, gid] = ids.map(({ output }) => Number(output));
  return { uid, gid };
}

/** A port of loopback that is free now; the wanted one when it is. */
export function freePort(wanted = 0) {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (error) => (wanted && error.code === 'EADDRINUSE' ? resolve(freePort()) : reject(error)));
    probe.listen(wanted, '127.0.0.1', () => {
      const { port } = /** @type {import('node:net').AddressInfo} */ (probe.address());
      probe.close(() => resolve(port));
    });
  });
}

/**
 * Starts the cluster of a directory, creating it first when there is none.
 * @param {{ bin: string, directory: string, port: number, durable: boolean }} options `durable: false` is for
 *   throw-away clusters: nothing is forced to disk
 * @returns {Promise<Cluster>}
 */
export async function startCluster({ bin, directory, port, durable }) {
  const owner = await systemUser();
  const data = join(directory, 'postgres');
  const secret = join(directory, 'password');
  makeDirectory(directory);
  await requireReach(directory, owner);
  if (!existsSync(join(data, 'PG_VERSION'))) {
    const password = randomBytes(24).toString('base64url');
    writeFileSync(secret, password, { mode: 0o600 });
    rmSync(data, { recursive: true, force: true });
    mkdirSync(data, { mode: 0o700 });
    if (owner.uid !== undefined) {
      chownSync(data, owner.uid, owner.gid);
      chownSync(secret, owner.uid, owner.gid);
    }
    const init = [
      join(bin, 'initdb'),
      '-D',
      data,
      '-U',
      'joulemetric',
      `--pwfile=${secret}`,
      '-A',
      'scram-sha-256',
      '-E',
      'UTF8',
      '--locale=C.UTF-8',
    ];
    const { code, output } = await run(durable ? init : [...init, '--no-sync'], { cwd: '/', ...owner });
    if (code !== 0) {
      rmSync(data, { recursive: true, force: true });
      throw new Error(`initdb failed in ${data}: ${output.trim()}`);
    }
  }
  const quick = ['-c', 'fsync=off', '-c', 'synchronous_commit=off', '-c', 'full_page_writes=off'];
  const args = ['-D', data, '-p', String(port), '-h', '127.0.0.1', '-k', data, ...(durable ? [] : quick)];
  // Its own session: Ctrl-C in the terminal reaches us, and we stop the server first, then the database.
  const child = spawn(join(bin, 'postgres'), args, {
    cwd: '/',
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe'],
    ...owner,
  });
  const exited = new Promise((resolve) => child.once('exit', (code) => resolve(code ?? 1)));
  await ready(child);
  const stop = async () => {
    if (child.exitCode === null) child.kill('SIGINT');
    await exited;
  };
  try {
    const urls = await prepareRoles(directory, readFileSync(secret, 'utf8'), port);
    return { ...urls, port, pid: child.pid ?? 0, stop, exited };
  } catch (error) {
    await stop();
    throw error;
  }
}

/** Makes a directory that PostgreSQL's system user can pass through. One that exists keeps its owner and mode. */
function makeDirectory(directory) {
  const first = mkdirSync(directory, { recursive: true, mode: 0o711 });
  if (first === undefined) return;
  // The process's umask may have taken bits of those that were made here.
  for (let made = directory; made.length >= first.length; made = dirname(made)) chmodSync(made, 0o711);
}

/** As root the database runs as its system user, which must be able to get to its own directory. */
async function requireReach(directory, owner) {
  if (owner.uid === undefined) return;
  const { code } = await run(['test', '-x', directory], { cwd: '/', ...owner });
  if (code !== 0)
    throw new Error(
      `its system user "postgres" cannot get to ${directory}: allow passing through it and the directories above (chmod o+x), or choose another place with JOULEMETRIC_DATA`,
    );
}

function ready(child) {
  return new Promise((resolve, reject) => {
    let log = '';
    child.stderr.on('data', (chunk) => {
      if (log !== null) log += chunk;
      if (log?.includes('ready to accept connections')) {
        log = null;
        resolve(undefined);
      }
    });
    child.once('exit', () =>
      reject(new Error(`PostgreSQL stopped while starting: ${(log ?? '').trim().split('\n').at(-1)}`)),
    );
    child.once('error', reject);
  });
}

/**
 * A cluster for tests that leaves nothing behind when stopped; it can be taken away and brought back.
 * @param {{ base?: string, durable?: boolean }} [options] `durable` when what it acknowledged must outlive its being killed
 */
export async function throwAwayCluster(bin, { base = tmpdir(), durable = false } = {}) {
  const directory = mkdtempSync(join(base, 'joulemetric-test-'));
  chmodSync(directory, 0o711);
  const start = (port) => startCluster({ bin, directory, port, durable });
  let cluster = await start(await freePort());
  const stop = async () => {
    await cluster.stop();
    rmSync(directory, { recursive: true, force: true });
  };
  const resume = async () => {
    cluster = await start(cluster.port);
  };
  /** After a fault that may or may not have ended it. */
  const resumeIfDead = async () => {
    if (!isRunning(cluster.pid)) await resume().catch(() => undefined);
  };
  const { url, ownerUrl, adminUrl } = cluster;
  return { url, ownerUrl, adminUrl, directory, pause: () => cluster.stop(), resume, resumeIfDead, stop };
}

/** ms that a database may take to end in order before it is ended hard; it then recovers at its next start. */
const END_MS = 10_000;

/**
 * Ends a database that an earlier start left running in this directory (it was killed, not stopped), and clears away
 * the mark it left. The process is found by the directory it was started with: a mark names only a number, which by
 * now may be another program's, or it may be torn.
 */
export async function stopOrphan(directory) {
  const data = join(directory, 'postgres');
  const pid = findProcess((args) => /(?:^|\/)postgres$/.test(args[0] ?? '') && args[args.indexOf('-D') + 1] === data);
  if (pid) {
    process.kill(pid, 'SIGINT');
    if (!(await ended(pid, END_MS))) {
      process.kill(pid, 'SIGQUIT');
      await ended(pid, END_MS);
    }
  }
  rmSync(join(data, 'postmaster.pid'), { force: true });
}

/** Whether a process ends within the time. */
export async function ended(pid, ms) {
  for (const until = Date.now() + ms; Date.now() < until; ) {
    if (!isRunning(pid)) return true;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return !isRunning(pid);
}
