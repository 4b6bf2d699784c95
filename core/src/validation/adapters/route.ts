import type { Vector } from '../../geometry/vector.ts';
import { add, cross, distanceBetween, dot, norm, scaled, subtract, unit } from '../../geometry/vector.ts';
import { planarDubins, spaceArcStraightArc } from '../../route/dubins.ts';
import { bending, rodPoints, tightestBend } from '../../route/measures.ts';
import type { Placement } from '../../route/motion.ts';
import {
  armedStrut,
  liveAxle,
  steeredLower,
  steeredUpper,
  STILL,
  strut,
  swingArm,
} from '../../route/motion.ts';
import type { RodEnds } from '../../route/rod.ts';
import { solveRod } from '../../route/rod.ts';
import type { Adapter, Answers } from '../adapter.ts';
import { deg, entries, figure, list, mm, rad, Refused, text } from '../adapter.ts';
import type { Fields } from '../case.ts';

const ROD =
  'shooting (DOP853), Jacobi elliptic functions and direct minimisation, which agree; Love, Theory of Elasticity, ch. XVIII–XIX';
const DUBINS = 'Dubins 1957; two independent constructions that agree; in space checked against brute force';
const MOTION = 'closed form; Rodrigues, quaternions and frame rotation agree; coordinates are invented';
/** A report’s nodes: half a per cent of radius is asked for. */
const REPORT_NODES = 96;

const vector = (values: readonly number[], scale = 1): Vector => [
  (values[0] ?? 0) * scale,
  (values[1] ?? 0) * scale,
  (values[2] ?? 0) * scale,
];
const heading = (angle_deg: number): Vector => [Math.cos(rad(angle_deg)), Math.sin(rad(angle_deg)), 0];

function shapeOf(ends: RodEnds): Answers {
  const shape = solveRod(ends, undefined, REPORT_NODES);
  if (shape.status === 'tooShort') return { exists: false };
  if (shape.status !== 'converged') throw new Refused('no shape converged');
  const points = rodPoints(ends, shape);
  const middle = points[REPORT_NODES / 2] ?? [0, 0, 0];
  const { radius_m } = tightestBend(ends, shape);
  return {
    exists: true,
    min_radius: radius_m * 1000,
    kappa_max: 1 / (radius_m * 1000),
    energy: bending(ends, shape) / 1000,
    mid: middle.map((value) => value * 1000),
  };
}

function flat(inputs: Fields): Answers {
  const [first, last] = [heading(figure(inputs, 'dirA_deg')), heading(figure(inputs, 'dirB_deg'))];
  const [from, to] = [vector(list(inputs, 'A'), 1e-3), vector(list(inputs, 'B'), 1e-3)];
  const found = shapeOf({
    start: { point_m: from, tangent: first },
    end: { point_m: to, tangent: last },
    length_m: mm(figure(inputs, 'L')),
  });
  const chord = unit(subtract(to, from));
  const isCoaxial = [first, last].every((direction) => norm(cross(direction, chord)) < 1e-9);
  if (!isCoaxial || !Array.isArray(found.mid)) return found;
  // Ends along one line: the bow may point any way round it, and is told as if it lay in the plane.
  const mid = found.mid as readonly number[];
  const along = scaled(chord, dot(chord, vector(mid)));
  const aside = norm(subtract(vector(mid), along));
  return { ...found, mid: [...add(along, scaled([-chord[1], chord[0], 0], aside))] };
}

const inSpace = (inputs: Fields): Answers =>
  shapeOf({
    start: { point_m: vector(list(inputs, 'A'), 1e-3), tangent: vector(list(inputs, 'tA')) },
    end: { point_m: vector(list(inputs, 'B'), 1e-3), tangent: vector(list(inputs, 'tB')) },
    length_m: mm(figure(inputs, 'L')),
  });

/** Whether a hose of that length has any shape: one as long as its chord only where both ends look along it. */
function exists(inputs: Fields): Answers {
  const [chord, length] = [figure(inputs, 'chord'), figure(inputs, 'L')];
  const [first, last] = [
    figure(inputs, 'dirA_deg', figure(inputs, 'dirA', 0)),
    figure(inputs, 'dirB_deg', figure(inputs, 'dirB', 0)),
  ];
  const isStraight = length === chord && first === 0 && last === 0;
  const shape = solveRod({
    start: { point_m: [0, 0, 0], tangent: heading(first) },
    end: { point_m: [mm(chord), 0, 0], tangent: heading(last) },
    length_m: mm(length),
  });
  return { exists: isStraight || shape.status !== 'tooShort' };
}

function dubinsFlat(inputs: Fields): Answers {
  const end = ([x = 0, y = 0, angle_deg = 0]: readonly number[]) => ({
    x_m: mm(x),
    y_m: mm(y),
    heading_rad: rad(angle_deg),
  });
  const paths = planarDubins(end(list(inputs, 'start')), end(list(inputs, 'end')), mm(figure(inputs, 'R')));
  const [best] = paths;
  if (!best) throw new Refused('no way');
  return {
    length: best.length_m * 1000,
    word: best.word,
    all_words: Object.fromEntries(paths.toReversed().map(({ word, length_m }) => [word, length_m * 1000])),
  };
}

