/** Fluid that is used up while bubbles still come: then they come from somewhere else than the line. */
import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { feelBrake } from './feel.ts';
import { strokeOf } from './strokeOf.ts';

/** So many times what a circuit holds; after that bubbles want another reason. */
const ENOUGH = 3;

/**
 * M88 of a circuit where bubbles are the last that was seen at a nipple, and by then so much had been pumped. That a nipple was called
 * clear is no answer, nor is what came out of another.
 */
export function bubbleCautions(detail: JobDetail, circuit: Circuit): readonly Caution[] {
  const brake = feelBrake(detail, circuit);
  const stroke_m3 = strokeOf(circuit);
  if (!brake || stroke_m3 === null) return [];
  const { fluid_m3: holds_m3 } = brake;
  const parts = new Set(circuit.components.map(({ id }) => id));
  const runs = detail.bleedRuns.filter(({ nippleId }) => parts.has(nippleId));
  const pumpedBy = (sequence: number): number =>
    runs
      .flatMap(({ events }) => events)
      .filter((event) => event.sequence < sequence)
      .reduce(
        (sum, event) =>
          sum + (event.kind === 'stroke' ? stroke_m3 : event.kind === 'volume' ? event.volume_m3 : 0),
        0,
      );
  const pumped = runs.flatMap(({ events }) => {
    const last = events.findLast(({ kind }) => kind === 'outflow');
    return last?.kind === 'outflow' && last.outflow === 'bubbles' ? [pumpedBy(last.sequence)] : [];
  });
  const pumped_m3 = Math.max(0, ...pumped);
  return pumped_m3 > ENOUGH * holds_m3
    ? [{ id: 'M88', evidence: { pumped_m3, holds_m3 }, subject: circuit.name }]
    : [];
}
