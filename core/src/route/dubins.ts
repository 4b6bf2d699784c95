/**
 * The shortest way between two clamped ends that nowhere bends tighter than a radius: a lower bound for a hose, never a
 * safe length, because a free hose of that length bends tighter (L. E. Dubins, American Journal of Mathematics 79, 1957).
 */
import type { Vector } from '../geometry/vector.ts';
import { add, anyAcross, cross, dot, norm, scaled, subtract, unit } from '../geometry/vector.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import type { Problem } from '../calculation/problem.ts';
import { firstNotPositive } from '../calculation/problem.ts';

export interface PlanarEnd {
  readonly x_m: number;
  readonly y_m: number;
  /** Direction of travel. */
  readonly heading_rad: number;
}

export type DubinsWord = 'LSL' | 'RSR' | 'LSR' | 'RSL' | 'LRL' | 'RLR';

export interface DubinsPath {
  readonly word: DubinsWord;
  readonly length_m: number;
  /** Lengths of its three pieces. */
  readonly pieces_m: readonly [number, number, number];
}

const TURN = 2 * Math.PI;
/** An angle from 0 up to a whole turn; what rounding leaves just under a whole turn is none. */
const positive = (angle_rad: number) => {
  const angle = ((angle_rad % TURN) + TURN) % TURN;
  return angle > TURN - 1e-12 ? 0 : angle;
};

/** Every word that has a path, shortest first. `radius_m` is positive. */
export function planarDubins(start: PlanarEnd, end: PlanarEnd, radius_m: number): readonly DubinsPath[] {
  demand(firstNotPositive({ radius_m }) ?? unphysical({ start, end }));
  const dx = (end.x_m - start.x_m) / radius_m;
  const dy = (end.y_m - start.y_m) / radius_m;
  const d = Math.hypot(dx, dy);
  const theta = d === 0 ? 0 : Math.atan2(dy, dx);
  const a = positive(start.heading_rad - theta);
  const b = positive(end.heading_rad - theta);
  const [sa, sb, ca, cb] = [Math.sin(a), Math.sin(b), Math.cos(a), Math.cos(b)];
  const cab = Math.cos(a - b);
  const paths: DubinsPath[] = [];
  const put = (word: DubinsWord, t: number, p: number, q: number) => {
    const pieces = [positive(t), p, positive(q)] as const;
    paths.push({
      word,
      length_m: (pieces[0] + pieces[1] + pieces[2]) * radius_m,
      pieces_m: [pieces[0] * radius_m, pieces[1] * radius_m, pieces[2] * radius_m],
    });
  };

  const lsl = 2 + d * d - 2 * cab + 2 * d * (sa - sb);
  if (lsl >= -1e-12) {
    const angle = Math.atan2(cb - ca, d + sa - sb);
    put('LSL', angle - a, Math.sqrt(Math.max(0, lsl)), b - angle);
  }
  const rsr = 2 + d * d - 2 * cab + 2 * d * (sb - sa);
  if (rsr >= -1e-12) {
    const angle = Math.atan2(ca - cb, d - sa + sb);
    put('RSR', a - angle, Math.sqrt(Math.max(0, rsr)), angle - b);
  }
  const lsr = -2 + d * d + 2 * cab + 2 * d * (sa + sb);
  if (lsr >= 0) {
    const p = Math.sqrt(lsr);
    const angle = Math.atan2(-ca - cb, d + sa + sb) - Math.atan2(-2, p);
    put('LSR', angle - a, p, angle - b);
  }
  const rsl = -2 + d * d + 2 * cab - 2 * d * (sa + sb);
  if (rsl >= 0) {
    const p = Math.sqrt(rsl);
    const angle = Math.atan2(ca + cb, d - sa - sb) - Math.atan2(2, p);
    put('RSL', a - angle, p, b - angle);
  }
  const rlr = (6 - d * d + 2 * cab + 2 * d * (sa - sb)) / 8;
  for (const p of middleArcs(rlr)) {
    const t = positive(a - Math.atan2(ca - cb, d - sa + sb) + p / 2);
    put('RLR', t, p, a - b - t + p);
  }
  const lrl = (6 - d * d + 2 * cab + 2 * d * (sb - sa)) / 8;
  for (const p of middleArcs(lrl)) {
    const t = positive(-a - Math.atan2(ca - cb, d + sa - sb) + p / 2);
    put('LRL', t, p, b - a - t + p);
  }
  return paths.sort((left, right) => left.length_m - right.length_m);
}

/** Both arcs that the circle in the middle allows; the shortest way has the one of more than half a turn. */
const middleArcs = (cosine: number): readonly number[] =>
  Math.abs(cosine) <= 1 ? [TURN - Math.acos(cosine), Math.acos(cosine)] : [];

export interface SpaceEnd {
  readonly point_m: Vector;
  readonly tangent: Vector;
}

