import { throwAwayCluster } from './cluster.mjs';
import { ensureNodePackages, ensurePostgres } from './packages.mjs';
import { startServer } from './server.mjs';

/**
 * The API on a throw-away database, both started again when they die, for programs that are out to break it.
 * @param {{ env?: NodeJS.ProcessEnv, base?: string, durable?: boolean }} options `base` is the directory the cluster is
 *   made in; `durable`: what the database acknowledged outlives its being killed
 */
export async function startService({ env = {}, base, durable = false } = {}) {
  await ensureNodePackages();
  const cluster = await throwAwayCluster(await ensurePostgres(), { base, durable });
  const settings = { JOULEMETRIC_REQUESTS_PER_MINUTE: '0', LOG_LEVEL: 'silent', ...env };
  const start = (port) =>
    startServer({ databaseUrl: cluster.url, ownerUrl: cluster.ownerUrl, port, quiet: true, env: settings });
  let server = await start(0);
  const { port } = server;
  let stopping = false;
  /** The server again, as `npm start` would: it is tried until it comes up. */
  const keep = async () => {
    while (!stopping) {
      await server.exited;
      for (let up = false; !up && !stopping; ) {
        await new Promise((resolve) => setTimeout(resolve, 200));
        up = await start(port).then(
          (again) => {
            server = again;
            return true;
          },
          () => false,
        );
      }
    }
  };
  const keeping = keep();
  return {
    url: `http://127.0.0.1:${port}`,
    port,
    cluster,
    serverPid: () => server.pid,
    stop: async () => {
      stopping = true;
      await server.stop();
      await keeping;
      await server.stop();
      await cluster.stop();
    },
  };
}
