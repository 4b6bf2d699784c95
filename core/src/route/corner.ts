/** A corner of a vehicle: how it moves, what stands in the way, and the hoses that pass there. */
import type { Vector } from '../geometry/vector.ts';
import type { Rig } from './rig.ts';
import type { KeepOut, Scene, SceneEnd, SceneHose } from './sceneParts.ts';
import type { Solid } from './solid.ts';

export interface CornerHose extends SceneHose {
  readonly id: string;
  readonly name: string;
}

export interface Corner {
  readonly name: string;
  readonly rig: Rig;
  readonly keepOuts: readonly KeepOut[];
  readonly hoses: readonly CornerHose[];
}

/** One hose of a corner with everything around it; null when the corner has no such hose. */
export function sceneOf({ rig, keepOuts, hoses }: Corner, hoseId: string): Scene | null {
  const hose = hoses.find((candidate) => candidate.id === hoseId);
  return hose ? { rig, keepOuts, hose } : null;
}

/** To the other side of the vehicle's middle plane. */
const across = ([x, y, z]: Vector): Vector => [x, -y, z];
/** An axis that something turns about keeps its sense of turning only when it is turned back as well. */
const turningAcross = ([x, y, z]: Vector): Vector => [-x, y, -z];

/** The same corner on the other side: what was at left lock is at right lock. */
export const mirrored = (corner: Corner): Corner => ({
  ...corner,
  rig: mirroredRig(corner.rig),
  keepOuts: corner.keepOuts.map((keepOut) => ({ ...keepOut, solid: mirroredSolid(keepOut.solid) })),
  hoses: corner.hoses.map((hose) => ({
    ...hose,
    start: mirroredEnd(hose.start),
    end: mirroredEnd(hose.end),
    clips: hose.clips.map((clip) => ({ ...clip, point_m: across(clip.point_m), along: across(clip.along) })),
  })),
});

const mirroredEnd = (end: SceneEnd): SceneEnd => ({
  ...end,
  port_m: across(end.port_m),
  outward: across(end.outward),
  ...(end.neck ? { neck: { ...end.neck, along: across(end.neck.along) } } : {}),
  eyeAxis: end.eyeAxis && across(end.eyeAxis),
});

function mirroredRig(rig: Rig): Rig {
  switch (rig.kind) {
    case 'fork':
      return {
        ...rig,
        steeringPoint_m: across(rig.steeringPoint_m),
        sidecar: rig.sidecar && { ...rig.sidecar, pivot_m: across(rig.sidecar.pivot_m) },
      };
    case 'swingArm':
      return { ...rig, pivot_m: across(rig.pivot_m) };
    case 'strut':
      return { ...rig, top_m: across(rig.top_m), lowerJoint_m: across(rig.lowerJoint_m) };
    case 'armedStrut':
      return {
        ...rig,
        top_m: across(rig.top_m),
        lowerJoint_m: across(rig.lowerJoint_m),
        armPivot_m: across(rig.armPivot_m),
        armAxis: turningAcross(rig.armAxis),
      };
    case 'liveAxle':
      return { ...rig, centre_m: across(rig.centre_m) };
  }
}

function mirroredSolid(solid: Solid): Solid {
  switch (solid.shape) {
    case 'sphere':
    case 'box':
      return { ...solid, centre_m: across(solid.centre_m) };
    case 'ring':
      return { ...solid, centre_m: across(solid.centre_m), axis: across(solid.axis) };
    case 'capsule':
    case 'cylinder':
      return { ...solid, a_m: across(solid.a_m), b_m: across(solid.b_m) };
  }
}
