/** Gates that look at the hard lines of a job. */
import type { JobDetail, LineOfJob } from '@zephyrcombe/contract';
import { lineOfJob, unseenOf } from '@zephyrcombe/contract';
import { lineStanding } from '../approvals/line.ts';
import type { Obstacle } from './obstacle.ts';

const linesOf = (detail: JobDetail): readonly LineOfJob[] =>
  detail.lines.flatMap(({ lineId }) => lineOfJob(detail, lineId) ?? []);

function lineObstacles(detail: JobDetail, { line, fitted }: LineOfJob): readonly Obstacle[] {
  if (line.pattern === null) return [{ code: 'lineNotMeasured', line: fitted.name }];
  const standing = lineStanding(detail, line);
  if (standing.state === 'stands') return [];
  return standing.state === 'passed'
    ? [{ code: 'changedSinceMade', line: fitted.name, changes: standing.changes }]
    : [{ code: 'lineNotMade', line: fitted.name }];
}

/** Laying a hard line along its route: it is made, and as its pattern is now. */
export function lineGate(detail: JobDetail, lineId: string): readonly Obstacle[] {
  const own = lineOfJob(detail, lineId);
  return own ? lineObstacles(detail, own) : [];
}

/** Saying that a line is made: it has a pattern that can be bent, and what goes wrong at the bench was looked at. */
export function lineMadeGate({ line, fitted, developed }: LineOfJob): readonly Obstacle[] {
  if (line.pattern === null || developed === null) return [{ code: 'lineNotMeasured', line: fitted.name }];
  const unseen = unseenOf(line);
  return unseen.length === 0 ? [] : [{ code: 'lineNotSeen', line: fitted.name, unseen }];
}

/** Of the lines that come to a joint. */
export const linesAtGate = (detail: JobDetail, jointId: string): readonly Obstacle[] =>
  linesOf(detail)
    .filter(({ fitted }) => fitted.fromJointId === jointId || fitted.toJointId === jointId)
    .flatMap((own) => lineObstacles(detail, own));

export const linesSignGate = (detail: JobDetail): readonly Obstacle[] =>
  linesOf(detail).flatMap((own) => lineObstacles(detail, own));
