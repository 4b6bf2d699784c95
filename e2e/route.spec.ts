/** The route bench: what is dragged changes what holds, by mouse and by keys; a link shows a colleague the same. */
import { choose } from './support/fields.ts';
import type { Page } from '@playwright/test';
import { expect, signIn, test } from './support/zephyrcombe.ts';

const window_ = (page: Page) => page.locator('[data-window]');
const handle = (page: Page, name: string) => page.locator(`[data-handle="${name}"]`);

async function open(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await expect(window_(page)).toHaveText(/\d+–\d+/);
}

test('on the route bench a drag changes the window, is undone in one step, and travels in the link', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('link', { name: 'Does this hose reach, bend and clear?' }).click();
  await expect(window_(page)).toHaveText(/\d+–\d+/);
  const before = (await window_(page).textContent()) ?? '';

  const box = await handle(page, 'side end.point').boundingBox();
  if (!box) throw new Error('no far end');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 10, box.y + box.height / 2 + 24, { steps: 6 });
  await page.mouse.up();
  await expect(window_(page)).not.toHaveText(before);
  await expect(window_(page)).toHaveText(/\d+–\d+|no window/);
  await expect(page).toHaveURL(/route=/);

  const colleague = await page.context().newPage();
  await open(colleague, page.url());
  await expect(window_(colleague)).toHaveText((await window_(page).textContent()) ?? '');
  await colleague.close();

  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(window_(page)).toHaveText(before);
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(window_(page)).not.toHaveText(before);
});

test('a length that was typed and one that was dragged after it are two steps back', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await open(page, `${own.address}/bench/route`);
  const typed = page.getByLabel('Length, port to port');
  await expect(typed).toHaveValue('710 mm');
  await typed.fill('690 mm');
  await expect(page).toHaveURL(/route=/);
  const slider = page.getByRole('slider', { name: 'Length of the hose' });
  await slider.press('ArrowRight');
  await slider.press('ArrowRight');
  await expect(typed).toHaveValue('692 mm');
  const undo = page.getByRole('button', { name: 'Undo' });
  await undo.click();
  await expect(typed).toHaveValue('690 mm');
  await undo.click();
  await expect(typed).toHaveValue('710 mm');
  await expect(undo).toBeDisabled();
});

test('by keys alone: the length to where it is pulled tight and back, a pose on the map, a clip', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await open(page, `${own.address}/bench/route`);
  const length = page.getByRole('slider', { name: 'Length of the hose' });
  await length.focus();
  for (let step = 0; step < 6; step += 1) await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.getByText('Does not hold: pulled tight')).toBeVisible();
  await expect(page.getByText('Hose pulled tight')).toBeVisible();
  await expect(page.getByLabel('Length, port to port')).toHaveValue('650 mm');
  await expect(window_(page)).toHaveText('no window');
  for (let step = 0; step < 6; step += 1) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText('Hose pulled tight')).toBeHidden();
  await expect(window_(page)).toHaveText(/\d+–\d+/);

  const map = page.getByRole('application', { name: /^Pose map: straight ahead, full droop/ });
  await map.focus();
  for (let step = 0; step < 4; step += 1) await page.keyboard.press('ArrowRight');
  for (let step = 0; step < 8; step += 1) await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('application', { name: /^Pose map: left lock, full bump/ })).toBeVisible();
  await expect(page).toHaveURL(/across=0\.5585&down=0\.12/);
  await page.getByRole('button', { name: 'As measured', exact: true }).click();

  await page.getByRole('button', { name: 'Add a clip where the hose lies' }).click();
  await expect(handle(page, 'side clip0.point')).toBeVisible();
  await choose(page.getByLabel('clip 1, moves with'), 'frame');
  // Held to the frame half way, the hose no longer follows the bars.
  await expect(window_(page)).toHaveText(/no window|\d+–\d+/);
  await page.keyboard.press('Escape');
  await page.getByRole('heading', { name: 'Does it reach, bend and clear?' }).click();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(handle(page, 'side clip0.point')).toBeHidden();
});

