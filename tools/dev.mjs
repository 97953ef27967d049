/** `npm run dev`: a throw-away database with the demo, the API restarted on change, the page with hot reload. */
import { spawn } from 'node:child_process';
import { freePort, throwAwayCluster } from './lib/cluster.mjs';
import { ensureNodePackages, ensurePostgres } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';

await ensureNodePackages();
const cluster = process.env.DATABASE_URL ? null : await throwAwayCluster(await ensurePostgres());
const port = await freePort(4681);
const env = {
  ...process.env,
  DATABASE_URL: process.env.DATABASE_URL ?? cluster?.url,
  DATABASE_OWNER_URL: process.env.DATABASE_OWNER_URL ?? cluster?.ownerUrl ?? '',
  PORT: String(port),
};
const options = { cwd: ROOT, env: { ...env, JOULEMETRIC_API: `http://127.0.0.1:${port}` }, stdio: 'inherit' };
const api = spawn(process.execPath, ['node_modules/tsx/dist/cli.mjs', 'watch', 'server/src/main.ts'], options);
const page = spawn(process.execPath, ['node_modules/vite/bin/vite.js', 'web', '--host', '127.0.0.1'], options);
say(`API on ${port}; what is edited here is thrown away at the end. Set DATABASE_URL to keep it.`);

let stopping = false;
async function stop() {
  if (stopping) return;
  stopping = true;
  api.kill('SIGTERM');
  page.kill('SIGTERM');
  await cluster?.stop();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, stop);
api.on('exit', stop);
page.on('exit', stop);
