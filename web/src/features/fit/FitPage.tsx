/** At the vehicle: the next step of the plan, the joint that it is about, and the whole plan beside it. */
import type { JobDetail } from '@zephyrcombe/contract';
import { isClosed, proofCautions } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { stepKey } from '@zephyrcombe/core/plan';
import { SEAL_NAMES } from '@zephyrcombe/messages';
import { assumedOfJoint, unseenOfJoint } from '@zephyrcombe/core';
import { fitPlanOf, isTorqued } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { Columns, Fine, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { PHONE } from '../../design/tokens.ts';
import { Cautions } from '../job/Cautions.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { hosesOn, jointsInOrder, jointView } from '../job/jobView.ts';
import { ItemsSheet } from '../items/ItemsSheet.tsx';
import { OpenedPort } from '../known/OpenedPort.tsx';
import { JointDrawing } from '../specify/JointDrawing.tsx';
import { PhotoNotKept } from '../photos/Photos.tsx';
import { usePhotoUpload } from '../photos/usePhotoUpload.ts';
import { JointSheet } from '../specify/JointSheet.tsx';
import { CapsSheet } from './CapsSheet.tsx';
import { MovementCheck } from './MovementCheck.tsx';
import { PlanFacts } from './PlanFacts.tsx';
import { PlanList } from './PlanList.tsx';
import { StepNow } from './StepNow.tsx';
import { jointOfStep } from './stepSubject.ts';
import { ToLayOut } from './ToLayOut.tsx';
import { TorquePanel } from './TorquePanel.tsx';

const Layout = styled(Columns)`
  /* Where the step that comes is longer than the one that was done, the page stays where it is. */
  overflow-anchor: none;
  ${PHONE} {
    /* The step comes first at the vehicle. */
    > :first-child {
      order: 2;
    }
  }
`;

const TIGHTENS: ReadonlySet<PlanStep['kind']> = new Set<PlanStep['kind']>([
  'freshWashers',
  'torque',
  'byFeel',
]);

export function FitPage() {
  const detail = useJob();
  const { plan } = fitPlanOf(detail);
  const undo = useJobAction('undoFitStep', detail.job.id);
  const say = useJobAction('sayFitFact', detail.job.id);
  const upload = usePhotoUpload(detail.job.id);
  const [search, setSearch] = useSearchParams();
  const { jointId } = useSelection();
  // A joint that was tapped, not one that stands there by itself: its field comes into view.
  const [tapped, setTapped] = useState<string | null>(null);
  // The same of a step that is taken up from a record or from the plan, both below it.
  const [isStepTakenUp, setStepTakenUp] = useState(false);
  // A step that was chosen ahead is let go once it is taken.
  const take = useJobAction('takeFitSteps', detail.job.id, ({ body }) => {
    const last = body?.steps.at(-1);
    if (last && stepKey(last.step) === search.get('step')) setSearch({}, { replace: true });
  });
  const next = plan.steps[0] ?? null;
  // A joint that is tight shows its record; any other one is taken up at its first step.
  const isRecordShown = jointId !== null && isTorqued(detail, jointId);
  const chosen =
    plan.steps.find((one) => stepKey(one) === search.get('step')) ??
    (isRecordShown ? null : (plan.steps.find((one) => 'joint' in one && one.joint === jointId) ?? null));
  const step = chosen ?? next;
  const stepJoint = step && jointOfStep(detail, step);
  const views = jointsInOrder(detail);
  const current =
    jointView(detail, jointId ?? '') ??
    jointView(detail, stepJoint ?? '') ??
    views.find(({ joint }) => !isTorqued(detail, joint.id)) ??
    views[0] ??
    null;
  const left = [
    ...new Set(plan.steps.flatMap((one) => ('joint' in one && TIGHTENS.has(one.kind) ? [one.joint] : []))),
  ];
  const choose = (one: PlanStep) => {
    if ('joint' in one && TIGHTENS.has(one.kind)) setTapped(one.joint);
    else setStepTakenUp(true);
    setSearch({ step: stepKey(one) }, { replace: true });
  };
  const takeUp = (id: string) => {
    setTapped(id);
    setSearch({ joint: id }, { replace: true });
  };
  const isStepShown = step !== null && !isRecordShown && !isClosed(detail.job);
  const isPanelShown =
    current !== null &&
    (isRecordShown ||
      isClosed(detail.job) ||
      (isStepShown && TIGHTENS.has(step.kind) && current.joint.id === stepJoint));
  const toLookInto = [jointId, ...openedJoints(detail), stepJoint]
    .flatMap((id) => (id === null ? [] : (jointView(detail, id) ?? [])))
    .find(({ joint, port }) => !isTorqued(detail, joint.id) && unseenOfJoint(joint, port).length > 0);
  return (
    <Layout $left="470px" $right="1fr">
      <Stack $gap={16}>
        {current ? <JointNow view={current} title={place(views, current)} /> : null}
        <ToLayOut />
        <PlanFacts />
        {detail.hoses.length > 0 ? <CapsSheet /> : null}
        <ItemsSheet stage="fit" />
      </Stack>
      <Stack $gap={16}>
        {isClosed(detail.job) ? null : <Cautions cautions={detail.hoses.flatMap(proofCautions)} />}
        {toLookInto && isAsked(detail, toLookInto.joint.id, step) && !isClosed(detail.job) ? (
          <OpenedPort key={toLookInto.joint.id} view={toLookInto} />
        ) : null}
        {isStepShown ? (
          <StepNow
            key={stepKey(step)}
            step={step}
            isChosen={chosen !== null && chosen !== next}
            take={take}
            undo={undo}
            say={say}
            upload={upload}
            isTakenUp={isStepTakenUp}
            onShown={() => setStepTakenUp(false)}
          />
        ) : null}
        {isStepShown && step.kind === 'movement' ? (
          <MovementCheck
            step={step}
            send={(said) => say.mutate({ params: { jobId: detail.job.id }, body: { id: newId(), said } })}
          />
        ) : null}
        <SaveProblem save={take} />
        <SaveProblem save={undo} />
        <SaveProblem save={say} />
        <PhotoNotKept upload={upload} />
        {isPanelShown ? (
          <TorquePanel
            key={current.joint.id}
            view={current}
            upload={upload}
            nextNames={left
              .filter((id) => id !== current.joint.id)
              .map((id) => views.find(({ joint }) => joint.id === id)?.joint.name ?? '')}
            isTakenUp={tapped === current.joint.id}
            onShown={() => setTapped(null)}
            onNext={takeUp}
            onStay={(id) => setSearch({ joint: id }, { replace: true })}
            nextJointId={left.find((id) => id !== current.joint.id) ?? null}
            nextStep={next !== null && !TIGHTENS.has(next.kind) ? next : null}
            onNextStep={() => {
              setStepTakenUp(true);
              setSearch({}, { replace: true });
            }}
          />
        ) : null}
        {left.length === 0 && !plan.infeasible && !isPanelShown ? <ToBleed /> : null}
        <PlanList current={step} onChoose={choose} />
      </Stack>
    </Layout>
  );
}

/** Joints that stand open now. */
function openedJoints(detail: JobDetail): readonly string[] {
  const { state } = fitPlanOf(detail);
  return detail.joints.map(({ jointId }) => jointId).filter((id) => state.joints.get(id)?.phase === 'open');
}

/** What is only assumed of a port is asked for when it stands open, or is joined next. */
const isAsked = (detail: JobDetail, jointId: string, step: PlanStep | null): boolean =>
  openedJoints(detail).includes(jointId) || (step?.kind === 'join' && step.joint === jointId);

const place = (views: readonly JointView[], { joint }: JointView): string =>
  `Joint ${views.findIndex((view) => view.joint.id === joint.id) + 1}`;

/** The joint that the step is about, in section. */
function JointNow({ view, title }: { readonly view: JointView; readonly title: string }) {
  const detail = useJob();
  const parts = partsAt(detail, view.joint.id);
  if (parts === 'asEntered') return <JointSheet key={view.joint.id} view={view} title={title} />;
  return (
    <Sheet>
      <SheetTitle>
        {title}, {view.joint.name.toLowerCase()}: {howItSeals(view)}
      </SheetTitle>
      <JointDrawing view={view} />
      {view.joint.seal === 'banjo' ? (
        <Fine>
          {assumedOfJoint(view.joint, view.port).length > 0
            ? 'What is only assumed is drawn broken.'
            : parts === 'inHand'
              ? 'Drawn to scale from the parts in the box.'
              : 'Drawn to scale from what was specified: nobody has accepted the parts yet.'}{' '}
          {view.eyes === 1 ? '1 eye' : `${view.eyes} eyes`}, {view.eyes + 1} washers.
        </Fine>
      ) : null}
    </Sheet>
  );
}

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

/** Every joint is tight: the next stage. */
function ToBleed() {
  const { job, items } = useJob();
  const navigate = useNavigate();
  const off = items.filter(({ done }) => done === null).length;
  if (isClosed(job)) return null;
  return (
    <PrimaryButton
      because={off === 0 ? null : 'Put on what was taken off, and tick it.'}
      onPress={() => void navigate(`/jobs/${job.id}/bleed`)}
    >
      Go to Bleed
    </PrimaryButton>
  );
}

function howItSeals({ joint, eyes }: JointView): string {
  if (joint.seal !== 'banjo') return SEAL_NAMES[joint.seal];
  return eyes === 1 ? 'one eye' : `${eyes} eyes on one bolt`;
}
