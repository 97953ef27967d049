import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

const SCREENS = [
  ['1280×800', { width: 1280, height: 800 }],
  ['390×844', { width: 390, height: 844 }],
] as const;
const figure = (id: string) => `[data-figure="${id}"]`;

for (const [name, viewport] of SCREENS) {
  test(`from a new job to a sized system at ${name}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    const steps = page.getByRole('navigation', { name: 'Steps' }).filter({ visible: true });
    await page.goto('/');
    await page.getByRole('textbox', { name: 'Name of the new job' }).fill('Lantern maker’s van');
    await page.getByRole('button', { name: 'New job' }).click();

    await expect(page.getByRole('heading', { name: 'Who is it for' })).toBeVisible();
    await page.getByLabel('Client').fill('Wick & Daughter');
    await page.getByLabel('Latitude').fill('40');
    await page.getByLabel(/^Peak sun hours in /).fill('4');
    await page.getByLabel('Driving on a usual day').fill('45 min');
    await page.getByRole('button', { name: 'October' }).click();

    await steps.getByRole('link', { name: 'Loads' }).click();
    await expect(page.getByText('one appliance a line')).toBeVisible();
    await add(page, 'kettle 1.2kW 3x4min');
    await add(page, 'fridge');
    await add(page, '2 laptops 40W 5h');
    await add(page, 'lamp 12v 2a 6h');
    await expect(page.locator('[data-load]')).toHaveCount(4);
    // 1,200 W for 12 min + 2 × 40 W × 5 h + 24 W × 6 h, by hand; the fridge and the losses come on top.
    const need = (await page.locator('[data-vital="demand.battery"]').textContent()) ?? '';
    expect(Number(/day([\d\u2009]+)/.exec(need)?.[1]?.replace(/\D/g, ''))).toBeGreaterThan(240 + 400 + 144);

    await steps.getByRole('link', { name: 'Result' }).click();
    await expect(page.locator(figure('inverter.rating'))).toContainText('2\u2009000');
    for (const id of [
      'store.ah12',
      'store.ah24',
      'array.rating',
      'dcdc.rating',
      'sun.yield',
      'alternator.yield',
      'balance.net',
    ]) {
      await expect(page.locator(figure(id)).first()).toBeVisible();
    }
    await expect(page.locator('[data-stay="ready"]')).toBeVisible();
    await page.locator('[data-stay="ready"]').scrollIntoViewIfNeeded();
    await expect(page.locator('canvas')).toBeVisible();

    await saved(page);
    await page.reload();
    await expect(page.locator(figure('inverter.rating'))).toContainText('2\u2009000');
  });
}

test('every figure opens its working, down to what was typed', async ({ page }) => {
  await openJob(page);
  await add(page, 'heater 500W 4h');
  await page.locator('[data-vital="demand.battery"]').click();
  const working = page.locator('[data-working="demand.battery"]');
  await expect(working).toContainText('At the appliances');
  await working.getByRole('button', { name: /2.000/ }).first().click();
  await expect(page.locator('[data-working="demand.useful"]')).toContainText('Heater');
  await expect(page.locator('[data-working="demand.useful"]')).toContainText('nameplate');
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(working).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(working).toBeHidden();

  await page.getByRole('link', { name: 'Worst moment' }).first().click();
  await page.getByRole('radio', { name: 'Assisting the supply' }).check();
  await page.getByRole('button', { name: 'A hookup' }).click();
  await expect(page.locator(figure('supply[hookup].charging'))).toBeVisible();
  for (const [step, question, least] of [
    ['Worst moment', 'What comes together at the worst moment?', 11],
    ['Result', 'What should be fitted?', 15],
  ] as const) {
    await page.getByRole('link', { name: step }).first().click();
    await expect(page.getByRole('heading', { name: question })).toBeVisible();
    const ids = await page
      .locator('[data-figure]')
      .evaluateAll((all) => [...new Set(all.map((one) => (one as HTMLElement).dataset.figure))]);
    expect(ids.length).toBeGreaterThanOrEqual(least);
    for (const id of ids) {
      await page
        .locator(figure(id ?? ''))
        .first()
        .click();
      await expect(page.locator(`[data-working="${id}"]`)).toContainText('Method');
    }
  }
});

test('an edit shows from what to what, is undone and redone, and survives a reload', async ({ page }) => {
  const id = await openJob(page);
  await add(page, 'lamp 10W 10h');
  const need = page.locator('[data-vital="demand.battery"]');
  await expect(need).toContainText('105');
  await page.getByLabel('Power of Lamp').fill('20');
  await expect(need).toContainText('was 105');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Power of Lamp')).toHaveValue('10 W');
  await page.keyboard.press('Control+Shift+Z');
  await expect(page.getByLabel('Power of Lamp')).toHaveValue('20 W');
  await saved(page);
  expect((await storedJob(page, id)).loads[0]?.draw).toEqual({ kind: 'steady', powerW: 20 });
  await page.reload();
  await expect(page.getByLabel('Power of Lamp')).toHaveValue('20 W');
});

test('confused units are a question with a one-tap fix, never a silent correction', async ({ page }) => {
  await openJob(page);
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await field.fill('lamp 200W per day');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('already per time');
  await expect(page.locator('[data-load]')).toHaveCount(0);
  await page.getByRole('button', { name: /^200 Wh/ }).click();
  await expect(field).toHaveValue('lamp 200 Wh');
  await field.fill('pump 15A breaker');
  await field.press('Enter');
  await expect(page.getByRole('alert')).toContainText('protects the cable');

  await field.fill('lamp 10W 1h');
  await field.press('Enter');
  await page.getByLabel('Power of Lamp').fill('ten');
  await expect(page.getByRole('alert')).toContainText('Write a power');
  await page.getByRole('heading', { level: 1 }).click();
  await expect(page.getByLabel('Power of Lamp')).toHaveValue('ten');
});

test('a run is dragged, resized and moved by keys, each one step of undo', async ({ page }) => {
  const id = await openJob(page, (job) => job);
  await add(page, 'bulb 12V 10W 2h');
  await page.getByLabel('Name of Bulb').focus();
  await page.getByRole('button', { name: 'Details' }).click();
  const run = page.getByRole('slider', { name: 'Use 1 of Bulb' });
  await expect(run).toHaveAttribute('aria-valuetext', '20:00, 2 h');
  const box = await run.boundingBox();
  if (!box) throw new Error('the run is not on the screen');
  const hour = box.width / 2;
  await page.mouse.move(box.x + box.width / 2, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 6 * hour, box.y + 10, { steps: 6 });
  await page.mouse.up();
  await expect(run).toHaveAttribute('aria-valuetext', /^1[34]:\d\d, 2 h$/);
  await run.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(run).toHaveAttribute('aria-valuetext', /, 2 h 15$/);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(run).toHaveAttribute('aria-valuetext', '20:00, 2 h');
  await page.getByRole('button', { name: 'One more use' }).click();
  await expect(page.getByRole('slider')).toHaveCount(2);
  await saved(page);
  expect((await storedJob(page, id)).loads[0]?.uses).toHaveLength(2);
});

test('a pasted label is read, shown with what was read, and becomes a load', async ({ page }) => {
  await openJob(page);
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await field.fill('Laptop INPUT: 100-240V~ 1.5A OUTPUT: 20V⎓ 3.25A');
  await expect(page.locator('[data-label-read="4"]')).toContainText('65');
  await expect(page.locator('mark').first()).toHaveText('100-240V~');
  await field.press('Enter');
  await expect(page.getByLabel('Power of Laptop')).toHaveValue('65 W');
  await expect(page.getByLabel('Path of Laptop')).toHaveValue('inverter-adapter');
});

test('the list goes out as CSV and comes back; a bad file shows every fault and takes nothing unasked', async ({
  page,
}) => {
  await openJob(page);
  await add(page, 'kettle 1.2kW 3x4min');
  await add(page, 'fridge');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the list as CSV' }).click();
  const path = await (await download).path();
  const input = page.getByLabel('Read a CSV…');
  await input.setInputFiles(path);
  await expect(page.locator('[data-load]')).toHaveCount(4);
  await expect(page.locator('[data-load="kettle-2"]')).toContainText('240');

  const bad = 'name;power_w;hours;path\nLamp;12,5;2;direct\n;-5;1;teleport\n';
  await input.setInputFiles({ name: 'bad.csv', mimeType: 'text/csv', buffer: Buffer.from(bad) });
  const sheet = page.getByRole('dialog', { name: '1 row has faults' });
  await expect(sheet.getByRole('row')).toHaveCount(4);
  await expect(sheet).toContainText('teleport');
  await expect(page.locator('[data-load]')).toHaveCount(4);
  await sheet.getByRole('button', { name: 'Take the 1 good row' }).click();
  await expect(page.locator('[data-load="lamp"]')).toContainText('25');

  await input.setInputFiles({ name: 'odd.csv', mimeType: 'text/csv', buffer: Buffer.from('foo,bar\n1,2\n') });
  await expect(page.getByRole('dialog', { name: 'odd.csv cannot be read' })).toContainText('at least name and power_w');
});

test('the keyboard alone takes down a load and walks the steps', async ({ page }) => {
  await openJob(page);
  await page.keyboard.press('/');
  await expect(page.getByRole('combobox', { name: 'Add a load' })).toBeFocused();
  await page.keyboard.type('toaster');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-load="toaster"]')).toBeVisible();
  await page.getByLabel('Name of Toaster').focus();
  await page.keyboard.press('Control+d');
  await expect(page.locator('[data-load]')).toHaveCount(2);
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-load="toaster-2"] [data-cell="name"]')).toBeFocused();
  await page.keyboard.press('Control+Backspace');
  await expect(page.locator('[data-load]')).toHaveCount(1);
  for (let i = 0; i < 8; i++) await page.keyboard.press('Alt+PageDown');
  await expect(page.getByRole('heading', { name: 'What should be fitted?' })).toBeVisible();
  await page.keyboard.press('Alt+PageUp');
  await expect(page.getByRole('heading', { name: 'What does it really do?' })).toBeVisible();
  await goTo(page, 'r');
  await expect(page.getByRole('heading', { name: 'What should be fitted?' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('light or');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
});

test('options stand side by side and are switched, copied and compared', async ({ page }) => {
  await openJob(page, (job) => job, 'loads');
  await add(page, 'kettle');
  await page.keyboard.press('Control+k');
  await page.getByRole('option', { name: 'Copy this option' }).click();
  await page.getByRole('radio', { name: 'B 12 V' }).click();
  await page.getByRole('link', { name: 'Store' }).first().click();
  const current = page.locator(figure('peak.current')).first();
  const at12 = await current.textContent();
  await page.getByLabel('Bus').selectOption('24');
  await expect(current).not.toHaveText(at12 ?? '');
  const at24 = await current.textContent();
  await page.getByRole('radio', { name: 'A 12 V' }).click();
  await expect(current).not.toHaveText(at24 ?? '');
});

test('a job file goes out and comes back in; a bad one is refused with every reason', async ({ page }) => {
  await openJob(page);
  await add(page, 'lamp 10W 3h');
  await saved(page);
  await page.keyboard.press('Control+k');
  const download = page.waitForEvent('download');
  await page.getByRole('option', { name: 'Save the job file' }).click();
  const path = await (await download).path();
  await page.goto('/');
  const input = page.getByLabel('Open a job file');
  await input.setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"joulemetric-job","schemaVersion":1}'),
  });
  await expect(page.getByRole('alert')).toContainText('/brief: expected a value');
  await input.setInputFiles(path);
  await expect(page.getByLabel('Name of Lamp')).toBeVisible();
});

for (const [name, viewport] of SCREENS) {
  for (const theme of ['light', 'dark'] as const) {
    test(`all views are accessible and fit the screen at ${name}, ${theme}`, async ({ page }) => {
      await page.setViewportSize(viewport);
      await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' });
      await page.goto('/');
      await expect(page.getByRole('link', { name: /River-survey/ })).toBeVisible();
      await expectSound(page);
      await page.getByRole('link', { name: /River-survey/ }).click();
      await expect(page.locator('[data-load="kettle"]')).toBeVisible();
      await expectSound(page);
      const steps = page.getByRole('navigation', { name: 'Steps' }).filter({ visible: true });
      await steps.getByRole('link', { name: 'Brief' }).click();
      await expect(page.getByRole('heading', { name: 'Who is it for' })).toBeVisible();
      await expectSound(page);
      await steps.getByRole('link', { name: 'Result' }).click();
      await expect(page.locator('[data-stay="ready"]')).toBeVisible();
      await expectSound(page);
      await page.locator(figure('store.required')).click();
      await expect(page.locator('[data-working="store.required"]')).toBeVisible();
      await expectSound(page);
    });
  }
}

test('on the phone a load is taken down and changed with the thumb', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await openJob(page);
  await page.getByRole('combobox', { name: 'Add a load' }).fill('kettle');
  await page.getByRole('option', { name: /Low-watt kettle/ }).click();
  await page.locator('[data-load] button').click();
  const sheet = page.getByRole('dialog', { name: 'Load' });
  await sheet.getByLabel('Power, one piece').fill('800');
  await sheet.getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('[data-load]')).toContainText('800');
  const targets = await page
    .getByRole('navigation', { name: 'Steps' })
    .filter({ visible: true })
    .locator('a, button')
    .evaluateAll((all) => all.map((one) => one.getBoundingClientRect().height));
  for (const height of targets) expect(height).toBeGreaterThanOrEqual(44);
});
