import fc from 'fast-check';
import type { Donor, DonorEnd, DonorNeed } from './donor.ts';
import { judgeDonor } from './donor.ts';

const eye = (angle_deg: number, thread: string | null = 'M10×1.0'): DonorEnd => ({
  family: 'banjo',
  neckAngle_rad: (angle_deg * Math.PI) / 180,
  thread,
});
const NEED: DonorNeed = { needed_m: 0.742, longest_m: 0.86, endA: eye(20), endB: eye(0) };
const verdict = (donor: Partial<Donor>, need: Partial<DonorNeed> = {}) => {
  const result = judgeDonor({ ...NEED, ...need }, { length_m: 0.75, endA: eye(20), endB: eye(0), ...donor });
  if (!result.ok) throw new Error(result.problem.code);
  return { ...result.value, cautions: result.cautions.map(({ id }) => id) };
};

test('long enough, not too long, with the right ends: it fits', () => {
  expect(verdict({})).toMatchObject({ fits: true, turned: false, wrongEnds: [], cautions: [] });
  expect(verdict({ length_m: NEED.needed_m })).toMatchObject({ fits: true });
});

// "A second hose from another vehicle that is 25 mm short is scrap": common practice, no published source.
test('25 mm short is a stop before anything is opened', () => {
  const short = verdict({ length_m: NEED.needed_m - 0.025 });
  expect(short).toMatchObject({ fits: false, tooShort: true, cautions: ['M13'] });
  expect(short.difference_m).toBeCloseTo(-0.025, 12);
});

test('longer than what holds by the route is too long; without a route nobody can say so', () => {
  expect(verdict({ length_m: 0.9 })).toMatchObject({ fits: false, tooLong: true, cautions: ['M05'] });
  expect(verdict({ length_m: 0.9 }, { longest_m: null })).toMatchObject({ fits: true, cautions: [] });
});

test('ends the other way round are no wrong ends: the hose is turned', () => {
  expect(verdict({ endA: eye(0), endB: eye(20) })).toMatchObject({ fits: true, turned: true, wrongEnds: [] });
});

test('a wrong end is named with what is wrong with it, the gravest first', () => {
  const threaded: DonorEnd = { ...eye(0), family: 'threaded' };
  expect(verdict({ endB: threaded }).wrongEnds).toEqual([{ end: 'B', why: 'family' }]);
  expect(verdict({ endA: eye(20, 'M10×1.25') }).wrongEnds).toEqual([{ end: 'A', why: 'thread' }]);
  expect(verdict({ endA: eye(45) }).wrongEnds).toEqual([{ end: 'A', why: 'angle' }]);
  expect(verdict({ endA: eye(25, null) })).toMatchObject({ fits: true });
});

test('turning a donor round never changes the verdict but for which way it goes', () => {
  const end = fc.record({
    family: fc.constantFrom('banjo' as const, 'threaded' as const),
    neckAngle_rad: fc.constantFrom(0, 0.35, 0.79, 1.57),
    thread: fc.constantFrom(null, 'M10×1.0', 'M10×1.25'),
  });
  fc.assert(
    fc.property(end, end, end, end, fc.double({ min: 0.1, max: 2, noNaN: true }), (a, b, c, d, length_m) => {
      const need = { ...NEED, endA: a, endB: b };
      const one = verdict({ length_m, endA: c, endB: d }, need);
      const other = verdict({ length_m, endA: d, endB: c }, need);
      expect(other.fits).toBe(one.fits);
      expect(other.wrongEnds.length).toBe(one.wrongEnds.length);
      expect(other.difference_m).toBe(one.difference_m);
    }),
  );
});

test('a length that is none is a problem of its field', () => {
  expect(judgeDonor(NEED, { length_m: 0, endA: eye(0), endB: eye(0) })).toMatchObject({
    ok: false,
    problem: { code: 'notPositive', field: 'length_m' },
  });
});

test('M13 asks for the longest pose and its uncertainty, not for the shop’s slack, and says which is eaten', () => {
  const need = { uncertainty_m: 0.004, slack_m: 0.0125 };
  const of = (length_m: number) => {
    const result = judgeDonor({ ...NEED, ...need }, { length_m, endA: eye(20), endB: eye(0) });
    if (!result.ok) throw new Error(result.problem.code);
    return result;
  };
  expect(of(0.742 + 0.005).cautions).toEqual([]);
  expect(of(0.742 + 0.005).value.slackShort_m).toBeCloseTo(0.0075, 9);
  expect(of(0.742 + 0.02).value.slackShort_m).toBe(0);
  expect(of(0.742 + 0.002).cautions).toMatchObject([{ id: 'M13', evidence: { eaten: 'uncertainty' } }]);
  expect(of(0.742 - 0.01).cautions).toMatchObject([{ id: 'M13', evidence: { eaten: 'pose' } }]);
});
