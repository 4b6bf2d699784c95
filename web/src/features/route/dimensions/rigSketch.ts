/** The rig as lines, and where on it each of its dimensions is measured; all in the pose in which everything is measured. */
import type { Corner, CornerHose, RigBody, Vector } from '@zephyrcombe/core';
import { add, forkAxis, scaled, subtract, dot } from '@zephyrcombe/core';

export interface RigSketch {
  readonly lines: readonly (readonly [Vector, Vector])[];
  /** By the key of the dimension's row. */
  readonly measuredAt: Readonly<Record<string, Vector>>;
  /** What angles are measured from. */
  readonly uprights: readonly (readonly [Vector, Vector])[];
  /** Movements along a line. */
  readonly travels: readonly (readonly [Vector, Vector])[];
}

const OVER_m = 0.16;
const HALF_AXLE_m = 0.6;
/** Where no hose shows how long an arm or a fork is. */
const UNKNOWN_m = 0.35;

export function rigSketch({ rig }: Corner, hose: CornerHose): RigSketch {
  const endOn = (body: RigBody): Vector | null =>
    hose.end.body === body ? hose.end.port_m : hose.start.body === body ? hose.start.port_m : null;
  switch (rig.kind) {
    case 'fork': {
      const axis = forkAxis(rig.rake_rad);
      const lower = endOn('sliders');
      const reach_m = lower ? dot(subtract(lower, rig.steeringPoint_m), axis) : -2 * UNKNOWN_m;
      const foot = add(rig.steeringPoint_m, scaled(axis, reach_m));
      const head = add(rig.steeringPoint_m, scaled(axis, OVER_m));
      const arm = rig.sidecar && (endOn('sidecarArm') ?? add(rig.sidecar.pivot_m, [-UNKNOWN_m, 0, 0]));
      return {
        lines: [[head, foot], ...(rig.sidecar && arm ? [[rig.sidecar.pivot_m, arm] as const] : [])],
        measuredAt: {
          rake: add(rig.steeringPoint_m, scaled(axis, OVER_m / 2)),
          lock: head,
          travel: add(foot, scaled(axis, rig.travel_m)),
          ...(rig.sidecar && arm ? { 'sidecar swing': arm } : {}),
        },
        uprights: [[rig.steeringPoint_m, add(rig.steeringPoint_m, [0, 0, OVER_m])]],
        travels: [[foot, add(foot, scaled(axis, rig.travel_m))]],
      };
    }
    case 'swingArm': {
      const end = endOn('swingArm') ?? add(rig.pivot_m, [-UNKNOWN_m, 0, 0]);
      return { lines: [[rig.pivot_m, end]], measuredAt: { swing: end }, uprights: [], travels: [] };
    }
    case 'strut': {
      const up = subtract(rig.top_m, rig.lowerJoint_m);
      const high_m = Math.sqrt(dot(up, up)) || 1;
      const pressed = add(rig.lowerJoint_m, scaled(up, rig.travel_m / high_m));
      return {
        lines: [[rig.top_m, rig.lowerJoint_m]],
        measuredAt: { lock: rig.top_m, travel: pressed },
        uprights: [],
        travels: [[rig.lowerJoint_m, pressed]],
      };
    }
    case 'armedStrut':
      return {
        lines: [
          [rig.top_m, rig.lowerJoint_m],
          [rig.armPivot_m, rig.lowerJoint_m],
        ],
        measuredAt: { lock: rig.top_m, swing: rig.lowerJoint_m },
        uprights: [],
        travels: [],
      };
    case 'liveAxle': {
      const raised = add(rig.centre_m, [0, 0, rig.travel_m]);
      return {
        lines: [[add(rig.centre_m, [0, HALF_AXLE_m, 0]), add(rig.centre_m, [0, -HALF_AXLE_m, 0])]],
        measuredAt: { roll: rig.centre_m, travel: raised },
        uprights: [],
        travels: [[rig.centre_m, raised]],
      };
    }
  }
}
