/** The lever held and read: what it proves of each circuit, as long as nothing was done to it since. */
import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import type { Caution, HoldJudgement, Result } from '@zephyrcombe/core';
import { judgeHold } from '@zephyrcombe/core';
import type { Obstacle } from './obstacle.ts';

/** By what its readings say; null where nobody held it. */
export function holdOf(detail: JobDetail, circuit: Circuit): Result<HoldJudgement> | null {
  const said = detail.fitFacts.findLast(
    (fact) => fact.said.kind === 'holdTest' && fact.said.subjectId === circuit.id,
  )?.said;
  if (said?.kind !== 'holdTest' || said.value === null) return null;
  const master = circuit.components.find(({ kind }) => kind === 'master');
  return judgeHold(
    said.value,
    master?.masterBore_m && master.leverRatio
      ? { masterBore_m: master.masterBore_m, leverRatio: master.leverRatio }
      : null,
  );
}

/** Something was tightened or pumped on the circuit after it was held. */
export function isHeldBefore(detail: JobDetail, circuit: Circuit): boolean {
  const said = detail.fitFacts.findLast(
    (fact) => fact.said.kind === 'holdTest' && fact.said.subjectId === circuit.id,
  );
  if (!said) return false;
  const joints = new Set(circuit.joints.map(({ id }) => id));
  const parts = new Set(circuit.components.map(({ id }) => id));
  const later = (at: string) => Date.parse(at) > Date.parse(said.at);
  return (
    detail.torqueRecords.some(({ jointId, at }) => joints.has(jointId) && later(at)) ||
    detail.fitSteps.some(({ step, at }) => 'joint' in step && joints.has(step.joint) && later(at)) ||
    detail.bleedRuns.some(({ nippleId, events }) => parts.has(nippleId) && events.some(({ at }) => later(at)))
  );
}

/** A lever that sinks is signed by nobody, until it was held again and stands. */
export const holdGate = (detail: JobDetail): readonly Obstacle[] =>
  detail.circuits.flatMap(({ circuit }): readonly Obstacle[] => {
    const held = holdOf(detail, circuit);
    const sinks = held?.ok === true && (held.value.verdict === 'creeps' || held.value.verdict === 'fades');
    return sinks
      ? [
          {
            code: 'leverSinks',
            circuit: circuit.name,
            creep_m: held.value.creep_m,
            fades: held.value.verdict === 'fades',
          },
        ]
      : [];
  });

/** M91 of each circuit that nobody has held and read since the last work on it. */
export const holdCautions = (detail: JobDetail): readonly Caution[] =>
  detail.circuits.flatMap(({ circuit }): readonly Caution[] => {
    const held = holdOf(detail, circuit);
    const caution = (read: 'none' | 'tooShort' | 'before'): readonly Caution[] => [
      { id: 'M91', evidence: { read }, subject: circuit.name },
    ];
    if (!held?.ok || held.value.verdict === 'unread') return caution('none');
    if (held.value.verdict === 'tooShort') return caution('tooShort');
    return isHeldBefore(detail, circuit) ? caution('before') : [];
  });
