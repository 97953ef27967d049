import { throwAwayCluster } from '../tools/lib/cluster.mjs';
import { ensureBuild, ensurePostgres } from '../tools/lib/packages.mjs';
import { startServer } from '../tools/lib/server.mjs';

/** Playwright's global setup: the built application on a throw-away database with the demo jobs. */
export default async function serve(): Promise<() => Promise<void>> {
  await ensureBuild();
  const cluster = await throwAwayCluster(await ensurePostgres());
  const { url: databaseUrl, ownerUrl } = cluster;
  const server = await startServer({ databaseUrl, ownerUrl, port: 0, quiet: true, places: true });
  process.env.JOULEMETRIC_URL = `http://127.0.0.1:${server.port}`;
  return async () => {
    await server.stop();
    await cluster.stop();
  };
}