function endsProblem(start: SpaceEnd, end: SpaceEnd, radius_m: number): Problem | null {
  const refused = firstNotPositive({ radius_m }) ?? unphysical({ start, end });
  if (refused) return refused;
  if (!(norm(start.tangent) > 1e-9)) return { code: 'noDirection', field: 'start.tangent' };
  return norm(end.tangent) > 1e-9 ? null : { code: 'noDirection', field: 'end.tangent' };
}

export interface SpacePath {
  readonly length_m: number;
  readonly firstArc_rad: number;
  readonly straight_m: number;
  readonly lastArc_rad: number;
  /** Direction of the straight piece. */
  readonly along: Vector;
}

/** Starting directions of the straight piece: rings about the chord, as shares of how far it can lie off it. */
const RINGS = [0.3, 0.8];
/** And rings about where an arc is a half turn: there the way changes its side, and the next best start is far away. */
const HALF_TURN_RINGS_rad = [0.004, 0.04, 0.18];
const ROUND = 6;
const MOST_STEPS = 24;
/** Each arc by the short way round to the straight piece, or by the long one. */
const WAYS = [
  [false, false],
  [true, false],
  [false, true],
  [true, true],
] as const;
const FITS = 1e-11;
const ASIDE_rad = 1e-6;
const LONGEST_TURN_rad = 0.3;

/**
 * The shortest arc, straight, arc between two ends in space: each arc lies in the plane of its end's tangent and of the straight
 * piece. The direction of the straight piece is turned by Newton's method until the piece lies along it, from several starts,
 * for far ends may have several such ways and near ones none. Null only when none is found: ends within a few radii.
 */
export function spaceArcStraightArc(start: SpaceEnd, end: SpaceEnd, radius_m: number): SpacePath | null {
  demand(endsProblem(start, end, radius_m));
  const t0 = unit(start.tangent);
  const t1 = unit(end.tangent);
  const chord = subtract(end.point_m, start.point_m);
  const ahead = norm(chord) > 0 ? unit(chord) : t0;
  // Each arc carries a point aside by two radii at most: further off its chord the straight piece cannot lie.
  const off = (4 * radius_m) / Math.max(norm(chord), 1e-12);
  const most_rad = off < 1 ? Math.asin(off) : Math.PI;
  let best: SpacePath | null = null;
  const tryFrom = (along: Vector) => {
    for (const [isFirstLong, isLastLong] of WAYS) {
      const arcs = (u: Vector) => arcsOf(t0, t1, radius_m, u, isFirstLong, isLastLong);
      const path = settledPath(arcs, chord, radius_m, along);
      if (path && (!best || path.length_m < best.length_m)) best = path;
    }
  };
  tryFrom(ahead);
  const ringed = (middle: Vector, ring_rad: number) => {
    const side = anyAcross(middle);
    const other = cross(middle, side);
    for (let index = 0; index < ROUND; index += 1) {
      const round_rad = (TURN * (index + ring_rad)) / ROUND;
      const across = add(scaled(side, Math.cos(round_rad)), scaled(other, Math.sin(round_rad)));
      const along = add(scaled(middle, Math.cos(ring_rad)), scaled(across, Math.sin(ring_rad)));
      if (angleBetween(along, ahead) <= most_rad * 1.1) tryFrom(along);
    }
  };
  for (const share of RINGS) ringed(ahead, share * most_rad);
  for (const ring_rad of HALF_TURN_RINGS_rad)
    for (const tangent of [t0, t1]) ringed(scaled(tangent, -1), ring_rad);
  return best;
}

/** Both arcs for a direction of the straight piece, and how far they carry a point together. */
interface Arcs {
  readonly first_rad: number;
  readonly last_rad: number;
  readonly carries_m: Vector;
}

function arcsOf(
  t0: Vector,
  t1: Vector,
  radius_m: number,
  along: Vector,
  isFirstLong: boolean,
  isLastLong: boolean,
): Arcs {
  const first = arc(t0, along, radius_m, isFirstLong);
  const last = arc(scaled(t1, -1), scaled(along, -1), radius_m, isLastLong);
  return {
    first_rad: first.angle_rad,
    last_rad: last.angle_rad,
    carries_m: subtract(first.offset, last.offset),
  };
}

