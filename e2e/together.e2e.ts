import { add, expect, expectSound, openJob, saved, storedJob, test } from './app.ts';
import { anotherTab, connect, cutOff, follows, names, press, rename, somebodyElse, status } from './people.ts';

/** Two people, or two tabs, on one job: nobody's saved work is changed by the other unasked. */

test.describe('undo where somebody else has saved since', () => {
  test('takes back one’s own lamp and leaves their kettle and toaster; redo brings the lamp back', async ({
    page,
    browser,
    baseURL,
  }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
    await add(other, 'kettle');
    await add(other, 'toaster');
    await saved(other);
    await follows(page, 'Toaster');
    await press(page, 'Control+z');
    await expect(page.getByLabel('Name of Lamp')).toHaveCount(0);
    await saved(page);
    expect(await names(page, id)).toEqual(['Kettle', 'Toaster']);
    await press(page, 'Control+Shift+z');
    await saved(page);
    expect((await names(page, id)).sort()).toEqual(['Kettle', 'Lamp', 'Toaster']);
    await other.context().close();
  });

  for (const [choice, left] of [
    ['Leave these as they are', ['Galley lamp']],
    ['Undo it anyway', ['Lamp']],
    ['Cancel', ['Galley lamp']],
  ] as const)
    test(`of a part that they changed too is asked about: ${choice}`, async ({ page, browser, baseURL }) => {
      const id = await openJob(page);
      await add(page, 'lamp 10W 1h');
      await rename(page, 'Lamp', 'Reading lamp');
      await saved(page);
      const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
      await rename(other, 'Reading lamp', 'Galley lamp');
      await saved(other);
      await follows(page, 'Galley lamp');
      await press(page, 'Control+z');
      const question = page.getByRole('dialog', { name: 'Undo: somebody else changed this since' });
      await expect(question.getByRole('row', { name: /name/ })).toContainText('Galley lamp');
      expect(await names(page, id)).toEqual(['Galley lamp']);
      if (choice === 'Cancel') await expectSound(page);
      await question.getByRole('button', { name: choice }).click();
      await expect(question).toBeHidden();
      await saved(page);
      expect(await names(page, id)).toEqual(left);
      await other.context().close();
    });
});

test.describe('two people at the same time', () => {
  test('on different loads: both are saved without a question', async ({ page, browser, baseURL }) => {
    const id = await openJob(page);
    const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
    await add(page, 'kettle');
    await saved(page);
    await add(other, 'toaster');
    await saved(other);
    expect(await names(page, id)).toEqual(['Kettle', 'Toaster']);
    await expect(other.getByLabel('Name of Kettle')).toBeVisible();
    await other.context().close();
  });

  for (const [choice, ends] of [
    ['Keep mine', ['Awning lamp', 'Kettle']],
    ['Take theirs', ['Reading lamp', 'Kettle']],
  ] as const)
    test(`on one name: it is asked, nothing else is touched by “${choice}”`, async ({ page, browser, baseURL }) => {
      const id = await openJob(page);
      await add(page, 'lamp 10W 1h');
      await saved(page);
      const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
      await expect(other.getByLabel('Name of Lamp')).toBeVisible();
      await rename(page, 'Lamp', 'Reading lamp');
      await add(page, 'kettle');
      await saved(page);
      await rename(other, 'Lamp', 'Awning lamp');
      const question = other.getByRole('dialog', { name: 'This job was changed elsewhere' });
      await expect(question.getByRole('row', { name: /name/ })).toContainText('Awning lamp');
      await expect(question.getByRole('row', { name: /name/ })).toContainText('Reading lamp');
      expect(await names(page, id)).toEqual(['Reading lamp', 'Kettle']);
      await question.getByRole('button', { name: choice }).click();
      await expect(question).toBeHidden();
      await saved(other);
      expect(await names(page, id)).toEqual(ends);
      if (choice === 'Take theirs') {
        await press(other, 'Control+z');
        await saved(other);
        expect(await names(page, id)).toEqual(['Awning lamp', 'Kettle']);
      }
      await other.context().close();
    });

  test('keep both makes one’s own version a job of its own', async ({ page, browser, baseURL }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
    await rename(page, 'Lamp', 'Reading lamp');
    await saved(page);
    await rename(other, 'Lamp', 'Awning lamp');
    await other.getByRole('button', { name: 'Keep both' }).click();
    await expect(other).not.toHaveURL(new RegExp(id));
    await expect(other.getByLabel('Name of Awning lamp')).toBeVisible();
    expect(await names(page, id)).toEqual(['Reading lamp']);
    await other.context().close();
  });

  test('a question that stands survives a reload: the edits are asked about again', async ({
    page,
    browser,
    baseURL,
  }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
    await rename(page, 'Lamp', 'Reading lamp');
    await saved(page);
    await rename(other, 'Lamp', 'Awning lamp');
    await expect(other.getByRole('dialog', { name: 'This job was changed elsewhere' })).toBeVisible();
    await other.reload();
    await other.getByRole('button', { name: 'Keep mine' }).click();
    await saved(other);
    expect(await names(page, id)).toEqual(['Awning lamp']);
    await other.context().close();
  });
});

