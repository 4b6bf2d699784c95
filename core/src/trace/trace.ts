/** A line traced on a photograph or a drawing, and what it measures with what is not known of it. */
import { angle, count, length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Problem } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { LineFigures, TraceLine } from './line.ts';
import { measureLine } from './line.ts';
import type { Point, Quad, ToPlane } from './plane.ts';
import { isConvex, rectified, scaled } from './plane.ts';
import { unphysical } from '../calculation/physical.ts';

/** Two points whose distance is known: enough for a drawing, or a photograph taken square on. */
export interface EvenScale {
  readonly kind: 'even';
  readonly from: Point;
  readonly to: Point;
  readonly distance_m: number;
}

/** Four corners of a rectangle of known size, taken round: for a photograph taken from the side. */
export interface Perspective {
  readonly kind: 'perspective';
  readonly corners: Quad;
  readonly width_m: number;
  readonly height_m: number;
}

export interface Tracing {
  /** Null until it is set. */
  readonly scale: EvenScale | Perspective | null;
  readonly line: TraceLine;
  /** In pixels of the picture. */
  readonly points: readonly Point[];
}

export interface Traced extends LineFigures {
  readonly uncertainty_m: number;
  readonly toPlane: ToPlane;
}

/** How far off a point is set, pixels of the picture; our estimate. */
export const POINT_px = 1.5;
/** How far off the known distance is, metres; our estimate: half a millimetre on a rule. */
export const RULE_m = 0.0005;
/** Points of the scale nearer than this make every error large. */
const LEAST_SCALE_px = 20;

const SUM: Formula = { expression: 'L = Σ legs', source: 'tracedLine' };
const UNCERTAINTY: Formula = {
  expression: 'u = √(Σ(∂L/∂p·u_p)² + (L·u_d/d)²)',
  source: 'tracedUncertainty',
};

/**
 * Length, legs and turns of the line, metres and radians, with the uncertainty that the setting of each point and the
 * known size bring (first order, points independent). It measures what lies in the plane of the scale: a line nearer to
 * the camera comes out too long.
 * Problem: no scale, fewer than two points, a size that is not positive, points of the scale too near, corners that are
 * crossed, or a point beyond the horizon of the plane.
 */
export function measureTracing(tracing: Tracing): Result<Traced> {
  const refused = refuse(tracing);
  if (refused) return problem(refused);
  const toPlane = planeOf(tracing);
  const figures = measureLine(tracing.points.map(toPlane), tracing.line);
  if (!Number.isFinite(figures.length_m)) return problem({ code: 'beyondHorizon', field: 'points' });
  const points_m = Math.sqrt(
    handles(tracing).reduce((sum, moved) => sum + (lengthOf(moved) - figures.length_m) ** 2, 0),
  );
  const known_m = knownSize(tracing);
  const rule_m = (figures.length_m * RULE_m) / known_m;
  const uncertainty_m = Math.hypot(points_m, rule_m);
  if (!Number.isFinite(uncertainty_m)) return problem({ code: 'beyondHorizon', field: 'points' });
  const sum = term('L', 'tracedLength', length(figures.length_m));
  return calculated({ ...figures, uncertainty_m, toPlane }, [
    {
      formula: SUM,
      inputs: figures.legs_m.map((leg_m) => term('leg', 'tracedLeg', length(leg_m))),
      result: sum,
    },
    {
      formula: UNCERTAINTY,
      inputs: [
        sum,
        term('d', 'knownSize', length(known_m)),
        term('u_d', 'ruleUncertainty', length(RULE_m)),
        term('points', 'pointUncertainty', length(points_m)),
        term('turn', 'betweenEnds', angle(figures.betweenEnds_rad)),
      ],
      result: term('u', 'tracedUncertainty', length(uncertainty_m)),
    },
  ]);
}

const TURN: Formula = { expression: 'θ = angle from leg a to leg b', source: 'tracedLine' };
const TURN_UNCERTAINTY: Formula = {
  expression: 'u = √Σ(∂θ/∂p·u_p)²',
  source: 'tracedUncertainty',
};

export interface LegAngle {
  /** From the direction of one to that of the other, 0 to π. */
  readonly angle_rad: number;
  readonly uncertainty_rad: number;
}