/** Newton's method on the two angles by which the straight piece misses its own direction; null where it does not settle. */
function settledPath(
  arcsAt: (along: Vector) => Arcs,
  chord: Vector,
  radius_m: number,
  begin: Vector,
): SpacePath | null {
  const size_m = norm(chord) + radius_m;
  let along = begin;
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const side = anyAcross(along);
    const other = cross(along, side);
    const missOf = (u: Vector): readonly [number, number] => {
      const straight = subtract(chord, arcsAt(u).carries_m);
      const off = subtract(straight, scaled(u, dot(straight, u)));
      return [dot(off, side) / size_m, dot(off, other) / size_m];
    };
    const [a, b] = missOf(along);
    if (Math.hypot(a, b) < FITS) {
      const { first_rad, last_rad, carries_m } = arcsAt(along);
      const straight_m = dot(subtract(chord, carries_m), along);
      // A straight piece that points back is no path.
      if (straight_m < 0) return null;
      return {
        length_m: radius_m * (first_rad + last_rad) + straight_m,
        firstArc_rad: first_rad,
        straight_m,
        lastArc_rad: last_rad,
        along,
      };
    }
    const turned = (x: number, y: number) => unit(add(along, add(scaled(side, x), scaled(other, y))));
    const [ax, bx] = missOf(turned(ASIDE_rad, 0));
    const [ay, by] = missOf(turned(0, ASIDE_rad));
    const [xx, yx, xy, yy] = [ax - a, bx - b, ay - a, by - b].map((change) => change / ASIDE_rad);
    const determinant = (xx ?? 0) * (yy ?? 0) - (xy ?? 0) * (yx ?? 0);
    if (!(Math.abs(determinant) > 1e-14)) return null;
    const x = ((xy ?? 0) * b - (yy ?? 0) * a) / determinant;
    const y = ((yx ?? 0) * a - (xx ?? 0) * b) / determinant;
    const share = Math.min(1, LONGEST_TURN_rad / Math.max(Math.hypot(x, y), 1e-30));
    along = turned(share * x, share * y);
  }
  return null;
}

export interface LengthBound {
  readonly length_m: number;
  /** The shortest way itself, or what the turns alone take: a smaller figure, and proved for any two ends. */
  readonly by: 'arcStraightArc' | 'turns';
}

/** Ends at least this many radii apart: the shortest way is arc, straight, arc (Dubins 1957 in a plane; in space Sussmann 1995, from memory). */
const FAR = 4;

/**
 * No hose that nowhere bends tighter than the radius is shorter between the two ends. Far ends: the shortest way itself. Near
 * ones, or where that is not found: `turnsBound_m`.
 */
export function shortestBetween(start: SpaceEnd, end: SpaceEnd, radius_m: number): LengthBound {
  demand(endsProblem(start, end, radius_m));
  const chord_m = norm(subtract(end.point_m, start.point_m));
  const way = chord_m >= FAR * radius_m ? spaceArcStraightArc(start, end, radius_m) : null;
  const least_m = turnsBound_m(start, end, radius_m);
  return way
    ? { length_m: Math.max(way.length_m, least_m), by: 'arcStraightArc' }
    : { length_m: least_m, by: 'turns' };
}

/**
 * A bound that always exists. Along the hose the angle to the chord changes by no more than 1/R a metre, so that at s from the
 * start it is at least θ₀ − s/R, and at s from the end at least θ₁ − s/R. The way made good is ∫cos of it, and has to come to
 * the chord: c ≤ R(sin θ₀ + sin θ₁ − 2 sin m) + the rest straight, with m where the two turns meet. Nor is a hose shorter than
 * its chord, or than R times the angle between its ends.
 */
export function turnsBound_m(start: SpaceEnd, end: SpaceEnd, radius_m: number): number {
  demand(endsProblem(start, end, radius_m));
  const chord = subtract(end.point_m, start.point_m);
  const chord_m = norm(chord);
  const [t0, t1] = [unit(start.tangent), unit(end.tangent)];
  const plain_m = Math.max(chord_m, radius_m * angleBetween(t0, t1));
  if (chord_m === 0) return plain_m;
  const [a, b] = [angleBetween(t0, chord), angleBetween(t1, chord)];
  const level = (Math.sin(a) + Math.sin(b) - chord_m / radius_m) / 2;
  if (level <= 0) return Math.max(plain_m, chord_m + radius_m * (a - Math.sin(a) + b - Math.sin(b)));
  const meet_rad = Math.asin(Math.min(1, level));
  // Ends that both look back could come home before either has turned half way: nothing is known but the plain bounds.
  if ((a + b) / 2 >= Math.PI - meet_rad) return plain_m;
  return Math.max(plain_m, radius_m * (a + b - 2 * meet_rad));
}

const angleBetween = (a: Vector, b: Vector): number => Math.atan2(norm(cross(a, b)), dot(a, b));

/** How far an arc of this radius carries a point while it turns from one direction to another, by the short way or the long one. */
function arc(
  from: Vector,
  to: Vector,
  radius_m: number,
  isLong: boolean,
): { readonly angle_rad: number; readonly offset: Vector } {
  const axis = cross(from, to);
  const sine = norm(axis);
  const short_rad = Math.atan2(sine, dot(from, to));
  if (sine < 1e-15) return { angle_rad: isLong ? TURN - short_rad : short_rad, offset: [0, 0, 0] };
  const inward = unit(cross(axis, from));
  const offset = add(
    scaled(from, radius_m * Math.sin(short_rad)),
    scaled(inward, radius_m * (1 - Math.cos(short_rad))),
  );
  // The other way round on the circle at the other side: it carries exactly as far back.
  return isLong
    ? { angle_rad: TURN - short_rad, offset: scaled(offset, -1) }
    : { angle_rad: short_rad, offset };
}
