/** Changes to one joint of a job: its bolt and washers, hand tight, leak checked. */
import { partsOf, refitCautions } from '@zephyrcombe/contract';
import { isOffered, isTorqued, jointGate } from '@zephyrcombe/workshop';
import type { Caution } from '@zephyrcombe/core';
import { judgeOfferUp } from '@zephyrcombe/core';
import { AppProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from './jobAction.ts';
import { evidenceCautions, keptEvidence } from '../evidence/keptEvidence.ts';
import { requireStopsAnswered, requireWay, told } from './jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';

export async function editJobJoint(
  action: JobAction,
  jointId: string,
  body: ParsedBody<'editJobJoint'>,
): Promise<void> {
  const { detail, models, transaction, log, person } = action;
  const current = detail.joints.find((joint) => joint.jointId === jointId);
  if (!current) throw new AppProblem('not-found');
  requireVersion(current, body.version);

  // A joint that is hand tight is not leak-checked.
  if (body.leakChecked === true && !isTorqued(detail, jointId)) {
    const name = partsOf(detail).joints.find(({ id }) => id === jointId)?.name ?? jointId;
    requireWay([{ code: 'jointsNotTorqued', joints: [name] }], person);
  }
  const { version, overrides, ...changes } = body;
  let stood: readonly Caution[] = [];
  // Whoever puts the new hose on has opened the old one.
  if (changes.handTight === true) {
    // What no reason opens comes first: nobody gives one for nothing.
    requireWay(jointGate(detail, jointId), person);
    stood = [
      ...judgeOfferUp(isOffered(detail)),
      ...refitCautions(detail, jointId),
      ...(await donorCautions(action, jointId)),
    ];
    requireStopsAnswered(stood, overrides, person);
  }
  const given = definedOnly(changes);
  await models.JobJoint.update(
    { ...given, version: version + 1 },
    { where: { jobId: detail.job.id, jointId }, transaction },
  );

  if (
    changes.bolt !== undefined ||
    changes.washer !== undefined ||
    changes.boltState !== undefined ||
    changes.oldIsSwitch !== undefined
  ) {
    // What was specified before approvals were kept cannot tell that its bolt is another one.
    const touched = partsOf(detail).hoses.filter(
      (hose) => hose.fromJointId === jointId || hose.toJointId === jointId,
    );
    await models.JobHose.update(
      { specified: false },
      {
        where: { jobId: detail.job.id, hoseId: touched.map((hose) => hose.id), specification: null },
        transaction,
      },
    );
    await log('specified', { jointId, ...given });
  }
  if (changes.handTight !== undefined)
    await log('handTight', { jointId, handTight: changes.handTight, overrides, cautions: told(stood) });
  if (changes.leakChecked !== undefined)
    await log('leakChecked', { jointId, leakChecked: changes.leakChecked });
}

/** What stands against a donor hose that is to go on this joint: one that came in a box, or was made here, takes its place. */
async function donorCautions(
  { detail, models, transaction }: JobAction,
  jointId: string,
): Promise<Caution[]> {
  const donors = await keptEvidence(models, detail.job.id, transaction);
  return partsOf(detail)
    .hoses.filter((hose) => hose.fromJointId === jointId || hose.toJointId === jointId)
    .filter(({ id }) => {
      const own = detail.hoses.find(({ hoseId }) => hoseId === id);
      return own !== undefined && own.kit === null && own.build?.madeHere !== true;
    })
    .flatMap(({ id, name }) =>
      evidenceCautions(donors, 'donorChecked', id).map((caution) => ({ ...caution, subject: name })),
    );
}
