/** A hose on an order: its ends at true size with their necks bent as ordered, the hose between them shortened, what is on it in its place. */
import type { Mark, Place } from '@zephyrcombe/core';
import { circle, dimension, loop, moved, path, words } from '@zephyrcombe/core';
import type { OrderHose } from '@zephyrcombe/contract';
import type { Writer } from '@zephyrcombe/messages';
import { ALONG_NAMES } from '@zephyrcombe/messages';
import { CLOCKING_m, clockingMarks } from './clockingDrawing.ts';
import { textWidth_m } from './letterWidths.ts';
import { broken } from './sheet.ts';

/** Of our example ends, where the order does not say. */
const EYE_OUTSIDE_m = 0.0085;
const EYE_HOLE_m = 0.0102;
const EYE_THICKNESS_m = 0.008;
const NECK_m = 0.0022;
const FERRULE_m = 0.0055;
const THREAD_m = 0.005;
const LETTER_m = 0.0028;

type End = OrderHose['endA'];

const along = ([x, y]: Place, [dx, dy]: Place, by_m: number): Place => [x + dx * by_m, y + dy * by_m];

/** Two lines either side of a way with one corner in it, so far from its middle. */
function beside(from: Place, corner: Place, to: Place, half_m: number): readonly Mark[] {
  const normal = (a: Place, b: Place): Place => {
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    return [-(b[1] - a[1]) / length, (b[0] - a[0]) / length];
  };
  const [n1, n2] = [normal(from, corner), normal(corner, to)];
  // Where the two offset lines meet; a turn right back does not occur.
  const share = 1 / (1 + n1[0] * n2[0] + n1[1] * n2[1]);
  return [1, -1].map((side) =>
    path(
      'outline',
      along(from, n1, side * half_m),
      along(corner, [(n1[0] + n2[0]) * share, (n1[1] + n2[1]) * share], side * half_m),
      along(to, n2, side * half_m),
    ),
  );
}

/** The eye seen along its bolt, or on edge where its neck bends across it; the thread of a threaded end. */
function pointMarks(end: End, at: Place, outward: Place): readonly Mark[] {
  const across: Place = [-outward[1], outward[0]];
  const box = (back_m: number, front_m: number, half_m: number): Mark =>
    loop(
      'outline',
      along(along(at, outward, -back_m), across, half_m),
      along(along(at, outward, front_m), across, half_m),
      along(along(at, outward, front_m), across, -half_m),
      along(along(at, outward, -back_m), across, -half_m),
    );
  if (end.family === 'threaded') {
    const half_m = end.gender === 'female' ? THREAD_m * 1.25 : THREAD_m;
    // The crests of the thread, up to the end of it.
    const crests = [0.002, 0.004, 0.006, 0.008].map((back_m) =>
      path(
        'grid',
        along(along(at, outward, -back_m), across, half_m),
        along(along(at, outward, -back_m - 0.001), across, -half_m),
      ),
    );
    return [box(0.01, 0, half_m), ...(end.gender === 'female' ? [] : crests)];
  }
  const isOnEdge = end.neckAngle_rad > 0 && end.bendPlane === 'acrossEye';
  if (!isOnEdge)
    return [circle('outline', at, EYE_OUTSIDE_m), circle('outline', at, (end.eyeBore_m ?? EYE_HOLE_m) / 2)];
  // On edge: the bolt goes through across the way of the neck; its axis is told beside the eye, not through it.
  return [
    box(EYE_OUTSIDE_m, EYE_OUTSIDE_m, EYE_THICKNESS_m / 2),
    ...[1, -1].map((side) =>
      path(
        'centre',
        along(at, across, side * (EYE_THICKNESS_m / 2 + 0.001)),
        along(at, across, side * (EYE_THICKNESS_m / 2 + 0.006)),
      ),
    ),
  ];
}

/** How far back from its sealing point the solid part of an end reaches. */
const bodyOf_m = (end: End): number => (end.family === 'threaded' ? 0.01 : EYE_OUTSIDE_m);

/** An end at true size, the face of its ferrule at nothing and the hose going on to the right. */
function endMarks(end: End): readonly Mark[] {
  const toBend_m = end.takeOff_m - end.beyondBend_m;
  const bend: Place = [-toBend_m, 0];
  const outward: Place = [-Math.cos(end.neckAngle_rad), Math.sin(end.neckAngle_rad)];
  const point = along(bend, outward, end.beyondBend_m);
  const crimp_m = Math.min(toBend_m || end.takeOff_m, 0.016) * 0.75;
  const isBent = end.neckAngle_rad > 0 && end.beyondBend_m > bodyOf_m(end);
  const body = along(point, outward, -bodyOf_m(end));
  // A straight neck, or one that bends at the eye itself, runs up to the body and not into it.
  const straightTo: Place = [Math.min(-crimp_m, bodyOf_m(end) - end.takeOff_m), 0];
  return [
    loop('outline', [-crimp_m, FERRULE_m], [0, FERRULE_m], [0, -FERRULE_m], [-crimp_m, -FERRULE_m]),
    ...(isBent
      ? beside([-crimp_m, 0], bend, body, NECK_m)
      : end.neckAngle_rad > 0
        ? beside([-crimp_m, 0], bend, along(bend, outward, 1e-5), NECK_m)
        : beside([-crimp_m, 0], straightTo, [straightTo[0] - 1e-5, 0], NECK_m)),
    ...pointMarks(end, point, outward),
  ];
}

