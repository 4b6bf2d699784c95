/** Changes to one hard line of a job: its pattern, what was seen while it was made, and that it is made. */
import { lineCautions, lineOfJob } from '@zephyrcombe/contract';
import { lineFacts, lineMadeGate } from '@zephyrcombe/workshop';
import { isDeepStrictEqual } from 'node:util';
import { createWriter, problemText } from '@zephyrcombe/messages';
import type { Caution } from '@zephyrcombe/core';
import { developed } from '@zephyrcombe/core';
import { requireMay } from '../../http/access.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { definedOnly } from '../../http/definedOnly.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import type { JobAction } from './jobAction.ts';
import { approved, requireAsSeen, requireStopsAnswered, requireWay, told } from './jobAction.ts';

export async function editJobLine(
  action: JobAction,
  lineId: string,
  body: ParsedBody<'editJobLine'>,
): Promise<void> {
  const { detail, models, transaction, log, person } = action;
  const current = detail.lines.find((line) => line.lineId === lineId);
  if (!current) throw new AppProblem('not-found');
  requireVersion(current, body.version);
  const { version, overrides, seen, made, ...given } = body;
  const changes = definedOnly(given);
  const own = lineOfJob(detail, lineId, { ...current, ...changes });
  if (!own) throw new AppProblem('not-found');
  if (changes.pattern) {
    const made = developed(changes.pattern.line);
    if (!made.ok)
      throw new AppProblem('no-answer', { detail: problemText(made.problem, createWriter(person.units)) });
  }
  let stood: readonly Caution[] = [];
  if (made === true) {
    requireMay(person, 'approve');
    const facts = lineFacts(own);
    requireAsSeen(seen, facts);
    requireWay(lineMadeGate(own), person);
    stood = lineCautions(own);
    requireStopsAnswered(stood, overrides, person);
  }
  await models.JobLine.update(
    {
      ...changes,
      ...(made === undefined ? {} : { made: made ? approved(action, lineFacts(own)) : null }),
      version: version + 1,
    },
    { where: { jobId: detail.job.id, lineId }, transaction },
  );
  const cut = own.developed ? { cut_m: own.developed.cut_m } : {};
  if (changes.pattern) await log('patternTaken', { lineId, pattern: changes.pattern, ...cut });
  // Sent with a pattern, what was seen before is nothing new.
  const isLookedAt = changes.checks !== undefined && !isDeepStrictEqual(changes.checks, current.checks);
  if (isLookedAt || made !== undefined)
    await log('lineMade', {
      lineId,
      checks: own.line.checks,
      ...(made === undefined ? {} : { made }),
      ...cut,
      overrides,
      cautions: told(stood),
    });
}
