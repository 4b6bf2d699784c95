/** What is on the vehicle, what is at each end, what is worn, and what to beware of. */
import type { Circuit } from '@zephyrcombe/contract';
import { hydraulicsOf, isClosed } from '@zephyrcombe/contract';
import { progressOf } from '@zephyrcombe/workshop';
import { BODY_NAMES, COMPONENT_NAMES, SEAL_NAMES, SEAT_NAMES, STAGE_NAMES } from '@zephyrcombe/messages';
import { canBeLaidOut, circuitFaults, hoseAge, knowingOf } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { AbandonJob } from '../job/AbandonJob.tsx';
import styled from 'styled-components';
import { useJobAction, vehicleQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useToday, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Columns, Fine, Label, Line, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { FONT, PHONE, SIZE, colour } from '../../design/tokens.ts';
import { FaultList } from '../circuit-editor/FaultList.tsx';
import { KnownText, weakest } from '../known/KnownText.tsx';
import { useCircuitAtHand } from '../job/circuitAtHand.ts';
import { useJob, useSelection } from '../job/JobContext.ts';
import type { JointView } from '../job/jobView.ts';
import { jointsInOrder } from '../job/jobView.ts';
import { SwappableThreads } from '../vehicles/SwappableThreads.tsx';
import { VehicleCautions } from '../vehicles/VehicleCautions.tsx';
import { JointSheet } from './JointSheet.tsx';
import { many } from '../jobs/newJob.ts';
import { ItemsSheet } from '../items/ItemsSheet.tsx';
import { LeftOpenSheet } from './LeftOpenSheet.tsx';
import { LinesSheet } from './LinesSheet.tsx';
import { ScopeSheet } from './ScopeSheet.tsx';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${SIZE.small};
  th {
    text-align: left;
    font-weight: 400;
    color: ${colour('inkSoft')};
    padding: 4px 12px 6px 0;
    border-bottom: 1px solid ${colour('hairline')};
  }
  td {
    padding: 4px 12px 4px 0;
    border-bottom: 1px solid ${colour('hairlineSoft')};
  }
  tr[aria-current='true'] td {
    box-shadow: inset 0 -3px 0 ${colour('brass')};
  }
  a {
    display: inline-flex;
    align-items: center;
    min-height: 36px;
  }
  ${PHONE} {
    thead {
      position: absolute;
      clip-path: inset(50%);
    }
    tr,
    td {
      display: block;
    }
    a {
      min-height: 44px;
      font-size: ${SIZE.text};
    }
    td {
      border: 0;
      padding: 1px 0;
    }
    td:last-child {
      border-bottom: 1px solid ${colour('hairlineSoft')};
      padding-bottom: 8px;
    }
    td[data-label]::before {
      content: attr(data-label) ' ';
      font-family: ${FONT.words};
      color: ${colour('inkSoft')};
    }
  }
  .figure {
    font-family: ${FONT.figures};
    white-space: nowrap;
  }
`;

/* What is only read out is placed absolutely: without `relative` it would widen the page. */
const Scroll = styled.div`
  position: relative;
  overflow-x: auto;
`;

export function LookOverPage() {
  const detail = useJob();
  const { job, vehicle } = detail;
  const { circuit } = useCircuitAtHand();
  const finished = isClosed(job);
  const navigate = useNavigate();
  const today = useToday();
  const { jointId } = useSelection();
  const whole = useQuery(vehicleQuery(vehicle.id));
  const params = { jobId: job.id };
  const edit = useJobAction('editJob', job.id);
  const { stages } = progressOf(detail);
  // The stage after this one: a joint that is only tightened anew has nothing to measure.
  const [, next = 'bleed'] = stages;
  const renewed = [
    ...(detail.hoses.length > 0 ? [many(detail.hoses.length, 'hose')] : []),
    ...(detail.lines.length > 0 ? [many(detail.lines.length, 'hard line')] : []),
  ].join(' and ');
  const hasEnds = detail.joints.length > 0;
  // Of the circuit that is shown; where nothing is replaced there is none of the job's own to look at.
  const joints = jointsInOrder(detail).filter(({ joint }) => joint.circuitId === circuit.id);
  const hydraulics = hydraulicsOf(circuit);
  const faults = circuitFaults(hydraulics);

  return (
    <Columns>
      <Stack $gap={16}>
        <LeftOpenSheet />
        {jointId === null ? null : <JointSheet key={jointId} jointId={jointId} />}
        <Sheet>
          {joints.length === 0 ? (
            <SheetTitle>Looked over</SheetTitle>
          ) : (
            <>
              <SheetTitle>Ends and ports</SheetTitle>
              <EndsTable joints={joints} circuit={circuit} jointId={jointId} />
              {jointId === null ? (
                <Fine>Touch a joint to say what is there, find its thread and its wrench.</Fine>
              ) : null}
            </>
          )}
          <Tick
            isSelected={job.endsConfirmed}
            isDisabled={finished}
            onChange={(endsConfirmed) =>
              edit.mutate({ params, body: { version: job.version, endsConfirmed } })
            }
          >
            {hasEnds
              ? 'Each end is looked at on the part itself, or knowingly assumed: makers change ends within a model year'
              : 'Looked at: the cap and its fluid, nipples, hoses and joints'}
          </Tick>
          <SaveProblem save={edit} />
        </Sheet>
        <LinesSheet />
        <ItemsSheet stage="lookOver" />
        {whole.data ? <SwappableThreads circuits={whole.data.circuits} /> : null}
        <PartsSheet circuit={circuit} />
        {/* Last, so that nothing moves when it comes. */}
        {whole.data ? <ScopeSheet circuits={whole.data.circuits} /> : null}
      </Stack>
      <Stack $gap={16}>
        <WhatAndWhy />
        {finished ? null : (
          <>
            <PrimaryButton
              because={
                job.endsConfirmed
                  ? null
                  : hasEnds && renewed === ''
                    ? 'Look at the joint and confirm its end first: a wrong thread starts by hand too.'
                    : hasEnds
                      ? 'Confirm the ends first: everything that is ordered hangs on them.'
                      : 'Tick what you looked at first.'
              }
              onPress={() => void navigate(`/jobs/${job.id}/${next}`)}
            >
              {renewed === '' ? `Go to ${STAGE_NAMES[next]}` : `Take ${renewed} to Measure`}
            </PrimaryButton>
            <Fine>
              Pulls, drags, feels wrong? <Link to={symptomsAddress()}>Find out what is behind it</Link>
            </Fine>
          </>
        )}
        {finished ? null : <AbandonJob />}
        <VehicleCautions
          vehicle={vehicle}
          circuits={detail.circuits.map((one) => one.circuit)}
          brakeWorkRule={detail.shop.brakeWorkRule}
        />
      </Stack>
    </Columns>
  );

  /** What the drawing already knows goes along. */
  function symptomsAddress(): string {
    const known = [
      circuit.hoses.some((hose) => {
        const age = hose.madeOn === null ? null : hoseAge(hose.madeOn, today, hose.construction);
        return age?.ok && age.value.verdict === 'over';
      })
        ? 'oldHose'
        : null,
      faults.some((fault) => fault.code === 'trappedHighPoint') ? 'highPoint' : null,
      vehicle.electricBooster ? 'booster' : null,
    ].filter((fact) => fact !== null);
    return `/bench/symptoms?known=${known.join(',')}`;
  }
}

interface EndsTableProps {
  readonly joints: readonly JointView[];
  readonly circuit: Circuit;
  readonly jointId: string | null;
}

function EndsTable({ joints, circuit, jointId }: EndsTableProps) {
  return (
    <Scroll tabIndex={0} role="region" aria-label="Ends and ports">
      <Table role="table">
        <thead role="rowgroup">
          <tr role="row">
            <th scope="col" role="columnheader">
              Joint
            </th>
            <th scope="col" role="columnheader">
              Port
            </th>
            <th scope="col" role="columnheader">
              Seat
            </th>
            <th scope="col" role="columnheader">
              Seals by
            </th>
            <th scope="col" role="columnheader">
              Moves with
            </th>
            <th scope="col" role="columnheader">
              Thread and seat
            </th>
          </tr>
        </thead>
        <tbody role="rowgroup">
          {joints.map(({ joint, port, eyes }) => (
            <tr role="row" key={joint.id} aria-current={joint.id === jointId}>
              <td role="cell">
                <Link to={`?joint=${joint.id}`} preventScrollReset>
                  {joint.name}
                </Link>
              </td>
              <td role="cell" className="figure" data-label="Port">
                {port.thread} {port.gender}
              </td>
              <td role="cell" data-label="Seat">
                {SEAT_NAMES[port.seat]}
              </td>
              <td role="cell" data-label="Seals by">
                {SEAL_NAMES[joint.seal]}
                {joint.seal === 'banjo' && eyes > 1 ? `, ${eyes} eyes on one bolt` : ''}
              </td>
              <td role="cell" data-label="Moves with">
                {
                  BODY_NAMES[
                    circuit.components.find((component) => component.id === joint.componentId)?.body ??
                      'frame'
                  ]
                }
              </td>
              <td role="cell" data-label="Thread and seat">
                <KnownText knowing={weakest([knowingOf(port, 'thread'), knowingOf(port, 'seat')])} />
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Scroll>
  );
}

function PartsSheet({ circuit }: { readonly circuit: Circuit }) {
  const { job, vehicle } = useJob();
  const write = useWriter();
  const finished = isClosed(job);
  const hydraulics = hydraulicsOf(circuit);
  const faults = circuitFaults(hydraulics);
  const drawing = `/vehicles/${vehicle.id}/circuits/${circuit.id}`;
  const shown = circuit.components.filter((component) => component.kind !== 'bleedNipple');
  return (
    <Sheet>
      <Spread>
        <SheetTitle>Parts of the {circuit.name.toLowerCase()}</SheetTitle>
        {finished ? null : (
          <Line>
            <Link to={drawing}>Change on the drawing</Link>
            {canBeLaidOut(hydraulics) ? (
              <Link to={`/jobs/${job.id}/look-over/layouts?circuit=${circuit.id}`}>Compare layouts</Link>
            ) : null}
          </Line>
        )}
      </Spread>
      {faults.length > 0 ? <FaultList faults={faults} /> : null}
      <Rows>
        {shown.map((component) => (
          <Spread key={component.id}>
            <span>{component.name}</span>
            <Label>
              {COMPONENT_NAMES[component.kind].toLowerCase()}, on the {BODY_NAMES[component.body]}
              {component.masterBore_m === null ? '' : `, bore ${write.length(component.masterBore_m)}`}
              {component.usable_m3 === null ? '' : `, ${write.volume(component.usable_m3)} above minimum`}
            </Label>
          </Spread>
        ))}
        <Spread>
          <span>Fluid</span>
          <Label>the cap asks for {circuit.fluidGrade}</Label>
        </Spread>
      </Rows>
    </Sheet>
  );
}

/** What the job is called and why it is done: kept when somebody says so. */
function WhatAndWhy() {
  const { job } = useJob();
  const finished = isClosed(job);
  const params = { jobId: job.id };
  const [reason, setReason, clearReason] = useDraft(`reason.${job.id}`, job.reason);
  const [title, setTitle, clearTitle] = useDraft(`title.${job.id}`, job.title);
  const edit = useJobAction('editJob', job.id, ({ body }) => {
    if (body?.reason !== undefined) clearReason();
    if (body?.title !== undefined) clearTitle();
  });
  return (
    <>
      <TextField label="What the job is" value={title} onChange={setTitle} isDisabled={finished} />
      {title.trim() === job.title ? null : (
        <PlainButton
          because={title.trim() === '' ? 'Say what the job is.' : null}
          onPress={() => edit.mutate({ params, body: { version: job.version, title: title.trim() } })}
        >
          Rename the job
        </PlainButton>
      )}
      <TextField label="Why this job" multiline value={reason} onChange={setReason} isDisabled={finished} />
      {reason.trim() === job.reason ? null : (
        <PlainButton
          onPress={() => edit.mutate({ params, body: { version: job.version, reason: reason.trim() } })}
        >
          Save the reason
        </PlainButton>
      )}
      <SaveProblem
        save={edit}
        onTakeTheirs={() => {
          clearReason();
          clearTitle();
        }}
      />
    </>
  );
}
