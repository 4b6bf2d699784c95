/** A vehicle by pattern, changed on its drawing by mouse and by keyboard, a thread found in the stage, a layout chosen. */
import { choose } from './support/fields.ts';
import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { expectAccessible } from './support/accessibility.ts';
import type { Zephyrcombe } from './support/zephyrcombe.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';

async function newVehicle(page: Page, name: string, ...patterns: readonly string[]): Promise<void> {
  await page.getByRole('link', { name: 'Vehicles' }).click();
  await page.getByRole('button', { name: 'New vehicle' }).click();
  await page.getByLabel('Vehicle name').fill(name);
  for (const pattern of patterns) await page.getByText(pattern).click();
  await page.getByRole('button', { name: /^Enter the vehicle/ }).click();
  await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

const drawing = (page: Page) => page.getByRole('group', { name: /^Drawing of the circuit/ });
const onDrawing = (page: Page, name: string | RegExp) => drawing(page).getByRole('button', { name });

/** Pulls from one part of the drawing to another as a hand would. */
async function pull(page: Page, from: Locator, to: Locator): Promise<void> {
  const [start, end] = [await from.boundingBox(), await to.boundingBox()];
  if (!start || !end) throw new Error('not on the drawing');
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move((start.x + end.x) / 2, (start.y + end.y) / 2, { steps: 4 });
  await page.mouse.move(end.x + end.width / 2, end.y + end.height / 2, { steps: 4 });
  await page.mouse.up();
}

const lines = (own: Zephyrcombe, vehicle: string) =>
  own.query<{ name: string; kind: string }>(
    `SELECT hose.name, hose.kind FROM hose JOIN circuit ON circuit.id = hose.circuitId
      JOIN vehicle ON vehicle.id = circuit.vehicleId WHERE vehicle.name = '${vehicle}' AND hose.retired = 0
      ORDER BY circuit.position, hose.position`,
  );

test('a vehicle by pattern, edited by mouse: a hose pulled, a junction cut in, undone, saved', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await newVehicle(page, 'Beach donkey', 'Single disc, front');
  await page.getByRole('link', { name: 'Change on the drawing' }).click();
  await expect(onDrawing(page, /^Caliper Front caliper/)).toBeVisible();
  await expect(page.getByText('Fluid reaches every wheel and every wheel can be bled.')).toBeVisible();
  await expectAccessible(page);

  // A caliper that nothing feeds is said at once, with its place.
  await page.getByRole('button', { name: 'Caliper', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'No fluid reaches Caliper 2' })).toBeVisible();
  await pull(page, onDrawing(page, /^Master cylinder/), onDrawing(page, /^Caliper Caliper 2/));
  await expect(page.getByRole('heading', { name: 'No fluid reaches Caliper 2' })).toBeHidden();
  await expect(onDrawing(page, /^hose Front master to Caliper 2/)).toBeVisible();

  // The new line is selected: a junction goes in, is undone, and comes again.
  await page.getByRole('button', { name: 'Insert a junction' }).click();
  await expect(onDrawing(page, /^Junction/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(onDrawing(page, /^Junction/)).toBeHidden();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(onDrawing(page, /^Junction/)).toBeVisible();

  // A torque is nobody's until somebody has read the sheet; upside down it is not saved.
  await onDrawing(page, /^Joint Front caliper/).click();
  await page.getByLabel('Torque, to').fill('10 N·m');
  await expect(page.getByText('The lower figure is above the upper one')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save the circuit' })).toBeDisabled();
  await page.getByLabel('Torque, to').fill('24 N·m');
  await choose(page.getByLabel('Whose torque figure it is'), { label: 'vehicle maker’s manual' });
  await choose(page.getByLabel('Bolt the figure was given for'), { label: 'steel' });
  // Our default does not become the maker's by naming him: his figures are typed.
  await expect(page.getByLabel('Torque, from, as it says')).toHaveValue('');
  await page.getByLabel('Torque, from, as it says').fill('14 N·m');
  await page.getByLabel('Torque, to, as it says').fill('17 N·m');

  // What is not saved survives a reload.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Your unsaved drawing is back' })).toBeVisible();
  await page.getByRole('button', { name: 'Save the circuit' }).click();
  await expect(page.getByRole('button', { name: 'Saved', exact: true })).toBeVisible();
  expect((await lines(own, 'Beach donkey')).map((line) => line.name)).toEqual([
    'Front hose',
    'Front master to Caliper 2',
    'Junction to Caliper 2',
  ]);
  const [joint] = await own.query<{ torque: unknown }>(
    `SELECT joint.torque FROM joint JOIN circuit ON circuit.id = joint.circuitId JOIN vehicle ON vehicle.id = circuit.vehicleId
      WHERE vehicle.name = 'Beach donkey' AND joint.name = 'Front caliper'`,
  );
  expect(joint?.torque).toEqual({
    minimum_Nm: 14,
    maximum_Nm: 17,
    source: 'vehicleMaker',
    forBolt: 'steel',
  });
});

test('the same by keyboard alone: walk, lead a hose, make it a hard line, add a nipple, take out, undo', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await newVehicle(page, 'Key bike', 'Two discs, tee');
  await page.getByRole('link', { name: 'Change on the drawing' }).focus();
  await page.keyboard.press('Enter');
  await onDrawing(page, /^Master cylinder/).focus();
  await page.keyboard.press('ArrowRight');
  await expect(onDrawing(page, /^Joint Front master/)).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(onDrawing(page, /^hose Main hose/)).toBeFocused();
  await page.keyboard.press('h');
  await expect(onDrawing(page, /^hard line Main hose/)).toBeFocused();
  await page.keyboard.press('End');
  await expect(drawing(page).locator(':focus')).toHaveAttribute('aria-label', /^Caliper/);
  await page.keyboard.press('Delete');
  await expect(onDrawing(page, /^Caliper/)).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(onDrawing(page, /^Caliper/)).toHaveCount(2);

  // From one caliper on to the other: a loop, but with nipples on it.
  await onDrawing(page, /^Caliper Front left caliper|^Caliper Left caliper/).focus();
  await page.keyboard.press('c');
  await expect(page.getByText('Where does the hose lead?')).toBeVisible();
  await onDrawing(page, /^Caliper Front right caliper|^Caliper Right caliper/).focus();
  await page.keyboard.press('Enter');
  await expect(drawing(page).getByRole('button', { name: /^hose / })).toHaveCount(3);
  await onDrawing(page, /^Junction/).focus();
  await page.keyboard.press('n');
  await expect(onDrawing(page, /^Junction.*with bleed nipple/)).toBeVisible();
  await page.getByRole('button', { name: 'Save the circuit' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Saved', exact: true })).toBeVisible();
  const saved = await lines(own, 'Key bike');
  expect(saved).toHaveLength(4);
  expect(saved.filter((line) => line.kind === 'hardLine').map((line) => line.name)).toEqual(['Main hose']);
});

test('a doubtful bore is settled by the one further reading, in the stage, and goes to the port', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await page.getByRole('link', { name: /Front hose round the new lamp guard/ }).click();
  await page.getByRole('link', { name: 'Front caliper', exact: true }).click();
  await expect(page.getByText('not here, this port has its thread inside').first()).toBeVisible();
  await page.getByRole('button', { name: 'Not sure? Find it with a calliper' }).click();
  await page.getByLabel('Bore between the crests').fill('8.93 mm');
  await expect(page.getByRole('heading', { name: '2 threads explain the readings' })).toBeVisible();
  await expect(page.getByText('Turn a clean M10×1.0 bolt into the port by hand')).toBeVisible();
  await page.getByRole('button', { name: 'does not start' }).click();
  await expect(page.getByRole('heading', { name: 'This explains every reading' })).toBeVisible();
  await page.getByRole('button', { name: 'Front caliper is M10×1.25' }).click();
  await expect(page.getByRole('cell', { name: 'M10×1.25 internal' })).toBeVisible();
  const [port] = await own.query<{ thread: string }>(
    `SELECT port.thread FROM port JOIN component ON component.id = port.componentId JOIN circuit ON circuit.id = component.circuitId
      JOIN vehicle ON vehicle.id = circuit.vehicleId WHERE vehicle.name LIKE 'Wick%' AND port.name = 'Front caliper'`,
  );
  expect(port?.thread).toBe('M10×1.25');
  // The bolt of the open job follows; two threads on one vehicle are warned of.
  await expect(page.getByRole('heading', { name: 'More than one thread on this vehicle' })).toBeVisible();
  await page
    .getByRole('link', { name: /^Specify/ })
    .first()
    .click();
  await expect(page.getByLabel('Bolt thread (port M10×1.25)')).toHaveValue('M10×1.25');
});

test('layouts are compared and one is taken into the job, and back', async ({ page, own }) => {
  await signIn(page, own);
  await newVehicle(page, 'Twin bike', 'Two discs, two long hoses');
  await page.getByRole('button', { name: 'Start a job' }).click();
  await page.getByLabel('What the job is').fill('Tee instead of two');
  await page.getByRole('button', { name: 'Start the job with 2 hoses' }).click();
  await page.getByRole('link', { name: 'Compare layouts' }).click();
  const table = page.getByRole('region', { name: 'Layouts side by side' });
  await expect(table.getByRole('row', { name: /^Crush washers 7 12 7/ })).toBeVisible();
  await expect(table.getByRole('row', { name: /^High points that hold air 0 0 1/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take “Tee and short hoses” into the job' }).click();
  await expect(
    page.getByRole('navigation', { name: 'Circuit' }).getByRole('link', { name: /^Joint Tee/ }),
  ).toHaveCount(3);
  expect(await lines(own, 'Twin bike')).toHaveLength(3);
  await page.getByRole('button', { name: 'Go back to how it was found' }).click();
  await expect(
    page.getByRole('navigation', { name: 'Circuit' }).getByRole('link', { name: /^Joint Tee/ }),
  ).toHaveCount(0);
  expect(await lines(own, 'Twin bike')).toHaveLength(2);
});

test('a vehicle goes out as a document and comes in again; what is mended is shown first; nonsense is refused', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 422/);
  await signIn(page, own);
  await page.getByRole('link', { name: 'Vehicles' }).click();
  await page.getByRole('link', { name: 'Tollan mail van', exact: true }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a document' }).click();
  const file = await (await download).path();
  const document = JSON.parse(readFileSync(file, 'utf8')) as {
    vehicle: { name: string };
    circuits: { ports: { thread: string }[]; hoses: { length_m: number }[] }[];
  };
  document.vehicle.name = 'Second mail van';
  const [port] = document.circuits[0]?.ports ?? [];
  if (port) port.thread = 'm10x1';
  const read = async (content: string) => {
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Read a document' }).click();
    await (
      await choosing
    ).setFiles({ name: 'van.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  };
  await page.getByRole('link', { name: 'Vehicles' }).click();

  await read('not a document');
  await expect(page.getByText('van.json is not JSON')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  const [line] = document.circuits[0]?.hoses ?? [];
  const length_m = line?.length_m ?? 0;
  if (line) line.length_m = -1;
  await read(JSON.stringify(document));
  await expect(page.getByText('circuits.0.hoses.0.length_m')).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();

  if (line) line.length_m = length_m;
  await read(JSON.stringify(document));
  await expect(page.getByText('circuits.0.ports.0.thread: taken as M10×1.0')).toBeVisible();
  await page.getByRole('button', { name: 'Enter Second mail van' }).click();
  await expect(page.getByRole('heading', { name: 'Second mail van', level: 1 })).toBeVisible();
  expect(await lines(own, 'Second mail van')).toEqual(await lines(own, 'Tollan mail van'));
});

test('a finding gets a photograph, judged by its content; a hose left on is warned of and taken into the job', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 422/);
  await signIn(page, own);
  await page.getByRole('button', { name: 'Start a job' }).click();
  await page.getByRole('button', { name: 'Gannet hill quad' }).click();
  await page.getByText(/Front main hose, now/).click();
  await page.getByLabel('What the job is').fill('Main hose');
  await page.getByRole('button', { name: 'Start the job with 1 hose' }).click();
  await page.getByRole('button', { name: 'Record what you see on Front left hose' }).click();
  await choose(page.getByLabel('What is found on Front left hose'), 'cracked');
  await page.getByRole('button', { name: 'Record “cracked, marked”' }).click();
  await expect(page.getByRole('heading', { name: 'Front left hose stays on: cracked' })).toBeVisible();

  // A drawn picture from this very page serves as the photograph.
  const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 320, height: 240 } });
  const add = async (buffer: Buffer) => {
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Add a photograph' }).click();
    await (await choosing).setFiles({ name: 'hose.png', mimeType: 'image/png', buffer });
  };
  await add(Buffer.from('no picture at all'));
  await expect(page.getByText('That file is not a picture this device can open')).toBeVisible();
  await add(picture);
  const thumb = page.getByRole('button', { name: /^Open photograph 1 of Front left hose/ });
  await expect(thumb).toBeVisible();
  await thumb.click();
  await expect(page.getByRole('dialog').getByRole('img')).toHaveJSProperty('naturalWidth', 320);
  await page.getByRole('button', { name: 'Close' }).click();

  // A date code that reads two ways is asked about; the age follows.
  await page.getByRole('button', { name: 'Correct its date on Front left hose' }).click();
  await page.getByLabel('Date code, as printed on the hose').fill('1119');
  await expect(page.getByRole('group', { name: 'What the date code may mean' })).toContainText(
    'Which is it?',
  );
  await page.getByRole('button', { name: 'November 2019' }).click();
  await expect(page.getByText(/years .*older than the 4-year guide for rubber hose/).first()).toBeVisible();

  await page.getByText('Replaced in this job').nth(1).click();
  await expect(page.getByRole('heading', { name: 'Front left hose stays on: cracked' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Take 2 hoses to Measure' })).toBeVisible();
});

test('from symptoms to a cause by the checks that are asked for', async ({ page, own }) => {
  await signIn(page, own);
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('link', { name: 'What is wrong with this brake?' }).click();
  await page.getByText('Pulls to one side').click();
  await page.getByText('Drags, runs hot').click();
  await page.getByText('Old rubber hose on it').click();
  await expect(page.getByText('Open the nipple of the wheel that drags')).toBeVisible();
  await page.getByRole('button', { name: 'the wheel frees' }).click();
  await expect(page.getByText('A hose collapsed inside')).toBeVisible();
  // The address carries it: a colleague sees the same.
  await page.reload();
  await expect(page.getByText('Open the nipple of the wheel that drags: the wheel frees')).toBeVisible();
});
