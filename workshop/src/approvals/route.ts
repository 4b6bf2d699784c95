/** A mark of the route of a hose that is kept with its vehicle: the same while nothing that the hose is judged by is changed. */
import type { JobDetail, KeptRoute } from '@zephyrcombe/contract';
import type { Corner } from '@zephyrcombe/core';
import { sceneOf } from '@zephyrcombe/core';
import { digestOf, factsOf } from './facts.ts';

/** Where the vehicle keeps no route of a hose; not blank, which is what approvals of before this was kept have. */
export const NO_ROUTE = 'none';

/** Names say nothing of it, and the length is the job's own. */
function markOf({ rig, keepOuts, hose }: NonNullable<ReturnType<typeof sceneOf>>): string {
  const {
    length_m: _length,
    id: _id,
    name: _name,
    ...own
  } = hose as typeof hose & {
    readonly id?: string;
    readonly name?: string;
  };
  return digestOf(factsOf({ rig, keepOuts, hose: own }));
}

/** Of those hoses that a corner of the vehicle has a route of; of several the first. */
export const keptRoutes = (corners: readonly Corner[], hoseIds: readonly string[]): readonly KeptRoute[] =>
  hoseIds.flatMap((hoseId) => {
    const [scene] = corners.flatMap((corner) => sceneOf(corner, hoseId) ?? []);
    return scene ? [{ hoseId, mark: markOf(scene) }] : [];
  });

export const routeMark = ({ routes }: Pick<JobDetail, 'routes'>, hoseId: string): string =>
  routes.find((route) => route.hoseId === hoseId)?.mark ?? NO_ROUTE;
