/** What is assumed looks assumed, is asked for when the joint is open, and re-opens what rested on it. */
import { choose } from './support/fields.ts';
import { expectAccessible } from './support/accessibility.ts';
import { sayHowItIsRead } from './support/measuring.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';
import { doneUpTo } from './support/fitting.ts';

test('an assumed thread proves different when the joint is opened, and the hose is specified anew', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 422/);
  await signIn(page, own);
  await page.goto(`${own.address}/vehicles`);
  await page.getByRole('link', { name: /^Calder 900 courier/ }).click();
  await page.getByRole('button', { name: 'Start a job' }).click();
  await page.getByText(/^Front left hose, now/).click();
  await page.getByRole('button', { name: 'Start the job with 1 hose' }).click();

  // Look over: the caliper was seen, the manifold is what the pattern put there.
  const row = (joint: string) =>
    page.getByRole('row').filter({ has: page.getByRole('link', { name: joint, exact: true }) });
  await expect(row('Front left caliper')).toContainText('seen by Ottoline Fenn');
  await expect(row('Manifold, left')).toContainText('assumed from the starting pattern');
  await expect(page.getByRole('link', { name: /^Joint Manifold, left:.*port only assumed$/ })).toBeVisible();
  await page.getByText('looked at on the part itself, or knowingly assumed').click();
  await page.getByRole('button', { name: 'Take 1 hose to Measure' }).click();

  await sayHowItIsRead(page);
  for (const reading of ['470 mm', '471 mm']) {
    await page.getByLabel('Reading', { exact: true }).fill(reading);
    await page.getByRole('button', { name: `Record ${reading}` }).click();
    await expect(page.getByText(`typed “${reading}”`)).toBeVisible();
  }
  for (const tick of await page
    .getByRole('group', { name: 'Checked at the vehicle' })
    .getByRole('checkbox')
    .all()) {
    await tick.locator('xpath=ancestor::label').click();
    await expect(tick).toBeChecked();
  }
  await choose(page.getByLabel('The maker counts from'), { label: 'eye centre to eye centre' });
  await page.getByRole('button', { name: /^Take \d+ mm to Specify$/ }).click();
  await page.getByRole('button', { name: 'Go to Specify' }).click();

  // Specify: told at the joint, and not without a reason.
  await expect(
    page.getByRole('img', {
      name: /^Section of the joint at Manifold, left:.*port only assumed, eye only assumed$/,
    }),
  ).toBeVisible();
  await page.getByLabel(/^Clocking from the eye axis/).fill('0°');
  await page.getByRole('button', { name: /^Set clocking/ }).click();
  await expect(page.getByRole('heading', { name: 'Clocking of the two eyes missing' })).toBeHidden();
  await page.getByRole('button', { name: /^Specify \d+ mm$/ }).click();
  await page
    .getByLabel(/^Only with a reason/)
    .first()
    .fill('The same manifold as on the sister machine, seen there.');
  await page.getByRole('button', { name: 'Go on for this reason' }).click();
  await expect(page.getByText('Specified. Any change opens it again.')).toBeVisible();
  await page.getByRole('link', { name: 'On to Fit' }).click();

  // Fit: open now, and another thread.
  await doneUpTo(page, /^Cap the port of the manifold, left/);
  const opened = page.getByRole('group', { name: 'What the port of Manifold, left shows' });
  await expect(opened).toContainText('M10×1.0, flat washer face');
  await expectAccessible(page);
  await opened.getByRole('button', { name: 'Something else is there' }).click();
  await choose(opened.getByLabel('Thread that is there'), 'M10×1.25');
  await opened.getByLabel('Eye of the new hose, measured across its faces').fill('8 mm');
  await opened.getByRole('button', { name: 'It is M10×1.25, flat washer face' }).click();
  await expect(opened).toBeHidden();
  const passed = page.getByRole('note').filter({ hasText: 'Front left hose is not what was specified.' });
  await expect(passed).toContainText('thread: M10×1.0 → M10×1.25');

  // What does not rest on it stands: the length. The bolt is another one, and the hose is specified anew.
  await page.getByRole('link', { name: /^Specify/ }).click();
  const section = page.getByRole('img', { name: /^Section of the joint at Manifold, left/ });
  await expect(section).not.toHaveAttribute('aria-label', /assumed/);
  await expect(page.getByRole('heading', { name: 'Changed since it was specified' })).toBeVisible();
  await page
    .getByLabel('Bolt thread (port M10×1.25)')
    .first()
    .evaluate((field) => field.scrollIntoView());
  for (const field of await page.getByLabel('Bolt thread (port M10×1.25)').all()) {
    if ((await field.inputValue()) === 'M10×1.25') continue;
    await field.fill('M10×1.25');
    await page.getByRole('button', { name: 'Keep these parts' }).click();
    await expect(page.getByRole('button', { name: 'Keep these parts' })).toBeHidden();
  }
  await page.getByRole('button', { name: /^Specify \d+ mm$/ }).click();
  await page.getByRole('link', { name: 'On to Fit' }).click();
  await doneUpTo(page, /^Join the manifold, left by hand/);
  await expect(page.getByRole('link', { name: /^Joint Manifold, left.*hand tight/ })).toBeVisible();
});
