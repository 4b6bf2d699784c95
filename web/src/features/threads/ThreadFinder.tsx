/** Readings on the left, what they leave possible on the right: the finder as it stands on the bench and in a job. */
import type { ThreadCandidate, ThreadFinding } from '@zephyrcombe/core';
import {
  findThread,
  furtherMeasurement,
  HAND_OUTCOMES,
  THREAD_CONDITIONS,
  THREAD_GENDERS,
  THREADS,
  threadNamed,
  TOOL_FACTS,
} from '@zephyrcombe/core';
import type { HandOutcome, ThreadTool } from '@zephyrcombe/core';
import {
  CONDITION_NAMES,
  furtherText,
  GENDER_NAMES,
  listOf,
  OUTCOME_NAMES,
  problemText,
  TOOL_NAMES,
  USE_NAMES,
} from '@zephyrcombe/messages';
import type { ReactNode } from 'react';
import { useState } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import {
  Fine,
  Hero,
  Label,
  Line,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
  Unseen,
} from '../../design/layout.ts';
import { FONT, PHONE, colour } from '../../design/tokens.ts';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { ThreadProfiles } from './ThreadProfiles.tsx';
import type { ThreadState } from './threadState.ts';
import { EMPTY_STATE, questionOf, toolsFor, wholeThreads } from './threadState.ts';

const Entries = styled.div`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 14px 22px;
  ${PHONE} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Candidate = styled(Spread)`
  .name {
    font-family: ${FONT.figures};
  }
  .rank {
    color: ${colour('inkSoft')};
  }
`;

/** The answer stands beside the readings, or between them and the drawing where the screen is narrow. */
const Bench = styled.div`
  display: grid;
  grid-template: 'entries answer' auto 'drawing answer' 1fr / minmax(0, 1fr) minmax(0, 400px);
  gap: 16px 26px;
  align-items: start;
  .entries {
    grid-area: entries;
  }
  .answer {
    grid-area: answer;
  }
  .drawing {
    grid-area: drawing;
  }
  @media (max-width: 979px) {
    grid-template: 'entries' auto 'answer' auto 'drawing' auto / minmax(0, 1fr);
  }
