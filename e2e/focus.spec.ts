/** Where the focus is, what single keys may do, and whose drafts are shown. */
import type { Page } from '@playwright/test';
import { startMeasuring, sayHowItIsRead } from './support/measuring.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';

const focused = (page: Page) => page.evaluate(() => document.activeElement?.tagName ?? 'none');

test('a page change and a saved reading leave the focus where the work goes on', async ({ page, own }) => {
  await startMeasuring(page, own, 'Hose for the focus');
  await expect(page.locator('main').locator('h1, h2').first()).toBeFocused();
  await page.getByRole('link', { name: /^Specify/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('main').locator('h1, h2').first()).toBeFocused();
  await page.keyboard.press('2');
  await expect(page.locator('main').locator('h1, h2').first()).toBeFocused();

  await sayHowItIsRead(page);
  await page.getByLabel('Reading', { exact: true }).fill('927 mm');
  await page.getByLabel('Reading', { exact: true }).press('Enter');
  await expect(page.getByText('typed “927 mm”')).toBeVisible();
  await expect.poll(() => focused(page)).not.toBe('BODY');
});

test('a stop takes the focus and holds the single keys; a typed reason stays', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 422/);
  await startMeasuring(page, own, 'Hose for the stop');
  await sayHowItIsRead(page);
  await page.getByLabel('Reading', { exact: true }).fill('928 mm');
  await page.getByRole('button', { name: 'Record 928 mm' }).click();
  await page.getByRole('button', { name: /^Take \d+ mm to Specify$/ }).click();
  const reason = page.getByLabel(/^Only with a reason/).first();
  await expect(reason).toBeFocused();
  await page.keyboard.type('jvb');
  await expect(reason).toHaveValue('jvb');

  // Off the field the keys still wait for the answer.
  await page.getByRole('button', { name: 'Go back and fix it' }).focus();
  await page.keyboard.press('v');
  await expect(page).toHaveURL(/\/measure/);
  await expect(reason).toHaveValue('jvb');
  await page.keyboard.press('Enter');
  await expect(reason).toBeHidden();
  await expect.poll(() => focused(page)).not.toBe('BODY');
  await page.keyboard.press('v');
  await expect(page).toHaveURL(/\/vehicles$/);
});

test('single keys can be turned off', async ({ page, own }) => {
  await signIn(page, own);
  await page.keyboard.press('u');
  const settings = page.getByRole('dialog', { name: 'Units and paper' });
  await settings.getByText('Off', { exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(settings).toBeHidden();
  await page.keyboard.press('v');
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
  await page.getByRole('button', { name: /Units and paper/ }).click();
  await settings.getByText('On', { exact: true }).click();
  await page.keyboard.press('Escape');
  await expect(settings).toBeHidden();
  await page.keyboard.press('v');
  await expect(page).toHaveURL(/\/vehicles$/);
});

test('what one person was typing is not shown to the next, and is there again for the first', async ({
  page,
  own,
}) => {
  const drafted = async (name: string) => {
    await signIn(page, own, name);
    await page.goto(`${own.address}/vehicles/new`);
    return page.getByLabel('Vehicle name');
  };
  const signOut = async (name: string) => {
    await page.getByRole('button', { name: /Units and paper/ }).click();
    await page.getByRole('button', { name: `Sign ${name} out` }).click();
    await expect(page.getByLabel('Passphrase')).toBeVisible();
  };
  const first = await drafted('Brannoc Hale');
  await first.fill('Half a name');
  await signOut('Brannoc Hale');
  const second = await drafted('Tamsin Orrey');
  await expect(second).toHaveValue('');
  await signOut('Tamsin Orrey');
  await expect(await drafted('Brannoc Hale')).toHaveValue('Half a name');
});
