import { add, expect, expectSound, openJob, saved, storedJob, test } from './app.ts';

test('several loads are chosen, changed at once, grouped, filtered and taken back in one step', async ({ page }) => {
  const id = await openJob(page);
  for (const line of ['kettle', 'toaster', 'lamp 10W 3h', 'fridge']) await add(page, line);
  await page.getByLabel('Choose Kettle').check();
  await page.getByLabel('Choose Lamp').click({ modifiers: ['Shift'] });
  const bar = page.getByRole('toolbar', { name: '3 loads chosen' });
  await bar.getByLabel('Room of the chosen loads').fill('galley');
  await bar.getByLabel('Room of the chosen loads').press('Enter');
  await bar.getByLabel('Evidence of the chosen loads').selectOption('measured');
  await page.getByLabel('Group the loads').selectOption('room');
  const rows = page.getByRole('table', { name: 'Loads' }).getByRole('row');
  // The head, two rooms, four loads.
  await expect(rows).toHaveCount(7);
  await expect(rows.nth(1)).toContainText('galley');
  await expect(rows.nth(1)).toContainText('3 loads');
  await page.getByLabel('Show only loads that contain').fill('fri');
  await expect(page.locator('[data-load]')).toHaveCount(1);
  await expect(page.getByText('3 more loads do not contain')).toBeVisible();
  await page.getByLabel('Show only loads that contain').fill('');
  await page.getByLabel('Group the loads').selectOption('none');
  await page.getByRole('button', { name: 'Choose none' }).click();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await storedJob(page, id)).loads.map(({ room, evidence }) => [room, evidence])).toEqual([
    ['galley', 'typical'],
    ['galley', 'typical'],
    ['galley', 'nameplate'],
    ['', 'typical'],
  ]);
});

test('a row is pulled to another place', async ({ page }) => {
  const id = await openJob(page);
  for (const line of ['kettle', 'toaster', 'fridge']) await add(page, line);
  const from = await page.getByLabel('Choose Fridge').boundingBox();
  const to = await page.getByLabel('Choose Kettle').boundingBox();
  if (!from || !to) throw new Error('the rows are not on the screen');
  await page.mouse.move(from.x + 6, from.y + 6);
  await page.mouse.down();
  await page.mouse.move(to.x + 6, to.y - 4, { steps: 8 });
  await expect(page.locator('[data-load="kettle"]')).toHaveAttribute('data-drop', 'before');
  await page.mouse.up();
  await expect(page.getByRole('status').filter({ hasText: 'Fridge was moved to the place before' })).toBeAttached();
  await expect.poll(async () => page.locator('[data-load]').first().getAttribute('data-load')).toBe('fridge');
  await saved(page);
  expect((await storedJob(page, id)).loads.map((load) => load.id)).toEqual(['fridge', 'kettle', 'toaster']);
  await expect(page.getByLabel('Choose Fridge')).not.toBeChecked();
});

test('a winter day has its own uses; the usual day keeps its own, and everything is sized for the day shown', async ({
  page,
}) => {
  const id = await openJob(page);
  await add(page, 'lamp 12V 2A 4h');
  const need = page.locator('[data-vital="demand.battery"]');
  await expect(need).toContainText('101');
  await page.getByLabel('Day shown and sized for: season').selectOption('winter');
  await page.getByLabel('On for, Lamp').fill('8 h');
  await expect(need).toContainText('202');
  await expect(page.locator('[data-load="lamp"]')).toContainText('winter');
  await page.getByRole('button', { name: /usual/ }).first().click();
  await expect(need).toContainText('101');
  await expect(page.getByRole('button', { name: /winter/ })).toContainText('202');
  await saved(page);
  const [lamp] = (await storedJob(page, id)).loads;
  expect(lamp?.uses[0]?.minutes).toBe(240);
  expect(lamp?.variants[0]?.on).toBe('winter');
  expect(lamp?.variants[0]?.uses[0]?.minutes).toBe(480);
});

test('what the firm has measured is kept and offered first in the next job', async ({ page }) => {
  const letters = [...Math.random().toString(36).slice(2)].filter((c) => /[a-z]/.test(c)).join('');
  const name = `Workshop fridge x${letters}`;
  await openJob(page);
  await add(page, `${name} 37W 25%`);
  await page.getByLabel(`Name of ${name}`).focus();
  await page.getByRole('button', { name: 'Details' }).click();
  await page.getByRole('button', { name: 'Keep in our list' }).click();
  await expect(page.getByRole('button', { name: 'Take out of our list' })).toBeVisible();
  await openJob(page);
  await page.getByRole('combobox', { name: 'Add a load' }).fill(name);
  await expect(page.getByRole('option').first()).toContainText('37 W, ours');
  await page.getByRole('option').first().click();
  await expect(page.getByLabel(`Power of ${name}`)).toHaveValue('37 W');
  await page.getByLabel(`Name of ${name}`).focus();
  await page.getByRole('button', { name: 'Details' }).click();
  await page.getByRole('button', { name: 'Take out of our list' }).click();
  await expect(page.getByRole('button', { name: 'Keep in our list' })).toBeVisible();
});

