/** Everything that stands against a job as it is, each with the gate that asks about it; what informs as well as what stops. */
import type { JobDetail } from '@zephyrcombe/contract';
import {
  capsAt,
  capsOfJob,
  fittedBolt,
  hoseOfJob,
  jointOfJob,
  lineCautions,
  lineOfJob,
  liveReadings,
  partsOf,
  proofCautions,
  readingCautions,
  refitCautions,
  specificationCautions,
  tapeSetting,
  torqueOf,
} from '@zephyrcombe/contract';
import type { Caution, FoundOn } from '@zephyrcombe/core';
import { judgeHandover, judgeLeftOn, judgeTorquePart, orderLength } from '@zephyrcombe/core';
import { asFittedCautions } from '../fitting/asFitted.ts';
import { feelCautions } from './feel.ts';
import { holdCautions } from './hold.ts';
import { bubbleCautions } from './outflow.ts';
import { asBuiltCautions } from './asBuilt.ts';
import { bleedCautions } from './bleedWay.ts';

export type Gate = 'length' | 'specification' | 'hand' | 'joint' | 'sign';

export interface StandingCaution {
  readonly gate: Gate;
  readonly caution: Caution;
}

const at = (gate: Gate, cautions: readonly Caution[], subject?: string): readonly StandingCaution[] =>
  cautions.map((caution) => ({
    gate,
    caution: subject === undefined || caution.subject !== undefined ? caution : { ...caution, subject },
  }));

function ofHose(detail: JobDetail, hoseId: string): readonly StandingCaution[] {
  const own = hoseOfJob(detail, hoseId);
  if (!own) return [];
  const { name } = own.fitted;
  const readings = liveReadings(detail, hoseId);
  const length = readings.length > 0 ? orderLength(readings, tapeSetting(detail, own.hose)) : null;
  return [
    ...(length?.ok ? at('length', [...length.cautions, ...readingCautions(detail, own.hose)], name) : []),
    ...at('specification', specificationCautions(detail, own), name),
    ...at('hand', proofCautions(own.hose), name),
  ];
}

function ofLine(detail: JobDetail, lineId: string): readonly StandingCaution[] {
  const own = lineOfJob(detail, lineId);
  return own ? at('specification', lineCautions(own), own.fitted.name) : [];
}

function ofJoint(detail: JobDetail, jointId: string): readonly StandingCaution[] {
  const own = jointOfJob(detail, jointId);
  if (!own) return [];
  const { joint, chosen } = own;
  return at(
    'joint',
    [
      ...refitCautions(detail, jointId),
      ...judgeTorquePart(torqueOf(joint), fittedBolt(joint, chosen.bolt)),
      ...capsAt(detail, jointId),
    ],
    joint.name,
  );
}

/** What was found on lines and joints of the job's circuits that it does not replace or see to. */
export function leftOn(detail: JobDetail): readonly Caution[] {
  const { hoses, joints } = partsOf(detail);
  const inJob = new Set([
    ...detail.hoses.map(({ hoseId }) => hoseId),
    ...detail.lines.map(({ lineId }) => lineId),
    ...detail.joints.map(({ jointId }) => jointId),
  ]);
  const found: FoundOn[] = detail.findings.flatMap(
    ({ subject, subjectId, condition, degree, struckBecause }) => {
      const part = [...hoses, ...joints].find(({ id }) => id === subjectId);
      if (!part || struckBecause !== null) return [];
      return [{ name: part.name, subject, condition, degree, inScope: inJob.has(part.id) }];
    },
  );
  return judgeLeftOn(found);
}

/** What whoever signs meets of the vehicle itself, beside the checks and the fluid. */
export const signCautions = (detail: JobDetail): readonly Caution[] => [
  ...leftOn(detail),
  ...asBuiltCautions(detail),
  ...asFittedCautions(detail),
  ...capsOfJob(detail),
  ...holdCautions(detail),
  ...feelCautions(detail),
  ...detail.circuits.flatMap(({ circuit }) => bubbleCautions(detail, circuit)),
  ...bleedCautions(detail),
];

export function standingCautions(detail: JobDetail): readonly StandingCaution[] {
  const handover = judgeHandover(detail.job.handoverChecks, {
    abs: detail.vehicle.abs,
    hasJoints: detail.joints.length > 0,
  });
  return [
    ...detail.hoses.flatMap(({ hoseId }) => ofHose(detail, hoseId)),
    ...detail.lines.flatMap(({ lineId }) => ofLine(detail, lineId)),
    ...detail.joints.flatMap(({ jointId }) => ofJoint(detail, jointId)),
    ...at('joint', asFittedCautions(detail)),
    ...at('sign', [
      ...asBuiltCautions(detail),
      ...bleedCautions(detail),
      ...leftOn(detail),
      ...handover.cautions,
    ]),
  ];
}
