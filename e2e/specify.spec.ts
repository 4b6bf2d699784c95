/** Every part of a hose, on paper a supplier or the bench can work from. */
import { choose, typeDay } from './support/fields.ts';
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import type { OrderDocument } from '@zephyrcombe/contract';
import { expectAccessible } from './support/accessibility.ts';
import { startMeasuring } from './support/measuring.ts';
import type { Zephyrcombe } from './support/zephyrcombe.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';

// The routes of the demo as they were drawn: other journeys change them.
test.use({ apart: 'specify' });

async function barsJob(own: Zephyrcombe): Promise<string> {
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'Raised bars%'`);
  return `${own.address}/jobs/${job?.id}`;
}

const saved = async (page: Page, act: () => Promise<void>) => {
  const download = page.waitForEvent('download');
  await act();
  return readFile(await (await download).path());
};

test('from Measure the outfit’s front circuit is specified and ordered in under a dozen actions', async ({
  page,
  own,
}) => {
  const job = await barsJob(own);
  await own.query(`UPDATE job_hose SET specified = 0 WHERE order_m IS NOT NULL`);
  await signIn(page, own);
  await page.goto(`${job}/measure`);
  let actions = 0;
  const press = async (role: 'button' | 'link', name: string | RegExp) => {
    actions += 1;
    await page.getByRole(role, { name, exact: typeof name === 'string' }).click();
  };
  await press('link', /^Specify/);
  await expect(page.getByTestId('route-holds')).toBeVisible();
  await press('button', 'Specify 742 mm');
  await press('button', 'Go to the next hose');
  await press('button', 'Specify 815 mm');
  await press('button', 'Go to the next hose');
  await press('button', 'Specify 1320 mm');
  await expect(page.getByRole('button', { name: 'Go to the order' })).toBeVisible();
  await press('link', 'Order sheet: print, send, parts');
  const document = JSON.parse(
    (await saved(page, () => press('link', 'document (JSON)'))).toString('utf8'),
  ) as OrderDocument;
  const pdf = await saved(page, () => press('link', 'PDF to print or send'));
  expect(actions).toBeLessThan(12);
  expect(document.hoses.map(({ name, length_m }) => [name, length_m])).toEqual([
    ['Left hose', 0.742],
    ['Right hose', 0.815],
    ['Sidecar hose', 1.32],
  ]);
  // The route's own clips came along without anybody putting them there.
  expect(document.hoses[2]?.along.filter(({ kind }) => kind === 'clip')).toHaveLength(2);
  expect(document.parts.map(({ count }) => count).reduce((sum, count) => sum + count, 0)).toBeGreaterThan(10);
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  await expectAccessible(page);
});

test('parts on the hose are moved by keys, judged at once, stepped back and kept', async ({ page, own }) => {
  const job = await barsJob(own);
  await signIn(page, own);
  await page.goto(`${job}/specify`);
  await expect(page.getByTestId('route-holds')).toBeVisible();
  await page.getByRole('button', { name: 'clip', exact: true }).click();
  const clip = page.getByRole('slider', { name: 'clip' });
  const from = Number(await clip.getAttribute('aria-valuenow'));
  await clip.press('ArrowRight');
  await clip.press('Shift+ArrowRight');
  await expect(clip).toHaveAttribute('aria-valuenow', String(from + 11));
  await page.getByLabel('Hole of the clip').fill('9 mm');
  await expect(
    page.getByRole('heading', { name: /^Note: Clip 9\.00\smm on a hose of 7\.50\smm/ }),
  ).toBeVisible();
  await page.getByLabel('Hole of the clip').fill('7 mm');
  await expect(page.getByRole('heading', { name: /^Note: Clip/ })).toBeHidden();
  // A long stiff piece leaves too little hose that bends.
  await page.getByRole('button', { name: 'stiffener', exact: true }).click();
  await page.getByLabel('Its length').fill('560 mm');
  await expect(page.getByRole('heading', { name: /does not lie between the ferrules/ })).toBeVisible();
  await page.getByLabel('Begins, from end A').fill('90 mm');
  await expect(
    page.getByRole('heading', { name: 'Caution: By the kept route this hose does not hold' }),
  ).toBeVisible();
  await page.getByRole('slider', { name: 'stiffener' }).press('Delete');
  await expect(page.getByTestId('route-holds')).toBeVisible();
  await page.getByRole('button', { name: 'one step back' }).click();
  await expect(page.getByRole('slider', { name: 'stiffener' })).toBeVisible();
  await page.getByRole('slider', { name: 'stiffener' }).press('Delete');
  await page.getByRole('button', { name: 'Keep this build' }).click();
  await expect(page.getByRole('button', { name: 'Keep this build' })).toBeHidden();
  await page.reload();
  await expect(page.getByRole('slider', { name: 'clip' })).toHaveAttribute(
    'aria-valuenow',
    String(from + 11),
  );
  await page.getByRole('button', { name: 'Specify 742 mm' }).click();
  await expect(page.getByText('Specified. Any change opens it again.')).toBeVisible();
  await expectAccessible(page);
  // Another bend: what changed is told, and put back it stands again.
  const bend = page.getByLabel(/^End B, .* bend of the/);
  const before = ((await bend.textContent()) ?? '').trim();
  await choose(bend, '90');
  await expect(page.getByText('Changed since it was specified')).toBeVisible();
  await expect(page.getByText(/^end B, bend of the neck: .* → 90/)).toBeVisible();
  await expectAccessible(page);
  await choose(bend, { label: before });
  await expect(page.getByText('Specified. Any change opens it again.')).toBeVisible();
});

test('an end with a tab, a bracket without a washer, a changed production: each is said where it is entered', async ({
  page,
  own,
}) => {
  const job = await barsJob(own);
  await signIn(page, own);
  await page.goto(`${job}/specify`);
  await page.getByRole('button', { name: 'change', exact: true }).click();
  const endB = page.getByRole('group', { name: 'End B', exact: true });
  await endB.getByText('Goes through a bracket').click();
  await expect(
    page.getByRole('heading', { name: 'Caution: Nothing holds end B in its bracket' }),
  ).toBeVisible();
  await endB.getByText('Support washer with it').click();
  await expect(page.getByRole('heading', { name: /^Caution: Nothing holds/ })).toBeHidden();
  await endB.getByLabel('Hole of the eye').fill('12.2 mm');
  await expect(page.getByRole('heading', { name: /^Stop: An eye of 12\.20\smm/ })).toBeVisible();
  await endB.getByLabel('Hole of the eye').fill('10.2 mm');
  await page.getByRole('button', { name: 'production changed over at some time' }).click();
  await typeDay(page, 'This vehicle was built on', '2019-04-11');
  await typeDay(page, 'Changed over from', '2019-06-30');
  await typeDay(page, 'Changed over by', '2019-03-01');
  await expect(page.getByText('Must not be before the first day.')).toBeVisible();
  await typeDay(page, 'Changed over from', '2019-03-01');
  await typeDay(page, 'Changed over by', '2019-06-30');
  await expect(
    page.getByRole('heading', { name: 'Stop: Built while production changed over' }),
  ).toBeVisible();
  await page.getByText('Looked at the vehicle: this is what it has').click();
  await expect(page.getByRole('heading', { name: /^Stop: Built while/ })).toBeHidden();
  await page.getByRole('button', { name: 'leave it as it was' }).click();
});

test('what the supplier sends wrong is found at the bench, and goes back', async ({ page, own }) => {
  await own.startStandIn('parts-supplier');
  const job = await barsJob(own);
  await signIn(page, own);
  await page.goto(`${job}/supplier`);
  await page.getByRole('button', { name: 'Ask for a quote' }).click();
  await page.getByRole('button', { name: 'Order it' }).click();
  await choose(page.getByLabel('What the simulated supplier sends'), 'otherEye');
  await page.getByRole('button', { name: 'Have it sent' }).click();
  await page.getByRole('link', { name: 'Check the kit in' }).click();
  await expect(page.getByTestId('kit-verdict')).toHaveText('–');
  // Checking in belongs to Specify, and the rail says so.
  const stages = page.getByRole('navigation', { name: 'Stages' });
  await expect(stages.locator('[aria-current="page"]')).toContainText('Specify');
  await page.getByRole('button', { name: /^Measure the simulated box/ }).click();
  await expect(page.getByTestId('kit-verdict')).toHaveText('Return');
  await expect(page.getByRole('heading', { name: 'Stop: Return: end B' })).toBeVisible();
  await page.getByLabel('Why, or what is done about it').fill('The eye is 12.2 mm');
  await page.getByRole('button', { name: 'Return this hose' }).click();
  await expect(page.getByText(/^Decided: return \(The eye is 12\.2 mm\)/)).toBeVisible();
  await page.goto(`${job}/supplier`);
  await choose(page.getByLabel('What the simulated supplier sends'), 'none');
  await page.getByRole('button', { name: 'Have it sent again' }).click();
  await page.getByRole('link', { name: 'Check the kit in' }).click();
  await page.getByRole('button', { name: /^Measure the simulated box/ }).click();
  await expect(page.getByTestId('kit-verdict')).toHaveText('Accept');
  await page.getByRole('button', { name: 'Accept this hose' }).click();
  await expect(page.getByText(/^Decided: accept/)).toBeVisible();
  await expectAccessible(page);
});

test('a hose made up here: every step in its turn, proved before it is fitted, with a label', async ({
  page,
  own,
  complaints,
}) => {
  complaints.allow(/422/);
  complaints.allow(/502/);
  const job = await barsJob(own);
  await signIn(page, own);
  await page.goto(`${job}/specify`);
  await page
    .locator('label')
    .filter({ hasText: /^Right hose/ })
    .click();
  await expect(page.getByRole('radio', { name: /^Right hose/ })).toBeChecked();
  await page.getByRole('button', { name: 'change', exact: true }).click();
  await page.getByText('Made up here, from bulk hose and screwed ends').click();
  // What is cut here rests on the ends in the hand, not on an example.
  for (const [end, heading] of [
    ['end A', 'Stop: Take-offs of the end only assumed: End A'],
    ['end B', 'Stop: Take-offs of the end only assumed: End B'],
  ] as const) {
    await expect(page.getByRole('heading', { name: heading })).toBeVisible();
    await page.getByRole('button', { name: `Enter the take-offs of ${end}` }).click();
    const form = page.getByRole('group', { name: `Take-offs of ${end}` });
    await form.getByLabel(/ferrule to the bend/).fill('31 mm');
    await form.getByLabel(/bend to the seal/).fill('0 mm');
    await form.getByLabel(/seal to behind the neck/).fill('25 mm');
    await form.getByText('measured on the end').click();
    await form.getByRole('button', { name: 'Keep these take-offs' }).click();
    await expect(page.getByRole('heading', { name: heading })).toBeHidden();
  }
  await expect(
    page.getByRole('heading', { name: 'Stop: Screwed ends on a vehicle for the road' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Specify 815 mm' }).click();
  await page.getByLabel(/^Only with a reason/).fill('The inspector has seen it and said yes in writing.');
  await page.getByRole('button', { name: 'Go on for this reason' }).click();
  await expect(page.getByText('Specified. Any change opens it again.')).toBeVisible();
  await page.getByRole('link', { name: 'Build sheet: make it up, prove it' }).click();
  await expect(
    page.getByRole('heading', { name: 'Stop: Made up here, and no proof test passed' }),
  ).toBeVisible();
  const done = (name: string) => page.getByRole('button', { name: `Done: ${name}` }).click();
  await page.getByText('ragged or splayed').click();
  await expect(page.getByRole('heading', { name: /^Caution: The cut for end A splays/ })).toBeVisible();
  await page.getByText('square and clean').click();
  await done('bind and cut');
  await done('tap the dust out and blow it through');
  await done('nut of end A on, its thread towards the end');
  await expect(page.getByRole('heading', { name: 'Stop: End A not looked into' })).toBeVisible();
  await page.getByText('Looked under a lamp').click();
  await done('olive of end A home under the braid');
  await choose(page.getByLabel(/^On the threads/), 'oil');
  await page.getByLabel(/^Gap left under the nut/).fill('1 mm');
  await expect(page.getByRole('heading', { name: 'Caution: Stainless on stainless, end A' })).toBeVisible();
  await choose(page.getByLabel(/^On the threads/), 'ptfeGrease');
  await done('join end A');
  await done('slide on what stays on the hose');
  await done('nut of end B on, its thread towards the end');
  await page.getByText('Looked under a lamp').click();
  await done('olive of end B home under the braid');
  await done('turn end B to its clocking');
  await choose(page.getByLabel(/^On the threads/), 'ptfeGrease');
  await page.getByLabel(/^Gap left under the nut/).fill('1 mm');
  await done('join end B');
  await page.getByLabel('Finished length between the sealing points').fill('816 mm');
  await done('measure the finished hose');
  await page.getByLabel('Pressure held').fill('150 bar');
  await page.getByLabel('For how long, seconds').fill('60');
  await page.getByLabel('Gauge, and its check').fill('Bench gauge 2, checked in May');
  await page.getByText('dry, gauge stood still').click();
  await expect(page.getByRole('heading', { name: 'Stop: This is no passed test' })).toBeVisible();
  await page.getByLabel('Pressure held').fill('200 bar');
  await page.getByRole('button', { name: 'Record the proof test' }).click();
  await expect(page.getByRole('heading', { name: /^Stop: Made up here/ })).toBeHidden();
  await expect(page.getByRole('heading', { name: 'Stop: Water left from the proof test' })).toBeVisible();
  await done('blow the water out');
  await done('shrink the labels, cap both ends');
  await expect(page.locator('[data-state="done"]')).toHaveCount(14);
  const label = page.getByRole('img', { name: /^Label: Right hose/ });
  await expect
    .poll(() => label.evaluate((image) => (image as HTMLImageElement).naturalWidth))
    .toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Print a label' }).click();
  await expect(
    page.getByRole('heading', { name: 'Caution: The label printer did not answer' }),
  ).toBeVisible();
  await own.startStandIn('label-printer');
  await page.getByRole('button', { name: 'Print a label' }).click();
  await expect(page.getByText('Label 1 came out of the simulated printer.')).toBeVisible();
  await expectAccessible(page);
});

test('caps are counted on and off; one left in is a stop', async ({ page, own }) => {
  await startMeasuring(page, own, 'Hose for the caps');
  await page.getByRole('link', { name: /^Fit/ }).click();
  const caps = page.getByRole('region', { name: 'Caps and plugs' });
  const opening = caps.getByRole('group', { name: 'Front hose, front caliper' });
  await expect(opening).toContainText('not counted');
  await opening.getByRole('button', { name: 'One is on' }).click();
  await expect(
    caps.getByRole('heading', { name: 'Stop: 1 cap or plug is still in the system' }),
  ).toBeVisible();
  await opening.getByRole('button', { name: /^One more off/ }).click();
  await expect(caps.getByRole('heading', { name: /^Stop/ })).toHaveCount(0);
});
