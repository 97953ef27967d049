import { fork } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';

/** The server says by it that trying again would not help. */
export const HOPELESS = 2;

/** ms within which a server that is well answers, however busy. */
const ANSWER_MS = 8000;

/** Whether a server answers at all; what it says does not matter: without its database it is still well. */
export const answers = ({ port }) =>
  fetch(`http://127.0.0.1:${port}/api/health`, { signal: AbortSignal.timeout(ANSWER_MS) }).then(() => true);

/**
 * Starts the Express server in a process of its own; resolves when it listens, rejects with what it said
 * when it could not. It ends by itself when its starter is gone.
 * @param {{ databaseUrl: string, ownerUrl?: string, port: number, env?: NodeJS.ProcessEnv, quiet?: boolean,
 *   places?: boolean, root?: string, user?: { uid: number, gid: number } | {} }} options `places` fills the gazetteer, `root` holds the program,
 *   `user` is whom it runs as
 * @returns {Promise<{ port: number, pid: number, stop: () => Promise<void>, kill: () => void, exited: Promise<number> }>}
 */
export function startServer({
  databaseUrl,
  ownerUrl,
  port,
  env = {},
  quiet = false,
  places = false,
  root = ROOT,
  user = {},
}) {
  const server = fork(join(root, 'server', 'src', 'main.ts'), [], {
    cwd: root,
    // Its own session: Ctrl-C in the terminal reaches the starter, which stops things in order.
    detached: true,
    execArgv: ['--import', 'tsx'],
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'pipe', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      ...(ownerUrl ? { DATABASE_OWNER_URL: ownerUrl } : {}),
      PORT: String(port),
      ...(places ? {} : { JOULEMETRIC_PLACES: 'none' }),
      ...env,
    },
    ...user,
  });
  const exited = new Promise((resolve) => server.once('exit', (code) => resolve(code ?? 1)));
  const stop = async () => {
    if (server.exitCode === null) server.kill('SIGTERM');
    await exited;
  };
  return new Promise((resolve, reject) => {
    let said = '';
    server.stderr?.on('data', (chunk) => {
      said += chunk;
    });
    server.once('message', (/** @type {{ port: number }} */ message) => {
      server.stderr?.pipe(process.stderr);
      const kill = () => void server.kill('SIGKILL');
      resolve({ port: message.port, pid: server.pid ?? 0, stop, kill, exited });
    });
    exited.then((code) => {
      const error = new Error(said.trim() || 'the server stopped while starting');
      reject(Object.assign(error, { hopeless: code === HOPELESS }));
    });
  });
}
