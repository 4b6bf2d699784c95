import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { vehiclesQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { TextField } from '../../design/fields.tsx';
import { Fine, Head, Label, Page, Rows, Spread, Stack } from '../../design/layout.ts';
import { SIZE, colour } from '../../design/tokens.ts';

export const VEHICLE_KINDS = {
  motorcycle: 'motorcycle',
  sidecar: 'sidecar outfit',
  van: 'van',
  trike: 'trike',
  quad: 'quad',
} as const;

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
  const [search, setSearch] = useState('');
  const wanted = search.trim().toLowerCase();
  const found = (vehicles.data?.items ?? []).filter((vehicle) =>
    `${vehicle.name} ${vehicle.plate ?? ''} ${VEHICLE_KINDS[vehicle.kind]}`.toLowerCase().includes(wanted),
  );
  return (
    <Page>
      <Stack $gap={16} style={{ maxWidth: 820 }}>
        <Head>Vehicles</Head>
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
                  VEHICLE_KINDS[vehicle.kind],
                  vehicle.plate,
                  vehicle.distance_m === null ? null : write.distance(vehicle.distance_m),
                ]
                  .filter((part) => part !== null)
                  .join(', ')}
              </Label>
            </Spread>
          ))}
        </Rows>
        {vehicles.data && found.length === 0 ? <Fine>No vehicle matches “{search}”.</Fine> : null}
      </Stack>
    </Page>
  );
}
