import { blankSupply } from '@joulemetric/core';
import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

const plain = { driveH: null, supply: null, hours: null };

test('when it runs out: a plan by keys and by hand, the trip, a moment, what ifs, another option, and how sure', async ({
  page,
}) => {
  const id = await openJob(page, (job) => ({
    ...job,
    brief: {
      ...job.brief,
      nightsOffGrid: 2,
      drives: [],
      months: [6],
      supplies: [{ ...blankSupply('hookup', '230V-50Hz'), id: 'hookup', name: 'Camp' }],
    },
  }));
  await add(page, 'fridge 45W');
  await add(page, 'lamp 30W 5h');
  await goTo(page, 'd');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('When does it run out, and how sure is that?');
  const strip = page.getByRole('region', { name: 'The days of the trip' });
  await expect(strip.getByRole('button', { name: /^usual, 2 days/ })).toBeVisible();
  await expect(strip.getByRole('button', { name: /^Camp, 1 day/ })).toBeVisible();

  // Longer by keys, another kind by hand; the plan stands in the job from then on.
  await strip.getByRole('button', { name: /^usual, 2 days/ }).press('ArrowRight');
  const usual = strip.getByRole('button', { name: /^usual, 3 days/ });
  await usual.press('Alt+ArrowRight');
  await strip.getByRole('button', { name: /^Camp, 1 day/ }).click();
  await strip.getByLabel('Hours a day').fill('6');
  await strip.getByRole('button', { name: 'More days' }).click();
  await strip.getByLabel('Days are').selectOption('driving');
  await strip.getByLabel('Driving a day').fill('2');
  await saved(page);
  expect((await storedJob(page, id)).brief.plan).toEqual([
    { ...plain, kind: 'supply', days: 1, supply: 'hookup', hours: 6 },
    { ...plain, kind: 'usual', days: 3 },
    { ...plain, kind: 'driving', days: 1, driveH: 2 },
  ]);

  // Dragged at its end by a day.
  const end = strip.locator('[data-end="usual"]');
  const box = await end.boundingBox();
  const wide = (await strip.locator('[data-end]').first().locator('..').locator('..').boundingBox())?.width ?? 0;
  if (!box) throw new Error('no end to drag');
  await page.mouse.move(box.x + 6, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + 6 + wide / 5, box.y + 20, { steps: 4 });
  await page.mouse.up();
  await expect(strip.getByRole('button', { name: /^usual, 4 days/ })).toBeVisible();

  const trip = page.getByRole('region', { name: 'The trip hour by hour' });
  await expect(trip).toContainText('In June it lasts');
  await expect(trip).toContainText('The books balance');
  await page.getByLabel('Weather').selectOption('sunless');
  await expect(trip).toContainText('it runs out on day');
  await expect(trip.getByRole('heading', { name: /Went without/ })).toBeVisible();
  const lamp = trip.getByText('Lamp', { exact: true });
  await expect(lamp.first()).toBeVisible();

  // A moment, by the keyboard, a day at a time.
  const moments = page.getByRole('slider');
  await moments.press('PageDown');
  await moments.press('PageDown');
  await moments.press('PageDown');
  const moment = page.getByRole('region', { name: 'A moment explained' });
  await expect(moment).toContainText('day 4');
  await expect(moment).toContainText('more of store');
  await page.getByRole('checkbox', { name: 'battery old' }).check();
  await expect(moment).toHaveCount(0);

  // How sure, and a year.
  await expect(page.locator('[data-odds="done"]')).toBeVisible({ timeout: 90_000 });
  const sure = page.getByRole('region', { name: 'How sure' });
  await expect(sure).toContainText(/In June it runs out/);
  await expect(page.locator('[data-year="ready"]')).toContainText('A usual day of each month');
  await expectSound(page);

  // When it is cut off is a setting of the option.
  await page.getByLabel('Kept for critical loads').fill('20');
  await page.getByLabel('First goes').selectOption('together');
  await saved(page);
  const job = await storedJob(page, id);
  expect([job.options[0]?.system.store.keepForCritical, job.rules.dropOrder]).toEqual([0.2, 'together']);
});

test('years are stopped and gone on with; what was played stands', async ({ page }) => {
  await openJob(page, (job) => job);
  await add(page, 'fridge 45W');
  await goTo(page, 'd');
  await page.getByRole('button', { name: 'Stop' }).click({ timeout: 30_000 });
  await expect(page.locator('[data-odds="stopped"]')).toBeVisible();
  await page.getByRole('button', { name: 'Play all 200 years' }).click();
  await expect(page.locator('[data-odds="done"]')).toBeVisible({ timeout: 90_000 });
  await expect(page.getByRole('region', { name: 'How sure' })).toContainText('200 years that might be');
});
