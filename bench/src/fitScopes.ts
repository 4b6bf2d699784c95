/** Vans with as many corners as a benchmark wants: pipes that stay, hoses that are replaced, clips, an ABS unit. */
import type { PlanScope } from '@zephyrcombe/core/plan';

/** Three joints a corner: at the unit, at the bracket, at the caliper. */
export function corners(count: number, demands: PlanScope['demands'] = []): PlanScope {
  const each = Array.from({ length: count }, (_none, index) => index);
  return {
    reservoirs: [{ id: 'res', kept: 'auto', nipples: each.map((at) => `n${at}`) }],
    circuits: [{ id: 'c', reservoir: 'res', abs: 'unit', absCanBeCycled: false }],
    components: [
      { id: 'unit', kind: 'absUnit' },
      ...each.flatMap((at) => [
        { id: `br${at}`, kind: 'bracket' },
        { id: `cal${at}`, kind: 'caliper' },
      ]),
    ],
    joints: each.flatMap((at) => [
      {
        id: `src${at}`,
        component: 'unit',
        circuit: 'c',
        fromMaster_m: 0.5,
        height_m: 0.7,
        access: 3,
        washers: 0,
        figure: null,
      },
      {
        id: `jb${at}`,
        component: `br${at}`,
        circuit: 'c',
        fromMaster_m: 2 + at / 50,
        height_m: 0.5,
        access: 2,
        washers: 0,
        figure: null,
        soak: true,
      },
      {
        id: `jc${at}`,
        component: `cal${at}`,
        circuit: 'c',
        fromMaster_m: 2.5 + at / 50,
        height_m: 0.3,
        access: 1,
        washers: 2,
        figure: { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' as const },
      },
    ]),
    lines: each.flatMap((at) => [
      {
        id: `pipe${at}`,
        kind: 'hardLine' as const,
        action: 'leave' as const,
        A: { joint: `src${at}`, end: 'invertedFlareNut' as const },
        B: { joint: `jb${at}`, end: 'invertedFlareNut' as const },
        poses: [],
      },
      {
        id: `hose${at}`,
        kind: 'hose' as const,
        action: 'replace' as const,
        A: { joint: `jb${at}`, end: 'femaleInverted' as const },
        B: { joint: `jc${at}`, end: 'banjo' as const },
        poses: ['lockLeft', 'lockRight', 'droop', 'bump'],
      },
    ]),
    holds: each.flatMap((at) => [
      {
        id: `hole${at}`,
        kind: 'bracket' as const,
        line: `hose${at}`,
        at: 'A' as const,
        closed: true,
        keyed: false,
        tighten: false,
      },
      {
        id: `spring${at}`,
        kind: 'springClip' as const,
        line: `hose${at}`,
        at: 'A' as const,
        closed: false,
        keyed: false,
        tighten: false,
      },
    ]),
    leads: each.map((at) => ({ id: `lead${at}`, line: `hose${at}`, side: 'outside' })),
    covers: [],
    choices: {},
    demands,
    done: [],
  };
}

/** What cannot be: the end is joined before it goes through its bracket. */
export const IMPOSSIBLE: PlanScope['demands'] = [
  {
    id: 'd1',
    kind: 'before',
    first: { kind: 'join', joint: 'jb0' },
    then: { kind: 'placeHold', hold: 'hole0' },
  },
];
