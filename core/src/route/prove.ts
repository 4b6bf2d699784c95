/** A route proved over the whole movement of its vehicle: the figures that decide, their working and cautions. */
import type { Quantity } from '../calculation/quantity.ts';
import { angle, count, length, ratio } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { LengthBound } from './dubins.ts';
import { shortestBetween } from './dubins.ts';
import { TAUT_RATIO } from './envelope.ts';
import type { Figure, SceneVerdict } from './judge.ts';
import { judgeScene, roomIn, SEARCHES, worstPose } from './judge.ts';
import type { RigGrid, RigPose } from './rig.ts';
import { axesOf, gridOf } from './rig.ts';
import type { Piece, ScenePose, Span } from './scene.ts';
import type { Scene } from './sceneParts.ts';
import { serviceCautions } from './service.ts';
import { chordOf_m, chordRange_m, imposedTwist_rad, piecesOf } from './scene.ts';
import { heldStiffener } from './sceneParts.ts';
import { demandGrid, demandScene, sceneProblem } from './sceneProblem.ts';

const TAUT: Formula = {
  expression: 'chord ratio = c_moves ÷ (c_moves + L_free − c), at most 0.97',
  source: 'routeMargins',
};
const BEND: Formula = {
  expression: 'R = 1/κ_max; ½κ² − n·t is the same all along each free span',
  source: 'elasticRod',
};
const GAP: Formula = { expression: 'gap = distance to the part − ½·d_outside', source: 'routeMargins' };
const BOUNDS: Readonly<Record<LengthBound['by'], Formula>> = {
  arcStraightArc: { expression: 'L ≥ rigid pieces + (arc + straight + arc of R_min)', source: 'dubins' },
  turns: {
    expression: 'L ≥ rigid pieces + max(c, c + R_min(θ₀ − sin θ₀ + θ₁ − sin θ₁))',
    source: 'dubins',
  },
};
/** A bound is worked out in so many poses along each axis. */
const BOUND_POSES = 3;
const TWIST: Formula = {
  expression: 'twist = greatest change of clocking from the installed pose',
  source: 'parallelTransport',
};

/** From a figure to where it is worst. */
export interface WorstFigure {
  readonly value: number;
  readonly pose: RigPose;
  /** Which free span of the hose decides. */
  readonly span: number;
}

export interface RouteProof {
  readonly holds: boolean;
  readonly reason: SceneVerdict['reason'];
  readonly pose: RigPose;
  /** The tightest bend of all poses; null where some pose has none to show. */
  readonly radius_m: WorstFigure | null;
  readonly chordRatio: WorstFigure;
  /** The keep-out that comes nearest to its margin; null without keep-outs or without a shape. */
  readonly room: {
    readonly keepOut: number;
    readonly gap_m: number;
    readonly spare_m: number;
    readonly pose: RigPose;
  } | null;
  /** Of the hose as installed, twist-free; null where an end may turn or a clip holds the hose between. */
  readonly clocking_rad: number | null;
  readonly imposedTwist_rad: number | null;
  /** No hose of this least radius can be shorter and still reach in every pose; a bound, not a length to order. */
  readonly bound: LengthBound;
}

/**
 * `known`, the bound of its length, may be given by whoever knows it from before: it depends on the ends, not on the length.
 * The proof of a route from its solved poses (all of a grid). The tightest bend and the least room are looked for
 * between the poses as well, unless it has to be quick. Raises M05, M10, M11, M12, M15, M16, M18. Problem: a scene that cannot be solved.
 */
export function proveRoute(
  scene: Scene,
  grid: RigGrid,
  poses: readonly ScenePose[],
  between = true,
  known?: LengthBound,
): Result<RouteProof> {
  const refused = sceneProblem(scene);
  if (refused) return problem(refused);
  const installed = poses[grid.installed];
  if (!installed) return problem({ code: 'notPositive', field: 'poses', value: poses.length });
  const worst = (figure: Figure) => worstPose(scene, grid, poses, figure, between ? SEARCHES : 0);
  const worstBend = worst('radius');
  const worstRoom = scene.keepOuts.length > 0 ? worst('room') : null;
  const worstChord = worst('taut') ?? installed;
  const found = [worstBend, worstRoom, worstChord].flatMap((pose) => pose ?? []);
  const verdict = judgeScene(scene, [...poses, ...found], installed);
  const room = worstRoom && roomIn(scene, worstRoom);
  const proof: RouteProof = {
    holds: verdict.holds,
    reason: verdict.reason,
    pose: verdict.pose,
    radius_m:
      verdict.radius_m !== null && worstBend?.radius_m
        ? { value: worstBend.radius_m, pose: worstBend.pose, span: worstBend.decidingSpan }
        : null,
    chordRatio: { value: worstChord.chordRatio, pose: worstChord.pose, span: tautSpan(worstChord) },
    room: room && worstRoom && { ...room, pose: worstRoom.pose },
    clocking_rad: installed.clocking_rad,
    imposedTwist_rad: imposedTwist_rad(poses, installed),
    bound: known ?? lowerBound(scene, grid),
  };
  return calculated(proof, workingOf(scene, proof, poses.length), [
    ...cautionsOf(scene, grid, proof, [...poses, ...found]),
    // Which turn would clear a pin is searched when the hand rests.
    ...(between ? serviceCautions(scene, installed) : []),
  ]);
}

