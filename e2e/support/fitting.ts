/** The plan of fitting as a person works it: a step is chosen in the list, and everything up to it is done. */
import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

export async function doneUpTo(page: Page, title: RegExp): Promise<void> {
  const all = page.getByRole('button', { name: /^all \d+ steps that are left$/ });
  if (await all.isVisible()) await all.click();
  await page.getByRole('listitem').getByRole('button', { name: title }).first().click();
  const step = page.getByTestId('step');
  await expect(step.getByRole('heading').first()).toHaveText(title);
  const many = step.getByRole('button', { name: /steps up to here are done$/ });
  const written = page.waitForResponse((reply) => reply.url().endsWith('/fit-steps'));
  await ((await many.isVisible()) ? many : step.getByTestId('done')).click();
  expect((await written).status()).toBe(200);
}
