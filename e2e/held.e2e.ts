import { type Job, type Load, proposeLoad } from '@joulemetric/core';
import type { Page } from '@playwright/test';
import { add, expect, openJob, saved, storedJob, test } from './app.ts';
import { anotherTab, connect, cutOff, names, picture, press, rename, somebodyElse, status, waits } from './people.ts';

/** What the page itself holds: readings, photos, lists and edits, through lost signals, reloads and full storage. */

const pad = (page: Page) => page.getByRole('region', { name: 'A reading' });
const read = async (page: Page, digits: string) => {
  for (const digit of digits) await pad(page).getByRole('button', { name: digit, exact: true }).click();
  await pad(page).getByRole('button', { name: 'Keep this reading' }).click();
  await expect(pad(page).getByRole('status')).toContainText(`Kept: ${digits} %`);
};
const lampOf = (): Load => proposeLoad('lamp 10W 1h', () => 'lamp').load as Load;

/** A job with a log that is open. */
async function openLog(page: Page, change?: (job: Job) => Job): Promise<{ id: string; log: string }> {
  const id = await openJob(page, change, 'logbook');
  await page.getByRole('button', { name: 'Begin a log' }).click();
  await expect(page.locator('[data-answer]')).toContainText('Nothing has been read yet');
  const [one] = await (await page.request.get(`/api/logs?job=${id}`)).json();
  return { id, log: one.id };
}
const entries = async (page: Page, log: string) =>
  (await (await page.request.get(`/api/logs/${log}`)).json()).entries as { entry: { soc?: number; photo?: string } }[];
const socs = async (page: Page, log: string) => (await entries(page, log)).map(({ entry }) => entry.soc);
const photosOf = async (page: Page, id: string) => (await storedJob(page, id)).loads.flatMap(({ photos }) => photos);
const photoIsThere = async (page: Page, id: string, photo: string | undefined) =>
  (await page.request.get(`/api/jobs/${id}/photos/${photo}`)).status() === 200;
const openLoad = async (page: Page, name: string) => {
  await page.getByLabel(`Name of ${name}`, { exact: true }).focus();
  await page.getByRole('button', { name: 'Details' }).click();
};
const full = (page: Page) =>
  page.evaluate(() => {
    for (const method of ['put', 'add'] as const)
      IDBObjectStore.prototype[method] = () => {
        throw new DOMException('full', 'QuotaExceededError');
      };
  });

test.describe('readings', () => {
  test('made without a signal survive a reload and arrive', async ({ page, context }) => {
    const { log } = await openLog(page);
    await cutOff(context);
    await read(page, '88');
    await read(page, '87');
    await expect(waits(page)).toContainText('2 readings wait in this browser');
    // The page itself comes from the server, what it asks for does not.
    await page.reload();
    await context.unroute('**/api/**');
    await page.goto('/');
    await expect.poll(() => socs(page, log)).toEqual([88, 87]);
    await expect(waits(page)).toHaveCount(0);
  });

  for (const [what, answer] of [
    ['an empty object', { status: 200, contentType: 'application/json', body: '{}' }],
    ['an empty list', { status: 200, contentType: 'application/json', body: '[]' }],
    ['no words', { status: 204, body: '' }],
    ['a sign-in page', { status: 200, contentType: 'text/html', body: '<h1>Welcome</h1>' }],
  ] as const)
    test(`are not dropped where a guest network answers with ${what}`, async ({ page }) => {
      const { log } = await openLog(page);
      await page.route('**/entries', (route) => route.fulfill(answer));
      await read(page, '88');
      await expect(waits(page)).toContainText('1 reading waits');
      await page.unroute('**/entries');
      await page.evaluate(() => window.dispatchEvent(new Event('online')));
      await expect.poll(() => socs(page, log)).toEqual([88]);
    });

  test('whose answer is lost are there once', async ({ page }) => {
    const { log } = await openLog(page);
    await page.route('**/entries', async (route) => {
      await route.fetch();
      await route.abort();
    });
    await read(page, '88');
    await expect(waits(page)).toContainText('1 reading waits');
    await page.unroute('**/entries');
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(waits(page)).toHaveCount(0);
    expect(await socs(page, log)).toEqual([88]);
  });

  test('of a log that was removed are said, and hold up no other log’s', async ({ page, context }) => {
    const { id, log } = await openLog(page);
    const { id: other } = await (
      await page.request.post('/api/logs', {
        data: { jobId: id, log: { format: 'joulemetric-log', version: 1, name: 'Other' } },
      })
    ).json();
    await cutOff(context);
    await read(page, '88');
    expect((await page.request.delete(`/api/logs/${log}`)).status()).toBe(204);
    await context.unroute('**/api/**');
    await page.goto(`/jobs/${id}/logbook?log=${other}`);
    await read(page, '77');
    await expect.poll(() => socs(page, other)).toEqual([77]);
    await expect(waits(page)).toContainText('1 reading not accepted: the log was deleted.');
    const download = page.waitForEvent('download');
    await waits(page).getByRole('button', { name: 'Save as a file' }).click();
    expect((await download).suggestedFilename()).toBe('readings.json');
    await waits(page).getByRole('button', { name: 'Delete' }).click();
    await expect(waits(page)).toHaveCount(0);
  });

  test('are sent at once where the browser’s storage is full, or wait in the page and are said to', async ({
    page,
    context,
  }) => {
    const { log } = await openLog(page);
    await full(page);
    await read(page, '88');
    await expect.poll(() => socs(page, log)).toEqual([88]);
    await cutOff(context);
    await read(page, '87');
    await expect(waits(page)).toContainText('leave this page open');
    await connect(context);
    await expect.poll(() => socs(page, log)).toEqual([88, 87]);
  });
});