const tautSpan = ({ spans }: ScenePose) => {
  const ratios = spans.map((span) => span.chordRatio);
  return ratios.indexOf(Math.max(...ratios));
};

/**
 * Of every piece between two grips the longest of the shortest ways in nine poses, and the rigid pieces. The longest of some
 * poses is a bound as well as the longest of all. Which way it was found: `LengthBound`.
 */
export function lowerBound(scene: Scene, grid: RigGrid): LengthBound {
  demandScene(scene);
  demandGrid(grid);
  const { hose } = scene;
  let sum = hose.start.rigid_m + hose.end.rigid_m;
  let isWay = true;
  for (const clip of hose.clips) sum += heldStiffener(hose, clip)?.length_m ?? 0;
  const poses = grid.poses.length > BOUND_POSES ** 2 ? gridOf(scene.rig, BOUND_POSES).poses : grid.poses;
  for (const { spans } of piecesOf(scene)) {
    let most_m = 0;
    let isMostWay = true;
    for (const pose of poses) {
      // The spans of a piece lend each other hose: what counts is all of them together.
      let needed_m = 0;
      let isPoseWay = true;
      for (const { heldAt } of spans) {
        const { start, end } = heldAt(pose);
        const { length_m, by } = shortestBetween(start, end, hose.leastRadius_m);
        needed_m += length_m;
        isPoseWay &&= by === 'arcStraightArc';
      }
      if (needed_m > most_m) [most_m, isMostWay] = [needed_m, isPoseWay];
    }
    sum += most_m;
    isWay &&= isMostWay;
  }
  return { length_m: sum, by: isWay ? 'arcStraightArc' : 'turns' };
}

/** The length alone. */
export const lowerBound_m = (scene: Scene, grid: RigGrid): number => lowerBound(scene, grid).length_m;

function workingOf(scene: Scene, proof: RouteProof, poses: number): readonly WorkingStep[] {
  const { hose } = scene;
  const taut = pieceWith(scene, proof.chordRatio.span);
  const free_m = taut?.length_m ?? hose.length_m;
  const chord_m = (spans: readonly Span[]) => length(chordOf_m(spans, proof.chordRatio.pose));
  const across = (symbol: string, pose: RigPose) => poseTerms(scene, symbol, pose);
  const step = (formula: Formula, inputs: WorkingStep['inputs'], result: WorkingStep['result']) => ({
    formula,
    inputs,
    result,
  });
  return [
    step(
      TAUT,
      [
        term('c', 'chordWorst', chord_m(taut?.spans ?? [])),
        term('c_moves', 'chordMoving', chord_m(taut?.spans.filter(({ moves }) => moves) ?? [])),
        term('L_free', 'freeSpan', length(free_m)),
        ...across('at', proof.chordRatio.pose),
      ],
      term('chord ratio', 'chordRatio', ratio(round(proof.chordRatio.value, 4))),
    ),
    ...(proof.radius_m
      ? [
          step(
            BEND,
            [
              term('poses', 'posesSolved', count(poses)),
              term('R_min', 'leastRadius', length(hose.leastRadius_m)),
              ...across('at', proof.radius_m.pose),
            ],
            term('R', 'bendRadius', length(proof.radius_m.value)),
          ),
        ]
      : []),
    ...(proof.room
      ? [
          step(
            GAP,
            [
              term('d_outside', 'hoseOutside', length(hose.outside_m)),
              term('wanted', 'gapWanted', length(proof.room.gap_m - proof.room.spare_m)),
              ...across('at', proof.room.pose),
            ],
            term('gap', 'gap', length(proof.room.gap_m)),
          ),
        ]
      : []),
    step(
      BOUNDS[proof.bound.by],
      [
        term('R_min', 'leastRadius', length(hose.leastRadius_m)),
        term('L', 'hoseLength', length(hose.length_m)),
      ],
      term('L_bound', 'lowerBound', length(proof.bound.length_m)),
    ),
    ...(proof.imposedTwist_rad === null || proof.clocking_rad === null
      ? []
      : [
          step(
            TWIST,
            [term('clocking', 'clockingInstalled', angle(proof.clocking_rad))],
            term('twist', 'imposedTwist', angle(proof.imposedTwist_rad)),
          ),
        ]),
  ];
}

