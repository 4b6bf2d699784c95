/** The corner as a table: every point with its body and, where it has one, its direction; and every dimension. */
import type {
  Corner,
  CornerHose,
  KeepOut,
  Rig,
  RigBody,
  SceneClip,
  SceneEnd,
  Solid,
  Vector,
} from '@zephyrcombe/core';
import { neckAlong, pointedEnd } from '@zephyrcombe/core';

export interface PointRow {
  readonly key: string;
  readonly name: string;
  /** Null where the rig itself decides. */
  readonly body: RigBody | null;
  readonly point_m: Vector;
  readonly direction: Vector | null;
  readonly put: (point_m: Vector, direction: Vector | null, body: RigBody | null) => Corner;
}

export interface SizeRow {
  readonly key: string;
  readonly name: string;
  readonly kind: 'length' | 'angle';
  readonly value: number | null;
  readonly mayBeEmpty: boolean;
  readonly put: (value: number | null) => Corner;
  /** What no vehicle has, in words; null when the figure may stand. */
  readonly ask?: (value: number) => string | null;
}

const size = (
  key: string,
  name: string,
  kind: SizeRow['kind'],
  value: number | null,
  put: SizeRow['put'],
  mayBeEmpty = false,
  ask: SizeRow['ask'] = kind === 'length' ? askLength : undefined,
): SizeRow => ({ key, name, kind, value, put, mayBeEmpty, ...(ask ? { ask } : {}) });

/** A size of something at a wheel. */
const LARGEST_m = 3;
const askLength = (value_m: number): string | null =>
  Math.abs(value_m) > LARGEST_m ? 'No part at a wheel is that large. Check the figure and its unit.' : null;

/** Between two angles, whole degrees. */
const askAngle =
  (what: string, least_deg: number, most_deg: number) =>
  (value_rad: number): string | null => {
    const degrees = (value_rad * 180) / Math.PI;
    return degrees < least_deg || degrees > most_deg
      ? `${Math.round(degrees)}° is no ${what}: from ${least_deg}° to ${most_deg}°. Check the figure.`
      : null;
  };

export const clipName = ({ id, slides }: Pick<SceneClip, 'id' | 'slides'>): string =>
  `${slides ? 'guide' : 'clip'} ${id}`;

export const hosePut = (corner: Corner, hose: CornerHose): Corner => ({
  ...corner,
  hoses: corner.hoses.map((other) => (other.id === hose.id ? hose : other)),
});
export const partPut = (corner: Corner, part: KeepOut): Corner => ({
  ...corner,
  keepOuts: corner.keepOuts.map((other) => (other.id === part.id ? part : other)),
});

export function hosePoints(corner: Corner, hose: CornerHose): readonly PointRow[] {
  const end = (which: 'start' | 'end', name: string): readonly PointRow[] => {
    const own = hose[which];
    const { neck } = own;
    const put = (changed: SceneEnd) => hosePut(corner, { ...hose, [which]: changed });
    const port: PointRow = {
      key: which,
      name,
      body: own.body,
      point_m: own.port_m,
      direction: own.outward,
      put: (port_m, outward, body) =>
        put(pointedEnd({ ...own, port_m, body: body ?? own.body }, outward ?? own.outward)),
    };
    // An eye's neck lies in the plane of its eye; which way a port looks has to be said.
    if (!neck || own.eyeAxis) return [port];
    const thread: PointRow = {
      ...port,
      key: `${which} neck`,
      name: `${name}, the way it comes out of its port`,
      direction: neck.along,
      put: (port_m, along, body) =>
        put({ ...own, port_m, body: body ?? own.body, neck: { ...neck, along: along ?? neck.along } }),
    };
    return [port, thread];
  };
  return [
    ...end('start', 'first end'),
    ...hose.clips.map((clip, index): PointRow => ({
      key: `clip ${index}`,
      name: clipName(clip),
      body: clip.body,
      point_m: clip.point_m,
      direction: clip.along,
      put: (point_m, along, body) =>
        hosePut(corner, {
          ...hose,
          clips: hose.clips.map((other, at) =>
            at === index ? { ...clip, point_m, along: along ?? clip.along, body: body ?? clip.body } : other,
          ),
        }),
    })),
    ...end('end', 'far end'),
  ];
}

export function hoseSizes(corner: Corner, hose: CornerHose): readonly SizeRow[] {
  const put = (change: (value: number) => CornerHose) => (value: number | null) =>
    value === null ? corner : hosePut(corner, change(value));
  return [
    size(
      'outside',
      'hose across its outside',
      'length',
      hose.outside_m,
      put((outside_m) => ({ ...hose, outside_m })),
    ),
    size(
      'least',
      'least bend radius it stands (hose maker)',
      'length',
      hose.leastRadius_m,
      put((leastRadius_m) => ({ ...hose, leastRadius_m })),
    ),
    ...endSizes(corner, hose, 'start', 'first end'),
    ...endSizes(corner, hose, 'end', 'far end'),
    ...hose.clips.map((clip, index) =>
      size(
        `at ${index}`,
        `${clipName(clip)}, along the hose from the first end${clip.slides ? ' (where it was seen)' : ''}`,
        'length',
        clip.at_m,
        put((at_m) => ({
          ...hose,
          clips: hose.clips.map((other, at) => (at === index ? { ...clip, at_m } : other)),
        })),
      ),
    ),
    ...stretchSizes('stiffener', hose.stiffeners, (stiffeners) => hosePut(corner, { ...hose, stiffeners })),
    ...stretchSizes('sleeve', hose.sleeves, (sleeves) => hosePut(corner, { ...hose, sleeves })),
  ];
}

