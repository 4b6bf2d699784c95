/** What people really type, and what really goes wrong: each is caught, said, and nothing typed is lost. */
import { choose } from './support/fields.ts';
import type { Page } from '@playwright/test';
import type { Zephyrcombe } from './support/zephyrcombe.ts';
import { sayHowItIsRead } from './support/measuring.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';

async function openJob(page: Page, own: Zephyrcombe, title: string, stage: string): Promise<void> {
  await signIn(page, own);
  await page.getByRole('link', { name: new RegExp(title) }).click();
  await page.getByRole('link', { name: new RegExp(`^${stage}`) }).click();
}

test('a negative length and a length without unit are not recorded', async ({ page, own }) => {
  await openJob(page, own, 'Front hose round the new lamp guard', 'Measure');
  const reading = page.getByLabel('Reading', { exact: true });
  const record = page.getByRole('button', { name: /^Record/ });

  await sayHowItIsRead(page);
  await reading.fill('-928 mm');
  await expect(page.getByText('Must be more than nothing')).toBeVisible();
  await expect(record).toBeDisabled();

  await reading.fill('928');
  await expect(page.getByText('928 of what?')).toBeVisible();
  await expect(record).toBeDisabled();
  await page.getByRole('group', { name: 'Choose the unit' }).getByRole('button', { name: 'cm' }).click();
  await expect(reading).toHaveValue('928 cm');
  await reading.fill('928');
  await reading.press('Enter');
  await expect(reading).toHaveValue('928 mm');
  await expect(page.getByRole('button', { name: 'Record 928 mm' })).toBeEnabled();

  await reading.fill('1,234 mm');
  await expect(page.getByText('That comma could be a decimal or a thousand')).toBeVisible();
});

test('300 N·m on a banjo, too little, and one over the limit are caught before they are saved', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 422/);
  await openJob(page, own, 'Raised bars, new front hoses', 'Fit');
  const reached = page.getByLabel('Torque reached');
  await reached.fill('300 N·m');
  await expect(page.getByText(/300.0.N·m cannot be right/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Record the torque' })).toBeDisabled();
  await reached.fill('12 N·m');
  await expect(page.getByRole('heading', { name: /12.0.N·m is not tight enough yet/ })).toBeVisible();
  await reached.fill('16 lbf·ft');
  await expect(page.getByRole('heading', { name: /21.7.N·m is over the 21.0.N·m limit/ })).toBeVisible();

  // The server asks for the fresh washers as well, and takes a reason only with a name to it.
  await reached.fill('19.6 N·m');
  await page.getByRole('button', { name: 'Record 19.6 N·m' }).click();
  await expect(
    page.getByRole('heading', { name: 'This joint takes 4 fresh washers; 0 confirmed' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Go back and fix it' }).click();
  await expect(reached).toHaveValue('19.6 N·m');
  expect(await own.query(`SELECT id FROM torque_record WHERE torque_Nm > 21 OR torque_Nm = 19.6`)).toEqual(
    [],
  );
});

test('a stale edit shows both versions and lets the person choose', async ({
  page,
  own,
  complaints,
  browser,
}) => {
  complaints.allow(/status of 409/);
  const bend = (of: Page) => of.getByLabel('End A, front master: bend of the neck');
  const stored = () =>
    own.query<{ bend: number }>(
      `SELECT ROUND(JSON_VALUE(endA, '$.neckAngle_rad') * 180 / PI()) AS bend FROM job_hose
        JOIN job ON job.id = job_hose.jobId WHERE job.title LIKE 'Front hose round%'`,
    );
  await openJob(page, own, 'Front hose round the new lamp guard', 'Specify');
  await expect(bend(page)).toContainText('20°');
  const context = await browser.newContext();
  const other = await context.newPage();
  await openJob(other, own, 'Front hose round the new lamp guard', 'Specify');
  await choose(bend(other), '45');
  await expect.poll(stored).toEqual([{ bend: 45 }]);

  await choose(bend(page), '90');
  await expect(
    page.getByRole('heading', { name: 'Somebody else saved this while you were typing' }),
  ).toBeVisible();
  await expect(page.getByRole('row', { name: /^End A .*90°.*45°/ })).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(bend(page)).toContainText('90°');
  await expect.poll(stored).toEqual([{ bend: 90 }]);
  await context.close();
});

test('the database stops in the middle: a clear message, the typed reading kept, and retry works', async ({
  page,
  own,
  complaints,
}) => {
  test.slow();
  complaints.allow(/status of 503/);
  await openJob(page, own, 'Front hose round the new lamp guard', 'Measure');
  const reading = page.getByLabel('Reading', { exact: true });
  await sayHowItIsRead(page);
  await reading.fill('931 mm');
  own.killDatabase();
  await page.getByRole('button', { name: 'Record 931 mm' }).click();
  await expect(page.getByRole('heading', { name: 'The record book cannot be reached' })).toBeVisible();
  await expect(reading).toHaveValue('931 mm');
  own.startDatabase();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByText('typed “931 mm”')).toBeVisible();
  await expect(reading).toHaveValue('');
  expect(await own.query(`SELECT id FROM reading WHERE typed = '931 mm'`)).toHaveLength(1);
});

test('what is being typed survives a reload', async ({ page, own }) => {
  await openJob(page, own, 'Front hose round the new lamp guard', 'Measure');
  await page.getByLabel('Reading', { exact: true }).fill('29 1/4 in');
  await page.reload();
  await expect(page.getByLabel('Reading', { exact: true })).toHaveValue('29 1/4 in');
});

test('a wrong passphrase is said at its field, and the deep link is kept', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 401/);
  await page.goto(`${own.address}/vehicles`);
  await page.getByText('Tamsin Orrey').click();
  await page.getByLabel('Passphrase').fill('guess');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByText('That passphrase is not right')).toBeVisible();
  await page.getByLabel('Passphrase').fill('lamp oil and oilskins');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Vehicles' })).toBeVisible();
});

