/** One hard line of a job with what stands at its two ends: the same on the screen, on paper and on the server. */
import type { Caution, Developed, LineMade } from '@zephyrcombe/core';
import { developed, judgeAssumedJoint, judgeFlareSeat, judgeLine } from '@zephyrcombe/core';
import type { JobDetail } from '../entities/job.ts';
import type { JobLine } from '../entities/line.ts';
import type { Hose } from '../entities/vehicle.ts';
import type { JointOfJob } from './hoseOfJob.ts';
import { jointOfJob } from './hoseOfJob.ts';
import { partsOf } from './partsOfJob.ts';

export interface LineOfJob {
  readonly fitted: Hose;
  readonly line: JobLine;
  readonly a: JointOfJob | null;
  readonly b: JointOfJob | null;
  /** What its pattern comes to; null where there is none yet, or none that can be bent. */
  readonly developed: Developed | null;
}

/** `change` stands for what the line would be. */
export function lineOfJob(detail: JobDetail, lineId: string, change?: JobLine): LineOfJob | null {
  const fitted = partsOf(detail).hoses.find(({ id }) => id === lineId);
  const line = change ?? detail.lines.find((candidate) => candidate.lineId === lineId);
  if (!fitted || !line) return null;
  const made = line.pattern ? developed(line.pattern.line) : null;
  return {
    fitted,
    line,
    a: jointOfJob(detail, fitted.fromJointId),
    b: jointOfJob(detail, fitted.toJointId),
    developed: made?.ok ? made.value : null,
  };
}

/** What stands against a line as it is made: its tube and flares, and the ports that they go to. */
export function lineCautions({ line, a, b, developed: made }: LineOfJob): readonly Caution[] {
  const { pattern, checks } = line;
  if (pattern === null || made === null) return [];
  const ends = [
    [a, pattern.build.formA],
    [b, pattern.build.formB],
  ] as const;
  return [
    ...judgeLine(pattern.build, made, checks),
    ...ends.flatMap(([at, form]) =>
      at
        ? [...judgeAssumedJoint(at.joint, at.port), ...judgeFlareSeat(at.port.seat, form)].map((caution) => ({
            ...caution,
            subject: at.joint.name,
          }))
        : [],
    ),
  ];
}

/** What has to be seen of a line before anybody says that it is made. */
const LINE_SEEN = ['cutAs_m', 'nuts', 'looksA', 'looksB'] as const;
/** What its record keeps, and what its length rests on; the tube in a flare may stand by the rule of the trade. */
const LINE_SAID = ['outside_m', 'material', 'formA', 'formB', 'radius_m'] as const;
export type LineSeen = (typeof LINE_SEEN)[number] | (typeof LINE_SAID)[number];

export const unseenOf = ({ pattern, checks }: JobLine): readonly LineSeen[] => [
  // A straight tube is laid over no bender.
  ...LINE_SAID.filter(
    (field) => pattern?.assumed.includes(field) && (field !== 'radius_m' || pattern.line.bends.length > 0),
  ),
  ...LINE_SEEN.filter((field) => checks[field] === null),
];

/** As the vehicle's record keeps it. */
export const lineMadeOf = ({ pattern }: JobLine): LineMade | null =>
  pattern && { ...pattern.build, outside_m: pattern.outside_m };
