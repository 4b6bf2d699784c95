/**
 * Where the hoses of the demo vehicles run: what a tape would have read in a few minutes at each, all of it invented.
 * x forward, y to the left, z up from the floor, straight ahead at full droop.
 */
import type { Corner, CornerHose, KeepOut, SceneClip, SceneEnd, Solid, Vector } from '@zephyrcombe/core';
import { mirrored } from '@zephyrcombe/core';

const degrees = (value: number) => (value * Math.PI) / 180;

type Body = SceneEnd['body'];
const end = (body: Body, port_m: Vector, outward: Vector, eyeAxis: Vector | null = null): SceneEnd => ({
  body,
  port_m,
  outward,
  rigid_m: 0.025,
  eyeAxis,
});
const clip = (id: string, body: Body, point_m: Vector, along: Vector, at_m: number): SceneClip => ({
  id,
  body,
  point_m,
  along,
  at_m,
});
const part = (name: string, body: Body, nature: KeepOut['nature'], solid: Solid): KeepOut => ({
  id: name.toLowerCase(),
  name,
  body,
  nature,
  solid,
  gap_m: null,
});
const tyre = (name: string, body: Body, centre_m: Vector, ring_m: number, tube_m: number) =>
  part(name, body, 'moving', { shape: 'ring', centre_m, axis: [0, 1, 0], ring_m, tube_m });
const rod = (
  name: string,
  body: Body,
  nature: KeepOut['nature'],
  a_m: Vector,
  b_m: Vector,
  radius_m: number,
) => part(name, body, nature, { shape: 'capsule', a_m, b_m, radius_m });
/** Braided hose of the usual size. */
const BRAIDED = { outside_m: 0.0075, leastRadius_m: 0.04, figuresFrom: 'makersData' } as const;
/** Rubber hose as vans carry it. */
const RUBBER = { outside_m: 0.0105, leastRadius_m: 0.05, figuresFrom: 'makersData' } as const;

/** Known by its name until the seed puts the id of the vehicle's own hose in its place. */
const hose = (
  name: string,
  length_m: number,
  start: SceneEnd,
  finish: SceneEnd,
  kind: typeof BRAIDED | typeof RUBBER,
  clips: readonly SceneClip[] = [],
): CornerHose => ({ id: name, name, length_m, start, end: finish, clips, ...kind });

const swapSides = (text: string) =>
  text.replace(
    /left|right/gi,
    (side) => ({ left: 'right', right: 'left', Left: 'Right', Right: 'Left' })[side] ?? side,
  );

/** The same corner on the other side of the vehicle, with the names of that side. */
function otherSide(corner: Corner): Corner {
  const other = mirrored(corner);
  return {
    ...other,
    name: swapSides(other.name),
    keepOuts: other.keepOuts.map((keepOut) => ({ ...keepOut, name: swapSides(keepOut.name) })),
    hoses: other.hoses.map((each) => ({ ...each, id: swapSides(each.id), name: swapSides(each.name) })),
  };
}

const PETRELLE_FRONT: Corner = {
  name: 'Fork and sidecar',
  rig: {
    kind: 'fork',
    steeringPoint_m: [0, 0, 0.9],
    rake_rad: degrees(27),
    lock_rad: degrees(30),
    travel_m: 0.11,
    sidecar: { pivot_m: [-0.12, 0.9, 0.36], swing_rad: degrees(14) },
  },
  hoses: [
    hose(
      'Left hose',
      0.69,
      end('bars', [0.04, 0.22, 0.98], [0.6, -0.1, -0.8], [0.8, 0, 0.6]),
      end('sliders', [0.215, 0.1, 0.42], [-0.6, 0.3, 0.75], [0, 1, 0]),
      BRAIDED,
    ),
    hose(
      'Right hose',
      0.76,
      end('bars', [0.04, 0.22, 0.98], [0.2, -0.4, -0.8], [0.8, 0, 0.6]),
      end('sliders', [0.215, -0.1, 0.42], [-0.8, -0.5, 0.6], [0, -1, 0]),
      BRAIDED,
    ),
    hose(
      'Sidecar hose',
      1.265,
      end('bars', [0.04, 0.22, 0.98], [0.3, 0.1, -0.9], [0.8, 0, 0.6]),
      end('sidecarArm', [-0.3, 0.78, 0.38], [0.5, -0.3, 0.8], [0, 1, 0]),
      BRAIDED,
      [
        clip('headstock', 'frame', [-0.05, 0.16, 0.78], [-0.3, 0.4, -0.9], 0.34),
        clip('sidecar tube', 'frame', [-0.15, 0.62, 0.5], [-0.2, 0.9, 0.2], 0.93),
      ],
    ),
  ],
  keepOuts: [
    tyre('Front tyre', 'sliders', [0.37, 0, 0.31], 0.26, 0.05),
    rod('Exhaust pipe', 'frame', 'hot', [-0.16, -0.12, 0.66], [-0.08, -0.12, 0.4], 0.021),
    part('Headlamp', 'bars', 'still', { shape: 'sphere', centre_m: [0.15, 0, 0.9], radius_m: 0.08 }),
    tyre('Sidecar tyre', 'sidecarArm', [-0.44, 0.98, 0.3], 0.24, 0.05),
  ],
};