test('a sign-in that has run out leads to the sign-in page and back, with what was typed', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 401/);
  await openJob(page, own, 'Front hose round the new lamp guard', 'Measure');
  await sayHowItIsRead(page);
  await page.getByLabel('Reading', { exact: true }).fill('926 mm');
  await page.context().clearCookies();
  await page.getByRole('button', { name: 'Record 926 mm' }).click();
  await expect(page.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible();
  await page.getByText('Brannoc Hale').click();
  await page.getByLabel('Passphrase').fill('lamp oil and oilskins');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByLabel('Reading', { exact: true })).toHaveValue('926 mm');
});

test('a reply that comes while the next page is on its way does not call a person back', async ({
  page,
  own,
}) => {
  await openJob(page, own, 'Raised bars, new front hoses', 'Bleed');
  await page.getByRole('button', { name: 'Stroke', exact: true }).click();
  const hold = async (pattern: RegExp) => {
    let release = () => {};
    const held = new Promise<void>((resolve) => {
      release = resolve;
    });
    await page.route(pattern, async (route) => {
      await held;
      await route.continue();
    });
    return release;
  };
  const reply = await hold(/\/nipples\/[^/]+\/events$/);
  const chunk = await hold(/HandOverPage/);
  await page.getByRole('button', { name: /^Clear:/ }).click();
  await page.getByRole('link', { name: /^Hand over/ }).click();
  const answered = page.waitForResponse(/\/nipples\/[^/]+\/events$/);
  reply();
  await answered;
  await expect.poll(() => own.query(`SELECT jobId FROM job_event WHERE kind = 'clear'`)).toHaveLength(2);
  chunk();
  await expect(page).toHaveURL(/\/hand-over/);
  await expect(page.getByRole('checkbox').first()).toBeVisible();
});

test('a button pressed twice starts one job, and what cannot work is not tried again', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of (400|404)/);
  await signIn(page, own);
  const [wick] = await own.query<{ id: string }>(`SELECT id FROM vehicle WHERE name LIKE '%Wick%'`);
  await page.goto(`${own.address}/jobs/new?vehicle=${wick?.id}`);
  await expect(page.getByText('Tick a circuit whose fluid is changed, or a hose.')).toBeVisible();
  await page.getByRole('button', { name: 'All hoses: front brake' }).click();
  await expect(page.getByLabel('What the job is')).toHaveValue('Front hose');
  await page.getByLabel('What the job is').fill('');
  await expect(page.getByText('Say what the job is.')).toBeVisible();
  await page.getByLabel('What the job is').fill('Pressed twice');
  await page.getByRole('button', { name: /^Start the job/ }).dblclick();
  await expect(page.getByLabel('What the job is')).toHaveValue('Pressed twice');
  await expect(page).toHaveURL(/look-over/);
  expect(await own.query(`SELECT id FROM job WHERE title = 'Pressed twice'`)).toHaveLength(1);

  // A hose that left the drawing while this was typed: asking again could never work.
  await page.goto(`${own.address}/jobs/new?vehicle=${wick?.id}`);
  await page.getByText(/Front hose, now/).click();
  await page.getByLabel('What the job is').fill('Typed for long');
  await page.route('**/api/jobs', async (route) => {
    if (route.request().method() !== 'POST') return route.continue();
    const body = route.request().postDataJSON() as Record<string, unknown>;
    return route.continue({ postData: JSON.stringify({ ...body, hoseIds: [crypto.randomUUID()] }) });
  });
  await page.getByRole('button', { name: /^Start the job/ }).click();
  await expect(page.getByText(/Hoses of the job names a hose that is not on this vehicle/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Try again' })).toHaveCount(0);
  await page.unroute('**/api/jobs');
  await page.getByRole('button', { name: 'Reload, keeping what I typed' }).click();
  await expect(page.getByLabel('What the job is')).toHaveValue('Typed for long');
  await page.getByRole('button', { name: /^Start the job/ }).click();
  await expect(page).toHaveURL(/look-over/);

  // It is renamed and given up where it is looked over. The page it was started on has a field of the same name.
  await expect(page.getByRole('heading', { name: 'Ends and ports' })).toBeVisible();
  await page.getByLabel('What the job is').fill('Typed for long, then renamed');
  await page.getByRole('button', { name: 'Rename the job' }).click();
  await expect(page.getByRole('button', { name: 'Rename the job' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Abandon this job' }).click();
  await expect(page.getByText('Say why, in a few words.')).toBeVisible();
  await page.getByLabel('Why it is given up').fill('The keeper sold the machine');
  await page.getByRole('button', { name: 'Abandon it' }).click();
  await expect(page.getByRole('heading', { name: /Abandoned .* by Brannoc Hale/ })).toBeVisible();
  await page.goto(own.address);
  await expect(page.getByRole('link', { name: /Typed for long, then renamed.*abandoned/ })).toBeVisible();
});
