/** How near a hose comes to what it has to keep away from, its sleeves included. */
import { demand, unphysical } from '../calculation/physical.ts';
import type { Vector } from '../geometry/vector.ts';
import type { SpanPose } from './envelope.ts';
import { cornersOf } from './endPiece.ts';
import { longestStep_m, rodLine } from './measures.ts';
import type { Placement } from './motion.ts';
import type { Rig, RigPose } from './rig.ts';
import { placementOf } from './rig.ts';
import type { KeepOut, Nature, Scene, SceneHose, SceneSleeve } from './sceneParts.ts';
import { heldStiffener } from './sceneParts.ts';
import type { PlacedSolid, Solid } from './solid.ts';
import { distanceTo, placed } from './solid.ts';

/** What has to stay free: hot and moving parts, our defaults; the shop or the maker may say otherwise. */
export const LEAST_GAP_m: Readonly<Record<Nature, number>> = {
  hot: 0.025,
  moving: 0.01,
  still: 0.005,
  service: 0.005,
};

export interface Gap {
  /** From the hose's surface to the part's, or from its sleeve's where it has one; below zero where they meet. */
  readonly gap_m: number;
  /** What has to stay free there. */
  readonly wanted_m: number;
  readonly point_m: Vector;
}

/** `isCovered`: by a sleeve on the hose there, which may lie against what does not move. */
export function leastGap_m({ gap_m, nature, sleeved }: KeepOut, isCovered = false): number {
  demand(unphysical({ gap_m }, { notNegative: ['gap_m'] }));
  return nature === 'still' && (sleeved || isCovered) ? 0 : (gap_m ?? LEAST_GAP_m[nature]);
}

/** Points three numbers each, no further from one another than this along the hose. */
interface Line {
  readonly points: Float64Array;
  readonly step_m: number;
}

/** Lines as thick as one another: the bare hose, or one of its sleeves. */
interface Stretch {
  readonly lines: readonly Line[];
  readonly half_m: number;
  readonly isCovered: boolean;
}

/** How near the bare hose of a span comes to a part. */
interface SpanNearest {
  readonly part: PlacedSolid;
  readonly nearest: Nearest;
}

/** What was measured in a pose, span by span, so that what did not change needs not be measured again. */
export interface Measured {
  readonly spans: readonly SpanPose[];
  /** Of each span, in the order of the parts; none where sleeves lie over the spans. */
  readonly near: readonly (readonly SpanNearest[])[];
  /** Of every part the place on the hose that leaves least to spare. */
  readonly gaps: readonly Gap[];
}

/** The lines of the last pose, to be written over by the next. */
const scratch: Float64Array[] = [];

/** `was`: the same pose before something was moved. */
export function measured(
  scene: Scene,
  pose: RigPose,
  spans: readonly SpanPose[],
  was: Measured | null = null,
): Measured {
  const { rig, hose, keepOuts } = scene;
  if (keepOuts.length === 0) return { spans, near: [], gaps: [] };
  const parts = keepOuts.map(({ solid, body }) => placedPart(solid, placementOf(rig, body, pose)));
  if ((hose.sleeves ?? []).length > 0) return { spans, near: [], gaps: gapsUnder(scene, pose, spans, parts) };
  const near = spans.map((span, index) => {
    const before = was?.spans[index] === span ? was.near[index] : undefined;
    return before && parts.every((part, at) => before[at]?.part === part)
      ? before
      : nearestOf(lineOf(span, index), parts);
  });
  const gaps = keepOuts.map((keepOut, at): Gap => {
    let nearest = NOWHERE;
    for (const ofSpan of near) {
      const own = ofSpan[at]?.nearest;
      if (own && own.away_m < nearest.away_m) nearest = own;
    }
    const part = parts[at];
    if (part && keepOut.nature === 'service') nearest = withFittings(scene, pose, part, nearest);
    return {
      gap_m: nearest.away_m - hose.outside_m / 2,
      wanted_m: leastGap_m(keepOut),
      point_m: nearest.point_m,
    };
  });
  return { spans, near, gaps };
}

