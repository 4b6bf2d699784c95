/** What another job left open on this vehicle: in one press it is in this one. */
import { isClosed } from '@zephyrcombe/contract';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { PlainButton } from '../../design/Button.tsx';
import { Fine } from '../../design/layout.ts';
import { useJob } from '../job/JobContext.ts';
import { scopeIdsOf } from '../job/jobView.ts';
import { many } from '../jobs/newJob.ts';
import { LeftOpenNotice } from '../vehicles/LeftOpen.tsx';

export function LeftOpenSheet() {
  const detail = useJob();
  const { job, vehicle, joints, circuits } = detail;
  const set = useJobAction('setScope', job.id);
  if (isClosed(job)) return null;
  const { hoseIds, lineIds, jointIds } = scopeIdsOf(detail);
  const inJob = circuits.map(({ circuit }) => circuit.id);
  return (vehicle.leftOpen ?? []).map((left) => {
    const missing = left.joints.filter(({ id }) => !joints.some(({ jointId }) => jointId === id));
    const isIn = missing.length === 0 && left.circuits.every(({ id }) => inJob.includes(id));
    return (
      <LeftOpenNotice key={left.jobId} left={left}>
        {isIn ? (
          <Fine>It is in this job: signed off, this one closes it.</Fine>
        ) : (
          <PlainButton
            isPending={set.isPending}
            onPress={() =>
              set.mutate({
                params: { jobId: job.id },
                body: {
                  version: job.version,
                  circuitIds: [...new Set([...inJob, ...left.circuits.map(({ id }) => id)])],
                  hoseIds,
                  lineIds,
                  jointIds: [...jointIds, ...missing.map(({ id }) => id)],
                },
              })
            }
          >
            {missing.length > 0
              ? `Take ${many(missing.length, 'joint')} into this job`
              : 'Take its fluid into this job'}
          </PlainButton>
        )}
        <SaveProblem save={set} />
      </LeftOpenNotice>
    );
  });
}
