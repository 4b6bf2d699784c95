/** What a hose would be ordered or cut by, and nobody has seen or measured: M102. */
import type { EndGeometry, LengthPoint } from '../fittings/end.ts';
import { isVouched, sealingPointOf } from '../fittings/end.ts';
import type { HoseBuild } from '../hoseBuild/build.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { SceneHose } from '../route/sceneParts.ts';
import type { HydraulicJoint, HydraulicPort } from './hydraulics.ts';
import type { JointFact } from './known.ts';
import { isAssumed, ORDERED_BY, ORIGINS } from './known.ts';

/** A joint as far as its bolt is chosen by it. */
type BoltedJoint = Pick<HydraulicJoint, 'seal' | 'eyeThickness_m' | 'known'>;

/** Figures of a joint that a hose and its bolts are ordered by, and somebody only assumes. */
export const assumedOfJoint = (joint: BoltedJoint, port: HydraulicPort): readonly JointFact[] => [
  ...ORDERED_BY.filter((fact) => isAssumed(port, fact)),
  ...(joint.seal === 'banjo' && isAssumed(joint, 'eyeThickness_m') ? (['eyeThickness_m'] as const) : []),
];

/** What is to be looked at once the joint is open: the same, and an eye that nobody has entered. */
export const unseenOfJoint = (joint: BoltedJoint, port: HydraulicPort): readonly JointFact[] => [
  ...assumedOfJoint(joint, port),
  ...(joint.seal === 'banjo' && joint.eyeThickness_m === null ? (['eyeThickness_m'] as const) : []),
];

/** M102 where a hose and its bolts would be ordered by figures of a joint that are only assumed. */
export function judgeAssumedJoint(joint: BoltedJoint, port: HydraulicPort): readonly Caution[] {
  const facts = assumedOfJoint(joint, port);
  if (facts.length === 0) return [];
  const origins = facts.map(
    (fact) => (fact === 'eyeThickness_m' ? joint : port).known?.[fact]?.origin ?? 'notSaid',
  );
  return [{ id: 'M102', evidence: { facts, from: ORIGINS.filter((origin) => origins.includes(origin)) } }];
}

/**
 * M102 where something that is ordered with a hose clasps it, and its outside is an example: the clip of another size pinches or
 * slips. A hose that nothing holds is ordered by its bore and class.
 */
export function judgeHoseOutside({
  outsideFrom,
  along,
}: Pick<HoseBuild, 'outsideFrom' | 'along'>): readonly Caution[] {
  const isHeld = along.some(({ clip_m, outside_m }) => clip_m !== null && outside_m === null);
  return isHeld && !isVouched(outsideFrom)
    ? [{ id: 'M102', evidence: { facts: ['outside'], from: [outsideFrom ?? 'notSaid'] } }]
    : [];
}

/** M102 where a route was judged by the outside and the least radius of a hose that nobody has read or measured. */
export const judgeHoseFigures = ({ figuresFrom }: Pick<SceneHose, 'figuresFrom'>): readonly Caution[] =>
  isVouched(figuresFrom)
    ? []
    : [{ id: 'M102', evidence: { facts: ['outside', 'bendRadius'], from: [figuresFrom ?? 'notSaid'] } }];

/** M102 where a length that is counted from `point` rests on the dimensions of an end that nobody has read or measured. */
export function judgeTakeOffs(end: EndGeometry, point: LengthPoint): readonly Caution[] {
  if (point === sealingPointOf(end) || isVouched(end.takeOffsFrom)) return [];
  return [{ id: 'M102', evidence: { facts: ['takeOff'], from: [end.takeOffsFrom ?? 'notSaid'] } }];
}
