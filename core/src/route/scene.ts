/** A hose on its vehicle: where it is held, what it must keep away from, and what every pose makes of it. */
import type { Vector } from '../geometry/vector.ts';
import { add, scaled, unit } from '../geometry/vector.ts';
import { clocking_rad, twistBetween_rad } from './clocking.ts';
import type { EndsAt, SpanPose } from './envelope.ts';
import { followEnvelope, solveEnvelope, spanAt } from './envelope.ts';
import { rodLine } from './measures.ts';
import type { Placement } from './motion.ts';
import type { Body, Rig, RigGrid, RigPose } from './rig.ts';
import { AS_MEASURED, axesOf, placementOf } from './rig.ts';
import type { RodShape } from './rod.ts';
import type { PlacedSolid, Solid } from './solid.ts';
import { distanceTo, placed } from './solid.ts';

/** Points and directions in the pose in which everything was measured; x forward, y left, z up. */
export interface SceneEnd {
  readonly body: Body;
  readonly port_m: Vector;
  /** The way the hose leaves the fitting, away from the port. */
  readonly outward: Vector;
  /** Fitting and ferrule: about 25 mm behind an eye do not bend. */
  readonly rigid_m: number;
  /** The bolt's axis through the eye; null for an end that may turn about the hose. */
  readonly eyeAxis: Vector | null;
}

/** A clip that grips: the hose neither slides in it nor turns. */
export interface SceneClip {
  readonly id: string;
  readonly body: Body;
  readonly point_m: Vector;
  /** The way the hose passes, from the start end to the far end. */
  readonly along: Vector;
  /** Along the hose from the start port. */
  readonly at_m: number;
}

export interface SceneHose {
  readonly start: SceneEnd;
  readonly end: SceneEnd;
  /** In the order in which the hose passes them. */
  readonly clips: readonly SceneClip[];
  /** From port to port, through both fittings. */
  readonly length_m: number;
  readonly outside_m: number;
  readonly leastRadius_m: number;
}

/** `service`: the way out of a pad pin, a nipple, whatever has to be reached without undoing the hose. */
export const NATURES = ['hot', 'moving', 'still', 'service'] as const;
export type Nature = (typeof NATURES)[number];

/** What has to stay free: hot and moving parts, our defaults; the shop or the maker may say otherwise. */
export const LEAST_GAP_m: Readonly<Record<Nature, number>> = {
  hot: 0.025,
  moving: 0.01,
  still: 0.005,
  service: 0.005,
};

export interface KeepOut {
  readonly id: string;
  readonly name: string;
  readonly body: Body;
  readonly solid: Solid;
  readonly nature: Nature;
  /** Null: the default of its nature. */
  readonly gap_m: number | null;
  /** A sleeve or grommet lies on the hose there: it may touch. Of still parts only. */
  readonly sleeved?: boolean | undefined;
}

export interface Scene {
  readonly rig: Rig;
  readonly hose: SceneHose;
  readonly keepOuts: readonly KeepOut[];
}

export const leastGap_m = ({ gap_m, nature, sleeved }: KeepOut): number =>
  sleeved && nature === 'still' ? 0 : (gap_m ?? LEAST_GAP_m[nature]);

export interface Span {
  /** What holds it, by name: `start`, a clip's id, `end`. */
  readonly from: string;
  readonly to: string;
  readonly fromBody: Body;
  readonly toBody: Body;
  readonly endsAt: EndsAt;
}

interface Hold {
  readonly name: string;
  readonly body: Body;
  readonly point_m: Vector;
  readonly along: Vector;
  readonly at_m: number;
}

/** The free pieces of a hose, each between two holds. With the length it was given, whatever the clips say of it. */
export function spansOf({ rig, hose }: Scene, length_m = hose.length_m): readonly Span[] {
  const behind = ({ port_m, outward, rigid_m }: SceneEnd) => add(port_m, scaled(unit(outward), rigid_m));
  const holds: readonly Hold[] = [
    {
      name: 'start',
      body: hose.start.body,
      point_m: behind(hose.start),
      along: unit(hose.start.outward),
      at_m: hose.start.rigid_m,
    },
    ...hose.clips.map((clip) => ({ ...clip, name: clip.id, along: unit(clip.along) })),
    {
      name: 'end',
      body: hose.end.body,
      point_m: behind(hose.end),
      along: scaled(unit(hose.end.outward), -1),
      at_m: length_m - hose.end.rigid_m,
    },
  ];
  return holds.slice(1).map((to, index) => {
    const from = holds[index] ?? to;
    return {
      from: from.name,
      to: to.name,
      fromBody: from.body,
      toBody: to.body,
      endsAt: (pose) => {
        const [first, last] = [placementOf(rig, from.body, pose), placementOf(rig, to.body, pose)];
        return {
          start: { point_m: first.point(from.point_m), tangent: first.direction(from.along) },
          end: { point_m: last.point(to.point_m), tangent: last.direction(to.along) },
          length_m: to.at_m - from.at_m,
        };
      },
    };
  });
}