const PETRELLE_REAR: Corner = {
  name: 'Swing-arm',
  rig: { kind: 'swingArm', pivot_m: [-0.5, 0, 0.38], swing_rad: degrees(13) },
  hoses: [
    hose(
      'Rear hose',
      0.64,
      end('frame', [-0.38, -0.16, 0.4], [-0.7, -0.1, 0.7], [0, -1, 0]),
      end('swingArm', [-0.9, -0.11, 0.4], [0.5, -0.3, 0.8], [0, -1, 0]),
      BRAIDED,
      [clip('arm guide', 'swingArm', [-0.7, -0.13, 0.44], [-1, 0, -0.05], 0.37)],
    ),
  ],
  keepOuts: [
    tyre('Rear tyre', 'swingArm', [-1.03, 0, 0.31], 0.25, 0.06),
    rod('Silencer', 'frame', 'hot', [-0.5, -0.22, 0.27], [-1.1, -0.25, 0.36], 0.045),
  ],
};

const WICK_FRONT: Corner = {
  name: 'Fork',
  rig: {
    kind: 'fork',
    steeringPoint_m: [0, 0, 0.98],
    rake_rad: degrees(28),
    lock_rad: degrees(40),
    travel_m: 0.19,
    sidecar: null,
  },
  hoses: [
    hose(
      'Front hose',
      0.905,
      end('bars', [0.03, -0.26, 1.12], [0, 0.3, -0.8], [0.8, 0, 0.6]),
      end('sliders', [0.25, 0.09, 0.42], [-0.4, 0.2, 0.9], [0, 1, 0]),
      BRAIDED,
    ),
  ],
  keepOuts: [
    tyre('Front tyre', 'sliders', [0.42, 0, 0.33], 0.3, 0.045),
    part('Lamp guard', 'bars', 'still', {
      shape: 'box',
      centre_m: [0.24, 0, 0.98],
      half_m: [0.05, 0.1, 0.09],
    }),
    rod('Left fork tube', 'bars', 'still', [0.19, 0.095, 0.7], [0.03, 0.095, 1.02], 0.021),
  ],
};

const WICK_REAR: Corner = {
  name: 'Swing-arm',
  rig: { kind: 'swingArm', pivot_m: [-0.5, 0, 0.42], swing_rad: degrees(20) },
  hoses: [
    {
      ...hose(
        'Rear hose, with stiffener',
        0.56,
        end('frame', [-0.4, -0.15, 0.44], [-0.8, -0.1, 0.5], [0, -1, 0]),
        end('swingArm', [-0.86, -0.1, 0.4], [0.8, -0.4, 0.4], [0, -1, 0]),
        BRAIDED,
      ),
      // Where it would otherwise lie against the arm.
      stiffeners: [{ id: '1', from_m: 0.43, length_m: 0.06 }],
      // Where it passes the edge of the frame's gusset.
      sleeves: [{ id: '1', from_m: 0.12, length_m: 0.1, outside_m: 0.0105 }],
    },
  ],
  keepOuts: [
    tyre('Rear tyre', 'swingArm', [-1.06, 0, 0.32], 0.27, 0.055),
    rod('Silencer', 'frame', 'hot', [-0.5, -0.2, 0.66], [-1, -0.23, 0.76], 0.04),
  ],
};

