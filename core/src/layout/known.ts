/**
 * How each figure of a part is known. A pattern, an old part or a maker's sheet lets a job begin; what is assumed from them is
 * not what somebody has seen on this vehicle, and is never shown or used as if it were.
 */

/** Figures of a part that somebody may have seen or measured, or only assume. The length of a line has its own mark. */
export const KNOWABLE = [
  'thread',
  'seat',
  'depth_m',
  'seatMaterial',
  'eyeThickness_m',
  'hexagon_m',
  'masterBore_m',
  'leverStroke_m',
  'leverRatio',
  'usable_m3',
  'bore_m',
] as const;
export type Knowable = (typeof KNOWABLE)[number];

export const HOW_KNOWN = ['measured', 'seen', 'assumed'] as const;
export type HowKnown = (typeof HOW_KNOWN)[number];

/** What an assumption rests on; `changedSince` where it is a figure of before; `notSaid` where nobody has said. */
export const ORIGINS = ['pattern', 'oldPart', 'makersData', 'example', 'changedSince', 'notSaid'] as const;
export type Origin = (typeof ORIGINS)[number];

/** `origin` of what is assumed; `by` and `at` (ISO 8601) of who said so, once it is kept. */
export interface Known {
  readonly how: HowKnown;
  readonly origin?: Origin | undefined;
  readonly by?: string | undefined;
  readonly at?: string | undefined;
}
export type KnownFacts = { readonly [Fact in Knowable]?: Known };

/** A part with what is said of its figures; left out by books of before. */
export interface WithKnown {
  readonly known?: KnownFacts | null | undefined;
}

export type Knowing = Known | { readonly how: 'unknown' };

const NOT_SAID: Known = { how: 'assumed', origin: 'notSaid' };
const UNKNOWN: Knowing = { how: 'unknown' };

/** How one figure of a part is known: blank is unknown, and what nobody has spoken for is assumed. */
export function knowingOf<Fact extends Knowable>(
  part: WithKnown & { readonly [Key in Fact]: unknown },
  fact: Fact,
): Knowing {
  const value: unknown = part[fact];
  if (value === null || value === undefined) return UNKNOWN;
  return part.known?.[fact] ?? NOT_SAID;
}

export const isAssumed = <Fact extends Knowable>(
  part: WithKnown & { readonly [Key in Fact]: unknown },
  fact: Fact,
): boolean => knowingOf(part, fact).how === 'assumed';

/** The same with something said of some of its figures. */
export const withKnown = <Part extends WithKnown>(
  part: Part,
  facts: readonly Knowable[],
  known: Known,
): Part => ({
  ...part,
  known: { ...part.known, ...Object.fromEntries(facts.map((fact) => [fact, known])) },
});

export const ASSUMED_BY_PATTERN: Known = { how: 'assumed', origin: 'pattern' };

/** Whoever types a figure says that it is so; a figure that is changed together with what is said of it keeps that. */
export function typedOver<Part extends WithKnown>(before: Part, change: Partial<Part>): Part {
  const next = { ...before, ...change };
  if (change.known !== undefined) return next;
  const changed = KNOWABLE.filter(
    (fact) =>
      fact in change &&
      (change as Record<string, unknown>)[fact] !== (before as Record<string, unknown>)[fact],
  );
  return changed.length === 0 ? next : withKnown(next, changed, { how: 'seen' });
}

/** Figures of a port that a hose is ordered by. */
export const ORDERED_BY = ['thread', 'seat', 'depth_m'] as const satisfies readonly Knowable[];
/** Figures of a joint that its bolt is chosen by: those of its port, and the eyes that the bolt goes through. */
export const CHOSEN_BY = [...ORDERED_BY, 'eyeThickness_m'] as const satisfies readonly Knowable[];
export type JointFact = (typeof CHOSEN_BY)[number];
