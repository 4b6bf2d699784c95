/** A torque wrench that is read: set from here, drawn while it is pulled, its peak put into the field. Typing stays equal. */
import type { Joint, PullRecord } from '@zephyrcombe/contract';
import { torqueOf } from '@zephyrcombe/contract';
import { crowfootSetting, isNoFigure, judgePull } from '@zephyrcombe/core';
import { PULL_FINDING_TEXTS } from '@zephyrcombe/messages';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import styled from 'styled-components';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useLatest } from '../../app/useLatest.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Fine, Line, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { Working } from '../../quantities/Working.tsx';
import { useJob } from '../job/JobContext.ts';
import { PullTrace } from './PullTrace.tsx';
import type { TorqueAttempt } from './useTorqueAttempt.ts';

/** While it is pulled; and while nobody pulls yet. */
const LOOK_ms = 150;
const WAIT_ms = 400;

const linkQuery = queryOptions({
  queryKey: ['torque-wrench'],
  queryFn: ({ signal }) => call('getWrenchLink', {}, signal),
  staleTime: 10_000,
});

export const pullQuery = (jobId: string, pullId: string) =>
  queryOptions({
    queryKey: ['pull', jobId, pullId],
    queryFn: ({ signal }) => call('getPull', { params: { jobId, pullId } }, signal),
    refetchInterval: ({ state: { data, error } }) =>
      data?.state === 'done' || error !== null ? false : data?.state === 'pulling' ? LOOK_ms : WAIT_ms,
    retry: false,
  });

/** As high before it is known whether a wrench is there: nothing jumps. */
const Slot = styled.div`
  min-height: 48px;
  display: grid;
  gap: 8px;
  align-items: center;
`;

interface PullPanelProps {
  readonly jointId: string;
  readonly attempt: TorqueAttempt;
}

export function PullPanel({ jointId, attempt }: PullPanelProps) {
  const { job, wrenches } = useJob();
  const { draft, change, adapter, torques } = attempt;
  const link = useQuery(linkQuery).data;
  const client = useQueryClient();
  const start = useMutation<PullRecord, ApiError, RequestOf<'startPull'>>({
    mutationFn: (input) => call('startPull', input),
    onSuccess: (pull) => {
      client.setQueryData(pullQuery(job.id, pull.id).queryKey, pull);
      // What was typed before was another turn of the wrench.
      change({ pullId: pull.id, text: '', readFrom: '' });
    },
  });
  if (draft.pullId !== '')
    return (
      <Pulled
        jointId={jointId}
        attempt={attempt}
        onAgain={() => {
          start.reset();
          change({ pullId: '', readFrom: '', ...(draft.readFrom === '' ? {} : { text: '' }) });
        }}
      />
    );
  if (link?.state !== 'here')
    return (
      <Slot>
        <Fine>
          {link?.state === 'silent' ? 'The torque wrench does not answer. ' : ''}Read your wrench, and type
          what it shows.
        </Fine>
      </Slot>
    );
  const isKnown = wrenches.some(({ serial }) => serial === link.serial);
  return (
    <Slot>
      <Line>
        <PlainButton
          isPending={start.isPending}
          because={
            !isKnown
              ? `${link.serial} is not among the shop’s wrenches: your lead enters its serial number under The shop.`
              : torques.governing.source === null
                ? 'No figure with a source is known here: no wrench is set to a guess.'
                : adapter === 'unsaid'
                  ? 'Measure what is on the wrench first.'
                  : null
          }
          onPress={() =>
            adapter === 'unsaid'
              ? undefined
              : start.mutate({ params: { jobId: job.id }, body: { id: newId(), jointId, adapter } })
          }
        >
          Read {link.serial}
        </PlainButton>
        <Fine>
          {link.isSimulated ? 'simulated, ' : ''}
          it is set to the middle of the range, and tells its peak
        </Fine>
      </Line>
      <SaveProblem save={start} />
    </Slot>
  );
}

