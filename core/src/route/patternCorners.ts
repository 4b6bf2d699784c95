/** Corners to start from and to try things out on, one for each rig. Invented geometry, no vehicle's. */
import { USUAL_LEAST_RADIUS_m } from '../measure/wire.ts';
import type { Corner } from './corner.ts';
import type { KeepOut, SceneEnd } from './sceneParts.ts';
import type { Body } from './rig.ts';
import type { Solid } from './solid.ts';
import type { Vector } from '../geometry/vector.ts';

const degrees = (value: number) => (value * Math.PI) / 180;

const eye = (body: Body, port_m: Vector, outward: Vector, eyeAxis: Vector | null): SceneEnd => ({
  body,
  port_m,
  outward,
  rigid_m: 0.025,
  eyeAxis,
});
const part = (id: string, name: string, body: Body, nature: KeepOut['nature'], solid: Solid): KeepOut => ({
  id,
  name,
  body,
  nature,
  solid,
  gap_m: null,
});
/** Braided hose of the usual size; the least radius is the hose maker's, here an example. */
const BRAIDED = { outside_m: 0.0075, leastRadius_m: USUAL_LEAST_RADIUS_m } as const;

export const CORNER_PATTERNS = ['fork', 'swingArm', 'strut', 'liveAxle', 'trikeFront'] as const;
export type CornerPattern = (typeof CORNER_PATTERNS)[number];

