import fc from 'fast-check';
import type { Symptom } from './cause.ts';
import { CAUSE_FACTS, CAUSES, SYMPTOMS } from './cause.ts';
import type { CheckAnswer } from './diagnose.ts';
import { CHECK_IDS, outcomesOf } from './check.ts';
import type { DiagnosisFacts } from './diagnose.ts';
import { diagnose, outcomeChance } from './diagnose.ts';

const PLAIN: DiagnosisFacts = { booster: false, openedLately: false, oldHose: false, highPoint: false };
const first = (symptoms: readonly Symptom[], answers: readonly CheckAnswer[] = [], facts = PLAIN) =>
  diagnose(symptoms, answers, facts).causes[0]?.cause;

describe('from symptoms to causes: common practice, no published source', () => {
  test.each<[string, readonly Symptom[], Partial<DiagnosisFacts>, string]>([
    [
      'spongy with long travel after the system was open: air',
      ['spongy', 'longTravel'],
      { openedLately: true },
      'airInLine',
    ],
    [
      'a lever that sinks and nothing wet: the master’s seal',
      ['sinks', 'longTravel'],
      {},
      'masterSealPasses',
    ],
    ['drag and pull on old rubber: the hose', ['drag', 'pull'], { oldHose: true }, 'hoseCollapsed'],
    ['drag and pull on new hose: a piston', ['drag', 'pull'], {}, 'seizedPiston'],
    ['everything drags, the pedal is hard: the relieving port', ['drag', 'hard'], {}, 'relievingPortShut'],
    ['a hard pedal on a vehicle with a booster', ['hard'], { booster: true }, 'boosterFailed'],
    ['wet', ['leak', 'sinks'], {}, 'jointLeaks'],
  ])('%s', (_what, symptoms, facts, cause) => {
    expect(first(symptoms, [], { ...PLAIN, ...facts })).toBe(cause);
  });

  test('a dragging wheel: the nipple tells a collapsed hose from a seized caliper', () => {
    const dragging = diagnose(['drag', 'pull'], [], { ...PLAIN, oldHose: true });
    expect(dragging.next).toBe('openNipple');
    const frees: CheckAnswer = { check: 'openNipple', outcome: 'frees' };
    expect(first(['drag', 'pull'], [frees])).toBe('hoseCollapsed');
    expect(first(['drag', 'pull'], [{ check: 'openNipple', outcome: 'staysTight' }])).toBe('seizedPiston');
    // Freed at the nipple but not at the master: the pressure is held in between.
    const between: CheckAnswer = { check: 'slackenAtMaster', outcome: 'staysTight' };
    expect(first(['drag'], [frees, between])).toBe('hoseCollapsed');
    expect(first(['drag'], [frees, { ...between, outcome: 'frees' }])).toBe('relievingPortShut');
  });

  test('two lever readings at different force tell air from swelling hose', () => {
    expect(first(['spongy'], [{ check: 'twoForces', outcome: 'closesUp' }])).toBe('airInLine');
    expect(first(['spongy'], [{ check: 'twoForces', outcome: 'keepsGrowing' }])).toBe('hoseSwells');
  });

  test('no booster, no failed booster', () => {
    expect(diagnose(['hard'], [], PLAIN).causes.find(({ cause }) => cause === 'boosterFailed')?.share).toBe(
      0,
    );
  });

  test('without a symptom nothing is ranked', () => {
    expect(diagnose([], [], PLAIN)).toEqual({ causes: [], next: null, settled: false });
  });
});

describe('laws of the ranking', () => {
  test('the outcomes of a check add up to one, whatever the cause', () => {
    for (const id of CHECK_IDS)
      for (const cause of CAUSES) {
        const sum = outcomesOf(id).reduce((total, outcome) => total + outcomeChance(id, outcome, cause), 0);
        expect(sum).toBeCloseTo(1, 12);
      }
  });

  test('shares add up to one, and the way through the checks ends', () => {
    fc.assert(
      fc.property(
        fc.subarray([...SYMPTOMS], { minLength: 1 }),
        fc.array(fc.nat(), { minLength: 20, maxLength: 20 }),
        fc.record({
          booster: fc.boolean(),
          openedLately: fc.boolean(),
          oldHose: fc.boolean(),
          highPoint: fc.boolean(),
        }),
        (symptoms, picks, facts) => {
          const answers: CheckAnswer[] = [];
          for (const pick of picks) {
            const { causes, next } = diagnose(symptoms, answers, facts);
            expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
            if (next === null) break;
            expect(answers.map((answer) => answer.check)).not.toContain(next);
            const outcomes = outcomesOf(next);
            const outcome = outcomes[pick % outcomes.length];
            if (outcome === undefined) throw new Error(next);
            answers.push({ check: next, outcome });
          }
          expect(answers.length).toBeLessThanOrEqual(CHECK_IDS.length);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('the check that is asked for finds the true cause more often than asking nothing does', () => {
    // Each cause in turn, told by the outcome it most often gives to every check that is asked for.
    let right = 0;
    let rightAtOnce = 0;
    for (const truth of CAUSES) {
      const facts = { ...PLAIN, booster: true };
      const symptoms = SYMPTOMS.filter((symptom) => usual(truth, symptom));
      const answers: CheckAnswer[] = [];
      if (first(symptoms, [], facts) === truth) rightAtOnce += 1;
      for (let next = diagnose(symptoms, answers, facts).next; next !== null;) {
        const id = next;
        const [outcome] = [...outcomesOf(id)].sort(
          (left, other) => outcomeChance(id, other, truth) - outcomeChance(id, left, truth),
        );
        if (outcome === undefined) throw new Error(id);
        answers.push({ check: id, outcome });
        next = diagnose(symptoms, answers, facts).next;
      }
      if (first(symptoms, answers, facts) === truth) right += 1;
    }
    expect(right).toBeGreaterThan(rightAtOnce);
    expect(right).toBeGreaterThanOrEqual(CAUSES.length - 2);
  });
});

function usual(cause: (typeof CAUSES)[number], symptom: Symptom): boolean {
  const how = CAUSE_FACTS[cause].shows[symptom];
  return how === 'always' || how === 'often';
}
