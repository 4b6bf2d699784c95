/** What the worker works out for the route bench, apart from being a worker: it can be run and tested anywhere. */
import type {
  LengthBound,
  Calculated,
  Gap,
  NotCalculated,
  Problem,
  Rig,
  RigGrid,
  Pose,
  RigPose,
  RouteProof,
  RouteReason,
  Scene,
  SceneEnd,
  ScenePose,
  Vector,
} from '@zephyrcombe/core';
import {
  coarserPoses,
  cornersOf,
  distanceBetween,
  eachLength,
  followScene,
  gridOf,
  lowerBound,
  lowerBound_m,
  piecesApart,
  placementOf,
  proveRoute,
  leastGapsByPose,
  rodLine,
  rodPoints,
  roomIn,
  sceneProblem,
  sceneWindow,
  searchSceneWindow,
  sleeveLines,
  solvePose,
  solveScene,
  stiffEnds,
  tightestBend,
} from '@zephyrcombe/core';

/** Poses along each axis of the movement. */
const STEPS = 9;
/** Lengths on the curves. */
const LENGTHS = 60;
/** A faint line has so many pieces for each of its spans, however many nodes were solved for. */
const THINNED = 16;

export interface PoseFigures {
  readonly pose: RigPose;
  readonly radius_m: number | null;
  readonly chordRatio: number;
  /** The least of gap less what is wanted; null without parts to keep away from, or without a shape. */
  readonly spare_m: number | null;
  readonly snapped: boolean;
}

/** The pose that is looked at. */
export interface ShownPose extends PoseFigures {
  /** From port to port, three numbers a point; null where the hose has no shape. */
  readonly line: Float32Array | null;
  readonly gaps: readonly (Gap | null)[];
  readonly clocking_rad: number | null;
  /** Where the tightest bend is; null without a radius. */
  readonly tightest_m: Vector | null;
  /** Both ends of each stiffener. */
  readonly stiff_m: readonly (readonly [Vector, Vector])[];
  /** The line of each piece of a sleeve, three numbers a point, and how thick it is there. */
  readonly sleeves: readonly { readonly line: Float32Array; readonly outside_m: number }[];
}

export interface RouteFrame {
  /** Solved from nothing and looked for between the poses; otherwise followed while something is moved. */
  readonly settled: boolean;
  readonly columns: number;
  readonly figures: readonly PoseFigures[];
  /** The lines of solved poses one after another, thinned, `sweepPoints` points each; of some while it is followed. */
  readonly sweep: Float32Array;
  readonly sweepPoints: number;
  readonly shown: ShownPose | null;
  readonly proof: Calculated<RouteProof> | NotCalculated;
}

export interface LengthPoint {
  readonly length_m: number;
  readonly radius_m: number | null;
  readonly spare_m: number | null;
  readonly holds: boolean;
}

export interface FoundWindow {
  readonly short_m: number;
  readonly long_m: number;
  /** What ends it; null where the search ended first. */
  readonly shortBecause: RouteReason | null;
  readonly longBecause: RouteReason | null;
}

export type WindowFound =
  | { readonly ok: true; readonly window: FoundWindow | null }
  | { readonly ok: false; readonly problem: Problem };

export interface RouteCurves {
  readonly from_m: number;
  readonly to_m: number;
  readonly points: readonly LengthPoint[];
  /** Null when the hose's own length does not hold. */
  readonly window: FoundWindow | null;
  /** Lengths that hold as well, but not in one piece with the hose's own; null until all lengths have been tried. */
  readonly apart: readonly (readonly [number, number])[] | null;
}

export class RouteComputer {
  private scene: Scene | null = null;
  private grid: RigGrid | null = null;
  private poses: readonly ScenePose[] = [];
  private isCoarse = false;
  private bound: { readonly rig: Rig; readonly key: string; readonly least: LengthBound } | null = null;

  /** While rig and parts are the very same as before, nothing of them is worked out again. */
  /** Of the frame that was worked out last. */
  gapsByPose(): Partial<Record<Pose, number>> {
    return this.scene ? leastGapsByPose(this.scene.rig, this.poses) : {};
  }

