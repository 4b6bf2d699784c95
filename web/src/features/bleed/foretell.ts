/** What is asked of the simulator for a job, and what it answers: the circuit that is bled, its dry lines, its low nipples. */
import type { JobDetail } from '@zephyrcombe/contract';
import { circuitOfPart, hydraulicsOf } from '@zephyrcombe/contract';
import type { Hydraulics } from '@zephyrcombe/core';
import type { BleedAssumed, BleedMissing, BleedPrediction } from '@zephyrcombe/core/bleeding';
import { drawnBrake, missingForBleeding, predictBleeding } from '@zephyrcombe/core/bleeding';
import { factOf } from '@zephyrcombe/workshop';

export interface ForetellQuestion {
  readonly circuit: Hydraulics;
  /** In their order. */
  readonly nipples: readonly string[];
  readonly lowNipples: readonly string[];
  readonly dryLines: readonly string[];
}
export type Foretold =
  | { readonly ok: true; readonly prediction: BleedPrediction; readonly assumed: readonly BleedAssumed[] }
  | { readonly ok: false; readonly missing: readonly BleedMissing[] };

export function foretell({ circuit, nipples, lowNipples, dryLines }: ForetellQuestion): Foretold {
  const brake = drawnBrake(circuit, { lowNipples });
  if (!brake) return { ok: false, missing: missingForBleeding(circuit) };
  const known = nipples.filter((id) => brake.hosts.has(id));
  return {
    ok: true,
    prediction: predictBleeding(brake, { nipples: known, dryLines }),
    assumed: brake.assumed,
  };
}

/** Of the circuit that a nipple is in; null where it is in none. What is replaced comes dry. */
export function questionFor(
  detail: JobDetail,
  nippleId: string,
  order: readonly string[],
): ForetellQuestion | null {
  const own = circuitOfPart(detail, nippleId)?.circuit;
  if (!own) return null;
  const isHere = (id: string) => own.components.some((part) => part.id === id);
  const lengths = new Map(detail.hoses.map(({ hoseId, order_m }) => [hoseId, order_m]));
  const circuit = hydraulicsOf(own);
  return {
    circuit: {
      ...circuit,
      hoses: circuit.hoses.map((line) => ({ ...line, length_m: lengths.get(line.id) ?? line.length_m })),
    },
    nipples: order.filter(isHere),
    lowNipples: order.filter((id) => isHere(id) && factOf(detail, 'nippleTop', id) === false),
    dryLines: [
      ...detail.hoses.map(({ hoseId }) => hoseId),
      ...detail.lines.map(({ lineId }) => lineId),
    ].filter((id) => own.hoses.some((line) => line.id === id)),
  };
}