test('on the phone a label is photographed with the load; without a signal the photo is not lost', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const id = await openJob(page);
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await field.fill('water pump');
  // Any picture will do: the screen itself.
  const photo = { name: 'label.png', mimeType: 'image/png', buffer: await page.screenshot() };
  await page.getByLabel(/^Photo of the label of .*: file$/).setInputFiles(photo);
  await expect(page.locator('[data-load]')).toHaveCount(1);
  await saved(page);
  await expect.poll(async () => (await storedJob(page, id)).loads[0]?.photos.length).toBe(1);
  // One that cannot go waits for its own load, whatever is taken down meanwhile.
  await page.route('**/photos/*', (route) => route.abort());
  await field.fill('fridge');
  await page.getByLabel(/^Photo of the label of .*: file$/).setInputFiles(photo);
  await expect(page.locator('[data-outbox]:visible')).toContainText('1 photo waits in this browser');
  await add(page, 'lamp 10W 3h');
  await page.unroute('**/photos/*');
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await expect(page.locator('[data-outbox]:visible')).toHaveCount(0);
  await expect
    .poll(async () => (await storedJob(page, id)).loads.map(({ photos }) => photos.length))
    .toEqual([1, 1, 0]);

  // What is not clear yet is asked first, and the photo waits with it.
  await field.fill('charger 5 Ah');
  await page.getByLabel(/^Photo of the label of .*: file$/).setInputFiles(photo);
  await expect(page.getByText('The photo goes with this load once it is taken down.')).toBeVisible();
  await field.fill('torch 5 W');
  await field.press('Enter');
  await expect
    .poll(async () => (await storedJob(page, id)).loads.map(({ photos }) => photos.length))
    .toEqual([1, 1, 0, 1]);

  await page.locator('[data-load] button').first().click();
  const sheet = page.getByRole('dialog', { name: 'Load' });
  const shown = sheet.getByRole('img', { name: /^Label 1/ });
  await shown.scrollIntoViewIfNeeded();
  await expect.poll(() => shown.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(390);

  // Without a signal a second one stands beside it at once, out of this browser.
  await page.route('**/photos/*', (route) => route.abort());
  await sheet.getByLabel('Add a photo of the label: file').setInputFiles(photo);
  const second = sheet.getByRole('img', { name: /^Label 2/ });
  await second.scrollIntoViewIfNeeded();
  await expect.poll(() => second.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(390);
  await page.unroute('**/photos/*');
  await expectSound(page);
});

test('a line that is entered before it can be read is taken once it can; where its reader cannot be fetched, that is said', async ({
  page,
}) => {
  const id = await openJob(page);
  await page.route('**/readLine-*.js', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue();
  });
  await page.reload();
  const line = page.getByLabel('Add a load by name or watts');
  await line.fill('soldering iron 60W 20 min');
  await line.press('Enter');
  await expect(page.getByLabel('Power of Soldering iron')).toHaveValue('60 W');
  await expect(line).toHaveValue('');
  await saved(page);
  expect((await storedJob(page, id)).loads).toHaveLength(1);
  await page.unroute('**/readLine-*.js');
  await page.route('**/readLine-*.js', (route) => route.abort());
  await page.reload();
  await line.fill('kettle');
  await expect(page.getByRole('alert')).toContainText('could not be fetched');
  await expect(line).toHaveValue('kettle');
  await page.unroute('**/readLine-*.js');
  await line.pressSequentially(' 2 kW');
  await line.press('Enter');
  await expect(page.getByLabel('Power of Kettle')).toHaveValue(/^2\s?000\s?W$/);
});

test('of 300 loads only those near the window are in the page, and none is missing when it is scrolled to', async ({
  page,
}) => {
  await openJob(page, (job) => job);
  const rows = ['name,power_w', ...Array.from({ length: 300 }, (_, i) => `Lamp ${i},${i + 1}`)].join('\n');
  await page
    .getByLabel('Read a CSV…')
    .setInputFiles({ name: 'many.csv', mimeType: 'text/csv', buffer: Buffer.from(rows) });
  await expect(page.getByLabel('Power of Lamp 0', { exact: true })).toBeVisible();
  expect(await page.locator('[data-load]').count()).toBeLessThan(80);
  await page.getByLabel('Power of Lamp 3', { exact: true }).fill('ten');
  await page.locator('main').evaluate((main) => main.scrollTo(0, main.scrollHeight));
  await expect(page.getByLabel('Power of Lamp 299', { exact: true })).toHaveValue('300 W');
  await page.getByLabel('Power of Lamp 299', { exact: true }).focus();
  await page.locator('main').evaluate((main) => main.scrollTo(0, 0));
  await expect(page.getByLabel('Power of Lamp 3', { exact: true })).toHaveValue('ten');
});
