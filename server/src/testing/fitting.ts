/** Takes the steps of a job's plan of fitting through the API, as somebody at the vehicle does. */
import { randomUUID } from 'node:crypto';
import type { JobDetail } from '@zephyrcombe/contract';
import { jointOfJob, torqueOf } from '@zephyrcombe/contract';
import { unseenOfJoint } from '@zephyrcombe/core';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { jointOfOpening, plainStep } from '@zephyrcombe/core/plan';
import { fitPlanOf, isRecordedElsewhere } from '@zephyrcombe/workshop';
import type { TestServer } from './testServer.ts';

type Server = Pick<TestServer, 'ask'>;
type Reply = Awaited<ReturnType<TestServer['ask']>>;

export interface FitOptions {
  readonly overrides?: readonly object[];
  /** Steps that somebody leaves out. */
  readonly without?: readonly PlanStep['kind'][];
}

export const sendSteps = (
  server: Server,
  jobId: string,
  steps: readonly PlanStep[],
  overrides: readonly object[] = [],
): Promise<Reply> =>
  server.ask('POST', `/api/jobs/${jobId}/fit-steps`, {
    steps: steps.map((step) => ({ id: randomUUID(), step: plainStep(step) })),
    overrides,
  });

const jobOf = async (server: Server, jobId: string): Promise<JobDetail> =>
  (await server.ask('GET', `/api/jobs/${jobId}`)).json();

/** Everything that a joint needs, and the joint on by hand. What is refused is the answer. */
export async function putOn(
  server: Server,
  jobId: string,
  jointId: string,
  { overrides = [], without = [] }: FitOptions = {},
): Promise<Reply> {
  const { plan, scope } = fitPlanOf(await jobOf(server, jobId));
  const at = plan.steps.findIndex((step) => step.kind === 'join' && step.joint === jointId);
  const join: PlanStep = plan.steps[at] ?? { kind: 'join', joint: jointId, by: 'bolt', washers: 0 };
  const isNeeded = (step: PlanStep) => {
    if (without.includes(step.kind) || isRecordedElsewhere(step)) return false;
    if (['join', 'settle', 'movement', 'tightenHold', 'mark'].includes(step.kind)) return false;
    return step.kind !== 'uncap' || jointOfOpening(scope, step.opening) === jointId;
  };
  return sendSteps(
    server,
    jobId,
    [...plan.steps.slice(0, Math.max(at, 0)).filter(isNeeded), join],
    overrides,
  );
}

/** Everything up to the first joint that is tightened; then what was left out because another came first. */
export async function putTogether(server: Server, jobId: string, options: FitOptions = {}): Promise<Reply> {
  const { plan } = fitPlanOf(await jobOf(server, jobId));
  const end = plan.steps.findIndex((step) => isRecordedElsewhere(step));
  const steps = plan.steps
    .slice(0, end < 0 ? plan.steps.length : end)
    .filter((step) => !options.without?.includes(step.kind));
  return sendSteps(server, jobId, steps, options.overrides);
}

/** The steps of one kind that the plan has next. */
export async function takeAll(
  server: Server,
  jobId: string,
  kinds: readonly PlanStep['kind'][],
): Promise<Reply> {
  const { plan } = fitPlanOf(await jobOf(server, jobId));
  const steps = plan.steps.filter(({ kind }) => kinds.includes(kind));
  return steps.length > 0 ? sendSteps(server, jobId, steps) : server.ask('GET', `/api/jobs/${jobId}`);
}

/** The last steps taken back, one after the other, as many as are said. */
export async function takeBack(server: Server, jobId: string, count = Infinity): Promise<Reply[]> {
  const replies: Reply[] = [];
  for (let left = count; left > 0; left -= 1) {
    const last = (await jobOf(server, jobId)).fitSteps.at(-1);
    if (!last) break;
    const reply = await server.ask('DELETE', `/api/jobs/${jobId}/fit-steps/${last.id}`);
    replies.push(reply);
    if (reply.statusCode !== 200) break;
  }
  return replies;
}

/** Steps of the stage after it. */
const AFTER: ReadonlySet<PlanStep['kind']> = new Set<PlanStep['kind']>([
  'countCaps',
  'bleed',
  'absCycle',
  'pressureHold',
  'leakCheck',
]);

/** The plan to its last joint, ports looked into where they were only assumed. */
export async function fitThrough(
  server: Server,
  jobId: string,
  wrenchId: string,
  over: object = {},
): Promise<void> {
  let detail = await jobOf(server, jobId);
  const good = (reply: Reply): void => {
    if (reply.statusCode !== 200) throw new Error(reply.body);
    detail = reply.json();
  };
  for (;;) {
    const { steps } = fitPlanOf(detail).plan;
    const [next] = steps;
    if (!next || AFTER.has(next.kind)) return;
    if (!isRecordedElsewhere(next)) {
      const { state } = fitPlanOf(detail);
      for (const { jointId } of detail.joints)
        if (state.joints.get(jointId)?.phase === 'open') {
          const seen = await seeWhatIsAssumed(server, detail, jointId);
          if (seen) good(seen);
        }
      // What stands open is looked into before its cap comes off.
      const isJoin = next.kind === 'uncap' || next.kind === 'join';
      const end = steps.findIndex(
        (step, at) =>
          isRecordedElsewhere(step) ||
          AFTER.has(step.kind) ||
          (isJoin ? steps[at - 1]?.kind === 'join' : step.kind === 'uncap' || step.kind === 'join'),
      );
      good(await sendSteps(server, jobId, end < 0 ? steps : steps.slice(0, end)));
      continue;
    }
    if (!('joint' in next)) throw new Error(`${next.kind} is no joint`);
    const at = jointOfJob(detail, next.joint);
    if (!at) throw new Error('no joint');
    const { minimum_Nm, maximum_Nm } = torqueOf(at.joint).governing;
    const torque_Nm = (minimum_Nm + maximum_Nm) / 2;
    good(
      await server.ask('POST', `/api/jobs/${jobId}/torque-records`, {
        id: randomUUID(),
        jointId: next.joint,
        wrenchId,
        torque_Nm,
        typed: `${torque_Nm} N·m`,
        freshWashers: at.eyes + 1,
        witnessMark: true,
        ...over,
      }),
    );
  }
}

async function seeWhatIsAssumed(server: Server, detail: JobDetail, jointId: string): Promise<Reply | null> {
  const at = jointOfJob(detail, jointId);
  if (!at || unseenOfJoint(at.joint, at.port).length === 0) return null;
  const circuit = detail.circuits.find((one) => one.circuit.id === at.joint.circuitId)?.circuit;
  const { thread, gender, seat, depth_m } = at.port;
  return server.ask('POST', `/api/jobs/${detail.job.id}/joints/${jointId}/seen`, {
    version: circuit?.version,
    how: 'seen',
    thread,
    gender,
    seat,
    depth_m,
    eyeThickness_m: at.joint.eyeThickness_m,
  });
}
