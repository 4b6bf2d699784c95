/** What holds on all pages: keys, units, printing. */
import { expect, signIn, test } from './support/zephyrcombe.ts';

test('the circuit strip is walked with the keyboard, and a joint opens in the stage one is in', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await page.getByRole('link', { name: /Raised bars, new front hoses/ }).click();
  await expect(page.getByRole('navigation', { name: 'Circuit' })).toBeVisible();
  const strip = page.getByRole('navigation', { name: 'Circuit' });
  // The job opens at its next stage: the page is there when its order is.
  await expect(page.getByRole('heading', { name: 'The plan', exact: true })).toBeVisible();
  await strip.getByRole('link', { name: 'Left hose, 742 mm' }).focus();
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/fit\?joint=/);
  await expect(
    strip.getByRole('link', { name: /^Joint .*hand tight|^Joint .*torqued/ }).first(),
  ).toBeVisible();
  await expect(strip.locator('[aria-current="true"]:visible')).toHaveCount(1);
});

test('the whole way from sign-in to a recorded reading works by keyboard alone', async ({ page, own }) => {
  await page.goto(`${own.address}/sign-in`);
  await page.getByLabel('Brannoc Hale').focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('Tab');
  await page.keyboard.type('lamp oil and oilskins');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: /Front hose round the new lamp guard/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Ends and ports' })).toBeVisible();
  await page.keyboard.press('2');
  await page.getByLabel('Read from').focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('listbox')).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('listbox')).toBeHidden();
  await page.getByLabel('Wheel clear of the floor, hanging free').focus();
  await page.keyboard.press('Space');
  await page.getByLabel('Reading', { exact: true }).focus();
  await page.keyboard.type('927');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByText('typed “927 mm”')).toBeVisible();
});

test('units are each person’s own', async ({ page, own }) => {
  await signIn(page, own, 'Tamsin Orrey');
  await page.getByRole('button', { name: /Units and paper/ }).click();
  await page.getByRole('button', { name: 'All imperial' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: /Raised bars, new front hoses/ }).click();
  await expect(page.getByText('13.3–15.4 lbf·ft').first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Left hose, 29.21 in' })).toBeVisible();
  await page.getByRole('button', { name: /Units and paper/ }).click();
  await page.getByRole('button', { name: 'All metric' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('18–21 N·m').first()).toBeVisible();
});

test('the printer gets ink on white, whichever sheet is on the screen', async ({ page, own }) => {
  await signIn(page, own);
  for (const theme of [null, 'nightBay']) {
    await page.emulateMedia({ colorScheme: 'dark', media: 'print' });
    await page.evaluate((wanted) => {
      if (wanted === null) delete document.documentElement.dataset.theme;
      else document.documentElement.dataset.theme = wanted;
    }, theme);
    const [sheet, ink] = await page.evaluate(() => {
      const style = getComputedStyle(document.documentElement);
      return ['--sheet', '--ink'].map((role) => style.getPropertyValue(role).trim());
    });
    expect({ sheet, ink }).toEqual({ sheet: '#fff', ink: '#1d2a2f' });
  }
});
