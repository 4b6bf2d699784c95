/** The typefaces that files carry, and which of them sets a letter: Latin with all its marks, Greek and Cyrillic. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Font } from 'fontkit';
import { create } from 'fontkit';

const require = createRequire(import.meta.url);

interface Face {
  readonly name: string;
  readonly bytes: Buffer;
  readonly font: Font;
}

function face(family: string, subset: string): Face {
  const name = `${family}-${subset}`;
  const bytes = readFileSync(require.resolve(`@fontsource/${family}/files/${name}-400-normal.woff`));
  const font = create(bytes);
  if (!('hasGlyphForCodePoint' in font)) throw new Error(`${name} is a collection of faces`);
  return { name, bytes, font };
}

/** Asked in this order: the pages' own face first, then one that has the rest. */
export const FACES: readonly Face[] = [
  ...['latin', 'latin-ext'].map((subset) => face('atkinson-hyperlegible-next', subset)),
  ...['latin-ext', 'latin', 'vietnamese', 'greek', 'greek-ext', 'cyrillic', 'cyrillic-ext'].map((subset) =>
    face('noto-sans', subset),
  ),
];

export interface Run {
  readonly text: string;
  /** Null where no face has it: an empty box stands for each of its letters. */
  readonly face: Face | null;
}

const clusters = new Intl.Segmenter('en', { granularity: 'grapheme' });
/** Joiners and the like are not seen and not set. */
const UNSEEN = /\p{Cf}/gu;

const faceOf = (letters: string): Face | null =>
  FACES.find(({ font }) =>
    Array.from(letters).every((letter) => font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0)),
  ) ?? null;

/** A text in pieces of one face each; a letter is not torn from its marks. */
export function runsOf(line: string): readonly Run[] {
  const runs: { text: string; face: Face | null }[] = [];
  for (const { segment } of clusters.segment(line.normalize('NFC').replace(UNSEEN, ''))) {
    const whole = faceOf(segment);
    // Where no face has a letter together with its marks, each is set in the face that has it.
    for (const text of whole === null ? Array.from(segment) : [segment]) {
      const own = whole ?? faceOf(text);
      const last = runs.at(-1);
      if (last && last.face === own && own !== null) last.text += text;
      else runs.push({ text, face: own });
    }
  }
  return runs;
}
