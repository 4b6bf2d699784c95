/** A step with the names of what it is about. */
import type { PlanStep, StepPattern } from '@zephyrcombe/core/plan';

const NAMING = ['joint', 'line', 'hold', 'lead', 'cover', 'reservoir', 'nipple', 'circuit'];

/** A step with the names of what it is about: all that its sentence needs. */
export interface NamedStep {
  readonly step: PlanStep;
  readonly names: Readonly<Record<string, string>>;
}

export function named(step: PlanStep, nameOf: (id: string) => string): NamedStep {
  const names = idsIn(step).map((id) => [id, nameOf(id)] as const);
  return { step, names: Object.fromEntries(names) };
}

/** The step whatever else is said of it: the same one with another figure, or other washers. */
export function patternOf(step: PlanStep): StepPattern {
  const fields = step as unknown as Readonly<Record<string, unknown>>;
  return Object.fromEntries(
    ['kind', ...NAMING, 'opening', 'body', 'end', 'final'].flatMap((field) =>
      fields[field] === undefined ? [] : [[field, fields[field]]],
    ),
  );
}

/** Ids that a step names; those of an opening are in its words. */
export function idsIn(step: PlanStep): readonly string[] {
  const fields = step as unknown as Readonly<Record<string, unknown>>;
  const single = NAMING.flatMap((field) => (typeof fields[field] === 'string' ? [fields[field]] : []));
  if (step.kind === 'cap' || step.kind === 'uncap') return [step.opening.split(':')[1] ?? ''];
  return step.kind === 'movement' ? [...step.lines] : single;
}
