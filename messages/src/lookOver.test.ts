/** Sentences of Look over: every code has one, and each says the way out. */
import type { CircuitFault, FaultCode } from '@zephyrcombe/core';
import {
  CHECK_IDS,
  CONDITIONS,
  conditionsOn,
  DEGREES,
  END_KINDS,
  FINDING_SUBJECTS,
  hoseAge,
  layoutFigures,
  layOut,
  LAYOUTS,
  outcomesOf,
  PATTERNS,
  readDateCode,
  recommend,
  refuseEnd,
  SEATS,
  startPattern,
  SYMPTOMS,
  THREAD_GENDERS,
} from '@zephyrcombe/core';
import {
  CONDITION_SIGNS,
  CONDITION_WORDS,
  dateCodeText,
  DEEPER_WORDS,
  hoseAgeText,
  RECOMMENDATION_WORDS,
} from './condition.ts';
import { CAUSE_WORDS, CHECK_WORDS, likelihoodText, outcomeText, SYMPTOM_WORDS } from './diagnosis.ts';
import {
  END_NAMES,
  faultText,
  LAYOUT_NAMES,
  LAYOUT_WHEN,
  layoutPraise,
  mendText,
  PATTERN_NAMES,
  refusalText,
} from './layout.ts';
import { torqueSourceName } from './names.ts';

const FAULTS: Readonly<Record<FaultCode, CircuitFault['severity']>> = {
  noMaster: 'stop',
  noReservoir: 'warn',
  portUsedTwice: 'stop',
  unknownPart: 'stop',
  lineToItself: 'stop',
  idleJoint: 'warn',
  fedByNothing: 'stop',
  cannotBeBled: 'warn',
  loopWithoutBleedPoint: 'stop',
  trappedHighPoint: 'warn',
  seatCannotSeal: 'stop',
  tooManyEnds: 'stop',
};

test.each(Object.entries(FAULTS) as [FaultCode, CircuitFault['severity']][])(
  'fault %s says what is wrong and what to do',
  (code, severity) => {
    const { title, advice } = faultText({ code, severity, ids: ['x'], name: 'Front caliper' });
    expect(title).toMatch(/^[A-Z]/);
    expect(advice).toMatch(/[.]$/);
    if (code !== 'noMaster') expect(title).toContain('Front caliper');
  },
);

test('every end that a port refuses is refused with a reason that names the other', () => {
  for (const gender of THREAD_GENDERS)
    for (const seat of SEATS)
      for (const end of END_KINDS) {
        const refusal = refuseEnd({ gender, seat }, end);
        if (refusal === null) continue;
        expect(refusalText(refusal)).toMatch(/thread|seals on an? /);
        expect(END_NAMES[end]).toMatch(/^[A-Z]/);
      }
  expect(
    refusalText({ reason: 'seatDiffers', portSeat: 'flatWasherFace', endSeats: ['invertedFlare'] }),
  ).toBe('it seals on an inverted flare; here is a flat washer face');
});

describe('what is found', () => {
  test.each(CONDITIONS)('%s has a word and a sign to look for', (condition) => {
    expect(CONDITION_WORDS[condition]).toMatch(/^[a-z]/);
    expect(CONDITION_SIGNS[condition]).toMatch(/^[A-Z].{20,}[.]$/);
  });
  test('where the advice is to look deeper, it says how', () => {
    for (const subject of FINDING_SUBJECTS)
      for (const condition of conditionsOn(subject))
        for (const degree of DEGREES) {
          const advice = recommend(subject, condition, degree);
          expect(RECOMMENDATION_WORDS[advice]).toMatch(/^[A-Z]/);
          if (advice === 'lookDeeper') expect(DEEPER_WORDS[condition]).toMatch(/[.]$/);
        }
  });
  test.each([
    ['2026-10-01', 'rubber', '1 month old'],
    ['2024-11-25', 'rubber', '2 years old'],
    ['2023-02-01', 'rubber', '3 years 9 months old, due within half a year'],
    [
      '2020-06-01',
      'rubber',
      '6 years 5 months old: older than the 4-year guide for rubber hose (common practice, no published source)',
    ],
    ['2020-06-01', 'braided', '6 years 5 months old; braided hose goes by inspection, it has no agreed life'],
  ] as const)('a hose made %s of %s: %s', (madeOn, construction, text) => {
    const age = hoseAge(madeOn, '2026-11-25', construction);
    expect(age.ok ? hoseAgeText(age.value) : null).toBe(text);
  });
  test.each([
    ['03/21', 'March 2021'],
    ['W12 21', 'the week from 22 March 2021'],
    ['Q3 19', 'July 2019 to September 2019'],
    ['15.03.2021', '15 March 2021'],
  ])('the code %s may mean %s', (code, text) => {
    expect(readDateCode(code, '2026-11-25').map(dateCodeText)).toContain(text);
  });
});

