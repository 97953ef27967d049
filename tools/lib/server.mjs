import { fork } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';

/**
 * Starts the Express server in a process of its own; resolves when it listens, rejects with what it said
 * when it could not.
 * @param {{ databaseUrl: string, port: number, env?: NodeJS.ProcessEnv, quiet?: boolean }} options
 * @returns {Promise<{ port: number, stop: () => Promise<void>, exited: Promise<number> }>}
 */
export function startServer({ databaseUrl, port, env = {}, quiet = false }) {
  const server = fork(join(ROOT, 'server', 'src', 'main.ts'), [], {
    cwd: ROOT,
    // Its own session: Ctrl-C in the terminal reaches the starter, which stops things in order.
    detached: true,
    execArgv: ['--import', 'tsx'],
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'pipe', 'ipc'],
    env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: databaseUrl, PORT: String(port), ...env },
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
      resolve({ port: message.port, stop, exited });
    });
    exited.then(() => reject(new Error(said.trim() || 'the server stopped while starting')));
  });
}
