/** The step that is next at the vehicle: large, with its reason, and the one button under the thumb. */
import type { JobDetail } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { plainStep, stepKey } from '@zephyrcombe/core/plan';
import { RULE_REASONS, stepDone, stepHow, stepTitle } from '@zephyrcombe/messages';
import type { Obstacle } from '@zephyrcombe/workshop';
import { fitNames, fitPlanOf, fitStepGate, isRecordedElsewhere, passedGate } from '@zephyrcombe/workshop';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { useJobAction } from '../../api/queries.ts';
import { ClickSwitch } from '../../app/ClickSwitch.tsx';
import { useCounted } from '../../app/counted.ts';
import { newId } from '../../app/newId.ts';
import { useLatest } from '../../app/useLatest.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { Fine, Head, Label, Line, Spread, Stack } from '../../design/layout.ts';
import { SIZE, colour } from '../../design/tokens.ts';
import { Cautions } from '../job/Cautions.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';
import { Obstacles } from '../job/Obstacles.tsx';
import { PhotoRow } from '../photos/Photos.tsx';
import type { PhotoUpload } from '../photos/usePhotoUpload.ts';
import { Different } from './Different.tsx';
import { canReadAloud, useReadAloud } from './readAloud.ts';
import { Fold } from './Fold.ts';
import { Hand } from './Hand.ts';
import { photoOfStep } from './stepSubject.ts';
import { useAwake } from './useAwake.ts';
import { usePedal } from './usePedal.ts';

const Reason = styled.div`
  border-left: 3px solid ${colour('brass')};
  padding: 2px 0 2px 12px;
  color: ${colour('inkSoft')};
  font-size: ${SIZE.small};
`;

const Two = styled.div`
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 10px;
`;

const Main = styled.div`
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 10px;
  button {
    min-height: 76px;
  }
  [data-testid='done'] {
    font-size: ${SIZE.title};
    touch-action: manipulation;
  }
`;

interface StepNowProps {
  readonly step: PlanStep;
  /** Another one than the next: somebody chose it in the plan. */
  readonly isChosen: boolean;
  /** Kept by the page: what was refused is still said when the step is shown again. */
  readonly take: ReturnType<typeof useJobAction<'takeFitSteps'>>;
  readonly undo: ReturnType<typeof useJobAction<'undoFitStep'>>;
  readonly say: ReturnType<typeof useJobAction<'sayFitFact'>>;
  /** A photograph may arrive when the step is long done. */
  readonly upload: PhotoUpload;
  /** Somebody has just come to it: it is brought into view where it is not. */
  readonly isTakenUp: boolean;
  readonly onShown: () => void;
}

export function StepNow({ step, isChosen, take, undo, say, upload, isTakenUp, onShown }: StepNowProps) {
  const own = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!isTakenUp) return;
    onShown();
    bringIntoView(own.current);
  }, [isTakenUp, onShown]);
  const detail = useJob();
  const names = fitNames(detail);
  const { plan } = fitPlanOf(detail);
  const title = stepTitle(step, names);
  const how = stepHow(step);
  const gate = fitStepGate(detail, step);
  const [isAloud, setAloud] = useReadAloud(how === null ? title : `${title}. ${how}`);
  const counted = useCounted();
  useAwake(!isClosed(detail.job));
  const before = stepsBefore(detail, step);
  const send = (steps: readonly PlanStep[]) => {
    if (take.isError) take.reset();
    counted.tellCounted();
    // The next one comes to the same place.
    bringIntoView(own.current);
    take.mutate({
      params: { jobId: detail.job.id },
      body: { steps: steps.map((one) => ({ id: newId(), step: plainStep(one) })), overrides: [] },
    });
  };
  const because = isClosed(detail.job)
    ? CLOSED
    : gate.obstacles.length > 0
      ? 'Something stands in its way.'
      : null;
  const confirm = useLatest(() => send([step]));
  usePedal(because === null && !isRecordedElsewhere(step) ? confirm : null);
  const at = plan.steps.findIndex((one) => stepKey(one) === stepKey(step));
  const then = plan.steps[at + 1];
  return (
    <Stack $gap={12} data-testid="step" ref={own}>
      <Spread>
        <Label>
          Step {detail.fitSteps.length + at + 1} of {detail.fitSteps.length + plan.steps.length}
          {whereIt(detail, step)}
        </Label>
        <Line $gap={12}>
          <ClickSwitch counted={counted} />
          {canReadAloud() ? (
            <TextButton aria-pressed={isAloud} onPress={() => setAloud(!isAloud)}>
              {isAloud ? 'stop reading aloud' : 'read aloud'}
            </TextButton>
          ) : null}
        </Line>
      </Spread>
      <Head as="h2" aria-live="polite">
        {title}
      </Head>
      {how === null ? null : <p>{how}</p>}
      <Why step={step} />
      {isChosen ? (
        <Fine>{at === 1 ? 'One step comes' : `${at} steps come`} before it in the plan.</Fine>
      ) : null}
      <Obstacles
        obstacles={[
          ...gate.obstacles.filter(({ code }) => isToldHere(code, isChosen)),
          ...passedGate(detail),
        ]}
      />
      {isChosen ? null : (
        <Cautions cautions={gate.cautions} answering={take.error?.code === 'stop-not-answered'} />
      )}
      <div>
        <PhotoRow
          jobId={detail.job.id}
          of={photoOfStep(detail, step)}
          photos={detail.photos}
          isDisabled={isClosed(detail.job)}
          upload={upload}
        />
      </div>
      {isRecordedElsewhere(step) ? (
        <Stack $gap={10}>
          <Two>
            <UndoStep undo={undo} />
            <Different step={step} say={say} />
          </Two>
          <Elsewhere step={step} jobId={detail.job.id} />
          {then ? <Fine>Then: {stepTitle(then, names).toLowerCase()}</Fine> : null}
        </Stack>
      ) : (
        <Hand>
          <Different step={step} say={say} />
          {isChosen && before !== null ? (
            <PlainButton onPress={() => send([...before, step])}>
              All {before.length + 1} steps up to here are done
            </PlainButton>
          ) : null}
          <Main>
            <UndoStep undo={undo} />
            <PrimaryButton data-testid="done" because={because} isQuiet onPress={() => send([step])}>
              {stepDone(step)}
            </PrimaryButton>
          </Main>
          {then ? <Fine>Then: {stepTitle(then, names).toLowerCase()}</Fine> : null}
        </Hand>
      )}
    </Stack>
  );
}