const nearestOf = ({ points, step_m }: Line, parts: readonly PlacedSolid[]): readonly SpanNearest[] =>
  parts.map((part) => ({ part, nearest: nearestOn(points, step_m, part, NOWHERE) }));

const lineOf = ({ ends, shape }: SpanPose, index: number): Line => ({
  points: (scratch[index] = rodLine(ends, shape, scratch[index])),
  step_m: longestStep_m(ends, shape),
});

/** A fitting is in the way of a pad pin as much as its hose is. */
function withFittings({ rig, hose }: Scene, pose: RigPose, part: PlacedSolid, before: Nearest): Nearest {
  let nearest = before;
  for (const { points, step_m } of fittingsOf(rig, hose, pose))
    nearest = nearestOn(points, step_m, part, nearest);
  return nearest;
}

/** Of a hose with sleeves, stretch by stretch. */
function gapsUnder(
  scene: Scene,
  pose: RigPose,
  spans: readonly SpanPose[],
  parts: readonly PlacedSolid[],
): readonly Gap[] {
  const { hose, keepOuts } = scene;
  const stretches = stretchesOf(hose, spans);
  return keepOuts.map((keepOut, at) => {
    const part = parts[at];
    let best: Gap | null = null;
    for (const { lines, half_m, isCovered } of stretches) {
      if (!part) break;
      let nearest = NOWHERE;
      for (const { points, step_m } of lines) nearest = nearestOn(points, step_m, part, nearest);
      if (keepOut.nature === 'service' && !isCovered) nearest = withFittings(scene, pose, part, nearest);
      const gap_m = nearest.away_m - half_m;
      const wanted_m = leastGap_m(keepOut, isCovered);
      if (!best || gap_m - wanted_m < best.gap_m - best.wanted_m)
        best = { gap_m, wanted_m, point_m: nearest.point_m };
    }
    return best ?? { gap_m: Infinity, wanted_m: leastGap_m(keepOut), point_m: [0, 0, 0] };
  });
}

function stretchesOf(hose: SceneHose, spans: readonly SpanPose[]): readonly Stretch[] {
  const lines = spans.map(lineOf);
  const { sleeves = [], outside_m } = hose;
  const begins_m = beginsOf(hose, spans);
  const between = (from_m: number, to_m: number): readonly Line[] =>
    lines.flatMap(({ points, step_m }, index): readonly Line[] => {
      const first_m = begins_m[index] ?? 0;
      const piece = cut(points, spans[index]?.ends.length_m ?? 0, from_m - first_m, to_m - first_m);
      return piece ? [{ points: piece, step_m }] : [];
    });
  return [
    {
      lines: bareOf(sleeves).flatMap(([from, to]) => between(from, to)),
      half_m: outside_m / 2,
      isCovered: false,
    },
    ...sleeves.map((sleeve): Stretch => ({
      lines: between(sleeve.from_m, sleeve.from_m + sleeve.length_m),
      half_m: Math.max(outside_m, sleeve.outside_m) / 2,
      isCovered: true,
    })),
  ];
}

/** What the sleeves leave bare, along the hose. */
function bareOf(sleeves: readonly SceneSleeve[]): readonly (readonly [number, number])[] {
  const bare: (readonly [number, number])[] = [];
  let from_m = -Infinity;
  for (const sleeve of [...sleeves].sort((a, b) => a.from_m - b.from_m)) {
    if (sleeve.from_m > from_m) bare.push([from_m, sleeve.from_m]);
    from_m = Math.max(from_m, sleeve.from_m + sleeve.length_m);
  }
  return [...bare, [from_m, Infinity]];
}

/** Where along the hose each span begins, from the start port. */
export function beginsOf(hose: SceneHose, spans: readonly SpanPose[]): readonly number[] {
  let at_m = hose.start.rigid_m;
  return spans.map(({ ends }, index) => {
    const begins_m = at_m;
    const clip = hose.clips[index];
    const held = clip && heldStiffener(hose, clip);
    at_m = clip && !clip.slides ? (held ? held.from_m + held.length_m : clip.at_m) : begins_m + ends.length_m;
    return begins_m;
  });
}

