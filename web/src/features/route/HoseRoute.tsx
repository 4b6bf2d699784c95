/** What the kept route says of a hose that is being measured, beside what the tape says. */
import type { Corner } from '@zephyrcombe/core';
import { sceneOf } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { cornersQuery } from '../../api/queries.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { Figure, Fine, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import type { FoundWindow } from './compute.ts';
import { useRoute } from './useRoute.ts';
import { disagreement_m, windowText } from './words.ts';

interface HoseRouteProps {
  readonly vehicleId: string;
  readonly hoseId: string;
  /** By the tape, between the sealing points; null before there is one. */
  readonly order_m: number | null;
  /** What stands below, from the window that was found. */
  readonly children: (window: FoundWindow | null) => ReactNode;
}

export function HoseRoute({ vehicleId, hoseId, order_m, children }: HoseRouteProps) {
  const { data } = useQuery(cornersQuery(vehicleId));
  const kept = data?.items.find(({ corner }) => corner.hoses.some(({ id }) => id === hoseId));
  if (kept)
    return (
      <RouteWindow
        corner={kept.corner}
        hoseId={hoseId}
        order_m={order_m}
        link={`/vehicles/${vehicleId}/routes/${kept.id}?hose=${hoseId}`}
      >
        {children}
      </RouteWindow>
    );
  return (
    <>
      <Sheet style={{ minHeight: 184 }}>
        <SheetTitle>By the route</SheetTitle>
        {data ? (
          <Fine>
            No route of this hose is kept.{' '}
            <Link to={`/vehicles/${vehicleId}/routes/new?hose=${hoseId}`}>Enter one</Link> and every length is
            tried over steering and travel.
          </Fine>
        ) : null}
      </Sheet>
      {children(null)}
    </>
  );
}

const AS_MEASURED = { across: 0, down: 0 };

interface RouteWindowProps {
  readonly corner: Corner;
  readonly hoseId: string;
  readonly order_m: number | null;
  readonly link: string;
  readonly children: HoseRouteProps['children'];
}

function RouteWindow({ corner, hoseId, order_m, link, children }: RouteWindowProps) {
  const write = useWriter();
  const scene = useMemo(() => {
    const found = sceneOf(corner, hoseId);
    if (!found) throw new Error('a route without its hose');
    return found;
  }, [corner, hoseId]);
  const { curves, curvesAreOld, problem } = useRoute(scene, AS_MEASURED);
  const window = curvesAreOld ? undefined : curves?.window;
  const off_m = window && order_m !== null ? disagreement_m(window, order_m) : 0;
  return (
    <>
      <Sheet style={{ minHeight: 184 }}>
        <SheetTitle>By the route</SheetTitle>
        <Spread>
          <Fine>lengths that hold in every pose</Fine>
          <Figure $size="large" data-testid="route-window">
            {problem ? '–' : windowText(window, write)}
          </Figure>
        </Spread>
        {problem ? <Fine>{problem}</Fine> : null}
        {off_m === 0 ? (
          <Fine>An estimate from the measured points: the tape on the vehicle decides.</Fine>
        ) : (
          <Notice severity="warn" title={`Tape and route differ by ${write.length(Math.abs(off_m))}`}>
            <p>
              The tape’s length is {off_m < 0 ? 'shorter' : 'longer'} than any that holds by the route. One of
              them is wrong: read the tape again, and check the points of the route against it.
            </p>
          </Notice>
        )}
        <Link to={link}>Open the route</Link>
      </Sheet>
      {children(window ?? null)}
    </>
  );
}