export interface Gap {
  /** From the hose's surface to the part's; below zero where they meet. */
  readonly gap_m: number;
  readonly point_m: Vector;
}

export interface ScenePose {
  readonly pose: RigPose;
  readonly spans: readonly SpanPose[];
  /** The tightest bend of all spans; null where one has none to show. */
  readonly radius_m: number | null;
  readonly chordRatio: number;
  /** The span that is tightest, or nearest to taut where there is no radius. */
  readonly decidingSpan: number;
  readonly snapped: boolean;
  /** One for each keep-out, in their order; null where the hose has no shape to measure from. */
  readonly gaps: readonly (Gap | null)[];
  /** Of the untwisted hose from the start eye to the far eye; null unless both clock and no clip holds it between. */
  readonly clocking_rad: number | null;
}

/** The installed shapes of all spans, to start a neighbouring length from. */
export type SceneShapes = readonly RodShape[];

export const shapesOf = ({ spans }: ScenePose): SceneShapes => spans.map(({ shape }) => shape);

/** All poses of a grid, in its order. */
export function solveScene(
  scene: Scene,
  grid: RigGrid,
  length_m = scene.hose.length_m,
  near?: SceneShapes,
): readonly ScenePose[] {
  return readPoses(
    scene,
    grid,
    spansOf(scene, length_m).map((span, index) => solveEnvelope(span.endsAt, grid, near?.[index])),
  );
}

/** The same poses after something was moved a little: each from its own shape before. */
export function followScene(scene: Scene, grid: RigGrid, before: readonly ScenePose[]): readonly ScenePose[] {
  const spans = spansOf(scene);
  if (before.length !== grid.poses.length || before.some((pose) => pose.spans.length !== spans.length))
    return solveScene(scene, grid);
  return readPoses(
    scene,
    grid,
    spans.map((span, index) =>
      followEnvelope(
        span.endsAt,
        grid,
        before.flatMap((pose) => pose.spans[index] ?? []),
      ),
    ),
  );
}

const readPoses = (scene: Scene, grid: RigGrid, spans: readonly (readonly SpanPose[])[]) =>
  grid.poses.map((pose, at) =>
    readPose(
      scene,
      pose,
      spans.flatMap((poses) => poses[at] ?? []),
    ),
  );

/** One pose off the grid, from a solved one near it. */
export function solvePose(scene: Scene, pose: RigPose, near: ScenePose): ScenePose {
  return readPose(
    scene,
    pose,
    spansOf(scene).map((span, index) => spanAt(span.endsAt(pose), near.spans[index]?.shape)),
  );
}

function readPose(scene: Scene, pose: RigPose, spans: readonly SpanPose[]): ScenePose {
  const radii = spans.map((span) => span.radius_m ?? 0);
  const hasAll = spans.every((span) => span.radius_m !== null);
  const ratios = spans.map((span) => span.chordRatio);
  const decidingSpan = hasAll ? radii.indexOf(Math.min(...radii)) : ratios.indexOf(Math.max(...ratios));
  const isSolved = spans.every((span) => span.shape.status === 'converged');
  return {
    pose,
    spans,
    radius_m: hasAll ? Math.min(...radii) : null,
    chordRatio: Math.max(...ratios),
    decidingSpan,
    snapped: spans.some((span) => span.snapped),
    gaps: isSolved ? gapsOf(scene, pose, spans) : scene.keepOuts.map(() => null),
    clocking_rad: isSolved ? clockingOf(scene, pose, spans) : null,
  };
}

function clockingOf({ rig, hose }: Scene, pose: RigPose, spans: readonly SpanPose[]): number | null {
  const [only] = spans;
  const { start, end } = hose;
  if (spans.length !== 1 || !only || !start.eyeAxis || !end.eyeAxis) return null;
  return clocking_rad(
    only.shape,
    placementOf(rig, start.body, pose).direction(start.eyeAxis),
    placementOf(rig, end.body, pose).direction(end.eyeAxis),
  );
}

/** The lines of the last pose, to be written over by the next. */
const scratch: Float64Array[] = [];

/** Points three numbers each, no further from one another than this along the hose. */
interface Line {
  readonly points: Float64Array;
  readonly step_m: number;
}

function gapsOf({ rig, hose, keepOuts }: Scene, pose: RigPose, spans: readonly SpanPose[]): readonly Gap[] {
  if (keepOuts.length === 0) return [];
  const lines = spans.map(({ ends, shape }, index): Line => {
    const points = (scratch[index] = rodLine(ends, shape, scratch[index]));
    return { points, step_m: ends.length_m / (points.length / 3 - 1) };
  });
  return keepOuts.map(({ body, solid, nature }) => {
    const part = placedPart(solid, placementOf(rig, body, pose));
    let nearest: Gap = { gap_m: Infinity, point_m: [0, 0, 0] };
    // A fitting is in the way of a pad pin as much as its hose is.
    const inTheWay = nature === 'service' ? [...lines, ...fittingsOf(rig, hose, pose)] : lines;
    for (const { points, step_m } of inTheWay) nearest = nearestOn(points, step_m, part, nearest);
    return { ...nearest, gap_m: nearest.gap_m - hose.outside_m / 2 };
  });
}

