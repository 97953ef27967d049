import type { Job } from '@joulemetric/core';
import { add, expect, expectSound, goTo, openJob, saved, storedJob, test } from './app.ts';

const figure = (id: string) => `[data-figure="${id}"]`;

test('a bank is built of units: drawn, weighed, held to its limits, and what does not fit the bus is said', async ({
  page,
}) => {
  const id = await openJob(page, (job) => job, 'store');
  await expect(page.getByText('Take down the loads, or choose units')).toBeVisible();
  await goTo(page, 'l');
  await add(page, 'kettle 1200W 3x4min');
  await add(page, 'fridge 45W');
  await goTo(page, 's');
  await expect(page.getByText('No units are chosen yet')).toBeVisible();
  await page.getByRole('button', { name: 'Choose the units' }).click();
  const bank = page.getByRole('region', { name: 'Bank' });
  await bank.getByLabel('String 1: a unit holds').fill('105');
  await bank.getByRole('textbox', { name: 'Side by side' }).fill('2');
  await expect(page.locator(figure('store.ah'))).toContainText('210');
  await expect(bank.getByRole('img')).toHaveAccessibleName(/2 units: 1 in series × 2 side by side\. 210 Ah at 12\.8 V/);

  // The same units on a bus of 24 V: half as many side by side, two in series.
  await page.getByLabel('Bus', { exact: true }).selectOption('24');
  await expect(page.locator(figure('store.ah'))).toContainText('105');
  await expect(bank.getByRole('textbox', { name: 'In series' })).toHaveValue('2');
  await bank.getByRole('textbox', { name: 'In series' }).fill('1');
  await expect(page.getByText(/1 × 12 V make 12 V; the bus has 25\.6 V/)).toBeVisible();
  await bank.getByRole('textbox', { name: 'In series' }).fill('2');
  await expect(page.getByText(/the bus has 25\.6 V/)).toHaveCount(0);

  await bank.getByText('What else is known of it').click();
  await bank.getByLabel('Gives, a unit').fill('20A');
  await expect(page.getByText(/more than the store may give|asks/).first()).toBeVisible();
  await bank.getByLabel('Gives, a unit').fill('');
  await bank.getByRole('button', { name: 'Another string beside it' }).click();
  await bank.locator('[data-string="string-2"]').getByText('What else is known of it').click();
  await bank.locator('[data-string="string-2"]').getByLabel('Still has, measured').fill('60');
  await expect(page.locator(figure('store.ah'))).toContainText('168');
  await saved(page);
  expect((await storedJob(page, id)).options[0]?.system.store.strings).toMatchObject([
    { capacityAh: 105, unitV: 12, series: 2, parallel: 1, dischargeA: null, health: null },
    { capacityAh: 105, unitV: 12, series: 2, parallel: 1, health: 0.6 },
  ]);
});

test('what fills it, how deep it is used and on which voltage stand side by side, a tap away', async ({ page }) => {
  await openJob(page, (job) => ({ ...job, brief: { ...job.brief, drives: [{ startMin: 540, minutes: 120 }] } }));
  await add(page, 'kettle 1200W 3x4min');
  await add(page, 'fridge 45W');
  await goTo(page, 's');
  const full = page.getByRole('region', { name: 'Hours to full' });
  await expect(full.getByRole('listitem').filter({ hasText: 'Driving' })).toBeVisible();
  await expect(full).toContainText('not full');
  await page.getByLabel('100 % deep').check();
  await expect(page.getByLabel('Depth used')).toHaveValue('100');
  const voltages = page.getByRole('region', { name: 'Voltages' });
  await expect(voltages.getByRole('columnheader', { name: /12 V/ })).toBeVisible();
  await expect(voltages.getByRole('row', { name: /^Units of that voltage/ })).toContainText(/1 × LFP 25\.6 V 100 Ah/);
  await expect(voltages.getByRole('row', { name: /^or in a row/ })).toContainText(/2 in a row: /);
  await voltages.getByRole('button', { name: 'Make it 24 V' }).click();
  await expect(page.getByLabel('Bus', { exact: true })).toHaveValue('24');
  await expect(voltages.getByRole('button', { name: 'Make it 12 V' })).toBeVisible();
  await page.getByText('What a voltmeter would say').click();
  await expect(page.getByText('a voltmeter tells little of LFP')).toBeVisible();
});

for (const [name, viewport] of [
  ['1280×800', { width: 1280, height: 800 }],
  ['390×844', { width: 390, height: 844 }],
] as const) {
  test(`the store is accessible and fits the screen at ${name}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    await page.goto('/');
    await page.getByRole('link', { name: /River-survey/ }).click();
    await expect(page.locator('[data-load="kettle"]')).toBeVisible();
    await goTo(page, 's');
    await expect(page.locator('[data-store="ready"]')).toBeVisible();
    await expectSound(page);
  });
}

test('a heater in the store is counted in what charges, once, and its finding says so', async ({ page }) => {
  const frost = (job: Job): Job => ({
    ...job,
    brief: {
      ...job.brief,
      months: [1],
      place: { ...job.brief.place, latitudeDeg: 45, dayTempC: -3, nightTempC: -11 },
    },
  });
  await openJob(page, frost);
  await add(page, 'fridge 45W');
  await goTo(page, 's');
  const net = page.locator('[data-vital="balance.net"]');
  await page.getByLabel('Coldest it gets').fill('-15');
  await expect(page.getByText(/must not be charged/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Choose the units' }).click();
  await page.getByLabel('String 1: a unit holds').fill('100');
  await goTo(page, 'o');
  await expect(page.getByText('to warm the store')).toHaveCount(0);
  const before = await net.textContent();
  await goTo(page, 's');
  await page.getByLabel('Heater in it').fill('90');
  await expect(page.getByText(/do not take the heater down among the loads/)).toBeVisible();
  await goTo(page, 'o');
  await expect(page.getByText('to warm the store')).toBeVisible();
  await page.locator(figure('store.heater')).first().click();
  await expect(page.getByText('while something charges: ')).toBeVisible();
  expect(await net.textContent()).not.toBe(before);
});
