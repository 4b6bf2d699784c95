/** The whole plan: what is done, what is next, what waits, what had to give way; or why there is none. */
import type { JobDetail } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { stepKey } from '@zephyrcombe/core/plan';
import {
  KEPT_NAMES,
  lowerFirst,
  RHYTHM_NAMES,
  RULE_REASONS,
  RULE_REMEDIES,
  stepTitle,
  TRIAL_WASHER_NAMES,
} from '@zephyrcombe/messages';
import { factOf, fitNames, fitPlanOf } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { TextButton } from '../../design/Button.tsx';
import { Fine, Line, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { SIZE, colour } from '../../design/tokens.ts';
import { useJob } from '../job/JobContext.ts';
import { Fold } from './Fold.ts';

const Steps = styled.ol`
  > li {
    display: grid;
    grid-template-columns: 40px 1fr;
    align-items: baseline;
    border-bottom: 1px solid ${colour('hairlineSoft')};
    font-size: ${SIZE.text};
  }
  > li > span:first-child {
    color: ${colour('inkSoft')};
    font-size: ${SIZE.small};
    text-align: right;
    padding-right: 10px;
  }
`;

const Choose = styled.button<{ $current: boolean }>`
  background: none;
  border: 0;
  text-align: left;
  min-height: 44px;
  padding: 6px 8px;
  cursor: pointer;
  box-shadow: ${({ $current }) => ($current ? `inset 4px 0 0 ${colour('brass')}` : 'none')};
  font-weight: ${({ $current }) => ($current ? 650 : 400)};
`;

/** As many as are read at a glance; the others on demand. */
const FEW = 14;

interface PlanListProps {
  readonly current: PlanStep | null;
  readonly onChoose: (step: PlanStep) => void;
}

export function PlanList({ current, onChoose }: PlanListProps) {
  const detail = useJob();
  const names = fitNames(detail);
  const { plan } = fitPlanOf(detail);
  const [isAll, setAll] = useState(false);
  const done = detail.fitSteps.length;
  const currentKey = current && stepKey(current);
  const chosen = plan.steps.findIndex((step) => stepKey(step) === currentKey);
  const shown = isAll ? plan.steps : plan.steps.slice(0, Math.max(FEW, chosen + 1));
  return (
    <Sheet>
      <Spread>
        <SheetTitle>The plan</SheetTitle>
        <Fine as="span">
          {done} done, {plan.steps.length} left, {plan.totals.washers} new washers
          {plan.totals.capsPeak > 0
            ? `, at most ${plan.totals.capsPeak} ${plan.totals.capsPeak === 1 ? 'cap' : 'caps'} on at once`
            : ''}
        </Fine>
      </Spread>
      <Impossible />
      <Fine>
        {RHYTHM_NAMES[plan.choices.rhythm]};{' '}
        {Object.entries(plan.choices.kept)
          .map(([id, kept]) => `${names(id).toLowerCase()} ${KEPT_NAMES[kept]}`)
          .join(', ')}
        ; {TRIAL_WASHER_NAMES[plan.choices.trialWashers]}
      </Fine>
      <Steps>
        {shown.map((step, index) => (
          <li key={stepKey(step)}>
            <span>{done + index + 1}</span>
            <Choose
              type="button"
              $current={stepKey(step) === currentKey}
              aria-current={stepKey(step) === currentKey ? 'step' : undefined}
              onClick={() => onChoose(step)}
            >
              {stepTitle(step, names)}
            </Choose>
          </li>
        ))}
      </Steps>
      {plan.steps.length > shown.length ? (
        <TextButton onPress={() => setAll(true)}>all {plan.steps.length} steps that are left</TextButton>
      ) : null}
      <Line>
        <Link to={`/jobs/${detail.job.id}/fit-plan`}>The plan to print, with its reasons</Link>
      </Line>
      <Done />
      {plan.setAside.length > 0 ? (
        <Fine style={{ marginTop: 8 }}>
          Gave way:{' '}
          {plan.setAside
            .map(
              ({ rule, subject }) =>
                `${RULE_REASONS[rule].replace(/\.$/, '')} (${names(subject).toLowerCase()})`,
            )
            .join('; ')}
          .
        </Fine>
      ) : null}
    </Sheet>
  );
}

/** Steps that were taken, the last one first. */
function Done() {
  const detail = useJob();
  const names = fitNames(detail);
  if (detail.fitSteps.length === 0) return null;
  return (
    <Fold style={{ marginTop: 8 }}>
      <summary>{detail.fitSteps.length} steps done</summary>
      <ul>
        {detail.fitSteps.toReversed().map(({ id, step, by }) => (
          <li key={id}>
            <Fine>
              {stepTitle(step, names)} ({by})
            </Fine>
          </li>
        ))}
      </ul>
    </Fold>
  );
}

function Impossible() {
  const detail = useJob();
  const names = fitNames(detail);
  const { infeasible } = fitPlanOf(detail).plan;
  if (!infeasible) return null;
  return (
    <Notice severity="stop" title="No order of work keeps all of this">
      <Stack $gap={6}>
        {infeasible.subjects.length > 0 ? <p>At: {infeasible.subjects.map(names).join(', ')}.</p> : null}
        <ul>
          {infeasible.rules.map((rule) => (
            <li key={rule}>
              {RULE_REASONS[rule]} <em>{RULE_REMEDIES[rule]}</em>
            </li>
          ))}
          {demandsOf(detail, infeasible.demands).map(({ id, first, then, why }) => (
            <li key={id}>
              Asked for ({why}): {lowerFirst(stepTitle(first, names))}, and only then{' '}
              {lowerFirst(stepTitle(then, names))}. <em>Take it back below, in what the plan rests on.</em>
            </li>
          ))}
        </ul>
      </Stack>
    </Notice>
  );
}

const demandsOf = (detail: JobDetail, ids: readonly string[]) =>
  ids.flatMap((id) => {
    const demand = factOf(detail, 'demand', id);
    return demand ? [{ id, ...demand }] : [];
  });
