/** What the Bleed stage derives: the nipples in order, the count, how many strokes are left. */
import type { JobDetail, StoredBleedEvent } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import type { NippleTurn, Result } from '@zephyrcombe/core';
import { isClear, nippleOrderOver } from '@zephyrcombe/core';
import { circuitWithLengths } from '../job/jobView.ts';

export interface NippleView {
  readonly turn: NippleTurn;
  readonly name: string;
  readonly events: readonly StoredBleedEvent[];
  readonly strokes: number;
  readonly clear: boolean;
  readonly lastOutflow: string | null;
}

/** Circuit by circuit, as they came into the job; within each the farthest from its master first. */
export function orderedNipples(detail: JobDetail): Result<readonly NippleTurn[]> {
  return nippleOrderOver(detail.circuits.map(({ circuit }) => circuitWithLengths(detail, circuit)));
}

export function nippleView(detail: JobDetail, turn: NippleTurn): NippleView {
  const events = detail.bleedRuns.find((run) => run.nippleId === turn.nippleId)?.events ?? [];
  const outflow = [...events].reverse().find((event) => event.kind === 'outflow');
  return {
    turn,
    name: partsOf(detail).components.find((component) => component.id === turn.nippleId)?.name ?? '',
    events,
    strokes: events.filter((event) => event.kind === 'stroke').length,
    clear: isClear(events),
    lastOutflow: outflow?.kind === 'outflow' ? outflow.outflow : null,
  };
}
