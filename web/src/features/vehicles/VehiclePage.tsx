import type { FluidService } from '@zephyrcombe/contract';
import { STAGE_NAMES } from '@zephyrcombe/contract';
import { nextDue } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { vehicleQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import {
  Columns,
  Fine,
  Head,
  Label,
  Page,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { Working } from '../../quantities/Working.tsx';
import { VEHICLE_KINDS } from './VehiclesPage.tsx';
import { VehicleCautions } from './VehicleCautions.tsx';

/** One vehicle: its circuits and hoses, its fluid services, its jobs. */
export function VehiclePage() {
  const { vehicleId = '' } = useParams();
  const query = useQuery(vehicleQuery(vehicleId));
  const write = useWriter();
  const navigate = useNavigate();
  useCrumb(query.data?.vehicle.name ?? null);
  if (query.isPending) return <Page aria-busy="true" />;
  if (query.isError) {
    return (
      <Page>
        <LoadProblem error={query.error} onRetry={() => void query.refetch()} />
      </Page>
    );
  }
  const { vehicle, circuits, services, jobs } = query.data;
  return (
    <Page>
      <Spread>
        <div>
          <Head>{vehicle.name}</Head>
          <Fine>
            {[
              VEHICLE_KINDS[vehicle.kind],
              vehicle.plate,
              vehicle.distance_m === null ? null : write.distance(vehicle.distance_m),
              `${vehicle.use} use`,
            ]
              .filter((part) => part !== null)
              .join(', ')}
          </Fine>
        </div>
        <PrimaryButton onPress={() => void navigate(`/jobs/new?vehicle=${vehicle.id}`)}>
          Start a job
        </PrimaryButton>
      </Spread>
      <Columns style={{ marginTop: 16 }}>
        <Stack $gap={16}>
          <Sheet>
            <SheetTitle>Fluid services</SheetTitle>
            {services.length === 0 ? <Fine>None on record.</Fine> : null}
            <Rows>
              {services.map((service) => (
                <Spread key={service.id}>
                  <span>
                    {write.date(service.servicedOn)}, {service.circuitName.toLowerCase()}
                    <Label style={{ display: 'block' }}>
                      {service.grade}, batch {service.batch || 'not recorded'}, {service.by}
                      {service.distance_m === null ? '' : `, at ${write.distance(service.distance_m)}`}
                    </Label>
                  </span>
                  <DueAgain service={service} />
                </Spread>
              ))}
            </Rows>
          </Sheet>
          <Sheet>
            <SheetTitle>Jobs</SheetTitle>
            {jobs.length === 0 ? <Fine>None yet.</Fine> : null}
            <Rows>
              {jobs.map((job) => (
                <Spread key={job.id}>
                  <Link to={`/jobs/${job.id}`}>{job.title}</Link>
                  <Label>
                    {job.status === 'finished'
                      ? `signed off ${write.date(job.finishedOn ?? job.openedOn)}`
                      : `next: ${STAGE_NAMES[job.next]}`}
                  </Label>
                </Spread>
              ))}
            </Rows>
          </Sheet>
          {circuits.map((circuit) => (
            <Sheet key={circuit.id}>
              <SheetTitle>
                {circuit.name}, {circuit.fluidGrade}
              </SheetTitle>
              {circuit.hoses.length === 0 ? <Fine>Its hydraulics are not entered yet.</Fine> : null}
              <Rows>
                {circuit.hoses.map((hose) => (
                  <Spread key={hose.id}>
                    <span>{hose.name}</span>
                    <Label>
                      {write.length(hose.length_m)}
                      {hose.madeOn ? `, marked ${write.date(hose.madeOn)}` : ''}
                    </Label>
                  </Spread>
                ))}
              </Rows>
            </Sheet>
          ))}
        </Stack>
        <Stack>
          {vehicle.note ? <Fine>{vehicle.note}</Fine> : null}
          <VehicleCautions vehicle={vehicle} />
        </Stack>
      </Columns>
    </Page>
  );
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
