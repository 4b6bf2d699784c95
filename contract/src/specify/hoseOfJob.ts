/** One hose of a job with what stands at its two ends: the same on the screen, on paper and on the server. */
import type {
  BuildFacts,
  Caution,
  FittedBolt,
  Governing,
  HoseBuild,
  JointMaterial,
  KitOrder,
  MakeUpStep,
} from '@zephyrcombe/core';
import {
  boltEngagement,
  convertLength,
  eyesOn,
  governingTorque,
  judgeAssumedJoint,
  judgeBoltThread,
  judgeBuild,
  judgeClocking,
  judgeHoseOutside,
  judgeProof,
  judgeSeat,
  judgeSwitch,
  judgeTakeOffs,
  judgeTorquePart,
  judgeWasherMaterial,
  makeUpSteps,
  needsClocking,
  sealingDatum,
  suggestBuild,
  washersNeeded,
} from '@zephyrcombe/core';
import type { JobDetail, JobHose, JobJoint } from '../entities/job.ts';
import type { Bolt, Hose, Joint, Port, Washer } from '../entities/vehicle.ts';
import { partsOf } from './partsOfJob.ts';

export interface JointOfJob {
  readonly joint: Joint;
  readonly port: Port;
  readonly chosen: JobJoint;
  readonly eyes: number;
  /** What the eyes on it are made of, of hoses whose build is kept. */
  readonly eyeMaterials: readonly JointMaterial[];
}

export interface HoseOfJob {
  readonly fitted: Hose;
  readonly hose: JobHose;
  readonly a: JointOfJob | null;
  readonly b: JointOfJob | null;
}

/** `change` stands for the hose of that id: what it would be. */
export function jointOfJob(detail: JobDetail, jointId: string, change?: JobHose): JointOfJob | null {
  const parts = partsOf(detail);
  const joint = parts.joints.find(({ id }) => id === jointId);
  const port = parts.ports.find(({ id }) => id === joint?.portId);
  const chosen = detail.joints.find((candidate) => candidate.jointId === jointId);
  if (!joint || !port || !chosen) return null;
  const eyeMaterials = detail.hoses.flatMap((kept) => {
    const { hoseId, endA, endB, build } = kept.hoseId === change?.hoseId ? change : kept;
    const fitted = parts.hoses.find(({ id }) => id === hoseId);
    return [
      ...(build && fitted?.fromJointId === jointId && endA.family === 'banjo' ? [build.endA.material] : []),
      ...(build && fitted?.toJointId === jointId && endB.family === 'banjo' ? [build.endB.material] : []),
    ];
  });
  return { joint, port, chosen, eyes: eyesOn(parts, jointId), eyeMaterials };
}

export function hoseOfJob(detail: JobDetail, hoseId: string): HoseOfJob | null {
  const fitted = partsOf(detail).hoses.find(({ id }) => id === hoseId);
  const hose = detail.hoses.find((candidate) => candidate.hoseId === hoseId);
  if (!fitted || !hose) return null;
  return {
    fitted,
    hose,
    a: jointOfJob(detail, fitted.fromJointId),
    b: jointOfJob(detail, fitted.toJointId),
  };
}

/** Only an eye has a bolt through it. */
const boltOf = (end: JobHose['endA'], at: JointOfJob | null): Bolt | null =>
  end.family === 'banjo' ? (at?.chosen.bolt ?? null) : null;

export function buildFacts({ fitted, hose, a, b }: HoseOfJob, route: BuildFacts['route'] = null): BuildFacts {
  return {
    hoseName: fitted.name,
    bore_m: fitted.bore_m,
    length_m: hose.order_m ?? fitted.length_m,
    endA: hose.endA,
    endB: hose.endB,
    boltA_m: boltOf(hose.endA, a)?.diameter_m ?? null,
    boltB_m: boltOf(hose.endB, b)?.diameter_m ?? null,
    route,
  };
}

/** What was kept, or what the application would put there. */
export const buildOf = (own: HoseOfJob, route: BuildFacts['route'] = null): HoseBuild =>
  own.hose.build ?? suggestBuild(buildFacts(own, route)).build;

