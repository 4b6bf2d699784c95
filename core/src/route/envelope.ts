/**
 * A hose over the whole movement of its vehicle: every pose solved from its solved neighbour, so that it is the same
 * branch of shapes as when it was installed, and what the poses say of its length.
 */
import type { Vector } from '../geometry/vector.ts';
import { add, distanceBetween, scaled, unit } from '../geometry/vector.ts';
import { tightestBend } from './measures.ts';
import type { Placement } from './motion.ts';
import type { RodEnds, RodShape } from './rod.ts';
import { solveRod } from './rod.ts';

/** One end in the pose in which everything was measured. */
export interface RouteEnd {
  readonly port_m: Vector;
  /** The way the hose leaves the fitting, away from the port. */
  readonly outward: Vector;
  /** Fitting and ferrule: about 25 mm behind an eye do not bend. */
  readonly rigid_m: number;
}

export interface Route {
  readonly start: RouteEnd;
  readonly end: RouteEnd;
}

/** Where the bodies of the two ends are in one pose. */
export interface Pose {
  readonly start: Placement;
  readonly end: Placement;
}

/** Poses on a grid, row by row: steering across, travel down. The one the hose is installed in is among them. */
export interface PoseGrid {
  readonly columns: number;
  readonly poses: readonly Pose[];
  readonly installed: number;
}

export interface PoseShape {
  readonly ends: RodEnds;
  readonly shape: RodShape;
  /** Null where the shape is not one to show, or the hose is all but taut. */
  readonly radius_m: number | null;
  /** Chord over free length: 1 is a straight, pulled hose. */
  readonly chordRatio: number;
  /** The solve left the neighbour's shape for another one: on the vehicle the hose jumps. */
  readonly snapped: boolean;
}

/** Beyond this a radius says nothing: the bend sits in the last millimetres at the ferrules. */
export const TAUT_RATIO = 0.97;
/** More steps than this from a neighbour mean that the shape was left and another one found. */
const SNAP_ITERATIONS = 12;

/** The free hose of a route in a pose: from behind one rigid piece to behind the other. */
export function freeHose(route: Route, pose: Pose, length_m: number): RodEnds {
  const behind = ({ port_m, outward, rigid_m }: RouteEnd, placement: Placement) => {
    const direction = unit(placement.direction(outward));
    return { point_m: add(placement.point(port_m), scaled(direction, rigid_m)), direction };
  };
  const start = behind(route.start, pose.start);
  const end = behind(route.end, pose.end);
  return {
    start: { point_m: start.point_m, tangent: start.direction },
    end: { point_m: end.point_m, tangent: scaled(end.direction, -1) },
    length_m: length_m - route.start.rigid_m - route.end.rigid_m,
  };
}

/**
 * Every pose of the grid, in its order, for a hose of this length between the two ports, along its fittings. `near`, the
 * installed pose at a neighbouring length, keeps the shape on its branch.
 */
export function solveEnvelope(
  route: Route,
  grid: PoseGrid,
  length_m: number,
  near?: RodShape,
): readonly PoseShape[] {
  const solved: (PoseShape | undefined)[] = grid.poses.map(() => undefined);
  const waiting: { readonly at: number; readonly from: RodShape | undefined }[] = [
    { at: grid.installed, from: near },
  ];
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    const pose = grid.poses[next.at];
    if (solved[next.at] || !pose) continue;
    const ends = freeHose(route, pose, length_m);
    const shape = solveRod(ends, next.from);
    const chordRatio = distanceBetween(ends.start.point_m, ends.end.point_m) / Math.max(ends.length_m, 1e-9);
    const isShown = shape.status === 'converged' && chordRatio <= TAUT_RATIO;
    solved[next.at] = {
      ends,
      shape,
      radius_m: isShown ? tightestBend(ends, shape).radius_m : null,
      chordRatio,
      // A step in length is not a movement of the vehicle.
      snapped: next.from !== near && next.from?.status === 'converged' && shape.iterations > SNAP_ITERATIONS,
    };
    for (const at of neighbours(next.at, grid)) if (!solved[at]) waiting.push({ at, from: shape });
  }
  return solved.filter((pose) => pose !== undefined);
}

function neighbours(at: number, { columns, poses }: PoseGrid): readonly number[] {
  const column = at % columns;
  return [
    ...(column > 0 ? [at - 1] : []),
    ...(column < columns - 1 ? [at + 1] : []),
    at - columns,
    at + columns,
  ].filter((other) => other >= 0 && other < poses.length);
}