/** The farthest that a true-size end reaches behind its ferrule, and above the hose. */
const reachOf_m = (end: End): number => end.takeOff_m + EYE_OUTSIDE_m;

const mirrored = (mark: Mark, at_m: number): Mark => {
  const flip = ([x, y]: Place): Place => [2 * at_m - x, y];
  switch (mark.kind) {
    case 'path':
      return { ...mark, points_m: mark.points_m.map(flip) };
    case 'arc':
      return {
        ...mark,
        centre_m: flip(mark.centre_m),
        from_rad: Math.PI - mark.to_rad,
        to_rad: Math.PI - mark.from_rad,
      };
    case 'text':
      return { ...mark, at_m: flip(mark.at_m) };
  }
};

/** Height that a hose takes on its page. */
export const ORDER_DRAWING_m = 0.112;
const NOTE =
  'Ends at true size, each in the plane of its own bend; the hose between them is shortened. How they lie to each other: see the clocking, seen along the hose from end A.';

/** Below its top left corner. The hose breaks in its middle: it is not to scale, and its length stands on its dimension. */
export function orderDrawing(
  hose: OrderHose,
  [left, top]: Place,
  width_m: number,
  write: Writer,
): readonly Mark[] {
  const y = top - 0.054;
  const right = left + width_m;
  const beginsAt = left + reachOf_m(hose.endA) + 0.004;
  const endsAt = right - reachOf_m(hose.endB) - 0.004;
  const half_m = Math.min(0.006, hose.outside_m / 2);
  const middle = (beginsAt + endsAt) / 2;
  const gap_m = 0.003;
  const scale = (endsAt - beginsAt) / hose.freeLength_m;
  const parts = hose.along.flatMap((part, index): readonly Mark[] => {
    const x = beginsAt + (part.from_m - hose.endA.takeOff_m) * scale;
    const wide_m = Math.max(0.003, part.length_m * scale);
    const tall_m = part.kind === 'clip' ? 0.0075 : half_m + 0.0012;
    const start = part.kind === 'clip' ? x - wide_m / 2 : x;
    const name = ALONG_NAMES[part.kind];
    // Names that would stand on each other take turns on three lines.
    const line = y - 0.013 - (index % 3) * 0.0045;
    const centre = Math.min(
      right - textWidth_m(name, LETTER_m) / 2,
      Math.max(left + textWidth_m(name, LETTER_m) / 2, start + wide_m / 2),
    );
    return [
      loop(
        'outline',
        [start, y - tall_m],
        [start + wide_m, y - tall_m],
        [start + wide_m, y + tall_m],
        [start, y + tall_m],
      ),
      path('grid', [start + wide_m / 2, y - tall_m - 0.001], [start + wide_m / 2, line + 0.0034]),
      words([centre, line], name, { anchor: 'middle' }),
    ];
  });
  const breaks = [-1, 1].map((side) =>
    path(
      'outline',
      [middle + side * gap_m - 0.0012, y - half_m - 0.003],
      [middle + side * gap_m + 0.0012, y + half_m + 0.003],
    ),
  );
  return [
    ...[half_m, -half_m].flatMap((off) => [
      path('outline', [beginsAt, y + off], [middle - gap_m, y + off]),
      path('outline', [middle + gap_m, y + off], [endsAt, y + off]),
    ]),
    ...breaks,
    ...endMarks(hose.endA).map((mark) => moved(mark, [beginsAt, y])),
    ...endMarks(hose.endB)
      .map((mark) => mirrored(mark, 0))
      .map((mark) => moved(mark, [endsAt, y])),
    ...parts,
    words([left, y - 0.031], `A: ${hose.endA.at}`),
    words([right, y - 0.031], `B: ${hose.endB.at}`, { anchor: 'end' }),
    ...dimension(
      [beginsAt, y - 0.034],
      [endsAt, y - 0.034],
      -0.006,
      `${write.length(hose.freeLength_m)} of hose`,
    ),
    ...broken(NOTE, width_m).map((line, index) => words([left, y - 0.047 - index * 0.0045], line)),
    // In the middle, where no end reaches.
    ...(hose.clocking_rad === null ? [] : clockingMarks(hose.clocking_rad, [middle, top - CLOCKING_m / 2])),
  ];
}
