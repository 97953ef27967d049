import { throwAwayCluster } from '../tools/lib/cluster.mjs';
import { ensurePostgres } from '../tools/lib/packages.mjs';
import { startServer } from '../tools/lib/server.mjs';
import { add, expect, openJob, saved, storedJob, test } from './app.ts';

test('the database stops: the page says so, edits wait, and are saved when it is back', async ({ browser }) => {
  const bin = await ensurePostgres();
  const cluster = await throwAwayCluster(bin);
  const server = await startServer({ databaseUrl: cluster.url, ownerUrl: cluster.ownerUrl, port: 0, quiet: true });
  const baseURL = `http://127.0.0.1:${server.port}`;
  const context = await browser.newContext({ baseURL });
  const page = await context.newPage();
  try {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);

    await cluster.pause();
    await add(page, 'kettle');
    const status = page.locator('[data-save]:visible');
    await expect(status).toContainText('edit waits');
    await expect(status).toContainText('database does not answer');
    await add(page, 'toaster');
    await expect(status).toContainText('2 edits wait');
    await page.goto('/');
    await expect(page.getByRole('alert')).toContainText('PostgreSQL does not answer');

    await cluster.resume();
    await expect(page.getByRole('link', { name: /River-survey/ })).toBeVisible({ timeout: 15_000 });
    await page.goto(`/jobs/${id}/loads`);
    await expect(page.getByLabel('Name of Toaster')).toBeVisible();
    await saved(page);
    expect((await storedJob(page, id)).loads).toHaveLength(3);
  } finally {
    await context.close();
    await server.stop();
    await cluster.stop();
  }
});

test('without a signal edits wait in the browser, and a closed tab loses nothing', async ({ page, context }) => {
  const id = await openJob(page);
  await add(page, 'lamp 10W 1h');
  await saved(page);
  await context.setOffline(true);
  await add(page, 'kettle');
  await expect(page.locator('[data-save]:visible')).toContainText('no connection');
  await page.close();
  await context.setOffline(false);
  const again = await context.newPage();
  await again.goto(`/jobs/${id}/loads`);
  await expect(again.getByLabel('Name of Kettle')).toBeVisible();
  await saved(again);
  expect((await storedJob(again, id)).loads).toHaveLength(2);
});