export const PATTERN_CORNERS: Readonly<Record<CornerPattern, Corner>> = {
  fork: {
    name: 'Fork, lever to caliper',
    rig: {
      kind: 'fork',
      steeringPoint_m: [0, 0, 0.9],
      rake_rad: degrees(25),
      lock_rad: degrees(32),
      travel_m: 0.12,
      sidecar: null,
    },
    hoses: [
      {
        id: 'front',
        name: 'Front hose',
        start: eye('bars', [0.05, -0.25, 1.02], [0.5, 0.1, -0.8], [0.93, 0, 0.36]),
        end: eye('sliders', [0.217, -0.09, 0.424], [-0.6, -0.3, 0.75], [-0.45, 0.9, 0]),
        clips: [],
        length_m: 0.71,
        ...BRAIDED,
      },
    ],
    keepOuts: [
      part('tyre', 'Front tyre', 'sliders', 'moving', {
        shape: 'ring',
        centre_m: [0.36, 0, 0.3],
        axis: [0, 1, 0],
        ring_m: 0.26,
        tube_m: 0.05,
      }),
      part('leg', 'Right fork tube', 'bars', 'still', {
        shape: 'capsule',
        a_m: [0.153, -0.1, 0.681],
        b_m: [0.026, -0.1, 0.953],
        radius_m: 0.0205,
      }),
      part('pipe', 'Exhaust pipe', 'frame', 'hot', {
        shape: 'capsule',
        a_m: [-0.13, -0.13, 0.72],
        b_m: [-0.07, -0.13, 0.42],
        radius_m: 0.021,
      }),
      part('lamp', 'Headlamp', 'bars', 'still', {
        shape: 'sphere',
        centre_m: [0.16, 0, 0.9],
        radius_m: 0.085,
      }),
    ],
  },
  swingArm: {
    name: 'Swing-arm, foot master to rear caliper',
    rig: { kind: 'swingArm', pivot_m: [-0.5, 0, 0.38], swing_rad: degrees(15) },
    hoses: [
      {
        id: 'rear',
        name: 'Rear hose',
        start: eye('frame', [-0.38, -0.16, 0.4], [-0.7, -0.1, 0.7], [0, -1, 0]),
        end: eye('swingArm', [-0.9, -0.11, 0.4], [0.5, -0.3, 0.8], [0, -1, 0]),
        clips: [
          {
            id: 'arm guide',
            body: 'swingArm',
            point_m: [-0.7, -0.13, 0.44],
            along: [-1, 0, -0.05],
            at_m: 0.37,
          },
        ],
        length_m: 0.63,
        ...BRAIDED,
      },
    ],
    keepOuts: [
      part('tyre', 'Rear tyre', 'swingArm', 'moving', {
        shape: 'ring',
        centre_m: [-1.03, 0, 0.31],
        axis: [0, 1, 0],
        ring_m: 0.25,
        tube_m: 0.06,
      }),
      part('silencer', 'Silencer', 'frame', 'hot', {
        shape: 'capsule',
        a_m: [-0.5, -0.22, 0.27],
        b_m: [-1.1, -0.25, 0.36],
        radius_m: 0.045,
      }),
    ],
  },
  strut: {
    name: 'Strut corner, bracket to caliper',
    rig: {
      kind: 'strut',
      top_m: [-0.03, 0.55, 0.78],
      lowerJoint_m: [0, 0.66, 0.22],
      lock_rad: degrees(34),
      travel_m: 0.15,
    },
    hoses: [
      {
        id: 'corner',
        name: 'Corner hose',
        start: eye('frame', [-0.14, 0.43, 0.46], [-0.6, 0.4, 0.2], null),
        end: eye('knuckle', [-0.12, 0.62, 0.34], [0.7, -0.7, 1], [0, -1, 0]),
        clips: [],
        length_m: 0.43,
        outside_m: 0.0105,
        leastRadius_m: 0.05,
      },
    ],
    keepOuts: [
      part('tyre', 'Left front tyre', 'knuckle', 'moving', {
        shape: 'ring',
        centre_m: [0, 0.79, 0.3],
        axis: [0, 1, 0],
        ring_m: 0.23,
        tube_m: 0.08,
      }),
      part('strut', 'Strut tube', 'knuckle', 'still', {
        shape: 'capsule',
        a_m: [-0.01, 0.63, 0.36],
        b_m: [-0.02, 0.58, 0.6],
        radius_m: 0.026,
      }),
      part('shaft', 'Drive shaft', 'frame', 'moving', {
        shape: 'capsule',
        a_m: [0, 0.25, 0.3],
        b_m: [0, 0.64, 0.3],
        radius_m: 0.018,
      }),
    ],
  },
  liveAxle: {
    name: 'Live axle, chassis to axle tee',
    rig: { kind: 'liveAxle', centre_m: [-1.35, 0, 0.32], roll_rad: degrees(7), travel_m: 0.17 },
    hoses: [
      {
        id: 'axle',
        name: 'Axle hose',
        start: eye('frame', [-1.12, 0.12, 0.62], [-0.4, 0, -0.9], null),
        end: eye('axle', [-1.33, 0.16, 0.38], [0.75, 0, 0.65], [0, 0, 1]),
        clips: [],
        length_m: 0.48,
        outside_m: 0.0105,
        leastRadius_m: 0.05,
      },
    ],
    keepOuts: [
      part('tube', 'Axle tube', 'axle', 'still', {
        shape: 'capsule',
        a_m: [-1.35, -0.55, 0.32],
        b_m: [-1.35, 0.55, 0.32],
        radius_m: 0.038,
      }),
      part('pipe', 'Exhaust pipe', 'frame', 'hot', {
        shape: 'capsule',
        a_m: [-0.9, -0.24, 0.46],
        b_m: [-1.7, -0.24, 0.52],
        radius_m: 0.03,
      }),
      part('damper', 'Left damper', 'axle', 'moving', {
        shape: 'capsule',
        a_m: [-1.42, 0.42, 0.34],
        b_m: [-1.38, 0.36, 0.66],
        radius_m: 0.03,
      }),
    ],
  },
  trikeFront: {
    name: 'Trike front, frame to left wheel',
    rig: {
      kind: 'armedStrut',
      top_m: [0.02, 0.34, 0.62],
      lowerJoint_m: [0.05, 0.4, 0.2],
      armPivot_m: [0.05, 0.12, 0.24],
      armAxis: [1, 0, 0],
      lock_rad: degrees(36),
      swing_rad: degrees(18),
    },
    hoses: [
      {
        id: 'left',
        name: 'Left front hose',
        start: eye('frame', [-0.06, 0.16, 0.5], [-0.5, 0.7, 0.4], null),
        end: eye('knuckle', [-0.03, 0.4, 0.3], [-0.7, -0.3, 0.6], [0, 1, 0]),
        clips: [],
        length_m: 0.46,
        ...BRAIDED,
      },
    ],
    keepOuts: [
      part('tyre', 'Left front tyre', 'knuckle', 'moving', {
        shape: 'ring',
        centre_m: [0.05, 0.5, 0.26],
        axis: [0, 1, 0],
        ring_m: 0.21,
        tube_m: 0.05,
      }),
      part('spring', 'Spring', 'knuckle', 'still', {
        shape: 'capsule',
        a_m: [0.045, 0.39, 0.32],
        b_m: [0.03, 0.35, 0.52],
        radius_m: 0.035,
      }),
    ],
  },
};
