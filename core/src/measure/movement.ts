/** What the parts that a hose joins do to it: which poses have to be read and what has to be looked at. */
import type { Body } from '../layout/body.ts';
import type { Pose } from './pose.ts';

export interface HoseMovement {
  /** The lever or its perch is at one end: it has to stand where the rider wants it. */
  readonly onControls: boolean;
  /** The hose turns with the steering, or is stretched by it. */
  readonly steers: boolean;
  /** The suspension moves one end against the other. */
  readonly travels: boolean;
  /** One end is on a solid axle: one wheel drops while the other rises. */
  readonly solidAxle: boolean;
}

const STEERED: readonly Body[] = ['handlebar', 'lowerYoke', 'forkLower', 'knuckle'];
const SPRUNG: readonly Body[] = ['frame', 'handlebar', 'lowerYoke'];

export function movementOf(from: Body, to: Body): HoseMovement {
  const ends = [from, to];
  return {
    onControls: ends.includes('handlebar'),
    steers: ends.some((body) => STEERED.includes(body)),
    travels: from !== to && !ends.every((body) => SPRUNG.includes(body)),
    solidAxle: from !== to && ends.includes('axle'),
  };
}

/** Ticks that stand for a look at the vehicle without a tape. */
export const POSE_CHECKS = [
  'controlsFinal',
  'bracketsInPlace',
  'leftLock',
  'rightLock',
  'fullBump',
  'crossedUp',
] as const;
export type PoseCheck = (typeof POSE_CHECKS)[number];
export type PoseChecks = Readonly<Record<PoseCheck, boolean>>;

/** The ticks that this hose on this vehicle needs, in the order they are made. */
export function checksFor(movement: HoseMovement): readonly PoseCheck[] {
  const needed: Readonly<Record<PoseCheck, boolean>> = {
    controlsFinal: movement.onControls,
    bracketsInPlace: true,
    leftLock: movement.steers,
    rightLock: movement.steers,
    fullBump: movement.travels,
    crossedUp: movement.solidAxle,
  };
  return POSE_CHECKS.filter((check) => needed[check]);
}

/** The poses worth a reading; full droop comes first where there is one, for it proves the length. */
export function posesFor(movement: HoseMovement): readonly Pose[] {
  return [
    ...(movement.travels ? (['fullDroop'] as const) : []),
    'straightAhead',
    ...(movement.steers ? (['leftLock', 'rightLock'] as const) : []),
    ...(movement.travels ? (['fullBump'] as const) : []),
    ...(movement.solidAxle ? (['crossedUp'] as const) : []),
  ];
}
