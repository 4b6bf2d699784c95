/**
 * How the bodies of a vehicle move between poses: the rigs that a technician can fill in with a tape. A placement takes
 * a point of a body, given in the pose in which everything was measured, to where it is in another pose.
 */
import type { Vector } from '../geometry/vector.ts';
import { add, cross, dot, norm, scaled, subtract, unit } from '../geometry/vector.ts';

export interface Placement {
  readonly point: (atRest: Vector) => Vector;
  readonly direction: (atRest: Vector) => Vector;
}

export const STILL: Placement = { point: (point) => point, direction: (direction) => direction };

/** Turning about an axis through a point. */
function turning(through: Vector, axis: Vector, angle_rad: number): Placement {
  const direction = turner(axis, angle_rad);
  return { point: (point) => add(through, direction(subtract(point, through))), direction };
}

/** Sine and cosine are worked out once: a pose asks for dozens of points. */
function turner([ax, ay, az]: Vector, angle_rad: number): (vector: Vector) => Vector {
  const [cos, sin] = [Math.cos(angle_rad), Math.sin(angle_rad)];
  return ([x, y, z]) => {
    const along = (ax * x + ay * y + az * z) * (1 - cos);
    return [
      cos * x + sin * (ay * z - az * y) + along * ax,
      cos * y + sin * (az * x - ax * z) + along * ay,
      cos * z + sin * (ax * y - ay * x) + along * az,
    ];
  };
}

const sliding = (by: Vector): Placement => ({
  point: (point) => add(point, by),
  direction: (direction) => direction,
});

/** First one, then the other. */
const then = (first: Placement, second: Placement): Placement => ({
  point: (point) => second.point(first.point(point)),
  direction: (direction) => second.direction(first.direction(direction)),
});

export interface ForkRig {
  /** A point on the steering axis. */
  readonly steeringPoint_m: Vector;
  readonly rake_rad: number;
}

/** The steering axis of a telescopic fork, pointing up and back. */
export const forkAxis = (rake_rad: number): Vector => [-Math.sin(rake_rad), 0, Math.cos(rake_rad)];

/** Bars, yokes and what is fixed to them. */
export const steeredUpper = (rig: ForkRig, steering_rad: number): Placement =>
  turning(rig.steeringPoint_m, forkAxis(rig.rake_rad), steering_rad);

/** Sliders, caliper and wheel: along the axis as the fork is pressed in, then round with the steering. */
export const steeredLower = (rig: ForkRig, steering_rad: number, travel_m: number): Placement =>
  then(sliding(scaled(forkAxis(rig.rake_rad), travel_m)), steeredUpper(rig, steering_rad));

export interface SwingArmRig {
  readonly pivot_m: Vector;
}

/** A positive angle lifts what is behind the pivot. */
export const swingArm = (rig: SwingArmRig, angle_rad: number): Placement =>
  turning(rig.pivot_m, [0, 1, 0], angle_rad);

export interface StrutRig {
  readonly top_m: Vector;
  readonly lowerJoint_m: Vector;
}

/** A strut whose kingpin axis keeps its direction; bump presses the knuckle up along it. */
export function strut(rig: StrutRig, steering_rad: number, bump_m: number): Placement {
  const axis = unit(subtract(rig.top_m, rig.lowerJoint_m));
  return then(turning(rig.lowerJoint_m, axis, steering_rad), sliding(scaled(axis, bump_m)));
}

export interface ArmedStrutRig extends StrutRig {
  readonly armPivot_m: Vector;
  readonly armAxis: Vector;
}

/** A strut on a lower arm that swings; the steer that the tie rod adds in bump is left out. */
export function armedStrut(rig: ArmedStrutRig, steering_rad: number, arm_rad: number): Placement {
  const joint = turning(rig.armPivot_m, unit(rig.armAxis), arm_rad).point(rig.lowerJoint_m);
  const before = unit(subtract(rig.top_m, rig.lowerJoint_m));
  const now = unit(subtract(rig.top_m, joint));
  const tilt = turningBetween(before, now);
  const steer = turner(now, steering_rad);
  return {
    point: (point) => add(joint, steer(tilt(subtract(point, rig.lowerJoint_m)))),
    direction: (direction) => steer(tilt(direction)),
  };
}

/** The least turn that takes one direction to another; none when they are the same. */
function turningBetween(from: Vector, to: Vector): (vector: Vector) => Vector {
  const axis = cross(from, to);
  const sine = norm(axis);
  if (sine < 1e-15) return (vector) => vector;
  return turner(scaled(axis, 1 / sine), Math.atan2(sine, dot(from, to)));
}

export interface LiveAxleRig {
  readonly centre_m: Vector;
}

/** Heave up, roll about the length of the vehicle, wind-up about the axle, in that order from the inside out. */
export function liveAxle(rig: LiveAxleRig, heave_m: number, roll_rad: number, windUp_rad: number): Placement {
  const turn = then(turning(rig.centre_m, [0, 1, 0], windUp_rad), turning(rig.centre_m, [1, 0, 0], roll_rad));
  return then(turn, sliding([0, 0, heave_m]));
}
