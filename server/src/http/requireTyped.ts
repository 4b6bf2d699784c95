/** What a person typed is kept as evidence beside the figure: the two have to say the same. */
import type { QuantityKind } from '@zephyrcombe/core';
import { parseQuantity } from '@zephyrcombe/core';
import { fieldProblem } from './appProblem.ts';

/** The browser and the server round alike; this is for the last bits only. */
const SAME = 1e-6;

/** Refuses a figure that is not what its text says; `field` and `typedField` name the two. */
export function requireTyped(
  typed: string,
  kind: QuantityKind,
  value_SI: number,
  field: string,
  typedField = 'typed',
): void {
  const read = parseQuantity(typed, kind);
  if (!read.ok) throw fieldProblem(typedField, 'noFigure');
  if (Math.abs(read.value_SI - value_SI) > SAME * Math.max(1, Math.abs(value_SI)))
    throw fieldProblem(field, 'notAsTyped');
}
