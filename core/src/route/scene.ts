/** A hose on its vehicle: where it is held, what it must keep away from, and what every pose makes of it. */
import type { Vector } from '../geometry/vector.ts';
import { add, distanceBetween, dot, norm, scaled, subtract, unit } from '../geometry/vector.ts';
import { clocking_rad, twistBetween_rad } from './clocking.ts';
import { endAxis } from './endAxis.ts';
import type { PieceAt, SpanPose } from './envelope.ts';
import { followEnvelope, freeSpan, solveEnvelope } from './envelope.ts';
import { behindOf } from './endPiece.ts';
import type { Gap, Measured } from './gaps.ts';
import { measured } from './gaps.ts';
import type { Scene, SceneClip, SceneEnd, SceneHose } from './sceneParts.ts';
import { heldStiffener } from './sceneParts.ts';
import type { Body, Rig, RigGrid, RigPose } from './rig.ts';
import { AS_MEASURED, axesOf, gridOf, placementOf } from './rig.ts';
import type { RodShape } from './rod.ts';
import { coarser } from './coarser.ts';
import type { Held } from './slide.ts';
import { LEAST_SLACK, naturalSlack, slid } from './slide.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import { demandGrid, demandScene } from './sceneProblem.ts';

export interface Span {
  /** What holds it, by name: `start`, a clip's id, `end`. */
  readonly from: string;
  readonly to: string;
  readonly fromBody: Body;
  readonly toBody: Body;
  /** Its two holds move against each other somewhere in the movement of the rig. */
  readonly moves: boolean;
  readonly heldAt: (pose: RigPose) => { readonly start: Held; readonly end: Held };
}

/** From one grip to the next: a span, or several that share the length over the guides between them. */
export interface Piece {
  readonly spans: readonly Span[];
  /** Free hose from grip to grip. */
  readonly length_m: number;
  readonly at: PieceAt;
}

/** A grip or a guide; of a grip that holds a stiffener, both its ends. */
interface Hold {
  readonly name: string;
  readonly body: Body;
  readonly before_m: Vector;
  readonly after_m: Vector;
  readonly along: Vector;
  /** Along the hose from the start port: where the hose before it ends, and where the hose after it begins. */
  readonly from_m: number;
  readonly to_m: number;
  readonly slides: boolean;
}

function clipHold(hose: SceneHose, clip: SceneClip): Hold {
  const along = unit(clip.along);
  const held = heldStiffener(hose, clip);
  const [from_m, to_m] = held ? [held.from_m, held.from_m + held.length_m] : [clip.at_m, clip.at_m];
  return {
    name: clip.id,
    body: clip.body,
    before_m: add(clip.point_m, scaled(along, from_m - clip.at_m)),
    after_m: add(clip.point_m, scaled(along, to_m - clip.at_m)),
    along,
    from_m,
    to_m,
    slides: clip.slides ?? false,
  };
}

function endHold(name: 'start' | 'end', end: SceneEnd, at_m: number): Hold {
  const behind = behindOf(end);
  return {
    name,
    body: end.body,
    before_m: behind,
    after_m: behind,
    along: scaled(unit(end.outward), name === 'start' ? 1 : -1),
    from_m: at_m,
    to_m: at_m,
    slides: false,
  };
}

/** The free pieces of a hose, each between two grips. With the length it was given, whatever the clips say of it. */
export function piecesOf(scene: Scene, length_m = scene.hose.length_m): readonly Piece[] {
  demandScene(scene);
  demand(firstNotPositive({ length_m }));
  const { rig, hose } = scene;
  const holds = laid(hose, [
    endHold('start', hose.start, hose.start.rigid_m),
    ...hose.clips.map((clip) => clipHold(hose, clip)),
    endHold('end', hose.end, length_m - hose.end.rigid_m),
  ]);
  const pieces: Piece[] = [];
  let first = 0;
  for (let last = 1; last < holds.length; last += 1) {
    if (holds[last]?.slides) continue;
    pieces.push(pieceOf(rig, hose, holds.slice(first, last + 1)));
    first = last;
  }
  return pieces;
}

/** All spans of a hose, in the order in which it passes them. */
export const spansOf = (scene: Scene): readonly Span[] => piecesOf(scene).flatMap(({ spans }) => spans);

