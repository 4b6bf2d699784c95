/** Laying the circuit of a job out another way, or again as it was found. */
import { hydraulicsOf } from '@zephyrcombe/contract';
import { FIELD_FAULTS, REFUSALS } from '@zephyrcombe/messages';
import { randomUUID } from 'node:crypto';
import type { LayoutId } from '@zephyrcombe/core';
import { layOut, layoutOf } from '@zephyrcombe/core';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import { loadCircuitIn } from '../vehicles/circuit.repository.ts';
import { writeVehicleChange } from '../vehicles/vehicleChange.ts';
import { saveHydraulics } from '../vehicles/saveHydraulics.ts';
import type { JobAction } from './jobAction.ts';
import {
  hasWork,
  isJointWorked,
  openedByEntering,
  refitIdsOf,
  requireScopesStay,
  writeScope,
} from './jobScope.ts';

/** Every hose of the new layout comes into the job: it is made, measured and fitted there. */
export async function chooseLayout(
  action: JobAction,
  circuitId: string,
  layout: LayoutId | 'asFound',
): Promise<void> {
  const { job, detail, models, transaction, log, person, now } = action;
  const own = detail.circuits.find(({ circuit }) => circuit.id === circuitId);
  if (!own) throw fieldProblem('circuitId', 'notInJob');
  const current = hydraulicsOf(own.circuit);
  const found = own.before ?? current;
  const next = layout === 'asFound' ? found : layOut(found, layout, randomUUID);
  if (next === null) {
    throw new AppProblem('no-answer', {
      detail: REFUSALS.notToLayOut,
    });
  }
  const kept = new Set(next.hoses.map((hose) => hose.id));
  const onIt = new Set(current.hoses.map((hose) => hose.id));
  const elsewhere = detail.hoses.filter(({ hoseId }) => !onIt.has(hoseId));
  const lost = detail.hoses.filter(
    (hose) => onIt.has(hose.hoseId) && !kept.has(hose.hoseId) && hasWork(action, hose.hoseId),
  );
  const lostJoints = current.joints.filter(
    ({ id }) =>
      refitIdsOf(detail).includes(id) &&
      !next.joints.some((joint) => joint.id === id) &&
      isJointWorked(detail, id),
  );
  const lostNames = [
    ...lost.map(({ hoseId }) => current.hoses.find((hose) => hose.id === hoseId)?.name ?? ''),
    ...lostJoints.map(({ name }) => name),
  ];
  if (lostNames.length > 0) {
    throw new AppProblem('in-use', {
      detail: REFUSALS.workOnLost,
      errors: lostNames.map((name) => ({ field: 'layout', message: FIELD_FAULTS.hasWork(name) })),
    });
  }
  await requireScopesStay(models, transaction, circuitId, next, detail.job.id);
  await saveHydraulics(models, transaction, own.circuit, next);
  const circuit = await loadCircuitIn(models, circuitId, transaction);
  const circuits = detail.circuits.map((one) => (one === own ? circuit : one.circuit));
  const scope = {
    circuits,
    hoses: circuits.flatMap(({ id, hoses }) =>
      id === circuitId
        ? hoses.filter(({ kind }) => kind === 'hose')
        : hoses.filter((hose) => elsewhere.some(({ hoseId }) => hoseId === hose.id)),
    ),
    lines: circuits.flatMap(({ hoses }) =>
      hoses.filter((hose) => detail.lines.some(({ lineId }) => lineId === hose.id)),
    ),
    joints: circuits.flatMap(({ joints }) => joints.filter(({ id }) => refitIdsOf(detail).includes(id))),
  };
  await writeScope(models, transaction, detail.job.id, scope);
  await models.JobCircuit.update(
    { found: layout === 'asFound' ? null : found },
    { where: { jobId: detail.job.id, circuitId }, transaction },
  );
  await job.update({ ...openedByEntering(detail, scope), version: job.version + 1 }, { transaction });
  const entry = { from: layoutOf(current), to: layout === 'asFound' ? layoutOf(found) : layout };
  await log('layoutChosen', { ...entry, hoses: circuit.hoses.map((hose) => hose.name) });
  await writeVehicleChange(models, transaction, {
    vehicleId: detail.vehicle.id,
    at: now,
    by: person.name,
    byId: person.id,
    kind: 'layoutChosen',
    detail: { circuit: circuit.name, ...entry },
  });
}
