import type { Browser, BrowserContext, Page } from '@playwright/test';
import { expect, storedJob } from './app.ts';

/** Helpers for journeys of several people, tabs and lost signals. */

export const status = (page: Page) => page.locator('[data-save]:visible');
export const waits = (page: Page) => page.locator('[data-outbox]:visible');
export const names = async (page: Page, id: string) => (await storedJob(page, id)).loads.map(({ name }) => name);

/** Another person: a browser of their own, on the same job. */
export async function somebodyElse(browser: Browser, baseURL: string | undefined, path: string): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: baseURL ?? '', serviceWorkers: 'block' })).newPage();
  await page.goto(path);
  await expect(page.locator('h1')).toBeVisible();
  return page;
}

/** Another tab of the same browser. */
export async function anotherTab(context: BrowserContext, path: string): Promise<Page> {
  const page = await context.newPage();
  await page.goto(path);
  await expect(page.locator('h1')).toBeVisible();
  return page;
}

const API = '**/api/**';
export const cutOff = (context: BrowserContext) => context.route(API, (route) => route.abort());
export const connect = async (context: BrowserContext) => {
  await context.unroute(API);
  for (const page of context.pages()) await page.evaluate(() => window.dispatchEvent(new Event('online')));
};

/** The page looks again at what others have saved, as it does when somebody comes back to it. */
export async function follows(page: Page, name: string): Promise<void> {
  await expect(async () => {
    await page.evaluate(() => window.dispatchEvent(new Event('focus')));
    await expect(page.getByLabel(`Name of ${name}`, { exact: true })).toBeVisible({ timeout: 500 });
  }).toPass();
}

export async function rename(page: Page, from: string, to: string): Promise<void> {
  await page.getByLabel(`Name of ${from}`, { exact: true }).fill(to);
  await page.keyboard.press('Tab');
}

/** Presses a key of the whole page, as from outside a field. */
export async function press(page: Page, keys: string): Promise<void> {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press(keys);
}

/** A small picture, as a file of its own. */
export async function picture(page: Page, shade = '#9a4b17') {
  const bytes = await page.evaluate(async (fill) => {
    const drawn = new OffscreenCanvas(40, 30);
    const pen = drawn.getContext('2d');
    if (pen) {
      pen.fillStyle = fill;
      pen.fillRect(0, 0, 40, 30);
    }
    return [...new Uint8Array(await (await drawn.convertToBlob()).arrayBuffer())];
  }, shade);
  return { name: 'picture.png', mimeType: 'image/png', buffer: Buffer.from(bytes) };
}
