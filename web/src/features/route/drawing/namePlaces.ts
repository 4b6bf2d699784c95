/** Where the names of parts stand in a view: none over another, and what finds no room is left to the tables. */

export interface Named {
  readonly text: string;
  readonly x: number;
  readonly y: number;
}

export interface NamePlace extends Named {
  readonly anchor: 'start' | 'end';
}

/** Of a letter of the drawing's fine type on average, and of a line of it. */
const LETTER_px = 6.4;
const LINE_px = 15;
/** Beyond this share of the width a name runs to the left, and before it where it would leave the view. */
const TURNS = 0.7;
/** A line up or down still belongs to its part. */
const TRIES = [0, LINE_px, -LINE_px] as const;
/** The lowest line is the view's own. */
const CAPTION_px = 24;

/** In the order in which they came: the first to ask for a place has it. Null for a name without one. */
export function namePlaces(
  names: readonly (Named | null)[],
  width_px: number,
  height_px: number,
): readonly (NamePlace | null)[] {
  const taken: { readonly left: number; readonly right: number; readonly y: number }[] = [];
  return names.map((name) => {
    if (!name) return null;
    const wide = name.text.length * LETTER_px;
    const isTurned = name.x > width_px * TURNS || name.x + wide > width_px;
    const anchor = isTurned && name.x - wide >= 0 ? 'end' : 'start';
    const [left, right] = anchor === 'end' ? [name.x - wide, name.x] : [name.x, name.x + wide];
    if (right > width_px) return null;
    for (const by of TRIES) {
      const y = name.y + by;
      const isFree = taken.every(
        (other) => right < other.left || left > other.right || Math.abs(y - other.y) >= LINE_px,
      );
      if (!isFree || y < LINE_px || y > height_px - CAPTION_px) continue;
      taken.push({ left, right, y });
      return { ...name, y, anchor };
    }
    return null;
  });
}
