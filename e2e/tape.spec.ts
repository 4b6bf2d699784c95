/** The tape in Measure: what a reading has to say, the one that slipped, wire, lifts, and what is asked before the order. */
import { choose } from './support/fields.ts';
import { writeFileSync } from 'node:fs';
import type { FileChooser } from '@playwright/test';
import { expectAccessible } from './support/accessibility.ts';
import { sayHowItIsRead, startMeasuring } from './support/measuring.ts';
import { expect, test } from './support/zephyrcombe.ts';
import { doneUpTo } from './support/fitting.ts';

test('a bad reading is caught: no unit that fits, no points said, a mark that slipped', async ({
  page,
  own,
}) => {
  await startMeasuring(page, own, 'Hose for the bad reading');
  const reading = page.getByLabel('Reading', { exact: true });
  const record = page.getByRole('button', { name: /^Record/ });

  await reading.fill('928 mm');
  await expect(page.getByText('Say which points it was read from')).toBeVisible();
  await expect(record).toBeDisabled();
  await sayHowItIsRead(page);
  await record.click();
  await expect(page.getByText('typed “928 mm”')).toBeVisible();

  // Metres for millimetres: asked about before it is recorded.
  await reading.fill('930 in');
  await expect(page.getByRole('heading', { name: '930 in is no length of a brake hose' })).toBeVisible();
  await expect(page.getByText(/930 mm is 930/)).toBeVisible();
  await reading.fill('930 mm');
  await record.click();
  await expect(page.getByText('typed “930 mm”')).toBeVisible();
  await expect(page.getByTestId('order-length')).toHaveText('942 mm');
  await reading.fill('951 mm');
  await record.click();
  await expect(page.getByRole('heading', { name: 'Readings differ by 23 mm' })).toBeVisible();
  await expect(page.getByText(/The others agree without 951/)).toBeVisible();
  await page.getByRole('button', { name: 'strike out 951 mm' }).click();
  await page.getByLabel('Why it does not count').fill('The mark slipped');
  await page.getByRole('button', { name: 'Strike it out' }).click();
  await expect(page.getByTestId('order-length')).toHaveText('942 mm');

  // A picture of the tube along the route stays with the reading.
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Add a photograph' }).first().click(),
  ]);
  await chooser.setFiles({
    name: 'tube.png',
    mimeType: 'image/png',
    buffer: await page.screenshot({ clip: { x: 0, y: 0, width: 40, height: 30 } }),
  });
  await expect(page.getByRole('button', { name: /^Open photograph 1 of Reading of 928/ })).toBeVisible();

  // What stands before the order: the checks of this vehicle, and whose points the order counts from.
  await expect(page.getByText('This hose turns with the steering, follows the suspension.')).toBeVisible();
  await expect(page.getByText('Axle crossed up')).toBeHidden();
  await expect(
    page.getByRole('heading', { name: 'Nobody said which points this length joins' }),
  ).toBeVisible();
  await choose(page.getByLabel('The maker counts from'), { label: 'behind the necks' });
  await expect(page.getByTestId('order-length')).toHaveText('892 mm');
  await expect(
    page.getByRole('heading', { name: 'Nobody said which points this length joins' }),
  ).toBeHidden();

  // A lift adds itself until its droop is measured.
  await page.getByRole('button', { name: 'Suspension or bar lift still to come' }).click();
  await page.getByLabel('It will stand higher by').fill('2 in');
  await page.getByRole('button', { name: 'Add the lift' }).click();
  await expect(page.getByRole('heading', { name: /Lifted by 51/ })).toBeVisible();
  await expect(page.getByTestId('order-length')).toHaveText('943 mm');
  await page.getByRole('button', { name: 'change the lift' }).click();
  await page.getByLabel(/^The wheel will hang lower/).fill('40 mm');
  await page.getByRole('button', { name: 'Add the lift' }).click();
  await expect(page.getByRole('heading', { name: /Lifted by/ })).toBeHidden();
  await expect(page.getByTestId('order-length')).toHaveText('932 mm');
  await expectAccessible(page);
});

test('wire hooked round the bolt is shortened by it, and its bends are asked for', async ({ page, own }) => {
  await startMeasuring(page, own, 'Hose for the wire');
  await page
    .getByRole('radio', { name: /^Left lock/ })
    .locator('xpath=ancestor::label')
    .click();
  await choose(page.getByLabel('Read from'), { label: 'eye centre to eye centre' });
  await choose(page.getByLabel('Laid along the route'), { label: 'Wire' });
  await page.getByLabel('Turns round the bolt at A').fill('1');
  await page.getByLabel('Reading', { exact: true }).fill('850 mm');
  // One turn round an M10 shank with wire of 1.6 mm: π·11.6 = 36.4 mm.
  await expect(page.getByText(/36.4.mm of the wire lie round the bolts/)).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Read with wire, its bends not counted' })).toBeVisible();
  await page.getByLabel('Quarter bends too tight for a hose').fill('0');
  await expect(page.getByRole('heading', { name: 'Read with wire, its bends not counted' })).toBeHidden();
  await page.getByRole('button', { name: /^Record 81[34]/ }).click();
  await expect(page.getByText('typed “850 mm”')).toBeVisible();
});

