import { add, expect, goTo, openJob, saved, storedJob, test } from './app.ts';

test('a load is fed otherwise in one option, arrays stand side by side, a table says the months', async ({ page }) => {
  const id = await openJob(page);
  await add(page, 'laptop 60W 5h 230V');
  await add(page, 'kettle 1200W 3x4min');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('copy this option');
  await page.keyboard.press('Enter');
  await page.getByRole('radio', { name: 'B 12 V' }).click();
  const path = page.getByLabel('Path of Laptop');
  const usual = await path.inputValue();
  await path.selectOption('direct');
  await saved(page);
  let job = await storedJob(page, id);
  expect(job.options.map(({ feeds }) => feeds.length)).toEqual([0, 1]);
  expect(job.loads[0]?.path).toBe(usual);
  await page.getByRole('radio', { name: 'A 12 V' }).click();
  await expect(path).toHaveValue(usual);
  await page.getByRole('radio', { name: 'B 12 V' }).click();
  await expect(path).toHaveValue('direct');

  await goTo(page, 'o');
  const arrays = page.getByRole('region', { name: 'Solar arrays' });
  await arrays.getByRole('button', { name: 'Choose the array' }).click();
  const first = arrays.getByRole('article', { name: 'Array 1' });
  await first.getByLabel('Laboratory watts').fill('300');
  await first.getByLabel('Gives at most').fill('10');
  await arrays.getByRole('button', { name: 'Another array' }).click();
  const second = arrays.getByRole('article', { name: 'Array 2' });
  await second.getByLabel('Laboratory watts').fill('150');
  await second.getByLabel('Gives at most').fill('');
  await second.getByLabel('Lost to shade all day').fill('20');
  await second.getByLabel('Tilted by').fill('30');
  await second.getByLabel('Faces, from north').fill('180');
  await expect(page.locator('[data-figure="array.rating"]').first()).toContainText('450');
  await saved(page);
  job = await storedJob(page, id);
  expect(job.options[1]?.system.arrays).toMatchObject([
    { ratingW: 300, controller: { maxA: 10 } },
    { ratingW: 150, controller: { maxA: null }, slopeDeg: 30, azimuthDeg: 180, shade: 0.2 },
  ]);
  expect(job.options[0]?.system.arrays).toBeNull();
  await second.getByRole('button', { name: 'Take the array out' }).click();
  await expect(second).toHaveCount(0);
  await expect(first.getByLabel('Laboratory watts')).toHaveValue('300');

  await goTo(page, 'b');
  await page.getByText('Clocks, height, month by month').click();
  const months = page.getByLabel('Peak sun hours, January to December');
  await months.fill('1 2 3');
  await expect(page.getByText('Twelve figures, January first: these are 3')).toBeVisible();
  await months.fill('1 2 3 4 4.5 5 5 4.5 3.5 2.5 1.5 1');
  await saved(page);
  expect((await storedJob(page, id)).brief.place.monthly.peakSunHours?.[8]).toBe(3.5);
  await page.getByLabel('Clocks ahead of UTC').fill('25');
  await expect(page.getByText('Between -12 and 14 h')).toBeVisible();
});
