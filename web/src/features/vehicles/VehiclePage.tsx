import type { Circuit, FluidService, VehicleChange, VehicleDetail } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import { STAGE_NAMES, VEHICLE_CHANGE_WORDS, VEHICLE_KIND_NAMES } from '@zephyrcombe/messages';
import type { Hydraulics, JoinedCircuits } from '@zephyrcombe/core';
import { canBeLaidOut, circuitFaults, joinedCircuits, nextDue } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { call } from '../../api/client.ts';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { jobsOfVehicleQuery, servicesQuery, vehicleQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import {
  Columns,
  Fine,
  Head,
  Label,
  Line,
  Page,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { JoinedDiagram } from '../../drawing/circuit-diagram/JoinedDiagram.tsx';
import { Working } from '../../quantities/Working.tsx';
import { FaultList } from '../circuit-editor/FaultList.tsx';
import { VehicleRoutes } from '../route/bench/VehicleRoutes.tsx';
import { Older } from './Older.tsx';
import { LeftOpenOnVehicle } from './LeftOpen.tsx';
import { LeftOnVehicle } from './LeftOnVehicle.tsx';
import { SwappableThreads } from './SwappableThreads.tsx';
import { VehicleCautions } from './VehicleCautions.tsx';
import { AddCircuitDialog, EditVehicleDialog, RemoveCircuit } from './VehicleChanges.tsx';

/** One vehicle: its circuits on their drawings, its fluid services, its jobs, and what was changed by whom. */
export function VehiclePage() {
  const { vehicleId = '' } = useParams();
  const query = useQuery(vehicleQuery(vehicleId));
  const write = useWriter();
  const navigate = useNavigate();
  const [panel, setPanel] = useState<'edit' | 'add' | null>(null);
  useCrumb(query.data?.vehicle.name ?? null);
  const joined = useMemo(
    () =>
      joinedCircuits((query.data?.circuits ?? []).map((circuit) => ({ circuit, ...hydraulicsOf(circuit) }))),
    [query.data?.circuits],
  );
  if (query.isPending) return <Page aria-busy="true" />;
  if (query.isError) {
    return (
      <Page>
        <LoadProblem error={query.error} onRetry={() => void query.refetch()} />
      </Page>
    );
  }
  const { vehicle, circuits, services, nextServices, jobs, nextJobs, changes, leftOn } = query.data;
  return (
    <Page>
      <Spread>
        <div>
          <Head>{vehicle.name}</Head>
          <Fine>
            {[
              VEHICLE_KIND_NAMES[vehicle.kind],
              vehicle.plate,
              vehicle.distance_m === null ? null : write.distance(vehicle.distance_m),
              vehicle.use === 'road' ? 'on the road' : 'competition only',
              vehicle.abs ? 'ABS' : null,
            ]
              .filter((part) => part !== null)
              .join(', ')}
          </Fine>
        </div>
        <Line>
          <TextButton onPress={() => setPanel('edit')}>Change the details</TextButton>
          <TextButton onPress={() => void saveDocument(query.data)}>Save as a document</TextButton>
          <PrimaryButton onPress={() => void navigate(`/jobs/new?vehicle=${vehicle.id}`)}>
            Start a job
          </PrimaryButton>
        </Line>
      </Spread>
      <Columns style={{ marginTop: 16 }}>
        <Stack $gap={16}>
          {joined.map((own) => (
            <CircuitsSheet key={own.circuits[0]?.circuit.id} joined={own} />
          ))}
          {circuits.length === 0 ? (
            <Fine>No brakes are entered yet: add them from a pattern and correct them on the drawing.</Fine>
          ) : null}
          <div>
            <PlainButton onPress={() => setPanel('add')}>Add brakes</PlainButton>
          </div>
          <SwappableThreads circuits={circuits} />
        </Stack>
        <Stack $gap={16}>
          <LeftOpenOnVehicle vehicleId={vehicle.id} leftOpen={vehicle.leftOpen ?? []} />
          <LeftOnVehicle vehicleId={vehicle.id} findings={leftOn} />
          {vehicle.note ? <Fine>{vehicle.note}</Fine> : null}
          <Sheet>
            <SheetTitle>Jobs</SheetTitle>
            {jobs.length === 0 ? <Fine>None yet.</Fine> : null}
            <Older first={jobs} start={nextJobs} list={jobsOfVehicleQuery(vehicle.id, nextJobs)}>
              {(job) => (
                <Spread key={job.id}>
                  <Link to={`/jobs/${job.id}`}>{job.title}</Link>
                  <Label>
                    {job.status === 'finished'
                      ? `signed off ${write.date(job.finishedOn ?? job.openedOn)}`
                      : job.status === 'abandoned'
                        ? 'abandoned'
                        : `next: ${STAGE_NAMES[job.next]}`}
                  </Label>
                </Spread>
              )}
            </Older>
          </Sheet>
          <Sheet>
            <SheetTitle>Fluid services</SheetTitle>
            {services.length === 0 ? <Fine>None on record.</Fine> : null}
            <Older first={services} start={nextServices} list={servicesQuery(vehicle.id, nextServices)}>
              {(service) => (
                <div key={service.id}>
                  {write.date(service.servicedOn)}, {service.circuitName.toLowerCase()}
                  <Label style={{ display: 'block' }}>
                    {service.grade}, batch {service.batch || 'not recorded'}, {service.by}
                    {service.distance_m === null ? '' : `, at ${write.distance(service.distance_m)}`}
                  </Label>
                  <DueAgain service={service} />
                </div>
              )}
            </Older>
          </Sheet>
          <VehicleRoutes vehicleId={vehicle.id} />
          <VehicleCautions vehicle={vehicle} circuits={circuits} />
          <History changes={changes} />
        </Stack>
      </Columns>
      {panel === 'edit' ? <EditVehicleDialog vehicle={vehicle} onClose={() => setPanel(null)} /> : null}
      {panel === 'add' ? <AddCircuitDialog vehicle={vehicle} onClose={() => setPanel(null)} /> : null}
    </Page>
  );
}

type DrawnCircuit = Hydraulics & { readonly circuit: Circuit };

/** A circuit, or those that share a master, a reservoir or an ABS unit. */
function CircuitsSheet({ joined }: { readonly joined: JoinedCircuits<DrawnCircuit> }) {
  const write = useWriter();
  return (
    <Sheet>
      {joined.circuits.map(({ circuit, ...hydraulics }) => (
        <CircuitHead key={circuit.id} circuit={circuit} hydraulics={hydraulics} />
      ))}
      {joined.whole.components.length === 0 ? (
        <Fine>Its hydraulics are not entered yet.</Fine>
      ) : (
        <JoinedDiagram joined={joined} lengthText={(length_m) => write.length(length_m)} />
      )}
    </Sheet>
  );
}

interface CircuitHeadProps {
  readonly circuit: Circuit;
  readonly hydraulics: Hydraulics;
}

function CircuitHead({ circuit, hydraulics }: CircuitHeadProps) {
  const faults = circuitFaults(hydraulics);
  const at = `/vehicles/${circuit.vehicleId}/circuits/${circuit.id}`;
  return (
    <>
      <Spread>
        <SheetTitle>
          {circuit.name}, {circuit.fluidGrade}
        </SheetTitle>
        <Line>
          <Link
            to={at}
            aria-label={`${circuit.hoses.length === 0 ? 'Draw this circuit' : 'Change on the drawing'}: ${circuit.name}`}
          >
            {circuit.hoses.length === 0 ? 'Draw this circuit' : 'Change on the drawing'}
          </Link>
          {canBeLaidOut(hydraulics) ? <Link to={`${at}/layouts`}>Compare layouts</Link> : null}
          <RemoveCircuit vehicleId={circuit.vehicleId} circuitId={circuit.id} name={circuit.name} />
        </Line>
      </Spread>
      {faults.length > 0 && circuit.components.length > 0 ? <FaultList faults={faults} /> : null}
    </>
  );
}

function History({ changes }: { readonly changes: readonly VehicleChange[] }) {
  const write = useWriter();
  if (changes.length === 0) return null;
  return (
    <Sheet>
      <SheetTitle>Changed</SheetTitle>
      <Rows>
        {changes.map((change) => (
          <div key={change.id}>
            {VEHICLE_CHANGE_WORDS[change.kind]}
            {typeof change.detail.circuit === 'string' ? `: ${change.detail.circuit.toLowerCase()}` : ''}
            {typeof change.detail.title === 'string' ? `: ${change.detail.title}` : ''}
            {typeof change.detail.because === 'string' ? `, because: ${change.detail.because}` : ''}
            {change.detail.brakeLeftOpen === true ? (
              <strong> The brake was left open: the vehicle does not run.</strong>
            ) : null}
            <Label style={{ display: 'block' }}>
              {write.date(change.at)}, {change.by}
            </Label>
          </div>
        ))}
      </Rows>
    </Sheet>
  );
}

/** The vehicle as a file on this device; docs/formats/vehicle.md says what is in it. */
async function saveDocument({ vehicle }: VehicleDetail): Promise<void> {
  const document_ = await call('exportVehicle', { params: { vehicleId: vehicle.id } });
  const address = URL.createObjectURL(
    new Blob([`${JSON.stringify(document_, null, 2)}\n`], { type: 'application/json' }),
  );
  const link = document.createElement('a');
  link.href = address;
  link.download = `${vehicle.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.vehicle.json`;
  link.click();
  URL.revokeObjectURL(address);
}

function DueAgain({ service }: { readonly service: FluidService }) {
  const write = useWriter();
  const due = nextDue(service.servicedOn, service.distance_m, service);
  return (
    <span>
      <Label>due again {write.date(service.dueOn)}</Label>{' '}
      {due.ok ? <Working of={`next due after ${write.date(service.servicedOn)}`} result={due} /> : null}
    </span>
  );
}
