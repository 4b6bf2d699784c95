import { scanPages } from './support/scan.ts';
import { test } from './support/zephyrcombe.ts';

test('every page at the desk on vellum is accessible, fits and does not shift', async ({ page, own }) => {
  test.setTimeout(420_000);
  await scanPages(page, own, 'desk');
});