/** Shorter than this nothing lies there: it is what rounding leaves of a sleeve that ends just at a clip. */
const SLIVER_m = 1e-6;

/**
 * The line of a span from one place along its hose to another, beginning and ending just there; null where nothing of it
 * lies between. A line is made of chords, so that it is a little shorter than the hose that it stands for: places are
 * counted along the hose, or a sleeve that reaches just short of a clip would begin beyond the end of the line.
 */
function cut(points: Float64Array, hose_m: number, from_m: number, to_m: number): Float64Array | null {
  const kept: number[] = [];
  const hosePerLine = hose_m / lineLength_m(points);
  let [at_m, kept_m] = [0, 0];
  for (let at = 0; at + 5 < points.length; at += 3) {
    const [ax, ay, az] = [points[at] ?? 0, points[at + 1] ?? 0, points[at + 2] ?? 0];
    const [dx, dy, dz] = [(points[at + 3] ?? 0) - ax, (points[at + 4] ?? 0) - ay, (points[at + 5] ?? 0) - az];
    const piece_m = Math.sqrt(dx * dx + dy * dy + dz * dz) * hosePerLine;
    const [first, last] = [Math.max(0, from_m - at_m) / piece_m, Math.min(piece_m, to_m - at_m) / piece_m];
    if (first < last) {
      if (kept.length === 0) kept.push(ax + first * dx, ay + first * dy, az + first * dz);
      kept.push(ax + last * dx, ay + last * dy, az + last * dz);
      kept_m += (last - first) * piece_m;
    }
    at_m += piece_m;
  }
  return kept_m > SLIVER_m ? Float64Array.from(kept) : null;
}

function lineLength_m(points: Float64Array): number {
  let sum_m = 0;
  for (let at = 3; at + 2 < points.length; at += 3)
    sum_m += Math.hypot(
      (points[at] ?? 0) - (points[at - 3] ?? 0),
      (points[at + 1] ?? 0) - (points[at - 2] ?? 0),
      (points[at + 2] ?? 0) - (points[at - 1] ?? 0),
    );
  return sum_m;
}

/** The sleeves in a solved pose: the line of each, in the pieces that the clips leave it in. */
export function sleeveLines(
  hose: SceneHose,
  spans: readonly SpanPose[],
): readonly { readonly sleeve: SceneSleeve; readonly lines: readonly Float64Array[] }[] {
  const { sleeves = [] } = hose;
  if (sleeves.length === 0) return [];
  const begins_m = beginsOf(hose, spans);
  const lines = spans.map(({ ends, shape }) => rodLine(ends, shape));
  return sleeves.map((sleeve) => ({
    sleeve,
    lines: lines.flatMap((points, index) => {
      const from_m = sleeve.from_m - (begins_m[index] ?? 0);
      return cut(points, spans[index]?.ends.length_m ?? 0, from_m, from_m + sleeve.length_m) ?? [];
    }),
  }));
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
  [hose.start, hose.end].map((end) => {
    const { point } = placementOf(rig, end.body, pose);
    return {
      points: Float64Array.from(cornersOf(end).flatMap((corner) => [...point(corner)])),
      step_m: Math.max(end.rigid_m, 1e-6),
    };
  });

interface Nearest {
  readonly away_m: number;
  readonly point_m: Vector;
}
const NOWHERE: Nearest = { away_m: Infinity, point_m: [0, 0, 0] };

/** Between the nodes a hose may come nearer than at them: sixths of the two pieces beside the nearest node. */
const BETWEEN = 6;
const LOOK_EVERY = 8;

function nearestOn(line: Float64Array, step_m: number, part: PlacedSolid, before: Nearest): Nearest {
  let best = before.away_m;
  let node = -1;
  // A first look here and there: who knows early how near it gets can pass over more.
  for (let at = 3 * (LOOK_EVERY >> 1); at < line.length; at += 3 * LOOK_EVERY) {
    const away_m = distanceTo(part, line[at] ?? 0, line[at + 1] ?? 0, line[at + 2] ?? 0);
    if (away_m < best) {
      best = away_m;
      node = at;
    }
  }
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
  return { away_m: best, point_m: point };
}
