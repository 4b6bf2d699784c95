/**
 * One rule for the whole core: a figure without a physical meaning is refused, and the refusal names the field. What returns a
 * `Result` gives the problem back; what returns a bare figure throws it as `NotPhysical`, because it has nowhere to put it.
 */
import type { Problem } from './problem.ts';
import { LARGEST, SMALLEST } from './problem.ts';

/** What some fields, by their name wherever they stand, may not be. Every other figure only has to be a finite one. */
export interface PhysicalRules {
  readonly positive?: readonly string[];
  readonly notNegative?: readonly string[];
}

/** A refusal of a function that returns a bare figure. */
export class NotPhysical extends RangeError {
  constructor(readonly problem: Problem) {
    super(`${problem.code}: ${problem.field}`);
    this.name = 'NotPhysical';
  }
}

/** Throws a problem, if there is one. */
export function demand(problem: Problem | null): void {
  if (problem) throw new NotPhysical(problem);
}

/**
 * The first figure in the input, however deep, that is not finite, is larger than anything on a vehicle or breaks a rule; null when
 * all are sound. `null`, texts and truths are no figures. The field is its path, "legs.1" or "clips.0.at_m".
 */
export function unphysical(input: object, rules: PhysicalRules = {}, path = ''): Problem | null {
  for (const [key, value] of Object.entries(input)) {
    const field = path === '' ? key : `${path}.${key}`;
    const refused: Problem | null =
      typeof value === 'number'
        ? figureProblem(field, Array.isArray(input) ? lastName(path) : key, value, rules)
        : typeof value === 'object' && value !== null && !ArrayBuffer.isView(value)
          ? unphysical(value as object, rules, field)
          : null;
    if (refused) return refused;
  }
  return null;
}

/** A list's figures go by the name of the list. */
const lastName = (path: string) => path.split('.').findLast((part) => !/^\d+$/.test(part)) ?? path;

function figureProblem(
  field: string,
  name: string,
  value: number,
  { positive = [], notNegative = [] }: PhysicalRules,
): Problem | null {
  if (!Number.isFinite(value)) return { code: 'notFinite', field };
  if (Math.abs(value) > LARGEST) return { code: 'tooLarge', field };
  if (positive.includes(name) && value < SMALLEST) return { code: 'notPositive', field, value };
  if (notNegative.includes(name) && value < 0) return { code: 'notPositive', field, value };
  return null;
}
