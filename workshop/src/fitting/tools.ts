/** What a plan of fitting asks to have at hand before the first step, and how long it will take. */
import type { Hold, JobDetail, Wrench } from '@zephyrcombe/contract';
import { isClosed, lineOfJob, partsOf } from '@zephyrcombe/contract';
import type { Driver, PlanStep, TotalTime } from '@zephyrcombe/core/plan';
import {
  capsBySize,
  jointOfOpening,
  learntTime,
  SOAK_s,
  stepDurations,
  totalTime,
  USUAL_TIME_s,
} from '@zephyrcombe/core/plan';
import { wrenchRange } from '@zephyrcombe/core';
import { fitPlanOf } from './fitPlanOf.ts';
import { holdsOf } from './holds.ts';

export interface FitTools {
  /** Hexagons that are turned; null where nobody has measured one. */
  readonly hexagons: readonly {
    readonly across_m: number | null;
    readonly isFlareNut: boolean;
    readonly joints: readonly string[];
  }[];
  /** Joints whose hexagon on the other side is held with a second wrench. */
  readonly backup: readonly string[];
  /** For the screws of clips and brackets that are turned; null where nobody has looked at one. */
  readonly drivers: readonly { readonly driver: Driver | null; readonly holds: readonly string[] }[];
  /** Torque wrenches that hold the figures of the plan, and the joints that none of the shop’s holds. */
  readonly torqueWrenches: readonly string[];
  readonly beyondWrenches: readonly string[];
  /** New washers, each joint by itself. */
  readonly washers: readonly { readonly joint: string; readonly count: number }[];
  /** Caps and plugs that are on at once, by the thread of their opening; null where nobody knows it. */
  readonly caps: readonly { readonly thread: string | null; readonly most: number }[];
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
  const { plan, scope } = fitPlanOf(detail);
  const { joints, ports } = partsOf(detail);
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
    drivers: driversOf(detail, plan.steps),
    torqueWrenches: [...new Set(torques.map(wrenchFor).filter((name) => name !== null))],
    beyondWrenches: [
      ...new Set(torques.filter((step) => wrenchFor(step) === null).map(({ joint }) => nameOf(joint))),
    ],
    washers: washersOf(plan.steps).map(([joint, count]) => ({ joint: nameOf(joint), count })),
    caps: [
      ...capsBySize(scope, plan.steps, (opening) => {
        const joint = joints.find(({ id }) => id === jointOfOpening(scope, opening));
        return ports.find(({ id }) => id === joint?.portId)?.thread ?? '';
      }),
    ]
      .filter(([, most]) => most > 0)
      .map(([thread, most]) => ({ thread: thread === '' ? null : thread, most })),
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

/** A spring clip, a guide and a support washer have no screw unless somebody has found one. */
const SCREWED: ReadonlySet<Hold['kind']> = new Set<Hold['kind']>(['pClip', 'bracket']);

function driversOf(detail: JobDetail, steps: readonly PlanStep[]): FitTools['drivers'] {
  const turned = new Set(steps.flatMap((step) => ('hold' in step ? [step.hold] : [])));
  const lines = [...detail.hoses.map(({ hoseId }) => hoseId), ...detail.lines.map(({ lineId }) => lineId)];
  const byDriver = new Map<Driver | null, readonly string[]>();
  for (const { id, kind, name, driver } of lines.flatMap((lineId) => holdsOf(detail, lineId))) {
    if (!turned.has(id) || driver === 'none' || (!driver && !SCREWED.has(kind))) continue;
    byDriver.set(driver ?? null, [...(byDriver.get(driver ?? null) ?? []), name]);
  }
  return [...byDriver].map(([driver, holds]) => ({ driver, holds: [...new Set(holds)] }));
}

function washersOf(steps: readonly PlanStep[]): readonly (readonly [string, number])[] {
  const counts = new Map<string, number>();
  for (const step of steps)
    if ((step.kind === 'join' || step.kind === 'freshWashers') && step.washers > 0)
      counts.set(step.joint, (counts.get(step.joint) ?? 0) + step.washers);
  return [...counts];
}

/**
 * What is left at the vehicle, by what steps took in this job and in the shop's others, and by what is usual; a soak is waiting and
 * stands apart. `shop`: durations by kind, of the other jobs.
 */
export function fitTimes(
  detail: JobDetail,
  shop: ReadonlyMap<string, readonly number[]> = new Map(),
): { readonly left: TotalTime; readonly waiting_s: number; readonly logged: number } {
  const own = stepDurations(
    detail.fitSteps.map(({ step, at }) => ({ kind: step.kind, at_s: Date.parse(at) / 1000 })),
  );
  const taken = (kind: PlanStep['kind']) => [...(own.get(kind) ?? []), ...(shop.get(kind) ?? [])];
  const { steps } = fitPlanOf(detail).plan;
  const times = isClosed(detail.job)
    ? []
    : steps.flatMap(({ kind }) => {
        const usual_s = USUAL_TIME_s[kind];
        return usual_s === undefined ? [] : [learntTime(taken(kind), usual_s)];
      });
  return {
    left: totalTime(times),
    waiting_s: steps.some(({ kind }) => kind === 'soak') ? SOAK_s : 0,
    logged: [...new Set(steps.map(({ kind }) => kind))].reduce((sum, kind) => sum + taken(kind).length, 0),
  };
}
