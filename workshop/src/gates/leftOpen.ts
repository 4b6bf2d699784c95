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

/** What is in this job already has its own gate. */
export function leftOpenGate(detail: JobDetail): readonly Obstacle[] {
  return leftOpenHere(detail).flatMap(({ jobTitle: job, on, joints, items }) => {
    const out = joints.filter(({ id }) => !detail.joints.some(({ jointId }) => jointId === id));
    const off = items.filter(
      ({ kind, name }) => !detail.items.some((own) => own.kind === kind && sameName(own.name, name)),
    );
    return [
      ...(out.length > 0
        ? [{ code: 'jointsLeftOpen' as const, job, on, joints: out.map(({ name }) => name) }]
        : []),
      ...(off.length > 0
        ? [{ code: 'itemsLeftOff' as const, job, on, items: off.map(({ name }) => name) }]
        : []),
    ];
  });
}

/** What stays open on the vehicle when this job is signed off. */
export function leftOpenAfter(
  leftOpen: readonly LeftOpen[],
  detail: Pick<JobDetail, 'circuits'>,
): readonly LeftOpen[] {
  const isHere = (circuitId: string) => detail.circuits.some(({ circuit }) => circuit.id === circuitId);
  return leftOpen.flatMap((left) => {
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
