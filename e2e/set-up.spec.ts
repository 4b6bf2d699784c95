/** A shop that is not the demo: from an empty database to a first recorded reading, and its people. */
import { choose, typeDay } from './support/fields.ts';
import type { Page } from '@playwright/test';
import { expectAccessible } from './support/accessibility.ts';
import { sayHowItIsRead } from './support/measuring.ts';
import { expect, test as base, Zephyrcombe } from './support/zephyrcombe.ts';

/** Files that say so get an empty book instead of the demo shop's. */
const test = base.extend<object, { own: Zephyrcombe }>({
  own: [
    // oxlint-disable-next-line no-empty-pattern -- Playwright reads the pattern to learn what a fixture needs
    async ({}, use) => {
      const own = await Zephyrcombe.start({ isEmpty: true });
      await use(own);
      await own.stop();
    },
    { scope: 'worker', timeout: 60_000 },
  ],
});
test.describe.configure({ mode: 'serial' });

const PASSPHRASE = 'herring and lamplight';
async function signInAs(page: Page, own: Zephyrcombe, name: string, passphrase = PASSPHRASE): Promise<void> {
  await page.goto(`${own.address}/sign-in`);
  await page.getByText(name).click();
  await page.getByLabel('Passphrase').fill(passphrase);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
}

test('an empty book opens, and a first reading is recorded on an own vehicle', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of (400|409|503)/);
  await page.goto(`${own.address}/jobs/new`);
  await expect(page.getByRole('heading', { name: 'Open a new book' })).toBeVisible();
  await expectAccessible(page);
  const open = page.getByRole('button', { name: 'Open the book' });
  await page.getByLabel('Name of the shop').fill('Drumlin Bay Motors');
  await page.getByLabel(/^Your name/).fill('Isla Marr');
  await page.getByLabel('Passphrase', { exact: true }).fill('rope');
  await expect(page.getByText(/^Ten characters or more/).first()).toBeVisible();
  await page.getByLabel('Passphrase', { exact: true }).fill(PASSPHRASE);
  await page.getByLabel('The same passphrase again').fill('herring and lamplights');
  await expect(page.getByText('Type the same passphrase twice.')).toBeVisible();
  await expect(open).toBeDisabled();
  await page.getByLabel('The same passphrase again').fill(PASSPHRASE);
  await page.getByText(/^Metric/).click();
  // What anybody would try first is refused, and the page says what is wrong with it.
  for (const label of ['Passphrase', 'The same passphrase again'])
    await page.getByLabel(label, { exact: true }).fill('Isla Marr Brakes 1');
  await open.click();
  await expect(page.getByLabel('Passphrase', { exact: true })).toHaveAccessibleDescription(
    /is among the first that anybody would try/,
  );
  for (const label of ['Passphrase', 'The same passphrase again'])
    await page.getByLabel(label, { exact: true }).fill(PASSPHRASE);
  // The answer is lost on its way: the page sends it again, learns that the book is open, and goes on as its lead.
  await page.route(
    '**/api/set-up',
    async (route) => {
      await route.fetch();
      const lost = { title: 'Lost', detail: 'Lost', status: 503, requestId: '1' };
      await route.fulfill({
        status: 503,
        contentType: 'application/problem+json',
        body: JSON.stringify({ ...lost, type: '/problems/maybe-saved', code: 'maybe-saved' }),
      });
    },
    { times: 1 },
  );
  await open.click();

  // On to the first vehicle.
  await expect(page.getByRole('heading', { name: 'New vehicle', level: 1 })).toBeVisible();
  await page.getByLabel('Vehicle name').fill('Peat cart');
  await page.getByText('Single disc, front').click();
  await page.getByRole('button', { name: /^Enter the vehicle/ }).click();
  await expect(page.getByRole('heading', { name: 'Peat cart', level: 1 })).toBeVisible();

  await page.goto(`${own.address}/jobs/new`);
  await page.getByRole('button', { name: 'Peat cart' }).click();
  await page.getByLabel('What the job is').fill('New front hose');
  await page.getByRole('button', { name: 'Start the job with 1 hose' }).click();
  await page.getByRole('link', { name: /^Measure/ }).click();
  await sayHowItIsRead(page);
  await page.getByLabel('Reading', { exact: true }).fill('928 mm');
  await page.getByLabel('Reading', { exact: true }).press('Enter');
  await expect(page.getByText('typed “928 mm”')).toBeVisible();
  await expect(page.getByText('Isla Marr').first()).toBeVisible();
  const [reading] = await own.query<{ takenBy: string; name: string }>(
    `SELECT reading.takenBy, person.name FROM reading JOIN person ON person.id = reading.takenById`,
  );
  expect(reading).toEqual({ takenBy: 'Isla Marr', name: 'Isla Marr' });

  // It opens once.
  await page.goto(`${own.address}/set-up`);
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
});

