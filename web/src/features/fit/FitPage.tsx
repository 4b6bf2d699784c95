/** Putting it together: hand tight in an order the ends allow, settled and checked, then fresh washers and torque. */
import type { JobDetail } from '@zephyrcombe/contract';
import { hoseOfJob, isClosed, partsOf, proofCautions } from '@zephyrcombe/contract';
import { isOffered, isOfferedUp, isTorqued, jointGate, renewedIn } from '@zephyrcombe/workshop';
import { FIT_CHECK_NAMES, LINES_OFFERED, problemText, SEAL_NAMES } from '@zephyrcombe/messages';
import type { FitStep } from '@zephyrcombe/core';
import { assumedOfJoint, fitPlan, judgeOfferUp, unseenOfJoint } from '@zephyrcombe/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { Tick } from '../../design/fields.tsx';
import { Columns, Fine, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { SIZE, colour } from '../../design/tokens.ts';
import { SourceLine } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { hosesOn, jointsInOrder, jointView } from '../job/jobView.ts';
import { JointDrawing } from '../specify/JointDrawing.tsx';
import { PrimaryButton } from '../../design/Button.tsx';
import { OpenedPort } from '../known/OpenedPort.tsx';
import { JointSheet } from '../specify/JointSheet.tsx';
import { ItemsSheet } from '../items/ItemsSheet.tsx';
import { CapsSheet } from './CapsSheet.tsx';
import { TorquePanel } from './TorquePanel.tsx';
import { Obstacles } from '../job/Obstacles.tsx';

const Steps = styled.ol`
  counter-reset: step;
  > li {
    counter-increment: step;
    display: grid;
    grid-template-columns: 28px 1fr;
    align-items: center;
    border-bottom: 1px solid ${colour('hairlineSoft')};
  }
  > li::before {
    content: counter(step);
    color: ${colour('inkSoft')};
    font-size: ${SIZE.small};
  }
`;

/**
 * Whether every new hose that comes to a joint was accepted out of its box, or was made here: until then its parts are on paper. On a
 * joint that is only tightened anew there are none.
 */
function partsAt(detail: JobDetail, jointId: string): 'inHand' | 'onPaper' | 'asEntered' {
  const own = hosesOn(detail, jointId).flatMap(
    ({ id }) => detail.hoses.find(({ hoseId }) => hoseId === id) ?? [],
  );
  if (own.length === 0) return 'asEntered';
  const isHere = own.every(({ kit, build }) => {
    const isAccepted = kit?.decided?.verdict !== undefined && kit.decided.verdict !== 'return';
    return isAccepted || build?.madeHere === true;
  });
  return isHere ? 'inHand' : 'onPaper';
}

export function FitPage() {
  const detail = useJob();
  const write = useWriter();
  const { jointId, select } = useSelection();
  // A joint that was tapped, not one that stands there by itself: its field comes into view.
  const [tapped, setTapped] = useState<string | null>(null);
  const takeUp = (id: string) => {
    setTapped(id);
    select({ joint: id });
  };
  const views = jointsInOrder(detail);
  const plan = fitPlan(
    views.map(({ joint }) => ({ id: joint.id, seal: joint.seal })),
    partsOf(detail).hoses.filter((hose) => detail.hoses.some((inScope) => inScope.hoseId === hose.id)),
    renewedIn(detail),
  );
  const steps: readonly FitStep[] = plan.ok ? plan.value : [];
  const toTorque = steps.flatMap((step) => (step.kind === 'torque' ? [step.jointId] : []));
  const nextJointId = toTorque.find((id) => !isTorqued(detail, id)) ?? null;
  // Nothing is opened before the new hose has been held against its route.
  const toLookInto = (isOffered(detail) ? [jointId ?? '', ...toTorque] : [])
    .flatMap((id) => jointView(detail, id) ?? [])
    .find(({ joint, port }) => !isTorqued(detail, joint.id) && unseenOfJoint(joint, port).length > 0);
  const current = jointView(detail, jointId ?? '') ?? jointView(detail, nextJointId ?? toTorque[0] ?? '');
  return (
    <Columns $left="470px" $right="1fr">
      <Stack $gap={16}>
        {toLookInto && !isClosed(detail.job) ? (
          <OpenedPort key={toLookInto.joint.id} view={toLookInto} />
        ) : null}
        {current && partsAt(detail, current.joint.id) === 'asEntered' ? (
          <JointSheet
            key={current.joint.id}
            view={current}
            title={`Joint ${toTorque.indexOf(current.joint.id) + 1}`}
          />
        ) : current ? (
          <Sheet>
            <SheetTitle>
              Joint {toTorque.indexOf(current.joint.id) + 1}, {current.joint.name.toLowerCase()}:{' '}
              {howItSeals(current)}
            </SheetTitle>
            <JointDrawing view={current} />
            {current.joint.seal === 'banjo' ? (
              <Fine>
                {assumedOfJoint(current.joint, current.port).length > 0
                  ? 'What is only assumed is drawn broken.'
                  : partsAt(detail, current.joint.id) === 'inHand'
                    ? 'Drawn to scale from the parts in the box.'
                    : 'Drawn to scale from what was specified: nobody has accepted the parts yet.'}{' '}
                {current.eyes === 1 ? '1 eye' : `${current.eyes} eyes`}, {current.eyes + 1} washers.
              </Fine>
            ) : null}
          </Sheet>
        ) : null}
        {steps.length === 0 && plan.ok ? null : (
          <Sheet>
            <SheetTitle>Order on</SheetTitle>
            {plan.ok ? null : <Notice severity="stop" title={problemText(plan.problem, write)} />}
            <Cautions cautions={detail.hoses.flatMap(proofCautions)} />
            {isClosed(detail.job) ? null : (
              <Obstacles
                obstacles={detail.joints
                  .flatMap(({ jointId }) => jointGate(detail, jointId))
                  .filter(({ code }) => code !== 'notProved')}
              />
            )}
            {steps.length > 0 ? <Cautions cautions={judgeOfferUp(isOffered(detail))} /> : null}
            <Steps>
              {steps.map((step) => (
                <li key={step.kind + ('jointId' in step ? step.jointId : '')}>
                  <PlanStep step={step} onJoint={takeUp} />
                </li>
              ))}
            </Steps>
            <Fine style={{ marginTop: 8 }}>
              <SourceLine id="fitOrder" />
            </Fine>
          </Sheet>
        )}
        <ItemsSheet stage="fit" />
        {detail.hoses.length > 0 ? <CapsSheet /> : null}
        {current ? null : <ToBleed />}
      </Stack>
      {current ? (
        <TorquePanel
          key={current.joint.id}
          view={current}
          nextNames={remainingNames(views, toTorque, current.joint.id, detail)}
          isTakenUp={tapped === current.joint.id}
          onShown={() => setTapped(null)}
          onNext={takeUp}
          onStay={(id) => select({ joint: id })}
          nextJointId={nextJointId}
        />
      ) : null}
    </Columns>
  );
}

/** Where no joint is tightened nothing else leads on. */
function ToBleed() {
  const { job, items } = useJob();
  const navigate = useNavigate();
  const off = items.filter(({ done }) => done === null).length;
  return (
    <PrimaryButton
      because={off === 0 ? null : 'Put on what was taken off, and tick it.'}
      onPress={() => void navigate(`/jobs/${job.id}/bleed`)}
    >
      Go to Bleed
    </PrimaryButton>
  );
}

function remainingNames(
  views: readonly JointView[],
  order: readonly string[],
  currentId: string,
  detail: ReturnType<typeof useJob>,
): readonly string[] {
  return order
    .filter((id) => id !== currentId && !isTorqued(detail, id))
    .map((id) => views.find((view) => view.joint.id === id)?.joint.name ?? '');
}

interface PlanStepProps {
  readonly step: FitStep;
  readonly onJoint: (jointId: string) => void;
}

const StepLink = styled.button`
  background: none;
  border: 0;
  text-align: left;
  min-height: 48px;
  padding: 4px 0;
  display: flex;
  gap: 12px;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
  text-underline-offset: 3px;
  text-decoration-color: ${colour('hairline')};
`;

function PlanStep({ step, onJoint }: PlanStepProps) {
  const detail = useJob();
  const [attempt, setAttempt] = useState(0);
  const editJoint = useJobAction('editJobJoint', detail.job.id);
  const editJob = useJobAction('editJob', detail.job.id);
  const finished = isClosed(detail.job);
  if (step.kind === 'torque') {
    const view = jointView(detail, step.jointId);
    const done = isTorqued(detail, step.jointId);
    return (
      <StepLink type="button" onClick={() => onJoint(step.jointId)}>
        <span>
          Torque {view?.joint.name.toLowerCase()}
          {done ? ' ✓' : view?.joint.seal === 'banjo' ? ', with fresh washers' : ''}
        </span>
      </StepLink>
    );
  }
  if (step.kind === 'handTight') {
    const view = jointView(detail, step.jointId);
    if (!view) return null;
    return (
      <div>
        <Tick
          isSelected={view.chosen.handTight}
          isDisabled={finished || isTorqued(detail, step.jointId)}
          onChange={(handTight) =>
            editJoint.mutate({
              params: { jobId: detail.job.id, jointId: step.jointId },
              body: { version: view.chosen.version, handTight },
            })
          }
        >
          {view.joint.name}: on hand tight
          {step.because === 'cannotSwivel' ? ', first, since this end cannot swivel' : ''}
        </Tick>
        <SaveProblem save={editJoint} />
      </div>
    );
  }
  return (
    <div key={attempt}>
      <Tick
        isSelected={detail.job.fitChecks[step.kind]}
        isDisabled={finished}
        onChange={(selected) =>
          editJob.mutate({
            params: { jobId: detail.job.id },
            body: {
              version: detail.job.version,
              fitChecks: { [step.kind]: selected },
            },
          })
        }
      >
        {step.kind === 'offeredUp' && detail.hoses.length === 0 ? LINES_OFFERED : FIT_CHECK_NAMES[step.kind]}
      </Tick>
      {step.kind === 'offeredUp' && detail.hoses.length > 1 ? <OfferedHoses /> : null}
      <SaveProblem save={editJob} onTakeTheirs={() => setAttempt(attempt + 1)} />
    </div>
  );
}

/** Each hose by itself: what is held against its route is looked at one at a time. */
function OfferedHoses() {
  const detail = useJob();
  const { job } = detail;
  const edit = useJobAction('editJob', job.id);
  const hoses = detail.hoses.flatMap(({ hoseId }) => hoseOfJob(detail, hoseId) ?? []);
  const offered = hoses.filter(isOfferedUp).map(({ hose }) => hose.hoseId);
  return (
    <div style={{ paddingLeft: 20 }}>
      {hoses.map(({ hose, fitted }) => (
        <Tick
          key={hose.hoseId}
          isSelected={offered.includes(hose.hoseId)}
          isDisabled={isClosed(job) || edit.isPending}
          onChange={(held) =>
            edit.mutate({
              params: { jobId: job.id },
              body: {
                version: job.version,
                offeredHoses: [...offered.filter((id) => id !== hose.hoseId), ...(held ? [hose.hoseId] : [])],
              },
            })
          }
        >
          {fitted.name}: held against its route
        </Tick>
      ))}
      <SaveProblem save={edit} />
    </div>
  );
}

function howItSeals({ joint, eyes }: JointView): string {
  if (joint.seal !== 'banjo') return SEAL_NAMES[joint.seal];
  return eyes === 1 ? 'one eye' : `${eyes} eyes on one bolt`;
}
