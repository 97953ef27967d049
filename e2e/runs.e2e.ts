import { readFileSync } from 'node:fs';
import { type Load, proposeLoad } from '@joulemetric/core';
import type { Page } from '@playwright/test';
import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

const ready = (page: Page) => expect(page.locator('[data-runs=ready]')).toBeVisible();
const row = (page: Page, name: string) =>
  page
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name, exact: false }) })
    .first();

const withLoads = async (page: Page) => {
  const id = await openJob(page);
  await add(page, 'kettle 1200W 3x4min');
  await add(page, 'fridge 45W');
  await add(page, 'lights 12W 4h');
  await goTo(page, 'u');
  await ready(page);
  return id;
};

test('runs are proposed, laid with one tap, and what they lose counts from then on', async ({ page }) => {
  const id = await withLoads(page);
  await expect(page.getByText(/they would lose/)).toBeVisible();
  const table = page.getByRole('table', { name: 'Runs' });
  await expect(table.getByRole('button', { name: /Bank to busbars/ })).toBeVisible();
  await expect(table.getByRole('button', { name: /Inverter/ })).toBeVisible();
  expect((await storedJob(page, id)).options[0]?.system.runs).toBeNull();

  await page.getByRole('button', { name: 'Lay these runs' }).click();
  await expect(page.locator('[data-figure="loss.cable"]')).toBeVisible();
  await expect(page.getByText(/of the need lost in them/)).toBeVisible();
  await saved(page);
  const { runs } = (await storedJob(page, id)).options[0]?.system ?? {};
  expect(runs?.[0]).toMatchObject({ id: 'main', end: 'busbar', from: null, isolator: true });
  expect(
    runs?.every(
      ({ areaMm2, end }) => areaMm2 !== null || ['array', 'panels', 'driving', 'alternator', 'busbar'].includes(end),
    ),
  ).toBe(true);

  // Every figure of a run opens its working.
  await table.locator('[data-figure="run[main].ampacity"]').click();
  await expect(page.getByText('ABYC E-11', { exact: false }).first()).toBeVisible();
  await page.keyboard.press('Escape');

  // A load that comes later has no lead until one is added.
  await goTo(page, 'l');
  await add(page, 'water pump 60W 10min');
  await goTo(page, 'u');
  await ready(page);
  await expect(page.getByText(/No run leads to Water pump/)).toBeVisible();
  await page.getByRole('button', { name: /Add what is missing/ }).click();
  await expect(page.getByText(/No run leads to/)).toHaveCount(0);
  await expect(table.getByRole('button', { name: /Water pump/ })).toBeVisible();
});

test('many findings of one kind do not hide the others: the first stand in full, the rest are opened', async ({
  page,
}) => {
  const fridge = proposeLoad('fridge 45W', (name) => name.toLowerCase()).load as Load;
  const loads = Array.from({ length: 7 }, (_, i) => ({ ...fridge, id: `f${i}`, name: `Fridge ${i}`, minV: 13 }));
  await openJob(page, (job) => ({ ...job, loads }), 'runs');
  await ready(page);
  await page.getByRole('button', { name: 'Lay these runs' }).click();
  const kinds = page.locator('[data-finding="load-drops-out"]');
  await expect(kinds).toHaveCount(3);
  await page.getByRole('button', { name: '4 more of this kind' }).first().click();
  await expect(kinds).toHaveCount(7);
  await expect(kinds.last()).toContainText('Fridge 6');
  // What an edit leaves of them stays open.
  await page.getByLabel('Fridge 0: length one way').fill('7');
  await saved(page);
  await expect(kinds).toHaveCount(7);
  await page.getByRole('button', { name: 'Only the first 3 of this kind' }).first().click();
  await expect(kinds).toHaveCount(3);
});

test('sizes and lengths as people write them: understood, asked about, or refused; what is wrong is said', async ({
  page,
}) => {
  const id = await withLoads(page);
  const size = page.getByLabel(/fridge.*: size/i).first();
  const length = page.getByLabel(/fridge.*: length one way/i).first();
  await size.fill('6mm');
  await expect(page.getByText('6 mm of what?', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: /6 mm automotive, by its outside: about 4.6/ }).click();
  await expect(size).toHaveValue(/4\.6/);
  // The runs have just been laid: a figure that comes meanwhile is not typed over.
  await expect(async () => {
    await length.fill('13 ft');
    await expect(length).toHaveValue('13 ft', { timeout: 500 });
  }).toPass();
  await length.blur();
  await expect(length).toHaveValue('3.96');
  await length.fill('400 m');
  await expect(page.getByText('From 0.05 to 100 m one way.')).toBeVisible();
  await length.fill('12');
  await length.blur();
  await saved(page);
  const fridge = (await storedJob(page, id)).options[0]?.system.runs?.find(
    ({ loads }) => loads.length === 1 && /fridge/i.test(loads[0] ?? ''),
  );
  expect(fridge).toMatchObject({ areaMm2: 4.6, lengthM: 12, conductor: 'flexible' });

  // 10 ga; then a size that burns.
  await size.fill('10 ga');
  await size.blur();
  await expect(size).toHaveValue('10 AWG');
  await size.fill('0.75 mm2');
  await size.blur();
  await row(page, 'Fridge')
    .getByRole('button', { name: /fridge/i })
    .click();
  await page.getByRole('textbox', { name: 'Rating' }).fill('60');
  await expect(page.getByText(/the fuse of 60\sA is above/).first()).toBeVisible();
  await page.getByLabel('Protected by', { exact: true }).selectOption('none');
  await expect(page.getByText(/has no fuse that opens before its cable burns/).first()).toBeVisible();
});

