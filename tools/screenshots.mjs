/** `npm run screenshots`: one current picture of each main view, from the demo jobs, into docs/screenshots. */
import { join } from 'node:path';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';
import { withApp } from './lib/withApp.mjs';

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };
const open = (selector) => async (page) => page.locator(selector).first().click();

/** File, demo job, step, and what is done before the picture is taken. */
const VIEWS = [
  // What each comes to is reckoned on the server, a moment after it was opened.
  { file: 'jobs', act: (page) => page.waitForFunction(() => document.body.innerText.split('of which').length > 3) },
  { file: 'brief', job: 'Bookbinder', step: 'brief' },
  { file: 'loads', job: 'River', step: 'loads' },
  {
    file: 'load-detail',
    job: 'River',
    step: 'loads',
    act: async (page) => {
      await page.getByLabel('Name of Laptops').focus();
      await page.getByRole('button', { name: 'Details' }).click();
    },
  },
  {
    file: 'paths',
    job: 'Bookbinder',
    step: 'paths',
    act: (page) => page.locator('[data-order="proved"]').waitFor(),
  },
  {
    file: 'moves',
    job: 'Touring',
    step: 'paths',
    act: async (page) => {
      await page.locator('[data-order="proved"]').waitFor();
      await page.getByRole('checkbox', { name: /on only with its loads/ }).check();
      await page.getByRole('checkbox', { name: /second, small inverter/ }).check();
      await page.getByRole('heading', { name: 'Moves, best first' }).evaluate((head) => head.scrollIntoView());
    },
  },
  { file: 'moment', job: 'Bookbinder', step: 'moment' },
  {
    file: 'supplies',
    job: 'Touring',
    step: 'moment',
    act: (page) => page.locator('[data-supply="town-square"]').evaluate((part) => part.scrollIntoView()),
  },
  { file: 'result', job: 'River', step: 'result' },
  { file: 'working-dark', job: 'Touring', step: 'result', theme: 'dark', act: open('[data-figure="store.required"]') },
  { file: 'phone-loads', job: 'River', step: 'loads', size: PHONE },
  { file: 'phone-logbook', job: 'River', step: 'logbook', size: PHONE },
  { file: 'store', job: 'River', step: 'store' },
  { file: 'sources', job: 'River', step: 'sources' },
  { file: 'days', job: 'River', step: 'days' },
  { file: 'runs', job: 'River', step: 'runs' },
  {
    file: 'diagram',
    job: 'River',
    step: 'runs',
    act: (page) => page.locator('[data-diagram=ready]').evaluate((part) => part.scrollIntoView()),
  },
  {
    file: 'logbook',
    job: 'River',
    step: 'logbook',
    act: async (page) => {
      await page.getByRole('button', { name: /Two nights/ }).click();
      await page.getByText('48 h asked for').waitFor();
    },
  },
  { file: 'parts', path: '/parts' },
];

await withApp(async ({ browser, baseURL }) => {
  const jobs = await (await fetch(`${baseURL}/api/jobs`)).json();
  for (const { file, job, step, path = '/', theme = 'light', size = DESK, act } of VIEWS) {
    const context = await browser.newContext({ baseURL, viewport: size, colorScheme: theme, reducedMotion: 'reduce' });
    const page = await context.newPage();
    const id = jobs.find(({ title }) => job && title.startsWith(job))?.id;
    await page.goto(id ? `/jobs/${id}/${step}` : path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    if (step === 'moment') await page.locator('[data-moment="ready"]').waitFor();
    if (step === 'store') await page.locator('[data-store="ready"]').waitFor();
    if (step === 'sources') await page.locator('[data-sources="ready"] [data-day="ready"]').waitFor();
    if (step === 'runs') await page.locator('[data-diagram="ready"]').waitFor();
    if (step === 'days') await page.locator('[data-odds="done"]').waitFor({ timeout: 60_000 });
    if (step === 'result') await page.locator('[data-stay="ready"]').waitFor();
    await act?.(page);
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(400);
    await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${file}.png`) });
    say(`${file}.png`);
    await context.close();
  }
});
