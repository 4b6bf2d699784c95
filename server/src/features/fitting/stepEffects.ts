/** What the steps of fitting mean for the joints, hoses and ticks that other stages read: worked out from the state they leave. */
import type { FitStep, JobDetail } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import type { PlanStep } from '@zephyrcombe/core/plan';
import { fitPlanOf } from '@zephyrcombe/workshop';
import type { JobAction } from '../jobs/jobAction.ts';

type Writing = Pick<JobAction, 'job' | 'detail' | 'models' | 'transaction'>;

const ON: ReadonlySet<string> = new Set(['handBare', 'handWashered', 'tight']);

/** `after`: the job with the steps as they stand now. */
export async function writeEffects(
  { job, detail, models, transaction }: Writing,
  after: JobDetail,
): Promise<void> {
  const { state } = fitPlanOf(after);
  for (const { jointId, handTight, leakChecked, version } of detail.joints) {
    const now = state.joints.get(jointId);
    if (!now) continue;
    const isOn = ON.has(now.phase);
    const isDry = leakChecked && isOn;
    if (isOn === handTight && isDry === leakChecked) continue;
    await models.JobJoint.update(
      { handTight: isOn, leakChecked: isDry, version: version + 1 },
      { where: { jobId: detail.job.id, jointId }, transaction },
    );
  }
  const changes = { ...handoverChange(job, after), ...fitChange(job, after) };
  if (Object.keys(changes).length > 0)
    await job.update({ ...changes, version: job.version + 1 }, { transaction });
}

type Change = Partial<Pick<JobAction['job'], 'fitChecks' | 'handoverChecks'>>;

/** Hoses settled and seen in their poses: nothing where they stand as they did. */
function fitChange({ fitChecks }: JobAction['job'], after: JobDetail): Change {
  if (after.hoses.length === 0) return {};
  const { state, scope } = fitPlanOf(after);
  const lines = after.hoses.map(({ hoseId }) => ({
    now: state.lines.get(hoseId),
    poses: scope.lines.find(({ id }) => id === hoseId)?.poses ?? [],
  }));
  const isSeen = lines.every(
    ({ now, poses }) => now?.new === 'routed' && poses.every((pose) => now.seen.has(pose)),
  );
  const ticks = {
    offeredUp: after.job.fitChecks.offeredUp,
    settle: lines.every(({ now }) => now?.settled === true),
    lockToLock: isSeen,
    droopAndBump: isSeen,
  };
  const isOther = (Object.keys(ticks) as (keyof typeof ticks)[]).some(
    (tick) => ticks[tick] !== fitChecks[tick],
  );
  return isOther ? { fitChecks: ticks } : {};
}

/** Caps counted and the last movement seen are asked once: what a step says the hand over knows, and what opens the brake takes back. */
function handoverChange({ handoverChecks: kept }: JobAction['job'], after: JobDetail): Change {
  const { state } = fitPlanOf({ ...after, job: { ...after.job, handoverChecks: {} } });
  const isAnyOpen = [...state.joints.values()].some(({ touched, phase }) => touched && phase !== 'tight');
  const wanted = {
    plugsCounted: !isAnyOpen && (kept.plugsCounted === true || state.capsCounted),
    lockToLockAgain: !isAnyOpen && (kept.lockToLockAgain === true || state.finalSeen),
  };
  const isSame = (['plugsCounted', 'lockToLockAgain'] as const).every(
    (check) => (kept[check] === true) === wanted[check],
  );
  return isSame ? {} : { handoverChecks: { ...kept, ...wanted } };
}

/** Which opening of which hose a cap is counted at; null where no hose of the job ends there. */
export function openingOfHose(
  detail: JobDetail,
  opening: string,
): { readonly hoseId: string; readonly end: 'A' | 'B' } | null {
  const [what, id = '', end] = opening.split(':');
  const { hoses } = partsOf(detail);
  const own = hoses.filter((line) => detail.hoses.some(({ hoseId }) => hoseId === line.id));
  if (what === 'end' && own.some((line) => line.id === id))
    return { hoseId: id, end: end === 'A' ? 'A' : 'B' };
  const other = hoses.find((line) => line.id === id);
  const jointId = what === 'port' ? id : end === 'A' ? other?.fromJointId : other?.toJointId;
  const hose = own.find(({ fromJointId, toJointId }) => fromJointId === jointId || toJointId === jointId);
  return hose ? { hoseId: hose.id, end: hose.fromJointId === jointId ? 'A' : 'B' } : null;
}

/** Caps that steps have put on and taken off, by hose and end. */
export function capsCounted(
  detail: JobDetail,
  steps: readonly Pick<FitStep, 'step'>[],
  isBack: boolean,
): ReadonlyMap<string, { readonly A: Count; readonly B: Count }> {
  const counts = new Map<string, { A: Count; B: Count }>();
  const add = (hoseId: string, end: 'A' | 'B', put: number, out: number) => {
    const own = counts.get(hoseId) ?? { A: { put: 0, out: 0 }, B: { put: 0, out: 0 } };
    const sign = isBack ? -1 : 1;
    own[end] = { put: own[end].put + sign * put, out: own[end].out + sign * out };
    counts.set(hoseId, own);
  };
  for (const { step } of steps) {
    if (!isCap(step)) continue;
    const at = openingOfHose(detail, step.opening);
    if (at) add(at.hoseId, at.end, step.kind === 'cap' ? 1 : 0, step.kind === 'uncap' ? 1 : 0);
  }
  return counts;
}

interface Count {
  readonly put: number;
  readonly out: number;
}

const isCap = (step: PlanStep): step is Extract<PlanStep, { kind: 'cap' | 'uncap' }> =>
  step.kind === 'cap' || step.kind === 'uncap';

const MOST_CAPS = 20;

export async function writeCaps(
  { detail, models, transaction }: Writing,
  steps: readonly Pick<FitStep, 'step'>[],
  isBack = false,
): Promise<void> {
  for (const [hoseId, counted] of capsCounted(detail, steps, isBack)) {
    const hose = detail.hoses.find((one) => one.hoseId === hoseId);
    if (!hose) continue;
    const of = (end: 'A' | 'B') => {
      const { put, out } = counted[end];
      if (put === 0 && out === 0) return hose.plugs[end];
      // A hose out of its box, and one made here, comes with one on each end.
      const kept = hose.plugs[end] ?? { put: 1, out: 0 };
      const within = (count: number) => Math.min(Math.max(count, 0), MOST_CAPS);
      return { put: within(kept.put + put), out: within(kept.out + out) };
    };
    await models.JobHose.update(
      { plugs: { A: of('A'), B: of('B') }, version: hose.version + 1 },
      { where: { jobId: detail.job.id, hoseId }, transaction },
    );
  }
}
