/** The level of the reservoir by count: what was pumped out since it was last filled. */
import type { Component, JobDetail } from '@zephyrcombe/contract';
import type { RefillGuard, Result } from '@zephyrcombe/core';
import { refillGuard, STROKE_EFFICIENCY, strokesSinceTopUp } from '@zephyrcombe/core';
import type { Obstacle } from './obstacle.ts';

const partOf = (detail: JobDetail, kind: Component['kind']) =>
  detail.circuit.components.find((component) => component.kind === kind);

/** The refill guard of the circuit's one reservoir; null when master or reservoir are not known well enough. */
export function reservoirGuard(detail: JobDetail): Result<RefillGuard> | null {
  const master = partOf(detail, 'master');
  const reservoir = partOf(detail, 'reservoir');
  if (!master?.masterBore_m || !master.leverStroke_m || !master.leverRatio || !reservoir?.usable_m3)
    return null;
  const { masterBore_m, leverStroke_m, leverRatio } = master;
  return refillGuard(
    { masterBore_m, leverStroke_m, leverRatio, efficiency: STROKE_EFFICIENCY },
    reservoir.usable_m3,
    strokesSinceTopUp(detail.bleedRuns.flatMap((run) => run.events)),
    detail.vehicle.abs,
  );
}

/** Calling a nipple clear: what came last came from a reservoir that still had fluid in it. */
export function clearGate(detail: JobDetail): readonly Obstacle[] {
  const guard = reservoirGuard(detail);
  return guard?.ok && guard.value.strokesLeft < 0
    ? [{ code: 'reservoirEmpty', strokesOver: -guard.value.strokesLeft }]
    : [];
}
