import type { Circuit } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import { canBeLaidOut } from '@zephyrcombe/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { jobQuery, vehicleQuery } from '../../api/queries.ts';
import { keepTold } from '../../api/toldJobs.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { newId } from '../../app/newId.ts';
import { useDraft } from '../../app/useDraft.ts';
import styled from 'styled-components';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Fine, Head, Line, Page, Stack, Unseen } from '../../design/layout.ts';
import { colour, PHONE } from '../../design/tokens.ts';
import type { JobScope } from './newJob.ts';
import { hardLinesOf, hosesOf, isSameScope, many, shapesOf, titleFor, wholeScope } from './newJob.ts';
import { VehicleSearch } from './VehicleSearch.tsx';

interface StartDraft {
  readonly id: string;
  /** Null until somebody types one. */
  readonly title: string | null;
  /** Null until somebody types one: the address may say why. */
  readonly reason: string | null;
  /** Null until somebody chooses: the address may say what is meant. */
  readonly scope: JobScope | null;
  /** The lines of a circuit are laid out another way: the layouts are compared first. */
  readonly relay: boolean;
}
const EMPTY: StartDraft = { id: '', title: null, reason: null, scope: null, relay: false };

const listIn = (search: URLSearchParams, key: string): readonly string[] =>
  (search.get(key) ?? '').split(',').filter((id) => id !== '');

/** A job starts on a vehicle: with hoses to replace, or to change the fluid alone. */
export function StartJobPage() {
  useCrumb('Start a job');
  const [search, setSearch] = useSearchParams();
  const vehicleId = search.get('vehicle') ?? '';
  const why = search.get('why') ?? '';
  const vehicle = useQuery({ ...vehicleQuery(vehicleId), enabled: vehicleId !== '' });
  const circuits = (vehicle.data?.circuits ?? []).filter(({ components }) => components.length > 0);
  return (
    <Page>
      <Stack $gap={20} style={{ maxWidth: 1060 }}>
        <Head>Start a job</Head>
        {vehicle.isError ? (
          <LoadProblem error={vehicle.error} onRetry={() => void vehicle.refetch()} />
        ) : null}
        {vehicleId === '' || vehicle.data || vehicle.isError ? (
          <VehicleSearch
            chosen={vehicleId === '' ? null : (vehicle.data?.vehicle ?? null)}
            onChoose={(id) =>
              setSearch(
                { ...(id === null ? {} : { vehicle: id }), ...(why === '' ? {} : { why }) },
                { replace: true },
              )
            }
          />
        ) : null}
        {vehicle.data && circuits.length === 0 ? (
          <Fine>
            The hydraulics of the {vehicle.data.vehicle.name} are not entered yet: there is nothing a job
            could be about.
          </Fine>
        ) : null}
        {vehicle.data && circuits.length > 0 ? (
          <NewJob key={vehicleId} vehicleId={vehicleId} circuits={circuits} />
        ) : null}
      </Stack>
    </Page>
  );
}

/** What is chosen stands beside what it is called; on a phone the button comes before the list of single hoses. */
const Places = styled.div`
  display: grid;
  grid-template: 'shapes said' auto 'ticks said' 1fr / minmax(0, 1fr) 380px;
  gap: 20px 40px;
  align-items: start;
  > :nth-child(1) {
    grid-area: shapes;
  }
  > :nth-child(2) {
    grid-area: said;
  }
  > :nth-child(3) {
    grid-area: ticks;
  }
  ${PHONE} {
    grid-template: 'shapes' auto 'said' auto 'ticks' auto / minmax(0, 1fr);
  }
`;

interface NewJobProps {
  readonly vehicleId: string;
  readonly circuits: readonly Circuit[];
}

