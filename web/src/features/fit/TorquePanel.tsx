/** One joint's torque: the range and its source, the reading on a ruler, the wrench, fresh washers, the record. */
import type { TorqueRecord } from '@zephyrcombe/contract';
import { fittedBolt, isClosed, torqueOf } from '@zephyrcombe/contract';
import { fitNames, isTorqued, torqueStanding } from '@zephyrcombe/workshop';
import {
  cautionText,
  lowerFirst,
  MATERIAL_NAMES,
  problemText,
  stepTitle,
  TORQUE_PART_NAMES,
  torqueSourceName,
  WITNESS_MARK_NAMES,
} from '@zephyrcombe/messages';
import type { Caution, PartTorque } from '@zephyrcombe/core';
import { fromSI, judgeTorquePart, SOURCES, wrenchRange } from '@zephyrcombe/core';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { focusHeading, headingIn } from '../../app/focusHeading.ts';
import { useToday, useWriter } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Figure, Fine, Hero, Label, Rows, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { Ruler } from '../../drawing/Ruler.tsx';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { useJob } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { PhotoRow } from '../photos/Photos.tsx';
import type { PhotoUpload } from '../photos/usePhotoUpload.ts';
import { AdapterEntry } from './AdapterEntry.tsx';
import { BoltUnderTorque, estimateOf } from './BoltUnderTorque.tsx';
import { ByFeel, NoFigure } from './ByFeel.tsx';
import { daysBetween } from './daysBetween.ts';
import { Hand } from './Hand.ts';
import { PullOfRecord, PullPanel } from './PullPanel.tsx';
import { Renewed } from './Renewed.tsx';
import type { TorqueAttempt } from './useTorqueAttempt.ts';
import { useTorqueAttempt } from './useTorqueAttempt.ts';

const NOT_ON_YET = 'Put this joint on by hand first, as the plan has it.';

interface TorquePanelProps {
  readonly view: JointView;
  readonly nextNames: readonly string[];
  readonly nextJointId: string | null;
  readonly onNext: (jointId: string) => void;
  /** What the plan has before the next joint is tightened; null where that is next. */
  readonly nextStep: PlanStep | null;
  readonly onNextStep: () => void;
  /** Its record is seen before the next one is taken up. */
  readonly onStay: (jointId: string) => void;
  /** Somebody has just tapped this joint. */
  readonly isTakenUp: boolean;
  readonly onShown: () => void;
  readonly upload: PhotoUpload;
}

export function TorquePanel({
  view,
  nextNames,
  nextJointId,
  onNext,
  nextStep,
  onNextStep,
  onStay,
  isTakenUp,
  onShown,
  upload,
}: TorquePanelProps) {
  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!isTakenUp) return;
    onShown();
    bringIntoView(panel.current);
  }, [isTakenUp, onShown]);
  const detail = useJob();
  const { joint } = view;
  const last = detail.torqueRecords.findLast((candidate) => candidate.jointId === joint.id) ?? null;
  const attempt = useTorqueAttempt(view, onStay);
  const [hasFigure, setHasFigure] = useState(false);
  const isDone = last !== null && isTorqued(detail, joint.id);
  return (
    <Stack $gap={14} ref={panel}>
      {attempt.torques.governing.source === null &&
      !hasFigure &&
      (last === null || last.torque_Nm === null) ? (
        <NoFigure view={view} />
      ) : (
        <RangeOfJoint view={view} attempt={attempt} last={last} />
      )}
      {isDone ? (
        <Recorded
          view={view}
          last={last}
          nextJointId={nextJointId}
          nextName={nextNames[0]}
          onNext={onNext}
          nextStep={nextStep}
          onNextStep={onNextStep}
          upload={upload}
        />
      ) : isClosed(detail.job) ? null : attempt.torques.governing.source === null && !hasFigure ? (
        <ByFeel view={view} onStay={onStay} onFigure={() => setHasFigure(true)} />
      ) : (
        <Entry view={view} attempt={attempt} last={last} nextNames={nextNames} />
      )}
    </Stack>
  );
}

/** What the joint has by what was read; null where nothing was. */
const jointTorqueOf = ({ judged, reading }: TorqueAttempt): number | null =>
  judged?.ok ? judged.value.joint_Nm : (reading?.value_SI ?? null);

/** What the joint has by what was read; the middle of its range before that. */
const torqueToJudge_Nm = (attempt: TorqueAttempt): number => {
  const { minimum_Nm, maximum_Nm } = attempt.torques.governing;
  return jointTorqueOf(attempt) ?? (minimum_Nm + maximum_Nm) / 2;
};

