import { choose } from './fields.ts';
import type { Page } from '@playwright/test';
import type { Zephyrcombe } from './zephyrcombe.ts';
import { expect, signIn } from './zephyrcombe.ts';

/** What the first reading of a pose in which the wheel hangs has to say. */
export async function sayHowItIsRead(page: Page): Promise<void> {
  await choose(page.getByLabel('Read from'), { label: 'eye centre to eye centre' });
  const free = page.getByRole('checkbox', { name: /Wheel clear of the floor/ });
  await page.getByText('Wheel clear of the floor, hanging free').click();
  await expect(free).toBeChecked();
}

/** A job of the test's own on the shore bike's front hose, open at Measure: other journeys leave no readings in it. */
export async function startMeasuring(page: Page, own: Zephyrcombe, title: string): Promise<void> {
  await signIn(page, own);
  await page.getByRole('button', { name: 'Start a job' }).click();
  await page.getByRole('button', { name: 'Wick 200 shore bike, SKR 12' }).click();
  await page.getByRole('button', { name: 'All hoses: front brake' }).click();
  await page.getByLabel('What the job is').fill(title);
  await page.getByRole('button', { name: 'Start the job with 1 hose' }).click();
  await page.getByRole('link', { name: /^Measure/ }).click();
}