test('where weights, warmth and lengths are in lb, °F and ft, nothing is shown or read in kg, °C or m', async ({
  page,
}) => {
  const id = await openJob(page, (job) => ({
    ...job,
    brief: { ...job.brief, region: { ...job.brief.region, units: 'imperial' }, payloadKg: 100 },
  }));
  await add(page, 'fridge 45W');
  await add(page, 'kettle 1200W 3x4min');
  await expect(page.locator('[data-vital="payload.left"]')).toContainText(/lb.*kit \d+\slb/);
  await goTo(page, 'u');
  await ready(page);
  const length = page.getByLabel(/fridge.*: length one way/i).first();
  await length.fill('10');
  await length.blur();
  await expect(length).toHaveValue('10');
  await saved(page);
  const fridge = async () =>
    (await storedJob(page, id)).options[0]?.system.runs?.find(({ end, loads }) => end === 'loads' && loads.length > 0);
  expect((await fridge())?.lengthM).toBeCloseTo(3.048, 6);
  // As metric it is the same length.
  await length.fill('2 m');
  await length.blur();
  await expect(length).toHaveValue('6.56');
  await saved(page);
  expect((await fridge())?.lengthM).toBeCloseTo(2, 6);
  await row(page, 'Fridge')
    .getByRole('button', { name: /fridge/i })
    .click();
  await expect(page.getByLabel('Air at its hottest')).toHaveAttribute('placeholder', '86, usual');
  // 140 °F are 60 °C.
  await page.getByLabel('Air at its hottest').fill('140');
  await page.getByLabel('Air at its hottest').blur();
  await saved(page);
  expect((await fridge())?.ambientC).toBeCloseTo(60, 6);
  for (const step of ['l', 'p', 's', 'u', 'd', 'r'] as const) {
    await goTo(page, step);
    await expect(page.locator('[data-vital="demand.battery"]')).toBeVisible();
    await expect(page.locator('main')).not.toContainText(/\d[\s\u2009]?(kg|°C|m)(?![\p{L}²])/u);
  }
});

test('many runs are changed at once, and come and go as a table; a bad table is refused line by line', async ({
  page,
}) => {
  await withLoads(page);
  for (const name of [/Choose .*fridge/i, /Choose .*lights/i])
    await page.getByRole('checkbox', { name }).first().check();
  const batch = page.getByRole('region', { name: 'Change the chosen runs' });
  await batch.getByLabel('Size, all').fill('4 mm2');
  await batch.getByLabel('One way, all').fill('6');
  await batch.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByLabel(/fridge.*: size/i).first()).toHaveValue('4 mm²');
  await expect(page.getByLabel(/lights.*: length one way/i).first()).toHaveValue('6');

  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Runs as CSV' }).click();
  const text = readFileSync(await (await saving).path(), 'utf8');
  expect(text.split('\r\n')[0]).toContain('id,name,from,end,part,loads,length_m,size');
  expect(text).toMatch(/,4 mm²,flexible,/);

  const give = (csv: string) =>
    page
      .getByLabel('Take runs from a CSV')
      .setInputFiles({ name: 'runs.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await give(text.replaceAll(',4 mm²,', ',6mm,'));
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was taken' })).toContainText(
    /Line \d+, size: expected its unit/,
  );
  await give('id,name,from,end\na,A,b,busbar\nb,B,a,busbar\n');
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was taken' })).toContainText(
    /Line 2, from: expected a way back to the store/,
  );
  await give(text.replaceAll(',4 mm²,', ',10 mm²,'));
  await expect(page.getByLabel(/fridge.*: size/i).first()).toHaveValue('10 mm²');
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was taken' })).toHaveCount(0);
});

test('the diagram opens rows, and leaves as a drawing; the network leaves as a netlist', async ({ page }) => {
  await withLoads(page);
  const diagram = page.locator('[data-diagram=ready]');
  await expect(diagram).toBeVisible();
  await expect(diagram).toContainText('Mains side in blocks only');
  await diagram.getByRole('button', { name: /^Inverter, .*: open its row/ }).click();
  await expect(page.getByRole('textbox', { name: 'Name' })).toHaveValue('Inverter');

  const drawing = page.waitForEvent('download');
  await diagram.getByRole('button', { name: 'SVG' }).click();
  const svg = readFileSync(await (await drawing).path(), 'utf8');
  expect(svg).toMatch(/^<svg[^>]+xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
  expect(svg).not.toContain('var(--');
  expect(svg).toContain('mm²');

  // On paper: one sheet, lying down.
  await page.evaluate(() => {
    window.print = () => undefined;
  });
  await diagram.getByRole('button', { name: 'Print' }).click();
  const sheet = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(sheet.match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
  expect(sheet).toMatch(/\/MediaBox \[0 0 84\d\S* 59\d/);

  const netlist = page.waitForEvent('download');
  await page.getByRole('button', { name: 'SPICE netlist' }).click();
  const deck = readFileSync(await (await netlist).path(), 'utf8');
  expect(deck).toMatch(/^Vbank rest 0 1\d/m);
  expect(deck).toMatch(/\.op\n\.end\n$/);
});

for (const [name, viewport] of [
  ['1280 × 800', { width: 1280, height: 800 }],
  ['390 × 844', { width: 390, height: 844 }],
] as const)
  test(`runs are accessible and fit the screen at ${name}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    await openJob(page, undefined, 'runs');
    await expect(page.getByText('take down the loads first', { exact: false })).toBeVisible();
    await expectSound(page);
    await withLoads(page);
    await page.getByRole('button', { name: 'Lay these runs' }).click();
    await expect(page.locator('[data-figure="loss.cable"]')).toBeVisible();
    await row(page, 'Inverter')
      .getByRole('button', { name: /Inverter/ })
      .click();
    await expect(page.locator('[data-diagram=ready]')).toBeVisible();
    await expectSound(page);
  });
