/**
 * `npm run bench:browser`: how long the page is busy with one change, in Chromium, against one frame of 1/60 s. Not a
 * test: nothing here can fail a build.
 */
import { choose } from './support/fields.ts';
import type { Page } from '@playwright/test';
import { signIn, test } from './support/zephyrcombe.ts';

const FRAME_ms = 1000 / 60;
const PARTS = 60;

interface Busy {
  /** Until the page has handled the event and React has written its changes. */
  readonly handled_ms: number;
  /** Until the next frame begins. */
  readonly frame_ms: number;
}

function report(name: string, samples: readonly Busy[]): void {
  const at = (share: number, of: (busy: Busy) => number) =>
    [...samples].map(of).sort((left, right) => left - right)[Math.floor(share * (samples.length - 1))] ??
    Number.NaN;
  const line = (label: string, of: (busy: Busy) => number) =>
    `${label} p50 ${(at(0.5, of) / FRAME_ms).toFixed(2)} ×, p95 ${(at(0.95, of) / FRAME_ms).toFixed(2)} × a frame`;
  process.stdout.write(
    `${name}, ${samples.length} times: ${line('handled', (busy) => busy.handled_ms)}; ${line('next frame', (busy) => busy.frame_ms)}\n`,
  );
}

/** Sends one event after the other to what has the focus, or to a field, and takes the time of each. */
async function measure(
  page: Page,
  selector: string,
  values: readonly string[],
  kind: 'key' | 'input',
): Promise<readonly Busy[]> {
  return page.evaluate(
    async ([target, texts, how]) => {
      const samples: { handled_ms: number; frame_ms: number }[] = [];
      const frame = () => new Promise((resolve) => requestAnimationFrame(() => resolve(undefined)));
      for (const text of texts) {
        const element = document.querySelector<HTMLElement>(target);
        if (!element) throw new Error(`no ${target}`);
        await frame();
        await frame();
        const start = performance.now();
        if (how === 'key') {
          element.dispatchEvent(new KeyboardEvent('keydown', { key: text, bubbles: true, cancelable: true }));
        } else {
          // React listens to the setter of the prototype.
          Reflect.set(HTMLInputElement.prototype, 'value', text, element);
          element.dispatchEvent(new Event('input', { bubbles: true }));
        }
        const handled_ms = performance.now() - start;
        await frame();
        samples.push({ handled_ms, frame_ms: performance.now() - start });
      }
      return samples;
    },
    [selector, values, kind] as const,
  );
}

test('a drawing of sixty parts, and the thread finder', async ({ page, own }) => {
  test.setTimeout(180_000);
  await signIn(page, own);
  await page.getByRole('link', { name: 'Vehicles' }).click();
  await page.getByRole('button', { name: 'New vehicle' }).click();
  await page.getByLabel('Vehicle name').fill('Sixty parts');
  await choose(page.getByLabel('Kind'), 'car');
  await page.getByText('Four corners, front and rear split').click();
  await page.getByRole('button', { name: /^Enter the vehicle/ }).click();
  await page.getByRole('link', { name: 'Change on the drawing' }).first().click();
  const standing = page.locator('[data-part]');
  await standing.first().waitFor();
  // Junctions cut into the lines, here and there, until the drawing is large.
  for (let count = await standing.count(); count < PARTS; count += 1) {
    const lines = page.locator('g[data-stop][aria-label^="hose"], g[data-stop][aria-label^="hard line"]');
    await lines.nth((count * 7) % (await lines.count())).press('j');
  }
  await page.getByRole('button', { name: 'Save the circuit' }).click();
  await page.getByRole('button', { name: 'Saved', exact: true }).waitFor();
  const part = '[data-part]';
  report(
    `${PARTS} parts: a nipple put on`,
    await measure(
      page,
      part,
      Array.from({ length: 40 }, () => 'n'),
      'key',
    ),
  );
  report(
    `${PARTS} parts: a hose made a hard line and back`,
    await measure(
      page,
      'g[data-stop][aria-label^="hose"], g[data-stop][aria-label^="hard line"]',
      Array.from({ length: 40 }, () => 'h'),
      'key',
    ),
  );
  report(
    `${PARTS} parts: another part selected`,
    await measure(
      page,
      part,
      Array.from({ length: 40 }, () => 'Enter'),
      'key',
    ),
  );

  await page.goto(`${own.address}/bench/threads?of=internal&d=8.93+mm&s=10.57+mm&n=10`);
  await page.getByRole('heading', { name: /explain/ }).waitFor();
  const bores = Array.from({ length: 60 }, (_none, index) => `${(8.4 + index * 0.02).toFixed(2)} mm`);
  report('thread finder: a bore typed', await measure(page, 'input', bores, 'input'));
  await page.goto(`${own.address}/bench/threads?d=9.87+mm`);
  await page.getByRole('heading', { name: /explain/ }).waitFor();
  const diameters = Array.from({ length: 60 }, (_none, index) => `${(9.3 + index * 0.012).toFixed(3)} mm`);
  report('thread finder: a bolt’s diameter typed', await measure(page, 'input', diameters, 'input'));
});

