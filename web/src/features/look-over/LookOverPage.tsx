/** What is on the vehicle, what is at each end, what is worn, and what to beware of. */
import type { Finding, JobHose } from '@zephyrcombe/contract';
import {
  BODY_NAMES,
  COMPONENT_NAMES,
  FINDING_NAMES,
  FINDINGS,
  SEAL_NAMES,
  SEAT_NAMES,
} from '@zephyrcombe/contract';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { Pick, TextField, Tick } from '../../design/fields.tsx';
import { Columns, Fine, Label, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { FONT, SIZE, colour } from '../../design/tokens.ts';
import { useJob } from '../job/JobContext.ts';
import { jointsInOrder } from '../job/jobView.ts';
import { VehicleCautions } from '../vehicles/VehicleCautions.tsx';

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
    padding: 8px 12px 8px 0;
    border-bottom: 1px solid ${colour('hairlineSoft')};
    vertical-align: top;
  }
  .figure {
    font-family: ${FONT.figures};
    white-space: nowrap;
  }
`;

const Scroll = styled.div`
  overflow-x: auto;
`;

export function LookOverPage() {
  const detail = useJob();
  const { job, vehicle, circuit } = detail;
  const finished = job.status === 'finished';
  const navigate = useNavigate();
  const write = useWriter();
  const params = { jobId: job.id };
  const [reason, setReason, clearReason] = useDraft(`reason.${job.id}`, job.reason);
  const edit = useJobAction('editJob', job.id, ({ body }) =>
    body?.reason === undefined ? undefined : clearReason(),
  );
  const count = detail.hoses.length;
  const shown = circuit.components.filter((component) => component.kind !== 'bleedNipple');

  return (
    <Columns>
      <Stack $gap={16}>
        <Sheet>
          <SheetTitle>Ends and ports</SheetTitle>
          <Scroll tabIndex={0} role="region" aria-label="Ends and ports">
            <Table>
              <thead>
                <tr>
                  <th scope="col">Joint</th>
                  <th scope="col">Port</th>
                  <th scope="col">Seat</th>
                  <th scope="col">Seals by</th>
                  <th scope="col">Moves with</th>
                </tr>
              </thead>
              <tbody>
                {jointsInOrder(detail).map(({ joint, port, eyes }) => (
                  <tr key={joint.id}>
                    <td>{joint.name}</td>
                    <td className="figure">
                      {port.thread} {port.gender}
                    </td>
                    <td>{SEAT_NAMES[port.seat]}</td>
                    <td>
                      {SEAL_NAMES[joint.seal]}
                      {eyes > 1 ? `, ${eyes} eyes on one bolt` : ''}
                    </td>
                    <td>
                      {
                        BODY_NAMES[
                          circuit.components.find((component) => component.id === joint.componentId)?.body ??
                            'frame'
                        ]
                      }
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table>
          </Scroll>
          <Tick
            isSelected={job.endsConfirmed}
            isDisabled={finished}
            onChange={(endsConfirmed) =>
              edit.mutate({ params, body: { version: job.version, endsConfirmed } })
            }
          >
            Looked at on the part itself: makers change ends within a model year
          </Tick>
        </Sheet>
        <Sheet>
          <SheetTitle>Hoses in this job</SheetTitle>
          <Rows>
            {detail.hoses.map((hose) => (
              <HoseFinding key={hose.hoseId} hose={hose} isDisabled={finished} />
            ))}
          </Rows>
        </Sheet>
        <Sheet>
          <SheetTitle>Parts of the {circuit.name.toLowerCase()}</SheetTitle>
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
      </Stack>
      <Stack $gap={16}>
        <TextField label="Why this job" multiline value={reason} onChange={setReason} isDisabled={finished} />
        {reason.trim() === job.reason ? null : (
          <PlainButton
            onPress={() => edit.mutate({ params, body: { version: job.version, reason: reason.trim() } })}
          >
            Save the reason
          </PlainButton>
        )}
        <SaveProblem save={edit} onTakeTheirs={clearReason} />
        <VehicleCautions vehicle={vehicle} />
        {finished ? null : (
          <PrimaryButton
            isDisabled={!job.endsConfirmed}
            onPress={() => void navigate(`/jobs/${job.id}/measure`)}
          >
            Take {count === 1 ? '1 hose' : `${count} hoses`} to Measure
          </PrimaryButton>
        )}
        {job.endsConfirmed || finished ? null : (
          <Fine>Confirm the ends first: everything that is ordered hangs on them.</Fine>
        )}
      </Stack>
    </Columns>
  );
}

function HoseFinding({ hose, isDisabled }: { readonly hose: JobHose; readonly isDisabled: boolean }) {
  const { job, circuit } = useJob();
  const write = useWriter();
  const edit = useJobAction('editJobHose', job.id);
  const fitted = circuit.hoses.find((candidate) => candidate.id === hose.hoseId);
  if (!fitted) return null;
  return (
    <Stack $gap={8}>
      <Spread>
        <span>{fitted.name}</span>
        <Label>
          {write.length(fitted.length_m)}, bore {write.length(fitted.bore_m)}
          {fitted.madeOn ? `, marked ${write.date(fitted.madeOn)}` : ', no date on it'}
        </Label>
      </Spread>
      <Pick<Finding>
        label={`What was found on ${fitted.name}`}
        value={hose.finding}
        isDisabled={isDisabled}
        options={FINDINGS.map((finding) => ({ value: finding, text: FINDING_NAMES[finding] }))}
        onChange={(finding) =>
          edit.mutate({
            params: { jobId: job.id, hoseId: hose.hoseId },
            body: { version: hose.version, finding },
          })
        }
      />
      <SaveProblem save={edit} />
    </Stack>
  );
}
