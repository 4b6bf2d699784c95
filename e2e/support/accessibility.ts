import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

const AXE = createRequire(import.meta.url).resolve('axe-core/axe.min.js');

interface Violation {
  readonly id: string;
  readonly impact: string | null;
  readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary: string }[];
}

/** No serious or critical violation of axe-core's rules, or of the given ones only, on the page as it stands. */
export async function expectAccessible(page: Page, rules?: readonly string[]): Promise<void> {
  // By evaluation, not by a script tag: the page's own content policy forbids foreign scripts.
  if (!(await page.evaluate(() => 'axe' in window))) {
    const { readFile } = await import('node:fs/promises');
    await page.evaluate(await readFile(AXE, 'utf8'));
  }
  const violations = await page.evaluate(
    async (only) => {
      const { axe } = window as unknown as {
        axe: { run(options: object): Promise<{ violations: Violation[] }> };
      };
      return (await axe.run({ resultTypes: ['violations'], ...(only ? { runOnly: only } : {}) })).violations;
    },
    rules && [...rules],
  );
  const serious = violations
    .filter((violation) => violation.impact === 'serious' || violation.impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map((node) => `${node.target.join(' ')} ${node.failureSummary}`).join('; ')}`,
    );
  expect(serious).toEqual([]);
}
