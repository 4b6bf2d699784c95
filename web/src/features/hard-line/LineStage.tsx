/** A hard line of a job: its pattern while it is measured, its making while it is specified. */
import type { JobLine, LineOfJob } from '@zephyrcombe/contract';
import { isClosed, lineCautions, lineOfJob, may } from '@zephyrcombe/contract';
import { digestOf, isLineMade, lineFacts, lineMadeGate, lineStanding } from '@zephyrcombe/workshop';
import { problemText, whoMay } from '@zephyrcombe/messages';
import { hardLineSheet } from '@zephyrcombe/documents';
import type { FlareForm } from '@zephyrcombe/core';
import { developed, isFlat } from '@zephyrcombe/core';
import { useNavigate } from 'react-router';
import { isSending } from '../../api/isSending.ts';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton, TextButton } from '../../design/Button.tsx';
import { Held } from '../../design/Held.tsx';
import { Columns, Fine, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { Cautions } from '../job/Cautions.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { LinePicker } from '../job/HosePicker.tsx';
import { useJob } from '../job/JobContext.ts';
import { afterSpecify } from '../job/PartsSteps.tsx';
import { Obstacles } from '../job/Obstacles.tsx';
import { FileRow, paperNamed } from '../paper/FileRow.tsx';
import { checksOf, readLine, requestOf, textsOf } from './lineState.ts';
import { Drawn, LegsSheet, LineFigures, MakingSheet, TubeSheet } from './LineSheets.tsx';

type Texts = Readonly<Record<string, string>>;

interface LineStageProps {
  readonly line: JobLine;
  readonly stage: 'measure' | 'specify';
}

export function LineStage({ line, stage }: LineStageProps) {
  const detail = useJob();
  const own = lineOfJob(detail, line.lineId);
  if (own === null) return <Fine>This line is no longer on the drawing of the circuit.</Fine>;
  return <LineAtHand key={line.lineId} own={own} stage={stage} />;
}

const flareFor = (at: LineOfJob['a']): FlareForm =>
  at?.port.seat === 'bubbleFlare' ? 'bubbleFlare' : 'doubleFlare';

/** What is typed of a line, over what is kept of it. */
function useTypedLine({ line, fitted, a, b }: LineOfJob) {
  const detail = useJob();
  const { units } = useWriter();
  const [draft, setDraft, clear] = useDraft<Texts>(`line.${detail.job.id}.${line.lineId}`, {});
  const texts: Texts = { ...textsOf(line.pattern, line.checks, units), ...draft };
  // Until somebody says, the flares that the seats of its ports are made for.
  const typed = readLine((name) => texts[name] ?? '', { formA: flareFor(a), formB: flareFor(b) });
  const read = requestOf(typed, paperNamed(texts.paper ?? ''));
  const pattern = read && { ...read, name: fitted.name };
  const checks = { ...checksOf(typed), bentBack: [...checksOf(typed).bentBack] };
  return {
    texts,
    typed,
    set: (changes: Texts) => setDraft({ ...draft, ...changes }),
    clear,
    // Typed as it is kept, in whatever words, is not typed anew.
    isTyped:
      Object.keys(draft).length > 0 &&
      JSON.stringify([pattern && { ...pattern, paper: '' }, checks]) !==
        JSON.stringify([line.pattern && { ...line.pattern, paper: '' }, line.checks]),
    pattern,
    /** The line as it would be kept. */
    next: { ...line, pattern, checks },
  };
}

function LineAtHand({ own, stage }: { readonly own: LineOfJob; readonly stage: LineStageProps['stage'] }) {
  const detail = useJob();
  const write = useWriter();
  const at = useTypedLine(own);
  const { pattern, next, typed, set, texts } = at;
  const made = pattern ? developed(pattern.line) : null;
  const would = lineOfJob(detail, own.line.lineId, next) ?? own;
  const paper = paperNamed(texts.paper ?? '');
  const pages = pattern && made?.ok ? hardLineSheet(pattern, made.value, paper, write).pages : [];
  const views = pattern && !isFlat(pattern.line) ? 2 : 1;
  const isMeasured = stage === 'measure';
  const closed = isClosed(detail.job);
  return (
    <Stack $gap={16}>
      <Columns $left="1fr" $right="1fr">
        <Stack $gap={16}>
          <LinePicker
            current={own.line.lineId}
            isDone={(hose) => (isMeasured ? hose.order_m !== null : hose.specified)}
            isLineDone={(line) => (isMeasured ? line.pattern !== null : isLineMade(detail, line))}
          />
          {/* What is typed into a closed job would be kept nowhere. */}
          <Held isHeld={closed}>
            {isMeasured ? <LegsSheet typed={typed} set={set} /> : <MakingSheet typed={typed} set={set} />}
          </Held>
        </Stack>
        <Stack $gap={16}>
          <Sheet aria-live="polite">
            <SheetTitle>{own.fitted.name}: cut the straight tube to</SheetTitle>
            {pattern && made?.ok ? (
              <LineFigures request={pattern} made={made}>
                <LineSaving own={own} would={would} at={at} stage={stage} />
              </LineFigures>
            ) : (
              <Fine>
                {made && !made.ok
                  ? problemText(made.problem, write)
                  : 'Lay a wire along the route, or take the old pipe: type every leg with its unit and every bend in degrees.'}
              </Fine>
            )}
          </Sheet>
          <Held isHeld={closed}>
            <TubeSheet typed={typed} set={set} isNamed />
          </Held>
          {pattern && made?.ok ? (
            <Sheet>
              <SheetTitle>On paper</SheetTitle>
              <FileRow
                of="hard-line"
                body={pattern}
                texts={[pattern.name]}
                paper={paper}
                onPaper={(chosen) => set({ paper: chosen })}
                files={[{ format: 'pdf', page: 1, words: 'Sheet as PDF' }]}
              />
            </Sheet>
          ) : null}
        </Stack>
      </Columns>
      {pattern && pages.length > 0 ? <Drawn name={pattern.name} pages={pages.slice(-views)} /> : null}
    </Stack>
  );
}

interface LineSavingProps {
  readonly own: LineOfJob;
  /** The line as it would be kept. */
  readonly would: LineOfJob;
  readonly at: ReturnType<typeof useTypedLine>;
  readonly stage: LineStageProps['stage'];
}

function LineSaving({ own, would, at, stage }: LineSavingProps) {
  const detail = useJob();
  const person = usePerson();
  const navigate = useNavigate();
  const edit = useJobAction('editJobLine', detail.job.id, at.clear);
  const { line } = own;
  const { pattern, next } = at;
  const params = { jobId: detail.job.id, lineId: line.lineId };
  const standing = lineStanding(detail, line);
  const facts = lineFacts(would);
  const cautions = lineCautions(would);
  if (isClosed(detail.job)) return <Cautions cautions={cautions} />;
  const keep = (made: boolean) =>
    pattern &&
    edit.mutate({
      params,
      body: {
        version: line.version,
        pattern,
        checks: next.checks,
        ...(made ? { made, seen: digestOf(facts) } : {}),
      },
    });
  const after =
    stage === 'measure'
      ? { to: `/jobs/${detail.job.id}/specify?hose=${line.lineId}`, text: 'Make this line' }
      : afterSpecify(detail);
  const isDone = !at.isTyped && (stage === 'measure' ? line.pattern !== null : standing.state === 'stands');
  return (
    <Stack $gap={10}>
      <ChangedSince
        approval={line.made}
        standing={standing}
        title="Changed since it was made"
        did="made"
        until="Until somebody says anew that it is made it is not fitted."
      />
      <Cautions cautions={cautions} answering={edit.error?.code === 'stop-not-answered'} />
      {stage === 'specify' ? <Obstacles obstacles={lineMadeGate(would)} /> : null}
      <SaveProblem save={edit} seen={facts} onTakeTheirs={at.clear} />
      {isDone ? (
        <>
          <Fine>
            {stage === 'measure' ? 'The pattern is kept.' : 'It is made. Any change opens it again.'}
          </Fine>
          <PrimaryButton onPress={() => void navigate(after.to)}>{after.text}</PrimaryButton>
        </>
      ) : (
        <PrimaryButton
          isPending={isSending(edit, stage === 'measure' ? 'pattern' : 'made')}
          because={stage === 'specify' && !may(person, 'approve') ? whoMay('approve') : null}
          onPress={() => keep(stage === 'specify')}
        >
          {stage === 'measure' ? 'Keep this pattern' : 'It is made'}
        </PrimaryButton>
      )}
      {at.isTyped && line.pattern !== null ? (
        <TextButton onPress={at.clear}>leave it as it was</TextButton>
      ) : null}
    </Stack>
  );
}