function dubinsInSpace(inputs: Fields): Answers {
  const path = spaceArcStraightArc(
    { point_m: vector(list(inputs, 'p0'), 1e-3), tangent: vector(list(inputs, 't0')) },
    { point_m: vector(list(inputs, 'p1'), 1e-3), tangent: vector(list(inputs, 't1')) },
    mm(figure(inputs, 'R')),
  );
  if (!path) throw new Refused('no way');
  return {
    length: path.length_m * 1000,
    arc1_deg: deg(path.firstArc_rad),
    arc2_deg: deg(path.lastArc_rad),
    straight: path.straight_m * 1000,
    u: [...path.along],
  };
}

/** Where the far end’s body is in a pose, and the near end’s. */
function bodies(inputs: Fields, pose: Fields): readonly [Placement, Placement] {
  const at = (name: string, scale = 1e-3) => vector(list(inputs, name), scale);
  const turn = (name: string) => rad(figure(pose, name, 0));
  const by = (name: string) => mm(figure(pose, name, 0));
  const type = text(inputs, 'type');
  if (type.includes('fork')) {
    const rig = { steeringPoint_m: at('S'), rake_rad: rad(figure(inputs, 'rake_deg')) };
    const near = text(inputs, 'M_mount') === 'bar' ? steeredUpper(rig, turn('steer_deg')) : STILL;
    return [steeredLower(rig, turn('steer_deg'), by('travel')), near];
  }
  if (type.includes('swing') && type.includes('arm') && 'pivot' in inputs)
    return [swingArm({ pivot_m: at('pivot') }, turn('angle_deg')), STILL];
  if (type.includes('axle'))
    return [liveAxle({ centre_m: at('C') }, by('heave'), turn('roll_deg'), turn('windup_deg')), STILL];
  if ('arm_pivot' in inputs)
    return [
      armedStrut(
        {
          top_m: at('top'),
          lowerJoint_m: at('lower_joint0'),
          armPivot_m: at('arm_pivot'),
          armAxis: at('arm_axis', 1),
        },
        turn('steer_deg'),
        turn('arm_angle_deg'),
      ),
      STILL,
    ];
  return [strut({ top_m: at('top'), lowerJoint_m: at('lower_joint') }, turn('steer_deg'), by('bump')), STILL];
}

function moved(inputs: Fields): Answers {
  const poses = entries(inputs, 'poses');
  const near_m = vector(list(inputs, 'M0' in inputs ? 'M0' : 'M'), 1e-3);
  const places = poses.map((pose) => {
    const [far, near] = bodies(inputs, pose);
    const port = far.point(vector(list(inputs, 'P0'), 1e-3));
    return { port, distance: distanceBetween(port, near.point(near_m)) * 1000 };
  });
  const distances = places.map(({ distance }) => distance);
  return {
    distances,
    places: places.flatMap(({ port }) => port.map((value) => value * 1000)),
    max_distance: Math.max(...distances),
    min_distance: Math.min(...distances),
  };
}

const SHAPE_TOLERANCES = {
  min_radius: { relative: 0.005 },
  kappa_max: { relative: 0.005 },
  energy: { relative: 0.003 },
  mid: { absolute: 0.5 },
};

export const routeAdapters: readonly Adapter[] = [
  {
    kind: 'planar rod',
    group: 'elastica rods',
    needs: ['A', 'B', 'dirA_deg', 'dirB_deg', 'L'],
    answer: flat,
    tolerances: SHAPE_TOLERANCES,
    source: ROD,
  },
  {
    kind: 'rod3d',
    group: 'elastica rods',
    needs: ['A', 'B', 'tA', 'tB', 'L'],
    answer: inSpace,
    tolerances: SHAPE_TOLERANCES,
    source: ROD,
  },
  { kind: 'existence', group: 'elastica rods', needs: ['chord', 'L'], answer: exists, source: ROD },
  {
    kind: 'planar',
    group: 'dubins',
    needs: ['start', 'end', 'R'],
    answer: dubinsFlat,
    tolerances: { length: { relative: 1e-6 }, all_words: { relative: 1e-5 } },
    source: DUBINS,
  },
  {
    kind: 'csc3d',
    group: 'dubins',
    needs: ['p0', 't0', 'p1', 't1', 'R'],
    answer: dubinsInSpace,
    tolerances: {
      length: { relative: 1e-7 },
      arc1_deg: { absolute: 1e-5 },
      arc2_deg: { absolute: 1e-5 },
      straight: { absolute: 1e-4 },
      u: { absolute: 1e-6 },
    },
    source: DUBINS,
  },
  {
    kind: 'kinematics',
    group: 'kinematics',
    needs: ['type', 'poses', 'P0'],
    answer: moved,
    tolerances: {
      distances: { absolute: 1e-3 },
      places: { absolute: 1e-3 },
      max_distance: { absolute: 1e-3 },
      min_distance: { absolute: 1e-3 },
    },
    source: MOTION,
  },
];
