/** Making a hose up in the shop: step by step in an order that is kept, and the test without which it is not fitted. */
import type { MadeStep } from '@zephyrcombe/contract';
import { hoseOfJob, makeUpStepsOf, partsOf, withCaps } from '@zephyrcombe/contract';
import { proofFacts } from '@zephyrcombe/workshop';
import { MAKE_UP_STEP_NAMES } from '@zephyrcombe/messages';
import type { Caution, MakeUpStepKind } from '@zephyrcombe/core';
import { judgeCut, judgeNut, judgeOlive, judgeStepOrder, proofFaults, stepsResting } from '@zephyrcombe/core';
import { requireMay } from '../../http/access.ts';
import { AppProblem, fieldProblem } from '../../http/appProblem.ts';
import type { ParsedBody } from '../../http/handlers.ts';
import type { JobAction } from './jobAction.ts';
import { approved, inTheWay, requireAsSeen, requireStopsAnswered, told } from './jobAction.ts';
import { requireVersion } from '../../http/requireVersion.ts';

type Step = Omit<MadeStep, 'by' | 'byId' | 'at'>;

const JOINS: Partial<Record<MakeUpStepKind, 'A' | 'B'>> = {
  oliveA: 'A',
  oliveB: 'B',
  joinA: 'A',
  joinB: 'B',
};
/** What has to be said of a step for it to be done. */
const ASKED: Partial<Record<MakeUpStepKind, readonly (keyof Step)[]>> = {
  cut: ['cutFace'],
  oliveA: ['strandFree', 'short_m'],
  oliveB: ['strandFree', 'short_m'],
  joinA: ['lubricant', 'gap_m'],
  joinB: ['lubricant', 'gap_m'],
  measure: ['length_m'],
};

function hoseMadeHere({ detail, person }: JobAction, hoseId: string) {
  const hose = detail.hoses.find((candidate) => candidate.hoseId === hoseId);
  if (!hose) throw new AppProblem('not-found');
  const { build } = hose;
  if (!build?.madeHere) {
    const name = partsOf(detail).hoses.find(({ id }) => id === hoseId)?.name ?? hoseId;
    throw inTheWay([{ code: 'notMadeHere', hose: name }], person);
  }
  return { hose, build };
}

export async function makeUpHose(
  action: JobAction,
  hoseId: string,
  body: ParsedBody<'makeUpHose'>,
): Promise<void> {
  const { detail, models, transaction, log, person, now } = action;
  const { hose, build } = hoseMadeHere(action, hoseId);
  requireVersion(hose, body.version);
  const { step, undo, overrides } = body;
  const steps = makeUpStepsOf(hose, build);
  const done = hose.makeUp.steps.map((made) => made.step);
  if (!steps.some(({ kind }) => kind === step.step)) throw fieldProblem('step', 'noStepOfHose');
  let { proofs } = hose.makeUp;
  let made: readonly MadeStep[];
  let cautions: readonly Caution[] = [];
  if (undo) {
    const gone = [step.step, ...stepsResting(steps, done, step.step)];
    made = hose.makeUp.steps.filter((own) => !gone.includes(own.step));
    // A hose that was opened again has to be proved again.
    if (gone.includes('proof')) proofs = [];
  } else {
    if (step.step === 'proof') throw fieldProblem('step', 'doneByProof');
    requireStopsAnswered(judgeStepOrder(steps, done, step.step), [], person);
    for (const field of ASKED[step.step] ?? [])
      if (step[field] === null)
        throw fieldProblem(`step.${field}`, 'stepAsksFor', MAKE_UP_STEP_NAMES[step.step]);
    cautions = stepCautions(step, build);
    requireStopsAnswered(cautions, overrides, person);
    if (step.step === 'cut' && step.cutFace === 'ragged') throw fieldProblem('step.cutFace', 'splays');
    made = [
      ...hose.makeUp.steps.filter((own) => own.step !== step.step),
      { ...step, by: person.name, byId: person.id, at: now.toISOString() },
    ];
  }
  await models.JobHose.update(
    {
      makeUp: { steps: made, proofs },
      // A hose that is made is capped at both ends, and its caps are counted with the others.
      ...(step.step === 'cap' && !undo ? { plugs: withCaps(hose.plugs) } : {}),
      version: body.version + 1,
    },
    { where: { jobId: detail.job.id, hoseId }, transaction },
  );
  await log('made', { hoseId, ...step, undo, overrides, cautions: told(cautions) });
}

function stepCautions(step: Step, build: Readonly<{ endA: EndMetal; endB: EndMetal }>): readonly Caution[] {
  const end = JOINS[step.step];
  if (step.step === 'cut' && step.cutFace !== null) return judgeCut('A', step.cutFace);
  if (end === undefined) return [];
  if (step.strandFree !== null && step.short_m !== null)
    return judgeOlive(end, { strandFree: step.strandFree, short_m: step.short_m });
  if (step.lubricant !== null && step.gap_m !== null)
    return judgeNut(end, build[end === 'A' ? 'endA' : 'endB'].material, {
      lubricant: step.lubricant,
      gap_m: step.gap_m,
    });
  return [];
}
type EndMetal = Readonly<{ material: Parameters<typeof judgeNut>[1] }>;

export async function proveHose(
  action: JobAction,
  hoseId: string,
  body: ParsedBody<'proveHose'>,
): Promise<void> {
  const { detail, models, transaction, log, person, now } = action;
  const { hose, build } = hoseMadeHere(action, hoseId);
  const { version, seen, ...test } = body;
  requireVersion(hose, version);
  requireMay(person, 'approve');
  const done = hose.makeUp.steps.map((made) => made.step);
  requireStopsAnswered(judgeStepOrder(makeUpStepsOf(hose, build), done, 'proof'), [], person);
  const own = hoseOfJob(detail, hoseId);
  const facts = own && proofFacts(own);
  if (facts) requireAsSeen(seen, facts);
  const of = facts && approved(action, facts);
  const proof = { ...test, of, by: person.name, byId: person.id, at: now.toISOString() };
  const passed = proofFaults(test).length === 0;
  // Whatever came after an earlier proof rests on this one now.
  const others = hose.makeUp.steps.filter((own) => !['proof', 'dry', 'cap'].includes(own.step));
  const step: MadeStep = {
    step: 'proof',
    by: person.name,
    byId: person.id,
    at: now.toISOString(),
    cutFace: null,
    strandFree: null,
    short_m: null,
    lubricant: null,
    gap_m: null,
    length_m: null,
  };
  await models.JobHose.update(
    {
      makeUp: {
        steps: passed ? [...others, step] : others,
        proofs: [...hose.makeUp.proofs, proof],
      },
      version: version + 1,
    },
    { where: { jobId: detail.job.id, hoseId }, transaction },
  );
  await log('proved', { hoseId, ...test, passed });
}