/** The torque figure that governs a joint, and those that are known beside it. */
export const torqueOf = ({ torque, furtherTorques }: Pick<Joint, 'torque' | 'furtherTorques'>): Governing =>
  governingTorque([
    { ...torque, part: torque.source === 'hoseMaker' ? 'kit' : 'joint', isFitted: true },
    ...furtherTorques,
  ]);

/** The bolt that holds a joint in this job, as a torque figure asks for it. */
export const fittedBolt = ({ seal }: Pick<Joint, 'seal'>, bolt: Bolt | null): FittedBolt =>
  seal === 'banjo' ? { metal: bolt?.material ?? null } : 'noBolt';

/** What stands against the parts of a joint, in the order a colleague would say it. */
export function partsCautions(
  { joint, port, chosen, eyes, eyeMaterials }: JointOfJob,
  bolt: Bolt | null = chosen.bolt,
  washer: Washer | null = chosen.washer,
): readonly Caution[] {
  const seat = [...judgeAssumedJoint(joint, port), ...judgeSeat(port, joint.seal)];
  if (!bolt || !washer) return seat;
  const stack =
    joint.eyeThickness_m === null
      ? null
      : boltEngagement({
          eyes,
          eyeThickness_m: joint.eyeThickness_m,
          washerThickness_m: washer.thickness_m,
          boltLength_m: bolt.length_m,
          boltDiameter_m: bolt.diameter_m,
          portDepth_m: port.depth_m,
        });
  return [
    ...seat,
    ...judgeBoltThread(port.thread, bolt.thread),
    ...judgeWasherMaterial(bolt.material, washer.material, { eyes: eyeMaterials, seat: port.seatMaterial }),
    ...(stack?.ok ? stack.cautions : []),
    ...judgeTorquePart(torqueOf(joint), fittedBolt(joint, bolt)),
    ...judgeSwitch(chosen.oldIsSwitch, bolt.carries?.includes('switch') ?? false),
  ];
}

/**
 * What stands against the parts of a joint that is only tightened anew. Where a hose or a hard line of the job ends there, they are
 * asked about when that is specified.
 */
export function refitCautions(detail: JobDetail, jointId: string): readonly Caution[] {
  const at = jointOfJob(detail, jointId);
  const isSpecified = partsOf(detail).hoses.some(
    ({ id, fromJointId, toJointId }) =>
      (fromJointId === jointId || toJointId === jointId) &&
      (detail.hoses.some(({ hoseId }) => hoseId === id) || detail.lines.some(({ lineId }) => lineId === id)),
  );
  if (!at || isSpecified) return [];
  return partsCautions(at).map((caution) => ({ ...caution, subject: at.joint.name }));
}

/** A length that is ordered behind the neck or between the ferrules rests on the ends, and so does one that is cut here. */
function takeOffCautions(hose: JobHose, build: HoseBuild | null): readonly Caution[] {
  const datum = build?.madeHere === true ? BETWEEN_FERRULES : orderDatumOf(hose);
  return (['endA', 'endB'] as const).flatMap((end) =>
    judgeTakeOffs(hose[end], datum[end]).map((caution) => ({
      ...caution,
      subject: end === 'endA' ? 'End A' : 'End B',
    })),
  );
}

/** What stands against the hose itself: how its ends lie, and how it is built. */
export function hoseCautions(
  detail: JobDetail,
  { hose, a, b }: HoseOfJob,
  build: HoseBuild | null = hose.build,
): readonly Caution[] {
  return [
    ...judgeClocking(hose.endA, hose.endB, hose.clocking_rad),
    ...takeOffCautions(hose, build),
    ...(build === null
      ? []
      : judgeBuild(build, {
          use: detail.vehicle.use,
          clocking_rad: hose.clocking_rad,
          boltA_m: boltOf(hose.endA, a)?.diameter_m ?? null,
          boltB_m: boltOf(hose.endB, b)?.diameter_m ?? null,
        })),
    ...(build === null ? [] : judgeHoseOutside(build)),
  ];
}

/** All that stands against specifying a hose as it is. */
export const specificationCautions = (detail: JobDetail, own: HoseOfJob): readonly Caution[] => [
  ...hoseCautions(detail, own),
  ...[own.a, own.b].flatMap((at) => {
    const joint = at && jointOfJob(detail, at.joint.id, own.hose);
    return joint ? partsCautions(joint).map((caution) => ({ ...caution, subject: joint.joint.name })) : [];
  }),
];

