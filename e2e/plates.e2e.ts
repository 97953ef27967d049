import { expect, expectSound, openJob, saved, storedJob, test } from './app.ts';

/** Pastes lines into a field as a clipboard has them. */
async function paste(page: Parameters<typeof saved>[0], text: string): Promise<void> {
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await field.focus();
  await field.evaluate((element, lines) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text', lines);
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  }, text);
}

test('a plate that is pasted keeps its lines, and becomes a load', async ({ page }) => {
  const id = await openJob(page);
  await paste(page, 'Compressor fridge\n12V⎓ 4.2A\n24V⎓ 2.1A\n100-240V~ 0.8A\nR134a 38g');
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await expect(field).toHaveValue(/^Compressor fridge ¦ 12V⎓ 4\.2A ¦ /);
  await field.press('Enter');
  await saved(page);
  // 12 V × 4.2 A; the refrigerant is no current.
  expect((await storedJob(page, id)).loads).toMatchObject([
    { name: 'Compressor fridge', path: 'direct', draw: { kind: 'thermostatic', runningW: expect.closeTo(50.4, 6) } },
  ]);
});

test('what is no load is offered to its step, and a station fills its option', async ({ page }) => {
  const id = await openJob(page);
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await field.fill('solar panel 175 W');
  await page.getByRole('link', { name: 'Go to Sources' }).click();
  await expect(page).toHaveURL(/\/sources\?option=/);
  await page.goto(`/jobs/${id}/loads`);
  await paste(
    page,
    'Power station\n1024Wh 51.2V\nAC OUT 230V 1800W\nAC IN 1500W\nPV IN 11-60V 500W 15A\nUSB-C 100W x2',
  );
  await page.getByRole('button', { name: 'Take it down as the station of this option' }).click();
  await saved(page);
  const [option] = (await storedJob(page, id)).options;
  expect(option?.system).toMatchObject({
    busVoltageV: 48,
    store: { strings: [{ capacityAh: 20, unitV: 51.2 }] },
    arrays: [{ controller: { maxW: 500, maxV: 60, maxInputA: 15 } }],
    chargers: [{ ratingA: 29.3 }],
  });
  expect(option?.system.devices.map(({ name }) => name)).toEqual(['Inverter', 'USB-C 1', 'USB-C 2']);
});

test('a plate beside a part fills its fields and names what no field is for', async ({ page }) => {
  const id = await openJob(page, undefined, 'store');
  await page.getByRole('button', { name: /Choose the/ }).click();
  await page.getByRole('button', { name: 'or paste its plate' }).click();
  await page
    .getByLabel('What stands on its plate or data sheet')
    .fill('LiFePO4 battery\n12.8V 200Ah\nMax discharge 100A\nCharge voltage 14.4V');
  await expect(page.getByText('No field here is for: Charge voltage 14.4V.')).toBeVisible();
  await expectSound(page);
  await page.getByRole('button', { name: 'Fill in 3 figures' }).click();
  await page.keyboard.press('Escape');
  await saved(page);
  expect((await storedJob(page, id)).options[0]?.system.store.strings).toMatchObject([
    { capacityAh: 200, unitV: 12.8, dischargeA: 100, series: 1 },
  ]);
});

test('each answer to a question says what comes of it', async ({ page }) => {
  await openJob(page);
  const field = page.getByRole('combobox', { name: 'Add a load' });
  await field.fill('6 lamps 10W 30h');
  await page.getByRole('button', { name: '5 h: 6 × 10 W, 5 h' }).click();
  await expect(field).toHaveValue('6 lamps 10W 5 h');
});
