import type { JobDetail, Joint, Person, Wrench } from '@zephyrcombe/contract';
import { capsAt, fittedBolt, partsOf, refitCautions, torqueOf } from '@zephyrcombe/contract';
import { fittedFacts, jointGate, renewedIn, withoutReason } from '@zephyrcombe/workshop';
import { createWriter, problemText, REFUSALS } from '@zephyrcombe/messages';
import type { Caution, TorqueVerdict } from '@zephyrcombe/core';
import { eyesOn, judgeTorqueAttempt, judgeTorquePart } from '@zephyrcombe/core';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { Handlers, ParsedBody } from '../../http/handlers.ts';
import { requireTyped } from '../../http/requireTyped.ts';
import {
  approved,
  onOpenJob,
  requireAsSeen,
  requireStopsAnswered,
  requireWay,
  told,
} from '../jobs/jobAction.ts';

export function torqueHandlers(dependencies: Dependencies): Pick<Handlers, 'recordTorque'> {
  return {
    recordTorque: ({ request, params, body }) =>
      onOpenJob(
        dependencies,
        request,
        params.jobId,
        async ({ detail, models, transaction, log, person, now }) => {
          if (detail.torqueRecords.some((record) => record.id === body.id)) return;
          const joint = partsOf(detail).joints.find((candidate) => candidate.id === body.jointId);
          const state = detail.joints.find((candidate) => candidate.jointId === body.jointId);
          if (!joint || !state) throw fieldProblem('jointId', 'notInScope');
          const wrench = detail.wrenches.find((candidate) => candidate.id === body.wrenchId);
          if (!wrench) throw fieldProblem('wrenchId', 'noWrenchHere');
          if (!state.handTight) requireWay([{ code: 'notHandTight', joint: joint.name }], person);
          const parts = fittedFacts(detail, joint.id);
          requireAsSeen(body.seen, parts);
          // Hand tight before, and something changed since.
          requireWay(jointGate(detail, joint.id), person);
          requireTyped(body.typed, 'torque', body.torque_Nm, 'torque_Nm');
          const torques = torqueOf(joint);
          const judged = attempted(detail, joint, wrench, body, person);
          const cautions = [
            ...judgeTorquePart(torques, fittedBolt(joint, state.bolt), body.torque_Nm),
            ...judged.cautions,
            ...capsAt(detail, joint.id),
            // Another bolt chosen since it was put on; what was answered then is answered.
            ...withoutReason(refitCautions(detail, joint.id), detail.reasons),
          ];
          requireStopsAnswered(cautions, body.overrides, person);

          const { overrides, seen: _seen, ...columns } = body;
          await models.TorqueRecord.create(
            {
              ...columns,
              jobId: detail.job.id,
              wrenchName: wrench.name,
              verdict: judged.verdict,
              fitted: approved({ person, now }, parts),
              by: person.name,
              byId: person.id,
              at: now,
            },
            { transaction },
          );
          // Whoever saw it dry before saw it before it was tightened so.
          await models.JobJoint.update(
            { leakChecked: false, version: state.version + 1 },
            { where: { jobId: detail.job.id, jointId: joint.id, leakChecked: true }, transaction },
          );
          await log('torqued', {
            ...columns,
            wrenchName: wrench.name,
            verdict: judged.verdict,
            range: { ...torques.governing },
            overrides,
            cautions: told(cautions),
          });
        },
      ),
  };
}

/** A turn of the wrench as it was read; refused where nothing can be said of it, or where it is under its range. */
function attempted(
  detail: JobDetail,
  joint: Joint,
  wrench: Wrench,
  body: ParsedBody<'recordTorque'>,
  person: Person,
): { readonly verdict: Exclude<TorqueVerdict, 'below'>; readonly cautions: readonly Caution[] } {
  const write = createWriter(person.units);
  const { governing } = torqueOf(joint);
  const judged = judgeTorqueAttempt({
    seal: joint.seal,
    eyes: eyesOn(partsOf(detail), joint.id),
    freshWashers: body.freshWashers,
    // Where nothing new went on there is nothing that has to settle.
    settled: body.settled || !renewedIn(detail).hoses,
    reading_Nm: body.torque_Nm,
    range: governing,
    wrenchMaximum_Nm: wrench.maximum_Nm,
    wrenchMinimum_Nm: wrench.minimum_Nm,
  });
  if (!judged.ok) {
    const sentence = problemText(judged.problem, write);
    throw new AppProblem('no-answer', {
      detail: sentence,
      errors: [{ field: 'torque_Nm', message: sentence }],
    });
  }
  if (judged.value.verdict === 'below') {
    throw new AppProblem('torque-below-range', {
      detail: REFUSALS.underRange(
        write.torque(body.torque_Nm),
        write.torqueRange(governing.minimum_Nm, governing.maximum_Nm),
      ),
    });
  }
  return { verdict: judged.value.verdict, cautions: judged.cautions };
}