`;

/** Rows of profiles that still read well beside each other. */
const MOST_PROFILES = 5;
const NEAREST_SHOWN = 3;

interface StateProps {
  readonly state: ThreadState;
  readonly onState: (state: ThreadState) => void;
}

interface ThreadFinderProps extends StateProps {
  /** What can be done with the thread that was found. */
  readonly use?: (thread: string, certain: boolean) => ReactNode;
}

export function ThreadFinder({ state, onState, use }: ThreadFinderProps) {
  const write = useWriter();
  const question = questionOf(state);
  const result = question.readings.length === 0 ? null : findThread(question);
  const set = (change: Partial<ThreadState>) => onState({ ...state, ...change });
  return (
    <Bench>
      <Sheet className="entries">
        <Stack $gap={14}>
          <ChoiceRow
            label="What is in your hand"
            value={state.gender}
            options={THREAD_GENDERS.map((gender) => ({ value: gender, text: GENDER_NAMES[gender] }))}
            onChange={(gender) =>
              set({ gender, diameterTool: EMPTY_STATE.diameterTool, spanTool: EMPTY_STATE.spanTool })
            }
          />
          <Entries>
            <Stack $gap={8}>
              <QuantityField
                label={state.gender === 'external' ? 'Diameter over the crests' : 'Bore between the crests'}
                kind="length"
                text={state.diameter}
                onText={(diameter) => set({ diameter })}
                big
              />
              <ToolPick
                label="Read with"
                tools={toolsFor('diameter', state.gender)}
                value={state.diameterTool}
                onChange={(diameterTool) => set({ diameterTool })}
              />
            </Stack>
            <Stack $gap={8}>
              <QuantityField
                label={`${state.gender === 'external' ? 'Crest' : 'Its own bolt, crest'} to crest over ${state.pitches} ${state.pitches === 1 ? 'gap' : 'gaps'}`}
                kind="length"
                text={state.span}
                onText={(span) => set({ span })}
                big
              />
              <Line $gap={12}>
                <div style={{ flex: '0 0 128px' }}>
                  <Pick
                    label="Pitches in it"
                    value={String(state.pitches)}
                    options={Array.from({ length: 12 }, (_none, index) => ({
                      value: String(index + 1),
                      text: `${index + 1}${index === 0 ? ' gap' : ' gaps'}`,
                    }))}
                    onChange={(pitches) => set({ pitches: Number(pitches) })}
                  />
                </div>
                <div style={{ flex: '1 1 150px' }}>
                  <ToolPick
                    label="Read with"
                    tools={toolsFor('span', state.gender)}
                    value={state.spanTool}
                    onChange={(spanTool) => set({ spanTool })}
                  />
                </div>
              </Line>
            </Stack>
          </Entries>
          <Line $gap={14} style={{ alignItems: 'start' }}>
            <div style={{ flex: '1 1 150px' }}>
              <TextField
                label="Or threads counted"
                value={state.count}
                onChange={(count) => set({ count })}
                error={
                  state.count.trim() !== '' && wholeThreads(state.count) === null
                    ? 'A whole number of threads, as 24.'
                    : null
                }
              />
            </div>
            <div style={{ flex: '1 1 150px' }}>
              <QuantityField
                label="counted over"
                kind="length"
                text={state.within}
                onText={(within) => set({ within })}
              />
            </div>
          </Line>
          {state.gender === 'internal' ? <HandTries state={state} onState={onState} /> : null}
          <ChoiceRow
            label="How the crests look"
            value={state.condition}
            options={THREAD_CONDITIONS.map((condition) => ({
              value: condition,
              text: CONDITION_NAMES[condition],
            }))}
            onChange={(condition) => set({ condition })}
          />
        </Stack>
      </Sheet>
      {result?.ok ? (
        <Sheet className="drawing">
          <SheetTitle>The candidates over your reading</SheetTitle>
          <ThreadProfiles
            question={question}
            candidates={shownCandidates(result.value)}
            spanText={state.span.trim() === '' ? null : state.span}
          />
          <Fine>
            Band: where the class allows the {state.gender === 'external' ? 'crests' : 'bore'}. Line across:
            the diameter you read. Ticked and dashed: your span.
          </Fine>
        </Sheet>
      ) : null}
      <Stack $gap={16} aria-live="polite" className="answer">
        {result === null ? (
          <Sheet>
            <SheetTitle>Nothing read yet</SheetTitle>
            <Fine>
              Type a diameter or a span with its unit. A span over several pitches tells more than a diameter;
              for a port, a bolt of known thread turned in by hand tells most.
            </Fine>
          </Sheet>
        ) : result.ok ? (
          <Answer finding={result.value} working={<Working of="the thread" result={result} />} use={use} />
        ) : (
          <Sheet>
            <Fine>{problemText(result.problem, write)}</Fine>
          </Sheet>
        )}
        {result?.ok ? <Next state={state} onState={onState} /> : null}
        {result?.ok ? <Cautions cautions={result.cautions} /> : null}
        {JSON.stringify(state) === JSON.stringify(EMPTY_STATE) ? null : (
          <div>
            <TextButton onPress={() => onState({ ...EMPTY_STATE, gender: state.gender })}>
              Clear the bench
            </TextButton>
          </div>
        )}
      </Stack>
    </Bench>
  );
}

/** The possible ones, filled up with the nearest of the others so that there is something to compare with. */
function shownCandidates(finding: ThreadFinding): readonly ThreadCandidate[] {
  const possible = finding.candidates.filter((candidate) => candidate.possible).length;
  return finding.candidates.slice(0, Math.min(MOST_PROFILES, Math.max(NEAREST_SHOWN, possible + 1)));
}

interface AnswerProps {
  readonly finding: ThreadFinding;
  readonly working: ReactNode;
  readonly use: ThreadFinderProps['use'];
}

function Answer({ finding, working, use }: AnswerProps) {
  const possible = finding.candidates.filter((candidate) => candidate.possible);
  const best = possible[0];
  const nearest = finding.candidates.slice(0, NEAREST_SHOWN);
  const isSettled = finding.verdict === 'one' && finding.slips.length === 0;
  return (
    <Sheet>
      <SheetTitle>
        {finding.verdict === 'one'
          ? isSettled
            ? 'This explains every reading'
            : 'This explains every reading, if gaps were counted'
          : finding.verdict === 'several'
            ? `${possible.length} threads explain the readings`
            : 'No thread explains these readings'}
      </SheetTitle>
      {best ? (
        <>
          <Hero>
            {best.thread.designation}
            {isSettled ? '' : '\u2009?'}
          </Hero>
          <Fine>
            Met on{' '}
            {listOf(
              best.thread.uses.map((place) => USE_NAMES[place]),
              'and',
            )}
            . {working}
          </Fine>
        </>
      ) : (
        <Fine>
          Worn, damaged, or one reading is off. Say how the crests look, read again, or fit a new part.
          Nearest: {listOf(nearest.map((candidate) => candidate.thread.designation))}. {working}
        </Fine>
      )}
      {finding.verdict === 'several' ? (
        <Rows>
          {possible.map((candidate, index) => (
            <Candidate key={candidate.thread.designation}>
              <span className="name">{candidate.thread.designation}</span>
              <span className="rank">
                {index === 0 ? 'explains best' : closeness(candidate, possible[0])}
              </span>
            </Candidate>
          ))}
        </Rows>
      ) : null}
      {best && use ? use(best.thread.designation, isSettled) : null}
    </Sheet>
  );
}

/** How far behind the best one, in words: the figure behind it means nothing to a hand. */
function closeness(candidate: ThreadCandidate, best: ThreadCandidate | undefined): string {
  const behind = candidate.misfit - (best?.misfit ?? 0);
  return behind < 1 ? 'just as well' : behind < 4 ? 'less well' : 'barely';
}

function Next({ state, onState }: StateProps) {
  const write = useWriter();
  const question = questionOf(state);
  const further = furtherMeasurement(question, state.pitches);
  if (further === null) return null;
  const text = furtherText(further, write);
  const { ask } = further;
  return (
    <Sheet>
      <SheetTitle>One further reading</SheetTitle>
      <p>{text.ask}</p>
      <Rows style={{ marginTop: 8 }}>
        {text.shows.map((shown) => (
          <Candidate key={shown.designation}>
            <span className="name">{shown.designation}</span>
            <span>{shown.text}</span>
          </Candidate>
        ))}
      </Rows>
      <Fine>{text.settles}</Fine>
      {ask.kind === 'handStart' ? (
        <Stack $gap={8} style={{ marginTop: 8 }}>
          <Label>The {ask.bolt} bolt</Label>
          <Line $gap={8}>
            {HAND_OUTCOMES.map((outcome) => (
              <PlainButton
                key={outcome}
                onPress={() => onState({ ...state, tries: [...state.tries, { bolt: ask.bolt, outcome }] })}
              >
                {OUTCOME_NAMES[outcome]}
              </PlainButton>
            ))}
          </Line>
        </Stack>
      ) : null}
      {ask.kind === 'span' && (state.pitches !== ask.pitches || state.spanTool !== ask.tool) ? (
        <PlainButton
          onPress={() => onState({ ...state, pitches: ask.pitches, spanTool: ask.tool, span: '' })}
        >
          Set the span to {ask.pitches} gaps
        </PlainButton>
      ) : null}
      {ask.kind === 'diameter' && state.diameterTool !== ask.tool ? (
        <PlainButton onPress={() => onState({ ...state, diameterTool: ask.tool, diameter: '' })}>
          Read it with a {TOOL_NAMES[ask.tool].toLowerCase()}
        </PlainButton>
      ) : null}
    </Sheet>
  );
}

interface ToolPickProps {
  readonly label: string;
  readonly tools: readonly ThreadTool[];
  readonly value: ThreadTool;
  readonly onChange: (tool: ThreadTool) => void;
}

function ToolPick({ label, tools, value, onChange }: ToolPickProps) {
  const write = useWriter();
  return (
    <Pick
      label={label}
      value={value}
      options={tools.map((tool) => ({
        value: tool,
        text: `${TOOL_NAMES[tool]}, ± ${write.fineLength(TOOL_FACTS[tool].uncertainty_m)}`,
      }))}
      onChange={onChange}
    />
  );
}

/** Bolts of known thread that were turned into the port by hand, and how each went. */
function HandTries({ state, onState }: StateProps) {
  const [bolt, setBolt] = useState('M10×1.0');
  const [outcome, setOutcome] = useState<HandOutcome>('goesIn');
  return (
    <Stack $gap={8}>
      <Label>A bolt of known thread, turned in by hand</Label>
      {state.tries.map((tried, index) => (
        <Line key={index} $gap={10}>
          <span>
            {tried.bolt} {OUTCOME_NAMES[tried.outcome]}
          </span>
          <TextButton
            onPress={() =>
              onState({ ...state, tries: state.tries.filter((_other, place) => place !== index) })
            }
          >
            strike<Unseen> {tried.bolt}</Unseen>
          </TextButton>
        </Line>
      ))}
      <Line $gap={10}>
        <div style={{ flex: '1 1 130px' }}>
          <Pick
            label="Bolt"
            value={bolt}
            options={THREADS.map((thread) => ({ value: thread.designation, text: thread.designation }))}
            onChange={setBolt}
          />
        </div>
        <div style={{ flex: '2 1 200px' }}>
          <Pick
            label="How it went"
            value={outcome}
            options={HAND_OUTCOMES.map((value) => ({ value, text: OUTCOME_NAMES[value] }))}
            onChange={setOutcome}
          />
        </div>
        <PlainButton
          because={threadNamed(bolt) === null ? 'Name the thread of the bolt that was tried.' : null}
          onPress={() => onState({ ...state, tries: [...state.tries, { bolt, outcome }] })}
          style={{ alignSelf: 'end' }}
        >
          Add this try
        </PlainButton>
      </Line>
    </Stack>
  );
}
