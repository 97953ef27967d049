import type { BrowserContext, Page } from '@playwright/test';
import { throwAwayCluster } from '../tools/lib/cluster.mjs';
import { ensurePostgres } from '../tools/lib/packages.mjs';
import { startServer } from '../tools/lib/server.mjs';
import { add, expect, openJob, saved, storedJob, test } from './app.ts';

const status = (page: Page) => page.locator('[data-save]:visible');
const names = async (page: Page, id: string) => (await storedJob(page, id)).loads.map((load) => load.name);

async function openAgain(context: BrowserContext, id: string): Promise<Page> {
  const page = await context.newPage();
  await page.goto(`/jobs/${id}/loads`);
  // A question may stand before the sheet.
  await expect(page.locator('h1')).toBeVisible();
  return page;
}

const API = '**/api/**';
/** No request gets through, also not one that a page sends while it is being closed. */
const cutOff = (context: BrowserContext) => context.route(API, (route) => route.abort());

test('two tabs without a signal on one job: both are closed, and nothing of either is lost', async ({
  page,
  context,
}) => {
  const id = await openJob(page);
  await add(page, 'lamp 10W 1h');
  await saved(page);
  const other = await openAgain(context, id);
  await expect(other.getByLabel('Name of Lamp')).toBeVisible();
  await cutOff(context);
  await add(page, 'kettle');
  await add(other, 'toaster');
  await expect(status(page)).toContainText('1 edit waits');
  await expect(status(other)).toContainText('1 edit waits');
  await page.close();
  await other.close();
  await context.unroute(API);

  const list = await context.newPage();
  await list.goto('/');
  await expect(list.getByText('2 edits wait in this browser')).toBeVisible();
  await list.goto(`/jobs/${id}/loads`);
  await expect(list.getByLabel('Name of Kettle')).toBeVisible();
  await expect(list.getByLabel('Name of Toaster')).toBeVisible();
  await saved(list);
  expect((await names(list, id)).sort()).toEqual(['Kettle', 'Lamp', 'Toaster']);
  await list.goto('/');
  await expect(list.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(list.getByText('in this browser')).toHaveCount(0);
});

test('two tabs changed the same thing: one stands, the other is asked about', async ({ page, context }) => {
  const id = await openJob(page);
  await add(page, 'lamp 10W 1h');
  await saved(page);
  const other = await openAgain(context, id);
  await cutOff(context);
  const rename = async (tab: Page, name: string) => {
    await tab.getByLabel('Name of Lamp').fill(name);
    await tab.keyboard.press('Tab');
    await expect(status(tab)).toContainText('waits');
  };
  await rename(page, 'Reading lamp');
  await rename(other, 'Awning lamp');
  await page.close();
  await other.close();
  await context.unroute(API);

  const again = await openAgain(context, id);
  const question = again.getByRole('dialog', { name: 'Edits of an earlier tab are still here' });
  await expect(question).toBeVisible();
  await saved(again);
  expect(await names(again, id)).toEqual(['Reading lamp']);
  await question.getByRole('button', { name: 'Put in place of what is open' }).click();
  await expect(question).toBeHidden();
  await saved(again);
  expect(await names(again, id)).toEqual(['Awning lamp']);
});

test('what the browser kept and nobody can read is set aside, and the job opens', async ({ page }) => {
  const id = await openJob(page);
  await add(page, 'lamp 10W 1h');
  await saved(page);
  await page.evaluate((job) => localStorage.setItem(`joulemetric:pending:${job}`, '{"baseVersion":1,"job":{"tit'), id);
  await page.reload();
  const aside = page.getByRole('dialog', { name: 'Edits of an earlier tab are still here' });
  await expect(aside).toContainText('cannot be read');
  await aside.getByRole('button', { name: 'Drop' }).click();
  await expect(page.getByLabel('Name of Lamp')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Name of Lamp')).toBeVisible();
  await expect(aside).toHaveCount(0);
});

test('when the browser’s storage is full it is said while the edit is still here', async ({ page, context }) => {
  const id = await openJob(page);
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await context.setOffline(true);
  await add(page, 'kettle');
  await expect(status(page)).toContainText('storage is full');
  const download = page.waitForEvent('download');
  await status(page).getByRole('button', { name: 'save the job file' }).click();
  expect((await download).suggestedFilename()).toMatch(/\.json$/);
  await context.setOffline(false);
  await saved(page);
  expect(await names(page, id)).toEqual(['Kettle']);
});

test('a guest network’s sign-in page is no answer: edits wait, and are saved when it is gone', async ({ page }) => {
  const id = await openJob(page);
  for (const answer of [
    { status: 200, contentType: 'text/html', body: '<h1>Welcome to our network</h1>' },
    { status: 302, headers: { Location: 'http://127.0.0.1:9/sign-in' } },
    { status: 200, contentType: 'application/json', body: '{"id":"' },
    { status: 200, contentType: 'application/json', body: '{}' },
    { status: 500, contentType: 'text/plain', body: 'oops' },
  ]) {
    await page.route('**/api/**', (route) => route.fulfill(answer));
    await add(page, 'lamp 10W 1h');
    await expect(status(page), JSON.stringify(answer)).toContainText('no connection');
    await page.unroute('**/api/**');
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await saved(page);
  }
  expect(await names(page, id)).toHaveLength(5);
});

test('a table with more rows than fit: what is taken is chosen, and it is read off the page', async ({ page }) => {
  const id = await openJob(page);
  await add(page, 'lamp 10W 1h');
  const table = (count: number) =>
    Buffer.from(`name,power_w\n${Array.from({ length: count }, (_, i) => `Row ${i + 1},${i + 1}`).join('\n')}\n`);
  const input = page.getByLabel('Read a CSV…');
  await input.setInputFiles({ name: 'long.csv', mimeType: 'text/csv', buffer: table(600) });
  const choice = page.getByRole('dialog', { name: '600 rows are more than fit' });
  await expect(choice).toContainText('room for 499');
  await choice.getByLabel('First good row to take').fill('101');
  await choice.getByRole('button', { name: 'Take these 499 rows' }).click();
  await saved(page);
  const stored = await names(page, id);
  expect(stored).toHaveLength(500);
  expect([stored[1], stored.at(-1)]).toEqual(['Row 101', 'Row 599']);

  const line = page.getByRole('combobox', { name: 'Add a load' });
  await line.fill('kettle');
  await line.press('Enter');
  await expect(page.getByRole('alert')).toContainText('as many as it can hold');
  await expect(line).toHaveValue('kettle');

  await input.setInputFiles({ name: 'endless.csv', mimeType: 'text/csv', buffer: table(60_000) });
  await expect(page.getByRole('dialog', { name: 'endless.csv cannot be read' })).toContainText('more than 5000 rows');
});

test('with the server down the page still opens, says so, and goes on when it is back', async ({ browser }) => {
  const cluster = await throwAwayCluster(await ensurePostgres());
  let server = await startServer({ databaseUrl: cluster.url, ownerUrl: cluster.ownerUrl, port: 0, quiet: true });
  const { port } = server;
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, serviceWorkers: 'allow' });
  try {
    const page = await context.newPage();
    await page.goto('/');
    await page.evaluate(async () => {
      const ready = await navigator.serviceWorker.ready;
      while (ready.active?.state !== 'activated') await new Promise((resolve) => setTimeout(resolve, 100));
      while (!navigator.serviceWorker.controller) await new Promise((resolve) => setTimeout(resolve, 100));
    });
    await server.stop();
    await page.reload();
    await expect(page.getByRole('heading', { level: 1, name: 'Which vehicle?' })).toBeVisible();
    await expect(page.getByRole('alert')).toContainText('The server does not answer');
    await page.goto('/jobs/00000000-0000-4000-8000-000000000000/paths');
    await expect(page.getByRole('heading', { name: 'The job cannot be fetched just now' })).toBeVisible();
    server = await startServer({ databaseUrl: cluster.url, ownerUrl: cluster.ownerUrl, port, quiet: true });
    await page.goto('/');
    await expect(page.getByRole('link', { name: /River-survey/ })).toBeVisible({ timeout: 15_000 });
  } finally {
    await context.close();
    await server.stop();
    await cluster.stop();
  }
});
