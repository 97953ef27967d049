import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

test('the firm keeps its own parts in a sheet, out to a table and in again, and chooses from them', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Parts list' }).click();
  await expect(page.getByRole('heading', { name: 'What do you fit?' })).toBeVisible();
  await expectSound(page);
  await page.getByRole('button', { name: 'Copy LFP 12.8 V 100 Ah to your own' }).click();
  const own = page.getByLabel('Name of LFP 12.8 V 100 Ah');
  await own.fill('Workshop LFP 90');
  await page.getByLabel(/^Capacity of Workshop LFP 90/).fill('90');
  await page.getByLabel(/^Price of Workshop LFP 90/).fill('399');
  await page.getByLabel(/^Volts of Workshop LFP 90/).fill('900');
  await expect(page.getByText('Between 2 and 60 V')).toBeVisible();
  await page.getByLabel(/^Volts of Workshop LFP 90/).fill('12.8');
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Name of Workshop LFP 90')).toBeVisible();
  await expect(page.getByLabel(/^Capacity of Workshop LFP 90/)).toHaveValue('90');

  const table = [
    'kind,name,ratingW,vmpV,price',
    'panel,Yard panel 160,160,18.4,77',
    'panel,Broken,much,,',
    'lamp,Odd,1,,',
  ];
  await page.getByLabel('Read a CSV…').setInputFiles({
    name: 'parts.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(table.join('\n')),
  });
  await expect(page.getByRole('status')).toContainText('1 part was taken from parts.csv');
  await expect(page.getByRole('status')).toContainText('Line 3: ratingW: “much” is no number');
  await page.getByText('Solar panel', { exact: true }).click();
  await expect(page.getByLabel('Name of Yard panel 160')).toBeVisible();

  // On 24 V one panel of the list alone would have too few volts.
  const id = await openJob(page, (job) => ({
    ...job,
    options: job.options.map((one) => ({ ...one, system: { ...one.system, busVoltageV: 24 as const } })),
  }));
  await add(page, 'fridge 45W');
  await goTo(page, 's');
  await page.getByRole('button', { name: 'Choose the units' }).click();
  const bank = page.getByRole('region', { name: 'Bank' });
  await bank.getByLabel('From the parts list').selectOption({ label: 'Workshop LFP 90' });
  await expect(page.locator('[data-figure="store.ah"]')).toContainText('90');
  await bank.getByLabel('From the parts list').selectOption({ label: 'the smallest that will do' });
  await goTo(page, 'o');
  const arrays = page.getByRole('region', { name: 'Solar arrays' });
  await arrays.getByRole('button', { name: 'Choose the array' }).click();
  await arrays.getByRole('button', { name: 'List its panels' }).click();
  await arrays.getByLabel('From the parts list').selectOption({ label: 'Yard panel 160' });
  await expect(arrays.getByLabel('Yard panel 160: one has')).toHaveValue('160');
  await arrays.getByLabel('From the parts list').selectOption({ label: 'the smallest that will do' });
  await arrays.getByLabel('Controller from the list').selectOption({ label: 'the smallest that will do' });
  await saved(page);
  const { store, arrays: fitted } = (await storedJob(page, id)).options[0]?.system ?? {};
  expect(store?.strings).toHaveLength(1);
  expect(store?.strings?.[0]?.price).not.toBeNull();
  expect(fitted?.[0]?.controller.maxV).toBeGreaterThanOrEqual(50);
  // What the program chose passes its own findings.
  for (const code of [
    'store-short',
    'array-volts',
    'array-low',
    'array-clips',
    'array-window-unknown',
    'panel-doubtful',
  ])
    await expect(page.locator(`[data-finding="${code}"]`)).toHaveCount(0);

  await goTo(page, 'l');
  await add(page, 'heater 3kW 24h');
  await goTo(page, 's');
  // The size it is held against is that of the day with the heater in it.
  await expect(bank).toContainText(/Lasts 0/);
  await bank.getByLabel('From the parts list').selectOption({ label: 'the smallest that will do' });
  await expect(bank).toContainText('None in the list will do');
  await saved(page);

  await page.goto('/parts');
  for (const name of ['Workshop LFP 90']) await page.getByRole('button', { name: `Take out ${name}` }).click();
  await expect(page.getByText('None of your own yet')).toBeVisible();
});
