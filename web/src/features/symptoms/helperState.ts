/** What was felt and checked, as it stands in the address: a link shows a colleague the same. */
import type { CheckAnswer, CheckId, DiagnosisFacts } from '@zephyrcombe/core';
import { CAUSE_WORDS, SYMPTOM_WORDS } from '@zephyrcombe/messages';
import { CHECK_IDS, diagnose, outcomesOf, SYMPTOMS } from '@zephyrcombe/core';
import type { HelperState } from './SymptomHelper.tsx';

const FACTS = ['openedLately', 'oldHose', 'highPoint', 'booster'] as const;

/** Why a job is started: what the brake does, and what stands out behind it once it was checked. */
export function whyOf({ symptoms, answers, facts }: HelperState): string {
  const { causes, settled } = diagnose(symptoms, answers, facts);
  const [first] = causes;
  const does = symptoms.map((symptom) => SYMPTOM_WORDS[symptom]).join('. ');
  return settled && first ? `${does}. Looks like: ${CAUSE_WORDS[first.cause].name}` : does;
}

/** What the address does not say is as the vehicle has it. */
export function readHelper(query: URLSearchParams, known: Partial<DiagnosisFacts> = {}): HelperState {
  const given = (query.get('does') ?? '').split(',');
  const said = query.get('known');
  const facts = Object.fromEntries(
    FACTS.map((fact) => [fact, said === null ? (known[fact] ?? false) : said.split(',').includes(fact)]),
  ) as unknown as DiagnosisFacts;
  return {
    symptoms: SYMPTOMS.filter((symptom) => given.includes(symptom)),
    facts,
    answers: query.getAll('check').flatMap((text): CheckAnswer[] => {
      const [id, outcome] = text.split('~');
      const check = CHECK_IDS.find((candidate): candidate is CheckId => candidate === id);
      const known_ = check && outcomesOf(check).find((candidate) => candidate === outcome);
      return check && known_ ? [{ check, outcome: known_ }] : [];
    }),
  };
}

export function writeHelper(state: HelperState, onto: URLSearchParams): URLSearchParams {
  const query = new URLSearchParams(onto);
  if (state.symptoms.length === 0) query.delete('does');
  else query.set('does', state.symptoms.join(','));
  query.set('known', FACTS.filter((fact) => state.facts[fact]).join(','));
  query.delete('check');
  for (const { check, outcome } of state.answers) query.append('check', `${check}~${outcome}`);
  return query;
}
