/** The lever held and read: what it proves of each circuit, as long as nothing was done to it since. */
import type { Circuit, JobDetail } from '@zephyrcombe/contract';
import type { Caution, HoldJudgement, HoldReading, Result } from '@zephyrcombe/core';
import { judgeHold } from '@zephyrcombe/core';
import type { Obstacle } from './obstacle.ts';

const heldFacts = ({ fitFacts }: JobDetail, { id }: Circuit) =>
  fitFacts.flatMap(({ said, at }) =>
    said.kind === 'holdTest' && said.subjectId === id ? [{ readings: said.value, at }] : [],
  );

function judged(circuit: Circuit, readings: readonly HoldReading[]): Result<HoldJudgement> {
  const master = circuit.components.find(({ kind }) => kind === 'master');
  return judgeHold(
    readings,
    master?.masterBore_m && master.leverRatio
      ? { masterBore_m: master.masterBore_m, leverRatio: master.leverRatio }
      : null,
  );
}

/** By what its readings say; null where nobody held it. */
export function holdOf(detail: JobDetail, circuit: Circuit): Result<HoldJudgement> | null {
  const readings = heldFacts(detail, circuit).at(-1)?.readings ?? null;
  return readings && judged(circuit, readings);
}

/** It sank when it was held, and has not stood since: saying that nobody held it, or reading it once more, is no answer. */
function sunk(detail: JobDetail, circuit: Circuit): HoldJudgement | null {
  const said = heldFacts(detail, circuit).flatMap(({ readings }) => {
    const result = readings && judged(circuit, readings);
    return result?.ok ? [result.value] : [];
  });
  const last = said.findLast(({ verdict }) => ['stands', 'creeps', 'fades'].includes(verdict));
  return last && last.verdict !== 'stands' ? last : null;
}

/** Something was tightened or pumped on the circuit after it was held. */
export function isHeldBefore(detail: JobDetail, circuit: Circuit): boolean {
  const said = heldFacts(detail, circuit).at(-1);
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
    const held = sunk(detail, circuit);
    return held
      ? [
          {
            code: 'leverSinks',
            circuit: circuit.name,
            creep_m: held.creep_m,
            fades: held.verdict === 'fades',
          },
        ]
      : [];
  });

/** M91 of each circuit of which it is said that it was held, and nobody has read it since the last work on it. */
export const holdCautions = (detail: JobDetail): readonly Caution[] =>
  (detail.job.handoverChecks.pressureHeld === true ? detail.circuits : []).flatMap(
    ({ circuit }): readonly Caution[] => {
      const held = holdOf(detail, circuit);
      const caution = (read: 'none' | 'tooShort' | 'before'): readonly Caution[] => [
        { id: 'M91', evidence: { read }, subject: circuit.name },
      ];
      if (!held?.ok || held.value.verdict === 'unread') return caution('none');
      if (held.value.verdict === 'tooShort') return caution('tooShort');
      return isHeldBefore(detail, circuit) ? caution('before') : [];
    },
  );
