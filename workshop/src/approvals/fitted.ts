/** What is in a joint when it is tightened, and what is held against its route when a hose is offered up. */
import type { HoseOfJob, JobDetail, TorqueRecord } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob, jointOfJob, lineOfJob } from '@zephyrcombe/contract';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
import type { Standing } from './standingOf.ts';
import { standingOf } from './standingOf.ts';

/** The parts that a torque holds together: bolt, washers, port, and the ends that came with the job's hoses. */
export function fittedFacts(detail: JobDetail, jointId: string): Facts {
  const at = jointOfJob(detail, jointId);
  if (!at) return {};
  const ends = Object.fromEntries(
    detail.hoses.flatMap(({ hoseId }) => {
      const own = hoseOfJob(detail, hoseId);
      if (!own) return [];
      const { name, fromJointId, toJointId } = own.fitted;
      const build = buildOf(own);
      return [
        ...(fromJointId === jointId
          ? [[`${name}, end A`, { ...own.hose.endA, fitting: build.endA }] as const]
          : []),
        ...(toJointId === jointId
          ? [[`${name}, end B`, { ...own.hose.endB, fitting: build.endB }] as const]
          : []),
      ];
    }),
  );
  // Left out where there is none: a torque of before hard lines were worked on knows of none.
  const flares = Object.fromEntries(
    detail.lines.flatMap(({ lineId }) => {
      const own = lineOfJob(detail, lineId);
      if (!own) return [];
      const { name, fromJointId, toJointId } = own.fitted;
      const { formA, formB } = own.line.pattern?.build ?? {};
      return [
        ...(fromJointId === jointId ? [[`${name}, end A`, { form: formA }] as const] : []),
        ...(toJointId === jointId ? [[`${name}, end B`, { form: formB }] as const] : []),
      ];
    }),
  );
  const { thread, gender, seat } = at.port;
  const { bolt, washer, boltState } = at.chosen;
  return factsOf({
    bolt,
    washer,
    boltState,
    port: { thread, gender, seat, seal: at.joint.seal },
    ends: { ...ends, ...flares },
  });
}

/** Whether a torque still holds what it tightened; one that was recorded before its parts were kept does. */
export const torqueStanding = (detail: JobDetail, { jointId, fitted }: TorqueRecord): Standing =>
  standingOf(fitted, fittedFacts(detail, jointId));

/** The hose in the hand: its length, and what was found of it in its box or by its proof. */
export const offeredFacts = ({ hose }: HoseOfJob): Facts =>
  factsOf({
    length_m: hose.order_m,
    box: hose.kit && { found: hose.kit.found, verdict: hose.kit.decided?.verdict },
    proof: hose.makeUp.proofs.at(-1),
  });

/** Somebody has held this very hose against its route. */
export const isOfferedUp = (own: HoseOfJob): boolean =>
  standingOf(own.hose.offeredUp, offeredFacts(own)).state === 'stands';

/** Whether the hose that was held against its route is the one that goes on; before it was kept by hose, the tick says so. */
export const wasOfferedUp = (own: HoseOfJob): boolean => {
  const standing = standingOf(own.hose.offeredUp, offeredFacts(own));
  return standing.state !== 'passed';
};
