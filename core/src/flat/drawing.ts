/**
 * A flat drawing at true size, whatever it is put out as. Metres; x to the right and y up from the lower left corner of the
 * sheet. Text is one line, in sizes of the letter's height.
 */
export type Place = readonly [number, number];

/** What a line means; how it is drawn is left to whoever draws it. What is closed and `solid` is filled. */
export const PENS = ['outline', 'hidden', 'centre', 'dimension', 'cut', 'grid', 'solid'] as const;
export type Pen = (typeof PENS)[number];

export type Mark =
  | {
      readonly kind: 'path';
      readonly points_m: readonly Place[];
      readonly closed: boolean;
      readonly pen: Pen;
    }
  /** Anticlockwise from one angle to the other, measured from the x axis; a whole circle from 0 to 2π. */
  | {
      readonly kind: 'arc';
      readonly centre_m: Place;
      readonly radius_m: number;
      readonly from_rad: number;
      readonly to_rad: number;
      readonly pen: Pen;
    }
  | {
      readonly kind: 'text';
      readonly at_m: Place;
      readonly text: string;
      readonly height_m: number;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly turn_rad: number;
    };

export interface FlatDrawing {
  readonly width_m: number;
  readonly height_m: number;
  readonly marks: readonly Mark[];
}

export const path = (pen: Pen, ...points_m: readonly Place[]): Mark => ({
  kind: 'path',
  points_m,
  closed: false,
  pen,
});
export const loop = (pen: Pen, ...points_m: readonly Place[]): Mark => ({
  kind: 'path',
  points_m,
  closed: true,
  pen,
});
export const arc = (pen: Pen, centre_m: Place, radius_m: number, from_rad: number, to_rad: number): Mark => ({
  kind: 'arc',
  centre_m,
  radius_m,
  from_rad,
  to_rad,
  pen,
});
export const circle = (pen: Pen, centre_m: Place, radius_m: number): Mark =>
  arc(pen, centre_m, radius_m, 0, 2 * Math.PI);

/** Letters on paper: read at arm's length. */
export const LETTER_m = 0.0028;

export const words = (
  at_m: Place,
  text: string,
  {
    anchor = 'start',
    height_m = LETTER_m,
    turn_rad = 0,
  }: Partial<Omit<Extract<Mark, { kind: 'text' }>, 'kind' | 'at_m' | 'text'>> = {},
): Mark => ({ kind: 'text', at_m, text, height_m, anchor, turn_rad });

/** Turned about the origin, then shifted. */
export function moved(mark: Mark, by_m: Place, turn_rad = 0): Mark {
  const [cosine, sine] = [Math.cos(turn_rad), Math.sin(turn_rad)];
  const at = ([x, y]: Place): Place => [by_m[0] + x * cosine - y * sine, by_m[1] + x * sine + y * cosine];
  switch (mark.kind) {
    case 'path':
      return { ...mark, points_m: mark.points_m.map(at) };
    case 'arc':
      return {
        ...mark,
        centre_m: at(mark.centre_m),
        from_rad: mark.from_rad + turn_rad,
        to_rad: mark.to_rad + turn_rad,
      };
    case 'text':
      return { ...mark, at_m: at(mark.at_m), turn_rad: mark.turn_rad + turn_rad };
  }
}

export interface Extent {
  readonly left_m: number;
  readonly right_m: number;
  readonly bottom_m: number;
  readonly top_m: number;
}

/** What the lines take up; of an arc the whole circle's box, of a text where it stands. */
export function extentOf(marks: readonly Mark[]): Extent {
  let [left_m, right_m, bottom_m, top_m] = [Infinity, -Infinity, Infinity, -Infinity];
  const take = ([x, y]: Place, by_m = 0) => {
    left_m = Math.min(left_m, x - by_m);
    right_m = Math.max(right_m, x + by_m);
    bottom_m = Math.min(bottom_m, y - by_m);
    top_m = Math.max(top_m, y + by_m);
  };
  for (const mark of marks)
    if (mark.kind === 'path') for (const point of mark.points_m) take(point);
    else if (mark.kind === 'arc') take(mark.centre_m, mark.radius_m);
    else take(mark.at_m);
  return { left_m, right_m, bottom_m, top_m };
}

const TICK_m = 0.0012;
const CLEAR_m = 0.001;

/**
 * A dimension between two places, drawn so far to the left of the way from one to the other: two lines out, a line between
 * with ticks, and its text over it, the right way up.
 */
export function dimension(from_m: Place, to_m: Place, offset_m: number, text: string): readonly Mark[] {
  const [dx, dy] = [to_m[0] - from_m[0], to_m[1] - from_m[1]];
  const length_m = Math.hypot(dx, dy);
  // Between a place and itself it lies as on a level line.
  const [ux, uy] = length_m > 0 ? [dx / length_m, dy / length_m] : [1, 0];
  const [nx, ny] = [-uy, ux];
  const out = ([x, y]: Place, by_m: number): Place => [x + nx * by_m, y + ny * by_m];
  const sign = Math.sign(offset_m) || 1;
  const [a, b] = [out(from_m, offset_m), out(to_m, offset_m)];
  const tick = ([x, y]: Place): Mark =>
    path(
      'dimension',
      [x - TICK_m * (ux + nx), y - TICK_m * (uy + ny)],
      [x + TICK_m * (ux + nx), y + TICK_m * (uy + ny)],
    );
  const isBackwards = dx < -1e-12 || (Math.abs(dx) < 1e-12 && dy < 0);
  const turn_rad = Math.atan2(isBackwards ? -dy : dy, isBackwards ? -dx : dx);
  const up = isBackwards ? -1 : 1;
  const middle = out([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], up * CLEAR_m);
  return [
    path('dimension', out(from_m, sign * CLEAR_m), out(from_m, offset_m + sign * CLEAR_m)),
    path('dimension', out(to_m, sign * CLEAR_m), out(to_m, offset_m + sign * CLEAR_m)),
    path('dimension', a, b),
    tick(a),
    tick(b),
    words(middle, text, { anchor: 'middle', turn_rad }),
  ];
}
