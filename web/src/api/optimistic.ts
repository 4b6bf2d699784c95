/** What a job will look like once an action is through, shown at once: a tick does not wait for the network. */
import type { JobDetail } from '@zephyrcombe/contract';
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
    case 'addBleedEvent': {
      const event = { ...body, at: now } as unknown as JobDetail['bleedRuns'][number]['events'][number];
      const run = detail.bleedRuns.find((candidate) => candidate.nippleId === params.nippleId) ?? {
        nippleId: params.nippleId ?? '',
        events: [],
      };
      if (run.events.some((known) => known.id === event.id)) return detail;
      const others = detail.bleedRuns.filter((candidate) => candidate.nippleId !== params.nippleId);
      return { ...detail, bleedRuns: [...others, { ...run, events: [...run.events, event] }] };
    }
    default:
      return detail;
  }
}

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