function NewJob({ vehicleId, circuits }: NewJobProps) {
  const [search] = useSearchParams();
  const [kept, setDraft, clearDraft] = useDraft(`new-job.${vehicleId}`, EMPTY);
  const draft = { ...EMPTY, ...kept };
  const navigate = useNavigate();
  const client = useQueryClient();
  const asked = {
    circuitIds: listIn(search, 'fluid'),
    hoseIds: listIn(search, 'hoses'),
    lineIds: listIn(search, 'lines'),
    jointIds: listIn(search, 'joints'),
  };
  const shapes = shapesOf(circuits);
  // One brake with hoses: they are most likely meant. More than one: nothing is, until somebody says so.
  const usual = Object.values(asked).some((ids) => ids.length > 0) || circuits.length > 1 ? asked : shapes[1];
  const scope = wholeScope(circuits, { ...asked, ...(draft.scope ?? usual) });
  const reason = draft.reason ?? search.get('why') ?? '';
  // Of those that are opened, the first whose lines can be laid out another way.
  const laidOut = circuits.find(
    (circuit) =>
      hosesOf(circuit).some(({ id }) => scope.hoseIds.includes(id)) && canBeLaidOut(hydraulicsOf(circuit)),
  );
  const title = draft.title ?? titleFor(circuits, scope);
  // What was sent before under the same id is another job once something is changed.
  const change = (next: Partial<StartDraft>) => setDraft({ ...draft, ...next, id: '' });
  const start = useMutation<Awaited<ReturnType<typeof call<'startJob'>>>, ApiError, RequestOf<'startJob'>>({
    mutationFn: (input) => call('startJob', input),
    onSuccess: (detail) => {
      client.setQueryData(jobQuery(detail.job.id).queryKey, keepTold(detail));
      void client.invalidateQueries({ queryKey: ['jobs'] });
      clearDraft();
      void navigate(
        draft.relay && laidOut
          ? `/jobs/${detail.job.id}/look-over/layouts?circuit=${laidOut.id}`
          : `/jobs/${detail.job.id}/look-over`,
      );
    },
  });
  const missing =
    scope.circuitIds.length === 0
      ? 'Tick a circuit whose fluid is changed, or a hose.'
      : title.trim() === ''
        ? 'Say what the job is.'
        : null;
  const renewed = [
    ...(scope.hoseIds.length > 0 ? [many(scope.hoseIds.length, 'hose')] : []),
    ...(scope.lineIds.length > 0 ? [many(scope.lineIds.length, 'hard line')] : []),
    ...(scope.jointIds.length > 0 ? [many(scope.jointIds.length, 'joint')] : []),
  ].join(' and ');
  return (
    <Places>
      <div role="group" aria-label="What is it about?">
        <Fine style={{ marginBottom: 6 }}>What is it about?</Fine>
        <Line>
          {shapes.map((shape) => (
            <PlainButton
              key={shape.id}
              aria-pressed={isSameScope(scope, wholeScope(circuits, shape))}
              onPress={() => change({ scope: shape })}
            >
              {shape.text}
            </PlainButton>
          ))}
        </Line>
      </div>
      <Stack $gap={16}>
        <TextField label="What the job is" value={title} onChange={(text) => change({ title: text })} />
        <TextField label="Why" multiline value={reason} onChange={(typed) => change({ reason: typed })} />
        {laidOut ? (
          <Tick isSelected={draft.relay} onChange={(relay) => setDraft({ ...draft, relay })}>
            Lay {laidOut.name.toLowerCase()} out another way: compare the layouts first
          </Tick>
        ) : null}
        <SaveProblem save={start} />
        <div style={{ display: 'grid', gap: 6, justifyItems: 'start' }}>
          <PrimaryButton
            isPending={start.isPending}
            because={missing}
            onPress={() => {
              const id = draft.id === '' ? newId() : draft.id;
              setDraft({ ...draft, id });
              start.mutate({
                body: {
                  id,
                  vehicleId,
                  title: title.trim(),
                  reason: reason.trim(),
                  circuitIds: [...scope.circuitIds],
                  hoseIds: [...scope.hoseIds],
                  lineIds: [...scope.lineIds],
                  jointIds: [...scope.jointIds],
                },
              });
            }}
          >
            {scope.circuitIds.length === 0
              ? 'Start the job'
              : renewed === ''
                ? 'Start the fluid service'
                : `Start the job with ${renewed}`}
          </PrimaryButton>
        </div>
      </Stack>
      <Stack $gap={20}>
        {circuits.map((circuit) => (
          <CircuitTicks
            key={circuit.id}
            circuit={circuit}
            scope={scope}
            onScope={(next) => change({ scope: next })}
          />
        ))}
      </Stack>
    </Places>
  );
}

const More = styled.details`
  summary {
    min-height: 44px;
    padding: 10px 0;
    color: ${colour('inkSoft')};
    cursor: pointer;
  }
`;

interface CircuitTicksProps {
  readonly circuit: Circuit;
  readonly scope: JobScope;
  readonly onScope: (next: JobScope) => void;
}

/** A circuit of the vehicle: its fluid, and each of its hoses. */
function CircuitTicks({ circuit, scope, onScope }: CircuitTicksProps) {
  const write = useWriter();
  const hoses = hosesOf(circuit);
  const lines = hardLinesOf(circuit);
  const { joints } = circuit;
  const opened = [...hoses, ...lines, ...joints].some(({ id }) =>
    [...scope.hoseIds, ...scope.lineIds, ...scope.jointIds].includes(id),
  );
  // Open from the start where one of them is meant; taking its tick away does not close it.
  const [wasRefit] = useState(() => joints.some(({ id }) => scope.jointIds.includes(id)));
  const refits = joints.filter(({ id }) => scope.jointIds.includes(id)).length;
  const toggled = (ids: readonly string[], id: string, wanted: boolean) =>
    wanted ? [...ids, id] : ids.filter((one) => one !== id);
  return (
    <fieldset>
      <legend>
        <Fine>{circuit.name}</Fine>
      </legend>
      <Tick
        isSelected={scope.circuitIds.includes(circuit.id)}
        isDisabled={opened}
        onChange={(wanted) =>
          onScope({ ...scope, circuitIds: toggled(scope.circuitIds, circuit.id, wanted) })
        }
      >
        {opened ? 'Its fluid is changed, since it is opened' : 'Change its fluid'}
      </Tick>
      {hoses.map((hose) => (
        <Tick
          key={hose.id}
          isSelected={scope.hoseIds.includes(hose.id)}
          onChange={(wanted) => onScope({ ...scope, hoseIds: toggled(scope.hoseIds, hose.id, wanted) })}
        >
          {hose.name}, now {write.length(hose.length_m)}
        </Tick>
      ))}
      {lines.map((line) => (
        <Tick
          key={line.id}
          isSelected={scope.lineIds.includes(line.id)}
          onChange={(wanted) => onScope({ ...scope, lineIds: toggled(scope.lineIds, line.id, wanted) })}
        >
          {line.name}: make it anew
        </Tick>
      ))}
      {joints.length === 0 ? null : (
        <More open={wasRefit}>
          <summary>
            Joints to open and tighten anew, lines stay{refits === 0 ? '' : `: ${refits}`}
            <Unseen>, {circuit.name}</Unseen>
          </summary>
          {joints.map((joint) => (
            <Tick
              key={joint.id}
              isSelected={scope.jointIds.includes(joint.id)}
              onChange={(wanted) =>
                onScope({ ...scope, jointIds: toggled(scope.jointIds, joint.id, wanted) })
              }
            >
              {joint.name}
            </Tick>
          ))}
        </More>
      )}
    </fieldset>
  );
}