function Pulled({ jointId, attempt, onAgain }: PullPanelProps & { readonly onAgain: () => void }) {
  const { job, wrenches } = useJob();
  const write = useWriter();
  const { draft, torques } = attempt;
  const client = useQueryClient();
  const query = useQuery(pullQuery(job.id, draft.pullId));
  const params = { jobId: job.id, pullId: draft.pullId };
  const simulate = useMutation<PullRecord, ApiError, RequestOf<'simulatePull'>>({
    mutationFn: (input) => call('simulatePull', input),
    onSuccess: (pull) => client.setQueryData(pullQuery(job.id, pull.id).queryKey, pull),
  });
  const leave = useMutation<PullRecord, ApiError, RequestOf<'leavePull'>>({
    mutationFn: (input) => call('leavePull', input),
    onSettled: onAgain,
  });
  const pull = query.data;
  useTakenOver(pull, attempt, wrenches.find(({ serial }) => serial === pull?.serial)?.id ?? '');
  if (query.isError && !pull)
    return (
      <Notice severity="note" title="Nobody listens to the wrench any more">
        <p>Listen again, or type what it shows. Nothing that was recorded is lost.</p>
        <TextButton onPress={onAgain}>Listen again</TextButton>
      </Notice>
    );
  if (!pull) return null;
  const { samples, state, set_Nm, serial } = pull;
  const judged = state === 'done' ? judgePull({ samples, set_Nm }) : null;
  const findings = judged?.ok ? judged.value.findings : [];
  const { minimum_Nm, maximum_Nm } = torques.governing;
  const shown = shownShare(pull);
  return (
    <Stack $gap={8} data-testid="pull">
      <Spread>
        <strong aria-live="polite">{STATE_WORDS[state](serial, write.torque(set_Nm))}</strong>
        <Fine>
          {pull.isSimulated ? 'simulated wrench' : serial}
          {pull.dropOuts === 0
            ? ''
            : `, not heard ${pull.dropOuts === 1 ? 'once' : `${pull.dropOuts} times`} meanwhile`}
        </Fine>
      </Spread>
      <PullTrace
        samples={samples}
        low_Nm={minimum_Nm * shown}
        high_Nm={maximum_Nm * shown}
        label={
          pull.peak_Nm === null
            ? `Torque over angle, ${samples.length} readings so far`
            : `Torque over angle: peak ${write.torque(pull.peak_Nm)}, range on the wrench ${write.torqueRange(minimum_Nm * shown, maximum_Nm * shown)}`
        }
      />
      {judged?.ok ? (
        <Fine>
          Peak {write.torque(judged.value.peak_Nm)}, {write.angle(judged.value.turn_rad)} after it began to
          bite <Working of="turn of the pull" result={judged} />
        </Fine>
      ) : null}
      {findings.map((finding) => {
        const { severity, title, advice } = PULL_FINDING_TEXTS[finding];
        return (
          <Notice key={finding} severity={severity} title={title}>
            <p>{advice}</p>
          </Notice>
        );
      })}
      <Line>
        {pull.isSimulated && state === 'waiting' ? (
          <PlainButton isPending={simulate.isPending} onPress={() => simulate.mutate({ params })}>
            Pull the simulated wrench
          </PlainButton>
        ) : null}
        <TextButton onPress={() => (state === 'done' ? onAgain() : leave.mutate({ params }))}>
          {state === 'done' ? 'Pull again' : 'Stop listening, type it instead'}
        </TextButton>
      </Line>
      <SaveProblem save={simulate} />
      {jointId === pull.jointId ? null : <Fine>This was another joint: pull again.</Fine>}
    </Stack>
  );
}

/** Its peak goes into the field once, and only into an empty one; a figure in another unit is none. */
function useTakenOver(pull: PullRecord | undefined, { draft, change }: TorqueAttempt, wrenchId: string) {
  const isNew =
    pull?.state === 'done' && pull.peak_Nm !== null && draft.readFrom !== pull.id && draft.text === '';
  const take = useLatest(() => {
    if (!pull || pull.peak_Nm === null) return;
    const judged = judgePull(pull);
    if (!judged.ok || judged.value.findings.some(isNoFigure)) return;
    change({
      text: `${pull.peak_Nm} N·m`,
      readFrom: pull.id,
      gave: judged.value.findings.includes('yielding'),
      toldOn: pull.calibratedOn ?? '',
      toldBy: pull.serial,
      ...(wrenchId ? { wrenchId } : {}),
    });
  });
  useEffect(() => {
    if (isNew) take();
  }, [isNew, take]);
}

/** With a crowfoot the wrench shows another torque than the joint has: what it shows of one newton metre. */
function shownShare({ adapter }: PullRecord): number {
  const set = adapter === null ? null : crowfootSetting({ ...adapter, target_Nm: 1 });
  return set?.ok ? set.value : 1;
}

/** The pull that a record was read from. */
export function PullOfRecord({ pullId, joint }: { readonly pullId: string; readonly joint: Joint }) {
  const { job } = useJob();
  const write = useWriter();
  const pull = useQuery(pullQuery(job.id, pullId)).data;
  if (!pull || pull.peak_Nm === null) return null;
  const { minimum_Nm, maximum_Nm } = torqueOf(joint).governing;
  const shown = shownShare(pull);
  return (
    <PullTrace
      samples={pull.samples}
      low_Nm={minimum_Nm * shown}
      high_Nm={maximum_Nm * shown}
      label={`The pull as ${pull.serial} told it: peak ${write.torque(pull.peak_Nm)}`}
    />
  );
}

const STATE_WORDS: Readonly<Record<PullRecord['state'], (serial: string, set: string) => string>> = {
  waiting: (serial, set) => `${serial} is set to ${set}: pull until it clicks`,
  pulling: () => 'Pulling …',
  lost: (serial) => `${serial} cannot be heard: what it told is kept, and it is looked for`,
  done: () => 'The pull, as it was read',
};
