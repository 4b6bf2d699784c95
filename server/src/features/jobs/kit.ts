/** A hose out of its box: what was found, and what somebody decided. */
import { hoseOfJob, kitOrderOf, withCaps } from '@zephyrcombe/contract';
import { judgeKit, KIT_VERDICTS } from '@zephyrcombe/core';
import { requireMay } from '../../http/access.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from './jobAction.ts';
import { approved, inTheWay, requireAsSeen } from './jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';
import { boxFacts } from '@zephyrcombe/workshop';

export async function checkKit(
  action: JobAction,
  hoseId: string,
  body: ParsedBody<'checkKit'>,
): Promise<void> {
  const { detail, models, transaction, log, person, now } = action;
  const own = hoseOfJob(detail, hoseId);
  if (!own) throw new AppProblem('not-found');
  requireVersion(own.hose, body.version);
  const order = kitOrderOf(detail, own);
  // There is nothing to compare with.
  if (order === null) throw inTheWay([{ code: 'notMeasured', hose: own.fitted.name }], person);
  const { found, decided } = body;
  const { verdict, open } = judgeKit(order, found);
  if (decided !== null) {
    // Sending it back needs nobody's leave.
    if (decided.verdict !== 'return') requireMay(person, 'approve');
    if (decided.verdict !== 'return' && open.length > 0) throw fieldProblem('decided', 'boxNotLookedAt');
    const isMilder =
      verdict !== null && KIT_VERDICTS.indexOf(decided.verdict) < KIT_VERDICTS.indexOf(verdict);
    if (isMilder && decided.because.trim().length < 5) throw fieldProblem('decided.because', 'whyKept');
  }
  const isAccepted = decided !== null && decided.verdict !== 'return';
  const facts = boxFacts(detail, own, found);
  if (isAccepted) requireAsSeen(body.seen, facts);
  const accepted = isAccepted ? approved(action, facts) : null;
  await models.JobHose.update(
    {
      kit: { found, decided, accepted, by: person.name, byId: person.id, at: now.toISOString() },
      // A hose comes with a cap on each end: they are counted with the others.
      plugs: withCaps(own.hose.plugs),
      version: body.version + 1,
    },
    { where: { jobId: detail.job.id, hoseId }, transaction },
  );
  await log('kitChecked', { hoseId, found, verdict, decided });
}
