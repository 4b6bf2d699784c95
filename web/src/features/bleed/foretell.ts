/** What is asked of the simulator for a job, and what it answers: the circuit that is bled, its dry lines, its low nipples. */
import type { JobDetail } from '@zephyrcombe/contract';
import { circuitOfPart, hydraulicsOf } from '@zephyrcombe/contract';
import type { BleedEventKind, Hydraulics } from '@zephyrcombe/core';
import type {
  AirEstimate,
  BleedAssumed,
  BleedDone,
  BleedMissing,
  BleedPrediction,
  BleedSeen,
  DrawnBrake,
  Stories,
} from '@zephyrcombe/core/bleeding';
import {
  deedsOf,
  drawnBrake,
  estimateAir,
  missingForBleeding,
  predictBleeding,
  storiesOf,
  toldOn,
} from '@zephyrcombe/core/bleeding';
import { airByPulls, factOf } from '@zephyrcombe/workshop';

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

/** What was done and seen so far, at the same circuit. */
export interface SoFarQuestion extends Omit<ForetellQuestion, 'nipples'> {
  /** Of which nobody has said where they stand. */
  readonly unseenNipples: readonly string[];
  /** Calipers at which no new line ends: nothing ran out of them. */
  readonly fullParts: readonly string[];
  readonly seen: readonly BleedSeen[];
}
export interface SoFar extends AirEstimate {
  /** A soft and a firm pull are in it. */
  readonly isPulled: boolean;
}

/** Stories that were told, of the brake that was asked about last: the next stroke is told on. */
let kept: { readonly of: string; readonly stories: Stories } | null = null;

function storiesFor(brake: DrawnBrake, question: SoFarQuestion, deeds: readonly BleedDone[]): Stories {
  const { seen: _seen, ...asked } = question;
  const of = JSON.stringify(asked);
  const isToldOn =
    kept?.of === of &&
    kept.stories.deeds.every((deed, at) => JSON.stringify(deed) === JSON.stringify(deeds[at]));
  const stories = isToldOn && kept ? kept.stories : storiesOf(brake, asked);
  const told = toldOn(stories, deeds.slice(stories.deeds.length));
  kept = { of, stories: told };
  return told;
}

/** Null where nothing can be simulated. */
export function soFar(question: SoFarQuestion): SoFar | null {
  const { circuit, lowNipples, topNipples } = question;
  const brake = drawnBrake(circuit, { lowNipples, topNipples });
  if (!brake) return null;
  const seen = question.seen.filter((one) => one.kind === 'pulls' || brake.hosts.has(one.nippleId));
  const { where, ...figures } = estimateAir(storiesFor(brake, question, deedsOf(seen)), seen);
  return {
    ...figures,
    where: where.map(({ id, share }) => ({ id: lineOfPart(circuit, id), share })),
    isPulled: seen.some(({ kind }) => kind === 'pulls'),
  };
}

/** A line that arches is simulated as two. */
const lineOfPart = ({ hoses }: Hydraulics, id: string): string =>
  hoses.find((line) => id.startsWith(line.id))?.id ?? id;

function partsLeftShut({
  circuit,
  dryLines,
}: Pick<ForetellQuestion, 'circuit' | 'dryLines'>): readonly string[] {
  const opened = new Set(
    circuit.hoses
      .filter(({ id }) => dryLines.includes(id))
      .flatMap(({ fromJointId, toJointId }) => [fromJointId, toJointId]),
  );
  const open = new Set(
    circuit.joints.flatMap(({ id, componentId }) => (opened.has(id) ? [componentId] : [])),
  );
  return circuit.components.flatMap(({ id }) => (open.has(id) ? [] : [id]));
}

const UNTOLD: ReadonlySet<BleedEventKind> = new Set<BleedEventKind>(['volume', 'drewBack', 'ranDry']);

/** Null where nothing new is in the circuit, or nothing was done: there is no air to follow. */
export function soFarQuestion(detail: JobDetail, question: ForetellQuestion | null): SoFarQuestion | null {
  if (!question || question.dryLines.length === 0) return null;
  const { nipples, ...rest } = question;
  const here = new Set(question.circuit.components.map(({ id }) => id));
  const events = detail.bleedRuns
    .filter(({ nippleId }) => here.has(nippleId))
    .flatMap(({ nippleId, events: own }) => own.map((event) => ({ nippleId, event })))
    .sort((a, b) => a.event.sequence - b.event.sequence);
  // No story tells what went on without strokes, nor how much air went in.
  if (events.some(({ event }) => UNTOLD.has(event.kind))) return null;
  const seen = events.flatMap(({ nippleId, event }): BleedSeen[] => {
    if (event.kind === 'stroke' || event.kind === 'topUp') return [{ nippleId, kind: event.kind }];
    const hasAir = event.kind === 'outflow' && event.outflow === 'bubbles';
    return [{ kind: 'outflow', nippleId, hasAir }];
  });
  if (!seen.some(({ kind }) => kind === 'stroke')) return null;
  const own = circuitOfPart(detail, nipples[0] ?? '')?.circuit;
  const pulled = own && airByPulls(detail, own);
  if (pulled?.told.ok) {
    // Between the strokes before it and those after it.
    const at = events.filter(({ event }) => Date.parse(event.at) <= Date.parse(pulled.at)).length;
    const { air_m3, error_m3 } = pulled.told.value;
    seen.splice(at, 0, { kind: 'pulls', air_m3, error_m3 });
  }
  const told = [...rest.lowNipples, ...rest.topNipples];
  return {
    ...rest,
    unseenNipples: nipples.filter((id) => !told.includes(id)),
    fullParts: partsLeftShut(rest),
    seen,
  };
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
