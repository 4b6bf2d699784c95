/**
 * The shortest way between two clamped ends that nowhere bends tighter than a radius: a lower bound for a hose, never a
 * safe length, because a free hose of that length bends tighter (L. E. Dubins, American Journal of Mathematics 79, 1957).
 */
import type { Vector } from '../geometry/vector.ts';
import { add, cross, dot, norm, scaled, subtract, unit } from '../geometry/vector.ts';

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

export interface SpacePath {
  readonly length_m: number;
  readonly firstArc_rad: number;
  readonly straight_m: number;
  readonly lastArc_rad: number;
  /** Direction of the straight piece. */
  readonly along: Vector;
}

const MOST_STEPS = 200;

/**
 * Arc, straight, arc between two ends in space, found by turning the straight piece's direction until it fits: each arc
 * lies in the plane of its end's tangent and of the straight piece. Null when the ends are too near each other for it.
 */
export function spaceArcStraightArc(start: SpaceEnd, end: SpaceEnd, radius_m: number): SpacePath | null {
  const t0 = unit(start.tangent);
  const t1 = unit(end.tangent);
  const chord = subtract(end.point_m, start.point_m);
  let along = unit(chord);
  for (let step = 0; step < MOST_STEPS; step += 1) {
    const first = arc(t0, along, radius_m);
    const last = arc(scaled(t1, -1), scaled(along, -1), radius_m);
    const straight = subtract(subtract(chord, first.offset), scaled(last.offset, -1));
    const length = norm(straight);
    if (length < 1e-12) return null;
    const next = unit(straight);
    const change = norm(subtract(next, along));
    along = next;
    if (change > 1e-14) continue;
    // A straight piece that points back is no path: the ends are within two arcs of each other.
    if (dot(straight, along) <= 0) return null;
    return {
      length_m: radius_m * (first.angle_rad + last.angle_rad) + length,
      firstArc_rad: first.angle_rad,
      straight_m: length,
      lastArc_rad: last.angle_rad,
      along,
    };
  }
  return null;
}

/** How far an arc of this radius carries a point while it turns from one direction to another. */
function arc(
  from: Vector,
  to: Vector,
  radius_m: number,
): { readonly angle_rad: number; readonly offset: Vector } {
  const axis = cross(from, to);
  const sine = norm(axis);
  const angle_rad = Math.atan2(sine, dot(from, to));
  if (sine < 1e-15) return { angle_rad, offset: [0, 0, 0] };
  const inward = unit(cross(axis, from));
  return {
    angle_rad,
    offset: add(
      scaled(from, radius_m * Math.sin(angle_rad)),
      scaled(inward, radius_m * (1 - Math.cos(angle_rad))),
    ),
  };
}