/** What stands against putting a hose on the vehicle: made up here and not proved, or proved with water that is still in it. */
export function proofCautions({ build, makeUp }: JobHose): readonly Caution[] {
  const proof = makeUp.proofs.at(-1) ?? null;
  const faults = judgeProof(build?.madeHere ?? false, proof);
  const isWet = proof?.medium === 'water' && !makeUp.steps.some(({ step }) => step === 'dry');
  return faults.length === 0 && isWet ? [{ id: 'M104', evidence: {} }] : faults;
}

/** The steps of making a hose up, as it is specified and was last proved. */
export const makeUpStepsOf = (
  { endA, endB, makeUp }: JobHose,
  build: Pick<HoseBuild, 'along'>,
): readonly MakeUpStep[] =>
  makeUpSteps(build, needsClocking(endA, endB), makeUp.proofs.at(-1)?.medium === 'water');

const BETWEEN_FERRULES = { endA: 'ferruleFace', endB: 'ferruleFace' } as const;

/** The datum of the order: the supplier's, or between the sealing points as long as nobody asked. */
export const orderDatumOf = ({ orderDatum, endA, endB }: Pick<JobHose, 'orderDatum' | 'endA' | 'endB'>) =>
  orderDatum ?? sealingDatum(endA, endB);

/** The order's length as the supplier counts it; null before it is taken. */
export function orderedLength_m(hose: JobHose): number | null {
  if (hose.order_m === null) return null;
  const { endA, endB } = hose;
  const converted = convertLength({
    length_m: hose.order_m,
    given: sealingDatum(endA, endB),
    wanted: orderDatumOf(hose),
    endA,
    endB,
  });
  return converted.ok ? converted.value.length_m : null;
}

/** Fresh washers that a joint takes; none where it seals without. */
export const washersOf = ({ joint, chosen, eyes }: JointOfJob): number => {
  if (joint.seal !== 'banjo' || !chosen.bolt) return 0;
  const needed = washersNeeded(eyes);
  return needed.ok ? needed.value : 0;
};

/** Bolts and washers that come with a hose. A joint that several bought hoses share is counted with the first of them. */
export function boxCounts(
  detail: JobDetail,
  own: HoseOfJob,
): { readonly bolts: number; readonly washers: number } {
  const touching = (jointId: string) =>
    detail.hoses.find(({ hoseId }) => {
      const other = hoseOfJob(detail, hoseId);
      return (
        other !== null &&
        !buildOf(other).madeHere &&
        [other.fitted.fromJointId, other.fitted.toJointId].includes(jointId)
      );
    })?.hoseId;
  const joints = [own.a, own.b].flatMap((at) =>
    at && touching(at.joint.id) === own.hose.hoseId ? [at] : [],
  );
  return {
    bolts: joints.filter(({ chosen }) => chosen.bolt !== null && chosen.boltState === 'new').length,
    washers: joints.reduce((sum, at) => sum + washersOf(at), 0),
  };
}

/** What has to be in the box of one hose; null before it is measured. `longest_m` by the route, in the same datum. */
export function kitOrderOf(
  detail: JobDetail,
  own: HoseOfJob,
  longest_m: number | null = null,
): KitOrder | null {
  const { hose, a, b } = own;
  const length_m = orderedLength_m(hose);
  if (length_m === null) return null;
  const build = buildOf(own);
  const end = (geometry: JobHose['endA'], fitting: HoseBuild['endA'], at: JointOfJob | null) => ({
    family: geometry.family,
    neckAngle_rad: geometry.neckAngle_rad,
    eyeBore_m: fitting.eyeBore_m,
    thread: at?.chosen.bolt?.thread ?? at?.port.thread ?? null,
    bolt_m: boltOf(geometry, at)?.diameter_m ?? null,
    turnable: fitting.turnable,
  });
  return {
    length_m,
    tolerance_m: build.tolerance_m,
    longest_m,
    endA: end(hose.endA, build.endA, a),
    endB: end(hose.endB, build.endB, b),
    clocking_rad: hose.clocking_rad,
    ...boxCounts(detail, own),
    use: detail.vehicle.use,
  };
}
