/** What a job starts with for each hose and joint in its scope. */
import type { Hose, Joint } from '@zephyrcombe/contract';
import type { PoseChecks } from '@zephyrcombe/core';
import { UNSEEN } from '@zephyrcombe/core';

export const NOT_FITTED = { offeredUp: false, settle: false, lockToLock: false, droopAndBump: false };

const NOTHING_CHECKED: PoseChecks = {
  controlsFinal: false,
  bracketsInPlace: false,
  leftLock: false,
  rightLock: false,
  fullBump: false,
  crossedUp: false,
};

/** The hose as it is on the vehicle, nothing checked yet. */
export const newJobHose = (jobId: string, hose: Hose, position: number) => ({
  jobId,
  hoseId: hose.id,
  poseChecks: NOTHING_CHECKED,
  order_m: null,
  // Only the supplier knows; asking is part of measuring.
  orderDatum: null,
  lift: null,
  endA: hose.endA,
  endB: hose.endB,
  clocking_rad: hose.clocking_rad,
  specified: false,
  specification: null,
  lengthTaken: null,
  offeredUp: null,
  build: null,
  makeUp: { steps: [], proofs: [] },
  kit: null,
  plugs: { A: null, B: null },
  position,
  version: 0,
});

/** A hard line of which nothing is known yet. */
export const newJobLine = (jobId: string, lineId: string, position: number) => ({
  jobId,
  lineId,
  pattern: null,
  checks: { ...UNSEEN, bentBack: [] },
  made: null,
  position,
  version: 0,
});

/** The joint with the bolt and washers it had: washers are counted anew at the torque. A hose comes with new bolts. */
export const newJobJoint = (jobId: string, joint: Joint, position: number, refit: boolean) => ({
  jobId,
  jointId: joint.id,
  bolt: joint.bolt,
  washer: joint.washer,
  boltState: refit ? ('usedSound' as const) : ('new' as const),
  oldIsSwitch: joint.bolt?.carries?.includes('switch') ?? false,
  refit,
  handTight: false,
  leakChecked: false,
  position,
  version: 0,
});