test('wrong figures on the route bench keep what was typed and say what to do', async ({ page, own }) => {
  await signIn(page, own);
  await open(page, `${own.address}/bench/route`);
  const length = page.getByLabel('Length, port to port');
  await length.fill('30 mm');
  await expect(page.getByText('The two fittings alone take 50')).toBeVisible();
  await length.fill('27 7/8 in');
  await expect(window_(page)).toHaveText(/\d+–\d+/);
  await length.fill('twenty');
  await length.blur();
  await expect(page.getByText('That is not a number with a unit')).toBeVisible();
  await expect(length).toHaveValue('twenty');

  const x = page.getByLabel('first end, x', { exact: true });
  await x.fill('5x');
  await expect(x).toHaveAttribute('aria-invalid', 'true');
  await x.fill('-2 in');
  await expect(x).toHaveAttribute('aria-invalid', 'false');
  // Which way it points: by eye, or by a second point; the same point twice is no direction.
  const points = page.getByLabel('first end, points');
  await choose(points, 'down and forward');
  await expect(points).toHaveText('down and forward');
  const row = page.getByRole('row', { name: /^first end/ });
  await row.getByRole('button', { name: 'by a second point' }).click();
  for (const axis of ['x', 'y', 'z'])
    await page
      .getByLabel(`first end, second point ${axis}`)
      .fill(await page.getByLabel(`first end, ${axis}`, { exact: true }).inputValue());
  await expect(page.getByText('The two points are one: measure to a point farther along.')).toBeVisible();
  const z = page.getByLabel('first end, second point z');
  await z.fill(String(Number(await z.inputValue()) - 4));
  await expect(points).toHaveText('down');

  // No fork stands at 120°: it is asked about and nothing is worked out from it.
  await page.getByLabel('rake of the fork', { exact: true }).fill('120');
  await expect(page.getByText('120° is no rake of a fork')).toBeVisible();

  await page.goto(`${own.address}/bench/route?route=torn`);
  await expect(page.getByText('The address does not hold a corner that can be read')).toBeVisible();
  await expect(window_(page)).toHaveText(/\d+–\d+/);
});