test('the length dragged on the outfit: every front hose, 81 poses, all spans', async ({ page, own }) => {
  test.setTimeout(240_000);
  const [corner] = await own.query<{ id: string; vehicleId: string }>(
    `SELECT corner.id, corner.vehicleId FROM corner JOIN vehicle ON vehicle.id = corner.vehicleId
      WHERE vehicle.name LIKE 'Petrelle%' ORDER BY corner.position`,
  );
  await signIn(page, own);
  await page.goto(`${own.address}/vehicles/${corner?.vehicleId}/routes/${corner?.id}`);
  const hose = page.getByLabel('Hose', { exact: true });
  await hose.waitFor();
  const names = await hose.locator('option').allTextContents();
  for (const name of names) {
    const isOther = (await hose.locator('option:checked').textContent()) !== name;
    await choose(hose, { label: name });
    if (isOther) await page.locator('[data-curves]').waitFor({ state: 'detached' });
    const slider = page.getByRole('slider', { name: 'Length of the hose' });
    await slider.waitFor();
    // What was settling before is not part of the drag: the curves are those of this hose, and done.
    await page.waitForFunction(
      () =>
        (document.querySelector('[data-window]')?.textContent?.includes('–') ?? false) &&
        document.querySelector('[data-curves]')?.getAttribute('data-curves') === '60',
    );
    // The first drag after a page was opened runs code that the browser has not yet compiled; both are told.
    for (const which of ['first drag', 'second drag']) {
      const taken = await page.evaluate(dragLength);
      const trips = [...taken.trips].sort((left, right) => left - right);
      const at = (share: number) =>
        ((trips[Math.floor(share * (trips.length - 1))] ?? NaN) / FRAME_ms).toFixed(2);
      process.stdout.write(
        `${name}, ${which}, ${trips.length} round trips to the worker: p50 ${at(0.5)} ×, p95 ${at(0.95)} × a frame; ` +
          `longest task of the page ${(taken.longest_ms / FRAME_ms).toFixed(2)} × a frame (0: none over 50 ms)\n`,
      );
    }
  }
});

/** In the page: 120 steps of the length, one every other frame. */
async function dragLength() {
  performance.clearMeasures();
  let longest_ms = 0;
  const observer = new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) longest_ms = Math.max(longest_ms, entry.duration);
  });
  observer.observe({ type: 'longtask' });
  const target = document.querySelector('[role="slider"][aria-label="Length of the hose"]');
  const frame = () => new Promise((resolve) => requestAnimationFrame(() => resolve(undefined)));
  for (let step = 0; step < 120; step += 1) {
    const key = Math.floor(step / 15) % 2 === 0 ? 'ArrowRight' : 'ArrowLeft';
    target?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
    await frame();
    await frame();
  }
  observer.disconnect();
  const trips = performance.getEntriesByName('route frame').map(({ duration }) => duration);
  return { trips, longest_ms };
}
