/** Changes to one joint of a job: its bolt and washers, leak checked. */
import { partsOf } from '@zephyrcombe/contract';
import { isTorqued } from '@zephyrcombe/workshop';
import { AppProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from './jobAction.ts';
import { requireWay } from './jobAction.ts';
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

  // What is not tight is not leak-checked.
  if (body.leakChecked === true && !isTorqued(detail, jointId)) {
    const name = partsOf(detail).joints.find(({ id }) => id === jointId)?.name ?? jointId;
    requireWay([{ code: 'jointsNotTorqued', joints: [name] }], person);
  }
  const { version, ...changes } = body;
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
  if (changes.leakChecked !== undefined)
    await log('leakChecked', { jointId, leakChecked: changes.leakChecked });
}