test('a route is entered for a hose of a vehicle, kept, and stands beside the tape in Measure', async ({
  page,
  own,
}) => {
  const [hose] = await own.query<{ id: string; vehicleId: string }>(
    `SELECT hose.id, circuit.vehicleId FROM hose JOIN circuit ON circuit.id = hose.circuitId
      JOIN vehicle ON vehicle.id = circuit.vehicleId WHERE vehicle.name LIKE 'Petrelle%' AND hose.name = 'Left hose'`,
  );
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'Raised bars%'`);
  await signIn(page, own);
  await page.goto(`${own.address}/jobs/${job?.id}/measure?hose=${hose?.id}`);
  const beside = page.getByTestId('route-window');
  await expect(beside).toHaveText(/\d+–\d+/);
  await page.getByRole('link', { name: 'Open the route' }).click();
  await expect(page.getByRole('heading', { name: 'Fork and sidecar', level: 1 })).toBeVisible();
  await expect(page.getByLabel('Hose', { exact: true })).toHaveText('Left hose');
  await expect(window_(page)).toHaveText(/\d+–\d+/);

  // The bars went up by 150 mm: the length of the tape is now far too short by the route.
  await page.getByLabel('first end, z').fill('1130');
  await expect(window_(page)).toHaveText('no window');
  await page.reload();
  await expect(page.getByText('Your unsaved routes are back')).toBeVisible();
  await expect(page.getByLabel('first end, z')).toHaveValue('1130');
  await page.getByLabel('Length, port to port').fill('860 mm');
  await expect(window_(page)).toHaveText(/\d+–\d+/);
  await page.getByRole('button', { name: 'Save the routes' }).click();
  await expect(page.getByRole('button', { name: 'Saved', exact: true })).toBeDisabled();

  await page.goto(`${own.address}/jobs/${job?.id}/measure?hose=${hose?.id}`);
  await expect(page.getByText(/Tape and route differ by/)).toBeVisible();

  await page.goto(`${own.address}/vehicles/${hose?.vehicleId}`);
  await expect(page.getByText('Left hose, 860')).toBeVisible();
  await page.getByRole('link', { name: 'Add a route' }).click();
  await choose(page.getByLabel('Route of'), { label: 'Rear hose' });
  await page.getByRole('button', { name: 'Swing-arm, foot master to rear caliper' }).click();
  await expect(page.getByLabel('This route is of')).not.toHaveText('choose');
  await page.getByLabel('Name of this corner').fill('Spare corner');
  await page.getByRole('button', { name: 'Save the routes' }).click();
  await expect(page.getByRole('heading', { name: 'Spare corner', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Remove these routes' }).click();
  await page.getByRole('button', { name: 'Remove this route for good' }).click();
  await expect(page.getByRole('heading', { name: /^Petrelle/, level: 1 })).toBeVisible();
  await expect(page.getByText('Spare corner')).toBeHidden();
});

test('two people at one route: the second sees it and chooses', async ({ page, own, complaints }) => {
  complaints.allow(/status of 409/);
  const [corner] = await own.query<{ id: string; vehicleId: string }>(
    `SELECT corner.id, corner.vehicleId FROM corner JOIN vehicle ON vehicle.id = corner.vehicleId
      WHERE vehicle.name LIKE 'Wick%' ORDER BY corner.position`,
  );
  await signIn(page, own);
  const address = `${own.address}/vehicles/${corner?.vehicleId}/routes/${corner?.id}`;
  await open(page, address);
  const other = await page.context().newPage();
  await open(other, address);
  await other.getByLabel('Length, port to port').fill('910 mm');
  await other.getByRole('button', { name: 'Save the routes' }).click();
  await expect(other.getByRole('button', { name: 'Saved', exact: true })).toBeDisabled();
  await other.close();
  await page.getByLabel('Length, port to port').fill('920 mm');
  await page.getByRole('button', { name: 'Save the routes' }).click();
  await expect(page.getByText('Somebody else saved these routes while you worked')).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await expect(page.getByRole('button', { name: 'Saved', exact: true })).toBeDisabled();
  await page.reload();
  await expect(page.getByLabel('Length, port to port')).toHaveValue('920 mm');
});

test('a donor that is too short is stopped before anything is opened', async ({ page, own }) => {
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'Raised bars%'`);
  await signIn(page, own);
  await page.goto(`${own.address}/jobs/${job?.id}/measure`);
  await expect(page.getByTestId('order-length')).toHaveText(/742/);
  await page.getByRole('button', { name: 'Check a donor hose' }).click();
  const length = page.getByLabel(/^Its length/);
  await length.fill('717 mm');
  await expect(page.getByRole('heading', { name: 'Too short', exact: true })).toBeVisible();
  await expect(page.getByText('Do not open the system for it')).toBeVisible();
  await page.reload();
  await expect(length).toHaveValue('717 mm');
  await length.fill('29 1/2 in');
  await expect(page.getByRole('heading', { name: /^Fits, with/ })).toBeVisible();
  await choose(page.getByLabel('Other end, thread'), 'M10×1.5');
  await expect(page.getByText('Long enough, but an end is wrong')).toBeVisible();
  await page.getByRole('button', { name: 'put it back' }).click();
  await expect(page.getByRole('button', { name: 'Check a donor hose' })).toBeVisible();

  await page.goto(`${own.address}/bench`);
  await page.getByRole('link', { name: 'Will this hose do instead?' }).click();
  await page.getByLabel('The shortest length that does, slack included').fill('455 mm');
  await page.getByLabel('The longest that stays clear, if it is known').fill('520 mm');
  await page.getByLabel(/^Its length/).fill('560 mm');
  await expect(page.getByRole('heading', { name: /^Too long: 105/ })).toBeVisible();
});

