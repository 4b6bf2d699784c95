/** What a port offers to seal against, and which end of a hose or pipe may go there. */
import type { EndFamily, LengthPoint } from './end.ts';
import type { Seat } from './seatForm.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { ThreadGender } from '../threads/thread.ts';
import type { SealKind } from '../joint/sealKind.ts';
import type { FlareForm } from '../hardLine/forms.ts';

/**
 * Ends of hoses and pipes. A female swivel goes over an external thread, a male screwed end turns the whole hose, a
 * tube nut brings the flare of a pipe with it, a female flare end takes a tube nut and is held by its bracket.
 */
export const END_KINDS = [
  'banjo',
  'femaleSwivel',
  'maleScrewed',
  'invertedFlareNut',
  'bubbleFlareNut',
  'femaleInverted',
  'femaleBubble',
] as const;
export type EndKind = (typeof END_KINDS)[number];

interface EndFacts {
  /** The thread that the port must have. */
  readonly port: ThreadGender;
  readonly seats: readonly Seat[];
  readonly seal: SealKind;
  readonly sealsBy: 'washers' | 'washer' | 'cone' | 'flare';
  /** Whether it can be done up without turning the hose. */
  readonly swivels: boolean;
  /** As an end of a hose; null: the end of a pipe. */
  readonly family: EndFamily | null;
  /** Its own thread; null where a bolt goes through it. */
  readonly thread: ThreadGender | null;
  /** Where a length may be counted from at this end; a pipe is counted along its middle. */
  readonly points: readonly LengthPoint[];
}

const EYE = { family: 'banjo', thread: null, points: ['eyeCentre', 'behindNeck', 'ferruleFace'] } as const;
const THREADED = { family: 'threaded', points: ['threadEnd', 'behindNeck', 'ferruleFace'] } as const;
const NUT = { family: null, thread: 'external', points: [] } as const;

/** Common practice, no published source. */
export const END_FACTS: Readonly<Record<EndKind, EndFacts>> = {
  banjo: {
    port: 'internal',
    seats: ['flatWasherFace'],
    seal: 'banjo',
    sealsBy: 'washers',
    swivels: true,
    ...EYE,
  },
  femaleSwivel: {
    port: 'external',
    seats: ['taperSeat'],
    seal: 'flare',
    sealsBy: 'cone',
    swivels: true,
    ...THREADED,
    thread: 'internal',
  },
  maleScrewed: {
    port: 'internal',
    seats: ['flatWasherFace', 'taperSeat'],
    seal: 'screwed',
    sealsBy: 'washer',
    swivels: false,
    ...THREADED,
    thread: 'external',
  },
  invertedFlareNut: {
    port: 'internal',
    seats: ['invertedFlare'],
    seal: 'flare',
    sealsBy: 'flare',
    swivels: true,
    ...NUT,
  },
  bubbleFlareNut: {
    port: 'internal',
    seats: ['bubbleFlare'],
    seal: 'flare',
    sealsBy: 'flare',
    swivels: true,
    ...NUT,
  },
  femaleInverted: {
    port: 'external',
    seats: ['invertedFlare'],
    seal: 'flare',
    sealsBy: 'flare',
    swivels: false,
    ...THREADED,
    thread: 'internal',
  },
  femaleBubble: {
    port: 'external',
    seats: ['bubbleFlare'],
    seal: 'flare',
    sealsBy: 'flare',
    swivels: false,
    ...THREADED,
    thread: 'internal',
  },
};

export interface PortFace {
  readonly gender: ThreadGender;
  readonly seat: Seat;
}

export type EndRefusal =
  | { readonly reason: 'threadOtherWayRound'; readonly portThread: ThreadGender }
  | { readonly reason: 'seatDiffers'; readonly portSeat: Seat; readonly endSeats: readonly Seat[] };

/** Why this end may not go on this port, or null. */
export function refuseEnd(port: PortFace, end: EndKind): EndRefusal | null {
  const facts = END_FACTS[end];
  if (facts.port !== port.gender) return { reason: 'threadOtherWayRound', portThread: port.gender };
  if (!facts.seats.includes(port.seat)) {
    return { reason: 'seatDiffers', portSeat: port.seat, endSeats: facts.seats };
  }
  return null;
}

/** The kind that a hose's end has to be, to seal so on this port; null where none of the family does. */
export const endOn = (port: PortFace, seal: SealKind, family: EndFamily): EndKind | null =>
  endsFor(port).find((end) => END_FACTS[end].seal === seal && END_FACTS[end].family === family) ?? null;

/** Whether a length may be counted from there at an end of this family. */
export const hasPoint = (family: EndFamily, point: LengthPoint): boolean =>
  END_KINDS.some((end) => END_FACTS[end].family === family && END_FACTS[end].points.includes(point));

/** The ends that a port takes. */
export const endsFor = (port: PortFace): readonly EndKind[] =>
  END_KINDS.filter((end) => refuseEnd(port, end) === null);

/** M26 when a joint seals in a way that its port has no seat for. */
export function judgeSeat(port: PortFace, seal: SealKind): readonly Caution[] {
  const seals = endsFor(port).map((end) => END_FACTS[end].seal);
  return seals.includes(seal) ? [] : [{ id: 'M26', evidence: { portSeat: port.seat, seal } }];
}

/** The nut that brings each flare with it; the other forms go on no brake. */
const NUT_OF: Readonly<Partial<Record<FlareForm, EndKind>>> = {
  doubleFlare: 'invertedFlareNut',
  bubbleFlare: 'bubbleFlareNut',
};

/** M26 when the flare of a pipe is not the one that the seat of its port was cut for. What goes on no brake is judged apart. */
export function judgeFlareSeat(portSeat: Seat, form: FlareForm): readonly Caution[] {
  const nut = NUT_OF[form];
  return nut === undefined || END_FACTS[nut].seats.includes(portSeat)
    ? []
    : [{ id: 'M26', evidence: { portSeat, seal: 'flare', form } }];
}
