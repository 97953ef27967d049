import { readFileSync } from 'node:fs';
import { add, expect, expectSound, openJob, test } from './app.ts';

test('the measured library: a table read, its faults told, units left out, offered in a job at their mean', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Measured' }).click();
  await expect(page.getByRole('heading', { name: 'What do they really draw?' })).toBeVisible();
  const rows = [
    'name,on,value,unit,of',
    'Bench grinder lamp,2026-05-31,30,W,a van',
    'Bench grinder lamp,2026-06-02,"50,5",W,a truck',
    'Bench grinder lamp,June,40,W,',
  ];
  await page.getByLabel('Read a CSV').setInputFiles({
    name: 'units.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(rows.join('\n')),
  });
  await expect(page.getByRole('status')).toContainText('1 appliance was put in from units.csv.');
  await expect(page.getByRole('status')).toContainText('Line 4: on: “June” is no day');
  const row = page.getByRole('row', { name: /^Bench grinder lamp/ });
  await expect(row).toContainText(/2\s*40\.3\s*W\s*30 – 50\.5/);
  await expectSound(page);
  await row.getByRole('button').click();
  await page.getByRole('listitem').filter({ hasText: 'a truck' }).getByRole('button', { name: 'Leave it out' }).click();
  await expect(row).toContainText(/1\s*30\s*W/);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  expect(readFileSync(await file.path(), 'utf8')).toContain('Bench grinder lamp,2026-05-31,30,W,a van');

  await openJob(page);
  await add(page, 'bench grinder lamp');
  await expect(page.getByLabel('Power of Bench grinder lamp')).toHaveValue(/^30/);

  await page.goto('/measured');
  await row.getByRole('button').click();
  await page.getByRole('button', { name: /Take Bench grinder lamp out/ }).click();
  await expect(row).toHaveCount(0);
});
