/**
 * What every calculation returns: a value with its working, cautions and sources, or a problem.
 * An input without a physical answer is a problem naming the field and the way out; a bug throws.
 */
import type { Caution } from '../mistakes/caution.ts';
import type { SourceId } from '../sources/bibliography.ts';
import type { Problem } from './problem.ts';
import type { Working } from './working.ts';

export interface Calculated<Value> {
  readonly ok: true;
  readonly value: Value;
  readonly working: Working;
  readonly cautions: readonly Caution[];
  readonly sources: readonly SourceId[];
}

export interface NotCalculated {
  readonly ok: false;
  readonly problem: Problem;
}

export type Result<Value> = Calculated<Value> | NotCalculated;

/** A result whose sources are those its working cites, each once, in order of use. */
export function calculated<Value>(
  value: Value,
  working: Working,
  cautions: readonly Caution[] = [],
): Calculated<Value> {
  const sources = [...new Set(working.map((step) => step.formula.source))];
  return { ok: true, value, working, cautions, sources };
}

export function problem(value: Problem): NotCalculated {
  return { ok: false, problem: value };
}