const AXIS_MEANINGS = {
  steering: 'steeringAngle',
  travel: 'travelPressed',
  swing: 'swingAngle',
  roll: 'rollAngle',
} as const;

/** Where on the movement a figure is worst. */
function poseTerms({ rig }: Scene, symbol: string, pose: RigPose): WorkingStep['inputs'] {
  const { across, down } = axesOf(rig);
  const quantity = (unit: 'length' | 'angle', value: number): Quantity =>
    unit === 'length' ? length(value) : angle(value);
  return [
    ...(across ? [term(symbol, AXIS_MEANINGS[across.name], quantity(across.unit, pose.across))] : []),
    term(symbol, AXIS_MEANINGS[down.name], quantity(down.unit, pose.down)),
  ];
}

/** The piece that a span belongs to. */
function pieceWith(scene: Scene, span: number): Piece | undefined {
  let first = 0;
  return piecesOf(scene).find(({ spans }) => {
    first += spans.length;
    return span < first;
  });
}

const round = (value: number, digits: number) => Number(value.toFixed(digits));

/** Near enough to full bump for the loop there to be the matter. */
const BUMP_SHARE = 0.75;
/** A tie on the bars matters where the wheel moves this far below it. Our estimate. */
const LONG_TRAVEL_m = 0.1;

function cautionsOf(
  scene: Scene,
  grid: RigGrid,
  proof: RouteProof,
  judged: readonly ScenePose[],
): readonly Caution[] {
  const { rig, hose } = scene;
  const cautions: Caution[] = [];
  const taut = pieceWith(scene, proof.chordRatio.span);
  if (proof.chordRatio.value > TAUT_RATIO && taut) {
    cautions.push({
      id: 'M11',
      evidence: {
        from: taut.spans[0]?.from ?? 'start',
        to: taut.spans.at(-1)?.to ?? 'end',
        moves_m: chordRange_m(taut.spans, grid),
        chord_m: chordOf_m(taut.spans, proof.chordRatio.pose),
        free_m: taut.length_m,
      },
    });
  } else if (proof.radius_m && proof.radius_m.value < hose.leastRadius_m)
    cautions.push({
      id: 'M10',
      evidence: { radius_m: proof.radius_m.value, least_m: hose.leastRadius_m },
    });
  cautions.push(...closeCautions(scene, judged));
  if (rig.kind === 'fork' && rig.travel_m >= LONG_TRAVEL_m)
    for (const clip of hose.clips.filter(({ body, slides }) => body === 'bars' && !slides))
      cautions.push({ id: 'M12', evidence: { clip: clip.id, travel_m: rig.travel_m } });
  return cautions;
}

/** One for every part that the hose comes nearer than it may, stops before warnings. */
function closeCautions(scene: Scene, judged: readonly ScenePose[]): readonly Caution[] {
  const { down } = axesOf(scene.rig);
  const found = scene.keepOuts.flatMap((part, index): readonly Caution[] => {
    if (part.nature === 'service') return [];
    let closest: { readonly gap_m: number; readonly wanted_m: number; readonly pose: RigPose } | null = null;
    for (const { pose, gaps } of judged) {
      const gap = gaps[index];
      if (gap && gap.gap_m - gap.wanted_m < (closest ? closest.gap_m - closest.wanted_m : 0))
        closest = { gap_m: gap.gap_m, wanted_m: gap.wanted_m, pose };
    }
    if (!closest) return [];
    const { gap_m, wanted_m, pose } = closest;
    const share = (pose.down - down.least) / (down.most - down.least);
    if (part.nature === 'moving' && share >= BUMP_SHARE)
      return [{ id: 'M05', evidence: { spare_m: null, loop: { part: part.name, gap_m } } }];
    if (part.nature === 'still' && gap_m >= 0) return [{ id: 'M16', evidence: { part: part.name, gap_m } }];
    return [{ id: 'M15', evidence: { part: part.name, nature: part.nature, gap_m, wanted_m } }];
  });
  return [...found.filter(({ id }) => id !== 'M16'), ...found.filter(({ id }) => id === 'M16')];
}
