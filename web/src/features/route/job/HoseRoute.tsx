/** What the kept route says of a hose that is being measured, beside what the tape says. */
import type { Corner, Scene } from '@zephyrcombe/core';
import { sceneOf } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { cornersQuery } from '../../../api/queries.ts';
import { useWriter } from '../../../app/SessionContext.ts';
import { Figure, Fine, Sheet, SheetTitle, Spread } from '../../../design/layout.ts';
import { Notice } from '../../../design/Notice.tsx';
import type { RouteWindow } from './useWindow.ts';
import { useWindow } from './useWindow.ts';
import { disagreement_m, windowText } from '../words.ts';

export interface KeptRoute extends RouteWindow {
  /** False until it is known whether a route is kept. */
  readonly isKnown: boolean;
  /** Null where no route of this hose is kept. */
  readonly scene: Scene | null;
  readonly link: string;
  /** Of the corner that the route stands in. */
  readonly cornerId: string | null;
}

/** The kept route of a hose, with the lengths that hold by it. */
export function useKeptRoute(vehicleId: string, hoseId: string, jobId: string): KeptRoute {
  const { data } = useQuery(cornersQuery(vehicleId));
  const kept = data?.items.find(({ corner }) => corner.hoses.some(({ id }) => id === hoseId));
  const corner: Corner | undefined = kept?.corner;
  const scene = useMemo(() => (corner ? sceneOf(corner, hoseId) : null), [corner, hoseId]);
  return {
    ...useWindow(scene),
    isKnown: data !== undefined,
    scene,
    cornerId: kept?.id ?? null,
    link: kept
      ? `/vehicles/${vehicleId}/routes/${kept.id}?hose=${hoseId}&job=${jobId}`
      : `/vehicles/${vehicleId}/routes/new?hose=${hoseId}`,
  };
}

/** The shortest length by the route, where tape and route agree that far; null where there is none or they do not. */
export const agreedShort_m = ({ window }: KeptRoute, tape_m: number | null): number | null =>
  window && tape_m !== null && disagreement_m(window, tape_m) === 0 ? window.short_m : null;

interface HoseRouteProps {
  readonly route: KeptRoute;
  /** By the tape alone, between the sealing points; null before there is one. */
  readonly tape_m: number | null;
  /** Below the verdict, where it can be kept. */
  readonly children?: ReactNode;
}

export function HoseRoute({ route, tape_m, children }: HoseRouteProps) {
  const write = useWriter();
  const { window, problem, link } = route;
  if (route.scene === null)
    return (
      <Sheet style={{ minHeight: 264 }}>
        <SheetTitle>By the route</SheetTitle>
        {route.isKnown ? (
          <Fine>
            No route of this hose is kept. <Link to={link}>Enter one</Link> and every length is tried over
            steering and travel.
          </Fine>
        ) : null}
      </Sheet>
    );
  const off_m = window && tape_m !== null ? disagreement_m(window, tape_m) : 0;
  return (
    <Sheet style={{ minHeight: 264 }}>
      <SheetTitle>By the route</SheetTitle>
      <Spread>
        <Fine>lengths that hold in every pose</Fine>
        <Figure $size="large" data-testid="route-window">
          {problem ? '–' : windowText(window, write)}
        </Figure>
      </Spread>
      {problem ? <Fine>{problem}</Fine> : null}
      {off_m === 0 ? (
        <Fine>
          {agreedShort_m(route, tape_m) === null
            ? 'An estimate from the measured points: the tape on the vehicle decides.'
            : 'Tape and route agree: the order is never below the shortest that holds.'}
        </Fine>
      ) : (
        <Notice severity="warn" title={`Tape and route differ by ${write.length(Math.abs(off_m))}`}>
          <p>
            The tape’s length is {off_m < 0 ? 'shorter' : 'longer'} than any that holds by the route. One of
            them is wrong: read the tape again, and check the points of the route against it.
          </p>
        </Notice>
      )}
      <Link to={link}>Open the route</Link>
      {children}
    </Sheet>
  );
}
