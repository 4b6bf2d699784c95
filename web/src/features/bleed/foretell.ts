/** What is asked of the simulator for a job, and what it answers: the circuit that is bled, its dry lines, its low nipples. */
import type { JobDetail } from '@zephyrcombe/contract';
import { circuitOfPart, hydraulicsOf } from '@zephyrcombe/contract';
import type { Hydraulics } from '@zephyrcombe/core';
import type { BleedAssumed, BleedDone, BleedMissing, BleedPrediction } from '@zephyrcombe/core/bleeding';
import { drawnBrake, followBleeding, missingForBleeding, predictBleeding } from '@zephyrcombe/core/bleeding';
import { factOf } from '@zephyrcombe/workshop';

export interface ForetellQuestion {
  readonly circuit: Hydraulics;
  /** In their order. */
  readonly nipples: readonly string[];
  readonly lowNipples: readonly string[];
  readonly topNipples: readonly string[];
  readonly dryLines: readonly string[];
}
export type Foretold =
  | { readonly ok: true; readonly prediction: BleedPrediction; readonly assumed: readonly BleedAssumed[] }
  | { readonly ok: false; readonly missing: readonly BleedMissing[] };

/** What was done so far, and to the same circuit. */
export interface SoFarQuestion extends Omit<ForetellQuestion, 'nipples'> {
  readonly done: readonly BleedDone[];
}
/** Air that is probably left, between calipers that stayed full and calipers that lost half. */
export interface SoFar {
  readonly least_m3: number;
  readonly most_m3: number;
  /** Where most of it is; null where there is none. */
  readonly where: string | null;
}

/** Null where nothing can be simulated. */
export function soFar({ circuit, lowNipples, topNipples, dryLines, done }: SoFarQuestion): SoFar | null {
  const brake = drawnBrake(circuit, { lowNipples, topNipples });
  if (!brake) return null;
  const half = Object.fromEntries([...new Set(brake.hosts.values())].map((id) => [id, HALF]));
  const [least, most] = [
    followBleeding(brake, { dryLines }, done),
    followBleeding(brake, { dryLines, dryParts: half }, done),
  ];
  const sum = (left: typeof least) => left.reduce((all, { air_m3 }) => all + air_m3, 0);
  const [first] = most.toSorted((a, b) => b.air_m3 - a.air_m3);
  const figures = [sum(least), sum(most)];
  return {
    least_m3: Math.min(...figures),
    most_m3: Math.max(...figures),
    where: first ? lineOfPart(circuit, first.id) : null,
  };
}
const HALF = 0.5;

/** A line that arches is simulated as two. */
const lineOfPart = ({ hoses }: Hydraulics, id: string): string =>
  hoses.find((line) => id.startsWith(line.id))?.id ?? id;

/** Null where nothing new is in the circuit, or nothing was done: there is no air to follow. */
export function soFarQuestion(detail: JobDetail, question: ForetellQuestion | null): SoFarQuestion | null {
  if (!question || question.dryLines.length === 0) return null;
  const { nipples: _nipples, ...rest } = question;
  const here = new Set(question.circuit.components.map(({ id }) => id));
  const done = detail.bleedRuns
    .filter(({ nippleId }) => here.has(nippleId))
    .flatMap(({ nippleId, events }) => events.map((event) => ({ nippleId, event })))
    .sort((a, b) => a.event.sequence - b.event.sequence)
    .flatMap(({ nippleId, event: { kind } }): BleedDone[] =>
      kind === 'stroke' || kind === 'topUp' ? [{ nippleId, kind }] : [],
    );
  return done.some(({ kind }) => kind === 'stroke') ? { ...rest, done } : null;
}

export function foretell({ circuit, nipples, lowNipples, topNipples, dryLines }: ForetellQuestion): Foretold {
  const brake = drawnBrake(circuit, { lowNipples, topNipples });
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
    topNipples: order.filter((id) => isHere(id) && factOf(detail, 'nippleTop', id) === true),
    dryLines: [
      ...detail.hoses.map(({ hoseId }) => hoseId),
      ...detail.lines.map(({ lineId }) => lineId),
    ].filter((id) => own.hoses.some((line) => line.id === id)),
  };
}
