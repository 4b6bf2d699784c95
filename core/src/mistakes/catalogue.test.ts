import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MISTAKES } from './catalogue.ts';

/** Every id the catalogue claims is raised by some module and expected by some test of it. */
function sources(folder: string): { readonly code: string; readonly tests: string } {
  let code = '';
  let tests = '';
  for (const entry of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    if (!entry.endsWith('.ts') || entry.startsWith('mistakes')) continue;
    const text = readFileSync(join(folder, entry), 'utf8');
    if (entry.endsWith('.test.ts')) tests += text;
    else code += text;
  }
  return { code, tests };
}

const { code, tests } = sources(join(__dirname, '..'));

test.each(Object.keys(MISTAKES))('%s is raised by the core and triggered in a test', (id) => {
  expect(code).toContain(`id: '${id}'`);
  expect(tests).toContain(`'${id}'`);
});
