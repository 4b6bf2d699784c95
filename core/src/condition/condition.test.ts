import fc from 'fast-check';
import { CONDITIONS, conditionsOn, DEGREES, FINDING_SUBJECTS } from './condition.ts';
import { readDateCode } from './dateCode.ts';
import { hoseAge } from './hoseAge.ts';
import { judgeLeftOn, recommend, RECOMMENDATIONS } from './recommend.ts';

const TODAY = '2026-11-25';

describe('what to do about a finding: common practice, no published source', () => {
  test('the worse it is, the more is done', () => {
    const urgency = (of: (typeof RECOMMENDATIONS)[number]) => RECOMMENDATIONS.indexOf(of);
    for (const subject of FINDING_SUBJECTS)
      for (const condition of conditionsOn(subject)) {
        const [slight, marked, severe] = DEGREES.map((degree) => recommend(subject, condition, degree));
        expect(urgency(marked ?? 'keep')).toBeLessThanOrEqual(urgency(slight ?? 'replace'));
        expect(urgency(severe ?? 'keep')).toBeLessThanOrEqual(urgency(marked ?? 'replace'));
      }
  });
  test.each([
    ['hose', 'leaking', 'slight', 'replace'],
    ['hose', 'cracked', 'marked', 'replace'],
    ['hose', 'collapsed', 'slight', 'lookDeeper'],
    ['hose', 'chafed', 'slight', 'watch'],
    ['joint', 'leaking', 'slight', 'lookDeeper'],
    ['joint', 'leaking', 'severe', 'replace'],
    ['hardLine', 'corroded', 'marked', 'replace'],
    ['hose', 'sound', 'slight', 'keep'],
  ] as const)('%s %s, %s: %s', (subject, condition, degree, expected) => {
    expect(recommend(subject, condition, degree)).toBe(expected);
  });
  test('every condition can be found on something', () => {
    for (const condition of CONDITIONS)
      expect(FINDING_SUBJECTS.some((subject) => conditionsOn(subject).includes(condition))).toBe(true);
  });
  test('M97: a cracked hose left on the vehicle is named once; one that the job replaces is not', () => {
    const found = { name: 'Rear hose', subject: 'hose', condition: 'cracked', degree: 'severe' } as const;
    expect(
      judgeLeftOn([
        { ...found, inScope: false },
        { ...found, condition: 'chafed', inScope: false },
      ]),
    ).toEqual([{ id: 'M97', evidence: { name: 'Rear hose', condition: 'cracked' } }]);
    expect(judgeLeftOn([{ ...found, inScope: true }])).toEqual([]);
    expect(judgeLeftOn([{ ...found, degree: 'slight', inScope: false }])).toEqual([]);
  });
  test('M97: a joint that weeps or is seized is named until the job opens it; a torn thread even then', () => {
    const found = {
      name: 'Rear caliper',
      subject: 'joint',
      condition: 'seizedNut',
      degree: 'marked',
    } as const;
    const evidence = { name: 'Rear caliper', subject: 'joint' };
    expect(judgeLeftOn([{ ...found, inScope: false }])).toEqual([
      { id: 'M97', evidence: { ...evidence, condition: 'seizedNut' } },
    ]);
    expect(judgeLeftOn([{ ...found, inScope: true }])).toEqual([]);
    expect(judgeLeftOn([{ ...found, condition: 'damagedThread', inScope: true }])).toEqual([
      { id: 'M97', evidence: { ...evidence, condition: 'damagedThread' } },
    ]);
  });
});

describe('date codes on hose', () => {
  const kinds = (text: string) =>
    readDateCode(text, TODAY).map((reading) => `${reading.kind} ${reading.from}`);
  test.each([
    ['03/2021', ['month 2021-03-01']],
    ['2021-03', ['month 2021-03-01']],
    ['MAR 21', ['month 2021-03-01']],
    ['W12 21', ['week 2021-03-22']],
    ['2021 W12', ['week 2021-03-22']],
    ['Q3 19', ['quarter 2019-07-01']],
    ['3Q2019', ['quarter 2019-07-01']],
    ['15.03.2021', ['day 2021-03-15']],
    ['2021-03-15', ['day 2021-03-15']],
  ])('%s reads one way', (text, expected) => {
    expect(kinds(text)).toEqual(expected);
  });
  test('four figures that make sense as month and as week are both given, the newest first', () => {
    const readings = kinds('1119');
    expect(readings).toEqual(expect.arrayContaining(['month 2019-11-01', 'week 2019-03-11']));
    expect(readings.length).toBeGreaterThan(1);
    const starts = readings.map((reading) => reading.slice(-10));
    expect(starts).toEqual([...starts].sort().reverse());
  });
  test('5221 can only be week 52 of 2021', () => {
    expect(kinds('5221')).toEqual(['week 2021-12-27']);
  });
  test('ISO 8601: week 1 of 2021 begins on 4 January, week 53 of 2020 on 28 December, and 2021 has no week 53', () => {
    expect(kinds('W01 2021')).toEqual(['week 2021-01-04']);
    expect(kinds('W53 2020')).toEqual(['week 2020-12-28']);
    expect(kinds('W53 2021')).toEqual([]);
  });
  test.each(['', 'hello', '99/99', '0000', '31/02/2021 x', '12345', '2031-01'])(
    '%s makes no sense',
    (text) => {
      expect(kinds(text)).toEqual([]);
    },
  );
  test('whatever is typed, no reading lies in the future or ends before it begins', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[0-9QW/. -]{1,10}$/)), (text) => {
        for (const { from, to } of readDateCode(text, TODAY)) {
          expect(from <= to).toBe(true);
          expect(to <= TODAY).toBe(true);
        }
      }),
      { numRuns: 500 },
    );
  });
  test('a month written with its year in full comes back as that month', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1990, max: 2025 }), fc.integer({ min: 1, max: 12 }), (year, month) => {
        const two = String(month).padStart(2, '0');
        for (const text of [`${two}/${year}`, `${year}-${two}`, `${month}.${year}`])
          expect(kinds(text)).toEqual([`month ${year}-${two}-01`]);
      }),
    );
  });
});

describe('age of a hose', () => {
  const age = (madeOn: string, construction: 'rubber' | 'braided') => {
    const result = hoseAge(madeOn, TODAY, construction);
    return result.ok ? result.value : result.problem.code;
  };
  test('rubber: four years is over; common practice, no published source', () => {
    expect(age('2022-11-25', 'rubber')).toEqual({ months: 48, verdict: 'over' });
    expect(age('2022-11-26', 'rubber')).toEqual({ months: 47, verdict: 'soon' });
    expect(age('2025-01-01', 'rubber')).toEqual({ months: 22, verdict: 'fresh' });
  });
  test('braided: looked at, not counted', () => {
    expect(age('2001-01-01', 'braided')).toMatchObject({ verdict: 'inspect' });
  });
  test('made tomorrow is refused', () => {
    expect(age('2026-11-26', 'rubber')).toBe('madeInFuture');
  });
});
