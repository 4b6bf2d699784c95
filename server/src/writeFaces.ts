/* oxlint-disable no-console -- a command for the terminal */
/** Writes how wide each letter of the files' typefaces is, for whoever breaks lines before a file is made. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FACES } from './features/drawings/faces.ts';

/** Of the private use area, of no letter, and what is not seen: nobody types them. */
const NO_LETTER = /[\p{C}\p{Zl}\p{Zp}]/u;

const widths = new Map<number, number[]>();
const seen = new Set<number>();
for (const { font } of FACES)
  for (const point of font.characterSet) {
    if (seen.has(point) || NO_LETTER.test(String.fromCodePoint(point))) continue;
    seen.add(point);
    const width = Math.round((font.glyphForCodePoint(point).advanceWidth / font.unitsPerEm) * 1000);
    widths.set(width, [...(widths.get(width) ?? []), point]);
  }

/** As letterWidths.ts reads them: in base 36 how far from the last one, and after a hyphen how many more follow. */
function ranges(points: readonly number[]): string {
  const parts: string[] = [];
  let [from, to, before] = [-1, -1, 0];
  const close = () => {
    if (from < 0) return;
    parts.push((from - before).toString(36) + (to > from ? `-${(to - from).toString(36)}` : ''));
    before = to;
  };
  for (const point of [...points].sort((a, b) => a - b)) {
    if (point === to + 1) to = point;
    else {
      close();
      [from, to] = [point, point];
    }
  }
  close();
  return parts.join(' ');
}

const lines = [...widths]
  .sort(([a], [b]) => a - b)
  .map(([width, points]) => `  ${width}: '${ranges(points)}',`);
const file = join(import.meta.dirname, '../../documents/src/faceWidths.ts');
writeFileSync(
  file,
  `/** Written by \`npm run faces\` from the typefaces that files carry; read by letterWidths.ts, which says how. */
export const FACE_WIDTHS: Readonly<Record<number, string>> = {
${lines.join('\n')}
};
`,
);
console.log(`Written: ${file}, ${seen.size} letters`);
