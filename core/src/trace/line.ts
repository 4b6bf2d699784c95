/** What a traced line measures: its length, its legs and its bends. */
import type { Point } from './plane.ts';

export type TraceLine = 'straight' | 'smooth';

export interface LineFigures {
  readonly length_m: number;
  /** From point to point, along the line. */
  readonly legs_m: readonly number[];
  /** How far the line turns at each point but the first and the last; of a smooth line, about that point. */
  readonly turns_rad: readonly number[];
  /** Of a smooth line; null where it does not bend, and for straight legs. */
  readonly tightest_m: number | null;
  /** Between the direction it starts in and the one it ends in. */
  readonly betweenEnds_rad: number;
  /** The line as it was measured, fine enough to draw. */
  readonly line_m: readonly Point[];
}

/** Enough that the chords of a quarter circle through three points are short of its arc by less than 0.01 %. */
const STEPS = 48;
/** A radius beyond this is as good as straight on a bench. */
const STRAIGHT_m = 20;

const minus = (to: Point, from: Point): Point => ({ x: to.x - from.x, y: to.y - from.y });
const distance = (from: Point, to: Point) => Math.hypot(to.x - from.x, to.y - from.y);
const total = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0);

/** Between two directions, from 0 to π. */
const angleBetween = (from: Point, to: Point) =>
  Math.abs(Math.atan2(from.x * to.y - from.y * to.x, from.x * to.x + from.y * to.y));

export function measureLine(points: readonly Point[], kind: TraceLine): LineFigures {
  const pieces = kind === 'straight' ? straightPieces(points) : smoothPieces(points);
  const line_m = [
    ...pieces.map(([first]) => first ?? { x: 0, y: 0 }).slice(0, 1),
    ...pieces.flatMap((piece) => piece.slice(1)),
  ];
  const legs_m = pieces.map((piece) =>
    total(piece.slice(1).map((to, index) => distance(piece[index] ?? to, to))),
  );
  const [first, second] = line_m;
  const [beforeLast, last] = line_m.slice(-2);
  return {
    length_m: total(legs_m),
    legs_m,
    turns_rad: points.slice(1, -1).map((at, index) => {
      const before = points[index] ?? at;
      const after = points[index + 2] ?? at;
      return angleBetween(minus(at, before), minus(after, at));
    }),
    tightest_m: kind === 'straight' ? null : tightest(points),
    betweenEnds_rad:
      first && second && beforeLast && last ? angleBetween(minus(second, first), minus(last, beforeLast)) : 0,
    line_m,
  };
}

const straightPieces = (points: readonly Point[]): readonly (readonly Point[])[] =>
  points.slice(1).map((to, index) => [points[index] ?? to, to]);

/**
 * A centripetal Catmull-Rom spline through the points: it neither loops nor overshoots between points that lie close
 * (Yuksel, Schaefer and Keyser, On the parameterization of Catmull-Rom curves, 2009).
 */
function smoothPieces(points: readonly Point[]): readonly (readonly Point[])[] {
  if (points.length < 3) return straightPieces(points);
  const [first, second] = points;
  const [beforeLast, last] = points.slice(-2);
  if (!first || !second || !beforeLast || !last) return [];
  // Beyond its ends the line goes on as the circle through the three points there does.
  const all = [
    ghost(points[2] ?? second, second, first),
    ...points,
    ghost(points.at(-3) ?? beforeLast, beforeLast, last),
  ];
  return points.slice(1).map((_, index) => piece(all.slice(index, index + 4)));
}

/** The mirror image of the last but two in the line that halves the last leg at right angles. */
function ghost(far: Point, near: Point, end: Point): Point {
  const leg = minus(end, near);
  const square = leg.x * leg.x + leg.y * leg.y;
  const middle = { x: (near.x + end.x) / 2, y: (near.y + end.y) / 2 };
  const along = square === 0 ? 0 : ((far.x - middle.x) * leg.x + (far.y - middle.y) * leg.y) / square;
  return { x: far.x - 2 * along * leg.x, y: far.y - 2 * along * leg.y };
}

function piece(quad: readonly Point[]): readonly Point[] {
  const [p0, p1, p2, p3] = quad;
  if (!p0 || !p1 || !p2 || !p3) return [];
  const knot = (from: Point, to: Point) => Math.max(Math.sqrt(distance(from, to)), 1e-9);
  const t1 = knot(p0, p1);
  const t2 = t1 + knot(p1, p2);
  const t3 = t2 + knot(p2, p3);
  const mix = (from: Point, to: Point, start: number, stop: number, t: number): Point => {
    const share = (t - start) / (stop - start);
    return { x: from.x + share * (to.x - from.x), y: from.y + share * (to.y - from.y) };
  };
  return Array.from({ length: STEPS + 1 }, (_, step) => {
    const t = t1 + ((t2 - t1) * step) / STEPS;
    const a1 = mix(p0, p1, 0, t1, t);
    const a2 = mix(p1, p2, t1, t2, t);
    const a3 = mix(p2, p3, t2, t3, t);
    return mix(mix(a1, a2, 0, t2, t), mix(a2, a3, t1, t3, t), t1, t2, t);
  });
}

/** The least radius of the circles through three neighbouring points: what was set, not what the spline makes of it. */
function tightest(points: readonly Point[]): number | null {
  const radii_m = points.slice(1, -1).map((at, index) => {
    const before = points[index] ?? at;
    const after = points[index + 2] ?? at;
    const twiceArea = Math.abs(
      (at.x - before.x) * (after.y - before.y) - (at.y - before.y) * (after.x - before.x),
    );
    return (distance(before, at) * distance(at, after) * distance(after, before)) / (2 * twiceArea);
  });
  const least_m = Math.min(Infinity, ...radii_m);
  return least_m < STRAIGHT_m ? least_m : null;
}
