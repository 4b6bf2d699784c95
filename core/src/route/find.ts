/** Which bends, turned which way, at which length, leave a hose the best worst pose. */
import { TAUT_RATIO } from './envelope.ts';
import type { FittedEnd } from './fittedEnd.ts';
import { fittedEnd } from './fittedEnd.ts';
import { judgeScene, roomIn, sceneWindow } from './judge.ts';
import { lowerBound_m } from './prove.ts';
import type { RigGrid } from './rig.ts';
import { AS_MEASURED_ONLY, gridOf } from './rig.ts';
import type { ScenePose, SceneShapes } from './scene.ts';
import type { Scene, SceneHose } from './sceneParts.ts';
import { imposedTwist_rad, shapesOf, solveScene } from './scene.ts';
import { demand } from '../calculation/physical.ts';
import type { Problem } from '../calculation/problem.ts';
import { demandScene } from './sceneProblem.ts';

/** What a search may choose from. */
export interface FittingOffer {
  readonly bends_deg: readonly number[];
  /** Whether the eye may be turned round its bolt; not where a stop or a tab holds it. */
  readonly startTurns: boolean;
  readonly endTurns: boolean;
}

export interface FoundFitting {
  readonly start: FittedEnd;
  readonly end: FittedEnd;
  readonly hose: SceneHose;
  readonly holds: boolean;
  /** The worst of bend, room and slack, each as a share of what is wanted; below nothing it does not hold. */
  readonly margin: number;
  readonly radius_m: number | null;
  readonly spare_m: number | null;
  readonly clocking_rad: number | null;
  readonly twist_rad: number | null;
  readonly short_m: number | null;
  readonly long_m: number | null;
  /** The search ended there, and not the hose: it may hold shorter, or longer, still. */
  readonly shortIsOpen: boolean;
  readonly longIsOpen: boolean;
}

export interface FindProgress {
  /** From 0 to 1. */
  readonly done: number;
  /** Best first; one for each pair of bends. Empty until the last look. */
  readonly found: readonly FoundFitting[];
}

/** As many as a person compares. */
const SHORT_LIST = 8;
const TURNS = 8;
/** Turns solved as installed, of those with the shortest way of arc, straight and arc: the hose has least to bend there. */
const LIKELY_TURNS = 24;
/** Turns looked at over the movement, of those that are best as installed. */
const KEPT_TURNS = 4;
const LENGTHS = [0.9, 0.95, 1, 1.05, 1.1] as const;
const FINER_rad = [Math.PI / 8, Math.PI / 16] as const;
/** More than this over what is wanted makes a route no better. */
const EASY = { bend: 1, room_m: 0.03, slack: 0.15 } as const;

interface Try {
  readonly start: FittedEnd;
  readonly end: FittedEnd;
  readonly length_m: number;
}

interface Tried extends Try {
  readonly margin: number;
  readonly near: SceneShapes;
}

const sceneWith = (scene: Scene, { start, end, length_m }: Try): Scene => ({
  ...scene,
  hose: {
    ...scene.hose,
    start: fittedEnd(scene.hose.start, start),
    end: fittedEnd(scene.hose.end, end),
    length_m,
  },
});

/** The worst of all poses, and of each the worst of its figures. */
function marginOf(scene: Scene, poses: readonly ScenePose[]): number {
  let worst = Infinity;
  for (const pose of poses) {
    if (pose.spans.some((span) => span.shape.status !== 'converged')) return -2;
    if (pose.snapped) return -1.5;
    const room = roomIn(scene, pose);
    worst = Math.min(
      worst,
      pose.radius_m === null ? -1 : Math.min(EASY.bend, pose.radius_m / scene.hose.leastRadius_m - 1),
      room === null ? EASY.bend : room.spare_m / EASY.room_m,
      (TAUT_RATIO - pose.chordRatio) / EASY.slack,
    );
  }
  return worst;
}

function tryOn(scene: Scene, grid: RigGrid, tried: Try, near?: SceneShapes): Tried {
  const candidate = sceneWith(scene, tried);
  const poses = solveScene(candidate, grid, tried.length_m, near);
  const installed = poses[grid.installed];
  return { ...tried, margin: marginOf(candidate, poses), near: installed ? shapesOf(installed) : [] };
}

function likely(scene: Scene, ways: readonly Try[]): readonly Try[] {
  return ways
    .map((way) => ({ way, shortest_m: lowerBound_m(sceneWith(scene, way), AS_MEASURED_ONLY) }))
    .sort((a, b) => a.shortest_m - b.shortest_m)
    .slice(0, LIKELY_TURNS)
    .map(({ way }) => way);
}

const best = (tries: readonly Tried[], count: number): readonly Tried[] =>
  [...tries].sort((a, b) => b.margin - a.margin).slice(0, count);

