/** Fluid that is used up while bubbles still come: then they come from somewhere else than the line. */
import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { STROKE_EFFICIENCY, strokeVolume } from '@zephyrcombe/core';
import { eventsAt } from '../events/bleedRuns.ts';
import { feelBrake } from './feel.ts';

/** So many times what a circuit holds; after that bubbles want another reason. */
const ENOUGH = 3;

/** M88: what was pumped since, and what the circuit holds. What came out last counts; that a nipple was called clear is no answer. */
export function bubbleCautions(detail: JobDetail, circuit: Circuit): readonly Caution[] {
  const master = circuit.components.find(({ kind }) => kind === 'master');
  const brake = feelBrake(detail, circuit, 'after');
  if (!brake || !master?.leverStroke_m) return [];
  const stroke = strokeVolume({
    masterBore_m: brake.masterBore_m,
    leverRatio: brake.leverRatio,
    leverStroke_m: master.leverStroke_m,
    efficiency: STROKE_EFFICIENCY,
  });
  const parts = new Set(circuit.components.map(({ id }) => id));
  const events = eventsAt(detail.bleedRuns, (id) => parts.has(id));
  const last = events.findLast(({ kind }) => kind === 'outflow');
  if (!stroke.ok || last?.kind !== 'outflow' || last.outflow !== 'bubbles') return [];
  const pumped_m3 = events.filter(({ kind }) => kind === 'stroke').length * stroke.value;
  return pumped_m3 > ENOUGH * brake.fluid_m3
    ? [{ id: 'M88', evidence: { pumped_m3, holds_m3: brake.fluid_m3 }, subject: circuit.name }]
    : [];
}