test.describe('without a signal, and back', () => {
  test('what both did meanwhile is put together when it is another part', async ({
    page,
    context,
    browser,
    baseURL,
  }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await cutOff(context);
    await add(page, 'kettle');
    await expect(status(page)).toContainText('1 edit waits');
    const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
    await rename(other, 'Lamp', 'Galley lamp');
    await saved(other);
    await connect(context);
    await saved(page);
    expect(await names(page, id)).toEqual(['Galley lamp', 'Kettle']);
    await other.context().close();
  });

  test('what both did to one part is asked when the signal is back', async ({ page, context, browser, baseURL }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await cutOff(context);
    await rename(page, 'Lamp', 'Reading lamp');
    await expect(status(page)).toContainText('waits');
    const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
    await rename(other, 'Lamp', 'Galley lamp');
    await saved(other);
    await connect(context);
    await expect(page.getByRole('dialog', { name: 'This job was changed elsewhere' })).toBeVisible();
    expect(await names(other, id)).toEqual(['Galley lamp']);
    await other.context().close();
  });

  test('a tab that was closed meanwhile is put together with what somebody else has saved', async ({
    page,
    context,
    browser,
    baseURL,
  }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await cutOff(context);
    await add(page, 'kettle');
    await expect(status(page)).toContainText('waits');
    await page.close();
    const other = await somebodyElse(browser, baseURL, `/jobs/${id}/loads`);
    await add(other, 'toaster');
    await saved(other);
    await context.unroute('**/api/**');
    const again = await anotherTab(context, `/jobs/${id}/loads`);
    await saved(again);
    await expect(again.getByLabel('Name of Kettle')).toBeVisible();
    expect((await names(again, id)).sort()).toEqual(['Kettle', 'Lamp', 'Toaster']);
    await other.context().close();
  });
});

test('two tabs of one browser, both with a signal: each has what the other saved, and undo keeps to its own', async ({
  page,
  context,
}) => {
  const id = await openJob(page);
  const other = await anotherTab(context, `/jobs/${id}/loads`);
  await add(page, 'lamp 10W 1h');
  await saved(page);
  await add(other, 'kettle');
  await saved(other);
  await follows(page, 'Kettle');
  await press(page, 'Control+z');
  await saved(page);
  expect(await names(page, id)).toEqual(['Kettle']);
  await follows(other, 'Kettle');
});

test.describe('a job that somebody else has deleted', () => {
  test('is said to whoever edits it, and can be kept as a new one', async ({ page }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    expect((await page.request.delete(`/api/jobs/${id}`)).status()).toBe(204);
    // The question may stand before the line is empty again.
    const line = page.getByRole('combobox', { name: 'Add a load' });
    await line.fill('kettle');
    await line.press('Enter');
    const question = page.getByRole('dialog', { name: 'This job was deleted elsewhere' });
    await question.getByRole('button', { name: 'Keep it as a new job' }).click();
    await expect(page).not.toHaveURL(new RegExp(id));
    await expect(page.getByLabel('Name of Kettle')).toBeVisible();
    const made = page.url().split('/').at(-2) ?? '';
    expect((await storedJob(page, made)).loads).toHaveLength(2);
  });

  test('while its edits wait in a closed tab: they are listed beside the jobs', async ({ page, context }) => {
    const id = await openJob(page);
    await add(page, 'lamp 10W 1h');
    await saved(page);
    await cutOff(context);
    await add(page, 'kettle');
    await expect(status(page)).toContainText('waits');
    await page.close();
    await context.unroute('**/api/**');
    const list = await context.newPage();
    expect((await list.request.delete(`/api/jobs/${id}`)).status()).toBe(204);
    await list.goto('/');
    await expect(list.getByText(/1 edit waits in this browser/)).toBeVisible();
  });
});
