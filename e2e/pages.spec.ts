/** Every page, in both themes and at the wheel: accessible, quiet, still, and no wider than the screen. */
import type { Page } from '@playwright/test';
import { expectAccessible } from './support/accessibility.ts';
import type { Zephyrcombe } from './support/zephyrcombe.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';

const STAGES = ['look-over', 'measure', 'specify', 'fit', 'bleed', 'hand-over'] as const;

async function pagesOf(own: Zephyrcombe): Promise<readonly string[]> {
  const jobs = await own.query<{ id: string; status: string; title: string }>(
    'SELECT id, status, title FROM job',
  );
  const open = jobs.filter((job) => job.status === 'open');
  const finished = jobs.filter((job) => job.status === 'finished');
  const [vehicle] = await own.query<{ id: string }>(`SELECT id FROM vehicle WHERE name LIKE 'Petrelle%'`);
  const [outfit] = await own.query<{ id: string; circuit: string }>(
    `SELECT vehicle.id, circuit.id AS circuit FROM vehicle JOIN circuit ON circuit.vehicleId = vehicle.id
      WHERE vehicle.name LIKE 'Petrelle%' ORDER BY circuit.position`,
  );
  const vans = await own.query<{ id: string }>(`SELECT id FROM vehicle WHERE name NOT LIKE 'Petrelle%'`);
  const [joint] = await own.query<{ id: string }>(
    `SELECT joint.id FROM joint JOIN circuit ON circuit.id = joint.circuitId WHERE circuit.id = '${outfit?.circuit}'`,
  );
  const corners = await own.query<{ id: string; vehicleId: string }>(
    `SELECT id, vehicleId FROM corner WHERE vehicleId = '${outfit?.id}'`,
  );
  const raised = jobs.find((job) => job.title.startsWith('Raised'))?.id;
  return [
    '/',
    '/jobs/new',
    `/jobs/new?vehicle=${vehicle?.id}`,
    '/vehicles',
    '/vehicles/new',
    ...vans.map((van) => `/vehicles/${van.id}`),
    `/vehicles/${outfit?.id}/circuits/${outfit?.circuit}`,
    `/vehicles/${outfit?.id}/circuits/${outfit?.circuit}/layouts`,
    `/jobs/${raised}/look-over?joint=${joint?.id}`,
    `/jobs/${raised}/look-over?joint=${joint?.id}&find=thread&of=internal&d=8.93+mm`,
    `/jobs/${raised}/look-over/layouts`,
    '/bench',
    '/bench/threads?of=internal&d=8.93+mm',
    '/bench/symptoms?does=pull,drag&known=oldHose&check=openNipple~frees',
    '/bench/hexagons?across=11/16+in&wrench=18+mm',
    '/bench/route',
    '/bench/trace',
    '/bench/datums?length=742+mm&from=1&a=banjo~20',
    '/bench/bend?d=100+mm&du=120+mm&au=30+mm',
    '/bench/joint?eyes=2&bolt=aluminium&torque=30+N%C2%B7m',
    '/bench/hard-line',
    '/bench/hard-line?legs=120+mm%3B200+mm%3B80+mm&bends=90%C2%B0%3B60%C2%B0&rolls=%3B70%C2%B0&of=coatedSteel',
    '/bench/templates?a=banjo~90',
    '/bench/cut-list?pieces=640+mm%3B720+mm&stocks=5+m%3B1400+mm',
    '/bench/donor?need=742+mm&most=860+mm&length=717+mm&a=banjo~20~',
    ...corners.map((corner) => `/vehicles/${corner.vehicleId}/routes/${corner.id}`),
    `/vehicles/${outfit?.id}/routes/new`,
    '/bench/route?of=swingArm&down=0.2',
    `/vehicles/${vehicle?.id}`,
    ...open.flatMap((job) =>
      [...STAGES, 'order', 'supplier', 'kit', 'build'].map((part) => `/jobs/${job.id}/${part}`),
    ),
    ...finished.flatMap((job) =>
      ['measure', 'specify', 'fit', 'bleed', 'hand-over', 'order', 'kit', 'handover-sheet', 'log'].map(
        (part) => `/jobs/${job.id}/${part}`,
      ),
    ),
  ];
}

/** How far things moved by themselves while the page appeared. */
async function watchShifts(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const store = window as unknown as { shift: number };
    store.shift = 0;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as unknown as { value: number; hadRecentInput: boolean }[])
        if (!entry.hadRecentInput) store.shift += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
}

