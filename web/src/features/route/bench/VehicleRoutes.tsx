/** The corners of a vehicle whose routes are kept. */
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { cornersQuery } from '../../../api/queries.ts';
import { Fine, Label, Rows, Sheet, SheetTitle } from '../../../design/layout.ts';
import { useWriter } from '../../../app/SessionContext.ts';

export function VehicleRoutes({ vehicleId }: { readonly vehicleId: string }) {
  const write = useWriter();
  const { data } = useQuery(cornersQuery(vehicleId));
  return (
    <Sheet style={{ minHeight: 96 }}>
      <SheetTitle>Routes of the hoses</SheetTitle>
      {data?.items.length === 0 ? (
        <Fine>None yet: a route tells which lengths hold over steering and travel.</Fine>
      ) : null}
      <Rows>
        {data?.items.map(({ id, corner }) => (
          <div key={id}>
            <Link to={`/vehicles/${vehicleId}/routes/${id}`}>{corner.name}</Link>
            <Label style={{ display: 'block' }}>
              {corner.hoses.map((hose) => `${hose.name}, ${write.length(hose.length_m)}`).join('; ')}
            </Label>
          </div>
        ))}
      </Rows>
      <p style={{ paddingTop: 8 }}>
        <Link to={`/vehicles/${vehicleId}/routes/new`}>Add a route</Link>
      </p>
    </Sheet>
  );
}
