import type { Job } from '@joulemetric/core';
import { add, expect, goTo, openJob, saved, storedJob, test } from './app.ts';

/** First vans as somebody new types them, nothing else touched; each proposal is to be one that an electrician signs. */
const VANS: readonly (readonly [name: string, lines: readonly string[], change?: (job: Job) => Job])[] = [
  ['a newcomer’s', ['fridge 45W', '2 laptops', 'kettle', 'water pump', '6 LED lights 3W 4h', 'induction hob']],
  ['for weekends', ['cool box 45W', '4 LED lights 3W 3h', 'phone charger', 'water pump']],
  [
    'to work from',
    [
      'fridge 50W',
      '2 laptops 60W 8h',
      'monitor 30W 8h',
      'router 10W 24h',
      '6 LED lights 3W 5h',
      'coffee machine',
      'water pump',
    ],
  ],
  [
    'all electric, 24 V',
    ['fridge 60W', 'induction hob', 'kettle', 'microwave', 'water heater', '8 LED lights 3W 5h', 'water pump'],
    (job) => ({
      ...job,
      options: job.options.map((option) => ({ ...option, system: { ...option.system, busVoltageV: 24 } })),
    }),
  ],
  [
    'in winter',
    ['fridge 45W', 'diesel heater 12h', '6 LED lights 3W 7h', 'laptop 60W 3h', 'water pump'],
    (job) => ({
      ...job,
      brief: { ...job.brief, months: [12, 1, 2], place: { ...job.brief.place, dayTempC: 3, nightTempC: -6 } },
    }),
  ],
];

for (const [name, lines, change] of VANS)
  test(`a first van, ${name}: what is proposed is laid and nothing is said against it`, async ({ page }) => {
    const id = await openJob(page, change);
    for (const line of lines) await add(page, line);
    await goTo(page, 'u');
    await expect(page.locator('[data-runs=ready]')).toBeVisible();
    await page.getByRole('button', { name: 'Lay these runs' }).click();
    await expect(page.locator('[data-figure="loss.cable"]')).toBeVisible();
    await saved(page);
    for (const code of [
      'fuse-none',
      'run-unfused',
      'run-undersized',
      'run-drop',
      'run-start-dip',
      'run-interrupt',
      'run-not-selective',
      'store-current',
    ])
      await expect(page.locator(`[data-finding="${code}"]`), code).toHaveCount(0);
    // Every row says its fuse, or whose fuse it lies behind; panels alone have none.
    const table = page.getByRole('table', { name: 'Runs' });
    const bare = table.getByRole('row').filter({ hasText: /\bnone\b/ });
    for (const text of await bare.allTextContents()) expect(text).toContain('panels');
    const { runs } = (await storedJob(page, id)).options[0]?.system ?? {};
    expect(runs?.length).toBeGreaterThan(lines.length / 2);
  });
