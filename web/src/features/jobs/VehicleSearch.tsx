import type { ListedVehicle } from '@zephyrcombe/contract';
import { VEHICLE_KIND_NAMES } from '@zephyrcombe/messages';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { vehiclesQuery } from '../../api/queries.ts';
import { useSettled } from '../../app/useSettled.ts';
import { TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Label, Rows, Spread, Stack } from '../../design/layout.ts';
import { MoreButton } from '../../design/MoreButton.tsx';
import { SIZE, colour } from '../../design/tokens.ts';

const Choice = styled(Button)`
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 16px;
  width: 100%;
  min-height: 52px;
  padding: 12px 0;
  border-width: 0 0 1px;
  background: transparent;
  color: ${colour('ink')};
  text-align: left;
  strong {
    font-size: ${SIZE.large};
    font-weight: 650;
  }
  &[data-hovered] strong {
    text-decoration: underline;
  }
`;

type Known = Pick<ListedVehicle, 'id' | 'name' | 'plate'>;
const nameOf = ({ name, plate }: Known) => (plate ? `${name}, ${plate}` : name);

interface VehicleSearchProps {
  /** Null until one is chosen. */
  readonly chosen: Known | null;
  readonly onChoose: (vehicleId: string | null) => void;
}

/** One of all vehicles of the book, found by typing a part of its name, plate or kind. */
export function VehicleSearch({ chosen, onChoose }: VehicleSearchProps) {
  const [search, setSearch] = useState('');
  const wanted = useSettled(search.trim());
  const vehicles = useInfiniteQuery({ ...vehiclesQuery(wanted), enabled: chosen === null });
  if (chosen !== null)
    return (
      <Spread>
        <div>
          <Label style={{ display: 'block' }}>Vehicle</Label>
          <strong>{nameOf(chosen)}</strong>
        </div>
        <TextButton onPress={() => onChoose(null)}>Another vehicle</TextButton>
      </Spread>
    );
  if (vehicles.isError) return <LoadProblem error={vehicles.error} onRetry={() => void vehicles.refetch()} />;
  const found = vehicles.data?.pages.flatMap((page) => page.items) ?? [];
  return (
    <Stack $gap={8}>
      <TextField label="Vehicle: a part of its name, plate or kind" value={search} onChange={setSearch} />
      <Rows role="group" aria-label="Vehicles found">
        {found.map((vehicle) => (
          <Choice key={vehicle.id} onPress={() => onChoose(vehicle.id)}>
            <strong>{nameOf(vehicle)}</strong>
            <Label>{VEHICLE_KIND_NAMES[vehicle.kind]}</Label>
          </Choice>
        ))}
      </Rows>
      <MoreButton list={vehicles} />
      {vehicles.data && found.length === 0 ? (
        wanted === '' ? (
          <Fine>
            No vehicle is entered yet. <Link to="/vehicles/new">Enter the first one</Link>.
          </Fine>
        ) : (
          <Fine>
            No vehicle matches “{wanted}”. <Link to="/vehicles/new">Enter a new one</Link>.
          </Fine>
        )
      ) : null}
    </Stack>
  );
}
