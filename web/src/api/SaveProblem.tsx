/**
 * What a failed save says, and the way out: try again, choose between two versions, or answer a stop with a
 * reason. What was typed stays where it was typed.
 */
import type { Override } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import type { Facts } from '@zephyrcombe/workshop';
import { cautionDigest, changesBetween } from '@zephyrcombe/workshop';
import { cautionText, changeText } from '@zephyrcombe/messages';
import type { Caution } from '@zephyrcombe/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import { usePerson, useWriter } from '../app/SessionContext.ts';
import { OPEN_STOP } from '../app/useShortcuts.ts';
import { PlainButton } from '../design/Button.tsx';
import { TextField } from '../design/fields.tsx';
import { Line, Stack } from '../design/layout.ts';
import { Notice } from '../design/Notice.tsx';
import { SIZE, colour } from '../design/tokens.ts';
import type { ApiError } from './client.ts';
import { ErrorWords } from './ErrorWords.tsx';
import { describeDifferences } from './differences.ts';

/** The part of a mutation this needs; any route's will do. */
export interface FailedSave {
  readonly error: ApiError | null;
  readonly variables: { readonly body?: unknown } | undefined;
  readonly isPending: boolean;
  mutate(variables: never): void;
  reset(): void;
}

interface SaveProblemProps {
  readonly save: FailedSave;
  /** What was on the screen when it was asked for: told is what changed since. */
  readonly seen?: Facts;
  /** Called when the other person's version is taken. */
  readonly onTakeTheirs?: () => void;
}

type Body = Record<string, unknown>;

/** What may go well the second time without anything being changed; all else is refused again. */
const MAY_WORK_AGAIN: ReadonlySet<ApiError['code']> = new Set([
  'offline',
  'internal',
  'database-unavailable',
  'maybe-saved',
  'database-busy',
  'too-slow',
  'disk-full',
  'too-many-requests',
  'supplier-silent',
  'printer-silent',
  'wrench-silent',
  'signed-out',
]);

export const mayWorkAgain = (error: ApiError): boolean => MAY_WORK_AGAIN.has(error.code);

export function SaveProblem({ save, seen, onTakeTheirs }: SaveProblemProps) {
  const { error, variables } = save;
  const client = useQueryClient();
  if (error === null) return null;
  const body = (variables?.body ?? {}) as Body;
  const again = (changes: Body) => save.mutate({ ...variables, body: { ...body, ...changes } } as never);
  const { details } = error;

  if (error.code === 'stale-write' && details?.current) {
    return (
      <StaleWrite
        body={body}
        current={details.current}
        title={error.title}
        onKeepMine={() => again({ version: details.current?.version })}
        onTakeTheirs={() => {
          save.reset();
          onTakeTheirs?.();
        }}
      />
    );
  }
  if (error.code === 'stop-not-answered' && details?.cautions) {
    const cautions = details.cautions as unknown as readonly Caution[];
    return (
      <AnswerStops
        key={cautions.map(cautionDigest).join()}
        cautions={cautions}
        onAnswer={(overrides) => again({ overrides })}
        onBack={() => save.reset()}
      />
    );
  }
  return (
    <Notice severity="stop" title={error.title} live>
      <ErrorWords error={error} />
      {error.code === 'changed-since-seen' && seen && details?.current ? (
        <Differences before={seen} after={details.current as unknown as Facts} />
      ) : null}
      {error.code === 'internal' ? <p>Request number {details?.requestId}</p> : null}
      {variables ? (
        <Line style={{ marginTop: 10 }}>
          {mayWorkAgain(error) ? (
            <PlainButton isPending={save.isPending} onPress={() => again({})}>
              Try again
            </PlainButton>
          ) : (
            <PlainButton
              onPress={() => {
                save.reset();
                void client.invalidateQueries();
              }}
            >
              Reload, keeping what I typed
            </PlainButton>
          )}
        </Line>
      ) : null}
    </Notice>
  );
}

function Differences({ before, after }: { readonly before: Facts; readonly after: Facts }) {
  const write = useWriter();
  return (
    <ul>
      {changesBetween(before, after).map((change) => (
        <li key={change.path.join('.')}>{changeText(change, write)}</li>
      ))}
    </ul>
  );
}

const Versions = styled.table`
  border-collapse: collapse;
  width: 100%;
  font-size: ${SIZE.small};
  margin: 8px 0;
  th,
  td {
    text-align: left;
    padding: 6px 8px 6px 0;
    border-bottom: 1px solid ${colour('hairlineSoft')};
    vertical-align: top;
  }
`;

interface StaleWriteProps {
  readonly body: Body;
  readonly current: Body;
  readonly title: string;
  readonly onKeepMine: () => void;
  readonly onTakeTheirs: () => void;
}

function StaleWrite({ body, current, title, onKeepMine, onTakeTheirs }: StaleWriteProps) {
  const write = useWriter();
  return (
    <Notice severity="warn" title={title} live>
      <Versions>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Yours</th>
            <th scope="col">Saved meanwhile</th>
          </tr>
        </thead>
        <tbody>
          {describeDifferences(body, current, write).map((row) => (
            <tr key={row.field}>
              <th scope="row">{row.field}</th>
              <td>{row.mine}</td>
              <td>{row.theirs}</td>
            </tr>
          ))}
        </tbody>
      </Versions>
      <Line>
        <PlainButton onPress={onKeepMine}>Keep mine</PlainButton>
        <PlainButton onPress={onTakeTheirs}>Take theirs</PlainButton>
      </Line>
    </Notice>
  );
}

interface AnswerStopsProps {
  readonly cautions: readonly Caution[];
  readonly onAnswer: (overrides: readonly Override[]) => void;
  readonly onBack: () => void;
}

const LEAST_REASON = 5;

function AnswerStops({ cautions, onAnswer, onBack }: AnswerStopsProps) {
  const write = useWriter();
  const mayAnswer = may(usePerson(), 'passStop');
  const [reasons, setReasons] = useState<Readonly<Record<string, string>>>({});
  const reasonOf = (caution: Caution) => (reasons[cautionDigest(caution)] ?? '').trim();
  const answered = cautions.every((caution) => reasonOf(caution).length >= LEAST_REASON);
  return (
    <Stack role="alert" {...OPEN_STOP}>
      {cautions.map((caution, index) => {
        const text = cautionText(caution, write);
        const digest = cautionDigest(caution);
        return (
          <Notice
            key={digest}
            severity="stop"
            title={caution.subject ? `${text.title}: ${caution.subject}` : text.title}
          >
            <p>{text.advice}</p>
            {mayAnswer ? (
              <TextField
                label="Only with a reason, which is recorded with your name"
                value={reasons[digest] ?? ''}
                onChange={(reason) => setReasons({ ...reasons, [digest]: reason })}
                autoFocus={index === 0}
              />
            ) : (
              <p>An apprentice does not go past a stop: fetch a technician or your lead.</p>
            )}
          </Notice>
        );
      })}
      <Line>
        <PlainButton autoFocus={!mayAnswer} onPress={onBack}>
          Go back and fix it
        </PlainButton>
        {mayAnswer ? (
          <PlainButton
            because={answered ? null : 'Say why, for each of them.'}
            onPress={() =>
              onAnswer(
                cautions.map((caution) => ({
                  caution: caution.id,
                  reason: reasonOf(caution),
                  evidence: cautionDigest(caution),
                })),
              )
            }
          >
            Go on for this reason
          </PlainButton>
        ) : null}
      </Line>
    </Stack>
  );
}
