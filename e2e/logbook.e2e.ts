import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

/** A meter's file: an hour of a fridge that runs ten minutes of thirty, and one bad row. */
const meterFile = (bad: boolean) =>
  [
    'Time,Power (W)',
    ...Array.from(
      { length: 181 },
      (_, i) =>
        `2026-06-01 ${String(10 + Math.floor(i / 60)).padStart(2, '0')}:${String(i % 60).padStart(2, '0')},${i % 30 < 10 ? 42 : 0}`,
    ),
    ...(bad ? ['2026-06-01 14:00,lots'] : []),
  ].join('\n');

test('what it really does: a log by keypad, a meter’s file, into the job and back, what to measure first', async ({
  page,
}) => {
  const id = await openJob(page);
  await add(page, 'fridge 60W');
  await saved(page);
  await goTo(page, 'm');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('What does it really do?');
  await expect(page.getByText('Nothing of this job has been measured yet.')).toBeVisible();

  // The list of what to measure leads to a log of it.
  const first = page.getByRole('region', { name: 'What to measure first' });
  await first.getByRole('button', { name: 'Begin' }).click();
  const log = page.getByRole('article', { name: /Fridge/i });
  await expect(log.locator('[data-answer]')).toContainText('Nothing has been read yet');

  // One thumb: percent, twice, the first of yesterday.
  const pad = log.getByRole('region', { name: 'A reading' });
  await pad.getByRole('button', { name: '9', exact: true }).click();
  await pad.getByRole('button', { name: '6', exact: true }).click();
  await pad.getByRole('button', { name: 'now' }).click();
  await pad.getByLabel('When it was read').fill('2026-06-01T08:00');
  await pad.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(pad.getByRole('status')).toContainText('Kept: 96 %');
  await pad.getByRole('button', { name: '1', exact: true }).click();
  await pad.getByRole('button', { name: '0', exact: true }).click();
  await pad.getByRole('button', { name: '1', exact: true }).click();
  await pad.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(pad.getByRole('status')).toContainText('Between 0 and 100 %');
  await pad.getByRole('button', { name: 'Take the last digit back' }).click();
  await pad.getByRole('button', { name: 'now' }).click();
  await pad.getByLabel('When it was read').fill('2026-06-01T18:00');
  await pad.getByRole('button', { name: 'Keep this reading' }).click();
  // From 96 to 10 % in ten hours.
  await expect(log.locator('[data-answer]')).toContainText(/Full to the reserve takes 9\.2 to 9\.4 h/);
  await expect(log.locator('[data-caveat="no-capacity"]')).toBeVisible();

  // A capacity makes it energy: 100 Ah of LFP are 1,280 Wh.
  await log.locator('summary').filter({ hasText: 'no capacity' }).click();
  await log.getByLabel('Capacity').fill('100');
  await log.getByLabel('Chemistry').selectOption('lfp');
  await expect(log.locator('[data-caveat="no-capacity"]')).toHaveCount(0);
  await expect(log.getByRole('region', { name: 'Energy by each way' })).toContainText('1\u2009101');
  await expectSound(page);

  // A meter's file, whose bad row is named and whose good ones are taken when asked.
  await log
    .getByLabel('Read a meter’s file…')
    .setInputFiles({ name: 'plug.csv', mimeType: 'text/csv', buffer: Buffer.from(meterFile(true)) });
  const sheet = page.getByRole('dialog', { name: 'Read plug.csv' });
  await expect(sheet.getByLabel('What Power (W) is')).toHaveValue('');
  await expect(sheet.getByText('watts, W').first()).toBeAttached();
  await sheet.getByLabel('Its times are those of').fill('UTC');
  await sheet.getByRole('button', { name: 'Take it' }).click();
  await expect(sheet.getByText(/line 183, Power \(W\): not a number, “lots”/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Take the 181 good rows' }).click();
  await expect(sheet.getByText(/the 181 good ones are in the log/)).toBeVisible();
  await sheet.getByRole('button', { name: 'Close', exact: true }).click();
  await expect(log.getByText(/181 by meters/)).toBeVisible();

  // What a head leaves open is asked, and can be said there.
  await log.getByLabel('Read a meter’s file…').setInputFiles({
    name: 'counter.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('Minute no,Energy\n0,1.20\n30,1.21'),
  });
  const asked = page.getByRole('dialog', { name: 'Read counter.csv' });
  await expect(asked.getByRole('button', { name: 'Take it' })).toBeDisabled();
  await asked.getByLabel('What Minute no is').selectOption('time:min');
  await asked.getByLabel('What Energy is').selectOption('wh:kWh');
  await expect(asked.getByRole('button', { name: 'Take it' })).toBeEnabled();
  await asked.getByRole('button', { name: 'Take nothing' }).click();

  // Its mean goes into the job as one action, and one undo takes it back.
  await log.getByRole('button', { name: 'Take it into the job' }).click();
  await saved(page);
  const [fridge] = (await storedJob(page, id)).loads;
  expect(fridge?.evidence).toBe('measured');
  if (fridge?.draw.kind !== 'thermostatic') throw new Error('no fridge');
  expect(fridge.draw.runningW).toBeGreaterThan(40);
  // 42 W for a third of the time.
  expect(fridge.draw.runningW * fridge.draw.duty).toBeGreaterThan(13);
  expect(fridge.draw.runningW * fridge.draw.duty).toBeLessThan(15.5);
  await page.keyboard.press('ControlOrMeta+z');
  await saved(page);
  expect((await storedJob(page, id)).loads[0]?.draw).toMatchObject({ runningW: 60 });
});

test('a reading as it is said: marks, quantities and a note in one breath, asked about where it is not clear', async ({
  page,
}) => {
  await openJob(page);
  await add(page, 'fridge 45W');
  await goTo(page, 'm');
  await page.getByRole('region', { name: 'What to measure first' }).getByRole('button', { name: 'Begin' }).click();
  const log = page.getByRole('article', { name: /Fridge/i });
  const pad = log.getByRole('region', { name: 'A reading' });
  const said = pad.getByLabel(/Or said/);
  await said.fill('started at eighty one');
  await said.press('Enter');
  await expect(pad.getByRole('status')).toContainText('“eighty one” of what?');
  await expect(said).toHaveValue('started at eighty one');
  // What is typed beside it and is not the same is asked about.
  await pad.getByRole('button', { name: '7', exact: true }).click();
  await said.fill('81 percent');
  await said.press('Enter');
  await expect(pad.getByRole('status')).toContainText('are not the same');
  await pad.getByRole('button', { name: 'Take the last digit back' }).click();
  await said.fill('started at eighty one percent, 12.6 volts, door opened twice');
  await said.press('Enter');
  await expect(pad.getByRole('status')).toContainText('Kept: 81 %, 12.6 V, start.');
  await expect(said).toHaveValue('');
  await expect(log.getByText('door opened twice')).toBeVisible();
  // What was read earlier is said with its time; what the display promised and what happened go with it.
  await said.fill('at 12:00 am: 79 percent, display 1 day, lid three times');
  await said.press('Enter');
  await expect(pad.getByRole('status')).toContainText(/Kept at .*12:00|Kept at .*00:00|Kept at .*24:00/);
  await expect(pad.getByRole('status')).toContainText('79 %');
  await expect(log.getByText('lid three times')).toBeVisible();
  await said.fill('at 900 h: 70 percent');
  await said.press('Enter');
  await expect(pad.getByRole('status')).toContainText('later than now');
  await expect(said).toHaveValue('at 900 h: 70 percent');
});

test('readings made without a signal wait and arrive', async ({ page, context }) => {
  await openJob(page, undefined, 'logbook');
  await page.getByRole('button', { name: 'Begin a log' }).click();
  const log = page.getByRole('article');
  await expect(log.locator('[data-answer]')).toContainText('Nothing has been read yet');
  await context.setOffline(true);
  const pad = log.getByRole('region', { name: 'A reading' });
  for (const digits of ['88', '87']) {
    for (const digit of digits) await pad.getByRole('button', { name: digit, exact: true }).click();
    await pad.getByRole('button', { name: 'Keep this reading' }).click();
    await expect(pad.getByRole('status')).toContainText(`Kept: ${digits} %`);
  }
  // A photo waits with its reading.
  const canvas = await page.evaluate(async () => {
    const drawn = new OffscreenCanvas(40, 30);
    drawn.getContext('2d')?.fillRect(0, 0, 20, 30);
    return [...new Uint8Array(await (await drawn.convertToBlob()).arrayBuffer())];
  });
  await pad
    .getByLabel('Photo of the display: file')
    .setInputFiles({ name: 'display.png', mimeType: 'image/png', buffer: Buffer.from(canvas) });
  await expect(pad.getByRole('status')).toContainText('The photo is here, with its own time');
  for (const digit of '86') await pad.getByRole('button', { name: digit, exact: true }).click();
  await pad.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(pad.getByRole('status')).toContainText('3 readings wait in this browser');
  await context.setOffline(false);
  await expect(pad.getByRole('status')).not.toContainText('wait in this browser', { timeout: 20_000 });
  await page.reload();
  await expect(page.getByRole('region', { name: 'Readings', exact: true })).toContainText('3 by hand');
  const link = page.getByRole('link', { name: 'photo' });
  const shown = await page.request.get((await link.getAttribute('href')) ?? '');
  expect([shown.status(), shown.headers()['content-type']]).toEqual([200, 'image/jpeg']);
});

test('a simulated monitor records whether or not anybody looks, and a commissioning is kept', async ({ page }) => {
  await openJob(page, undefined, 'loads');
  await add(page, 'lamp 30W 5h');
  await saved(page);
  await goTo(page, 'm');
  await page.getByRole('button', { name: 'Begin a log' }).click();
  const log = page.getByRole('article');
  await log.locator('summary').filter({ hasText: 'Simulated instruments' }).click();
  await log.getByLabel('Time runs').selectOption('600');
  await log.getByRole('button', { name: 'Record with it' }).click();
  await expect(log.getByText(/\d+ readings, every 60 s, 600 × as fast/)).toBeVisible({ timeout: 30_000 });
  // Left, and come back to: it went on.
  await goTo(page, 'l');
  await goTo(page, 'm');
  await expect(log.getByText(/(?:[3-9]\d|\d{3,}) readings, every 60 s/)).toBeVisible({ timeout: 30_000 });
  await log.getByRole('button', { name: 'End', exact: true }).click();
  await expect(log.getByText('ended')).toBeVisible();

  await page.getByRole('button', { name: 'Begin it' }).click();
  const checks = page.getByRole('region', { name: 'Commissioning' });
  await checks.getByLabel('Who checks').fill('Ada');
  const polarity = checks.getByRole('listitem').filter({ hasText: 'Polarity at the battery' });
  await polarity.getByRole('button', { name: 'good', exact: true }).click();
  const rest = checks.getByRole('listitem').filter({ hasText: 'Volts of the store at rest' });
  await rest.getByPlaceholder('read').fill('12.4');
  await rest.getByRole('button', { name: 'not good' }).click();
  await expect(checks).toContainText('1 not good');
  await expect(rest).toContainText('read 12.4, not good, Ada');
  await page.reload();
  await expect(polarity).toContainText('good, Ada');
});

for (const [name, viewport] of [
  ['1280×800', { width: 1280, height: 800 }],
  ['390×844', { width: 390, height: 844 }],
] as const) {
  test(`the logbook is accessible and fits the screen at ${name}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    await page.goto('/');
    await page.getByRole('link', { name: /River-survey/ }).click();
    await expect(page.locator('[data-load="kettle"]')).toBeVisible();
    await goTo(page, 'm');
    for (const log of ['Two nights at the weir', 'Inverter, by two meters', 'Laptop: adapter against DC']) {
      await page.getByRole('button', { name: log }).click();
      await expect(page.getByRole('article', { name: log }).locator('[data-answer]')).toBeVisible();
      await expectSound(page);
    }
  });
}

test('a log before there is a job: begun beside the jobs, read, and given to a job', async ({ page }) => {
  const id = await openJob(page, (job) => ({ ...job, title: 'Late comer' }));
  await saved(page);
  await page.goto('/');
  await page.getByRole('link', { name: 'Logs', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('What was measured, before there was a job?');
  await page.getByRole('button', { name: 'Begin a log' }).click();
  const log = page.getByRole('article', { name: 'A log' });
  await expect(log.locator('[data-answer]')).toContainText('Nothing has been read yet');
  const pad = log.getByRole('region', { name: 'A reading' });
  await pad.getByRole('button', { name: '8', exact: true }).click();
  await pad.getByRole('button', { name: '1', exact: true }).click();
  await pad.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(pad.getByRole('status')).toContainText('Kept: 81 %');
  // A photo is kept with a job, and there is none.
  await expect(pad.getByText('photo')).toHaveCount(0);
  await log.getByLabel('Read a meter’s file…').setInputFiles({
    name: 'meter.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(meterFile(false)),
  });
  const sheet = page.getByRole('dialog', { name: 'Read meter.csv' });
  await sheet.getByLabel('Its times are those of').fill('UTC');
  await sheet.getByRole('button', { name: 'Take it' }).click();
  await expect(log).toContainText('181 by meters');
  // What was empty when it was opened is drawn once there is something.
  await expect(log.getByRole('img', { name: /over time/ }).locator('canvas')).toBeVisible();
  await expectSound(page);
  await page.setViewportSize({ width: 390, height: 844 });
  await expectSound(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await log.getByLabel('Give it to a job').selectOption({ label: 'Late comer' });
  await expect(page).toHaveURL(new RegExp(`/jobs/${id}/logbook`));
  await expect(page.getByRole('article', { name: 'A log' })).toContainText('181 by meters');
  await page.goto('/logs');
  await expect(page.locator('[data-logs="ready"]')).toBeVisible();
  await expect(page.getByRole('article')).toHaveCount(0);
});