const parts = new WeakMap<Solid, WeakMap<Placement, PlacedSolid>>();

/** A part where its body is: it does not move while the hose is changed. */
function placedPart(solid: Solid, placement: Placement): PlacedSolid {
  let ofSolid = parts.get(solid);
  if (!ofSolid) parts.set(solid, (ofSolid = new WeakMap()));
  let part = ofSolid.get(placement);
  if (!part) ofSolid.set(placement, (part = placed(solid, placement)));
  return part;
}

/** The rigid pieces, each from its port to where its hose begins to bend. */
const fittingsOf = (rig: Rig, hose: SceneHose, pose: RigPose): readonly Line[] =>
  [hose.start, hose.end].map(({ body, port_m, outward, rigid_m }) => {
    const { point } = placementOf(rig, body, pose);
    const behind = add(port_m, scaled(unit(outward), rigid_m));
    return {
      points: Float64Array.from([...point(port_m), ...point(behind)]),
      step_m: Math.max(rigid_m, 1e-6),
    };
  });

/** Between the nodes a hose may come nearer than at them: sixths of the two pieces beside the nearest node. */
const BETWEEN = 6;

function nearestOn(line: Float64Array, step_m: number, part: PlacedSolid, before: Gap): Gap {
  let best = before.gap_m;
  let node = -1;
  for (let at = 0; at < line.length;) {
    const away_m = distanceTo(part, line[at] ?? 0, line[at + 1] ?? 0, line[at + 2] ?? 0);
    if (away_m < best) {
      best = away_m;
      node = at;
    }
    // A node can be no nearer than this one less the hose between them: those that cannot be nearest are passed over.
    at += 3 * (1 + Math.floor((away_m - best) / step_m));
  }
  if (node < 0) return before;
  const [x, y, z] = [line[node] ?? 0, line[node + 1] ?? 0, line[node + 2] ?? 0];
  let point: Vector = [x, y, z];
  for (const other of [node - 3, node + 3]) {
    if (other < 0 || other >= line.length) continue;
    const dx = (line[other] ?? 0) - x;
    const dy = (line[other + 1] ?? 0) - y;
    const dz = (line[other + 2] ?? 0) - z;
    for (let sixth = 1; sixth < BETWEEN; sixth += 1) {
      const s = sixth / BETWEEN;
      const away_m = distanceTo(part, x + s * dx, y + s * dy, z + s * dz);
      if (away_m < best) {
        best = away_m;
        point = [x + s * dx, y + s * dy, z + s * dz];
      }
    }
  }
  return { gap_m: best, point_m: point };
}

/** How far the movement turns the far eye against the near one, at most; null where the hose has no clocking. */
export function imposedTwist_rad(poses: readonly ScenePose[], installed: ScenePose): number | null {
  if (installed.clocking_rad === null) return null;
  let most = 0;
  for (const { clocking_rad: clocking } of poses)
    if (clocking !== null)
      most = Math.max(most, Math.abs(twistBetween_rad(installed.clocking_rad, clocking)));
  return most;
}

/** Straight distance between the two ports in a pose: what a tape from bolt to bolt reads. */
export function portChord_m({ rig, hose }: Scene, pose: RigPose = AS_MEASURED): number {
  const first = placementOf(rig, hose.start.body, pose).point(hose.start.port_m);
  const last = placementOf(rig, hose.end.body, pose).point(hose.end.port_m);
  return Math.sqrt((first[0] - last[0]) ** 2 + (first[1] - last[1]) ** 2 + (first[2] - last[2]) ** 2);
}

/** How far the movement carries the two ends of a span from each other: longest less shortest chord over the grid. */
export function chordRange_m(span: Span, grid: RigGrid): number {
  let least = Infinity;
  let most = 0;
  for (const pose of grid.poses) {
    const { start, end } = span.endsAt(pose);
    const chord = Math.sqrt(
      (start.point_m[0] - end.point_m[0]) ** 2 +
        (start.point_m[1] - end.point_m[1]) ** 2 +
        (start.point_m[2] - end.point_m[2]) ** 2,
    );
    least = Math.min(least, chord);
    most = Math.max(most, chord);
  }
  return most - least;
}

/** A pose kept within the movement of the rig. */
export function within(rig: Rig, pose: RigPose): RigPose {
  const { across, down } = axesOf(rig);
  const clamp = (value: number, least: number, most: number) => Math.max(least, Math.min(most, value));
  return {
    across: across ? clamp(pose.across, across.least, across.most) : 0,
    down: clamp(pose.down, down.least, down.most),
  };
}