const CALDER_FRONT: Corner = {
  name: 'Fork and manifold',
  rig: {
    kind: 'fork',
    steeringPoint_m: [0, 0, 0.9],
    rake_rad: degrees(24),
    lock_rad: degrees(30),
    travel_m: 0.13,
    sidecar: null,
  },
  hoses: [
    hose(
      'Front left hose',
      0.47,
      end('frame', [0.07, 0.04, 0.8], [0.2, 0.8, -0.5], [1, 0, 0]),
      end('sliders', [0.21, 0.1, 0.42], [-0.9, 0.5, 0.4], [0, 1, 0]),
      BRAIDED,
    ),
    hose(
      'Front right hose',
      0.495,
      end('frame', [0.07, -0.04, 0.8], [0.2, -0.8, -0.5], [1, 0, 0]),
      end('sliders', [0.21, -0.1, 0.42], [-0.9, -0.5, 0.4], [0, -1, 0]),
      BRAIDED,
    ),
    hose(
      'Master to unit',
      1.04,
      end('bars', [0.04, -0.27, 1.03], [0.6, 0.2, -0.7], [0.8, 0, 0.6]),
      end('frame', [-0.42, -0.08, 0.66], [0.6, 0, 0.5], [0, 0, 1]),
      BRAIDED,
      [clip('headstock', 'frame', [-0.1, -0.09, 0.8], [-0.8, 0.1, -0.4], 0.56)],
    ),
  ],
  keepOuts: [
    tyre('Front tyre', 'sliders', [0.35, 0, 0.3], 0.25, 0.05),
    rod('Radiator hose', 'frame', 'hot', [-0.08, -0.16, 0.6], [-0.16, -0.16, 0.75], 0.02),
  ],
};

const CALDER_REAR: Corner = {
  name: 'Swing-arm',
  rig: { kind: 'swingArm', pivot_m: [-0.52, 0, 0.4], swing_rad: degrees(14) },
  hoses: [
    hose(
      'Unit to rear caliper',
      0.905,
      end('frame', [-0.36, -0.06, 0.64], [-0.7, -0.2, -0.4], [0, 0, 1]),
      end('swingArm', [-0.94, -0.11, 0.43], [0.5, -0.3, 0.8], [0, -1, 0]),
      BRAIDED,
      [
        clip('frame tube', 'frame', [-0.5, -0.13, 0.54], [-0.5, -0.1, -0.8], 0.22),
        clip('arm guide', 'swingArm', [-0.74, -0.13, 0.45], [-1, 0, -0.05], 0.57),
      ],
    ),
  ],
  keepOuts: [
    tyre('Rear tyre', 'swingArm', [-1.06, 0, 0.31], 0.25, 0.07),
    rod('Silencer', 'frame', 'hot', [-0.55, -0.24, 0.28], [-1.15, -0.26, 0.4], 0.05),
  ],
};

const TOLLAN_FRONT_LEFT: Corner = {
  name: 'Front left strut',
  rig: {
    kind: 'strut',
    top_m: [-0.03, 0.58, 0.84],
    lowerJoint_m: [0, 0.7, 0.24],
    lock_rad: degrees(34),
    travel_m: 0.16,
  },
  hoses: [
    hose(
      'Hose, front left',
      0.42,
      end('frame', [-0.14, 0.47, 0.5], [-0.6, 0.4, 0.2]),
      end('knuckle', [-0.12, 0.66, 0.37], [0.7, -0.7, 1], [0, -1, 0]),
      RUBBER,
    ),
  ],
  keepOuts: [
    tyre('Left front tyre', 'knuckle', [0, 0.84, 0.32], 0.24, 0.085),
    rod('Strut tube', 'knuckle', 'still', [-0.01, 0.67, 0.4], [-0.02, 0.62, 0.64], 0.027),
    rod('Drive shaft', 'frame', 'moving', [0, 0.28, 0.32], [0, 0.67, 0.32], 0.018),
  ],
};

const TOLLAN_REAR_LEFT: Corner = {
  name: 'Rear axle, left',
  rig: { kind: 'liveAxle', centre_m: [-2.9, 0, 0.32], roll_rad: degrees(5), travel_m: 0.15 },
  hoses: [
    hose(
      'Hose, rear left',
      0.315,
      end('frame', [-2.68, 0.44, 0.46], [-0.6, 0, 0.5]),
      end('axle', [-2.86, 0.56, 0.39], [0.8, -0.3, 0.7]),
      RUBBER,
    ),
  ],
  keepOuts: [
    tyre('Left rear tyre', 'axle', [-2.9, 0.8, 0.32], 0.24, 0.085),
    rod('Left damper', 'axle', 'moving', [-2.98, 0.5, 0.3], [-2.96, 0.46, 0.62], 0.03),
  ],
};