  frame(scene: Scene, pose: RigPose, settle: boolean): RouteFrame {
    const grid = this.scene?.rig === scene.rig && this.grid ? this.grid : gridOf(scene.rig, STEPS);
    const refused = sceneProblem(scene);
    if (refused) {
      this.poses = [];
      return {
        settled: settle,
        columns: grid.columns,
        figures: [],
        sweep: new Float32Array(0),
        sweepPoints: 0,
        shown: null,
        proof: { ok: false, problem: refused },
      };
    }
    const isAsBefore = this.scene?.rig === scene.rig;
    if (settle || !isAsBefore) this.poses = solveScene(scene, grid);
    else {
      // A drag is followed with half the nodes; what it comes to rest at is solved anew with all of them.
      if (!this.isCoarse) this.poses = coarserPoses(this.poses);
      this.poses = followScene(scene, grid, this.poses);
    }
    this.isCoarse = !settle && isAsBefore;
    this.scene = scene;
    this.grid = grid;
    return {
      settled: settle,
      columns: grid.columns,
      figures: this.poses.map((solved) => figuresOf(scene, solved)),
      ...sweepOf(scene, this.poses, grid.columns, settle),
      shown: this.shown(pose),
      proof: proveRoute(scene, grid, this.poses, settle, this.boundOf(scene, grid)),
    };
  }

  /** The same whatever the length, and slow: kept until an end, a clip or the movement changes. */
  private boundOf(scene: Scene, grid: RigGrid): LengthBound {
    const { length_m: _length, outside_m: _outside, ...held } = scene.hose;
    const { rig } = scene;
    const key = JSON.stringify(held);
    if (this.bound?.rig !== rig || this.bound.key !== key)
      this.bound = { rig, key, least: lowerBound(scene, grid) };
    return this.bound.least;
  }

  /** The lines at the corners of the movement, for a first look at how much room the hose takes. */
  corners(scene: Scene): readonly Float32Array[] {
    if (sceneProblem(scene)) return [];
    return solveScene(scene, gridOf(scene.rig, 3)).flatMap((pose) => lineOf(scene, pose, true) ?? []);
  }

  /** One pose of the last scene, from the nearest of its grid. */
  shown(pose: RigPose): ShownPose | null {
    const { scene, grid } = this;
    if (!scene || !grid) return null;
    const near = nearestTo(pose, grid, this.poses);
    if (!near) return null;
    const solved = solvePose(scene, pose, near);
    const line = lineOf(scene, solved, false);
    const span = solved.spans[solved.decidingSpan];
    return {
      ...figuresOf(scene, solved),
      line,
      gaps: solved.gaps,
      clocking_rad: solved.clocking_rad,
      tightest_m: span && solved.radius_m !== null ? tightestPoint(span) : null,
      stiff_m: stiffLines(solved),
      sleeves: sleevesOf(scene, solved),
    };
  }

  /** The lengths that hold, and nothing else. */
  window(scene: Scene): WindowFound {
    const refused = sceneProblem(scene);
    if (refused) return { ok: false, problem: refused };
    const grid = gridOf(scene.rig, STEPS);
    return { ok: true, window: toFound(sceneWindow(scene, grid, scanOf(scene, grid))) };
  }

  /** The window first, then radius and room against length, more points each time; null between two steps of the search. */
  *curves(): Generator<RouteCurves | null> {
    const { scene, grid } = this;
    if (!scene || !grid) return;
    const scan = scanOf(scene, grid);
    const { from_m, to_m } = scan;
    const search = searchSceneWindow(scene, grid, scan);
    let step = search.next();
    while (!step.done) {
      yield null;
      step = search.next();
    }
    const window = toFound(step.value);
    let points: readonly LengthPoint[] = [];
    yield { from_m, to_m, points, window, apart: null };
    for (const { length_m, verdict } of eachLength(scene, grid, scan, LENGTHS)) {
      const point: LengthPoint = {
        length_m,
        radius_m: verdict.radius_m,
        spare_m: verdict.room?.spare_m ?? null,
        holds: verdict.holds,
      };
      points = [...points, point].sort((a, b) => a.length_m - b.length_m);
      const apart = points.length < LENGTHS ? null : piecesApart(points, window);
      yield { from_m, to_m, points, window, apart };
    }
  }
}

const toFound = (found: ReturnType<typeof sceneWindow>): FoundWindow | null =>
  found && {
    short_m: found.short.length_m,
    long_m: found.long.length_m,
    shortBecause: found.short.beyond?.reason ?? null,
    longBecause: found.long.beyond?.reason ?? null,
  };

/** From just below what no hose can beat to half as long again: it does not move while the length is dragged. */
function scanOf(
  scene: Scene,
  grid: RigGrid,
): { readonly from_m: number; readonly to_m: number; readonly nominal_m: number } {
  const { length_m } = scene.hose;
  const least_m = lowerBound_m(scene, grid);
  const centimetres = (value_m: number) => Math.round(value_m * 100) / 100;
  return {
    from_m: centimetres(Math.min(least_m * 0.96, length_m)),
    to_m: centimetres(Math.max(least_m * 1.45, length_m * 1.05)),
    nominal_m: length_m,
  };
}

const figuresOf = (scene: Scene, solved: ScenePose): PoseFigures => ({
  pose: solved.pose,
  radius_m: solved.radius_m,
  chordRatio: solved.chordRatio,
  snapped: solved.snapped,
  spare_m: roomIn(scene, solved)?.spare_m ?? null,
});

