/** What a plan of fitting asks to have at hand before the first step, and how long it will take. */
import type { JobDetail, Wrench } from '@zephyrcombe/contract';
import { isClosed, lineOfJob, partsOf } from '@zephyrcombe/contract';
import type { PlanStep, TotalTime } from '@zephyrcombe/core/plan';
import { learntTime, SOAK_s, totalTime, USUAL_TIME_s } from '@zephyrcombe/core/plan';
import { wrenchRange } from '@zephyrcombe/core';
import { fitPlanOf } from './fitPlanOf.ts';

export interface FitTools {
  /** Hexagons that are turned; null where nobody has measured one. */
  readonly hexagons: readonly {
    readonly across_m: number | null;
    readonly isFlareNut: boolean;
    readonly joints: readonly string[];
  }[];
  /** Joints whose hexagon on the other side is held with a second wrench. */
  readonly backup: readonly string[];
  /** Torque wrenches that hold the figures of the plan, and the joints that none of the shop’s holds. */
  readonly torqueWrenches: readonly string[];
  readonly beyondWrenches: readonly string[];
  readonly washers: number;
  readonly capsPeak: number;
  readonly soaks: readonly string[];
  readonly isHeated: boolean;
  readonly isCut: boolean;
  /** Steps that want a second pair of hands, each once. */
  readonly helper: readonly ('longLine' | 'heat' | 'turnHose')[];
}

/** Longer than two arms hold against its route. */
const LONG_LINE_m = 1.2;

const holds = ({ maximum_Nm, minimum_Nm }: Wrench, low_Nm: number, high_Nm: number): boolean => {
  const range = wrenchRange(maximum_Nm, minimum_Nm);
  return range.ok && range.value.lowest_Nm <= low_Nm && range.value.highest_Nm >= high_Nm;
};

export function fitTools(detail: JobDetail): FitTools {
  const { plan } = fitPlanOf(detail);
  const { joints } = partsOf(detail);
  const nameOf = (id: string) => joints.find((joint) => joint.id === id)?.name ?? '';
  const ofKind = <Kind extends PlanStep['kind']>(kind: Kind) =>
    plan.steps.filter((step): step is typeof step & { kind: Kind } => step.kind === kind);
  const turned = new Set(
    plan.steps.flatMap((step) =>
      'joint' in step && ['crack', 'open', 'torque', 'byFeel'].includes(step.kind) ? [step.joint] : [],
    ),
  );
  const hexagons = new Map<string, FitTools['hexagons'][number]>();
  for (const joint of joints.filter(({ id }) => turned.has(id))) {
    const isFlareNut = joint.seal === 'flare';
    const key = `${joint.hexagon_m} ${isFlareNut}`;
    const own = hexagons.get(key);
    hexagons.set(key, {
      across_m: joint.hexagon_m,
      isFlareNut,
      joints: [...(own?.joints ?? []), joint.name],
    });
  }
  const torques = ofKind('torque');
  const wrenchFor = ({ minimum_Nm, maximum_Nm }: (typeof torques)[number]) =>
    detail.wrenches.find((wrench) => holds(wrench, minimum_Nm, maximum_Nm))?.name ?? null;
  const offered = ofKind('offerUp').map(({ line }) => line);
  const isLong = offered.some((id) => {
    const order_m = detail.hoses.find(({ hoseId }) => hoseId === id)?.order_m ?? 0;
    return Math.max(order_m, lineOfJob(detail, id)?.fitted.length_m ?? 0) > LONG_LINE_m;
  });
  const isHeated = ofKind('heat').length > 0;
  return {
    hexagons: [...hexagons.values()],
    backup: [
      ...new Set(
        [...torques, ...ofKind('byFeel')].filter(({ backup }) => backup).map(({ joint }) => nameOf(joint)),
      ),
    ],
    torqueWrenches: [...new Set(torques.map(wrenchFor).filter((name) => name !== null))],
    beyondWrenches: [
      ...new Set(torques.filter((step) => wrenchFor(step) === null).map(({ joint }) => nameOf(joint))),
    ],
    washers: plan.totals.washers,
    capsPeak: plan.totals.capsPeak,
    soaks: ofKind('soak').map(({ joint }) => nameOf(joint)),
    isHeated,
    isCut: ofKind('reflare').length > 0,
    helper: [
      ...(isLong ? (['longLine'] as const) : []),
      ...(isHeated ? (['heat'] as const) : []),
      ...(plan.steps.some((step) => step.kind === 'join' && step.by === 'turningHose')
        ? (['turnHose'] as const)
        : []),
    ],
  };
}

/** A pause, and no step. */
const LONGEST_STEP_s = 30 * 60;

/** What is left at the vehicle, by what this job's steps took so far and by what is usual; a soak is waiting and stands apart. */
export function fitTimes(detail: JobDetail): { readonly left: TotalTime; readonly waiting_s: number } {
  const taken = new Map<string, number[]>();
  for (const [index, { step, at }] of detail.fitSteps.entries()) {
    const before = detail.fitSteps[index - 1];
    const took_s = before ? (Date.parse(at) - Date.parse(before.at)) / 1000 : 0;
    if (took_s > 0 && took_s < LONGEST_STEP_s)
      taken.set(step.kind, [...(taken.get(step.kind) ?? []), took_s]);
  }
  const { steps } = fitPlanOf(detail).plan;
  const times = isClosed(detail.job)
    ? []
    : steps.flatMap(({ kind }) => {
        const usual_s = USUAL_TIME_s[kind];
        return usual_s === undefined ? [] : [learntTime(taken.get(kind) ?? [], usual_s)];
      });
  return { left: totalTime(times), waiting_s: steps.some(({ kind }) => kind === 'soak') ? SOAK_s : 0 };
}
