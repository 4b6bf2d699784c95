/** What somebody covers who says that a hard line is made: its pattern, its flares, what was seen of it, the ports it goes to. */
import type { JobDetail, JobLine, LineOfJob } from '@zephyrcombe/contract';
import { lineOfJob } from '@zephyrcombe/contract';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
import type { Standing } from './standingOf.ts';
import { standingOf } from './standingOf.ts';

const portFacts = (at: LineOfJob['a']): object =>
  at ? { thread: at.port.thread, gender: at.port.gender, seat: at.port.seat, seal: at.joint.seal } : {};

export function lineFacts({ line, a, b, developed }: LineOfJob): Facts {
  const { pattern, checks } = line;
  return factsOf({
    line: pattern?.line,
    build: pattern?.build,
    outside_m: pattern?.outside_m,
    assumed: pattern?.assumed,
    cut_m: developed?.cut_m,
    checks,
    portA: portFacts(a),
    portB: portFacts(b),
  });
}

export function lineStanding(detail: JobDetail, line: JobLine): Standing {
  const own = lineOfJob(detail, line.lineId, line);
  return own ? standingOf(line.made, lineFacts(own)) : { state: 'none' };
}

export const isLineMade = (detail: JobDetail, line: JobLine): boolean =>
  lineStanding(detail, line).state === 'stands';
