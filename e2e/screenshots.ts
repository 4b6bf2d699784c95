/** One current picture of each main view, from the demo data. */
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { signIn, test } from './support/zephyrcombe.ts';

const FOLDER = join(import.meta.dirname, '../docs/screenshots');

async function take(page: Page, name: string, fullPage = false): Promise<void> {
  await page.waitForLoadState('networkidle');
  await page.evaluate(() => {
    (document.activeElement as HTMLElement | null)?.blur();
    window.scrollTo(0, 0);
  });
  await page.screenshot({ path: join(FOLDER, `${name}.png`), fullPage });
}

test('pictures of every main view', async ({ page, own }) => {
  test.setTimeout(180_000);
  const jobs = await own.query<{ id: string; title: string }>('SELECT id, title FROM job');
  const idOf = (start: string) => jobs.find((job) => job.title.startsWith(start))?.id ?? '';
  const [outfit] = await own.query<{ id: string }>(`SELECT id FROM vehicle WHERE name LIKE 'Petrelle%'`);
  const petrelle = `${own.address}/jobs/${idOf('Raised bars')}`;
  const rear = `${own.address}/jobs/${idOf('Rear hose')}`;

  await signIn(page, own);
  await page.getByRole('link', { name: /Raised bars/ }).waitFor();
  await take(page, 'jobs');
  const [master] = await own.query<{ id: string; circuit: string }>(
    `SELECT joint.id, joint.circuitId AS circuit FROM joint JOIN circuit ON circuit.id = joint.circuitId
      WHERE circuit.vehicleId = '${outfit?.id}' AND joint.name = 'Front master'`,
  );
  for (const stage of ['look-over', 'measure', 'specify', 'hand-over'] as const) {
    await page.goto(`${petrelle}/${stage}${stage === 'look-over' ? `?joint=${master?.id}` : ''}`);
    await take(page, stage);
  }
  await page.goto(`${petrelle}/fit`);
  await page.getByLabel('Torque reached').fill('19.6 N·m');
  await take(page, 'fit');
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${own.address}/jobs/${idOf('Front hose round')}/fit`);
  await take(page, 'fit-phone');
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.emulateMedia({ colorScheme: 'light' });

  await page.goto(`${petrelle}/bleed`);
  for (let stroke = 0; stroke < 6; stroke += 1)
    await page.getByRole('button', { name: 'Stroke', exact: true }).click();
  await page.getByRole('button', { name: 'honey' }).click();
  await take(page, 'bleed');
  await page.setViewportSize({ width: 390, height: 844 });
  await take(page, 'bleed-phone');
  await page.setViewportSize({ width: 1280, height: 800 });

  await page.goto(`${petrelle}/order`);
  await take(page, 'order', true);
  await page.goto(`${rear}/handover-sheet`);
  await take(page, 'handover-sheet', true);
  const [courier] = await own.query<{ id: string }>(`SELECT id FROM vehicle WHERE name LIKE 'Calder%'`);
  await page.goto(`${own.address}/vehicles/${courier?.id}`);
  await take(page, 'vehicle');
  await page.goto(`${own.address}/vehicles/${outfit?.id}/circuits/${master?.circuit}`);
  await page.getByText('690 mm').click();
  await take(page, 'circuit-drawing');
  await page.goto(`${petrelle}/look-over/layouts`);
  await take(page, 'layouts', true);
  await page.goto(`${own.address}/bench/route?across=0.35&down=0.1`);
  await page.locator('[data-window]').getByText('–').waitFor();
  await take(page, 'route-bench');
  await tracing(page, own.address);
  await take(page, 'trace');
  await page.goto(`${own.address}/bench/threads?of=internal&d=8.93+mm`);
  await take(page, 'threads');
  const line = new URLSearchParams({
    legs: '120 mm;200 mm;80 mm',
    bends: '90°;60°',
    rolls: ';180°',
    name: 'Rear line, left',
  });
  await page.goto(`${own.address}/bench/hard-line?${line.toString()}`);
  await take(page, 'hard-line', true);
  await page.goto(`${own.address}/bench/joint?eyes=2&long=30+mm&torque=15+N·m`);
  await take(page, 'joint-stack');
});

/** A pipe drawn beside a line of known length, traced. */
async function tracing(page: Page, address: string): Promise<void> {
  await page.setContent(`<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="700">
    <rect width="1000" height="700" fill="white"/>
    <path d="M100 600H600A300 300 0 0 0 900 300V120" fill="none" stroke="#555" stroke-width="14"/>
    <path d="M100 120H600M100 105V135M600 105V135" stroke="black" stroke-width="3"/>
    <text x="310" y="105" font-size="30" font-family="sans-serif">100 mm</text></svg>`);
  const drawing = await page.locator('svg').screenshot();
  await page.goto(`${address}/bench/trace`);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Take a photograph or drawing' }).click(),
  ]);
  await chooser.setFiles({ name: 'pipe.png', mimeType: 'image/png', buffer: drawing });
  const picture = page.getByRole('application');
  await picture.waitFor();
  const scale = ((await picture.boundingBox())?.width ?? 0) / 1000;
  const press = (x: number, y: number) => picture.click({ position: { x: x * scale, y: y * scale } });
  await press(100, 120);
  await press(600, 120);
  await page.getByLabel('Distance between the two points').fill('100 mm');
  await page.getByText('smooth curve').click();
  for (const [x, y] of [
    [100, 600],
    [350, 600],
    [600, 600],
    [715, 577],
    [812, 512],
    [877, 415],
    [900, 300],
    [900, 120],
  ] as const)
    await press(x, y);
}