test('ends are searched, one is put on the bench beside the one laid aside, and handed to Specify', async ({
  page,
  own,
}) => {
  test.slow();
  const [job] = await own.query<{ id: string; vehicleId: string }>(
    `SELECT id, vehicleId FROM job WHERE title LIKE 'Raised bars%'`,
  );
  const [hose] = await own.query<{ id: string }>(
    `SELECT hose.id FROM hose JOIN circuit ON circuit.id = hose.circuitId
      WHERE circuit.vehicleId = '${job?.vehicleId}' AND hose.name = 'Right hose'`,
  );
  await signIn(page, own);
  await page.goto(`${own.address}/jobs/${job?.id}/measure?hose=${hose?.id}`);
  await page.getByRole('link', { name: 'Open the route' }).click();
  await expect(window_(page)).toHaveText(/\d+–\d+/);
  const before = await page.getByLabel('Length, port to port').inputValue();

  // A search can be stopped, and begun again with less to choose from.
  await page.getByRole('button', { name: 'Search the ends' }).click();
  await expect(page.getByRole('progressbar', { name: 'Search for ends' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop the search' }).click();
  await expect(page.getByRole('progressbar', { name: 'Search for ends' })).toBeHidden();
  for (const bend of ['20°', '30°', '60°', '75°', '90°'])
    await page.getByRole('checkbox', { name: bend, exact: true }).locator('xpath=ancestor::label').click();
  await page.getByText('The first end may be turned').click();
  await page.getByRole('button', { name: 'Lay this one aside' }).click();
  await page.getByRole('button', { name: 'Search the ends' }).click();
  const found = page.getByRole('table', { name: 'Ends found' });
  await expect(found.getByRole('row')).toHaveCount(5, { timeout: 60_000 });
  await found.getByRole('button', { name: 'look at it' }).first().click();
  const compared = page.getByRole('row', { name: /^length window/ });
  await expect(compared.getByRole('cell')).toHaveText([/\d+–\d+/, /\d+–\d+/]);
  await expect(
    page
      .getByRole('row', { name: /^length \d/ })
      .getByRole('cell')
      .first(),
  ).toHaveText(before);
  await expect(page.locator('[data-aside="side"]')).toBeVisible();
  await page.getByRole('button', { name: 'Change places' }).click();
  await expect(page.getByLabel('Length, port to port')).toHaveValue(before);

  const ends = (await found.getByRole('rowheader').first().textContent()) ?? '';
  const bends = [...ends.matchAll(/(\d+)°/g)].map(([, bend]) => Number(bend));
  await found.getByRole('button', { name: 'hand to Specify' }).first().click();
  await expect(page).toHaveURL(/\/specify\?hose=/);
  const kept = async () => {
    const [row] = await own.query<{ endA: unknown; endB: unknown }>(
      `SELECT endA, endB FROM job_hose WHERE jobId = '${job?.id}' AND hoseId = '${hose?.id}'`,
    );
    return [row?.endA, row?.endB].map((end) => {
      const { neckAngle_rad } = (typeof end === 'string' ? JSON.parse(end) : end) as {
        neckAngle_rad: number;
      };
      return Math.round((neckAngle_rad * 180) / Math.PI);
    });
  };
  await expect.poll(kept).toEqual(bends);
});

test('a tape from bolt to bolt tells that a figure of the model was misread, and puts it right', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await open(page, `${own.address}/bench/route`);
  const by = page.getByText(/^Hold the tape straight from bolt to bolt/);
  const model_mm = Number(/(\d+).mm, straight ahead/.exec((await by.textContent()) ?? '')?.[1]);
  expect(model_mm).toBeGreaterThan(400);
  const tape = page.getByLabel('Straight from bolt to bolt, in the pose shown');
  await tape.fill(`${model_mm} mm`);
  await tape.press('Enter');
  await expect(page.getByText('Model and tape agree as well as a tape can tell')).toBeVisible();
  await tape.fill(`${model_mm + 30} mm`);
  await tape.press('Enter');
  await expect(page.getByRole('heading', { name: /The model is off by (29|30)/ })).toBeVisible();
  await page.getByRole('button', { name: 'Change it in the model' }).click();
  await expect(page.getByText('Model and tape agree as well as a tape can tell')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('heading', { name: /The model is off by (29|30)/ })).toBeVisible();
});

test('figures are typed onto the drawing of the rig; a clip becomes a guide and a stiffener is set on the hose', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await open(page, `${own.address}/bench/route`);
  const before = (await window_(page).textContent()) ?? '';
  const far = page.getByLabel('On the drawing: far end, how high');
  await far.fill('400');
  await expect(window_(page)).not.toHaveText(before);
  await expect(window_(page)).toHaveText(/\d+–\d+/);
  // The same figure in the table, and back in one step.
  await expect(page.getByLabel('far end, z', { exact: true })).toHaveValue('400');
  await page.getByLabel('C: travel along the fork').fill('0 mm');
  await expect(page.getByText(/Does not hold|cannot be worked out/).first()).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(far).toHaveValue('424');
  await expect(window_(page)).toHaveText(before);

  await page.getByRole('button', { name: 'Add a clip where the hose lies' }).click();
  await expect(page.getByText('clocking, untwisted')).toBeHidden();
  await choose(page.getByLabel('Clip 1', { exact: true }), { label: 'a guide: the hose slides in it' });
  // A guide lets the twist through: the hose has its clocking again.
  await expect(page.getByText('clocking, untwisted')).toBeVisible();
  await expect(page.getByRole('button', { name: 'take guide 1 off' })).toBeVisible();
  await page.getByRole('button', { name: 'Add a stiffener' }).click();
  await expect(page.locator('[data-stiff="side"]')).toHaveCount(1);
  await page.getByLabel('stiffener 1, begins, from the first end').fill('5 mm');
  await expect(page.getByText(/This stiffener lies in a fitting/)).toBeVisible();
  await page.getByLabel('stiffener 1, begins, from the first end').fill('60 mm');
  await expect(page.getByText(/This stiffener lies in a fitting/)).toBeHidden();
  await page.getByRole('button', { name: 'take stiffener 1 off' }).click();
  await expect(page.locator('[data-stiff="side"]')).toHaveCount(0);

  // A sleeve is drawn where it was said to lie, and a bent fitting runs on from its port before it bends.
  await page.getByRole('button', { name: 'Add a sleeve' }).click();
  await expect(page.locator('[data-sleeve="side"]')).not.toHaveCount(0);
  await page.getByLabel('sleeve 1, across its outside').fill('14 mm');
  await page.getByRole('button', { name: 'take sleeve 1 off' }).click();
  await expect(page.locator('[data-sleeve="side"]')).toHaveCount(0);
  const drawn = page.locator('[data-hose="top"]');
  const straight = (await drawn.getAttribute('d')) ?? '';
  const neck = page.getByLabel('far end, before its bend (empty: straight)');
  await neck.fill('40 mm');
  await expect(page.getByText(/neck of the far end is longer than the whole rigid piece/)).toBeVisible();
  await neck.fill('12 mm');
  await expect(page.getByText(/neck of the far end is longer/)).toBeHidden();
  await expect(drawn).not.toHaveAttribute('d', straight);
});

test('in the round: turned by keys, moved with the pose, told in words and figures, and in the link', async ({
  page,
  own,
  complaints,
}) => {
  // Drawn without a graphics card, the browser remarks on its own reading back.
  complaints.allow(/GPU stall due to ReadPixels/);
  await signIn(page, own);
  await open(page, `${own.address}/bench/route`);
  await page.getByText('in the round', { exact: true }).click();
  await expect(page).toHaveURL(/as=round/);
  const canvas = page.locator('canvas[data-frames]');
  await expect(canvas).toBeVisible();
  const drawn = () => canvas.screenshot();
  const frames = async () => Number(await canvas.getAttribute('data-frames'));
  const before = await drawn();
  const count = await frames();
  await canvas.focus();
  for (let step = 0; step < 4; step += 1) await page.keyboard.press('ArrowLeft');
  await expect.poll(frames).toBeGreaterThan(count);
  expect((await drawn()).equals(before)).toBe(false);

  const words = page.locator('section').filter({ hasText: 'The same in words and figures' });
  await expect(words).toContainText('straight ahead, full droop');
  await expect(words.getByRole('table').first().getByRole('row')).toHaveCount(10);
  await page.getByRole('slider', { name: /Steering/ }).focus();
  await page.keyboard.press('Home');
  await expect(words).toContainText('right lock');
  await page.getByRole('button', { name: 'from above' }).click();
  await page.getByText('three views', { exact: true }).click();
  await expect(canvas).toHaveCount(0);
  await expect(handle(page, 'side end.point')).toBeVisible();
});