function endSizes(
  corner: Corner,
  hose: CornerHose,
  which: 'start' | 'end',
  name: string,
): readonly SizeRow[] {
  const own = hose[which];
  const put = (changed: Partial<SceneEnd>) => hosePut(corner, { ...hose, [which]: { ...own, ...changed } });
  return [
    size(`rigid ${which}`, `rigid behind the ${name}`, 'length', own.rigid_m, (rigid_m) =>
      rigid_m === null ? corner : put({ rigid_m }),
    ),
    size(
      `neck ${which}`,
      `${name}, before its bend (empty: straight)`,
      'length',
      own.neck?.length_m ?? null,
      // A neck of no length is none.
      (length_m) => put({ neck: length_m ? { along: neckAlong(own), length_m } : undefined }),
      true,
    ),
  ];
}

interface StretchOfHose {
  readonly id: string;
  readonly from_m: number;
  readonly length_m: number;
  readonly outside_m?: number;
}

/** Where pieces on the hose begin and how long they are; of a sleeve how thick. */
const stretchSizes = <Stretch extends StretchOfHose>(
  kind: string,
  all: readonly Stretch[] = [],
  put: (all: readonly Stretch[]) => Corner,
): readonly SizeRow[] =>
  all.flatMap((stretch, index) => {
    const field = (key: keyof StretchOfHose, name: string, value: number) =>
      size(`${kind} ${index} ${key}`, `${kind} ${stretch.id}, ${name}`, 'length', value, (next) =>
        put(all.map((other, at) => (at === index && next !== null ? { ...other, [key]: next } : other))),
      );
    return [
      field('from_m', 'begins, from the first end', stretch.from_m),
      field('length_m', 'long', stretch.length_m),
      ...(stretch.outside_m === undefined
        ? []
        : [field('outside_m', 'across its outside', stretch.outside_m)]),
    ];
  });

export function partPoints(corner: Corner, part: KeepOut): readonly PointRow[] {
  const { solid } = part;
  const row = (
    key: string,
    name: string,
    point_m: Vector,
    direction: Vector | null,
    put: (point_m: Vector, direction: Vector | null) => Solid,
  ): PointRow => ({
    key: `${part.id} ${key}`,
    name: `${part.name}, ${name}`,
    body: part.body,
    point_m,
    direction,
    put: (point, toward, body) =>
      partPut(corner, { ...part, solid: put(point, toward), body: body ?? part.body }),
  });
  switch (solid.shape) {
    case 'sphere':
    case 'box':
      return [row('centre', 'centre', solid.centre_m, null, (centre_m) => ({ ...solid, centre_m }))];
    case 'ring':
      return [
        row('centre', 'centre', solid.centre_m, solid.axis, (centre_m, axis) => ({
          ...solid,
          centre_m,
          axis: axis ?? solid.axis,
        })),
      ];
    case 'capsule':
    case 'cylinder':
      return [
        row('a', 'one end', solid.a_m, null, (a_m) => ({ ...solid, a_m })),
        row('b', 'other end', solid.b_m, null, (b_m) => ({ ...solid, b_m })),
      ];
  }
}

export function partSizes(corner: Corner, part: KeepOut): readonly SizeRow[] {
  const { solid } = part;
  const put = (change: (value: number) => Solid) => (value: number | null) =>
    value === null ? corner : partPut(corner, { ...part, solid: change(value) });
  const gap = size(
    `${part.id} gap`,
    `${part.name}, gap wanted (empty: our default)`,
    'length',
    part.gap_m,
    (gap_m) => partPut(corner, { ...part, gap_m }),
    true,
  );
  const named = (key: string, name: string, value: number, change: (value: number) => Solid) =>
    size(`${part.id} ${key}`, `${part.name}, ${name}`, 'length', value, put(change));
  switch (solid.shape) {
    case 'sphere':
    case 'capsule':
    case 'cylinder':
      return [named('radius', 'radius', solid.radius_m, (radius_m) => ({ ...solid, radius_m })), gap];
    case 'ring':
      return [
        named('ring', 'radius to the middle of the tyre', solid.ring_m, (ring_m) => ({ ...solid, ring_m })),
        named('tube', 'half the width of the tyre', solid.tube_m, (tube_m) => ({ ...solid, tube_m })),
        gap,
      ];
    case 'box': {
      const [x, y, z] = solid.half_m;
      return [
        named('x', 'half its length', x, (value) => ({ ...solid, half_m: [value, y, z] })),
        named('y', 'half its width', y, (value) => ({ ...solid, half_m: [x, value, z] })),
        named('z', 'half its height', z, (value) => ({ ...solid, half_m: [x, y, value] })),
        gap,
      ];
    }
  }
}

