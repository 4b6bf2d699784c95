/** Ends whose take-offs somebody vouched for before: the next order of such an end starts with them. */
import type { EndGeometry } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** Bends are sold in steps of many degrees. */
const SAME_BEND_rad = Math.PI / 360;

/** Gives what is known of an end of this family and bend, or the end as it is. */
export function useKnownEnds(): (end: EndGeometry) => EndGeometry {
  const { data } = useQuery({
    queryKey: ['ends'],
    queryFn: ({ signal }) => call('getKnownEnds', {}, signal),
  });
  return (end) =>
    data?.items.find(
      ({ end: known }) =>
        known.family === end.family && Math.abs(known.neckAngle_rad - end.neckAngle_rad) <= SAME_BEND_rad,
    )?.end ?? end;
}
