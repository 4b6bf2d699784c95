/** What was said about fitting a job: the newest of a kind about a subject counts. */
import type { FitFactKind, FitFactSaid, JobDetail } from '@zephyrcombe/contract';

type ValueOf<Kind extends FitFactKind> = Extract<FitFactSaid, { kind: Kind }>['value'];

/** Undefined where nobody has said it. */
export function factOf<Kind extends FitFactKind>(
  { fitFacts }: Pick<JobDetail, 'fitFacts'>,
  kind: Kind,
  subjectId: string,
): ValueOf<Kind> | undefined {
  const found = fitFacts.findLast(({ said }) => said.kind === kind && said.subjectId === subjectId);
  return found?.said.value as ValueOf<Kind> | undefined;
}

/** All subjects of a kind with what was said of each last. */
export function factsOfKind<Kind extends FitFactKind>(
  { fitFacts }: Pick<JobDetail, 'fitFacts'>,
  kind: Kind,
): ReadonlyMap<string, ValueOf<Kind>> {
  return new Map(
    fitFacts.flatMap(({ said }): [string, ValueOf<Kind>][] =>
      said.kind === kind ? [[said.subjectId, said.value as ValueOf<Kind>]] : [],
    ),
  );
}

/** Everything of a kind that was ever said about a subject, oldest first. */
export function everSaid<Kind extends FitFactKind>(
  { fitFacts }: Pick<JobDetail, 'fitFacts'>,
  kind: Kind,
  subjectId: string,
): readonly ValueOf<Kind>[] {
  return fitFacts.flatMap(({ said }): ValueOf<Kind>[] =>
    said.kind === kind && said.subjectId === subjectId ? [said.value as ValueOf<Kind>] : [],
  );
}
