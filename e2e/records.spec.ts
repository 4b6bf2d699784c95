/** What a job keeps: judgements by their buttons, and what became of a job that was given up. */
import { choose } from './support/fields.ts';
import type { Zephyrcombe } from './support/zephyrcombe.ts';
import { expect, signIn, test } from './support/zephyrcombe.ts';
import { doneUpTo } from './support/fitting.ts';

async function outfitJob(own: Zephyrcombe): Promise<string> {
  const [job] = await own.query<{ id: string }>(`SELECT id FROM job WHERE title LIKE 'Raised bars%'`);
  if (!job) throw new Error('no job on the outfit');
  return job.id;
}

const judgements = async (own: Zephyrcombe, jobId: string) =>
  (
    await own.query<{ kind: string }>(
      `SELECT kind FROM log_entry WHERE jobId = '${jobId}' AND kind IN ('donorChecked', 'routeJudged', 'lineJudged') ORDER BY sequence`,
    )
  ).map(({ kind }) => kind);

test('donor check, route verdict and hard line are kept by their buttons, once each, and stand in the log', async ({
  page,
  own,
}) => {
  const jobId = await outfitJob(own);
  await signIn(page, own);
  await page.goto(`${own.address}/jobs/${jobId}/measure`);
  await expect(page.getByTestId('order-length')).toHaveText(/742/);

  const keepRoute = page.getByRole('button', { name: 'Keep the route’s verdict with the job' });
  await keepRoute.click();
  await expect(page.getByText('It stands in the job’s log.')).toHaveCount(1);
  await expect(keepRoute).toBeDisabled();

  await page.getByRole('button', { name: 'Check a donor hose' }).click();
  const length = page.getByLabel(/^Its length/);
  await length.fill('717 mm');
  const keepDonor = page.getByRole('button', { name: 'Keep this check with the job' });
  await keepDonor.click();
  await expect(keepDonor).toBeDisabled();
  // Another hose from the shelf is another check.
  await length.fill('755 mm');
  await expect(keepDonor).toBeEnabled();
  await keepDonor.click();
  await expect(keepDonor).toBeDisabled();

  await page.goto(`${own.address}/bench/hard-line?legs=200+mm;200+mm&bends=90°&rolls=&of=copperNickel`);
  const keepLine = page.getByRole('button', { name: 'Keep what was judged with the job' });
  await expect(keepLine).toBeHidden();
  await choose(page.getByLabel('Made for the job'), jobId);
  await keepLine.click();
  await expect(keepLine).toBeDisabled();

  expect(await judgements(own, jobId)).toEqual(['routeJudged', 'donorChecked', 'donorChecked', 'lineJudged']);
  await page.goto(`${own.address}/jobs/${jobId}/log`);
  await expect(page.getByText(/a hose of 717\smm, it will not do/)).toBeVisible();
  await expect(page.getByText(/a hose of 755\smm, it will do/)).toBeVisible();
});

test('a tick that was taken back is asked about when the job is given up', async ({ page, own }) => {
  await signIn(page, own);
  const [job] = await own.query<{ id: string; version: number }>(
    `SELECT id, version FROM job WHERE title LIKE 'Front hose round%'`,
  );
  const address = `${own.address}/jobs/${job?.id}`;
  await page.goto(`${address}/fit`);
  const step = page.getByTestId('step').getByRole('heading').first();
  await doneUpTo(page, /^Hold the new front hose against its route/);
  await expect(step).toHaveText('Suck the front reservoir empty');
  // What no hose is specified for is not opened.
  await expect(page.getByTestId('done')).toBeDisabled();
  await own.query(
    `UPDATE job_hose SET order_m = 0.942, specified = 1, specification = NULL WHERE jobId = '${job?.id}'`,
  );
  await own.query(`UPDATE job SET revision = revision + 1 WHERE id = '${job?.id}'`);
  await page.reload();
  await doneUpTo(page, /^Suck the front reservoir empty/);
  const undone = page.waitForResponse((reply) => reply.request().method() === 'DELETE');
  await page.getByRole('button', { name: 'Undo' }).click();
  expect((await undone).status()).toBe(200);
  await expect(step).toHaveText('Suck the front reservoir empty');

  await page.goto(`${address}/look-over`);
  await page.getByRole('button', { name: 'Abandon this job' }).click();
  await page.getByLabel('Why it is given up').fill('The keeper sold it');
  const done = page.getByRole('button', { name: 'Abandon it' });
  await expect(done).toBeDisabled();
  await expect(page.getByText('Say which of the two it is.')).toBeVisible();
  await page.getByText('Ticked by mistake: nothing was opened').click();
  // The words stand in the field as well: the page is left when it is written.
  const written = page.waitForResponse((response) => response.url().endsWith('/abandon'));
  await done.click();
  expect((await written).status()).toBe(200);
  await expect(page.getByText('The keeper sold it').first()).toBeVisible();
  await page.goto(`${address}/log`);
  await expect(page.getByText(/ticked by mistake before, nothing was opened/)).toBeVisible();
});
