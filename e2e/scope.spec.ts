/** Jobs over the whole vehicle: a fluid service from the due list, four corners, front and rear of an ABS machine. */
import { choose } from './support/fields.ts';
import type { Page } from '@playwright/test';
import { expectAccessible } from './support/accessibility.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';
import { doneUpTo } from './support/fitting.ts';

/** A technician's hand: what was pressed or typed, counted. Two minutes at four seconds each. */
const TWO_MINUTES = 30;
const SECONDS_EACH = 4;

function handsOn(page: Page) {
  let actions = 0;
  return {
    press: async (name: string | RegExp) => {
      actions += 1;
      await page.getByRole('button', { name }).click();
    },
    go: async (name: string | RegExp) => {
      actions += 1;
      await page.getByRole('link', { name }).first().click();
    },
    tick: async (text: string | RegExp) => {
      actions += 1;
      await page.getByText(text).click();
    },
    type: async (label: string, text: string) => {
      actions += 1;
      await page.getByLabel(label).fill(text);
    },
    count: () => actions,
  };
}

test('a fluid service goes from the due list to the signature in under two minutes of hands', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  const hands = handsOn(page);
  await hands.go(/^Change the fluid: Gannet hill quad\s*Rear pair/);
  await hands.press('Start the fluid service');
  await expect(page.getByRole('navigation', { name: 'Stages' }).getByRole('link')).toHaveText([
    'Look over',
    'Bleed',
    'Hand over',
  ]);
  await expectAccessible(page);
  // Found on the way that the other brake is due as well: in, and out again.
  const other = page.getByRole('checkbox', { name: 'Front pair' });
  await other.locator('xpath=ancestor::label').click();
  await expect(other).toBeChecked();
  await expect(page.getByRole('radiogroup', { name: 'Circuit' })).toBeVisible();
  await other.locator('xpath=ancestor::label').click();
  await expect(other).not.toBeChecked();
  await hands.tick(/^Looked at: the cap/);
  await hands.press('Go to Bleed');
  for (const clear of ['Clear: next', 'Clear: done']) {
    for (let stroke = 1; stroke <= 4; stroke += 1) await hands.press(/^Stroke$/);
    await hands.press(/^straw$/);
    await hands.press(clear);
  }
  await hands.press('All nipples clear: go to Hand over');
  const ticks = page.getByRole('checkbox');
  await expect(ticks).toHaveCount(9);
  for (const box of await ticks.all()) {
    const name = await box.evaluate((element) => element.closest('label')?.textContent ?? '');
    await hands.tick(name.trim());
    await expect(box).toBeChecked();
  }
  await hands.type('Batch on the bottle', 'SK-2610');
  await hands.type('Quantity used', '0.25 l');
  await hands.type('Signature: type your name, Brannoc Hale', 'Brannoc Hale');
  await hands.press('Sign off and write the service record');
  await expect(page.getByRole('heading', { name: 'Signed off by Brannoc Hale' })).toBeVisible();
  expect(hands.count()).toBeLessThanOrEqual(TWO_MINUTES);
  expect(hands.count() * SECONDS_EACH).toBeLessThanOrEqual(120);

  // It is due no more.
  await page.goto(`${own.address}/`);
  await expect(
    page.getByRole('link', { name: /^Change the fluid: Gannet hill quad\s*Rear pair/ }),
  ).toContainText('later');
});

