/** How wide a text is on paper in the typefaces that the files carry, and which letters they have. */
import { FACE_WIDTHS } from './faceWidths.ts';

let known: ReadonlyMap<number, number> | null = null;

/**
 * Letter to width, thousandths of the size. Of each width the letters stand in base 36, one after the other: how far from the
 * last one, and after a hyphen how many more follow without a gap.
 */
function widths(): ReadonlyMap<number, number> {
  if (known) return known;
  const read = new Map<number, number>();
  for (const [width, letters] of Object.entries(FACE_WIDTHS)) {
    let point = 0;
    for (const part of letters.split(' ')) {
      const [gap = '0', more = '0'] = part.split('-');
      point += parseInt(gap, 36);
      const last = point + parseInt(more, 36);
      for (; point < last; point += 1) read.set(point, Number(width));
      read.set(last, Number(width));
    }
  }
  known = read;
  return read;
}

/** Of the box that stands for a letter that no face has, in thousandths of the size. */
export const BOX_WIDTH = 600;
/** Height of the capitals over the size; drawings give the height. */
export const CAPITALS = 0.67;
const UNSEEN = /\p{Cf}/gu;

const lettersOf = (text: string): readonly string[] => Array.from(text.normalize('NFC').replace(UNSEEN, ''));

export const textWidth_m = (text: string, height_m: number): number =>
  (lettersOf(text).reduce((sum, letter) => sum + (widths().get(letter.codePointAt(0) ?? 0) ?? BOX_WIDTH), 0) /
    1000) *
  (height_m / CAPITALS);

/** Letters that no typeface of the files has, each once: an empty box stands for them on paper. Line breaks are no letters. */
export const notOnPaper = (text: string): readonly string[] => [
  ...new Set(
    lettersOf(text.replace(/[\n\r\t]/g, '')).filter((letter) => !widths().has(letter.codePointAt(0) ?? 0)),
  ),
];