interface RangeOfJointProps {
  readonly view: JointView;
  readonly attempt: TorqueAttempt;
  readonly last: TorqueRecord | null;
}

/** The range that governs with its source, and the reading, or what is recorded, on the ruler. */
function RangeOfJoint({ view, attempt, last }: RangeOfJointProps) {
  const { joint } = view;
  const write = useWriter();
  const unit = write.units.torque;
  const torques = torqueOf(joint);
  const { minimum_Nm, maximum_Nm, source, forBolt, part } = torques.governing;
  const shown_Nm = jointTorqueOf(attempt) ?? last?.torque_Nm ?? null;
  // Nobody has said what is on the thread: it would be a guess over a guess.
  const gives =
    attempt.draft.threads === 'unsaid' ? null : estimateOf(view, attempt.draft, torqueToJudge_Nm(attempt));
  return (
    <>
      <div>
        <Label as="h2" style={{ fontWeight: 400 }}>
          Torque, {joint.name.toLowerCase()}
        </Label>
        <Hero style={{ fontSize: 'clamp(40px, 6vw, 58px)' }}>
          {write.torqueRange(minimum_Nm, maximum_Nm)}
        </Hero>
        <Fine>
          {source === null
            ? 'No source given for this figure: it is our default, not to be relied on.'
            : `${SOURCES[source].title}, for ${TORQUE_PART_NAMES[part]}${forBolt === null ? '' : `, a bolt of ${MATERIAL_NAMES[forBolt].toLowerCase()}`}.`}{' '}
          {unit === 'Nm' ? null : `${minimum_Nm}–${maximum_Nm} N·m.`}
        </Fine>
      </div>
      <OtherTorques others={torques.others} />
      <Ruler
        low={fromSI(minimum_Nm, unit)}
        high={fromSI(maximum_Nm, unit)}
        end={fromSI(maximum_Nm * 1.5, unit)}
        reading={shown_Nm === null ? null : fromSI(shown_Nm, unit)}
        readingText={shown_Nm === null ? '' : write.torque(shown_Nm)}
        beyondText="over the limit of the fitted part"
        band={
          gives?.ok
            ? {
                from: fromSI(gives.value.mayGive_Nm, unit),
                to: fromSI(gives.value.surelyGives_Nm, unit),
                text: 'a bolt like this may give',
              }
            : null
        }
        label={`Torque range ${write.torqueRange(minimum_Nm, maximum_Nm)}`}
      />
    </>
  );
}

interface RecordedProps extends Pick<
  TorquePanelProps,
  'view' | 'nextJointId' | 'onNext' | 'nextStep' | 'onNextStep' | 'upload'
> {
  readonly last: TorqueRecord;
  readonly nextName: string | undefined;
}

function Recorded({
  view: { joint },
  last,
  nextJointId,
  nextName,
  onNext,
  nextStep,
  onNextStep,
  upload,
}: RecordedProps) {
  const detail = useJob();
  const { job } = detail;
  const write = useWriter();
  const navigate = useNavigate();
  return (
    <>
      <Notice
        severity="note"
        title={
          last.torque_Nm === null
            ? 'Recorded: by feel, no figure'
            : `Recorded: ${write.torque(last.torque_Nm)}`
        }
      >
        <p>
          {last.by}, {write.moment(last.at)}
          {last.wrenchName === null ? `: ${last.because ?? ''}` : `, with ${last.wrenchName}`}
          {joint.seal === 'banjo' ? `, ${last.freshWashers} fresh washers` : ''}
          {last.witnessMark ? ', witness mark made' : ''}.
          {last.renewed
            ? ' It had been tightened too far before; its bolt is new, or its seat and thread are sound.'
            : ''}
          {last.adapter ? ` Read with a crowfoot: ${last.typed}.` : ''}
        </p>
        {last.pullId ? <PullOfRecord pullId={last.pullId} joint={joint} /> : null}
      </Notice>
      <div>
        <PhotoRow
          jobId={job.id}
          of={{
            subject: 'part',
            subjectId: joint.id,
            name: joint.name,
            step: last.torque_Nm === null ? 'byFeel' : 'torque',
          }}
          photos={detail.photos}
          isDisabled={isClosed(job)}
          upload={upload}
        />
      </div>
      {isClosed(job) ? null : nextJointId === null ? (
        <PrimaryButton onPress={() => void navigate(`/jobs/${job.id}/bleed`)}>
          Every joint torqued: go to Bleed
        </PrimaryButton>
      ) : nextStep !== null ? (
        <PrimaryButton onPress={onNextStep}>
          Next: {lowerFirst(stepTitle(nextStep, fitNames(detail)))}
        </PrimaryButton>
      ) : (
        <PrimaryButton onPress={() => onNext(nextJointId)}>Next: {nextName?.toLowerCase()}</PrimaryButton>
      )}
    </>
  );
}