/** The step from its title on, where that is out of sight. */
function bringIntoView(step: HTMLElement | null): void {
  const top = step?.getBoundingClientRect().top ?? 0;
  if (top < 0 || top > window.innerHeight / 2) step?.scrollIntoView({ block: 'start' });
}

/** Of a step that was chosen ahead the list says itself what comes before. */
const isToldHere = (code: Obstacle['code'], isChosen: boolean): boolean =>
  code !== 'fitRecordedElsewhere' && !(isChosen && code === 'fitWaits');

/** The circuit it belongs to, where a job has several. */
function whereIt(detail: JobDetail, step: PlanStep): string {
  if (detail.circuits.length < 2) return '';
  const { scope } = fitPlanOf(detail);
  const jointId =
    'joint' in step
      ? step.joint
      : 'line' in step
        ? scope.lines.find(({ id }) => id === step.line)?.A.joint
        : null;
  const circuitId = scope.joints.find(({ id }) => id === jointId)?.circuit;
  const name = detail.circuits.find(({ circuit }) => circuit.id === circuitId)?.circuit.name;
  return name === undefined ? '' : `, ${name.toLowerCase()}`;
}

/** The steps before one that was chosen, where none of them wants a record of its own. */
function stepsBefore(detail: JobDetail, step: PlanStep): readonly PlanStep[] | null {
  const { steps } = fitPlanOf(detail).plan;
  const at = steps.findIndex((one) => stepKey(one) === stepKey(step));
  const before = steps.slice(0, Math.max(at, 0));
  return before.length > 0 && !before.some(isRecordedElsewhere) ? before : null;
}

/** What waits for this step, and what it waited for, each with its rule in words. */
function Why({ step }: { readonly step: PlanStep }) {
  const detail = useJob();
  const names = fitNames(detail);
  const { plan } = fitPlanOf(detail);
  const own = plan.steps.find((one) => stepKey(one) === stepKey(step));
  const later = plan.steps.flatMap(({ because = [], ...one }) =>
    because.filter(({ after }) => after === own?.id).map(({ rule }) => ({ rule, then: one as PlanStep })),
  );
  const rules = [...new Set(later.map(({ rule }) => rule))];
  const [first, ...more] = rules;
  if (first === undefined) return null;
  return (
    <Reason>
      <p>{RULE_REASONS[first]}</p>
      {more.length > 0 ? (
        <Fold>
          <summary>why now</summary>
          <ul>
            {more.map((rule) => (
              <li key={rule}>
                {RULE_REASONS[rule]}{' '}
                <span>
                  (before:{' '}
                  {later
                    .filter((one) => one.rule === rule)
                    .slice(0, 2)
                    .map(({ then }) => stepTitle(then, names).toLowerCase())
                    .join('; ')}
                  )
                </span>
              </li>
            ))}
          </ul>
        </Fold>
      ) : null}
    </Reason>
  );
}

/** Takes the last step back; one that has a record is corrected by its record. */
function UndoStep({ undo }: Pick<StepNowProps, 'undo'>) {
  const detail = useJob();
  const last = detail.fitSteps.at(-1);
  const because = isClosed(detail.job)
    ? CLOSED
    : last === undefined
      ? 'No step was taken yet.'
      : isRecordedElsewhere(last.step)
        ? 'A torque stays in the record: crack the joint to do it anew.'
        : null;
  return (
    <div>
      <PlainButton
        style={{ width: '100%', padding: 8 }}
        because={because}
        isQuiet
        isPending={undo.isPending}
        onPress={() => last && undo.mutate({ params: { jobId: detail.job.id, stepId: last.id } })}
      >
        Undo
      </PlainButton>
    </div>
  );
}

const WHERE: Readonly<Partial<Record<PlanStep['kind'], readonly [string, string]>>> = {
  bleed: ['bleed', 'Go to Bleed'],
  pressureHold: ['hand-over', 'Go to Hand over'],
  leakCheck: ['hand-over', 'Go to Hand over'],
  makeLine: ['specify', 'Go to Specify'],
};

/** A deed that is recorded where it belongs; a torque is recorded in the panel below. */
function Elsewhere({ step, jobId }: { readonly step: PlanStep; readonly jobId: string }) {
  const [stage, words] = WHERE[step.kind] ?? [];
  if (stage === undefined) return null;
  return (
    <Line>
      <Link to={`/jobs/${jobId}/${stage}`}>{words}</Link>
    </Line>
  );
}
