/** What the Bleed stage derives: the nipples in order, the count, how many strokes are left. */
import type { Component, JobDetail, StoredBleedEvent } from '@zephyrcombe/contract';
import type { NippleTurn, RefillGuard, Result } from '@zephyrcombe/core';
import { isClear, nippleOrder, refillGuard, strokesSinceTopUp, STROKE_EFFICIENCY } from '@zephyrcombe/core';
import { circuitWithLengths } from '../job/jobView.ts';

export interface NippleView {
  readonly turn: NippleTurn;
  readonly name: string;
  readonly events: readonly StoredBleedEvent[];
  readonly strokes: number;
  readonly clear: boolean;
  readonly lastOutflow: string | null;
}

export function orderedNipples(detail: JobDetail): Result<readonly NippleTurn[]> {
  return nippleOrder(circuitWithLengths(detail));
}

export function nippleView(detail: JobDetail, turn: NippleTurn): NippleView {
  const events = detail.bleedRuns.find((run) => run.nippleId === turn.nippleId)?.events ?? [];
  const outflow = [...events].reverse().find((event) => event.kind === 'outflow');
  return {
    turn,
    name: detail.circuit.components.find((component) => component.id === turn.nippleId)?.name ?? '',
    events,
    strokes: events.filter((event) => event.kind === 'stroke').length,
    clear: isClear(events),
    lastOutflow: outflow?.kind === 'outflow' ? outflow.outflow : null,
  };
}

const partOf = (detail: JobDetail, kind: Component['kind']) =>
  detail.circuit.components.find((component) => component.kind === kind);

/** The refill guard of the circuit's one reservoir; null when master or reservoir are not known well enough. */
export function guardOf(detail: JobDetail): Result<RefillGuard> | null {
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
