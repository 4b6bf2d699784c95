/** Who said of each figure of a circuit that it was seen or measured, and when: the server writes it, whatever was sent. */
import { isDeepStrictEqual } from 'node:util';
import type { Hydraulics, Knowable, Known, KnownFacts, WithKnown } from '@zephyrcombe/core';
import { KNOWABLE } from '@zephyrcombe/core';

interface Stamp {
  readonly by: string;
  readonly at: string;
}
type Part = WithKnown & { readonly id: string };

const valueOf = (part: Part, fact: Knowable): unknown => (part as unknown as Record<string, unknown>)[fact];

function stamped({ how, origin }: Known, stamp: Stamp): Known {
  return how === 'assumed' ? { how, origin: origin ?? 'notSaid' } : { how, ...stamp };
}

/** Whoever changes a figure and says nothing of it says that it is so; what nobody touched stays as it was said. */
function spokenOf<Of extends Part>(before: Of | undefined, after: Of, stamp: Stamp): Of {
  const known: Record<string, Known> = {};
  for (const fact of KNOWABLE) {
    const value = valueOf(after, fact);
    if (value === undefined || value === null) continue;
    const [was, said] = [before?.known?.[fact], after.known?.[fact]];
    const isUntold = said === undefined || isDeepStrictEqual(said, was);
    const isChanged = before !== undefined && valueOf(before, fact) !== value;
    const now = isUntold ? (isChanged ? stamped({ how: 'seen' }, stamp) : was) : stamped(said, stamp);
    if (now) known[fact] = now;
  }
  return { ...after, known: Object.keys(known).length > 0 ? known : null };
}

/** A part that comes back onto the drawing as it was: who said so of it is who said so then. */
export function asSaidBefore<Of extends Part>(before: Of, now: Of): Of {
  const known = Object.fromEntries(
    Object.entries(now.known ?? {}).map(([key, said]) => {
      const fact = key as Knowable;
      const was = before.known?.[fact];
      const isSame = was?.how === said.how && valueOf(before, fact) === valueOf(now, fact);
      return [fact, isSame ? was : said];
    }),
  ) as KnownFacts;
  return { ...now, known: now.known ? known : null };
}

/** The drawing as it is kept: `before` is null where the circuit is new. */
export function spokenFor(before: Hydraulics | null, after: Hydraulics, stamp: Stamp): Hydraulics {
  const each = <Of extends Part>(old: readonly Of[] | undefined, now: readonly Of[]): readonly Of[] => {
    const byId = new Map(old?.map((part) => [part.id, part]));
    return now.map((part) => spokenOf(byId.get(part.id), part, stamp));
  };
  return {
    ...after,
    components: each(before?.components, after.components),
    ports: each(before?.ports, after.ports),
    joints: each(before?.joints, after.joints),
    hoses: each(before?.hoses, after.hoses),
  };
}
