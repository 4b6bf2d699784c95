/** The main job through the real interface: a new job on the shore bike's front hose, to the service record and past a restart. */
import { choose } from './support/fields.ts';
import { expectAccessible } from './support/accessibility.ts';
import { sayHowItIsRead } from './support/measuring.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';
import { doneUpTo } from './support/fitting.ts';

test('one hose from tape measure to service record', async ({ page, own }) => {
  test.slow();
  await signIn(page, own);
  await page.getByRole('button', { name: 'Start a job' }).click();
  await page.getByLabel('Vehicle: a part of its name, plate or kind').fill('skr 12');
  await expect(page.getByRole('group', { name: 'Vehicles found' }).getByRole('button')).toHaveCount(1);
  await page.getByRole('button', { name: 'Wick 200 shore bike, SKR 12' }).click();
  await page.getByRole('button', { name: 'All hoses: front brake' }).click();
  await page.getByLabel('What the job is').fill('Front hose, salt-cracked');
  await page.getByLabel('Why').fill('Cracks at the lower ferrule');
  await page.getByRole('button', { name: 'Start the job with 1 hose' }).click();

  // Look over
  await page.getByText('The vehicle maker’s manual and local law come first, and').click();
  await expect(
    page.getByRole('heading', { name: 'The vehicle maker’s manual and local law come first' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Record what you see on Front hose' }).click();
  await choose(page.getByLabel('What is found on Front hose'), { label: 'Cracked' });
  await page.getByLabel('Where on it, and anything else').fill('At the lower ferrule');
  await page.getByRole('button', { name: 'Record “cracked, marked”' }).click();
  await expect(page.getByText('Cracked, marked: At the lower ferrule')).toBeVisible();
  await page.getByText('Looked at on the part itself').click();
  await page.getByRole('button', { name: 'Take 1 hose to Measure' }).click();

  // Measure: inches and millimetres, one reading behind the necks, a slipped one struck out
  const reading = page.getByLabel('Reading', { exact: true });
  await sayHowItIsRead(page);
  await reading.fill('928 mm');
  await page.getByRole('button', { name: 'Record 928 mm' }).click();
  await reading.fill('36 5/8 in');
  await expect(page.getByText('= 930 mm')).toBeVisible();
  await reading.press('Enter');
  await expect(page.getByText('typed “36 5/8 in”')).toBeVisible();
  await reading.fill('950 mm');
  await page.getByRole('button', { name: 'Record 950 mm' }).click();
  await expect(page.getByRole('heading', { name: 'Readings differ by 22 mm' })).toBeVisible();
  await page.getByRole('button', { name: 'strike out 950 mm' }).click();
  await page.getByLabel('Why it does not count').fill('The mark slipped');
  await page.getByRole('button', { name: 'Strike it out' }).click();
  await expect(page.getByText('Struck out: The mark slipped')).toBeVisible();
  for (const check of [
    'Lever and bars set',
    'Brackets and clips in place',
    'Left lock: no pull',
    'Right lock: no pull',
    'Full bump: the spare',
  ]) {
    await page.getByText(check).click();
    await expect(page.getByRole('checkbox', { name: new RegExp(check) })).toBeChecked();
  }
  await choose(page.getByLabel('The maker counts from'), { label: 'eye centre to eye centre' });
  await expect(page.getByTestId('order-length')).toHaveText('942 mm');
  await page.getByRole('button', { name: 'working of order length' }).click();
  await expect(page.getByRole('dialog')).toContainText('s_max + slack');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Take 942 mm to Specify' }).click();
  await page.getByRole('button', { name: 'Go to Specify' }).click();

  // Specify
  await expect(
    page.getByRole('img', { name: /Section of the joint at Front caliper: 1 eye, 2 washers, 10 mm engaged/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Specify 942 mm' }).click();
  await page.getByRole('link', { name: 'Order sheet: print, send, parts' }).click();
  await expect(page.getByText('892 mm')).toBeVisible();
  await expect(page.getByText('M10×1.0 × 20 mm, aluminium').first()).toBeVisible();
  expect((await page.pdf({ format: 'A4' })).byteLength).toBeGreaterThan(5000);
  await page.getByRole('link', { name: 'Back to the job' }).click();

  // Fit
  await expect(page.getByRole('heading', { name: 'Photograph how the old front hose runs' })).toBeVisible();
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('heading', { name: 'Cover the paint that fluid can drip on' })).toBeVisible();
  await doneUpTo(page, /^Look in every pose/);
  await page.getByLabel('Torque reached').fill('19.6 N·m');
  await page.getByText('2 fresh washers fitted').click();
  await page.getByText('Witness mark across').click();
  await page.getByRole('button', { name: 'Record 19.6 N·m' }).click();
  await expect(page.getByRole('heading', { name: 'Recorded: 19.6 N·m' })).toBeVisible();
  // Photographed where it stands; seen with its record, and later on the sheet.
  const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 320, height: 240 } });
  const choosing = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Add a photograph' }).click();
  await (await choosing).setFiles({ name: 'joint.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByRole('button', { name: /^Open photograph 1 of/ })).toBeVisible();
  await page.getByRole('button', { name: 'Next: front caliper' }).click();
  await page.getByLabel('Torque reached').fill('14 ft lb');
  await page.getByText('2 fresh washers fitted').click();
  await page.getByRole('button', { name: 'Record 19.0 N·m' }).click();
  await page.getByRole('button', { name: 'Every joint torqued: go to Bleed' }).click();

  // Bleed
  await expect(page.getByText('about 11 strokes left')).toBeVisible();
  for (let stroke = 1; stroke <= 11; stroke += 1) {
    await page.getByRole('button', { name: 'Stroke', exact: true }).click();
    await expect(page.getByTestId('strokes')).toHaveText(String(stroke));
  }
  await expect(page.getByRole('button', { name: 'Top up first' })).toBeDisabled();
  await expect(page.getByRole('heading', { name: 'Reservoir at its minimum: top up now' })).toBeVisible();
  await page.getByRole('button', { name: 'Topped up' }).click();
  await expect(page.getByTestId('strokes')).toHaveText('0');
  await page.getByRole('button', { name: 'bubbles' }).click();
  await page.getByRole('button', { name: 'straw' }).click();
  await page.getByRole('button', { name: 'Clear: done' }).click();
  await page.getByRole('button', { name: 'All nipples clear: go to Hand over' }).click();

  // Hand over: thirteen ticks as fast as they come
  await expect(page.getByRole('checkbox')).toHaveCount(13);
  for (const box of await page.getByRole('checkbox').all()) {
    await box.locator('xpath=ancestor::label').click();
    await expect(box).toBeChecked();
  }
  await page.getByLabel('Distance on the clock').fill('18 502 km');
  await page.getByLabel('Batch on the bottle').fill('SK-2610');
  await page.getByLabel('Quantity used').fill('0.35 l');
  await choose(page.getByLabel('Old fluid’s colour'), { label: 'tea' });
  await page.getByLabel('Old fluid’s water').fill('3 %');
  await page.getByLabel('Signature: type your name, Brannoc Hale').fill('Brannoc Hale');
  await page.getByRole('button', { name: 'Sign off and write the service record' }).click();
  await expect(page.getByRole('heading', { name: 'Signed off by Brannoc Hale' })).toBeVisible();

  // In the database itself
  const [service] = await own.query<Record<string, unknown>>(
    `SELECT s.* FROM fluid_service s JOIN job j ON j.id = s.jobId WHERE j.title = 'Front hose, salt-cracked'`,
  );
  expect(service).toMatchObject({
    batch: 'SK-2610',
    grade: 'DOT 4',
    distance_m: 18_502_000,
    quantity_m3: 3.5e-4,
    by: 'Brannoc Hale',
  });
  const torques = await own.query<{ torque_Nm: number }>(
    `SELECT t.torque_Nm FROM torque_record t JOIN job j ON j.id = t.jobId WHERE j.title = 'Front hose, salt-cracked' ORDER BY t.at`,
  );
  expect(torques.map((record) => Number(record.torque_Nm.toFixed(3)))).toEqual([19.6, 18.981]);

  // Past a restart
  await own.stopServer();
  await own.startServer();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Signed off by Brannoc Hale' })).toBeVisible();
  await expect(page.getByText('DOT 4, batch SK-2610')).toBeVisible();
  await page.getByRole('link', { name: 'Handover sheet to print' }).click();
  await expect(page.getByText('whichever comes first')).toBeVisible();
  await expect(page.getByRole('cell', { name: /^19.6 N·m/ })).toContainText('asked:');
  await expect(page.getByRole('figure')).toContainText(/: tight\. .*, Brannoc Hale/);
  await expect(page.getByRole('figure').getByRole('img')).toHaveJSProperty('naturalWidth', 320);
});