test('four corners are one job: each hose on the drawing of its circuit, all of them measured, one nipple after the other', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await page.goto(`${own.address}/vehicles`);
  await page.getByRole('link', { name: /^Tollan mail van/ }).click();
  // From the vehicle in three actions.
  await page.getByRole('button', { name: 'Start a job' }).click();
  await page.getByRole('button', { name: 'All 4 hoses' }).click();
  await expect(page.getByLabel('What the job is')).toHaveValue('4 hoses: diagonal 1 and diagonal 2');
  await page.getByRole('button', { name: 'Start the job with 4 hoses' }).click();
  await expect(page.getByRole('heading', { name: 'Ends and ports' })).toBeVisible();
  const circuit = page.getByRole('radiogroup', { name: 'Circuit' });
  await expect(circuit.getByRole('radio', { name: 'Diagonal 1' })).toBeChecked();
  await expect(page.getByRole('cell', { name: 'Caliper, front left', exact: true })).toBeVisible();
  await circuit.getByText('Diagonal 2').click();
  await expect(page.getByRole('cell', { name: 'Caliper, front right', exact: true })).toBeVisible();
  await expect(page.getByRole('cell', { name: 'Caliper, front left', exact: true })).toHaveCount(0);
  await page.getByText('Looked at on the part itself').click();
  await page.getByRole('button', { name: 'Take 4 hoses to Measure' }).click();
  const hose = page.getByRole('radiogroup', { name: 'Hose', exact: true });
  await expect(hose.getByRole('radio')).toHaveCount(4);
  // The drawing follows the hose that is at hand.
  await hose.getByText('Hose, rear left').click();
  await expect(circuit.getByRole('radio', { name: 'Diagonal 2' })).toBeChecked();
  await hose.getByText('Hose, rear right').click();
  await expect(circuit.getByRole('radio', { name: 'Diagonal 1' })).toBeChecked();
  await page.getByRole('link', { name: /^Bleed/ }).click();
  // One master and one level for both: the farthest first, whichever circuit it is on.
  await expect(
    page.getByText(/^This reservoir also feeds diagonal [12]: one level, one count\.$/),
  ).toBeVisible();
  const turns = page.getByRole('button', { name: /of hose from the master/ });
  await expect(turns).toHaveText([/rear/i, /rear/i, /front/i, /front/i]);
  await expect(page.getByText(/^Nipple 1 of 4, diagonal [12]$/)).toBeVisible();
  await circuit.getByText('Diagonal 2').click();
  await expect(page.getByText(/^Nipple [12] of 4, diagonal 2$/)).toBeVisible();
  // A circuit leaves the job as it came: its hoses are taken out where they are looked over.
  await page.getByRole('link', { name: /^Look over/ }).click();
  for (const name of ['Hose, front right', 'Hose, rear left']) {
    const line = page.getByRole('checkbox', { name: new RegExp(`^Replaced in this job.*${name}`) });
    await line.locator('xpath=ancestor::label').click();
    await expect(line).not.toBeChecked();
  }
  await expect(page.getByRole('button', { name: 'Take 2 hoses to Measure' })).toBeVisible();
});

