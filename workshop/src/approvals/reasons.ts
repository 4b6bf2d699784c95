/** A reason answers one caution about one thing, with the evidence that it had: two joints with the same mistake want two reasons. */
import type { Override, Reason } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import { digestOf, factsOf } from './facts.ts';

/** Of a caution as it was shown: its id, what it is about, and its evidence. */
export const cautionDigest = ({ id, subject, evidence }: Caution): string =>
  digestOf(factsOf({ id, subject, evidence }));

/**
 * The stops that no reason answers. A reason that does not say which evidence it is about answers the only caution of its id;
 * where there are several it answers none, for nobody can tell which was meant.
 */
export function unanswered(stops: readonly Caution[], reasons: readonly Override[]): readonly Caution[] {
  const seen = new Map<string, Caution>();
  // The same mistake with the same evidence, told by two judges, is one.
  for (const stop of stops) seen.set(cautionDigest(stop), stop);
  const many = new Map<string, number>();
  for (const { id } of seen.values()) many.set(id, (many.get(id) ?? 0) + 1);
  return [...seen].flatMap(([digest, stop]) =>
    reasons.some(
      ({ caution, evidence }) =>
        caution === stop.id && (evidence === undefined ? many.get(stop.id) === 1 : evidence === digest),
    )
      ? []
      : [stop],
  );
}

/** Those that nobody has given a reason for in this job, with the evidence that they have now. */
export function withoutReason(cautions: readonly Caution[], reasons: readonly Reason[]): readonly Caution[] {
  const given = new Set(
    reasons.map(({ caution, subject, evidence }) =>
      digestOf(factsOf({ id: caution, subject, evidence: evidence ?? {} })),
    ),
  );
  return cautions.filter((caution) => !given.has(cautionDigest(caution)));
}
