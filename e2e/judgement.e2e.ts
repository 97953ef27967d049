import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

test('a microwave’s watts are asked about, with both readings one tap away, and what is taken unsaid is shown', async ({
  page,
}) => {
  const id = await openJob(page);
  const line = page.getByRole('combobox', { name: 'Add a load' });
  await line.fill('microwave 700W 5 min');
  await line.press('Enter');
  await expect(page.getByRole('alert')).toContainText('what it cooks with, or what it takes in');
  await page.getByRole('button', { name: /^700W cooking/ }).click();
  await expect(line).toHaveValue('microwave 700W cooking 5 min');
  await expect(page.getByText('cooking power ÷ 0.68')).toBeVisible();
  await line.press('Enter');
  await add(page, 'winch 30A 2 min');
  await saved(page);
  const loads = (await storedJob(page, id)).loads;
  expect(loads.map(({ draw }) => draw.kind === 'steady' && Math.round(draw.powerW))).toEqual([1029, 360]);
  expect(loads[1]?.path).toBe('direct');
});

test('what such a job usually has is asked for: added with one tap, or said not to be there, once', async ({
  page,
}) => {
  const id = await openJob(page);
  for (const line of ['fridge', 'kettle', 'toaster']) await add(page, line);
  const asked = page.getByRole('status').filter({ hasText: 'There is none' });
  await expect(asked).toContainText('LED lights?');
  await asked.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByLabel('Name of LED lights')).toBeVisible();
  await expect(asked).toContainText('Phone?');
  await asked.getByRole('button', { name: 'There is none' }).click();
  await expect(asked).toContainText('Always on?');
  await saved(page);
  await page.reload();
  await expect(asked).toContainText('Always on?');
  await saved(page);
  const stored = await storedJob(page, id);
  expect([stored.loads.length, stored.hasNot]).toEqual([4, [{ id: 'phone' }]]);
});

test('a habit that shrinks the inverter is marked with one tap and stands on the client’s card', async ({ page }) => {
  await openJob(page);
  for (const line of ['hair dryer 1500W', 'toaster 900W', 'kettle 1200W']) await add(page, line);
  await goTo(page, 'w');
  const habits = page.getByRole('region', { name: 'Habits' });
  await expect(habits).toContainText('Not Hair dryer and Kettle at once');
  await habits.getByRole('button', { name: 'Mark it' }).first().click();
  await expect(page.getByText('never together').first()).toBeVisible();
  await expectSound(page);
  await page.getByRole('link', { name: 'Card for the client' }).click();
  await expect(page.getByText('Hair dryer and Kettle: one after the other.')).toBeVisible();
});

test('a new job begins at once, its name ready to be typed; jobs are found by a word and told apart', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New job' }).click();
  const name = page.getByLabel('Job', { exact: true });
  await expect(name).toBeFocused();
  const title = `Moss hauler ${Math.random().toString(36).slice(2)}`;
  await page.keyboard.type(title);
  await saved(page);
  await page.goto('/');
  await page.getByLabel('Find a job by a word').fill(title.toUpperCase());
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await page.getByLabel('Find a job by a word').fill('river');
  await expect(page.getByRole('listitem').first()).toContainText('lost');
  await expectSound(page);
});
