import type { DueItem } from '@zephyrcombe/contract';
import { VEHICLE_KIND_NAMES } from '@zephyrcombe/messages';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { vehiclesQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useSettled } from '../../app/useSettled.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Head, Label, Line, Page, Rows, Spread, Stack } from '../../design/layout.ts';
import { MoreButton } from '../../design/MoreButton.tsx';
import { SIZE, colour } from '../../design/tokens.ts';
import { ImportVehicle } from './ImportVehicle.tsx';

const Name = styled(Link)`
  font-size: ${SIZE.large};
  color: ${colour('ink')};
  display: inline-block;
  padding: 10px 0;
`;

const DUE_TEXT: Readonly<Record<DueItem['state'], string | null>> = {
  overdue: 'fluid overdue',
  soon: 'fluid due soon',
  unknown: null,
  later: null,
};

export function VehiclesPage() {
  useCrumb('Vehicles');
  const write = useWriter();
  const navigate = useNavigate();
  const [search, setSearch] = useState('');
  const wanted = useSettled(search.trim());
  const vehicles = useInfiniteQuery(vehiclesQuery(wanted));
  const found = vehicles.data?.pages.flatMap((page) => page.items) ?? [];
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
                  DUE_TEXT[vehicle.due ?? 'later'],
                ]
                  .filter((part) => part !== null)
                  .join(', ')}
              </Label>
            </Spread>
          ))}
        </Rows>
        <MoreButton list={vehicles} />
        {vehicles.data && found.length === 0 ? (
          <Fine>
            {wanted === ''
              ? 'No vehicle yet. Enter the first one, or read a document.'
              : `No vehicle matches “${wanted}”.`}
          </Fine>
        ) : null}
      </Stack>
    </Page>
  );
}