test('the lead enters a wrench and people, gives roles and passphrases, and ends a sign-in', async ({
  page,
  own,
  browser,
  complaints,
}) => {
  complaints.allow(/status of 400/);
  await signInAs(page, own, 'Isla Marr');
  await page.goto(`${own.address}/shop/wrenches`);
  await page.getByLabel('Name, as it is called in the shop').fill('The small one');
  await page.getByLabel('Its scale begins at (may stay empty)').fill('40 N·m');
  await page.getByLabel('Its scale ends at').fill('25 N·m');
  await expect(page.getByText('The lower end is not below the upper one.')).toBeVisible();
  await page.getByLabel('Its scale begins at (may stay empty)').fill('6 N·m');
  await typeDay(page, 'Calibrated on (may stay empty)', '2026-10-01');
  await page.getByRole('button', { name: 'Enter this wrench' }).click();
  await expect(page.getByText(/trusted 6–25\sN·m, calibrated 1 October 2026/)).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('link', { name: 'People, and who may what' }).click();
  const enter = page.getByRole('button', { name: 'Enter this person' });
  await page.getByLabel('Name', { exact: true }).fill('isla marr');
  await choose(page.getByLabel('Role'), 'apprentice');
  await page.getByLabel('First passphrase; they choose another').fill('seven wet ropes');
  await enter.click();
  // What the server says of a field stands at that field until it is typed anew; Enter sends.
  const name = page.getByLabel('Name', { exact: true });
  await expect(name).toHaveAccessibleDescription(/is that of somebody else here/);
  await name.fill('Finlay Roe');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: 'change Finlay Roe' })).toBeVisible();
  await expect(name).not.toHaveAccessibleDescription(/somebody else/);
  await expect(page.getByRole('row', { name: /^Sign a job off/ })).toContainText('no');
  await expectAccessible(page);

  // On a device of his own; the lead ends his sign-in, and his next page is the sign-in page.
  const context = await browser.newContext();
  const his = await context.newPage();
  await signInAs(his, own, 'Finlay Roe', 'seven wet ropes');
  await his.goto(`${own.address}/shop`);
  await expect(his.getByRole('link', { name: 'People, and who may what' })).toBeHidden();
  await his.goto(`${own.address}/shop/people`);
  await expect(his.getByText('Your lead does this.')).toBeVisible();
  await page.getByRole('link', { name: 'Passphrase and sign-ins' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'end Finlay Roe’s sign-in' }).click();
  await expect(page.getByRole('button', { name: 'end Finlay Roe’s sign-in' })).toBeHidden();
  await his.goto(`${own.address}/vehicles`);
  await expect(his.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible();
  await context.close();
});

test('whoever chooses another passphrase goes on, and where names are not shown they are typed', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 400/);
  await signInAs(page, own, 'Isla Marr');
  await page.goto(`${own.address}/shop/sign-ins`);
  await page.getByLabel('The one you have').fill('not this one');
  await page.getByLabel('A new one').fill('five cold anchors');
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByText(/is not your passphrase/)).toBeVisible();
  await page.getByLabel('The one you have').fill(PASSPHRASE);
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(page.getByText('Changed. Your other sign-ins have ended.')).toBeVisible();

  await page.goto(`${own.address}/shop`);
  await page.getByText('The sign-in page shows the names').click();
  await page.getByRole('button', { name: 'Save what stands here' }).click();
  await expect(page.getByText('All of it stands as it was saved.')).toBeVisible();
  await page.getByRole('button', { name: /^Units and paper/ }).click();
  await page.getByRole('button', { name: 'Sign Isla Marr out' }).click();
  await expect(page.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible();
  await expect(page.getByText('Isla Marr')).toBeHidden();
  await page.getByLabel('Your name').fill('Isla Marr');
  await page.getByLabel('Passphrase').fill('five cold anchors');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
});
