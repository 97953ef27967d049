import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

const need = '[data-vital="demand.battery"]';

test('moves are tried as a what-if, made in one step and taken back in one', async ({ page }) => {
  const id = await openJob(page);
  await add(page, 'kettle 1.5kW 3x4min');
  await add(page, '2 laptops 40W 5h');
  await add(page, 'television 45W 3h');
  await goTo(page, 'p');
  await expect(page.getByRole('heading', { name: 'Where does every watt-hour go?' })).toBeVisible();
  const moves = page.getByRole('region', { name: 'Moves' });
  const dc = moves
    .getByRole('checkbox', { name: '2 laptops on a DC-DC converter' })
    .or(moves.getByRole('checkbox', { name: /aptops on a DC-DC/ }));
  await expect(dc).toBeVisible();
  await saved(page);
  const before = (await page.locator(need).textContent()) ?? '';
  await dc.check();
  await moves.getByRole('checkbox', { name: /by gas or diesel/ }).check();
  await expect(page.getByRole('region', { name: 'Moves' }).getByRole('status')).toContainText('These 2 together save');
  await expect(page.locator(need)).toContainText('was ');
  expect((await storedJob(page, id)).loads[1]?.path).toBe('inverter-adapter');

  // Elsewhere the job is as it was; the ticks wait.
  await goTo(page, 'l');
  await expect(page.getByLabel('Path of Laptops')).toHaveValue('inverter-adapter');
  await goTo(page, 'p');
  await expect(page.getByRole('region', { name: 'Moves' }).getByRole('status')).toContainText('These 2 together save');

  await page.getByRole('button', { name: 'Make them in the job' }).click();
  await saved(page);
  expect((await storedJob(page, id)).loads.map(({ path }) => path)).toEqual(['fuel', 'dc-dc', 'inverter']);
  await page.keyboard.press('Control+z');
  await expect(page.locator(need)).toContainText(before.match(/[\d\u2009]+/)?.[0] ?? 'nothing');
  await saved(page);
  expect((await storedJob(page, id)).loads.map(({ path }) => path)).toEqual([
    'inverter',
    'inverter-adapter',
    'inverter',
  ]);
});

test('the best order is shown, checked against every combination, and ticked at once', async ({ page }) => {
  await openJob(page);
  for (const line of ['kettle', 'laptop', 'monitor', 'coffee machine filter']) await add(page, line);
  await goTo(page, 'p');
  const order = page.locator('[data-order="proved"]');
  await expect(order).toContainText('combinations');
  const steps = await order.getByRole('listitem').count();
  expect(steps).toBeGreaterThan(2);
  await order.getByRole('button', { name: 'Tick them all' }).click();
  await expect(page.getByRole('region', { name: 'Moves' }).getByRole('status')).toContainText('together save');
  await page.getByRole('button', { name: 'Drop the what-if' }).click();
  await expect(page.getByRole('region', { name: 'Moves' }).getByRole('status')).toHaveCount(0);
  await page.getByText('The same as a table').click();
  await expect(page.getByRole('row', { name: /^The day/ })).toBeVisible();
});

test('a second inverter, a measured curve and a port are described, and what hangs on them is checked', async ({
  page,
}) => {
  const id = await openJob(page);
  await add(page, 'heater 12V 10.2A 10 min');
  await add(page, 'lamp desk 60W 5h');
  await page.getByLabel('Path of Heater').selectOption('station');
  await goTo(page, 'p');
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('not described');
  await page.getByRole('button', { name: 'A station’s port' }).click();
  const port = page.locator('[data-device="port"]');
  await expect(port.getByLabel('Shuts off at')).toHaveValue('10');
  await expect(page.getByRole('region', { name: 'Findings' })).toContainText('shuts off at 10 A');
  await port.getByLabel('Shuts off at').fill('16A');
  await expect(page.getByRole('region', { name: 'Findings' })).toHaveCount(0);

  const inverter = page.locator('[data-device="inverter"]');
  const points = inverter.getByLabel('Measured, W out > W in');
  await points.fill('121 > 82');
  await expect(inverter).toContainText('it cannot give more than it takes');
  await points.fill('82 > 121, 610 > 701');
  await saved(page);
  const [device] = (await storedJob(page, id)).options[0]?.system.devices ?? [];
  expect(device?.points).toEqual([
    { outW: 82, inW: 121 },
    { outW: 610, inW: 701 },
  ]);
  await goTo(page, 'r');
  await expect(page.locator('[data-figure="inverter.idle"]')).toContainText('31');
  await goTo(page, 'p');
  await page.getByRole('button', { name: 'Another inverter' }).click();
  await goTo(page, 'l');
  await page.getByLabel('Name of Lamp desk').focus();
  await page.getByRole('button', { name: 'Details' }).click();
  await page.getByLabel('Fed by').selectOption('inverter-2');
  await goTo(page, 'p');
  await page
    .getByRole('button', { name: /^Remove Inverter/ })
    .last()
    .click();
  await saved(page);
  expect((await storedJob(page, id)).loads.map((load) => load.device)).toEqual([null, null]);
});

for (const [name, viewport] of [
  ['1280×800', { width: 1280, height: 800 }],
  ['390×844', { width: 390, height: 844 }],
] as const) {
  for (const theme of ['light', 'dark'] as const) {
    test(`the paths are accessible and fit the screen at ${name}, ${theme}`, async ({ page }) => {
      await page.setViewportSize(viewport);
      await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' });
      await page.goto('/');
      await page.getByRole('link', { name: /Bookbinder/ }).click();
      await page
        .getByRole('navigation', { name: 'Steps' })
        .filter({ visible: true })
        .getByRole('link', { name: 'Paths' })
        .click();
      await expect(page.locator('[data-order="proved"]')).toBeVisible();
      await page.getByRole('region', { name: 'Moves' }).getByRole('checkbox').first().check();
      await expect(page.getByRole('region', { name: 'Moves' }).getByRole('status')).toBeVisible();
      await expectSound(page);
      await page.getByRole('button', { name: 'Drop the what-if' }).click();
      await expect(page.getByRole('region', { name: 'Devices' })).toBeVisible();
      await expectSound(page);
    });
  }
}
