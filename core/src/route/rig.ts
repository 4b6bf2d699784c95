/**
 * Rigs: how the bodies of a vehicle move, with the ends of their movement. A pose is a place on two axes, across and
 * down: steering and travel, or roll and heave. Dimensions are those that a tape gives in a few minutes.
 */
import type { Vector } from '../geometry/vector.ts';
import type { Placement } from './motion.ts';
import { armedStrut, liveAxle, steeredLower, steeredUpper, STILL, strut, swingArm } from './motion.ts';
import { demand, unphysical } from '../calculation/physical.ts';

export const BODIES = ['frame', 'bars', 'sliders', 'sidecarArm', 'swingArm', 'knuckle', 'axle'] as const;
export type Body = (typeof BODIES)[number];

export interface FullFork {
  readonly kind: 'fork';
  readonly steeringPoint_m: Vector;
  readonly rake_rad: number;
  /** To each lock from straight ahead. */
  readonly lock_rad: number;
  /** Full droop to full bump, along the fork. */
  readonly travel_m: number;
  /**
   * The arm of a sidecar's wheel; null without one. It is moved in step with the fork: a hose to it is clipped to the frame
   * on its way, so that no free span of it feels both.
   */
  readonly sidecar: FullSwing | null;
}

/** An arm about a pivot across the vehicle, from droop, in which it was measured, to bump. */
export interface FullSwing {
  readonly pivot_m: Vector;
  readonly swing_rad: number;
}

export interface FullSwingArm extends FullSwing {
  readonly kind: 'swingArm';
}

export interface FullStrut {
  readonly kind: 'strut';
  readonly top_m: Vector;
  readonly lowerJoint_m: Vector;
  readonly lock_rad: number;
  readonly travel_m: number;
}

export interface FullArmedStrut {
  readonly kind: 'armedStrut';
  readonly top_m: Vector;
  readonly lowerJoint_m: Vector;
  readonly armPivot_m: Vector;
  readonly armAxis: Vector;
  readonly lock_rad: number;
  readonly swing_rad: number;
}

export interface FullLiveAxle {
  readonly kind: 'liveAxle';
  readonly centre_m: Vector;
  /** To each side from level. */
  readonly roll_rad: number;
  readonly travel_m: number;
}

export type Rig = FullFork | FullSwingArm | FullStrut | FullArmedStrut | FullLiveAxle;
export type RigKind = Rig['kind'];

export const BODIES_OF: Readonly<Record<RigKind, readonly Body[]>> = {
  fork: ['frame', 'bars', 'sliders', 'sidecarArm'],
  swingArm: ['frame', 'swingArm'],
  strut: ['frame', 'knuckle'],
  armedStrut: ['frame', 'knuckle'],
  liveAxle: ['frame', 'axle'],
};

/** One of the two ways in which a rig moves. `least` to `most`; the measured pose is at 0. */
export interface RigAxis {
  readonly name: 'steering' | 'travel' | 'swing' | 'roll';
  readonly unit: 'length' | 'angle';
  readonly least: number;
  readonly most: number;
}

export interface RigAxes {
  /** Null for a rig that only goes up and down. */
  readonly across: RigAxis | null;
  readonly down: RigAxis;
}

const bothWays = (name: RigAxis['name'], most: number): RigAxis => ({
  name,
  unit: 'angle',
  least: -most,
  most,
});
const up = (name: RigAxis['name'], unit: RigAxis['unit'], most: number): RigAxis => ({
  name,
  unit,
  least: 0,
  most,
});

/** Everything is measured straight ahead at full droop: travel, swing and heave begin there. */
export function axesOf(rig: Rig): RigAxes {
  switch (rig.kind) {
    case 'fork':
    case 'strut':
      return { across: bothWays('steering', rig.lock_rad), down: up('travel', 'length', rig.travel_m) };
    case 'swingArm':
      return { across: null, down: up('swing', 'angle', rig.swing_rad) };
    case 'armedStrut':
      return { across: bothWays('steering', rig.lock_rad), down: up('swing', 'angle', rig.swing_rad) };
    case 'liveAxle':
      return { across: bothWays('roll', rig.roll_rad), down: up('travel', 'length', rig.travel_m) };
  }
}

/** A pose by its place on the two axes, rad or m. */
export interface RigPose {
  readonly across: number;
  readonly down: number;
}

export const AS_MEASURED: RigPose = { across: 0, down: 0 };

/** Every part, end and clip on a body asks for the same placement in a pose. */
const placements = new WeakMap<Rig, WeakMap<RigPose, Partial<Record<Body, Placement>>>>();

/** Where a body is in a pose. A body that the rig does not have stands still. Rigs and poses do not change once made. */
export function placementOf(rig: Rig, body: Body, pose: RigPose): Placement {
  if (body === 'frame') return STILL;
  let ofRig = placements.get(rig);
  if (!ofRig) placements.set(rig, (ofRig = new WeakMap()));
  let ofPose = ofRig.get(pose);
  if (!ofPose) ofRig.set(pose, (ofPose = {}));
  return (ofPose[body] ??= place(rig, body, pose));
}

function place(rig: Rig, body: Body, { across, down }: RigPose): Placement {
  switch (rig.kind) {
    case 'fork':
      if (body === 'bars') return steeredUpper(rig, across);
      if (body === 'sidecarArm')
        return rig.sidecar ? swingArm(rig.sidecar, rig.sidecar.swing_rad * (down / rig.travel_m)) : STILL;
      return body === 'sliders' ? steeredLower(rig, across, down) : STILL;
    case 'swingArm':
      return body === 'swingArm' ? swingArm(rig, down) : STILL;
    case 'strut':
      return body === 'knuckle' ? strut(rig, across, down) : STILL;
    case 'armedStrut':
      return body === 'knuckle' ? armedStrut(rig, across, down) : STILL;
    case 'liveAxle':
      return body === 'axle' ? liveAxle(rig, down, across, 0) : STILL;
  }
}

/** Steering (or roll) across, travel down; odd numbers of each, so that the measured pose is among them. */
export interface RigGrid {
  readonly columns: number;
  readonly poses: readonly RigPose[];
  readonly installed: number;
}

/** Rigs do not change once made: each is looked through once. */
const sound = new WeakSet<Rig>();

function demandRig(rig: Rig): void {
  if (sound.has(rig)) return;
  demand(unphysical(rig, { notNegative: ['travel_m', 'lock_rad', 'roll_rad', 'swing_rad'] }));
  sound.add(rig);
}

/** More poses each way than this tell nothing new. */
const MOST_STEPS = 1001;

/** Only the pose in which everything was measured. */
export const AS_MEASURED_ONLY: RigGrid = { columns: 1, poses: [AS_MEASURED], installed: 0 };

/** `steps` poses along each axis of the rig. */
export function gridOf(rig: Rig, steps: number): RigGrid {
  demand(
    Number.isInteger(steps) && steps > 0 && steps <= MOST_STEPS
      ? null
      : { code: 'notPositive', field: 'steps', value: steps },
  );
  demandRig(rig);
  const { across, down } = axesOf(rig);
  const columns = across ? steps : 1;
  const at = ({ least, most }: RigAxis, index: number) =>
    steps === 1 ? (least + most) / 2 : least + ((most - least) * index) / (steps - 1);
  return {
    columns,
    poses: Array.from({ length: columns * steps }, (_none, index) => ({
      across: across ? at(across, index % columns) : 0,
      down: at(down, Math.floor(index / columns)),
    })),
    installed: (columns - 1) / 2,
  };
}
