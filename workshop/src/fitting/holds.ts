/** What holds a hose: as somebody said it, or as its build and the part at its end have it. */
import type { Hold, JobDetail } from '@zephyrcombe/contract';
import { hoseOfJob, partsOf } from '@zephyrcombe/contract';
import { buildOfHose } from './builds.ts';
import { factOf } from './facts.ts';

const END_NAMES = {
  supportWasher: 'Support washer',
  bracket: 'Bracket',
  springClip: 'Spring clip',
} as const;

export function holdsOf(detail: JobDetail, lineId: string): readonly Hold[] {
  return factOf(detail, 'holds', lineId) ?? assumedHolds(detail, lineId);
}

/** Taken from the build and from the part that an end sits in: nobody has looked yet. */
export function assumedHolds(detail: JobDetail, lineId: string): readonly Hold[] {
  const own = hoseOfJob(detail, lineId);
  if (!own) return [];
  const { components } = partsOf(detail);
  const build = buildOfHose(detail, lineId);
  if (!build) return [];
  const atEnd = (at: 'A' | 'B'): Hold[] => {
    const fitting = at === 'A' ? build.endA : build.endB;
    const joint = at === 'A' ? own.a?.joint : own.b?.joint;
    const inBracket = components.find(({ id }) => id === joint?.componentId)?.kind === 'bracket';
    const hold = (kind: keyof typeof END_NAMES, more: Partial<Hold> = {}): Hold => ({
      id: `${lineId}.${at}.${kind}`,
      name: `${END_NAMES[kind]} at the ${(joint?.name ?? `end ${at}`).toLowerCase()}`,
      kind,
      at,
      closed: false,
      keyed: false,
      tighten: false,
      ...more,
    });
    return [
      ...(fitting.supportWasher ? [hold('supportWasher', { closed: true })] : []),
      ...(inBracket || fitting.bracket ? [hold('bracket', { closed: true })] : []),
      ...(inBracket && fitting.groove === true ? [hold('springClip')] : []),
    ];
  };
  return [
    ...atEnd('A'),
    ...atEnd('B'),
    ...build.along
      .filter(({ kind }) => kind === 'clip')
      .map(({ id, note }, at): Hold => ({
        id: `${lineId}.along.${id.replaceAll(/\s/g, '-')}`.slice(0, 120),
        name: note || `Clip ${at + 1} along the hose`,
        kind: 'pClip',
        at: 'mid',
        closed: false,
        keyed: false,
        tighten: true,
      })),
  ];
}