const BRINDLE_FRONT_LEFT: Corner = {
  name: 'Front left wheel',
  rig: {
    kind: 'armedStrut',
    top_m: [0.02, 0.34, 0.62],
    lowerJoint_m: [0.05, 0.4, 0.2],
    armPivot_m: [0.05, 0.12, 0.24],
    armAxis: [1, 0, 0],
    lock_rad: degrees(34),
    swing_rad: degrees(16),
  },
  hoses: [
    hose(
      'Front left hose',
      0.52,
      end('frame', [-0.06, 0.12, 0.52], [-0.5, 0.7, 0.4], [0, 0, 1]),
      end('knuckle', [-0.05, 0.4, 0.3], [-0.7, -0.3, 0.6], [0, 1, 0]),
      BRAIDED,
    ),
  ],
  keepOuts: [
    tyre('Left front tyre', 'knuckle', [0.05, 0.51, 0.26], 0.21, 0.045),
    rod('Left spring', 'knuckle', 'still', [0.045, 0.39, 0.32], [0.03, 0.35, 0.52], 0.035),
  ],
};

const GANNET_FRONT_LEFT: Corner = {
  name: 'Front left wheel',
  rig: {
    kind: 'armedStrut',
    top_m: [0, 0.3, 0.62],
    lowerJoint_m: [0.02, 0.42, 0.22],
    armPivot_m: [0.02, 0.14, 0.3],
    armAxis: [1, 0, 0],
    lock_rad: degrees(32),
    swing_rad: degrees(24),
  },
  hoses: [
    hose(
      'Front left hose',
      0.455,
      end('frame', [-0.1, 0.14, 0.5], [-0.5, 0.7, 0.2], [0, 0, 1]),
      end('knuckle', [-0.08, 0.4, 0.32], [-0.7, -0.3, 0.6], [0, 1, 0]),
      BRAIDED,
    ),
  ],
  keepOuts: [
    tyre('Left front tyre', 'knuckle', [0.02, 0.56, 0.28], 0.2, 0.09),
    rod('Left damper', 'knuckle', 'still', [0.02, 0.38, 0.3], [0, 0.3, 0.58], 0.03),
  ],
};

const GANNET_REAR_LEFT: Corner = {
  name: 'Rear axle, left',
  rig: { kind: 'liveAxle', centre_m: [-1.25, 0, 0.28], roll_rad: degrees(9), travel_m: 0.15 },
  hoses: [
    hose(
      'Rear left hose',
      0.43,
      end('frame', [-1.02, 0.1, 0.52], [-0.3, 0.5, -0.6], [0, 0, 1]),
      end('axle', [-1.2, 0.3, 0.34], [0.6, -0.2, 0.7], [0, 1, 0]),
      BRAIDED,
    ),
  ],
  keepOuts: [
    tyre('Left rear tyre', 'axle', [-1.25, 0.5, 0.28], 0.19, 0.1),
    rod('Axle tube', 'axle', 'still', [-1.25, -0.34, 0.28], [-1.25, 0.34, 0.28], 0.035),
  ],
};

/** By the vehicle's key. */
export const DEMO_CORNERS: Readonly<Record<string, readonly Corner[]>> = {
  petrelle: [PETRELLE_FRONT, PETRELLE_REAR],
  wick: [WICK_FRONT, WICK_REAR],
  calder: [CALDER_FRONT, CALDER_REAR],
  tollan: [TOLLAN_FRONT_LEFT, otherSide(TOLLAN_FRONT_LEFT), TOLLAN_REAR_LEFT, otherSide(TOLLAN_REAR_LEFT)],
  brindle: [BRINDLE_FRONT_LEFT, otherSide(BRINDLE_FRONT_LEFT)],
  gannet: [GANNET_FRONT_LEFT, otherSide(GANNET_FRONT_LEFT), GANNET_REAR_LEFT, otherSide(GANNET_REAR_LEFT)],
};
