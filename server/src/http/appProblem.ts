/** An answer the API gives on purpose when it cannot do what was asked. */
import type { ApiProblemCode, FieldError } from '@zephyrcombe/contract';
import type { FieldFault, FieldFaultFacts } from '@zephyrcombe/messages';
import { fieldFaultText, PROBLEM_TEXTS } from '@zephyrcombe/messages';
import type { Caution } from '@zephyrcombe/core';

export interface ProblemExtras {
  readonly detail?: string;
  readonly errors?: readonly FieldError[];
  readonly cautions?: readonly Caution[];
  readonly current?: object;
}

export class AppProblem extends Error {
  override readonly name = 'AppProblem';
  readonly code: ApiProblemCode;
  readonly extras: ProblemExtras;

  constructor(code: ApiProblemCode, extras: ProblemExtras = {}) {
    super(extras.detail ?? PROBLEM_TEXTS[code].detail);
    this.code = code;
    this.extras = extras;
  }
}

/** A problem with one field of the request, as validation would have said it. */
export const fieldProblem = <Code extends FieldFault>(
  field: string,
  code: Code,
  ...facts: FieldFaultFacts<Code>
): AppProblem =>
  new AppProblem('validation-failed', { errors: [{ field, message: fieldFaultText(code, ...facts) }] });
