/** The build sheet of a hose made up here: one step after the other, in an order that cannot be got wrong, up to the proof test. */
import { proofStanding } from '@zephyrcombe/workshop';
import type { HoseOfJob, MadeStep } from '@zephyrcombe/contract';
import { buildOf, hoseOfJob, isClosed, makeUpStepsOf, proofCautions } from '@zephyrcombe/contract';
import {
  ALONG_NAMES,
  clockingText,
  LUBRICANT_NAMES,
  MAKE_UP_STEP_NAMES,
  METAL_PAIR_NAMES,
  problemText,
  PROOF_FAULT_NAMES,
} from '@zephyrcombe/messages';
import type { Lubricant, MakeUpStep, MakeUpStepKind } from '@zephyrcombe/core';
import {
  cutLength,
  judgeCut,
  judgeNut,
  judgeOlive,
  lubricantFor,
  LUBRICANTS,
  metalPair,
  NUT_GAP_m,
  proofFaults,
  sealingDatum,
  stepsOpen,
  USUAL_INSERTION_m,
} from '@zephyrcombe/core';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { PrimaryButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow, Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Columns, Fine, Head, Hero, Label, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { colour } from '../../design/tokens.ts';
import { ClockingView } from '../../drawing/ClockingView.tsx';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { HosePicker } from '../job/HosePicker.tsx';
import { PartsSteps } from '../job/PartsSteps.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import { selectedHose } from '../job/jobView.ts';
import { LabelSheet } from './LabelSheet.tsx';
import { ProofForm } from './ProofForm.tsx';

const NOTHING = {
  cutFace: null,
  strandFree: null,
  short_m: null,
  lubricant: null,
  gap_m: null,
  length_m: null,
} as const;
type Step = Omit<MadeStep, 'by' | 'at'>;

const List = styled.ol`
  list-style: none;
  margin: 0;
  padding: 0;
  > li {
    border-top: 1px solid ${colour('hairlineSoft')};
    padding: 10px 0;
  }
`;

export function MakeUpPage() {
  const detail = useJob();
  const { hoseId, jointId } = useSelection();
  const hose = selectedHose(detail, hoseId, jointId);
  const own = hose && hoseOfJob(detail, hose.hoseId);
  if (!own) return <Fine>No hose is in the scope of this job.</Fine>;
  if (!own.hose.build?.madeHere)
    return (
      <Stack $gap={16}>
        <HosePicker
          current={own.hose}
          isDone={({ makeUp }) => makeUp.steps.some(({ step }) => step === 'cap')}
        />
        <Notice severity="note" title="This hose is bought, not made up here">
          <p>
            To make it up, say so under “Hose and ends” in{' '}
            <Link to={`/jobs/${detail.job.id}/specify?hose=${own.hose.hoseId}`}>Specify</Link> and keep the
            build.
          </p>
        </Notice>
      </Stack>
    );
  return <BuildList key={own.hose.hoseId} own={own} />;
}

function BuildList({ own }: { readonly own: HoseOfJob }) {
  const detail = useJob();
  const write = useWriter();
  const { hose, fitted } = own;
  const build = buildOf(own);
  const finished = isClosed(detail.job);
  const save = useJobAction('makeUpHose', detail.job.id);
  const steps = makeUpStepsOf(hose, build);
  const done = hose.makeUp.steps.map(({ step }) => step);
  const open = stepsOpen(steps, done);
  const [chosen, setChosen] = useState<MakeUpStepKind | null>(null);
  const at = chosen !== null && open.includes(chosen) ? chosen : (open[0] ?? null);
  const send = (step: Step, undo: boolean) =>
    save.mutate({
      params: { jobId: detail.job.id, hoseId: hose.hoseId },
      body: { version: hose.version, step, undo },
    });
  const proof = hose.makeUp.proofs.at(-1) ?? null;
  return (
    <Columns>
      <Stack $gap={16}>
        <PartsSteps detail={detail} at="build" />
        <Head>Build sheet: {fitted.name.toLowerCase()}</Head>
        <HosePicker current={hose} isDone={({ makeUp }) => makeUp.steps.some(({ step }) => step === 'cap')} />
        <Sheet aria-label="Order of work">
          <SheetTitle>Order of work</SheetTitle>
          <List>
            {steps.map((step) => (
              <StepRow
                key={step.kind}
                step={step}
                own={own}
                made={hose.makeUp.steps.find(({ step: kind }) => kind === step.kind) ?? null}
                state={
                  done.includes(step.kind)
                    ? 'done'
                    : step.kind === at
                      ? 'now'
                      : open.includes(step.kind)
                        ? 'open'
                        : 'waits'
                }
                finished={finished}
                isPending={save.isPending}
                onTake={() => setChosen(step.kind)}
                onDo={(facts) => send({ ...NOTHING, step: step.kind, ...facts }, false)}
                onUndo={() => send({ ...NOTHING, step: step.kind }, true)}
              />
            ))}
          </List>
          <SaveProblem save={save} />
        </Sheet>
      </Stack>
      <Stack $gap={14}>
        <CutFigure own={own} />
        <Fine>
          Threads: {METAL_PAIR_NAMES[metalPair(build.endA.material)]} at A,{' '}
          {METAL_PAIR_NAMES[metalPair(build.endB.material)]} at B.
        </Fine>
        <Cautions cautions={proofCautions(hose)} />
        <ChangedSince
          approval={proof?.of}
          standing={proofStanding(own)}
          title="Changed since it was proved"
          did="proved"
          until="Until it is made as it is specified now, and proved again, it is not fitted."
        />
        {proof ? (
          <Fine>
            Last proof: {write.quantity({ kind: 'pressure', value_SI: proof.pressure_Pa })} for{' '}
            {Math.round(proof.hold_s)} s,{' '}
            {proofFaults(proof).length === 0
              ? 'held'
              : `not passed: ${proofFaults(proof)
                  .map((fault) => PROOF_FAULT_NAMES[fault])
                  .join(', ')}`}
            ; {proof.gauge}, {proof.by}, {write.date(proof.at)}.
          </Fine>
        ) : null}
        <LabelSheet own={own} />
        {detail.vehicle.use === 'road' ? (
          <Notice severity="warn" title="This vehicle goes on the road">
            <p>
              Hose made up by hand may be for competition only where you are. Ask whoever registers or
              inspects the vehicle before it is fitted, and write down what they said.
            </p>
          </Notice>
        ) : null}
        <Link to={`/jobs/${detail.job.id}/specify?hose=${hose.hoseId}`}>Back to Specify</Link>
      </Stack>
    </Columns>
  );
}

function CutFigure({ own }: { readonly own: HoseOfJob }) {
  const write = useWriter();
  const { hose, fitted } = own;
  const cut = cutLength({
    length_m: hose.order_m ?? fitted.length_m,
    given: sealingDatum(hose.endA, hose.endB),
    endA: hose.endA,
    endB: hose.endB,
    insertionA_m: USUAL_INSERTION_m,
    insertionB_m: USUAL_INSERTION_m,
  });
  return (
    <div>
      <Label>Cut the hose to</Label>
      <Hero>{cut.ok ? write.length(cut.value.cut_m) : '–'}</Hero>
      <Fine>
        {cut.ok
          ? `Hose between the ferrules, and ${write.length(USUAL_INSERTION_m)} that goes into each end: our example, the maker’s sheet replaces it.`
          : problemText(cut.problem, write)}
      </Fine>
    </div>
  );
}

interface StepRowProps {
  readonly step: MakeUpStep;
  readonly own: HoseOfJob;
  readonly made: MadeStep | null;
  readonly state: 'done' | 'now' | 'open' | 'waits';
  readonly finished: boolean;
  readonly isPending: boolean;
  readonly onTake: () => void;
  readonly onDo: (facts: Partial<Step>) => void;
  readonly onUndo: () => void;
}

const MARKS = { done: '✓', now: '▸', open: '○', waits: '·' } as const;

function StepRow({ step, own, made, state, finished, isPending, onTake, onDo, onUndo }: StepRowProps) {
  const write = useWriter();
  return (
    <li aria-current={state === 'now' ? 'step' : undefined} data-step={step.kind} data-state={state}>
      <Spread>
        <span style={state === 'waits' ? { color: colour('inkSoft') } : undefined}>
          <span aria-hidden="true">{MARKS[state]} </span>
          <strong>{MAKE_UP_STEP_NAMES[step.kind]}</strong>
        </span>
        {made ? (
          <span>
            <Fine as="span">
              {made.by}, {write.date(made.at)}
            </Fine>{' '}
            {finished ? null : <TextButton onPress={onUndo}>take back</TextButton>}
          </span>
        ) : state === 'open' && !finished ? (
          <TextButton onPress={onTake}>do this first</TextButton>
        ) : null}
      </Spread>
      {step.parts.length > 0 ? <Fine>{partsText(step, own)}</Fine> : null}
      {state === 'now' && !finished ? (
        step.kind === 'proof' ? (
          <ProofForm own={own} />
        ) : (
          <StepForm key={step.kind} kind={step.kind} own={own} isPending={isPending} onDo={onDo} />
        )
      ) : null}
    </li>
  );
}

function partsText({ parts }: MakeUpStep, own: HoseOfJob): string {
  const { along } = buildOf(own);
  return `From end A: ${parts
    .flatMap((id) => along.find((part) => part.id === id) ?? [])
    .map((part) => (part.note ? `${ALONG_NAMES[part.kind]} (${part.note})` : ALONG_NAMES[part.kind]))
    .join(', ')}.`;
}

interface StepFormProps {
  readonly kind: MakeUpStepKind;
  readonly own: HoseOfJob;
  readonly isPending: boolean;
  readonly onDo: (facts: Partial<Step>) => void;
}

const HINTS: Partial<Record<MakeUpStepKind, string>> = {
  cut: 'Tape round the place, cable ties either side, square in the vice; a fine wheel or blade in one pass.',
  clean: 'From both ends, until nothing comes out.',
  oliveA:
    'Free the braid from the liner, olive over the liner and under the braid, pushed on until the mark is there.',
  oliveB:
    'Free the braid from the liner, olive over the liner and under the braid, pushed on until the mark is there.',
  clock: 'Set it before the nut of end B is tight, never after.',
  dry: 'Blow it through with dry air from both ends until nothing comes out any more: water boils in a brake.',
  cap: 'Write the date and the number on the label, shrink it on, cap both ends until the hose is fitted.',
};

const known = <Value,>(value: Value | null | undefined): value is Value =>
  value !== null && value !== undefined;

function StepForm({ kind, own, isPending, onDo }: StepFormProps) {
  const write = useWriter();
  const [facts, setFacts] = useState<Partial<Step>>(() =>
    kind === 'oliveA' || kind === 'oliveB' ? { strandFree: false, short_m: 0 } : {},
  );
  const set = (next: Partial<Step>) => setFacts({ ...facts, ...next });
  const end = kind.endsWith('A') ? 'A' : 'B';
  const build = buildOf(own);
  const { material } = end === 'A' ? build.endA : build.endB;
  const cautions =
    kind === 'cut'
      ? facts.cutFace
        ? judgeCut('A', facts.cutFace)
        : []
      : kind === 'oliveA' || kind === 'oliveB'
        ? judgeOlive(end, { strandFree: facts.strandFree ?? false, short_m: facts.short_m ?? 0 })
        : (kind === 'joinA' || kind === 'joinB') && facts.lubricant && known(facts.gap_m)
          ? judgeNut(end, material, { lubricant: facts.lubricant, gap_m: facts.gap_m })
          : [];
  const isWhole =
    kind === 'cut'
      ? facts.cutFace === 'clean'
      : kind === 'joinA' || kind === 'joinB'
        ? known(facts.lubricant) && known(facts.gap_m)
        : kind === 'measure'
          ? known(facts.length_m)
          : kind === 'oliveA' || kind === 'oliveB'
            ? known(facts.short_m)
            : true;
  const order_m = own.hose.order_m;
  const off_m =
    kind === 'measure' && known(facts.length_m) && order_m !== null ? facts.length_m - order_m : 0;
  return (
    <Stack $gap={10} style={{ marginTop: 8 }}>
      {HINTS[kind] ? <Fine>{HINTS[kind]}</Fine> : null}
      {kind === 'clock' ? (
        <>
          <p>{clockingText(own.hose, write)}</p>
          {own.hose.clocking_rad === null ? null : (
            <ClockingView clocking_rad={own.hose.clocking_rad} endA={own.hose.endA} endB={own.hose.endB} />
          )}
        </>
      ) : null}
      {kind === 'cut' ? (
        <ChoiceRow
          label="Both faces"
          value={facts.cutFace ?? 'open'}
          options={[
            { value: 'open', text: 'not looked at' },
            { value: 'clean', text: 'square and clean' },
            { value: 'ragged', text: 'ragged or splayed' },
          ]}
          onChange={(face) => set({ cutFace: face === 'open' ? null : face })}
        />
      ) : null}
      {kind === 'oliveA' || kind === 'oliveB' ? (
        <>
          <QuantityEntry
            label="Mark on the liner stands short of home by"
            allowZero
            value_SI={facts.short_m ?? null}
            onValue={(short_m) => set({ short_m })}
          />
          <Tick isSelected={facts.strandFree ?? false} onChange={(strandFree) => set({ strandFree })}>
            Looked under a lamp: no strand of the braid inside
          </Tick>
        </>
      ) : null}
      {kind === 'joinA' || kind === 'joinB' ? (
        <>
          <Pick<Lubricant | 'open'>
            label={`On the threads (${METAL_PAIR_NAMES[metalPair(material)]} wants ${LUBRICANT_NAMES[lubricantFor(metalPair(material))]})`}
            value={facts.lubricant ?? 'open'}
            options={[
              { value: 'open', text: 'choose' },
              ...LUBRICANTS.map((value) => ({ value, text: LUBRICANT_NAMES[value] })),
            ]}
            onChange={(lubricant) => set({ lubricant: lubricant === 'open' ? null : lubricant })}
          />
          <QuantityEntry
            label={`Gap left under the nut (about ${write.fineLength(NUT_GAP_m)})`}
            allowZero
            value_SI={facts.gap_m ?? null}
            onValue={(gap_m) => set({ gap_m })}
          />
        </>
      ) : null}
      {kind === 'measure' ? (
        <QuantityEntry
          label="Finished length between the sealing points"
          value_SI={facts.length_m ?? null}
          onValue={(length_m) => set({ length_m })}
        />
      ) : null}
      {Math.abs(off_m) > build.tolerance_m + 5e-7 ? (
        <Notice
          severity="warn"
          title={`${write.length(Math.abs(off_m))} ${off_m < 0 ? 'shorter' : 'longer'} than specified`}
        >
          <p>
            Outside ± {write.length(build.tolerance_m)}.{' '}
            {off_m < 0
              ? 'A short hose is pulled: make another.'
              : 'Look in Measure whether this length still holds.'}
          </p>
        </Notice>
      ) : null}
      <Cautions cautions={cautions} />
      <PrimaryButton
        isPending={isPending}
        because={isWhole ? null : 'Enter what this step asks for first.'}
        onPress={() => onDo(facts)}
      >
        Done: {MAKE_UP_STEP_NAMES[kind].replace(/^./, (first) => first.toLowerCase())}
      </PrimaryButton>
    </Stack>
  );
}
