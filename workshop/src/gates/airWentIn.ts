/** Air that went in while a brake was bled: what has to come out before a nipple counts as clear. */
import type { Circuit, JobDetail, StoredBleedEvent } from '@zephyrcombe/contract';
import { circuitOfPart } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { isBySuction, lineVolume_m3, nippleOrder } from '@zephyrcombe/core';
import { factOf } from '../fitting/facts.ts';
import type { Obstacle } from './obstacle.ts';
import { eventsFed } from './reservoir.ts';
import { strokeOf } from './strokeOf.ts';

/** "Several strokes": common practice, no published source. */
const STROKES_AFTER = 3;
/** 20 mL caught without strokes; ours. A little less, so that four times five count. */
const CAUGHT_AFTER_m3 = 2e-5 - 1e-9;
/** Sums of strokes are no exact figures: a nanolitre is none. */
const ROUNDED_m3 = 1e-12;

const circuitOf = (detail: JobDetail, nippleId: string): Circuit | undefined =>
  circuitOfPart(detail, nippleId)?.circuit;
const at = ({ bleedRuns }: JobDetail, nippleId: string): readonly StoredBleedEvent[] =>
  bleedRuns.find((run) => run.nippleId === nippleId)?.events ?? [];

/** Moved through a nipple after a place in the count: strokes, and what was caught without them. */
function movedSince(events: readonly StoredBleedEvent[], sequence: number) {
  const later = events.filter((event) => event.sequence > sequence);
  return {
    strokes: later.filter(({ kind }) => kind === 'stroke').length,
    caught_m3: later.reduce((sum, event) => (event.kind === 'volume' ? sum + event.volume_m3 : sum), 0),
  };
}

/** M80 or M81 of a nipple that drew air back, and was not flushed since. */
function drewBack(detail: JobDetail, nippleId: string): { readonly by: 'lever' | 'suction' } | null {
  const events = at(detail, nippleId);
  const last = events.findLast(({ kind }) => kind === 'drewBack');
  if (!last) return null;
  const { strokes, caught_m3 } = movedSince(events, last.sequence);
  if (strokes >= STROKES_AFTER || caught_m3 >= CAUGHT_AFTER_m3) return null;
  const way = factOf(detail, 'bleedWay', circuitOf(detail, nippleId)?.id ?? '');
  return { by: way && isBySuction(way.method) ? 'suction' : 'lever' };
}

export const drewBackCautions = (detail: JobDetail, nippleId: string): readonly Caution[] => {
  const own = drewBack(detail, nippleId);
  return own ? [{ id: own.by === 'suction' ? 'M80' : 'M81', evidence: {} }] : [];
};

export interface Dry {
  /** Of the event that emptied it. */
  readonly sequence: number;
  /** Somebody saw it empty, or more was pumped than it holds. */
  readonly by: 'seen' | 'count';
}

/** When the reservoir of a circuit was last empty; null where it never was. */
export function lastDry(detail: JobDetail, circuit: Circuit): Dry | null {
  const stroke_m3 = strokeOf(circuit);
  const usable_m3 = circuit.components.find(({ kind }) => kind === 'reservoir')?.usable_m3 ?? null;
  let [strokes, caught_m3] = [0, 0];
  let dry: Dry | null = null;
  for (const event of eventsFed(detail, circuit)) {
    if (event.kind === 'topUp') [strokes, caught_m3] = [0, 0];
    else if (event.kind === 'ranDry') dry = { sequence: event.sequence, by: 'seen' };
    else if (event.kind === 'stroke') strokes += 1;
    else if (event.kind === 'volume') caught_m3 += event.volume_m3;
    else continue;
    // Strokes and what was caught come from the same reservoir.
    const moved_m3 = strokes * (stroke_m3 ?? 0) + caught_m3;
    const isOver = usable_m3 !== null && moved_m3 > usable_m3 + ROUNDED_m3;
    if (isOver && event.kind !== 'ranDry') dry = { sequence: event.sequence, by: 'count' };
  }
  return dry;
}

/** What the line from the master to a nipple holds, cubic metres; null where the drawing does not say. */
function lineTo(circuit: Circuit, nippleId: string): number | null {
  const order = nippleOrder(circuit);
  const all_m3 = lineVolume_m3(circuit.hoses);
  const all_m = circuit.hoses.reduce((sum, { length_m }) => sum + length_m, 0);
  const path_m = order.ok ? order.value.find((turn) => turn.nippleId === nippleId)?.path_m : undefined;
  return path_m === undefined || !all_m3.ok || all_m === 0 ? null : (all_m3.value * path_m) / all_m;
}

/** What is still to pass at a nipple since the reservoir of its circuit ran dry; null where that is done, or it never did. */
function behindDry(detail: JobDetail, nippleId: string): Dry | null {
  const circuit = circuitOf(detail, nippleId);
  const dry = circuit ? lastDry(detail, circuit) : null;
  if (!circuit || !dry) return null;
  const events = at(detail, nippleId);
  const { strokes, caught_m3 } = movedSince(events, dry.sequence);
  const isFull = eventsFed(detail, circuit).some(
    ({ kind, sequence }) => kind === 'topUp' && sequence > dry.sequence,
  );
  const stroke_m3 = strokeOf(circuit);
  const line_m3 = lineTo(circuit, nippleId);
  const moved_m3 = caught_m3 + strokes * (stroke_m3 ?? 0);
  const isFlushed =
    strokes >= STROKES_AFTER || caught_m3 >= CAUGHT_AFTER_m3
      ? line_m3 === null || stroke_m3 === null || moved_m3 >= line_m3
      : false;
  return isFull && isFlushed ? null : dry;
}

/** Why a nipple is not clear yet, though somebody would call it so. */
export function airWentIn(detail: JobDetail, nippleId: string): readonly Obstacle[] {
  const back = drewBack(detail, nippleId);
  const dry = behindDry(detail, nippleId);
  return [
    ...(back
      ? [{ code: back.by === 'suction' ? ('drewBackBySuction' as const) : ('drewBackByLever' as const) }]
      : []),
    ...(dry ? [{ code: 'ranDry' as const, by: dry.by }] : []),
  ];
}

/** A nipple that was clear before somebody found the reservoir empty is not clear any more. */
export function isClearOfDry(detail: JobDetail, nippleId: string): boolean {
  const circuit = circuitOf(detail, nippleId);
  const dry = circuit ? eventsFed(detail, circuit).findLast(({ kind }) => kind === 'ranDry') : undefined;
  const clear = at(detail, nippleId).findLast(({ kind }) => kind === 'clear');
  return !dry || (clear !== undefined && clear.sequence > dry.sequence);
}