for (const [name, width, scheme] of [
  ['on vellum', 1280, 'light'],
  ['in the night bay', 1280, 'dark'],
  ['at the wheel', 390, 'light'],
] as const) {
  test(`every page ${name} is accessible, fits and does not shift`, async ({ page, own }) => {
    test.setTimeout(420_000);
    await page.setViewportSize({ width, height: width === 390 ? 844 : 800 });
    await page.emulateMedia({ colorScheme: scheme });
    await watchShifts(page);
    await page.goto(`${own.address}/sign-in`);
    await expect(page.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible();
    await expectAccessible(page);
    await signIn(page, own);
    for (const path of await pagesOf(own)) {
      await test.step(path, async () => {
        await page.goto(own.address + path);
        await expect(page.locator('main h1, main h2, main p').first()).toBeVisible();
        await page.waitForLoadState('networkidle');
        await expectAccessible(page);
        const wider = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        );
        expect(wider).toBeLessThanOrEqual(0);
        const shift = await page.evaluate(() => (window as unknown as { shift: number }).shift);
        expect(shift).toBeLessThan(0.02);
      });
    }
  });
}

test('the circuit strip is walked with the keyboard, and a joint opens in the stage one is in', async ({
  page,
  own,
}) => {
  await signIn(page, own);
  await page.getByRole('link', { name: /Raised bars, new front hoses/ }).click();
  await expect(page.getByRole('navigation', { name: 'Circuit' })).toBeVisible();
  const strip = page.getByRole('navigation', { name: 'Circuit' });
  // The job opens at its next stage: the page is there when its order is.
  await expect(page.getByRole('heading', { name: 'Order on' })).toBeVisible();
  await strip.getByRole('link', { name: 'Left hose, 742 mm' }).focus();
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/fit\?joint=/);
  await expect(
    strip.getByRole('link', { name: /^Joint .*hand tight|^Joint .*torqued/ }).first(),
  ).toBeVisible();
  await expect(strip.locator('[aria-current="true"]:visible')).toHaveCount(1);
});

test('the whole way from sign-in to a recorded reading works by keyboard alone', async ({ page, own }) => {
  await page.goto(`${own.address}/sign-in`);
  await page.getByLabel('Brannoc Hale').focus();
  await page.keyboard.press('Space');
  await page.keyboard.press('Tab');
  await page.keyboard.type('lamp oil and oilskins');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'On the bench' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: /Front hose round the new lamp guard/ }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Ends and ports' })).toBeVisible();
  await page.keyboard.press('2');
  await page.getByLabel('Read from').focus();
  await page.keyboard.press('ArrowDown');
  await page.getByLabel('Wheel clear of the floor, hanging free').focus();
  await page.keyboard.press('Space');
  await page.getByLabel('Reading', { exact: true }).focus();
  await page.keyboard.type('927');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.getByText('typed “927 mm”')).toBeVisible();
});

test('units are each person’s own', async ({ page, own }) => {
  await signIn(page, own, 'Tamsin Orrey');
  await page.getByRole('button', { name: /Units and paper/ }).click();
  await page.getByRole('button', { name: 'All imperial' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('link', { name: /Raised bars, new front hoses/ }).click();
  await expect(page.getByText('13.3–15.4 lbf·ft').first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Left hose, 29.21 in' })).toBeVisible();
  await page.getByRole('button', { name: /Units and paper/ }).click();
  await page.getByRole('button', { name: 'All metric' }).click();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('18–21 N·m').first()).toBeVisible();
});

test('the printer gets ink on white, whichever sheet is on the screen', async ({ page, own }) => {
  await signIn(page, own);
  for (const theme of [null, 'nightBay']) {
    await page.emulateMedia({ colorScheme: 'dark', media: 'print' });
    await page.evaluate((wanted) => {
      if (wanted === null) delete document.documentElement.dataset.theme;
      else document.documentElement.dataset.theme = wanted;
    }, theme);
    const [sheet, ink] = await page.evaluate(() => {
      const style = getComputedStyle(document.documentElement);
      return ['--sheet', '--ink'].map((role) => style.getPropertyValue(role).trim());
    });
    expect({ sheet, ink }).toEqual({ sheet: '#fff', ink: '#1d2a2f' });
  }
});
