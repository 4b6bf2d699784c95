/** Every page of the demo shop, and what is asked of each: accessible, no wider than the screen, still while it appears. */
import type { Page, Request } from '@playwright/test';
import { expectAccessible } from './accessibility.ts';
import type { Zephyrcombe } from './zephyrcombe.ts';
import { expect, signIn, test } from './zephyrcombe.ts';

const STAGES = ['look-over', 'measure', 'specify', 'fit', 'bleed', 'hand-over'] as const;

/** The stages of these are looked at on both screens: of three hoses on one circuit, and of four on two. */
const ON_BOTH = /^(Raised|Four corners)/;

async function pagesOf(own: Zephyrcombe, screen: keyof typeof SCREENS): Promise<readonly string[]> {
  // The demo's own: what other journeys left behind today is as they left it.
  const jobs = await own.query<{ id: string; status: string; title: string }>(
    'SELECT id, status, title FROM job WHERE openedOn < CURDATE() ORDER BY number',
  );
  // The other jobs have the same stages: each is looked at on one of the screens.
  const here = ({ title }: { readonly title: string }, index: number) =>
    ON_BOTH.test(title) || (index % 2 === 0) === (screen === 'desk');
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
    '/shop/wrenches',
    '/shop/sign-ins',
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
    ...open.filter(here).flatMap((job) => STAGES.map((part) => `/jobs/${job.id}/${part}`)),
    // What lies beside the stages looks alike in every job.
    ...open
      .filter(({ title }) => ON_BOTH.test(title))
      .flatMap((job) => ['order', 'supplier', 'kit', 'build'].map((part) => `/jobs/${job.id}/${part}`)),
    ...finished
      .filter(here)
      .flatMap((job) =>
        [
          'measure',
          'specify',
          'fit',
          'bleed',
          'hand-over',
          'order',
          'kit',
          'fit-plan',
          'handover-sheet',
          'log',
        ].map((part) => `/jobs/${job.id}/${part}`),
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

/** A desk on vellum, or a phone at the wheel in the night bay: between them every page is seen on both papers. */
export const SCREENS = {
  desk: { viewport: { width: 1280, height: 800 }, paper: 'light' },
  wheel: { viewport: { width: 390, height: 844 }, paper: 'dark' },
} as const;

/** Rules of axe-core whose outcome can differ on a narrow screen: what is shown, stacked, scrolled or hidden there. */
const OF_WIDTH = [
  'aria-hidden-focus',
  'aria-required-children',
  'aria-required-parent',
  'button-name',
  'color-contrast',
  'label',
  'link-in-text-block',
  'link-name',
  'nested-interactive',
  'scrollable-region-focusable',
  'target-size',
] as const;

/** Tells when a page has come to rest: nothing is on its way to the server, and the page has nothing left to draw. */
class Traffic {
  private readonly underWay = new Set<Request>();

  constructor(private readonly page: Page) {
    page.on('request', (request) => this.underWay.add(request));
    page.on('requestfinished', (request) => this.underWay.delete(request));
    page.on('requestfailed', (request) => this.underWay.delete(request));
  }

  async settle(): Promise<void> {
    await expect
      .poll(
        async () => {
          const idle = this.underWay.size === 0;
          await this.page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)));
          return idle && this.underWay.size === 0;
        },
        { intervals: [20] },
      )
      .toBe(true);
  }
}

/** Loads every page once on its screen. */
export async function scanPages(page: Page, own: Zephyrcombe, screen: keyof typeof SCREENS): Promise<void> {
  await page.setViewportSize(SCREENS[screen].viewport);
  await page.emulateMedia({ colorScheme: SCREENS[screen].paper });
  await watchShifts(page);
  const traffic = new Traffic(page);
  await page.goto(`${own.address}/sign-in`);
  await expect(page.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible();
  await expectAccessible(page);
  await signIn(page, own);
  for (const path of await pagesOf(own, screen))
    await test.step(path, async () => {
      await page.goto(own.address + path);
      await expect(page.locator('main h1, main h2, main p').first()).toBeVisible();
      await traffic.settle();
      // What does not change with the width of the screen is looked at once, at the desk.
      await expectAccessible(page, screen === 'wheel' ? OF_WIDTH : undefined);
      const wider = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(wider).toBeLessThanOrEqual(0);
      const shift = await page.evaluate(() => (window as unknown as { shift: number }).shift);
      expect(shift).toBeLessThan(0.02);
    });
}