test('no joint goes on before the new hoses were held against the route', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 422/);
  await startMeasuring(page, own, 'Hose for the joint');
  await page.getByRole('link', { name: /^Fit/ }).click();
  const drain = page.getByRole('listitem').getByRole('button', { name: 'Suck the front reservoir empty' });
  await drain.click();
  await expect(page.getByText(/^\d+ steps come before it in the plan/)).toBeVisible();
  await expect(page.getByTestId('done')).toBeDisabled();
  await doneUpTo(page, /^Hold the new front hose against its route/);
  await expect(page.getByTestId('step').getByRole('heading').first()).toHaveText(
    'Suck the front reservoir empty',
  );
  // Held against it; what stands in the way now is that nobody took its length.
  await expect(page.getByText('No length was taken: Front hose.')).toBeVisible();
  await expect(page.getByTestId('done')).toBeDisabled();
});

/** A pipe drawn at five pixels a millimetre: 100 mm straight and a quarter circle of 60 mm. */
const DRAWING = `<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="750"><rect width="1000" height="750"
  fill="white"/><path d="M100 650H600A300 300 0 0 0 900 350" fill="none" stroke="black" stroke-width="6"/>
  <path d="M100 100H600" stroke="black" stroke-width="2"/></svg>`;
const TRUE_mm = 100 + 30 * Math.PI;

test('a drawing of known size is traced within 1 %, kept with the job, and undone', async ({
  page,
  own,
}, info) => {
  const drawing = info.outputPath('drawing.png');
  await page.setViewportSize({ width: 1100, height: 800 });
  await page.setContent(DRAWING);
  writeFileSync(drawing, await page.locator('svg').screenshot());
  await page.setViewportSize({ width: 1280, height: 800 });
  await startMeasuring(page, own, 'Hose for the trace');

  // What is no picture is refused, whatever it calls itself.
  const offer = async (file: Parameters<FileChooser['setFiles']>[0]) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Trace on a picture' }).click(),
    ]);
    await chooser.setFiles(file);
  };
  await offer({ name: 'pipe.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') });
  await expect(page.getByRole('heading', { name: 'The picture was not taken' })).toBeVisible();
  await offer(drawing);
  const picture = page.getByRole('application');
  await expect(picture).toBeVisible();
  const box = await picture.boundingBox();
  const scale = (box?.width ?? 0) / 1000;
  const press = (x: number, y: number) => picture.click({ position: { x: x * scale, y: y * scale } });
  await press(100, 100);
  await press(600, 100);
  await page.getByLabel('Distance between the two points').fill('10 cm');
  await page.getByText('smooth curve').click();
  const line: readonly (readonly [number, number])[] = [
    [100, 650],
    [350, 650],
    [500, 650],
    [600, 650],
    [715, 627],
    [812, 562],
    [877, 465],
    [900, 350],
  ];
  for (const [x, y] of line) await press(x, y);
  const figure = page.getByTestId('traced-length');
  const traced = async () => Number.parseFloat((await figure.textContent()) ?? '');
  expect(Math.abs((await traced()) / TRUE_mm - 1)).toBeLessThan(0.01);

  const before = await figure.textContent();
  await page.getByRole('button', { name: 'Line, point 8' }).press('Delete');
  await expect(figure).not.toHaveText(before ?? '');
  await page.keyboard.press('Control+z');
  await expect(figure).toHaveText(before ?? '');

  // With straight legs it can be made as a hard line, points on a straight being no bends.
  await page.getByText('straight legs').click();
  const hardLine = page.getByRole('link', { name: 'Make a hard line of these legs and bends' });
  await expect(hardLine).toHaveAttribute('href', /legs=100/);
  await page.getByText('smooth curve').click();
  await expect(hardLine).toBeHidden();

  await page.getByLabel('What it shows').fill('Old rear pipe');
  await page.getByRole('button', { name: 'Keep it with the job' }).click();
  await expect(page.getByRole('button', { name: 'Kept with the job' })).toBeDisabled();
  await expectAccessible(page);
  await page.reload();
  await expect(figure).toHaveText(before ?? '');
  await page.getByRole('link', { name: 'Back to Measure' }).click();
  await expect(page.getByRole('link', { name: 'Old rear pipe' })).toBeVisible();
  await page.getByRole('link', { name: 'Old rear pipe' }).click();
  await page.getByRole('button', { name: 'Remove this picture' }).click();
  await expect(page.getByRole('button', { name: 'Trace on a picture' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Old rear pipe' })).toBeHidden();
});