/**
 * The angle between any two legs of a traced line, both taken the way the line goes, with its uncertainty (first order,
 * points independent; a known size that is wrong turns nothing). Legs are counted from nothing. Problem: as for the line,
 * and a leg that is not there.
 */
export function angleBetweenLegs(tracing: Tracing, first: number, second: number): Result<LegAngle> {
  const refused = refuse(tracing);
  if (refused) return problem(refused);
  const legs = tracing.points.length - 1;
  if (![first, second].every((leg) => Number.isInteger(leg) && leg >= 0 && leg < legs))
    return problem({ code: 'tooFewPoints', field: 'legs' });
  const angle_rad = turnOf(tracing, first, second);
  if (!Number.isFinite(angle_rad)) return problem({ code: 'beyondHorizon', field: 'points' });
  const uncertainty_rad = Math.sqrt(
    handles(tracing).reduce((sum, moved) => sum + (turnOf(moved, first, second) - angle_rad) ** 2, 0),
  );
  const found = term('θ', 'legAngle', angle(angle_rad));
  return calculated({ angle_rad, uncertainty_rad }, [
    {
      formula: TURN,
      inputs: [term('a', 'legNumber', count(first + 1)), term('b', 'legNumber', count(second + 1))],
      result: found,
    },
    {
      formula: TURN_UNCERTAINTY,
      inputs: [found],
      result: term('u', 'legAngleUncertainty', angle(uncertainty_rad)),
    },
  ]);
}

function turnOf(tracing: Tracing, first: number, second: number): number {
  const points = tracing.points.map(planeOf(tracing));
  const direction = (leg: number) => {
    const [from, to] = [points[leg], points[leg + 1]];
    return from && to ? Math.atan2(to.y - from.y, to.x - from.x) : NaN;
  };
  const turn = direction(second) - direction(first);
  return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn)));
}

function refuse({ scale, points }: Tracing): Problem | null {
  if (scale === null) return { code: 'noScale', field: 'scale' };
  const unsound = unphysical({ scale, points });
  if (unsound) return unsound;
  if (scale.kind === 'even') {
    const { distance_m, from, to } = scale;
    const refused = firstNotPositive({ distance_m });
    if (refused) return refused;
    if (Math.hypot(to.x - from.x, to.y - from.y) < LEAST_SCALE_px)
      return { code: 'scaleTooShort', field: 'scale' };
  } else {
    const { width_m, height_m, corners } = scale;
    const refused = firstNotPositive({ width_m, height_m });
    if (refused) return refused;
    if (!isConvex(corners)) return { code: 'cornersCrossed', field: 'scale.corners' };
  }
  return points.length < 2 ? { code: 'tooFewPoints', field: 'points' } : null;
}

function planeOf({ scale }: Tracing): ToPlane {
  if (scale === null) throw new Error('measured without a scale');
  return scale.kind === 'perspective'
    ? rectified(scale.corners, scale.width_m, scale.height_m)
    : scaled(scale.distance_m / Math.hypot(scale.to.x - scale.from.x, scale.to.y - scale.from.y));
}

const knownSize = ({ scale }: Tracing): number =>
  scale === null ? 1 : scale.kind === 'even' ? scale.distance_m : Math.min(scale.width_m, scale.height_m);

const lengthOf = (tracing: Tracing): number =>
  measureLine(tracing.points.map(planeOf(tracing)), tracing.line).length_m;

/** The tracing with each of its points set off by as much as it is uncertain, one coordinate at a time. */
function handles(tracing: Tracing): readonly Tracing[] {
  const off = ({ x, y }: Point): readonly Point[] => [
    { x: x + POINT_px, y },
    { x, y: y + POINT_px },
  ];
  const { scale } = tracing;
  const ofScale: readonly (EvenScale | Perspective)[] =
    scale === null
      ? []
      : scale.kind === 'even'
        ? [
            ...off(scale.from).map((from) => ({ ...scale, from })),
            ...off(scale.to).map((to) => ({ ...scale, to })),
          ]
        : scale.corners.flatMap((corner, index) =>
            off(corner).map((moved) => ({
              ...scale,
              corners: scale.corners.with(index, moved) as unknown as Quad,
            })),
          );
  return [
    ...ofScale.map((moved) => ({ ...tracing, scale: moved })),
    ...tracing.points.flatMap((point, index) =>
      off(point).map((moved) => ({ ...tracing, points: tracing.points.with(index, moved) })),
    ),
  ];
}
