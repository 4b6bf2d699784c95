/** What a job will look like once an action is through, shown at once: a tick does not wait for the network. */
import type { BleedRow, BleedUpdate, FitFact, FitStep, JobDetail } from '@zephyrcombe/contract';
import { withBleedRows } from '@zephyrcombe/workshop';
import type { RequestOf } from './client.ts';
import type { JobActionName } from './jobActionName.ts';

type Row = Readonly<Record<string, unknown>>;

/** Checks are sent one by one and merged; everything else replaces what was there. */
const MERGED = new Set(['fitChecks', 'handoverChecks', 'poseChecks']);

/** The detail with one action's changes in it; actions whose outcome only the server knows change nothing. */
export function withAction(
  detail: JobDetail,
  name: JobActionName,
  input: RequestOf<JobActionName>,
  now: string,
): JobDetail {
  const params = (input.params ?? {}) as Readonly<Record<string, string>>;
  const body = (input.body ?? {}) as Row;
  switch (name) {
    case 'editJob':
      return { ...detail, job: patched(detail.job, body) };
    case 'editJobHose':
      return {
        ...detail,
        hoses: detail.hoses.map((hose) => (hose.hoseId === params.hoseId ? patched(hose, body) : hose)),
      };
    case 'editJobJoint':
      return {
        ...detail,
        joints: detail.joints.map((joint) =>
          joint.jointId === params.jointId ? patched(joint, body) : joint,
        ),
      };
    case 'takeFitSteps': {
      const steps = body.steps as readonly Pick<FitStep, 'id' | 'step'>[];
      const isNew = ({ id }: Pick<FitStep, 'id'>) => !detail.fitSteps.some((known) => known.id === id);
      return {
        ...detail,
        fitSteps: [...detail.fitSteps, ...steps.filter(isNew).map((one) => ({ ...one, by: '', at: now }))],
      };
    }
    case 'undoFitStep':
      return { ...detail, fitSteps: detail.fitSteps.filter(({ id }) => id !== params.stepId) };
    case 'sayFitFact': {
      const { id, said } = body as unknown as Pick<FitFact, 'id' | 'said'>;
      const isKnown = detail.fitFacts.some((fact) => fact.id === id);
      return isKnown ? detail : { ...detail, fitFacts: [...detail.fitFacts, { id, said, by: '', at: now }] };
    }
    case 'addBleedEvent': {
      const isKnown = detail.bleedRuns.some(({ events }) => events.some(({ id }) => id === body.id));
      if (isKnown) return detail;
      const row = { ...body, nippleId: params.nippleId, at: now, sequence: newestEvent(detail) + 1 };
      return { ...detail, bleedRuns: withBleedRows(detail.bleedRuns, [row as unknown as BleedRow]) };
    }
    default:
      return detail;
  }
}

/** The newest event at the nipples that this page knows of, 0 where there is none. */
export const newestEvent = ({ bleedRuns }: Pick<JobDetail, 'bleedRuns'>): number =>
  Math.max(0, ...bleedRuns.flatMap(({ events }) => events.map(({ sequence }) => sequence)));

/** What the server says changed at the nipples, taken into what is shown. */
export const withUpdate = (detail: JobDetail, { rows }: BleedUpdate): JobDetail => ({
  ...detail,
  bleedRuns: withBleedRows(detail.bleedRuns, rows),
});

/** The version stays: it is the server's to raise. A length that is taken or a specification waits for the server's word. */
function patched<Part extends object>(row: Part, body: Row): Part {
  const known = row as unknown as Row;
  const changes = Object.entries(body).filter(
    ([field]) => field in row && !['version', 'order_m', 'specified'].includes(field),
  );
  return {
    ...row,
    ...Object.fromEntries(
      changes.map(([field, value]) => [
        field,
        MERGED.has(field) ? { ...(known[field] as object), ...(value as object) } : value,
      ]),
    ),
  };
}