/**
 * Every pair of bends on offer, turned all ways as installed, the best of those over a coarse movement at several lengths, and
 * the best of all over the whole movement with their length windows. Yields often, so that it can be shown and stopped.
 */
export function* findFittings(scene: Scene, offer: FittingOffer): Generator<FindProgress> {
  demandScene(scene);
  demand(bendsProblem(offer.bends_deg));
  const coarse = gridOf(scene.rig, 3);
  const fine = gridOf(scene.rig, 9);
  const pairs = offer.bends_deg.flatMap((start) => offer.bends_deg.map((end) => [start, end] as const));
  const turns = (may: boolean) =>
    may ? Array.from({ length: TURNS }, (_none, index) => (index * 2 * Math.PI) / TURNS) : [0];
  const { length_m } = scene.hose;
  const steps = pairs.length + SHORT_LIST;
  const kept: Tried[] = [];
  for (const [index, [startBend, endBend]] of pairs.entries()) {
    const allWays = turns(offer.startTurns).flatMap((startTurn) =>
      turns(offer.endTurns).map((endTurn): Try => ({
        start: { bend_deg: startBend, turn_rad: startTurn },
        end: { bend_deg: endBend, turn_rad: endTurn },
        length_m,
      })),
    );
    const asInstalled = likely(scene, allWays).map((one) => tryOn(scene, AS_MEASURED_ONLY, one));
    const moved = best(asInstalled, KEPT_TURNS).flatMap((one) =>
      LENGTHS.map((share) => tryOn(scene, coarse, { ...one, length_m: length_m * share }, one.near)),
    );
    kept.push(...best(moved, 1));
    yield { done: (index + 1) / steps, found: [] };
  }
  const found: FoundFitting[] = [];
  for (const [index, start] of best(kept, SHORT_LIST).entries()) {
    found.push(judged(scene, fine, refined(scene, coarse, start, offer)));
    yield {
      done: (pairs.length + index + 1) / steps,
      found: [...found].sort((a, b) => b.margin - a.margin || (a.twist_rad ?? 0) - (b.twist_rad ?? 0)),
    };
  }
}

/** Necks are straight or bent by less than half a turn. */
function bendsProblem(bends_deg: readonly number[]): Problem | null {
  if (bends_deg.length === 0) return { code: 'noSuchBend', field: 'bends_deg' };
  const at = bends_deg.findIndex((bend) => !(bend >= 0 && bend < 180));
  return at < 0 ? null : { code: 'noSuchBend', field: `bends_deg.${at}` };
}

/** A little turned, a little longer or shorter, as long as it gets better. */
function refined(scene: Scene, grid: RigGrid, from: Tried, offer: FittingOffer): Tried {
  let here = from;
  for (const by_rad of FINER_rad) {
    const around: Try[] = [-1, 1].flatMap((sign) => [
      ...(offer.startTurns
        ? [{ ...here, start: { ...here.start, turn_rad: here.start.turn_rad + sign * by_rad } }]
        : []),
      ...(offer.endTurns
        ? [{ ...here, end: { ...here.end, turn_rad: here.end.turn_rad + sign * by_rad } }]
        : []),
      { ...here, length_m: here.length_m * (1 + 0.02 * sign) },
    ]);
    const [better] = best(
      around.map((one) => tryOn(scene, grid, one, here.near)),
      1,
    );
    if (better && better.margin > here.margin) here = better;
  }
  return here;
}

/** Poses each way for the windows of the short list: the bench works out the one that is chosen in full. */
const WINDOW_STEPS = 5;
/** Whole millimetres are ordered, not less. */
const MILLIMETRE_m = 0.001;

function judged(scene: Scene, grid: RigGrid, tried: Tried): FoundFitting {
  const length_m = Math.round(tried.length_m / MILLIMETRE_m) * MILLIMETRE_m;
  const candidate = sceneWith(scene, { ...tried, length_m });
  const poses = solveScene(candidate, grid, length_m, tried.near);
  const installed = poses[grid.installed];
  const verdict = judgeScene(candidate, poses, installed);
  const window = verdict.holds
    ? sceneWindow(candidate, gridOf(scene.rig, WINDOW_STEPS), {
        from_m: length_m * 0.7,
        to_m: length_m * 1.5,
        nominal_m: length_m,
      })
    : null;
  return {
    start: tried.start,
    end: tried.end,
    hose: candidate.hose,
    holds: verdict.holds,
    margin: marginOf(candidate, poses),
    radius_m: verdict.radius_m,
    spare_m: verdict.room?.spare_m ?? null,
    clocking_rad: installed?.clocking_rad ?? null,
    twist_rad: installed ? imposedTwist_rad(poses, installed) : null,
    short_m: window?.short.length_m ?? null,
    long_m: window?.long.length_m ?? null,
    shortIsOpen: window !== null && window.short.beyond === null,
    longIsOpen: window !== null && window.long.beyond === null,
  };
}