test('front and rear of an ABS machine are handed over together, each circuit with its fluid', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'All segments%'`);
  await page.goto(`${own.address}/jobs/${job?.id}/hand-over`);
  await expect(page.getByRole('group', { name: 'Fluid of Front brake' })).toBeVisible();
  const rear = page.getByRole('group', { name: 'Fluid of Rear brake' });
  await choose(rear.getByLabel('Fluid (cap: DOT 4)'), 'DOT 5');
  // The caution is about that circuit's fluid, before anything is sent.
  await expect(page.getByRole('heading', { name: /silicone|DOT 5/i }).first()).toBeVisible();
  await choose(rear.getByLabel('Fluid (cap: DOT 4)'), 'DOT 4');
  await rear.getByLabel('Quantity used').fill('0.2 l');
  await page.reload();
  await expect(rear.getByLabel('Quantity used')).toHaveValue('0.2 l');
  await expect(page.getByRole('link', { name: 'Go to Look over' })).toBeVisible();
  await expectAccessible(page);
});

test('two masters that share a reservoir are told so on the drawing, and bleed from one level', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  const [rear] = await own.query<{ id: string; vehicleId: string }>(
    `SELECT circuit.id, vehicleId FROM circuit JOIN vehicle ON vehicle.id = vehicleId
     WHERE vehicle.name LIKE 'Gannet%' AND circuit.name = 'Rear pair'`,
  );
  await page.goto(`${own.address}/vehicles/${rear?.vehicleId}/circuits/${rear?.id}`);
  // On the drawing: the button of the same name above it would put down another one.
  const drawing = page.getByRole('group', { name: /^Drawing of the circuit/ });
  await drawing.getByRole('button', { name: /^Master cylinder/ }).click();
  await choose(page.getByLabel('This reservoir is'), { label: 'Front pair: Front master, reservoir' });
  await page.getByRole('button', { name: 'Save the circuit' }).click();
  await expect(page.getByRole('button', { name: 'Saved', exact: true })).toBeVisible();
  await page.goto(`${own.address}/jobs/new?vehicle=${rear?.vehicleId}`);
  await page.getByRole('button', { name: 'Change the fluid of all circuits' }).click();
  await page.getByRole('button', { name: 'Start the fluid service' }).click();
  await page.getByRole('link', { name: /^Bleed/ }).click();
  // Whichever nipple is farther comes first, and the other circuit is named.
  await expect(
    page.getByText(/^This reservoir also feeds (rear|front) pair: one level, one count\.$/),
  ).toBeVisible();
});

test('a joint that is found to weep is taken into the job, opened and tightened anew', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/status of 422/);
  await signIn(page, own);
  await page.goto(`${own.address}/vehicles`);
  await page.getByRole('link', { name: /^Wick 200/ }).click();
  await page.getByRole('button', { name: 'Start a job' }).click();
  await page.getByRole('button', { name: 'All hoses: rear brake' }).click();
  await page.getByRole('button', { name: 'Start the job with 1 hose' }).click();
  await page.getByRole('link', { name: /^Joint Rear caliper/ }).click();
  await page.getByText('Replaced in this job').click();
  await expect(page.getByRole('button', { name: 'Go to Bleed' })).toBeVisible();

  // The hose stays, and with it nothing of the joint: what is found there is asked about.
  const found = page.getByRole('heading', { name: /^Found on Rear caliper/ }).locator('xpath=..');
  await found.getByRole('button', { name: /^Record what you see/ }).click();
  await choose(found.getByLabel('What is found on Rear caliper'), { label: 'Leaking' });
  await found.getByText('marked: plain to see').click();
  await found.getByRole('button', { name: /^Record/ }).click();
  await expect(page.getByText('Rear caliper stays as it was found: leaking')).toBeVisible();
  await page.getByText('Rear caliper is opened in this job and tightened anew').click();
  await expect(page.getByText('Rear caliper stays as it was found: leaking')).toBeHidden();
  await page.getByText(/^Each end is looked at/).click();
  await page.getByRole('button', { name: 'Go to Fit' }).click();

  // Nothing new goes on: nothing to offer up, nothing to settle, no caps.
  await expect(page.getByRole('img', { name: /^Section of the joint at Rear caliper/ })).toBeVisible();
  await expect(page.getByText('Hold the new')).toBeHidden();
  await expectAccessible(page);
  // The bolt that was in it is of aluminium.
  await expect(page.getByText('This bolt does not go back')).toBeVisible();
  await choose(page.getByLabel('The bolt is'), { label: 'new' });
  await page.getByRole('button', { name: 'Keep these parts' }).click();
  await expect(page.getByRole('button', { name: 'Keep these parts' })).toBeHidden();
  await doneUpTo(page, /^Join the rear caliper by hand/);
  await page.getByText(/^2 fresh washers fitted/).click();
  await page.getByText(/^Witness mark/).click();
  await page.getByLabel('Torque reached').fill('19.6 N·m');
  await page.getByRole('button', { name: 'Record 19.6 N·m' }).click();
  await page.getByRole('button', { name: 'Every joint torqued: go to Bleed' }).click();
  await expect(page.getByRole('link', { name: /^Fit/ })).toContainText('✓');
});
