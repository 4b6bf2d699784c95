/** From what is felt to what is behind it: causes in order, and the one check that best separates them. */
import { CAUSE_WORDS, CHECK_WORDS, likelihoodText, outcomeText, SYMPTOM_WORDS } from '@zephyrcombe/messages';
import type { CheckAnswer, DiagnosisFacts, Symptom } from '@zephyrcombe/core';
import { diagnose, outcomesOf, SOURCES, SYMPTOMS } from '@zephyrcombe/core';
import styled from 'styled-components';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Tick } from '../../design/fields.tsx';
import {
  Columns,
  Fine,
  Label,
  Line,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
  Unseen,
} from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { PHONE, SIZE, colour } from '../../design/tokens.ts';

const Ticks = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 20px;
  ${PHONE} {
    grid-template-columns: 1fr;
  }
`;

/** How likely, as a length on a line and in words. */
const Share = styled.div<{ $share: number }>`
  height: 3px;
  margin-top: 5px;
  background: linear-gradient(${colour('brass')}, ${colour('brass')}) no-repeat 0 0 /
    ${({ $share }) => `${(100 * $share).toFixed(1)}%`} 100%;
  border-bottom: 1px solid ${colour('hairlineSoft')};
`;

const CauseName = styled.span`
  font-size: ${SIZE.large};
`;

const SHOWN_CAUSES = 5;

export interface HelperState {
  readonly symptoms: readonly Symptom[];
  readonly answers: readonly CheckAnswer[];
  readonly facts: DiagnosisFacts;
}

interface SymptomHelperProps {
  readonly state: HelperState;
  readonly onState: (state: HelperState) => void;
}

export function SymptomHelper({ state, onState }: SymptomHelperProps) {
  const { symptoms, answers, facts } = state;
  const { causes, next, settled } = diagnose(symptoms, answers, facts);
  const shown = causes.slice(0, SHOWN_CAUSES);
  const setFact = (change: Partial<DiagnosisFacts>) => onState({ ...state, facts: { ...facts, ...change } });
  return (
    <Columns $left="1fr" $right="1fr">
      <Stack $gap={16}>
        <Sheet>
          <fieldset>
            <legend>
              <SheetTitle as="span">What it does</SheetTitle>
            </legend>
            <Ticks>
              {SYMPTOMS.map((symptom) => (
                <Tick
                  key={symptom}
                  isSelected={symptoms.includes(symptom)}
                  onChange={(has) =>
                    onState({
                      ...state,
                      symptoms: has ? [...symptoms, symptom] : symptoms.filter((other) => other !== symptom),
                    })
                  }
                >
                  {SYMPTOM_WORDS[symptom]}
                </Tick>
              ))}
            </Ticks>
          </fieldset>
          <fieldset>
            <legend>
              <Label>What is known</Label>
            </legend>
            <Ticks>
              <Tick isSelected={facts.openedLately} onChange={(openedLately) => setFact({ openedLately })}>
                Opened or bled lately
              </Tick>
              <Tick isSelected={facts.oldHose} onChange={(oldHose) => setFact({ oldHose })}>
                Old rubber hose on it
              </Tick>
              <Tick isSelected={facts.highPoint} onChange={(highPoint) => setFact({ highPoint })}>
                A line arches over something
              </Tick>
              <Tick isSelected={facts.booster} onChange={(booster) => setFact({ booster })}>
                It has a booster
              </Tick>
            </Ticks>
          </fieldset>
        </Sheet>
        {next === null ? null : (
          <Sheet>
            <SheetTitle>The check that tells most</SheetTitle>
            <p>
              <strong>{CHECK_WORDS[next].name}</strong>
            </p>
            <Fine>{CHECK_WORDS[next].how}</Fine>
            <Line style={{ marginTop: 10 }} $gap={8}>
              {outcomesOf(next).map((outcome) => (
                <PlainButton
                  key={outcome}
                  onPress={() => onState({ ...state, answers: [...answers, { check: next, outcome }] })}
                >
                  {outcomeText(next, outcome)}
                </PlainButton>
              ))}
            </Line>
          </Sheet>
        )}
        {answers.length === 0 ? null : (
          <Sheet>
            <SheetTitle>Checked</SheetTitle>
            <Rows>
              {answers.map((answer, index) => (
                <Spread key={answer.check}>
                  <span>
                    {CHECK_WORDS[answer.check].name}:{' '}
                    <strong>{outcomeText(answer.check, answer.outcome)}</strong>
                  </span>
                  <TextButton
                    onPress={() =>
                      onState({ ...state, answers: answers.filter((_other, place) => place !== index) })
                    }
                  >
                    strike<Unseen> {CHECK_WORDS[answer.check].name}</Unseen>
                  </TextButton>
                </Spread>
              ))}
            </Rows>
          </Sheet>
        )}
      </Stack>
      <Stack $gap={16} aria-live="polite">
        {shown.length === 0 ? (
          <Sheet>
            <SheetTitle>Nothing said yet</SheetTitle>
            <Fine>
              Tick what the brake does. Causes come in order, with the check that separates them best.
            </Fine>
          </Sheet>
        ) : (
          <Sheet>
            <SheetTitle>{settled ? 'This stands out' : 'What can be behind it'}</SheetTitle>
            <Rows>
              {shown.map(({ cause, share }) => (
                <div key={cause}>
                  <Spread>
                    <CauseName>{CAUSE_WORDS[cause].name}</CauseName>
                    <Label>{likelihoodText(share)}</Label>
                  </Spread>
                  <Share $share={share} />
                  <Fine>{CAUSE_WORDS[cause].cure}</Fine>
                </div>
              ))}
            </Rows>
            <Fine style={{ marginTop: 8 }}>{SOURCES.symptomTable.title}.</Fine>
          </Sheet>
        )}
        <Notice severity="warn" title="A ranking is not a finding">
          <p>
            Whatever stands on top, the brake is looked at as a whole. Do not ride or drive to find out; never
            clamp a braided hose.
          </p>
        </Notice>
      </Stack>
    </Columns>
  );
}