interface EntryProps {
  readonly view: JointView;
  readonly attempt: TorqueAttempt;
  readonly last: TorqueRecord | null;
  readonly nextNames: readonly string[];
}

function Entry({ view, attempt, last, nextNames }: EntryProps) {
  const detail = useJob();
  const write = useWriter();
  const { joint, chosen } = view;
  const { draft, record, torques, washerCount, reading, judged, parts, change, send } = attempt;
  const standing = last ? torqueStanding(detail, last) : null;
  return (
    <>
      {standing && last ? (
        <ChangedSince
          approval={last.fitted}
          standing={standing}
          title="Tightened with other parts"
          did="tightened"
          until="Fresh washers, and torque it again."
        />
      ) : null}
      {attempt.isTooFar ? (
        <Renewed
          seal={joint.seal}
          last={last}
          isSelected={draft.renewed}
          onChange={(renewed) => change({ renewed })}
        />
      ) : null}
      <PullPanel jointId={joint.id} attempt={attempt} />
      <QuantityField
        label={draft.hasAdapter ? 'Torque read on the wrench' : 'Torque reached'}
        kind="torque"
        big
        placeholder="e.g. 19.6 N·m or 14 lbf·ft"
        text={draft.text}
        onText={(text) => change({ text, readFrom: '' })}
        onEnter={send}
        error={judged && !judged.ok ? problemText(judged.problem, write) : null}
      />
      <HowItWasDone view={view} attempt={attempt} />
      <BoltUnderTorque view={view} attempt={attempt} torque_Nm={torqueToJudge_Nm(attempt)} />
      {judged?.ok && judged.value.verdict === 'below' && reading ? (
        <Notice severity="warn" title={`${write.torque(judged.value.joint_Nm)} is not tight enough yet`}>
          <p>
            {joint.seal === 'banjo' ? 'The washers have not crushed onto both faces. ' : ''}Tighten into{' '}
            {write.torqueRange(torques.governing.minimum_Nm, torques.governing.maximum_Nm)}.
          </p>
        </Notice>
      ) : null}
      {judged?.ok ? (
        <Cautions
          cautions={[
            ...judgeTorquePart(torques, fittedBolt(joint, chosen.bolt), judged.value.joint_Nm),
            ...shownCautions(judged.cautions, draft.washers),
          ]}
          answering={record.error?.code === 'stop-not-answered'}
        />
      ) : null}
      <SaveProblem save={record} seen={parts} />
      <Hand>
        <RecordButton attempt={attempt} isHandTight={chosen.handTight} isBanjo={joint.seal === 'banjo'} />
      </Hand>
      {nextNames.length > 0 ? (
        <Fine>Then: {nextNames.map((name) => name.toLowerCase()).join(', ')}</Fine>
      ) : null}
      {judged?.ok && !draft.washers && washerCount !== null ? (
        <Fine>
          {cautionText({ id: 'M57', evidence: { needed: washerCount, confirmed: 0 } }, write).advice}
        </Fine>
      ) : null}
    </>
  );
}

