/** Lists and days as a person works them: opened, chosen from; typed part by part. */
import type { Locator, Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** Opens a list and takes an entry of it, by its key or by its words. */
export async function choose(field: Locator, wanted: string | { readonly label: string }): Promise<void> {
  await field.click();
  const list = field.page().getByRole('listbox');
  await (
    typeof wanted === 'string'
      ? list.locator(`[data-key=${JSON.stringify(`is:${wanted}`)}]`)
      : list.getByRole('option', { name: wanted.label, exact: true })
  ).click();
  await expect(list).toBeHidden();
}

/** Types a day, given as ISO 8601, into its parts. */
export async function typeDay(at: Page | Locator, label: string, day: string): Promise<void> {
  const [year = '', month = '', date = ''] = day.split('-');
  const field = at.getByRole('group', { name: label });
  for (const [part, text] of [
    ['day', date],
    ['month', month],
    ['year', year],
  ] as const)
    await field.getByRole('spinbutton', { name: new RegExp(`^${part},`) }).pressSequentially(text);
}