describe('symptoms', () => {
  test('every symptom, cause, check and outcome has words', () => {
    for (const symptom of SYMPTOMS) expect(SYMPTOM_WORDS[symptom]).toMatch(/^[A-Z]/);
    for (const { name, cure } of Object.values(CAUSE_WORDS)) {
      expect(name).toMatch(/^[A-Z]/);
      expect(cure).toMatch(/[.]$/);
    }
    for (const id of CHECK_IDS) {
      expect(CHECK_WORDS[id].how).toMatch(/[.]$/);
      expect(Object.keys(CHECK_WORDS[id].outcomes).sort()).toEqual([...outcomesOf(id)].sort());
      for (const outcome of outcomesOf(id))
        expect(outcomeText(id, outcome)).toBe(CHECK_WORDS[id].outcomes[outcome]);
    }
  });
  test('likelihood is said in words, never as a figure', () => {
    expect([0.7, 0.3, 0.1, 0.01].map(likelihoodText)).toEqual([
      'most likely',
      'well possible',
      'possible',
      'unlikely',
    ]);
  });
});

describe('layouts', () => {
  let next = 0;
  const newId = () => `n${(next += 1)}`;
  test('each is praised for what the figures say, and says when it is right', () => {
    const [found] = startPattern('twinLongHoses', { newId, drive: 'left', abs: false, rearEnd: 'banjo' });
    const figures = LAYOUTS.map((layout) => {
      const circuit = found && layOut(found, layout, newId);
      const result = circuit && layoutFigures(circuit);
      if (!result?.ok) throw new Error(layout);
      expect(LAYOUT_NAMES[layout]).toMatch(/^[A-Z]/);
      expect(LAYOUT_WHEN[layout]).toMatch(/[.]$/);
      return result.value;
    });
    const [longHoses, tee, crossover] = figures;
    if (!longHoses || !tee || !crossover) throw new Error('a layout is missing');
    expect(layoutPraise(longHoses, [tee, crossover])).toContain('no high point');
    expect(layoutPraise(crossover, [longHoses, tee])).toContain('lightest');
    expect(layoutPraise(tee, [longHoses, crossover])).toContain('least hose');
    expect(layoutPraise(tee, [longHoses, crossover])).not.toContain('fewest faces that can leak');
    expect(layoutPraise(longHoses, [])).toEqual([]);
  });
  test.each(PATTERNS)('pattern %s has a name', (pattern) => {
    expect(PATTERN_NAMES[pattern].name).toMatch(/^[A-Z]/);
  });
});

test('what was mended is said with its place', () => {
  expect(mendText({ field: 'vehicle.note', mend: 'filledIn', now: '' })).toBe(
    'vehicle.note: was missing, left empty',
  );
  expect(mendText({ field: 'a', mend: 'filledIn', now: 'hose' })).toBe('a: was missing, taken as hose');
  expect(mendText({ field: 'a', mend: 'leftOut', now: 'a' })).toContain('left out');
  expect(mendText({ field: 'a', mend: 'respelled', now: 'M10×1.0' })).toContain('M10×1.0');
  expect(mendText({ field: 'a', mend: 'numberFromText', now: '0.9' })).toContain('0.9');
});

test('a torque says whose figure it is, and that no source is given where that is so', () => {
  expect(torqueSourceName('vehicleMaker')).toBe('vehicle maker’s manual');
  expect(torqueSourceName('hoseMaker')).toBe('hose maker’s sheet');
  expect(torqueSourceName('iso6789')).toBe('standard');
  expect(torqueSourceName(null)).toBe('no source given');
});