export function rigPoints(corner: Corner): readonly PointRow[] {
  const { rig } = corner;
  const row = (
    key: string,
    name: string,
    point_m: Vector,
    put: (point_m: Vector, direction: Vector | null) => Rig,
    direction: Vector | null = null,
  ): PointRow => ({
    key,
    name,
    body: null,
    point_m,
    direction,
    put: (point, toward) => ({ ...corner, rig: put(point, toward) }),
  });
  switch (rig.kind) {
    case 'fork':
      return [
        row('steering', 'a point on the steering axis', rig.steeringPoint_m, (steeringPoint_m) => ({
          ...rig,
          steeringPoint_m,
        })),
        ...(rig.sidecar
          ? [
              row('sidecar', 'pivot of the sidecar’s arm', rig.sidecar.pivot_m, (pivot_m) => ({
                ...rig,
                sidecar: rig.sidecar && { ...rig.sidecar, pivot_m },
              })),
            ]
          : []),
      ];
    case 'swingArm':
      return [row('pivot', 'swing-arm pivot', rig.pivot_m, (pivot_m) => ({ ...rig, pivot_m }))];
    case 'strut':
      return [
        row('top', 'strut top', rig.top_m, (top_m) => ({ ...rig, top_m })),
        row('lower', 'lower ball joint', rig.lowerJoint_m, (lowerJoint_m) => ({ ...rig, lowerJoint_m })),
      ];
    case 'armedStrut':
      return [
        row('top', 'strut top', rig.top_m, (top_m) => ({ ...rig, top_m })),
        row('lower', 'lower ball joint', rig.lowerJoint_m, (lowerJoint_m) => ({ ...rig, lowerJoint_m })),
        row(
          'pivot',
          'arm pivot, and the way its axis points',
          rig.armPivot_m,
          (armPivot_m, armAxis) => ({ ...rig, armPivot_m, armAxis: armAxis ?? rig.armAxis }),
          rig.armAxis,
        ),
      ];
    case 'liveAxle':
      return [row('centre', 'axle centre', rig.centre_m, (centre_m) => ({ ...rig, centre_m }))];
  }
}

export function rigSizes(corner: Corner): readonly SizeRow[] {
  const { rig } = corner;
  const put = (change: (value: number) => Rig) => (value: number | null) =>
    value === null ? corner : { ...corner, rig: change(value) };
  switch (rig.kind) {
    case 'fork':
      return [
        size(
          'rake',
          'rake of the fork',
          'angle',
          rig.rake_rad,
          put((rake_rad) => ({ ...rig, rake_rad })),
          false,
          askAngle('rake of a fork', 0, 60),
        ),
        size(
          'lock',
          'to each lock',
          'angle',
          rig.lock_rad,
          put((lock_rad) => ({ ...rig, lock_rad })),
          false,
          askAngle('steering lock', 1, 75),
        ),
        size(
          'travel',
          'travel along the fork',
          'length',
          rig.travel_m,
          put((travel_m) => ({ ...rig, travel_m })),
        ),
        ...(rig.sidecar
          ? [
              size(
                'sidecar swing',
                'swing of the sidecar’s arm',
                'angle',
                rig.sidecar.swing_rad,
                put((swing_rad) => ({ ...rig, sidecar: rig.sidecar && { ...rig.sidecar, swing_rad } })),
              ),
            ]
          : []),
      ];
    case 'strut':
      return [
        size(
          'lock',
          'to each lock',
          'angle',
          rig.lock_rad,
          put((lock_rad) => ({ ...rig, lock_rad })),
          false,
          askAngle('steering lock', 1, 75),
        ),
        size(
          'travel',
          'travel along the strut',
          'length',
          rig.travel_m,
          put((travel_m) => ({ ...rig, travel_m })),
        ),
      ];
    case 'armedStrut':
      return [
        size(
          'lock',
          'to each lock',
          'angle',
          rig.lock_rad,
          put((lock_rad) => ({ ...rig, lock_rad })),
          false,
          askAngle('steering lock', 1, 75),
        ),
        size(
          'swing',
          'swing of the arm',
          'angle',
          rig.swing_rad,
          put((swing_rad) => ({ ...rig, swing_rad })),
        ),
      ];
    case 'swingArm':
      return [
        size(
          'swing',
          'swing of the arm',
          'angle',
          rig.swing_rad,
          put((swing_rad) => ({ ...rig, swing_rad })),
        ),
      ];
    case 'liveAxle':
      return [
        size(
          'roll',
          'roll to each side',
          'angle',
          rig.roll_rad,
          put((roll_rad) => ({ ...rig, roll_rad })),
        ),
        size(
          'travel',
          'travel up',
          'length',
          rig.travel_m,
          put((travel_m) => ({ ...rig, travel_m })),
        ),
      ];
  }
}
