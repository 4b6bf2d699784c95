/** What a job that is given up leaves open, and what another job has to close before it is signed. */
import type { JobDetail, LeftJointState, LeftOpen } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import { isDry, isTooFar, isTorqued } from '../stages/stages.ts';
import type { Obstacle } from './obstacle.ts';

/** A joint was opened, put together or tightened here. */
function isTouched(detail: JobDetail, jointId: string): boolean {
  const state = detail.joints.find((joint) => joint.jointId === jointId);
  return (
    state?.handTight === true ||
    state?.leakChecked === true ||
    detail.torqueRecords.some((record) => record.jointId === jointId) ||
    detail.fitSteps.some(
      ({ step }) => 'joint' in step && step.joint === jointId && ['crack', 'open'].includes(step.kind),
    )
  );
}

function stateOf(detail: JobDetail, jointId: string): LeftJointState {
  const last = detail.torqueRecords.findLast((record) => record.jointId === jointId);
  if (last && isTooFar(last)) return 'tooFar';
  return isTorqued(detail, jointId) ? 'unproved' : 'open';
}

/** What this job leaves open, where it is given up as it stands. */
export function leftOpenBy(detail: JobDetail): Pick<LeftOpen, 'circuits' | 'joints' | 'items'> {
  const joints = partsOf(detail)
    .joints.filter(({ id }) => isTouched(detail, id) && !isDry(detail, id))
    .map(({ id, circuitId, name }) => ({ id, circuitId, name, state: stateOf(detail, id) }));
  const worked = detail.circuits.filter(
    ({ circuit }) =>
      joints.some(({ circuitId }) => circuitId === circuit.id) ||
      circuit.components.some(
        ({ id }) =>
          detail.bleedRuns.some(({ nippleId, events }) => nippleId === id && events.length > 0) ||
          detail.fitSteps.some(
            ({ step }) =>
              (step.kind === 'drainReservoir' && step.reservoir === id) ||
              (step.kind === 'drainNipple' && step.nipple === id),
          ),
      ),
  );
  return {
    // Opened, and nothing says where: every circuit is looked at.
    circuits: (worked.length > 0 ? worked : detail.circuits).map(({ circuit: { id, name } }) => ({
      id,
      name,
    })),
    joints,
    items: detail.items.filter(({ done }) => done === null).map(({ kind, name }) => ({ kind, name })),
  };
}

/** Of what was left on this vehicle, that which is in the circuits of this job. */
function leftOpenHere(detail: JobDetail): readonly LeftOpen[] {
  const { joints } = partsOf(detail);
  return (detail.vehicle.leftOpen ?? [])
    .filter(({ circuits }) =>
      circuits.some(({ id }) => detail.circuits.some(({ circuit }) => circuit.id === id)),
    )
    .map((left) => ({
      ...left,
      joints: left.joints.filter(({ id }) => joints.some((joint) => joint.id === id)),
    }));
}

const sameName = (a: string, b: string) => a.trim().toLocaleLowerCase() === b.trim().toLocaleLowerCase();

/** In this job, and not only tightened here before the other one left it open. */
function isTakenUp(detail: JobDetail, jointId: string, leftAt: string): boolean {
  const last = detail.torqueRecords.findLast((record) => record.jointId === jointId);
  return (
    detail.joints.some((joint) => joint.jointId === jointId) &&
    (last === undefined || Date.parse(last.at) >= Date.parse(leftAt))
  );
}

/** What is in this job already has its own gate. */
export function leftOpenGate(detail: JobDetail): readonly Obstacle[] {
  return leftOpenHere(detail).flatMap(({ jobTitle: job, at, joints, items }) => {
    const out = joints.filter(({ id }) => !isTakenUp(detail, id, at));
    const off = items.filter(
      ({ kind, name }) => !detail.items.some((own) => own.kind === kind && sameName(own.name, name)),
    );
    return [
      ...(out.length > 0
        ? [{ code: 'jointsLeftOpen' as const, job, at, joints: out.map(({ name }) => name) }]
        : []),
      ...(off.length > 0
        ? [{ code: 'itemsLeftOff' as const, job, at, items: off.map(({ name }) => name) }]
        : []),
    ];
  });
}

/** Joints of its circuits that another job which is under way has open, or over their limit: it is signed first, or given up. */
export function openElsewhere(detail: JobDetail, other: JobDetail): readonly Obstacle[] {
  const own = new Set(partsOf(detail).joints.map(({ id }) => id));
  const open = leftOpenBy(other).joints.filter(({ id, state }) => state !== 'unproved' && own.has(id));
  return open.length > 0
    ? [{ code: 'jointsOpenElsewhere', job: other.job.title, joints: open.map(({ name }) => name) }]
    : [];
}

/** What is left open on circuits that this job does not work on: the vehicle does not run by this signature. */
export const leftOpenBeside = (detail: JobDetail): readonly LeftOpen[] =>
  leftOpenAfter(detail.vehicle.leftOpen ?? [], detail);

/** What stays open on the vehicle when this job is signed off; what nobody who signs has seen stays as well. */
export function leftOpenAfter(
  leftOpen: readonly LeftOpen[],
  detail: Pick<JobDetail, 'circuits' | 'vehicle'>,
): readonly LeftOpen[] {
  const seen = new Set((detail.vehicle.leftOpen ?? []).map(({ jobId }) => jobId));
  const isHere = (circuitId: string) => detail.circuits.some(({ circuit }) => circuit.id === circuitId);
  return leftOpen.flatMap((left) => {
    if (!seen.has(left.jobId)) return [left];
    const circuits = left.circuits.filter(({ id }) => !isHere(id));
    if (circuits.length === left.circuits.length) return [left];
    if (circuits.length === 0) return [];
    return [
      { ...left, circuits, joints: left.joints.filter(({ circuitId }) => !isHere(circuitId)), items: [] },
    ];
  });
}

/** It was over its limit when its job was given up, and nobody here has said that its bolt is new. */
export const isLeftTooFar = (detail: JobDetail, jointId: string): boolean =>
  (detail.vehicle.leftOpen ?? []).some(({ joints }) =>
    joints.some(({ id, state }) => id === jointId && state === 'tooFar'),
  ) && !detail.torqueRecords.some((record) => record.jointId === jointId && record.renewed === true);
