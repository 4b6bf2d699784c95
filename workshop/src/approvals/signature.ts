/** What a signature covers: the hoses as specified, the joints as tightened and dry, the nipples as bled, what was found. */
import type { JobDetail } from '@zephyrcombe/contract';
import { hoseOfJob, lineOfJob, nipplesOf, partsOf } from '@zephyrcombe/contract';
import { isDry, isNippleClear, isTorqued } from '../stages/stages.ts';
import type { Facts } from './facts.ts';
import { factsOf } from './facts.ts';
import { fittedFacts } from './fitted.ts';
import { lineFacts } from './line.ts';
import { specificationFacts } from './specification.ts';

export function signatureFacts(detail: JobDetail): Facts {
  const { joints } = partsOf(detail);
  const byName = <Named extends { readonly name: string }>(items: readonly Named[]) =>
    Object.fromEntries(items.map(({ name, ...facts }) => [name, facts]));
  return factsOf({
    hoses: byName(
      detail.hoses.flatMap(({ hoseId }) => {
        const own = hoseOfJob(detail, hoseId);
        return own ? [{ name: own.fitted.name, ...specificationFacts(detail, own) }] : [];
      }),
    ),
    ...(detail.lines.length > 0
      ? {
          lines: byName(
            detail.lines.flatMap(({ lineId }) => {
              const own = lineOfJob(detail, lineId);
              return own ? [{ name: own.fitted.name, ...lineFacts(own) }] : [];
            }),
          ),
        }
      : {}),
    ...(detail.items.length > 0
      ? {
          items: byName(
            detail.items.map(({ name, kind, handling, done }) => ({
              name,
              kind,
              handling,
              torque_Nm: done?.torque_Nm,
            })),
          ),
        }
      : {}),
    joints: byName(
      detail.joints.map(({ jointId }) => ({
        name: joints.find(({ id }) => id === jointId)?.name ?? jointId,
        parts: fittedFacts(detail, jointId),
        torque_Nm: detail.torqueRecords.findLast((record) => record.jointId === jointId)?.torque_Nm,
        tight: isTorqued(detail, jointId),
        dry: isDry(detail, jointId),
      })),
    ),
    nipples: byName(nipplesOf(detail).map(({ id, name }) => ({ name, clear: isNippleClear(detail, id) }))),
    findings: detail.findings
      .filter(({ struckBecause }) => struckBecause === null)
      .map(({ subjectId, condition, degree }) => ({ subjectId, condition, degree })),
    checks: detail.job.handoverChecks,
  });
}
