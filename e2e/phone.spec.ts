/** A phone at the wheel: the stage in view, the next action under the thumb, nothing too small to meet, nothing that jumps. */
import type { Page } from '@playwright/test';
import type { Zephyrcombe } from './support/zephyrcombe.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';

const PHONE = { width: 390, height: 844 };
const STAGES = ['look-over', 'measure', 'specify', 'kit', 'build', 'fit', 'bleed', 'hand-over'];

async function openOutfit(page: Page, own: Zephyrcombe): Promise<string> {
  await page.setViewportSize(PHONE);
  await signIn(page, own);
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'Raised bars%'`);
  return `${own.address}/jobs/${job?.id}`;
}

test('the current stage is in view in the rail, whatever the page', async ({ page, own }) => {
  const job = await openOutfit(page, own);
  for (const stage of STAGES) {
    await page.goto(`${job}/${stage}`);
    const active = page.getByRole('navigation', { name: 'Stages' }).locator('a.active');
    await expect(active).toBeInViewport({ ratio: 0.98 });
  }
});

test('tapping a torque step brings its field into view, with the focus in it', async ({ page, own }) => {
  const job = await openOutfit(page, own);
  await page.goto(`${job}/fit`);
  const field = page.getByLabel('Torque reached');
  await expect(field).not.toBeInViewport();
  await page.getByRole('button', { name: /^Tighten the left caliper/ }).click();
  await expect(field).toBeInViewport({ ratio: 1 });
  await expect(field).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Torque, left caliper' })).toBeVisible();
  const before = await page.evaluate(() => window.scrollY);
  await field.fill('19.6 N·m');
  await page.getByText(/fresh washers fitted/).click();
  expect(Math.abs((await page.evaluate(() => window.scrollY)) - before)).toBeLessThan(300);
  expect(await page.evaluate(() => window.scrollY)).toBeGreaterThan(0);
});

test('the counter’s button is on the first screen, at the bench and at the wheel', async ({ page, own }) => {
  const job = await openOutfit(page, own);
  for (const size of [PHONE, { width: 1280, height: 800 }]) {
    await page.setViewportSize(size);
    await page.goto(`${job}/bleed`);
    await expect(page.getByRole('button', { name: 'Stroke', exact: true })).toBeInViewport({ ratio: 1 });
  }
});

/** What is smaller than a thumb needs, by its words. */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('main a, main button, main summary, header a, header button')]
      .filter((element) => element.getClientRects().length > 0 && element.closest('svg') === null)
      .flatMap((element) => {
        const { width, height } = element.getBoundingClientRect();
        const words = element.textContent.trim() || element.getAttribute('aria-label') || element.tagName;
        return width < 43.5 || height < 43.5 ? [`${words}: ${width.toFixed(0)} × ${height.toFixed(0)}`] : [];
      }),
  );

test('links and buttons meet a thumb: 44 px', async ({ page, own }) => {
  const job = await openOutfit(page, own);
  const stages = [...STAGES, 'order', 'log', 'fit-plan', 'handover-sheet'].map((stage) => `${job}/${stage}`);
  const bench = ['', '/vehicles', '/bench', '/bench/route', '/bench/joint', '/bench/hard-line', '/shop'];
  for (const address of [...stages, ...bench.map((path) => `${own.address}${path}`)]) {
    await page.goto(address);
    await page.getByRole('heading').first().waitFor();
    expect({ address, small: await tooSmall(page) }).toEqual({ address, small: [] });
  }
});
