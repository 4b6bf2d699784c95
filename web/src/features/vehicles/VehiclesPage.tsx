import { VEHICLE_KIND_NAMES } from '@zephyrcombe/contract';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { dueQuery, vehiclesQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Head, Label, Line, Page, Rows, Spread, Stack } from '../../design/layout.ts';
import { SIZE, colour } from '../../design/tokens.ts';
import { ImportVehicle } from './ImportVehicle.tsx';

const Name = styled(Link)`
  font-size: ${SIZE.large};
  color: ${colour('ink')};
  display: inline-block;
  padding: 10px 0;
`;

export function VehiclesPage() {
  useCrumb('Vehicles');
  const vehicles = useQuery(vehiclesQuery);
  const write = useWriter();
  const navigate = useNavigate();
  const due = useQuery(dueQuery);
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const dueText = (vehicleId: string) => {
    const states = (due.data?.items ?? [])
      .filter((item) => item.vehicleId === vehicleId)
      .map((item) => item.state);
    return states.includes('overdue') ? 'fluid overdue' : states.includes('soon') ? 'fluid due soon' : null;
  };
  // The list waits for what is due, so that nothing moves when it comes.
  const listed = due.isPending ? [] : (vehicles.data?.items ?? []);
  const found = listed.filter((vehicle) =>
    `${vehicle.name} ${vehicle.plate ?? ''} ${VEHICLE_KIND_NAMES[vehicle.kind]}`
      .toLowerCase()
      .includes(wanted),
  );
  return (
    <Page>
      <Stack $gap={16} style={{ maxWidth: 820 }}>
        <Spread>
          <Head>Vehicles</Head>
          <Line>
            <ImportVehicle />
            <PrimaryButton onPress={() => void navigate('/vehicles/new')}>New vehicle</PrimaryButton>
          </Line>
        </Spread>
        <TextField label="Name, plate or kind" value={search} onChange={setSearch} />
        {vehicles.isError ? (
          <LoadProblem error={vehicles.error} onRetry={() => void vehicles.refetch()} />
        ) : null}
        <Rows>
          {found.map((vehicle) => (
            <Spread key={vehicle.id}>
              <Name to={`/vehicles/${vehicle.id}`}>{vehicle.name}</Name>
              <Label>
                {[
                  VEHICLE_KIND_NAMES[vehicle.kind],
                  vehicle.plate,
                  vehicle.distance_m === null ? null : write.distance(vehicle.distance_m),
                  dueText(vehicle.id),
                ]
                  .filter((part) => part !== null)
                  .join(', ')}
              </Label>
            </Spread>
          ))}
        </Rows>
        {vehicles.data && !due.isPending && found.length === 0 ? (
          <Fine>
            {vehicles.data.items.length === 0
              ? 'No vehicle yet. Enter the first one, or read a document.'
              : `No vehicle matches “${search}”.`}
          </Fine>
        ) : null}
      </Stack>
    </Page>
  );
}
