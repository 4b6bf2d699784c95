/** An order that somebody asks for: of two steps the one first, whatever the plan would do. */
import type { FitFactSaid } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { plainStep, stepKey } from '@zephyrcombe/core/plan';
import { lowerFirst, stepTitle } from '@zephyrcombe/messages';
import { factsOfKind, fitNames, fitPlanOf, patternOf } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { newId } from '../../app/newId.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Label, Rows, Spread, Stack } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

type Send = (said: FitFactSaid) => void;

export function Demands({ send }: { readonly send: Send }) {
  const detail = useJob();
  const names = fitNames(detail);
  const [isAdding, setAdding] = useState(false);
  const closed = isClosed(detail.job) ? CLOSED : null;
  const left = new Set(
    fitPlanOf(detail).plan.steps.map((step) => JSON.stringify(patternOf(plainStep(step)))),
  );
  const isInPlan = (step: PlanStep) => left.has(JSON.stringify(patternOf(step)));
  const asked = [...factsOfKind(detail, 'demand')].flatMap(([id, demand]) =>
    demand ? [{ id, ...demand }] : [],
  );
  return (
    <div role="group" aria-label="An order that is asked for">
      <Label as="h3">An order that is asked for</Label>
      <Rows>
        {asked.map(({ id, first, then, why }) => (
          <Spread key={id}>
            <span>
              {stepTitle(first, names)}; only then: {lowerFirst(stepTitle(then, names))}
              <Fine>{why}</Fine>
              {isInPlan(first) && isInPlan(then) ? null : (
                <Fine>Not both of them are left to do as the plan stands.</Fine>
              )}
            </span>
            <TextButton because={closed} onPress={() => send({ kind: 'demand', subjectId: id, value: null })}>
              not asked for
            </TextButton>
          </Spread>
        ))}
      </Rows>
      {isAdding ? (
        <Adding
          onAdd={(value) => {
            send({ kind: 'demand', subjectId: newId(), value });
            setAdding(false);
          }}
        />
      ) : (
        <TextButton because={closed} onPress={() => setAdding(true)}>
          add an order, such as the vehicle maker’s
        </TextButton>
      )}
    </div>
  );
}

interface AddingProps {
  readonly onAdd: (demand: NonNullable<Extract<FitFactSaid, { kind: 'demand' }>['value']>) => void;
}

function Adding({ onAdd }: AddingProps) {
  const detail = useJob();
  const names = fitNames(detail);
  const [first, setFirst] = useState('');
  const [then, setThen] = useState('');
  const [why, setWhy] = useState('');
  const steps = new Map<string, PlanStep>(
    fitPlanOf(detail).plan.steps.map((step) => [stepKey(step), plainStep(step)]),
  );
  const options = [
    { value: '', text: 'choose a step' },
    ...[...steps].map(([value, step]) => ({ value, text: stepTitle(step, names) })),
  ];
  const [one, other] = [steps.get(first), steps.get(then)];
  return (
    <Stack $gap={8}>
      <Pick label="What comes first" value={first} options={options} onChange={setFirst} />
      <Pick label="What waits for it" value={then} options={options} onChange={setThen} />
      <TextField label="Who asks for it, and where it says so" value={why} onChange={setWhy} />
      <PlainButton
        because={
          !one || !other
            ? 'Choose both steps.'
            : first === then
              ? 'A step does not wait for itself.'
              : why.trim() === ''
                ? 'Say who asks for it.'
                : null
        }
        onPress={() => (one && other ? onAdd({ first: one, then: other, why: why.trim() }) : undefined)}
      >
        Add the order
      </PlainButton>
    </Stack>
  );
}
