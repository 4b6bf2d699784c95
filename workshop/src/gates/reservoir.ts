/** The level of a reservoir by count: what was pumped out of it since it was last filled. */
import type { Circuit, Component, JobDetail, StoredBleedEvent } from '@zephyrcombe/contract';
import type { RefillGuard, Result } from '@zephyrcombe/core';
import { caughtSinceTopUp, refillGuard, STROKE_EFFICIENCY, strokesSinceTopUp } from '@zephyrcombe/core';
import { eventsAt } from '../events/bleedRuns.ts';
import type { Obstacle } from './obstacle.ts';

const partOf = ({ components }: Circuit, kind: Component['kind']) =>
  components.find((component) => component.kind === kind);

/** What stands for each reservoir of a circuit: a coupled brake has one at the lever and one at the pedal. */
export const reservoirsOf = ({ components }: Circuit): readonly string[] =>
  components.filter(({ kind }) => kind === 'reservoir').map(({ id, sameAs }) => sameAs ?? id);

/** The circuits of a job that drink from the same reservoir as this one. */
function fedTogether({ circuits }: JobDetail, circuit: Circuit): readonly Circuit[] {
  const own = reservoirsOf(circuit);
  return circuits
    .map((other) => other.circuit)
    .filter((other) => other.id === circuit.id || reservoirsOf(other).some((id) => own.includes(id)));
}

/** Seen to be empty, and not topped up since. */
const isRunDry = (events: readonly StoredBleedEvent[]): boolean =>
  events.findLast(({ kind }) => kind === 'ranDry' || kind === 'topUp')?.kind === 'ranDry';

/** What was done at every nipple that drinks from the reservoir of this circuit. */
export function eventsFed(detail: JobDetail, circuit: Circuit): readonly StoredBleedEvent[] {
  const nipples = new Set(
    fedTogether(detail, circuit).flatMap(({ components }) => components.map(({ id }) => id)),
  );
  return eventsAt(detail.bleedRuns, (id) => nipples.has(id));
}

const circuitWith = ({ circuits }: JobDetail, nippleId: string): Circuit | undefined =>
  circuits.find(({ circuit }) => circuit.components.some(({ id }) => id === nippleId))?.circuit;

/**
 * The refill guard of the reservoir that feeds a nipple, with the strokes of every circuit that it feeds; null when master or
 * reservoir are not known well enough. A stroke of a tandem master moves both circuits: counted once, at the nipple that was open.
 */
export function reservoirGuard(detail: JobDetail, nippleId: string): Result<RefillGuard> | null {
  const circuit = circuitWith(detail, nippleId);
  if (!circuit) return null;
  const master = partOf(circuit, 'master');
  const reservoir = partOf(circuit, 'reservoir');
  if (!master?.masterBore_m || !master.leverStroke_m || !master.leverRatio || !reservoir?.usable_m3)
    return null;
  const { masterBore_m, leverStroke_m, leverRatio } = master;
  const events = eventsFed(detail, circuit);
  const guard = refillGuard(
    { masterBore_m, leverStroke_m, leverRatio, efficiency: STROKE_EFFICIENCY },
    reservoir.usable_m3,
    strokesSinceTopUp(events),
    detail.vehicle.abs,
    caughtSinceTopUp(events),
  );
  // Somebody saw it empty: whatever the count says, it is topped up before the next stroke.
  if (!guard.ok || !isRunDry(events)) return guard;
  const { strokesBeforeMinimum, strokesLeft } = guard.value;
  const left = Math.min(0, strokesLeft);
  // The strokes that were made are told as they were.
  const value = { strokesBeforeMinimum: strokesBeforeMinimum - strokesLeft + left, strokesLeft: left };
  return { ...guard, value };
}

/**
 * Pressing the lever: no joint stands open on a circuit that it presses, or that shares a part with one. By the last step at each
 * that opens or joins it.
 */
export function strokeGate(detail: JobDetail, nippleId: string): readonly Obstacle[] {
  const circuit = circuitWith(detail, nippleId);
  if (!circuit) return [];
  const wholes = ({ components }: Circuit) => components.map(({ id, sameAs }) => sameAs ?? id);
  const own = wholes(circuit);
  const pressed = detail.circuits
    .map((other) => other.circuit)
    .filter((other) => wholes(other).some((id) => own.includes(id)));
  const last = new Map<string, string>();
  for (const { step } of detail.fitSteps)
    if (step.kind === 'open' || step.kind === 'join') last.set(step.joint, step.kind);
  const joints = pressed
    .flatMap((one) => one.joints)
    .filter(({ id }) => last.get(id) === 'open')
    .map(({ name }) => name);
  return joints.length > 0 ? [{ code: 'lineOpen', joints }] : [];
}

/** The other circuits of the vehicle that this nipple's reservoir feeds: nobody looks at them while this one is pumped. */
export function alsoFed(detail: JobDetail, nippleId: string): readonly string[] {
  const circuit = circuitWith(detail, nippleId);
  return circuit
    ? fedTogether(detail, circuit)
        .filter(({ id }) => id !== circuit.id)
        .map(({ name }) => name)
    : [];
}

/** What was caught since the last top-up, and what there is between the marks; null where no circuit of the job has the nipple. */
export function caughtGuard(
  detail: JobDetail,
  nippleId: string,
): { readonly caught_m3: number; readonly usable_m3: number | null; readonly isDry: boolean } | null {
  const circuit = circuitWith(detail, nippleId);
  if (!circuit) return null;
  const events = eventsFed(detail, circuit);
  return {
    isDry: isRunDry(events),
    caught_m3: caughtSinceTopUp(events),
    usable_m3: partOf(circuit, 'reservoir')?.usable_m3 ?? null,
  };
}

/** The level is below its minimum, by what was pumped and caught. */
export function emptied(detail: JobDetail, nippleId: string): readonly Obstacle[] {
  const guard = reservoirGuard(detail, nippleId);
  const caught = guard?.ok ? null : caughtGuard(detail, nippleId);
  if (caught && caught.usable_m3 !== null && caught.caught_m3 > caught.usable_m3)
    return [{ code: 'reservoirEmptied' }];
  if (!guard?.ok || guard.value.strokesLeft >= 0) return [];
  const strokesOver = -guard.value.strokesLeft;
  const others = alsoFed(detail, nippleId);
  return others.length > 0
    ? [{ code: 'sharedReservoirEmpty', strokesOver, others }]
    : [{ code: 'reservoirEmpty', strokesOver }];
}
