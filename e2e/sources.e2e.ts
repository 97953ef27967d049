import { blankArray, blankCharger, blankSupply } from '@joulemetric/core';
import { epwLines } from '../core/src/test/weatherFiles.ts';
import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

test('what fills it: months by kinds of day, an array from its labels, its limits, unlike panels, and what is short', async ({
  page,
}) => {
  const id = await openJob(page, (job) => ({ ...job, brief: { ...job.brief, drives: [] } }));
  await add(page, 'fridge 45W');
  await add(page, 'laptop 60W 5h');
  await goTo(page, 'o');
  const table = page.getByRole('table').first();
  await expect(table.getByRole('columnheader', { name: 'Parked, dull' })).toBeVisible();
  await expect(table.getByRole('columnheader', { name: 'Driving', exact: true })).toHaveCount(0);
  await table
    .getByRole('button', { name: /^June: / })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: /Parked, bright, June/ })).toBeVisible();

  const found = (code: string) => page.locator(`[data-finding="${code}"]`);
  const arrays = page.getByRole('region', { name: 'Solar arrays' });
  await expect(arrays).toContainText('No panels are chosen yet');
  await arrays.getByRole('button', { name: 'Choose the array' }).click();
  const roof = arrays.getByRole('article', { name: 'Array 1' });
  await roof.getByRole('button', { name: 'List its panels' }).click();
  const panel = roof.locator('[data-panels="panel-1"]');
  await panel.getByLabel('Panel 1: one has').fill('100');
  await panel.getByLabel('Best point').first().fill('18');
  await panel.getByLabel('Best point').nth(1).fill('5.56');
  await panel.getByLabel('Open', { exact: true }).fill('21.6');
  await panel.getByLabel('Short-circuited').fill('5.95');
  await expect(found('array-window-unknown')).toBeVisible();
  await panel.getByLabel('In series').fill('3');
  await roof.getByLabel('It bears at most').fill('50');
  await expect(found('array-volts')).toBeVisible();
  await roof.getByLabel('It bears at most').fill('100');
  await expect(found('array-volts')).toHaveCount(0);
  await expect(page.locator('[data-figure="array.rating"]').first()).toContainText('300');

  await panel.getByLabel('In series').fill('1');
  await roof.getByRole('button', { name: 'Other panels beside them' }).click();
  const other = roof.locator('[data-panels="panel-2"]');
  await other.getByLabel('Panel 2: one has').fill('320');
  await other.getByLabel('Best point').first().fill('33.4');
  await other.getByLabel('Best point').nth(1).fill('9.58');
  await other.getByLabel('Open', { exact: true }).fill('40.3');
  await other.getByLabel('Short-circuited').fill('10.1');
  await expect(found('array-unlike')).toBeVisible();
  await expect(roof.getByText('Unlike panels on one controller', { exact: true })).toBeVisible();
  await roof.getByLabel('Shaded from-to').fill('15-18 8o %');
  await expect(page.getByText(/no time such as/)).toBeVisible();
  await roof.getByLabel('Shaded from-to').fill('15-18 80 %');
  await saved(page);
  expect((await storedJob(page, id)).options[0]?.system.arrays).toMatchObject([
    {
      ratingW: null,
      shaded: [{ startMin: 900, minutes: 180, share: 0.8 }],
      panels: [
        { ratingW: 100, vmpV: 18, series: 1 },
        { ratingW: 320, iscA: 10.1 },
      ],
    },
  ]);
  await expectSound(page);
});

test('driving, a relay on a smart alternator, and a generator as a source', async ({ page }) => {
  const id = await openJob(page, (job) => ({
    ...job,
    brief: { ...job.brief, drives: [], supplies: [{ ...blankSupply('generator', '230V-50Hz'), id: 'generator' }] },
  }));
  await add(page, 'fridge 45W');
  await goTo(page, 'o');
  const driving = page.getByRole('region', { name: 'Driving' });
  await driving.getByLabel('Driving from-to').fill('9-11, 16-17');
  await expect(page.getByRole('columnheader', { name: 'Driving', exact: true })).toBeVisible();
  await driving.getByRole('button', { name: 'Choose the charger' }).click();
  await driving.getByLabel('It gives').fill('30');
  await expect(driving).toContainText('gives 408 W: 1 224 Wh a day');
  // Another unit of the same quantity is read; another quantity is refused, and what was there stays.
  const cable = driving.getByLabel('Cable to it, one way');
  await cable.fill('400 cm');
  await driving.getByLabel('Of', { exact: true }).fill('4 AWG');
  await expect(driving).toContainText(/at the end of 4\sm of 21\smm²/);
  await cable.fill('4 kg');
  await expect(driving).toContainText('Write a length, such as 4 m or 13 ft');
  await cable.fill('13\' 6"');
  await cable.blur();
  await expect(cable).toHaveValue('4.115');
  await driving.getByLabel('Links by').selectOption('relay');
  await driving.getByLabel('Its voltage is').selectOption('smart');
  await expect(page.locator('[data-finding="relay-smart"]')).toBeVisible();

  const supplies = page.getByRole('region', { name: 'Supplies' });
  await expect(supplies).toContainText('no charger is fitted');
  await expect(page.locator('[data-finding="charger-none"]')).toBeVisible();
  await supplies.getByLabel('Runs from-to').fill('18-20');
  await saved(page);
  const stored = await storedJob(page, id);
  expect(stored.brief.supplies[0]?.hours).toEqual([{ startMin: 1080, minutes: 120 }]);
  expect(stored.brief.drives).toEqual([
    { startMin: 540, minutes: 120 },
    { startMin: 960, minutes: 60 },
  ]);
  expect(stored.options[0]?.system.driving).toMatchObject([
    { kind: 'relay', ratingA: 30, cableM: expect.closeTo(4.1148, 9), cableMm2: expect.closeTo(21.151, 3) },
  ]);
});

