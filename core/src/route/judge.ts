/** What the poses of a scene say of its hose: whether it holds, by which pose, and where each figure is worst. */
import { TAUT_RATIO } from './envelope.ts';
import type { RigGrid, RigPose } from './rig.ts';
import { AS_MEASURED } from './rig.ts';
import { coarser, finer } from './coarser.ts';
import type { ScenePose, SceneShapes } from './scene.ts';
import type { Scene } from './sceneParts.ts';
import { chordOf_m, piecesOf, shapesOf, solvePose, solveScene, within } from './scene.ts';
import type { LengthScan, Window } from './window.ts';
import { searchWindow } from './window.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import { demandGrid, demandScene } from './sceneProblem.ts';

export type Reason = 'taut' | 'snap' | 'close' | 'bend' | 'none';

export interface SceneVerdict {
  readonly holds: boolean;
  readonly reason: Reason;
  /** The pose that decides. */
  readonly pose: RigPose;
  /** Tightest bend over all poses; null when some pose has none to show. */
  readonly radius_m: number | null;
  readonly chordRatio: number;
  /** The least of gap less what is wanted, over poses and keep-outs, and the keep-out's place; null without keep-outs. */
  readonly room: { readonly spare_m: number; readonly gap_m: number; readonly keepOut: number } | null;
  /** Installed shapes, to start a neighbouring length from. */
  readonly near: SceneShapes;
}

/** Judged in the order of harm: pulled, jumping, touching, bent too tight. */
export function judgeScene(
  scene: Scene,
  poses: readonly ScenePose[],
  installed: ScenePose | undefined,
): SceneVerdict {
  demandScene(scene);
  const taut = most(poses, (pose) => pose.chordRatio);
  const tight = most(poses, (pose) => -(pose.radius_m ?? 0));
  const close = most(poses, (pose) => -(roomIn(scene, pose)?.spare_m ?? Infinity));
  const room = close ? roomIn(scene, close) : null;
  const lost = poses.find((pose) => pose.spans.some((span) => span.shape.status !== 'converged'));
  const snap = lost ?? poses.find((pose) => pose.snapped);
  const hasAll = poses.length > 0 && poses.every((pose) => pose.radius_m !== null);
  const radius_m = hasAll ? (tight?.radius_m ?? null) : null;
  const chordRatio = taut?.chordRatio ?? 1;
  const [reason, deciding]: [Reason, ScenePose | undefined] =
    chordRatio > TAUT_RATIO
      ? ['taut', taut]
      : snap
        ? ['snap', snap]
        : room && room.spare_m < 0
          ? ['close', close]
          : (radius_m ?? 0) < scene.hose.leastRadius_m
            ? ['bend', tight]
            : ['none', tight];
  return {
    holds: reason === 'none',
    reason,
    pose: deciding?.pose ?? { across: 0, down: 0 },
    radius_m,
    chordRatio,
    room,
    near: installed ? shapesOf(installed) : [],
  };
}

/** The keep-out that a pose leaves least room to. */
export function roomIn({ keepOuts }: Scene, { gaps }: ScenePose): SceneVerdict['room'] {
  let best: SceneVerdict['room'] = null;
  for (const [index, keepOut] of keepOuts.entries()) {
    const gap = gaps[index];
    // What has to be reached for service is no danger on the road; it is judged as installed.
    if (!gap || keepOut.nature === 'service') continue;
    const spare_m = gap.gap_m - gap.wanted_m;
    // A gap that is no figure hides none: it is the worst of all.
    if (!best || !(spare_m >= best.spare_m)) best = { spare_m, gap_m: gap.gap_m, keepOut: index };
  }
  return best;
}

/** Poses that differ by less than this, metres or share, are alike: then the one nearest to straight ahead is named. */
const ALIKE = 1e-4;
const coarse = (value: number) => (Number.isFinite(value) ? Math.round(value / ALIKE) : value);

