/** What the Bleed stage derives: the nipples in order, the count, how many strokes are left. */
import type { JobDetail, StoredBleedEvent } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import type { NippleTurn } from '@zephyrcombe/core';
import { isNippleClear } from '@zephyrcombe/workshop';

export interface NippleView {
  readonly turn: NippleTurn;
  readonly name: string;
  readonly events: readonly StoredBleedEvent[];
  readonly strokes: number;
  /** By ways without strokes. */
  readonly caught_m3: number;
  readonly clear: boolean;
  readonly lastOutflow: string | null;
}

export function nippleView(detail: JobDetail, turn: NippleTurn): NippleView {
  const events = detail.bleedRuns.find((run) => run.nippleId === turn.nippleId)?.events ?? [];
  const outflow = [...events].reverse().find((event) => event.kind === 'outflow');
  return {
    turn,
    name: partsOf(detail).components.find((component) => component.id === turn.nippleId)?.name ?? '',
    events,
    strokes: events.filter((event) => event.kind === 'stroke').length,
    caught_m3: events.reduce((sum, event) => (event.kind === 'volume' ? sum + event.volume_m3 : sum), 0),
    clear: isNippleClear(detail, turn.nippleId),
    lastOutflow: outflow?.kind === 'outflow' ? outflow.outflow : null,
  };
}
