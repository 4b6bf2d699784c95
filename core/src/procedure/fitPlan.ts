/**
 * The order in which a job is put together: what is new offered up, everything hand tight in an order its ends allow, new hoses settled
 * and checked, and only then fresh washers and torque, joint by joint.
 */
import type { SealKind } from '../joint/sealKind.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';

export interface PlanJoint {
  readonly id: string;
  readonly seal: SealKind;
}

export interface PlanHose {
  readonly id: string;
  readonly fromJointId: string;
  readonly toJointId: string;
}

export type FitStep =
  | { readonly kind: 'offeredUp' }
  | { readonly kind: 'handTight'; readonly jointId: string; readonly because: 'cannotSwivel' | 'floats' }
  | { readonly kind: 'settle' }
  | { readonly kind: 'lockToLock' }
  | { readonly kind: 'droopAndBump' }
  | { readonly kind: 'torque'; readonly jointId: string };

/** What goes on new: a joint that is only tightened anew has nothing to hold against its route. */
export interface Renewed {
  readonly hoses: boolean;
  readonly lines: boolean;
}

/**
 * A valid order for these joints. Of each hose, an end that cannot swivel goes in before the other end, because
 * the whole hose has to turn. Problem: both ends of one hose cannot swivel, so that it cannot be fitted untwisted.
 */
export function fitPlan(
  joints: readonly PlanJoint[],
  hoses: readonly PlanHose[],
  renewed: Renewed,
): Result<readonly FitStep[]> {
  const seal = new Map(joints.map((joint) => [joint.id, joint.seal]));
  for (const hose of hoses) {
    if (seal.get(hose.fromJointId) === 'screwed' && seal.get(hose.toJointId) === 'screwed') {
      return problem({ code: 'endsCannotBothGoFirst', field: hose.id });
    }
  }
  // Screwed ends first is enough: no hose has two, so no joint waits for a joint that waits for it.
  const ordered = [
    ...joints.filter((joint) => joint.seal === 'screwed'),
    ...joints.filter((joint) => joint.seal !== 'screwed'),
  ];
  const steps: readonly FitStep[] = [
    ...(renewed.hoses || renewed.lines ? [{ kind: 'offeredUp' } as const] : []),
    ...ordered.map((joint): FitStep => ({
      kind: 'handTight',
      jointId: joint.id,
      because: joint.seal === 'screwed' ? 'cannotSwivel' : 'floats',
    })),
    ...(renewed.hoses
      ? ([{ kind: 'settle' }, { kind: 'lockToLock' }, { kind: 'droopAndBump' }] as const)
      : []),
    ...ordered.map((joint): FitStep => ({ kind: 'torque', jointId: joint.id })),
  ];
  return { ...calculated(steps, []), sources: ['fitOrder'] };
}
