import { launchChromium } from './browser.mjs';
import { throwAwayCluster } from './cluster.mjs';
import { ensureBuild, ensureChromium, ensureNodePackages, ensurePostgres } from './packages.mjs';
import { startServer } from './server.mjs';

/**
 * Builds the application, starts it on a throw-away database with the demo jobs, and hands over a browser; all is
 * stopped afterwards, whatever happens.
 * @param {(app: { browser: import('@playwright/test').Browser, baseURL: string, databaseUrl: string }) => Promise<void>} work
 */
export async function withApp(work) {
  await ensureNodePackages();
  await ensureChromium();
  await ensureBuild();
  const cluster = await throwAwayCluster(await ensurePostgres());
  const server = await startServer({ databaseUrl: cluster.url, ownerUrl: cluster.ownerUrl, port: 0, quiet: true });
  const browser = await launchChromium();
  try {
    await work({ browser, baseURL: `http://127.0.0.1:${server.port}`, databaseUrl: cluster.ownerUrl });
  } finally {
    await browser.close();
    await server.stop();
    await cluster.stop();
  }
}
