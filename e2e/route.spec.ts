/** The route bench: what is dragged changes what holds, by mouse and by keys; a link shows a colleague the same. */
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
  await page.getByRole('button', { name: 'As measured' }).click();

  await page.getByRole('button', { name: 'Add a clip where the hose lies' }).click();
  await expect(handle(page, 'side clip0.point')).toBeVisible();
  await page.getByLabel('clip 1, moves with').selectOption('frame');
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
  for (const axis of ['x', 'y', 'z']) await page.getByLabel(`first end, toward ${axis}`).fill('0');
  await expect(page.getByText('points nowhere')).toBeVisible();
  await page.getByLabel('first end, toward z').fill('-1');
  await expect(page.getByText('points nowhere')).toBeHidden();

  await page.goto(`${own.address}/bench/route?route=torn`);
  await expect(page.getByText('The address does not hold a corner that can be read')).toBeVisible();
  await expect(window_(page)).toHaveText(/\d+–\d+/);
});
