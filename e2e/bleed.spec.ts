/** What a simulation expects of the circuit, and the lever held and read. */
import { expectAccessible } from './support/accessibility.ts';
import { choose } from './support/fields.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';

test.use({ apart: 'bleed' });

test('before the first stroke the page says what pumping will do; afterwards the lever is held, read, and judged', async ({
  page,
  own,
}) => {
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'Raised bars%'`);
  await signIn(page, own);
  await page.goto(`${own.address}/jobs/${job?.id}/bleed`);
  const expected = page.getByLabel('What to expect here');
  await expect(expected).toContainText(/Sidecar caliper\s*\d+ until it flows, then about \d+ strokes/);
  await expect(expected).toContainText('Fluid everywhere first');
  await expectAccessible(page);
  const count = page.getByTestId('strokes');
  const before = Number(await count.textContent());
  await page.getByRole('button', { name: 'Stroke', exact: true }).click();
  await expect(count).toHaveText(String(before + 1));
  await expect(expected.getByRole('status')).toContainText(
    /probably about .+, in nine cases of ten between .+ and .+; most of it in/,
  );
  // A soft pull and a firm one: what they tell of air, and the estimate put right by it. Too near each other they tell nothing.
  const feel = page.getByLabel('Feel: Front and sidecar brake');
  const pull = async (pressure: string, travel: string) => {
    await feel.getByLabel('Pressure in the line').fill(pressure);
    await feel.getByLabel('Travel from rest').fill(travel);
    await feel.getByRole('button', { name: 'Keep this pull' }).click();
    await expect(feel.getByText(travel, { exact: true })).toBeVisible();
  };
  await pull('30 bar', '60 mm');
  await pull('60 bar', '75 mm');
  await expect(feel.getByRole('status')).toContainText('too near each other to tell air from swelling');
  await feel.getByRole('button', { name: 'take the last one back' }).click();
  await expect(feel.getByText('75 mm', { exact: true })).toHaveCount(0);
  await pull('10 bar', '48 mm');
  await expect(feel.getByRole('status')).toContainText(/tell of .+ of air or take-up, .+ more or less/);
  await expect(feel.getByText('The lever travels too far: spongy')).toBeVisible();
  await expect(expected.getByText(/put right by the soft and the firm pull/)).toBeVisible();
  await expectAccessible(page);
  // Led, it can only go round the right way, and counts when the lever is let go.
  await page.getByRole('button', { name: 'lead each stroke' }).click();
  for (const name of ['Open, and press the lever', 'Shut the nipple'])
    await page.getByRole('button', { name }).click();
  await expect(count).toHaveText(String(before + 1));
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Let the lever go' }).click();
  await expect(count).toHaveText(String(before + 2));

  await page.clock.install();
  await page.goto(`${own.address}/jobs/${job?.id}/hand-over`);
  const held = page.getByLabel('Held: Front and sidecar brake');
  await held.getByRole('button', { name: 'Pull the lever and start the clock' }).click();
  const read = async (time: string, travel: string, shown: string) => {
    await page.clock.fastForward(time);
    await held.getByLabel('Travel now').fill(travel);
    await held.getByRole('button', { name: 'Keep this reading' }).click();
    await expect(held.getByText(shown).first()).toBeVisible();
  };
  await read('00:20', '28 mm', 'still settling');
  await read('01:00', '30 mm', '30 mm');
  await read('02:00', '34 mm', '34 mm');
  await expect(held.getByRole('status')).toContainText('It sinks');
  await expectAccessible(page);
  // Signed by nobody as long as it does.
  await expect(page.getByText(/sank by 4.mm while it was held/)).toBeVisible();
  await held.getByRole('button', { name: 'let go: stop the clock' }).click();
  await held.getByRole('button', { name: 'Pull the lever and hold it again' }).click();
  await read('01:05', '30 mm', '30 mm');
  await read('02:00', '30.4 mm', '30.4 mm');
  await expect(held.getByRole('status')).toHaveText('It stands.');
});

test('by suction: what is caught is counted, air that was drawn back holds the nipple, the maker’s order beats ours', async ({
  page,
  own,
}) => {
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'Raised bars%'`);
  await signIn(page, own);
  await page.goto(`${own.address}/jobs/${job?.id}/bleed`);
  const way = page.getByLabel('How it is bled: Front and sidecar brake');
  await choose(way.getByLabel('Way').first(), { label: 'pressure at the reservoir' });
  await way.getByLabel('Pressure at the reservoir').last().fill('2 bar');
  await page.keyboard.press('Enter');
  await expect(way.getByText('2.0 bar at the reservoir is too much')).toBeVisible();
  await choose(way.getByLabel('Way').first(), { label: 'suction at the nipple' });
  await expect(way.getByText('Close the nipple first; take the suction off after that.')).toBeVisible();
  await expect(way.getByText(/at the reservoir is too much/)).toHaveCount(0);

  const count = page.getByTestId('strokes');
  const clear = page.getByRole('button', { name: /^Clear: / });
  await page.getByRole('button', { name: 'Topped up' }).click();
  await page.getByText('5 mL', { exact: true }).click();
  await page.getByRole('button', { name: '5 mL more in the bottle' }).click();
  await expect(count).toHaveText('5');
  await expect(page.getByText(/^about \d+ mL left$/)).toBeVisible();
  await page.getByRole('button', { name: 'something went otherwise' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: /came back with the nipple open/ }).click();
  await expect(page.getByText('Suction came off while the nipple was open')).toBeVisible();
  await expect(clear).toBeDisabled();
  await expect(clear).toHaveAccessibleDescription('Air went in here: not clear yet.');
  // The reservoir found empty: said with the way out, until it is topped up and the line went through.
  await page.getByRole('button', { name: 'something went otherwise' }).click();
  await page.getByRole('button', { name: 'The reservoir ran dry' }).click();
  const dry = page.getByRole('heading', { name: 'The reservoir ran dry: air stands behind the master' });
  await expect(dry).toBeVisible();
  await expect(page.getByText('empty: top up first')).toBeVisible();
  // With all that is said there the next action stays under the thumb.
  await page.setViewportSize({ width: 390, height: 844 });
  await page.evaluate(() => window.scrollTo(0, 0));
  for (const name of ['5 mL more in the bottle', 'Topped up'])
    await expect(page.getByRole('button', { name })).toBeInViewport({ ratio: 1 });
  await page.setViewportSize({ width: 1280, height: 800 });
  for (let again = 0; again < 4; again += 1) {
    await page.getByRole('button', { name: 'Topped up' }).click();
    await page.getByRole('button', { name: '5 mL more in the bottle' }).click();
    await expect(count).toHaveText('5');
  }
  await expect(page.getByText('Suction came off while the nipple was open')).toHaveCount(0);
  await expect(dry).toHaveCount(0);
  await clear.click();
  await expect(page.getByRole('heading', { name: 'Right caliper' })).toBeVisible();

  await page.getByRole('button', { name: 'the maker has another order' }).click();
  await page.getByRole('button', { name: 'earlier Right caliper' }).click();
  await page.getByRole('button', { name: 'Keep this order with the vehicle' }).click();
  await expect(page.getByText('Nipples, in the maker’s order')).toBeVisible();
  await expectAccessible(page);
});
