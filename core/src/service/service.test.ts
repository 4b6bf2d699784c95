import { judgeGrade } from '../fluid/grade.ts';
import { judgeBottle, judgeDue, nextDue, strictestInterval } from './nextDue.ts';

const TWO_YEARS = { intervalMonths: 24, intervalDistance_m: 48_000_000 };

describe('fluid next due', () => {
  // Two years or about 48,000 km: common practice, no published source.
  test('counts date and distance from the service', () => {
    expect(nextDue('2026-11-23', 12_500_000, TWO_YEARS)).toMatchObject({
      value: { dueOn: '2028-11-23', dueDistance_m: 60_500_000 },
    });
  });

  // Calendar facts (proleptic Gregorian calendar, ISO 8601).
  test.each([
    ['2026-08-31', 6, '2027-02-28'],
    ['2027-08-31', 6, '2028-02-29'],
    ['2028-02-29', 12, '2029-02-28'],
    ['2026-12-15', 1, '2027-01-15'],
  ])('%s and %i months is %s', (servicedOn, intervalMonths, dueOn) => {
    expect(nextDue(servicedOn, null, { intervalMonths, intervalDistance_m: null })).toMatchObject({
      value: { dueOn, dueDistance_m: null },
    });
  });

  test('the maker’s interval is the longest allowed, the shop’s may be shorter', () => {
    const maker = { intervalMonths: 12, intervalDistance_m: null };
    expect(strictestInterval(TWO_YEARS, maker)).toEqual({
      intervalMonths: 12,
      intervalDistance_m: 48_000_000,
    });
    expect(strictestInterval(maker, TWO_YEARS)).toEqual({
      intervalMonths: 12,
      intervalDistance_m: 48_000_000,
    });
    expect(strictestInterval(maker, null)).toEqual(maker);
  });

  test('whichever comes first decides', () => {
    const due = { dueOn: '2027-06-01', dueDistance_m: 20_000_000 };
    const judge = (today: string, distance_m: number | null) => judgeDue(due, today, distance_m, 10_000_000);
    expect(judge('2026-06-01', 12_000_000)).toBe('later');
    expect(judge('2026-06-01', 19_500_000)).toBe('soon');
    expect(judge('2026-06-01', 20_500_000)).toBe('overdue');
    expect(judge('2027-05-01', 12_000_000)).toBe('soon');
    expect(judge('2027-06-01', null)).toBe('soon');
    expect(judge('2027-06-02', null)).toBe('overdue');
  });

  test('an interval of nothing and a negative distance are refused by name', () => {
    expect(nextDue('2026-01-01', 0, { intervalMonths: 0, intervalDistance_m: null })).toMatchObject({
      problem: { field: 'intervalMonths' },
    });
    expect(nextDue('2026-01-01', -1, TWO_YEARS)).toMatchObject({ problem: { field: 'distance_m' } });
  });

  test('a bottle open for seven months is M78, for six it is not', () => {
    expect(judgeBottle('2026-04-20', '2026-11-23')).toMatchObject([{ id: 'M78', evidence: { months: 7 } }]);
    expect(judgeBottle('2026-05-23', '2026-11-23')).toEqual([]);
  });
});

/** Source: FMVSS 116 (from memory): DOT 5 is silicone, DOT 3, 4 and 5.1 are not. */
describe('fluid grade against the cap', () => {
  test.each([
    ['DOT 4', 'DOT 4', []],
    ['DOT 4', 'DOT 5.1', ['M76']],
    ['DOT 3', 'DOT 4', []],
    ['DOT 4', 'DOT 3', ['M75']],
    ['DOT 5.1', 'DOT 4', ['M75']],
    ['DOT 4', 'DOT 5', ['M75']],
    ['DOT 5', 'DOT 5.1', ['M75']],
    ['DOT 4', 'mineral oil', ['M77']],
    ['mineral oil', 'DOT 4', ['M77']],
  ] as const)('cap %s, bottle %s: %p', (asked, offered, ids) => {
    expect(judgeGrade(asked, offered).map((caution) => caution.id)).toEqual(ids);
  });
});