function pieceOf(rig: Rig, { stiffeners = [] }: SceneHose, holds: readonly Hold[]): Piece {
  const held = (hold: Hold, point_m: Vector, pose: RigPose): Held => {
    const placement = placementOf(rig, hold.body, pose);
    return { point_m: placement.point(point_m), tangent: placement.direction(hold.along) };
  };
  const pairs = holds.slice(1).map((to, index) => [holds[index] ?? to, to] as const);
  const spans = pairs.map(([from, to]): Span => {
    const heldAt = (pose: RigPose) => ({
      start: held(from, from.after_m, pose),
      end: held(to, to.before_m, pose),
    });
    const moves = from.body !== to.body && moveApart(rig, heldAt);
    return { from: from.name, to: to.name, fromBody: from.body, toBody: to.body, moves, heldAt };
  });
  const start_m = holds[0]?.to_m ?? 0;
  const length_m = (holds.at(-1)?.from_m ?? 0) - start_m;
  const stiffs = pairs.map(([from, to]) =>
    stiffeners
      .filter((stiff) => stiff.from_m > from.to_m && stiff.from_m < to.from_m)
      .map((stiff) => ({ from_m: stiff.from_m - start_m, to_m: stiff.from_m + stiff.length_m - start_m })),
  );
  const [only] = spans;
  if (only && spans.length === 1) {
    const [own] = stiffs;
    const isBare = !own || own.length === 0;
    const at = freeSpan((pose) => {
      const { start, end } = only.heldAt(pose);
      return isBare ? { start, end, length_m } : { start, end, length_m, stiffs: own };
    }, only.moves);
    return { spans, length_m, at };
  }
  const guidesAt_m = holds.slice(1, -1).map(({ to_m }) => to_m - start_m);
  return {
    spans,
    length_m,
    at: (pose, near) =>
      slid(
        {
          holds: holds.map((hold) => held(hold, hold.after_m, pose)),
          length_m,
          guidesAt_m,
          stiffs,
          moves: spans.map(({ moves }) => moves),
        },
        near,
      ),
  };
}

/** Places of clips along a hose are marked and read to this; common practice, no published source. */
const MARK_m = 0.003;

/**
 * Between two grips on the same body a hose that is nearly as long as its own curve needs is laid as it wants to lie before the
 * clips are closed: what differs by no more than a mark on a hose is known to is no pull and no bow. It comes from the other
 * side of the clip.
 */
function laid(hose: SceneHose, holds: readonly Hold[]): readonly Hold[] {
  const result = [...holds];
  const shifted = new Set<number>();
  for (let last = 1; last < holds.length; last += 1) {
    const [from, to] = [result[last - 1], result[last]];
    // The ports stay: the last clip gives way to the far end, every other to the one before it.
    const clip = last === holds.length - 1 ? last - 1 : last;
    if (!from || !to || clip === 0 || shifted.has(clip)) continue;
    if (from.body !== to.body || from.slides || to.slides || hasStiffener(hose, from, to)) continue;
    const own = result[clip];
    if (!own || own.from_m !== own.to_m) continue;
    const chord_m = distanceBetween(from.after_m, to.before_m);
    const ends = [
      { point_m: from.after_m, tangent: from.along },
      { point_m: to.before_m, tangent: to.along },
    ] as const;
    const natural_m = chord_m * (1 + Math.max(naturalSlack(...ends), LEAST_SLACK));
    const short_m = natural_m - (to.from_m - from.to_m);
    if (Math.abs(short_m) > MARK_m) continue;
    const at_m = own.to_m + (clip === last ? short_m : -short_m);
    result[clip] = { ...own, from_m: at_m, to_m: at_m };
    shifted.add(clip);
  }
  return result;
}

const hasStiffener = ({ stiffeners = [] }: SceneHose, from: Hold, to: Hold): boolean =>
  stiffeners.some(({ from_m }) => from_m > from.to_m && from_m < to.from_m);

/** Poses at the ends and in the middle of the movement of a rig. */
const extremes = new WeakMap<Rig, readonly RigPose[]>();
/** Less than this is rounding, metres and share. */
const STILL = 1e-6;

/** Whether distance or directions of two holds differ between any poses. */
function moveApart(rig: Rig, heldAt: Span['heldAt']): boolean {
  let poses = extremes.get(rig);
  if (!poses) extremes.set(rig, (poses = gridOf(rig, 3).poses));
  let first: readonly number[] | null = null;
  for (const pose of poses) {
    const { start, end } = heldAt(pose);
    const by = subtract(end.point_m, start.point_m);
    const figures = [norm(by), dot(by, start.tangent), dot(by, end.tangent), dot(start.tangent, end.tangent)];
    first ??= figures;
    if (figures.some((figure, index) => Math.abs(figure - (first?.[index] ?? 0)) > STILL)) return true;
  }
  return false;
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
  /** What the gaps were read from; null without a shape. */
  readonly measured: Measured | null;
  /** Of the untwisted hose from the start eye to the far eye; null unless both clock and no clip grips it between. */
  readonly clocking_rad: number | null;
}

/** The installed shapes of all spans, to start a neighbouring length from. */
export type SceneShapes = readonly RodShape[];

export const shapesOf = ({ spans }: ScenePose): SceneShapes => spans.map(({ shape }) => shape);

/** The same poses with half the nodes, to be followed from while something is dragged. */
export const coarserPoses = (poses: readonly ScenePose[]): readonly ScenePose[] =>
  poses.map((pose) => ({
    ...pose,
    spans: pose.spans.map((span) => ({ ...span, shape: coarser(span.shape) })),
  }));

