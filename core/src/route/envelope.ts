/**
 * A piece of hose between two grips over the whole movement of its vehicle: every pose solved from its solved neighbour, so that it
 * is the same branch of shapes as when it was installed.
 */
import { distanceBetween } from '../geometry/vector.ts';
import { tightestBend } from './measures.ts';
import type { RigGrid, RigPose } from './rig.ts';
import type { RodEnds, RodShape } from './rod.ts';
import { solveRod } from './rod.ts';

/** The clamped ends of a span in a pose. */
export type EndsAt = (pose: RigPose) => RodEnds;

/** The spans of one piece between two grips in a pose, from their shapes in one near it: more than one where it runs through guides. */
export type PieceAt = (
  pose: RigPose,
  near?: readonly RodShape[],
  /** The same pose before something was moved: what that did not touch is taken over as it is. */
  was?: readonly SpanPose[],
) => readonly SpanPose[];

/** A piece without a guide; `moves`: its two holds move against each other on the vehicle. */
export const freeSpan =
  (endsAt: EndsAt, moves = true): PieceAt =>
  (pose, near, was) => {
    const ends = endsAt(pose);
    return was?.[0] && areAlike(was[0].ends, ends) ? was : [spanAt(ends, near?.[0], moves)];
  };

/** To the last digit: worked out from the same figures in the same way. */
function areAlike(a: RodEnds, b: RodEnds): boolean {
  if (a.length_m !== b.length_m || a.stiffs || b.stiffs) return false;
  for (let axis = 0; axis < 3; axis += 1)
    if (
      a.start.point_m[axis] !== b.start.point_m[axis] ||
      a.end.point_m[axis] !== b.end.point_m[axis] ||
      a.start.tangent[axis] !== b.start.tangent[axis] ||
      a.end.tangent[axis] !== b.end.tangent[axis]
    )
      return false;
  return true;
}

export interface SpanPose {
  readonly ends: RodEnds;
  readonly shape: RodShape;
  /** Null where the shape is not one to show, or the hose is all but taut. */
  readonly radius_m: number | null;
  /** Chord over free length of holds that move against each other: 1 is a straight, pulled hose. Zero where nothing moves and the hose reaches. */
  readonly chordRatio: number;
  /** The movement left the neighbour's shape for another one: on the vehicle the hose jumps. */
  readonly snapped: boolean;
}

/** Beyond this a radius says nothing: the bend sits in the last millimetres at the ferrules. */
export const TAUT_RATIO = 0.97;
/** More steps than this between neighbours, or any that had to be shifted, and the way between is looked at closer. */
const CALM_ITERATIONS = 6;
/** Halvings of the way between two neighbours before a jump is believed. */
const HALVINGS = 4;

/**
 * A span in one pose, from a shape near it. Where the holds of a span move against each other, its chord over its length is
 * judged: pulled nearly straight it has no reserve. Where they stand still against each other, a straight hose is no fault:
 * only one that does not reach is told by its ratio, and otherwise its bend says what is the matter.
 */
export function spanAt(ends: RodEnds, from?: RodShape, moves = true): SpanPose {
  const shape = solveRod(ends, from);
  const ratio = distanceBetween(ends.start.point_m, ends.end.point_m) / Math.max(ends.length_m, 1e-9);
  const isShown = shape.status === 'converged' && (!moves || ratio <= TAUT_RATIO);
  return {
    ends,
    shape,
    radius_m: isShown ? tightestBend(ends, shape).radius_m : null,
    chordRatio: moves || shape.status === 'tooShort' ? ratio : 0,
    snapped: false,
  };
}

const shapesOf = (spans: readonly SpanPose[]) => spans.map(({ shape }) => shape);
const isSolved = (spans: readonly SpanPose[]) => spans.every(({ shape }) => shape.status === 'converged');
const jumped = (spans: readonly SpanPose[]) => spans.map((span) => ({ ...span, snapped: true }));

/**
 * Every pose of the grid, in its order. `near`, the installed pose at a neighbouring length, keeps the shape on its
 * branch when only the length was changed.
 */
export function solveEnvelope(
  pieceAt: PieceAt,
  grid: RigGrid,
  near?: readonly RodShape[],
): readonly (readonly SpanPose[])[] {
  const solved = new Map<number, readonly SpanPose[]>();
  const first = grid.poses[grid.installed];
  if (!first) return [];
  // A step in length is not a movement of the vehicle: it cannot snap.
  solved.set(grid.installed, pieceAt(first, near));
  const waiting = [grid.installed];
  for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
    const [from, here] = [grid.poses[next], solved.get(next)];
    if (!from || !here) continue;
    for (const at of neighbours(next, grid)) {
      const to = grid.poses[at];
      if (!to || solved.has(at)) continue;
      solved.set(at, moved(pieceAt, from, to, here, HALVINGS));
      waiting.push(at);
    }
  }
  return grid.poses.map((_pose, index) => solved.get(index) ?? []);
}

/**
 * Every pose again from its own shape at a neighbouring length: several times faster than from pose to pose, and all a drag
 * needs. Whether the hose jumps between poses is kept as it was found. A shape that would not come quietly means that the
 * step was too long for that: then the whole envelope is solved anew.
 */
export function followEnvelope(
  pieceAt: PieceAt,
  grid: RigGrid,
  before: readonly (readonly SpanPose[])[],
): readonly (readonly SpanPose[])[] {
  const near = shapesOf(before[grid.installed] ?? []);
  const solved: (readonly SpanPose[])[] = [];
  for (const [index, pose] of grid.poses.entries()) {
    const was = before[index] ?? [];
    if (!isSolved(was)) return solveEnvelope(pieceAt, grid, near);
    const here = pieceAt(pose, shapesOf(was), was);
    if (here === was) {
      solved.push(was);
      continue;
    }
    if (here.some(({ shape }) => shape.status === 'converged' && shape.shifted))
      return solveEnvelope(pieceAt, grid, near);
    solved.push(here.map((span, at) => ({ ...span, snapped: was[at]?.snapped ?? false })));
  }
  return solved;
}

/** From a solved pose to its neighbour; in halves where the way is not a calm one. */
function moved(
  pieceAt: PieceAt,
  from: RigPose,
  to: RigPose,
  here: readonly SpanPose[],
  halvings: number,
): readonly SpanPose[] {
  const there = pieceAt(to, shapesOf(here));
  const isCalm = there.every(({ shape }) => shape.status !== 'converged' || isCalmStep(shape));
  if (isCalm || !isSolved(here)) return there;
  if (halvings === 0) return jumped(there);
  const middle = { across: (from.across + to.across) / 2, down: (from.down + to.down) / 2 };
  const half = moved(pieceAt, from, middle, here, halvings - 1);
  if (half.some(({ snapped }) => snapped)) return jumped(pieceAt(to, shapesOf(half)));
  return moved(pieceAt, middle, to, half, halvings - 1);
}

const isCalmStep = (shape: RodShape) => !shape.shifted && shape.iterations <= CALM_ITERATIONS;

function neighbours(at: number, { columns, poses }: RigGrid): readonly number[] {
  const column = at % columns;
  return [
    ...(column > 0 ? [at - 1] : []),
    ...(column < columns - 1 ? [at + 1] : []),
    at - columns,
    at + columns,
  ].filter((other) => other >= 0 && other < poses.length);
}
