import { AxeBuilder } from '@axe-core/playwright';
import { blankJob, type Job } from '@joulemetric/core';
import { test as base, expect, type Page } from '@playwright/test';

/**
 * A page of the application. Every test also asserts that no request leaves the machine and that the page
 * throws and logs no error.
 */
export const test = base.extend({
  // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures from the pattern.
  baseURL: async ({}, use) => use(process.env.JOULEMETRIC_URL),
  page: async ({ page, baseURL }, use) => {
    const foreign: string[] = [];
    const errors: string[] = [];
    page.on('request', (request) => {
      const url = request.url();
      if (!url.startsWith(`${baseURL}/`) && !/^(?:data|blob):/.test(url)) foreign.push(url);
    });
    page.on('pageerror', (error) => errors.push(error.message));
    page.on('console', (message) => {
      // Chromium reports every refused request as an error of its own; those are the tests' subject.
      if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
        errors.push(message.text());
    });
    await use(page);
    expect(foreign).toEqual([]);
    expect(errors).toEqual([]);
  },
});

export { expect };

/** A job of its own for each test, so that tests do not meet. */
export async function openJob(page: Page, change: (job: Job) => Job = (job) => job, step = 'loads'): Promise<string> {
  const job = change(blankJob(`Test ${Math.random().toString(36).slice(2)}`));
  const response = await page.request.post('/api/jobs', { data: job });
  expect(response.status()).toBe(201);
  const { id } = await response.json();
  await page.goto(`/jobs/${id}/${step}`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  return id;
}

export async function storedJob(page: Page, id: string): Promise<Job> {
  return (await (await page.request.get(`/api/jobs/${id}`)).json()).job;
}

export async function saved(page: Page): Promise<void> {
  await expect(page.locator('[data-save]:visible')).toHaveAttribute('data-save', 'saved');
}

export async function add(page: Page, line: string): Promise<void> {
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await field.fill(line);
  await field.press('Enter');
  await expect(field).toHaveValue('');
}

/** No serious accessibility fault, and nothing wider than the screen. */
export async function expectSound(page: Page): Promise<void> {
  // What was never in view has no size of its own yet, and what lies below it would be measured where it is not.
  await page.evaluate(async () => {
    for (const part of document.querySelectorAll('.painted-in-view')) {
      part.scrollIntoView();
      await new Promise(requestAnimationFrame);
    }
    document.querySelector('h1')?.scrollIntoView({ block: 'end' });
  });
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze();
  const grave = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(grave.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`)).toEqual([]);
  const width = await page.evaluate(() => [document.documentElement.scrollWidth, window.innerWidth]);
  expect(width[0]).toBeLessThanOrEqual(width[1] ?? 0);
}

/** Goes to a step by its keys, as from outside a field: G, then its letter. */
export async function goTo(
  page: Page,
  letter: 'b' | 'l' | 'p' | 'w' | 's' | 'o' | 'd' | 'u' | 'm' | 'r',
): Promise<void> {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('g');
  await page.keyboard.press(letter);
  // What is played through or ranked there comes above what is pressed: until then it may move.
  if (letter === 'o') await page.locator('[data-sources="ready"] [data-day="ready"]').waitFor();
  if (letter === 'p')
    await page.locator('[data-reckoned]').or(page.getByText('Take down the loads first')).first().waitFor();
}