test.describe('photos', () => {
  test('of a label made without a signal: two of them are shown, survive a reload and arrive', async ({
    page,
    context,
  }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await openLoad(page, 'Lamp');
    await cutOff(context);
    const file = page.getByLabel('Add a photo of the label: file');
    await file.setInputFiles(await picture(page, '#222'));
    await file.setInputFiles(await picture(page, '#eee'));
    for (const n of [1, 2]) {
      const shown = page.getByRole('img', { name: new RegExp(`^Label ${n}`) });
      await expect.poll(() => shown.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBe(40);
    }
    await expect(waits(page)).toContainText('2 photos wait in this browser');
    await page.reload();
    await context.unroute('**/api/**');
    await page.goto(`/jobs/${id}/loads`);
    await saved(page);
    await expect.poll(() => photosOf(page, id)).toHaveLength(2);
    for (const photo of await photosOf(page, id)) await expect.poll(() => photoIsThere(page, id, photo)).toBe(true);
  });

  test('are not dropped by a guest network’s {}, and are there once after a lost answer', async ({ page }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await openLoad(page, 'Lamp');
    await page.route('**/photos/*', (route) =>
      route.fulfill({ status: 200, contentType: 'application/json', body: '{}' }),
    );
    await page.getByLabel('Add a photo of the label: file').setInputFiles(await picture(page));
    await expect(waits(page)).toContainText('1 photo waits');
    await page.unroute('**/photos/*');
    await page.route(
      '**/photos/*',
      async (route) => {
        await route.fetch();
        await route.abort();
      },
      { times: 1 },
    );
    for (let i = 0; i < 2; i++) await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(waits(page)).toHaveCount(0);
    const [photo] = await photosOf(page, id);
    expect(await photoIsThere(page, id, photo)).toBe(true);
  });

  test('of a display: a second one is another reading’s, and both go with their readings', async ({
    page,
    context,
  }) => {
    const { id, log } = await openLog(page);
    await cutOff(context);
    const file = pad(page).getByLabel('Photo of the display: file');
    await file.setInputFiles(await picture(page, '#222'));
    await expect(pad(page).getByRole('status')).toContainText('The photo is here');
    await file.setInputFiles(await picture(page, '#eee'));
    await expect(pad(page).getByRole('status')).toContainText('The photo is here');
    await read(page, '86');
    await connect(context);
    await expect.poll(async () => (await entries(page, log)).length).toBe(2);
    for (const { entry } of await entries(page, log))
      await expect.poll(() => photoIsThere(page, id, entry.photo)).toBe(true);
  });

  test('of a job that was deleted are said and can be let go', async ({ page, context }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await openLoad(page, 'Lamp');
    await cutOff(context);
    await page.getByLabel('Add a photo of the label: file').setInputFiles(await picture(page));
    await expect(waits(page)).toContainText('1 photo waits');
    await context.unroute('**/api/**');
    await page.request.delete(`/api/jobs/${id}`);
    await page.goto('/');
    await expect(waits(page)).toContainText('1 photo not accepted: the job was deleted.');
    await waits(page).getByRole('button', { name: 'Delete' }).click();
    await expect(waits(page)).toHaveCount(0);
  });
});

test.describe('edits', () => {
  test('typed and not sent yet are there after a reload in the middle', async ({ page }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await page.getByLabel('Power of Lamp').fill('25');
    await page.reload();
    await saved(page);
    expect((await storedJob(page, id)).loads[0]?.draw).toMatchObject({ powerW: 25 });
  });

  test('whose answer is lost are saved once, and the next go on from them', async ({ page }) => {
    const id = await openJob(page);
    await page.route(
      `**/api/jobs/${id}`,
      async (route) => {
        if (route.request().method() !== 'PUT') return route.continue();
        await route.fetch();
        await route.abort();
      },
      { times: 2 },
    );
    await add(page, 'lamp 10W 1h');
    await add(page, 'kettle');
    await expect(status(page)).toContainText('Saved', { timeout: 20_000 });
    expect(await names(page, id)).toEqual(['Lamp', 'Kettle']);
  });

  test('are still here when the program is updated under them, and a step of the old one is gone', async ({
    page,
    context,
  }) => {
    const id = await openJob(page);
    await context.route('**/assets/Brief-*.js', (route) => route.fulfill({ status: 404, body: '' }));
    // A tab of its own: that its step is gone is an error of the page, and the subject here.
    const tab = await anotherTab(context, `/jobs/${id}/loads`);
    await add(tab, 'lamp 10W 1h');
    await press(tab, 'g');
    await tab.keyboard.press('b');
    await expect(tab.getByText(/kept in this browser/)).toBeVisible();
    await context.unroute('**/assets/Brief-*.js');
    await tab.goto(`/jobs/${id}/loads`);
    await saved(tab);
    expect(await names(tab, id)).toEqual(['Lamp']);
  });

  test('that a newer program’s server refuses stay, are said, and are saved once the page is the newer one', async ({
    page,
  }) => {
    const id = await openJob(page);
    await page.route(`**/api/jobs/${id}`, (route) =>
      route.request().method() === 'PUT'
        ? route.fulfill({
            status: 409,
            contentType: 'application/problem+json',
            body: JSON.stringify({
              code: 'newer-job',
              status: 409,
              title: 'Newer',
              detail: 'It is of a newer version.',
            }),
          })
        : route.continue(),
    );
    await add(page, 'lamp 10W 1h');
    await expect(status(page)).toContainText('Not saved: It is of a newer version.');
    await page.unroute(`**/api/jobs/${id}`);
    await page.reload();
    await saved(page);
    expect(await names(page, id)).toEqual(['Lamp']);
  });
});

test.describe('lists of the firm', () => {
  const anOwnPart = async (page: Page): Promise<{ id: string; name: string }> => {
    const name = `Workshop ${Math.random().toString(36).slice(2, 8)}`;
    const part = { kind: 'dc-dc', name, ratingA: 30, idleW: null, kg: 1, price: 100 };
    const { id } = await (await page.request.post('/api/parts', { data: part })).json();
    return { id, name };
  };
  const partOf = async (page: Page, id: string) =>
    (await (await page.request.get('/api/parts')).json()).find((one: { id: string }) => one.id === id)?.part;
  const showLinks = async (page: Page) => {
    await page.goto('/parts');
    await page.getByText('DC-DC charger', { exact: true }).click();
  };

  test('two people change different fields of one part: both stand', async ({ page, browser, baseURL }) => {
    const { id, name } = await anOwnPart(page);
    const other = await somebodyElse(browser, baseURL, '/parts');
    await showLinks(page);
    await showLinks(other);
    await page.getByLabel(new RegExp(`^Price of ${name}`)).fill('120');
    await expect.poll(async () => (await partOf(page, id))?.price).toBe(120);
    await other.getByLabel(new RegExp(`^Mass of ${name}`)).fill('2');
    await expect.poll(() => partOf(page, id)).toMatchObject({ price: 120, kg: 2 });
    await other.context().close();
  });

  test('two people change the same field: the second is asked', async ({ page, browser, baseURL }) => {
    const { id, name } = await anOwnPart(page);
    const other = await somebodyElse(browser, baseURL, '/parts');
    await showLinks(page);
    await showLinks(other);
    const price = (of: Page) => of.getByLabel(new RegExp(`^Price of ${name}`));
    await price(page).fill('120');
    await expect.poll(async () => (await partOf(page, id))?.price).toBe(120);
    await price(other).fill('7');
    const question = other.getByRole('dialog', { name: `${name} was changed elsewhere` });
    await expect(question.getByRole('row', { name: /Price/ })).toContainText('120');
    expect((await partOf(page, id))?.price).toBe(120);
    await question.getByRole('button', { name: 'Keep mine' }).click();
    await expect.poll(async () => (await partOf(page, id))?.price).toBe(7);
    await other.context().close();
  });

  test('a part that is copied is there once, however often it is asked for after a lost answer', async ({ page }) => {
    const copies = async () =>
      (await (await page.request.get('/api/parts')).json()).filter(
        (one: { part: { name: string } }) => one.part.name === 'DC-DC 20 A',
      );
    expect(await copies()).toEqual([]);
    await showLinks(page);
    await page.route(
      '**/api/parts/*',
      async (route) => {
        await route.fetch();
        await route.abort();
      },
      { times: 1 },
    );
    const copy = page.getByRole('button', { name: /^Copy DC-DC 20 A/ });
    await copy.click();
    await expect(page.getByRole('alert')).toContainText('does not answer');
    await copy.click();
    await expect(page.getByRole('alert')).toHaveCount(0);
    expect(await copies()).toHaveLength(1);
  });

  test('two people measure the same appliance: both units are kept', async ({ page, browser, baseURL }) => {
    const name = `Urn ${Math.random().toString(36).slice(2, 8)}`;
    const measure = async (of: Page, watts: number) => {
      await openJob(of, (job) => ({ ...job, vehicle: `Van ${watts}` }));
      await add(of, `lamp ${watts}W 1h`);
      await rename(of, 'Lamp', name);
      await openLoad(of, name);
      await of.getByLabel(`Evidence of ${name}`).selectOption('measured');
      await of.getByRole('button', { name: /Keep in our list|One more unit/ }).click();
      await expect(of.getByRole('button', { name: 'Take out of our list' })).toBeVisible();
    };
    const other = await somebodyElse(browser, baseURL, '/');
    await measure(page, 10);
    await measure(other, 14);
    // The other page hears of the first unit by itself, so that its button says nothing of the second being saved.
    const units = async () => {
      const list = await (await page.request.get('/api/catalogue')).json();
      const [entry, ...more] = list.filter((one: { appliance: { name: string } }) => one.appliance.name === name);
      expect(more).toEqual([]);
      return entry.appliance.measured.map((unit: { value: number }) => unit.value).sort();
    };
    await expect.poll(units).toEqual([10, 14]);
    await other.context().close();
  });
});

test('seven tabs of logs that are recorded into all open, and all follow', async ({ page, context }) => {
  const { id, log } = await openLog(page, (job) => ({ ...job, loads: [lampOf()] }));
  await page.locator('summary').filter({ hasText: 'Simulated instruments' }).click();
  await page.getByLabel('Time runs').selectOption('60');
  await page.getByRole('button', { name: 'Record with it' }).click();
  await expect(page.getByText(/\d+ readings, every 60 s/)).toBeVisible({ timeout: 30_000 });
  const tabs: Page[] = [];
  for (let i = 0; i < 6; i++) tabs.push(await anotherTab(context, `/jobs/${id}/logbook?log=${log}`));
  for (const tab of tabs) await expect(tab.getByText(/[1-9]\d* readings, every 60 s/)).toBeVisible({ timeout: 30_000 });
  const last = tabs.at(-1) as Page;
  const shown = async () => Number(/(\d+) readings, every/.exec((await last.textContent('main')) ?? '')?.[1]);
  const before = await shown();
  await expect.poll(shown, { timeout: 20_000 }).toBeGreaterThan(before);
  // The tab that held the stream is closed: another takes it over.
  await page.close();
  const then = await shown();
  await expect.poll(shown, { timeout: 20_000 }).toBeGreaterThan(then);
});
