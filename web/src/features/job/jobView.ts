/** What the job screens derive from a job's data: plain functions, no React. */
import type { Hose, JobDetail, JobHose, JobLine, JointOfJob } from '@zephyrcombe/contract';
import { jointOfJob, partsCautions, partsOf } from '@zephyrcombe/contract';
import { circuitWithLengths, fitPlanOf, isTorqued, lengthOf } from '@zephyrcombe/workshop';
import { portOpening } from '@zephyrcombe/core/plan';
import type { Calculated, Caution, Result } from '@zephyrcombe/core';
import { boltEngagement, distancesFromMaster } from '@zephyrcombe/core';
import type { Engagement } from '@zephyrcombe/core';
import type { FLUID } from '../../design/tokens.ts';
import type { JointState } from '../../drawing/JointGlyph.tsx';

/** Joints outside the job's scope were left alone: nothing is said of their torque or whether they are dry. */
export function jointState(detail: JobDetail, jointId: string): JointState {
  const state = detail.joints.find((joint) => joint.jointId === jointId);
  if (!state) return 'notOpened';
  if (isTorqued(detail, jointId)) return state.leakChecked ? 'leakChecked' : 'torqued';
  if (state.handTight) return 'handTight';
  const { joints, openings } = fitPlanOf(detail).state;
  if (joints.get(jointId)?.phase !== 'open') return 'open';
  return openings.get(portOpening(jointId)) === 'capped' ? 'capped' : 'standsOpen';
}

/** The hose that is selected, or the first of the job. */
export function selectedHose(
  detail: JobDetail,
  hoseId: string | null,
  jointId: string | null,
): JobHose | null {
  const byHose = detail.hoses.find((hose) => hose.hoseId === hoseId);
  if (byHose) return byHose;
  const onJoint = partsOf(detail).hoses.filter(
    (hose) => hose.fromJointId === jointId || hose.toJointId === jointId,
  );
  return (
    detail.hoses.find((hose) => onJoint.some((candidate) => candidate.id === hose.hoseId)) ??
    detail.hoses[0] ??
    null
  );
}

/** The hoses and hard lines that a job renews, as its scope names them. */
export function scopeIdsOf({ hoses, lines, joints }: Pick<JobDetail, 'hoses' | 'lines' | 'joints'>) {
  const hoseIds = hoses.map(({ hoseId }) => hoseId);
  const lineIds = lines.map(({ lineId }) => lineId);
  const jointIds = joints.filter(({ refit }) => refit).map(({ jointId }) => jointId);
  return { hoseIds, lineIds, jointIds, all: [...hoseIds, ...lineIds] };
}

/** The hard line that is selected, or the first of a job without hoses. */
export const selectedLine = (detail: JobDetail, lineId: string | null): JobLine | null =>
  detail.lines.find((line) => line.lineId === lineId) ??
  (detail.hoses.length === 0 ? (detail.lines[0] ?? null) : null);

/** Hoses whose eyes meet on a joint, shortest path first: the order of the stack from the bolt's head. */
export function hosesOn(detail: JobDetail, jointId: string): readonly Hose[] {
  return partsOf(detail)
    .hoses.filter((hose) => hose.fromJointId === jointId || hose.toJointId === jointId)
    .sort((left, right) => lengthOf(detail, left) - lengthOf(detail, right));
}

export interface JointView extends JointOfJob {
  readonly hoses: readonly Hose[];
}

export function jointView(detail: JobDetail, jointId: string): JointView | null {
  const known = jointOfJob(detail, jointId);
  return known && { ...known, hoses: hosesOn(detail, jointId) };
}

/** The joints of a job, circuit by circuit, each from its master outwards. */
export function jointsInOrder(detail: JobDetail): readonly JointView[] {
  const views = detail.joints.flatMap((state) => jointView(detail, state.jointId) ?? []);
  return detail.circuits.flatMap(({ circuit }) => {
    const distances = distancesFromMaster(circuitWithLengths(detail, circuit));
    const distance = ({ joint }: JointView) => distances.get(joint.componentId) ?? 0;
    return views
      .filter(({ joint }) => joint.circuitId === circuit.id)
      .sort((left, right) => distance(left) - distance(right));
  });
}

/** Grip, engaged thread and bottom clearance of a joint with a chosen bolt and washer; null where no bolt holds it. */
export function stackOf(
  view: JointView,
  bolt = view.chosen.bolt,
  washer = view.chosen.washer,
): Result<Engagement> | null {
  const { joint, port, eyes } = view;
  if (!bolt || !washer || joint.eyeThickness_m === null) return null;
  return boltEngagement({
    eyes,
    eyeThickness_m: joint.eyeThickness_m,
    washerThickness_m: washer.thickness_m,
    boltLength_m: bolt.length_m,
    boltDiameter_m: bolt.diameter_m,
    portDepth_m: port.depth_m,
  });
}

/** What stands against a joint's parts, in the order a colleague would say it. */
export const jointCautions = (
  view: JointView,
  bolt = view.chosen.bolt,
  washer = view.chosen.washer,
): readonly Caution[] => partsCautions(view, bolt, washer);

export const isCalculated = <Value>(result: Result<Value> | null): result is Calculated<Value> =>
  result?.ok === true;

/** The fluid's shade as it was last noted at a nipple of this job; null while nobody has looked. */
export function notedShade(detail: JobDetail): keyof typeof FLUID | null {
  const noted = detail.bleedRuns
    .flatMap((run) => run.events)
    .flatMap((event) =>
      event.kind === 'outflow' && event.outflow !== 'bubbles' ? [{ at: event.at, shade: event.outflow }] : [],
    )
    .sort((left, right) => left.at.localeCompare(right.at));
  return noted.at(-1)?.shade ?? null;
}