function tightestPoint({ ends, shape }: ScenePose['spans'][number]): Vector {
  const points = rodPoints(ends, shape);
  const { at_m } = tightestBend(ends, shape);
  let along_m = 0;
  let before = ends.start.point_m;
  for (const point of points) {
    along_m += distanceBetween(before, point);
    before = point;
    // A chord is a little shorter than its piece of hose: half a step is near enough to mark it.
    if (along_m >= at_m - ends.length_m / points.length / 2) break;
  }
  return before;
}

/** Those in the spans, and those that clips grip between two spans. */
function stiffLines({ spans }: ScenePose): ShownPose['stiff_m'] {
  if (spans.some(({ shape }) => shape.status !== 'converged')) return [];
  const gripped = spans.slice(1).flatMap(({ ends }, index) => {
    const [from, to] = [spans[index]?.ends.end.point_m, ends.start.point_m];
    return from && distanceBetween(from, to) > 1e-6 ? [[from, to] as const] : [];
  });
  return [...spans.flatMap(({ ends, shape }) => stiffEnds(ends, shape)), ...gripped];
}

function sleevesOf({ hose }: Scene, { spans }: ScenePose): ShownPose['sleeves'] {
  if (spans.some(({ shape }) => shape.status !== 'converged')) return [];
  return sleeveLines(hose, spans).flatMap(({ sleeve, lines }) =>
    lines.map((line) => ({ line: Float32Array.from(line), outside_m: sleeve.outside_m })),
  );
}

/** Port, free spans, port; null where a span has no shape. */
function lineOf({ rig, hose }: Scene, { pose, spans }: ScenePose, isThin: boolean): Float32Array | null {
  if (spans.length === 0 || spans.some((span) => span.shape.status !== 'converged')) return null;
  // Port, and the bend of a neck; where the hose begins is its own line's.
  const fitting = (end: SceneEnd) =>
    cornersOf(end)
      .slice(0, -1)
      .map(placementOf(rig, end.body, pose).point);
  const [first, last] = [fitting(hose.start), fitting(hose.end).reverse()];
  const lines = spans.map(({ ends, shape }) => rodLine(ends, shape));
  // Thin ones have the same number of pieces in every pose: they are laid one after another.
  const pieces = lines.map((points) => (isThin ? THINNED : points.length / 3 - 1));
  const line = new Float32Array(
    3 * pieces.reduce((sum, count) => sum + count + 1, first.length + last.length),
  );
  let to = 0;
  const put = (x: number, y: number, z: number) => {
    line[to] = x;
    line[to + 1] = y;
    line[to + 2] = z;
    to += 3;
  };
  for (const [x, y, z] of first) put(x, y, z);
  for (const [index, points] of lines.entries()) {
    const count = pieces[index] ?? 1;
    const nodes = points.length / 3 - 1;
    for (let piece = 0; piece <= count; piece += 1) {
      const at = 3 * Math.round((piece * nodes) / count);
      put(points[at] ?? 0, points[at + 1] ?? 0, points[at + 2] ?? 0);
    }
  }
  for (const [x, y, z] of last) put(x, y, z);
  return line;
}

/** While something is dragged, the ends and the middle of each movement are enough for the eye. */
function sweepOf(
  scene: Scene,
  poses: readonly ScenePose[],
  columns: number,
  all: boolean,
): Pick<RouteFrame, 'sweep' | 'sweepPoints'> {
  const half = (STEPS - 1) / 2;
  const lines = poses.flatMap((pose, index) => {
    const isShown = all || ((index % columns) % half === 0 && Math.floor(index / columns) % half === 0);
    return isShown ? (lineOf(scene, pose, true) ?? []) : [];
  });
  const size = lines[0]?.length ?? 0;
  const sweep = new Float32Array(size * lines.length);
  for (const [index, line] of lines.entries()) sweep.set(line, index * size);
  return { sweep, sweepPoints: size / 3 };
}

function nearestTo(pose: RigPose, grid: RigGrid, poses: readonly ScenePose[]): ScenePose | null {
  const reach = (of: (pose: RigPose) => number) => {
    const values = grid.poses.map(of);
    return Math.max(...values) - Math.min(...values) || 1;
  };
  const [across, down] = [reach((at) => at.across), reach((at) => at.down)];
  let best: ScenePose | null = null;
  let least = Infinity;
  for (const solved of poses) {
    const away =
      ((solved.pose.across - pose.across) / across) ** 2 + ((solved.pose.down - pose.down) / down) ** 2;
    if (away < least) {
      least = away;
      best = solved;
    }
  }
  return best;
}