for (const [name, viewport] of [
  ['1280×800', { width: 1280, height: 800 }],
  ['390×844', { width: 390, height: 844 }],
] as const) {
  test(`the sources are accessible and fit the screen at ${name}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    await page.goto('/');
    await page.getByRole('link', { name: /River-survey/ }).click();
    await expect(page.locator('[data-load="kettle"]')).toBeVisible();
    await goTo(page, 'o');
    await expect(page.locator('[data-sources="ready"] [data-day="ready"]')).toBeVisible();
    await expect(page.getByRole('article', { name: 'Folding panel' })).toBeVisible();
    await expectSound(page);
  });
}

test('a weather file sets the place and its months; a broken one is refused by its lines', async ({ page }) => {
  const id = await openJob(page, (job) => job, 'brief');
  await page.getByText('Clocks, height, month by month').click();
  const file = page.getByLabel('Read a weather file…');
  const give = (name: string, lines: readonly string[]) =>
    file.setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(lines.join('\n')) });
  await give('cut.epw', epwLines().slice(0, 3000));
  await expect(page.getByRole('alert')).toContainText('cut.epw was not taken');
  await expect(page.getByRole('alert')).toContainText('whole days');
  await give('whole.epw', epwLines());
  await expect(page.getByText('These are from EPW Madeup Field')).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(page.getByLabel('Latitude, south negative')).toHaveValue('47.5');
  await expect(page.getByRole('img', { name: /Peak sun hours by month: January/ })).toBeVisible();
  await saved(page);
  const { monthly, utcOffsetH, heightM } = (await storedJob(page, id)).brief.place;
  // Twelve hours of 60 + 5 × 15.5 Wh on June's mean day; its quartiles are the 8.25th and the 22.75th.
  expect(monthly.peakSunHours?.[5]).toBeCloseTo(1.65, 9);
  expect(monthly.brightSunHours?.[5]).toBeCloseTo(2.085, 9);
  expect(monthly.dullSunHours?.[5]).toBeCloseTo(1.215, 9);
  expect([utcOffsetH, heightM]).toEqual([-1, 350]);
  // Its hours are kept beside the job, and are there when it is opened again.
  await page.goto(`/jobs/${id}/days`);
  await page.getByRole('combobox', { name: /^Weather/ }).selectOption({ label: 'the hours of the weather file' });
  await expect(page.getByRole('region', { name: 'A year' })).toContainText('the hours of the weather file');
});

test('hours that cannot be kept are said, and the days of the file stand', async ({ page }) => {
  const id = await openJob(page, (job) => job, 'brief');
  await page.getByText('Clocks, height, month by month').click();
  await page.route('**/weather', (route) => route.abort());
  const buffer = Buffer.from(epwLines().join('\n'));
  await page.getByLabel('Read a weather file…').setInputFiles({ name: 'whole.epw', mimeType: 'text/plain', buffer });
  await expect(page.getByRole('alert')).toContainText('its hours were not kept');
  await saved(page);
  await page.goto(`/jobs/${id}/days`);
  await page.getByRole('combobox', { name: /^Weather/ }).selectOption({ label: 'the days of the weather file' });
  await expect(page.getByRole('region', { name: 'A year' })).toContainText('the days of the weather file');
});

test('a place is found by its name, also without its accents, and where it is follows', async ({ page }) => {
  const id = await openJob(page, (job) => job, 'brief');
  const search = page.getByRole('combobox', { name: 'Find a place by its name' });
  // The gazetteer is filled beside the server, some seconds into its first start.
  await expect(async () => {
    await search.fill('');
    await search.fill('reykjav');
    await expect(page.getByRole('option').first()).toBeVisible({ timeout: 2000 });
  }).toPass({ timeout: 60_000 });
  await expect(page.getByRole('option').first()).toContainText('64.1° N 21.9° W');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Latitude, south negative')).toHaveValue(/^64\.1/);
  await expect(page.getByLabel('Where it is used')).toHaveValue(/^Reykjav/);
  await expect(search).toHaveValue('');
  await saved(page);
  const { place } = (await storedJob(page, id)).brief;
  expect(place.longitudeDeg).toBeLessThan(-21);
  await search.fill('zzqqxxzz');
  await expect(page.getByText('No place of that name')).toBeVisible();
  await page.route('**/api/places*', (route) => route.abort());
  await search.fill('nowhere at all');
  await expect(page.getByText('Places cannot be looked up just now')).toBeVisible();
});

test('the roof to scale: panels laid out, moved by keys and by hand, and what does not fit is said', async ({
  page,
}) => {
  const id = await openJob(page);
  await add(page, 'fridge 45W');
  await goTo(page, 'o');
  const arrays = page.getByRole('region', { name: 'Solar arrays' });
  await arrays.getByRole('button', { name: 'Choose the array' }).click();
  const first = arrays.getByRole('article', { name: 'Array 1' });
  await first.getByRole('button', { name: 'List its panels' }).click();
  const panel = first.locator('[data-panels="panel-1"]');
  await panel.getByLabel('Panel 1: one has').fill('100');
  await panel.getByLabel('Side by side').fill('2');

  const roof = page.getByRole('region', { name: 'Roof' });
  await roof.getByRole('button', { name: 'Draw the roof' }).click();
  await roof.getByLabel('Front to rear').fill('2');
  await roof.getByLabel('Side to side').fill('1.2');
  await expect(roof).toContainText('2 panels have no place yet');
  await roof.getByRole('button', { name: 'Lay them where there is room' }).click();
  await expect(roof.locator('[data-on-roof]')).toHaveCount(2);
  const one = roof.locator('[data-on-roof="Panel 1 1"]');
  await one.press('ArrowRight');
  await one.press('Shift+ArrowRight');
  await saved(page);
  expect((await storedJob(page, id)).options[0]?.system.roof[0]).toMatchObject({ index: expect.any(Number) });
  const found = (code: string) => page.locator(`[data-finding="${code}"]`);
  await expect(found('roof-overlap')).toHaveCount(0);
  // What is still being reckoned above the drawing would move it.
  await expect(page.locator('[data-sources="ready"] [data-day="ready"]')).toBeVisible();
  await one.hover();
  const box = await one.boundingBox();
  if (!box) throw new Error('no panel on the roof');
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 2, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(found('roof-overhang')).toBeVisible();
  // Let go beside the roof it is taken off.
  await one.hover();
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 4.5, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(found('roof-overhang')).toHaveCount(0);
  await expect(roof.locator('[data-on-roof]')).toHaveCount(1);
  await expectSound(page);
  await roof.locator('[data-on-roof]').press('Delete');
  await expect(roof.locator('[data-on-roof]')).toHaveCount(0);
});

test('inverter, controller and charger in one box: beside separate units, taken, its limit felt, taken apart', async ({
  page,
}) => {
  const id = await openJob(page, (job) => ({
    ...job,
    options: job.options.map((option) => ({
      ...option,
      system: {
        ...option.system,
        arrays: [blankArray('roof', 'Roof', 800)],
        chargers: [blankCharger('c', 'Charger', 30)],
      },
    })),
  }));
  await add(page, 'kettle 1500W');
  await add(page, 'fridge 45W');
  await goTo(page, 'o');
  const part = page.getByRole('region', { name: 'One box or separate' });
  await part.getByRole('button', { name: 'Set them beside each other' }).click();
  const table = part.getByRole('table', { name: 'One box beside separate units' });
  await expect(table.getByRole('columnheader')).toHaveText(['As it is', 'Separate, of the list', 'One box']);
  await expect(table.getByRole('row', { name: /^Mass/ })).toContainText('11\u2009kg');
  await part.getByRole('button', { name: 'Take the one box' }).click();
  const unit = page.locator('[data-all-in-one]');
  await expect(unit).toContainText('the controller of Roof');
  await expect(table.getByRole('columnheader', { name: 'One box' })).toHaveCount(0);
  await unit.getByLabel('Charges with at most').fill('10');
  await expect(page.locator('[data-finding="box-clips"]')).toContainText(/10\s?A/);
  await saved(page);
  const { allInOnes } = (await storedJob(page, id)).options[0]?.system ?? {};
  expect(allInOnes).toMatchObject([{ arrays: ['roof'], charger: 'c', chargeA: 10, kg: 11, price: 690 }]);

  await page
    .getByRole('region', { name: 'How uses are met' })
    .getByRole('row', { name: /one conversion/ })
    .isVisible();
  await expectSound(page);
  await unit.getByRole('button', { name: 'Take it apart' }).click();
  await expect(unit).toHaveCount(0);
  await expect(page.locator('[data-finding="box-clips"]')).toHaveCount(0);
});
