/** Whether an approval stands: while the facts that were judged are what they were. Nothing has to remember to clear it. */
import type { Approval } from '@zephyrcombe/contract';
import type { Change, Fact, Facts } from './facts.ts';
import { changesBetween, digestOf, factsOf } from './facts.ts';

export type Standing =
  | { readonly state: 'none' }
  | { readonly state: 'stands' }
  /** Something that was judged is another one now. */
  | { readonly state: 'passed'; readonly changes: readonly Change[] };

export function standingOf(approval: Approval | null | undefined, now: Facts): Standing {
  if (!approval) return { state: 'none' };
  const judged = factsOf(approval.facts);
  const asked = asFarAsJudged(judged, now) as Facts;
  return approval.digest === digestOf(asked)
    ? { state: 'stands' }
    : { state: 'passed', changes: changesBetween(judged, asked) };
}

/** Facts that earlier approvals did not have. */
const LATER: ReadonlySet<string> = new Set(['datum', 'route', 'eyeThickness_m']);

/** An approval that was given before one of its facts was kept says nothing of it. */
function asFarAsJudged(judged: Fact | undefined, now: Fact): Fact {
  if (Array.isArray(now))
    return now.map((item: Fact, index) =>
      asFarAsJudged(Array.isArray(judged) ? (judged as readonly Fact[])[index] : undefined, item),
    );
  if (typeof now !== 'object') return now;
  const before = typeof judged === 'object' && !Array.isArray(judged) ? (judged as Facts) : null;
  return Object.fromEntries(
    Object.entries(now)
      .filter(([key]) => !LATER.has(key) || before === null || key in before)
      .map(([key, fact]) => [key, asFarAsJudged(before?.[key], fact)]),
  );
}
