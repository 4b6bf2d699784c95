/** What a step is about: what is different there, and what its photographs are of. */
import type { JobDetail } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { fitNames, fitPlanOf } from '@zephyrcombe/workshop';
import type { PhotoOf } from '../photos/usePhotoUpload.ts';

interface Named {
  readonly joint: string | null;
  readonly lines: readonly string[];
}

/** The joint or the lines that a step names itself: of a clip or a lead, the line that it holds or lies along. */
function namedBy(detail: JobDetail, step: PlanStep): Named {
  const { scope } = fitPlanOf(detail);
  const ofJoint = (joint: string): Named => ({ joint, lines: [] });
  const ofLines = (...lines: readonly string[]): Named => ({ joint: null, lines });
  const along = (list: readonly { readonly id: string; readonly line: string }[], id: string): Named =>
    ofLines(...list.flatMap((one) => (one.id === id ? [one.line] : [])));
  if ('joint' in step) return ofJoint(step.joint);
  if ('line' in step) return ofLines(step.line);
  if ('hold' in step) return along(scope.holds, step.hold);
  if ('lead' in step) return along(scope.leads, step.lead);
  if (step.kind === 'movement') return ofLines(...step.lines);
  if (step.kind !== 'cap' && step.kind !== 'uncap') return ofLines();
  const [what, id] = step.opening.split(':');
  if (id === undefined) return ofLines();
  return what === 'port' ? ofJoint(id) : ofLines(id);
}

/** The joints and lines that may be different at a step. */
export function aboutOf(
  detail: JobDetail,
  step: PlanStep,
): { readonly joints: readonly string[]; readonly lines: readonly string[] } {
  const { scope } = fitPlanOf(detail);
  const { joint, lines: own } = namedBy(detail, step);
  const lines = scope.lines.filter(
    ({ id, A, B }) => own.includes(id) || A.joint === joint || B.joint === joint,
  );
  return {
    joints: joint === null ? lines.flatMap(({ A, B }) => [A.joint, B.joint]) : [joint],
    lines: lines.filter(({ action }) => action !== 'leave').map(({ id }) => id),
  };
}

/** The joint that a step is at; null where it is at none. */
export const jointOfStep = (detail: JobDetail, step: PlanStep): string | null => namedBy(detail, step).joint;

/** What a photograph that is taken at a step is of; of the whole job where the step is about no single part. */
export function photoOfStep(detail: JobDetail, step: PlanStep): PhotoOf {
  const names = fitNames(detail);
  const of = (subjectId: string): PhotoOf => ({
    subject: 'part',
    subjectId,
    name: names(subjectId),
    step: step.kind,
  });
  if ('cover' in step) return { ...of(step.cover), subject: 'cover' };
  if ('reservoir' in step) return of(step.reservoir);
  if ('nipple' in step) return of(step.nipple);
  if ('circuit' in step) return of(step.circuit);
  const { joint, lines } = namedBy(detail, step);
  const [line, ...others] = lines;
  if (joint !== null) return of(joint);
  if (line !== undefined && others.length === 0) return of(line);
  return { ...of(detail.job.id), subject: 'job', name: detail.job.title };
}
