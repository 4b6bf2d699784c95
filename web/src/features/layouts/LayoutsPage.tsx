/** Layouts of a circuit compared on its vehicle; the chosen one is taken to the drawing. */
import type { Circuit } from '@zephyrcombe/contract';
import { hydraulicsOf } from '@zephyrcombe/contract';
import { canBeLaidOut, layoutOf } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { vehicleQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { usePerson } from '../../app/SessionContext.ts';
import { leaveDraft } from '../../app/useDraft.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Fine, Head, Label, Page, Stack } from '../../design/layout.ts';
import { LayoutComparison, useLayouts } from './LayoutComparison.tsx';

export function LayoutsPage() {
  const { vehicleId = '', circuitId = '' } = useParams();
  const query = useQuery(vehicleQuery(vehicleId));
  const circuit = query.data?.circuits.find((candidate) => candidate.id === circuitId);
  useCrumb(query.data ? `${query.data.vehicle.name}: layouts` : null);
  if (query.isPending) return <Page aria-busy="true" />;
  if (query.isError) {
    return (
      <Page>
        <LoadProblem error={query.error} onRetry={() => void query.refetch()} />
      </Page>
    );
  }
  return (
    <Page>
      <Stack $gap={14}>
        <div>
          <Head>How could this brake be laid out?</Head>
          <Fine>
            <Link to={`/vehicles/${vehicleId}`}>{query.data.vehicle.name}</Link>
            {circuit ? `, ${circuit.name.toLowerCase()}` : ''}
          </Fine>
        </div>
        {circuit && canBeLaidOut(hydraulicsOf(circuit)) ? (
          <Compared circuit={circuit} />
        ) : (
          <Fine>
            Other layouts are for two or three calipers on one master, joined by hoses and banjos only.
          </Fine>
        )}
      </Stack>
    </Page>
  );
}

function Compared({ circuit }: { readonly circuit: Circuit }) {
  const navigate = useNavigate();
  const person = usePerson();
  const found = useMemo(() => hydraulicsOf(circuit), [circuit]);
  const layouts = useLayouts(found);
  const present = layoutOf(found);
  return (
    <LayoutComparison
      layouts={layouts}
      present={present}
      choose={({ layout, circuit: laidOut }) =>
        layout === present ? (
          <Label>On the vehicle</Label>
        ) : (
          <PlainButton
            onPress={() => {
              leaveDraft(person.id, `circuit.${circuit.id}`, { version: circuit.version, circuit: laidOut });
              void navigate(`/vehicles/${circuit.vehicleId}/circuits/${circuit.id}`);
            }}
          >
            Use this layout
          </PlainButton>
        )
      }
    />
  );
}