function most<Posed extends { readonly pose: RigPose }>(
  poses: readonly Posed[],
  measure: (posed: Posed) => number,
): Posed | undefined {
  let best: Posed | undefined;
  let highest = -Infinity;
  for (const pose of poses) {
    const value = coarse(measure(pose));
    const isNearer = value === highest && best && Math.abs(pose.pose.across) < Math.abs(best.pose.across);
    if (!best || value > highest || isNearer) {
      best = pose;
      highest = value;
    }
  }
  return best;
}

/** A whole grid judged at one length. */
export function judgeAt(scene: Scene, grid: RigGrid, length_m: number, near?: SceneShapes): SceneVerdict {
  const poses = solveScene(scene, grid, length_m, near);
  return judgeScene(scene, poses, poses[grid.installed]);
}

/** More lengths than this are no curve any more. */
const MOST_SAMPLES = 10_000;

/** Lengths to look between: from the shorter to the longer. */
function demandScan({ from_m, to_m, nominal_m }: LengthScan): void {
  demand(firstNotPositive({ from_m, to_m, nominal_m }));
  demand(from_m <= to_m ? null : { code: 'rangeUpsideDown', field: 'from_m' });
}

/** So much over it, and the hose is not pulled by rounding alone. */
const ROUNDING_m = 1e-6;

/**
 * The length at which the hose is pulled in some pose, and that pose: told by the ends alone, without a shape. A clip keeps its
 * place from the start, so that only the last piece is shorter on a shorter hose.
 */
function tautEdge(
  scene: Scene,
  grid: RigGrid,
): { readonly length_m: number; readonly verdict: SceneVerdict } {
  const last = piecesOf(scene).at(-1);
  const spans = last?.spans ?? [];
  const moving = spans.filter(({ moves }) => moves);
  // The reserve is asked for where something moves; it may lie in any span of the piece.
  const needs = grid.poses.map((pose) => ({
    pose,
    length_m: chordOf_m(spans, pose) + chordOf_m(moving, pose) * (1 / TAUT_RATIO - 1),
  }));
  const longest = most(needs, ({ length_m }) => length_m);
  const rest_m = scene.hose.length_m - (last?.length_m ?? 0);
  return {
    length_m: rest_m + (longest?.length_m ?? 0),
    verdict: {
      holds: false,
      reason: 'taut',
      pose: longest?.pose ?? AS_MEASURED,
      radius_m: null,
      chordRatio: TAUT_RATIO,
      room: null,
      near: [],
    },
  };
}

/** The lengths that hold in every pose, round the hose's own; null when that does not hold. */
export function* searchSceneWindow(
  scene: Scene,
  grid: RigGrid,
  scan: LengthScan,
): Generator<undefined, Window<SceneVerdict> | null> {
  demandScan(scan);
  const taut = tautEdge(scene, grid);
  const from_m = Math.max(scan.from_m, Math.min(taut.length_m + ROUNDING_m, scan.nominal_m));
  const window = yield* searchWindow<SceneVerdict>(
    (length_m, closeness, near) =>
      judgeAt(scene, grid, length_m, near?.near.map(closeness === 'roughly' ? coarser : finer)),
    { ...scan, from_m },
  );
  if (!window || window.short.beyond || from_m === scan.from_m) return window;
  return { ...window, short: { ...window.short, beyond: taut.verdict } };
}

/** The same in one go. */
export function sceneWindow(scene: Scene, grid: RigGrid, scan: LengthScan): Window<SceneVerdict> | null {
  const search = searchSceneWindow(scene, grid, scan);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}

export interface LengthSample {
  readonly length_m: number;
  readonly verdict: SceneVerdict;
}

