/** What a specification of a hose covers: the hose as it is ordered, and the joints that it goes to. */
import type { HoseOfJob, JobDetail, Parts } from '@zephyrcombe/contract';
import { orderDatumOf, partsOf } from '@zephyrcombe/contract';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
import { routeMark } from './route.ts';

/** The port's own id may be written anew with the drawing; what it is does not change by that. */
function portFacts({ ports, joints }: Parts, jointId: string): object {
  const joint = joints.find(({ id }) => id === jointId);
  const port = ports.find(({ id }) => id === joint?.portId);
  if (!joint || !port) return {};
  const { thread, gender, seat, depth_m, seatMaterial } = port;
  return { thread, gender, seat, depth_m, seatMaterial, seal: joint.seal };
}

function jointFacts(detail: JobDetail, jointId: string): object {
  const own = detail.joints.find((joint) => joint.jointId === jointId);
  const parts = partsOf(detail);
  return {
    port: portFacts(parts, jointId),
    eyeThickness_m: parts.joints.find(({ id }) => id === jointId)?.eyeThickness_m,
    ...(own
      ? { bolt: own.bolt, washer: own.washer, boltState: own.boltState, oldIsSwitch: own.oldIsSwitch }
      : {}),
  };
}

/** With the route of the vehicle, which the hose was tried on. */
export const specificationFacts = (detail: JobDetail, own: HoseOfJob): Facts => ({
  ...hoseFacts(detail, own),
  route: routeMark(detail, own.hose.hoseId),
});

/** The hose alone, wherever it will lie. */
export function hoseFacts(detail: JobDetail, { hose, fitted }: HoseOfJob): Facts {
  return factsOf({
    length_m: hose.order_m,
    endA: hose.endA,
    endB: hose.endB,
    clocking_rad: hose.clocking_rad,
    // The length on the order is counted from there.
    datum: orderDatumOf(hose),
    build: hose.build && { ...hose.build, along: hose.build.along.map(({ id: _id, ...part }) => part) },
    jointA: jointFacts(detail, fitted.fromJointId),
    jointB: jointFacts(detail, fitted.toJointId),
  });
}
