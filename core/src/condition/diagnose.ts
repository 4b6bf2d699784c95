/**
 * From symptoms to ranked causes, and to the one check that best separates what is left. Naive Bayes on coarse grades:
 * a way to put the likely first, never a verdict on a brake.
 */
import type { Cause, Symptom } from './cause.ts';
import { CAUSE_FACTS, CAUSES, LIKELIHOOD, SYMPTOMS } from './cause.ts';
import type { CheckId, CheckOutcome } from './check.ts';
import { CHECK_IDS, checkFacts, outcomesOf } from './check.ts';

export interface CheckAnswer {
  readonly check: CheckId;
  readonly outcome: CheckOutcome;
}

/** What is known of the vehicle that makes a cause more or less likely. */
export interface DiagnosisFacts {
  readonly booster: boolean;
  /** The system was opened lately: air is the first thought. */
  readonly openedLately: boolean;
  /** A rubber hose is over its age, or its age is not known. */
  readonly oldHose: boolean;
  /** A line arches, or a part stands above its neighbours without a nipple. */
  readonly highPoint: boolean;
}

export interface RankedCause {
  readonly cause: Cause;
  /** Share of all causes, 0 to 1. */
  readonly share: number;
}

export interface Diagnosis {
  readonly causes: readonly RankedCause[];
  /** Null when nothing separates the rest any further, or one cause stands out. */
  readonly next: CheckId | null;
  /** Whether one cause stands out so far that the next step is to cure it. */
  readonly settled: boolean;
}

const OPENED_FACTOR = 4;
const OLD_HOSE_FACTOR = 2.5;
const HIGH_POINT_FACTOR = 2.5;
const NO_HIGH_POINT_FACTOR = 0.3;
/** A share above which one cause stands out; our estimate. */
const SETTLED_SHARE = 0.8;
/** Less gain than this is not worth the walk round the vehicle, bits. */
const LEAST_GAIN_bits = 0.05;

/** Nothing is ranked without a symptom. */
export function diagnose(
  symptoms: readonly Symptom[],
  answers: readonly CheckAnswer[],
  facts: DiagnosisFacts,
): Diagnosis {
  if (symptoms.length === 0) return { causes: [], next: null, settled: false };
  const shares = sharesAfter(symptoms, answers, facts);
  const causes = CAUSES.map((cause, index) => ({ cause, share: shares[index] ?? 0 })).sort(
    (left, right) => right.share - left.share,
  );
  const settled = (causes[0]?.share ?? 0) >= SETTLED_SHARE;
  return { causes, next: settled ? null : bestCheck(shares, answers, facts), settled };
}

function sharesAfter(
  symptoms: readonly Symptom[],
  answers: readonly CheckAnswer[],
  facts: DiagnosisFacts,
): readonly number[] {
  const weights = CAUSES.map((cause) => {
    const { weight, shows } = CAUSE_FACTS[cause];
    const seen = SYMPTOMS.reduce((chance, symptom) => {
      const likelihood = LIKELIHOOD[shows[symptom] ?? 'rarely'];
      return chance * (symptoms.includes(symptom) ? likelihood : 1 - likelihood);
    }, 1);
    return answers.reduce(
      (chance, answer) => chance * outcomeChance(answer.check, answer.outcome, cause),
      weight * factor(cause, facts) * seen,
    );
  });
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => weight / total);
}

function factor(cause: Cause, facts: DiagnosisFacts): number {
  switch (cause) {
    case 'airInLine':
      return facts.openedLately ? OPENED_FACTOR : 1;
    case 'airAtHighPoint':
      return facts.highPoint ? HIGH_POINT_FACTOR : NO_HIGH_POINT_FACTOR;
    case 'hoseCollapsed':
    case 'hoseSwells':
    case 'hoseLeaks':
      return facts.oldHose ? OLD_HOSE_FACTOR : 1;
    case 'boosterFailed':
      return facts.booster ? 1 : 0;
    default:
      return 1;
  }
}

/** Chance of an outcome given the cause; what a cause does not decide falls as on a brake without it. */
export function outcomeChance(id: CheckId, outcome: CheckOutcome, cause: Cause): number {
  const { outcomes, gives } = checkFacts(id);
  const base = outcomes[outcome] ?? 0;
  const given = gives[cause];
  if (!given) return base;
  const [expected, often] = given;
  const chance = LIKELIHOOD[often];
  if (outcome === expected) return chance;
  const others = 1 - (outcomes[expected] ?? 0);
  return others > 0 ? ((1 - chance) * base) / others : 0;
}

/** The check that is expected to take most of the doubt away; the earlier, less troublesome one wins a tie. */
function bestCheck(
  shares: readonly number[],
  answers: readonly CheckAnswer[],
  facts: DiagnosisFacts,
): CheckId | null {
  const done = new Set(answers.map((answer) => answer.check));
  const now_bits = entropy(shares);
  let best: { readonly check: CheckId; readonly gain_bits: number } | null = null;
  for (const id of CHECK_IDS) {
    if (done.has(id) || (checkFacts(id).needsBooster && !facts.booster)) continue;
    const after_bits = outcomesOf(id).reduce((sum, outcome) => {
      const joint = CAUSES.map((cause, index) => (shares[index] ?? 0) * outcomeChance(id, outcome, cause));
      const chance = joint.reduce((total, value) => total + value, 0);
      return chance > 0 ? sum + chance * entropy(joint.map((value) => value / chance)) : sum;
    }, 0);
    const gain_bits = now_bits - after_bits;
    if (gain_bits > (best?.gain_bits ?? LEAST_GAIN_bits) + 1e-9) best = { check: id, gain_bits };
  }
  return best?.check ?? null;
}

const entropy = (shares: readonly number[]): number =>
  shares.reduce((sum, share) => (share > 0 ? sum - share * Math.log2(share) : sum), 0);