/** Lengths evenly from end to end, outwards from the hose's own, each from its neighbour: in that order, one at a time. */
export function* eachLength(
  scene: Scene,
  grid: RigGrid,
  scan: LengthScan,
  count: number,
): Generator<LengthSample> {
  demandScan(scan);
  demand(
    Number.isInteger(count) && count > 1 && count <= MOST_SAMPLES
      ? null
      : { code: 'notPositive', field: 'count', value: count },
  );
  const { from_m, to_m, nominal_m } = scan;
  const nominal = judgeAt(scene, grid, nominal_m);
  const lengths = Array.from(
    { length: count },
    (_none, index) => from_m + ((to_m - from_m) * index) / (count - 1),
  );
  const longer = lengths.filter((length_m) => length_m >= nominal_m);
  const shorter = lengths.filter((length_m) => length_m < nominal_m).reverse();
  for (const outward of [longer, shorter]) {
    // Half the nodes: a curve is read by eye, and its bends are at most two thousandths off.
    let near: SceneShapes = nominal.near.map(coarser);
    for (const length_m of outward) {
      const verdict = judgeAt(scene, grid, length_m, near);
      // A length with no shape leaves nothing to start from: the next one starts where the last one held.
      if (verdict.near.every((shape) => shape.status === 'converged')) near = verdict.near;
      yield { length_m, verdict };
    }
  }
}

/** The same, all at once and in order of length. */
export const scanLengths = (
  scene: Scene,
  grid: RigGrid,
  scan: LengthScan,
  count: number,
): readonly LengthSample[] =>
  [...eachLength(scene, grid, scan, count)].sort((a, b) => a.length_m - b.length_m);

export type Figure = 'radius' | 'room' | 'taut';

/** What gets worse as it gets larger, for the figure that is looked for. */
function badness(scene: Scene, figure: Figure, pose: ScenePose): number {
  if (figure === 'taut') return pose.chordRatio;
  return figure === 'radius' ? -(pose.radius_m ?? 0) : -(roomIn(scene, pose)?.spare_m ?? Infinity);
}

/** From how many of the worst grid poses the search sets out. */
export const SEARCHES = 3;
const FINEST = 64;
/** A hundredth of a millimetre: less is rounding. */
const LEAST_GAIN = 1e-5;

/**
 * The worst pose, between those of the grid as well: a compass search with halving steps from the three worst. A plain
 * grid makes the radius look up to six per cent better than it is. With no searches, the worst of the grid.
 */
export function worstPose(
  scene: Scene,
  grid: RigGrid,
  poses: readonly ScenePose[],
  figure: Figure,
  searches = SEARCHES,
): ScenePose | null {
  demandScene(scene);
  demandGrid(grid);
  demand(unphysical({ searches }, { notNegative: ['searches'] }));
  if (searches === 0) return most(poses, (pose) => badness(scene, figure, pose)) ?? null;
  const bad = new Map(poses.map((pose) => [pose, badness(scene, figure, pose)]));
  const order = (pose: ScenePose) => coarse(bad.get(pose) ?? 0);
  const sorted = [...poses].sort(
    (a, b) => order(b) - order(a) || Math.abs(a.pose.across) - Math.abs(b.pose.across),
  );
  const { poses: at, columns } = grid;
  const across = columns > 1 ? Math.abs((at[1]?.across ?? 0) - (at[0]?.across ?? 0)) : 0;
  const down = Math.abs((at[columns]?.down ?? 0) - (at[0]?.down ?? 0));
  let worst = sorted[0] ?? null;
  for (const start of sorted.slice(0, searches)) {
    let here = start;
    for (let share = 2; share <= FINEST; share *= 2) {
      for (const [a, d] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ] as const) {
        const pose = within(scene.rig, {
          across: here.pose.across + (a * across) / share,
          down: here.pose.down + (d * down) / share,
        });
        if (pose.across === here.pose.across && pose.down === here.pose.down) continue;
        const there = solvePose(scene, pose, here);
        if (badness(scene, figure, there) > badness(scene, figure, here) + LEAST_GAIN) here = there;
      }
    }
    if (!worst || badness(scene, figure, here) > badness(scene, figure, worst) + LEAST_GAIN) worst = here;
  }
  return worst;
}