/** The wrench with where it is trusted, fresh washers, the mark, and what the joint may really have. */
function HowItWasDone({ view: { joint, eyes }, attempt }: Pick<EntryProps, 'view' | 'attempt'>) {
  const { wrenches } = useJob();
  const write = useWriter();
  const today = useToday();
  const { draft, wrench, washerCount, judged, change } = attempt;
  const range = wrench ? wrenchRange(wrench.maximum_Nm, wrench.minimum_Nm) : null;
  return (
    <Rows>
      <Spread style={{ alignItems: 'end' }}>
        <div style={{ flex: '1 1 220px' }}>
          <Pick
            label="Wrench"
            value={wrench?.id ?? ''}
            options={wrenches.map(({ id, name, maximum_Nm: top }) => ({
              value: id,
              text: `${name}, to ${write.torque(top)}`,
            }))}
            onChange={(wrenchId) => change({ wrenchId })}
          />
        </div>
        <Fine>
          {range?.ok ? `trusted ${write.torqueRange(range.value.lowest_Nm, range.value.highest_Nm)}` : ''}
          <br />
          {wrench?.calibratedOn
            ? `calibrated ${daysBetween(wrench.calibratedOn, today)} days ago`
            : 'no calibration date'}
        </Fine>
      </Spread>
      <AdapterEntry attempt={attempt} />
      {washerCount === null ? null : (
        <Tick isSelected={draft.washers} onChange={(washers) => change({ washers })}>
          {washerCount} fresh washers fitted, one on both sides of {eyes === 1 ? 'the eye' : 'every eye'}
        </Tick>
      )}
      <Tick isSelected={draft.witness} onChange={(witness) => change({ witness })}>
        {WITNESS_MARK_NAMES[joint.seal]}
      </Tick>
      {judged?.ok ? (
        <Spread>
          <Label>with this wrench the joint may have</Label>
          <span>
            <Figure>
              {write.torque(judged.value.likelyLow_Nm)} to {write.torque(judged.value.likelyHigh_Nm)}
            </Figure>{' '}
            <Working of="torque judgement" result={judged} />
          </span>
        </Spread>
      ) : null}
    </Rows>
  );
}

interface RecordButtonProps {
  readonly attempt: TorqueAttempt;
  readonly isHandTight: boolean;
  readonly isBanjo: boolean;
}

function RecordButton({ attempt, isHandTight, isBanjo }: RecordButtonProps) {
  const write = useWriter();
  const { draft, record, wrench, reading, judged, send } = attempt;
  const verdict = judged?.ok ? judged.value.verdict : null;
  if (verdict === 'within' && draft.gave && draft.readFrom !== '')
    return (
      <PlainButton isPending={record.isPending} because={isHandTight ? null : NOT_ON_YET} onPress={send}>
        Record it as it was read: the bolt gave
      </PlainButton>
    );
  if (verdict === 'above' && reading)
    return (
      <PlainButton isPending={record.isPending} because={isHandTight ? null : NOT_ON_YET} onPress={send}>
        Record {write.torque(judged?.ok ? judged.value.joint_Nm : reading.value_SI)} as over-torqued
      </PlainButton>
    );
  const because = !isHandTight
    ? NOT_ON_YET
    : !wrench
      ? 'No torque wrench is entered: your lead enters it under The shop.'
      : reading === null
        ? 'Type the torque that was reached.'
        : verdict === 'within'
          ? attempt.isTooFar && !draft.renewed
            ? `It was tightened too far: ${isBanjo ? 'say that the bolt is new' : 'say that it was apart and is sound'}.`
            : null
          : attempt.adapter === 'unsaid'
            ? 'Measure what is on the wrench.'
            : 'It has to lie in the range.';
  return (
    <PrimaryButton isPending={record.isPending} because={because} onPress={send}>
      {judged?.ok && verdict === 'within'
        ? `Record ${write.torque(judged.value.joint_Nm)}`
        : 'Record the torque'}
    </PrimaryButton>
  );
}

/** Figures that are known and do not govern here, so that nobody tightens to one of them. */
function OtherTorques({ others }: { readonly others: readonly PartTorque[] }) {
  const write = useWriter();
  if (others.length === 0) return null;
  return (
    <Fine>
      Not here:{' '}
      {others
        .map(
          ({ part, minimum_Nm, maximum_Nm, source, isFitted }) =>
            `${write.torqueRange(minimum_Nm, maximum_Nm)} for ${TORQUE_PART_NAMES[part]} (${torqueSourceName(source)}${isFitted ? '' : ', not fitted'})`,
        )
        .join('; ')}
      . The weakest part that is fitted governs.
    </Fine>
  );
}

/** The field, with its unit and its button below; where there is none, what is recorded. */
function bringIntoView(panel: HTMLElement | null): void {
  const field = panel?.querySelector<HTMLElement>('input:not([type="checkbox"])') ?? null;
  (field ?? panel)?.scrollIntoView({ block: field ? 'center' : 'start' });
  const heading = panel && headingIn(panel);
  if (field) field.focus({ preventScroll: true });
  else if (heading) focusHeading(heading);
}

/** The washers' own tick stands right there: it is not said twice before the button is pressed. */
const shownCautions = (cautions: readonly Caution[], washersTicked: boolean): readonly Caution[] =>
  washersTicked ? cautions : cautions.filter((caution) => caution.id !== 'M57');