/** All poses of a grid, in its order. */
export function solveScene(
  scene: Scene,
  grid: RigGrid,
  length_m = scene.hose.length_m,
  near?: SceneShapes,
): readonly ScenePose[] {
  demandGrid(grid);
  let first = 0;
  const solved = piecesOf(scene, length_m).map(({ spans, at }) => {
    const from = first;
    first += spans.length;
    return solveEnvelope(at, grid, near?.slice(from, first));
  });
  return readPoses(scene, grid, solved);
}

/** The same poses after something was moved a little: each from its own shape before. */
export function followScene(scene: Scene, grid: RigGrid, before: readonly ScenePose[]): readonly ScenePose[] {
  demandGrid(grid);
  const pieces = piecesOf(scene);
  const count = pieces.reduce((sum, { spans }) => sum + spans.length, 0);
  if (before.length !== grid.poses.length || before.some((pose) => pose.spans.length !== count))
    return solveScene(scene, grid);
  let first = 0;
  const solved = pieces.map(({ spans, at }) => {
    const from = first;
    first += spans.length;
    return followEnvelope(
      at,
      grid,
      before.map((pose) => pose.spans.slice(from, first)),
    );
  });
  return readPoses(scene, grid, solved, before);
}

/** `pieces`: of each piece of the hose its spans, pose by pose. */
const readPoses = (
  scene: Scene,
  grid: RigGrid,
  pieces: readonly (readonly (readonly SpanPose[])[])[],
  before: readonly ScenePose[] = [],
): readonly ScenePose[] =>
  grid.poses.map((pose, at) =>
    readPose(
      scene,
      pose,
      pieces.flatMap((poses) => poses[at] ?? []),
      before[at]?.measured,
    ),
  );

/** One pose off the grid, from a solved one near it. */
export function solvePose(scene: Scene, pose: RigPose, near: ScenePose): ScenePose {
  demand(unphysical(pose));
  let first = 0;
  const solved = piecesOf(scene).flatMap(({ spans, at }) => {
    const from = first;
    first += spans.length;
    return at(
      pose,
      near.spans.slice(from, first).map(({ shape }) => shape),
    );
  });
  return readPose(scene, pose, solved);
}

function readPose(
  scene: Scene,
  pose: RigPose,
  spans: readonly SpanPose[],
  was: Measured | null = null,
): ScenePose {
  const radii = spans.map((span) => span.radius_m ?? 0);
  const hasAll = spans.every((span) => span.radius_m !== null);
  const ratios = spans.map((span) => span.chordRatio);
  const decidingSpan = hasAll ? radii.indexOf(Math.min(...radii)) : ratios.indexOf(Math.max(...ratios));
  const isSolved = spans.every((span) => span.shape.status === 'converged');
  const near = isSolved ? measured(scene, pose, spans, was) : null;
  return {
    pose,
    spans,
    radius_m: hasAll ? Math.min(...radii) : null,
    chordRatio: Math.max(...ratios),
    decidingSpan,
    snapped: spans.some((span) => span.snapped),
    gaps: near?.gaps ?? scene.keepOuts.map(() => null),
    measured: near,
    clocking_rad: isSolved ? clockingOf(scene, pose, spans) : null,
  };
}

function clockingOf({ rig, hose }: Scene, pose: RigPose, spans: readonly SpanPose[]): number | null {
  const { start, end } = hose;
  const [startAxis, farAxis] = [endAxis(start), endAxis(end)];
  if (hose.clips.some(({ slides }) => !slides) || !startAxis || !farAxis) return null;
  return clocking_rad(
    spans.map(({ shape }) => shape),
    placementOf(rig, start.body, pose).direction(startAxis),
    placementOf(rig, end.body, pose).direction(farAxis),
  );
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
export function portChord_m(scene: Scene, pose: RigPose = AS_MEASURED): number {
  demandScene(scene);
  demand(unphysical(pose));
  const { rig, hose } = scene;
  const first = placementOf(rig, hose.start.body, pose).point(hose.start.port_m);
  const last = placementOf(rig, hose.end.body, pose).point(hose.end.port_m);
  return Math.sqrt((first[0] - last[0]) ** 2 + (first[1] - last[1]) ** 2 + (first[2] - last[2]) ** 2);
}

/** How far the movement carries the ends of spans that share a length from each other: longest less shortest chord over the grid. */
export function chordRange_m(spans: readonly Span[], grid: RigGrid): number {
  let least = Infinity;
  let most = 0;
  for (const pose of grid.poses) {
    const chord_m = chordOf_m(spans, pose);
    least = Math.min(least, chord_m);
    most = Math.max(most, chord_m);
  }
  return most - least;
}

/** Straight from hold to hold in a pose, all of them together. */
export function chordOf_m(spans: readonly Span[], pose: RigPose): number {
  let chord_m = 0;
  for (const { heldAt } of spans) {
    const { start, end } = heldAt(pose);
    chord_m += distanceBetween(start.point_m, end.point_m);
  }
  return chord_m;
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