export interface EnvelopeVerdict {
  readonly holds: boolean;
  /** The pose that decides, by its place in the grid. */
  readonly worst: number;
  readonly reason: 'bend' | 'taut' | 'snap' | 'none';
  /** Tightest bend over all poses; null when some pose has none to show. */
  readonly radius_m: number | null;
  readonly chordRatio: number;
}

/** Whether a hose of this length holds its least radius in every pose without going taut or jumping. */
export function judgeEnvelope(poses: readonly PoseShape[], leastRadius_m: number): EnvelopeVerdict {
  let tightest = 0;
  let tautest = 0;
  for (const [index, pose] of poses.entries()) {
    if ((pose.radius_m ?? 0) < (poses[tightest]?.radius_m ?? 0)) tightest = index;
    if (pose.chordRatio > (poses[tautest]?.chordRatio ?? 0)) tautest = index;
  }
  const chordRatio = poses[tautest]?.chordRatio ?? 1;
  const hasAll = poses.length > 0 && poses.every((pose) => pose.radius_m !== null);
  const radius_m = hasAll ? (poses[tightest]?.radius_m ?? null) : null;
  const verdict = (reason: EnvelopeVerdict['reason'], worst: number): EnvelopeVerdict => ({
    holds: reason === 'none',
    worst,
    reason,
    radius_m,
    chordRatio,
  });
  if (chordRatio > TAUT_RATIO) return verdict('taut', tautest);
  const unsolved = poses.findIndex((pose) => pose.radius_m === null);
  const snap = poses.findIndex((pose) => pose.snapped);
  if (unsolved >= 0 || snap >= 0) return verdict('snap', unsolved >= 0 ? unsolved : snap);
  return (radius_m ?? 0) < leastRadius_m ? verdict('bend', tightest) : verdict('none', tightest);
}

export interface LengthWindow {
  readonly shortest_m: number;
  readonly longest_m: number;
  /** What ends the window on either side; `none` where the scan ended first. */
  readonly shortReason: EnvelopeVerdict['reason'];
  readonly longReason: EnvelopeVerdict['reason'];
  readonly shortPose: number;
  readonly longPose: number;
}

export interface LengthScan {
  readonly from_m: number;
  readonly to_m: number;
  readonly nominal_m: number;
  readonly leastRadius_m: number;
}

/** A verdict with the installed shape it rests on, to start the next length from. */
type Judged = EnvelopeVerdict & { readonly near: RodShape | undefined };

interface Edge {
  readonly edge_m: number;
  readonly reason: EnvelopeVerdict['reason'];
  readonly pose: number;
}

/** A window's edge is known to this. */
const EDGE_m = 0.0005;
const SCAN_STEPS = 40;

/**
 * The piece of lengths round the nominal one in which every pose holds. Bend is not monotone in length: edges are looked
 * for step by step outwards and only then halved, never by one blind halving. Null when the nominal length does not hold.
 */
export function lengthWindow(route: Route, grid: PoseGrid, scan: LengthScan): LengthWindow | null {
  const judged = (length_m: number, near?: RodShape): Judged => {
    const poses = solveEnvelope(route, grid, length_m, near);
    return { ...judgeEnvelope(poses, scan.leastRadius_m), near: poses[grid.installed]?.shape };
  };
  const nominal = judged(scan.nominal_m);
  if (!nominal.holds) return null;
  const step_m = (scan.to_m - scan.from_m) / SCAN_STEPS;
  const edge = (direction: 1 | -1): Edge => {
    let inside_m = scan.nominal_m;
    let inside = nominal;
    for (;;) {
      const next_m = inside_m + direction * step_m;
      if (next_m < scan.from_m || next_m > scan.to_m)
        return { edge_m: inside_m, reason: 'none', pose: inside.worst };
      const verdict = judged(next_m, inside.near);
      if (!verdict.holds) return halved(inside_m, next_m, inside, verdict);
      inside_m = next_m;
      inside = verdict;
    }
  };
  const halved = (inside_m: number, outside_m: number, held: Judged, beyond: Judged): Edge => {
    let [inside, outside] = [inside_m, outside_m];
    let last = beyond;
    let { near } = held;
    while (Math.abs(outside - inside) > EDGE_m) {
      const middle = (inside + outside) / 2;
      const verdict = judged(middle, near);
      if (verdict.holds) {
        inside = middle;
        near = verdict.near;
      } else {
        outside = middle;
        last = verdict;
      }
    }
    // Rounded inward: the edge is a length that was seen to hold.
    return { edge_m: inside, reason: last.reason, pose: last.worst };
  };
  const short = edge(-1);
  const long = edge(1);
  return {
    shortest_m: short.edge_m,
    longest_m: long.edge_m,
    shortReason: short.reason,
    longReason: long.reason,
    shortPose: short.pose,
    longPose: long.pose,
  };
}
