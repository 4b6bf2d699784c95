/** Final checks, the fluid record with its next due, the signature. */
import { partsOf } from '@zephyrcombe/contract';
import { isDry, isTorqued, leftOpenBeside, progressOf } from '@zephyrcombe/workshop';
import { handoverNames, STAGE_NAMES, vehicleWords } from '@zephyrcombe/messages';
import { handoverChecks } from '@zephyrcombe/core';
import { Link } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { Tick } from '../../design/fields.tsx';
import { Columns, Fine, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { useJob } from '../job/JobContext.ts';
import { jointsInOrder } from '../job/jobView.ts';
import { LeftOpenNotice } from '../vehicles/LeftOpen.tsx';
import { HoldTests } from './HoldTest.tsx';
import { Reasons } from './Reasons.tsx';
import { SignedOff } from './SignedOff.tsx';
import { Signing } from './Signing.tsx';

export function HandOverPage() {
  const detail = useJob();
  const services = detail.circuits.flatMap(({ service }) => service ?? []);
  if (services.length > 0) return <SignedOff services={services} />;
  return detail.job.abandoned ? <Fine>Nothing was handed over.</Fine> : <OpenHandOver />;
}

function OpenHandOver() {
  const detail = useJob();
  const { stages, done } = progressOf(detail);
  const missing = stages.find((stage) => stage !== 'hand-over' && !done.includes(stage));
  const words = vehicleWords(detail.vehicle, partsOf(detail));
  return (
    <Columns $right="430px">
      <Stack $gap={16}>
        {missing === undefined ? null : (
          <Notice severity="warn" title="Not ready to sign off">
            <Link to={`/jobs/${detail.job.id}/${missing}`}>Go to {STAGE_NAMES[missing]}</Link>
          </Notice>
        )}
        {leftOpenBeside(detail).map((left) => (
          <LeftOpenNotice key={left.jobId} left={left}>
            <p>This signature does not close it.</p>
          </LeftOpenNotice>
        ))}
        {detail.joints.length === 0 ? null : <DryJoints />}
        <HoldTests />
        <BenchChecks names={handoverNames(words)} />
        {detail.reasons.length === 0 ? null : (
          <Sheet>
            <SheetTitle>Stops that were answered</SheetTitle>
            <Reasons reasons={detail.reasons} />
          </Sheet>
        )}
        <Notice severity="note" title={`For the first ${words.outing}`}>
          <p>
            Pump the {words.control} firm before moving. First stops slow and gentle; new pads are bedded in.
            Look at every joint again after the first {words.outing} and the next day.
          </p>
        </Notice>
      </Stack>
      <Signing />
    </Columns>
  );
}

function DryJoints() {
  const detail = useJob();
  const edit = useJobAction('editJobJoint', detail.job.id);
  return (
    <Sheet>
      <SheetTitle>Each joint wiped clean, full pressure held, still dry</SheetTitle>
      {jointsInOrder(detail).map(({ joint, chosen }) => {
        const isTight = isTorqued(detail, joint.id);
        return (
          <Tick
            key={joint.id}
            isSelected={isDry(detail, joint.id)}
            isDisabled={!isTight}
            onChange={(leakChecked) =>
              edit.mutate({
                params: { jobId: detail.job.id, jointId: joint.id },
                body: { version: chosen.version, leakChecked },
              })
            }
          >
            {joint.name} dry{isTight ? '' : ' (not torqued yet)'}
          </Tick>
        );
      })}
      <SaveProblem save={edit} />
    </Sheet>
  );
}

function BenchChecks({ names }: { readonly names: ReturnType<typeof handoverNames> }) {
  const { job, joints } = useJob();
  const edit = useJobAction('editJob', job.id);
  return (
    <Sheet>
      <SheetTitle>Before it leaves the bench</SheetTitle>
      {handoverChecks({ hasJoints: joints.length > 0 }).map((check) => (
        <Tick
          key={check}
          isSelected={job.handoverChecks[check] === true}
          onChange={(selected) =>
            edit.mutate({
              params: { jobId: job.id },
              body: { version: job.version, handoverChecks: { [check]: selected } },
            })
          }
        >
          {names[check]}
        </Tick>
      ))}
      <SaveProblem save={edit} />
    </Sheet>
  );
}
