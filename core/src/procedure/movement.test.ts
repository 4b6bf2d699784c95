import { judgeMovement, judgeStripe } from './movement.ts';

const DEGREE = Math.PI / 180;
const judged = (seen_m: number, expected_m: number | null) => {
  const result = judgeMovement({ poses: [{ pose: 'leftLock', seen_m }], expected_m });
  if (!result.ok) throw new Error(result.problem.code);
  return [result.value.poses[0]?.verdict, result.value.reopens];
};

/** 5 mm: our estimate, no published source. */
test.each([
  [0, null, 'touches', true],
  [0, 0.002, 'touches', true],
  [0.004, null, 'clear', false],
  [0.012, 0.012, 'asDrawn', false],
  [0.007, 0.012, 'asDrawn', false],
  [0.0069, 0.012, 'nearer', true],
  [0.05, 0.012, 'asDrawn', false],
] as const)('%p m seen, %p m drawn: %s', (seen_m, expected_m, verdict, reopens) => {
  expect(judged(seen_m, expected_m)).toEqual([verdict, reopens]);
});

test('one bad pose among good ones is enough', () => {
  const poses = [0.02, 0.03, 0].map((seen_m, index) => ({ pose: String(index), seen_m }));
  expect(judgeMovement({ poses, expected_m: null })).toMatchObject({ value: { reopens: true } });
});

test('each pose against what is drawn of it: as near as elsewhere is nearer than here', () => {
  const poses = [
    { pose: 'leftLock', seen_m: 0.013, expected_m: 0.012 },
    { pose: 'fullDroop', seen_m: 0.013, expected_m: 0.04 },
    { pose: 'fullBump', seen_m: 0.013, expected_m: null },
  ];
  const result = judgeMovement({ poses, expected_m: 0.012 });
  expect(result).toMatchObject({
    ok: true,
    value: {
      poses: [{ verdict: 'asDrawn' }, { verdict: 'nearer' }, { verdict: 'asDrawn' }],
      reopens: true,
    },
  });
  // The working is of the worst of them.
  expect(result.ok && result.working[0]?.result.quantity).toMatchObject({
    kind: 'length',
    value_SI: expect.closeTo(0.027, 12) as number,
  });
});

/** 10° in a metre: our default (mistake catalogue, M56). */
test.each([
  [7, 0.7, false],
  [-7, 0.7, false],
  [7.1, 0.7, true],
  [-90, 1.2, true],
  [0, 0.3, false],
])('a stripe turned by %p° over %p m: too far %p', (turned_deg, free_m, isTooFar) => {
  const result = judgeStripe({ turned_rad: turned_deg * DEGREE, free_m });
  expect(result.ok && result.cautions.map(({ id }) => id)).toEqual(isTooFar ? ['M56'] : []);
  expect(result.ok && result.value).toBeCloseTo((Math.abs(turned_deg) * DEGREE) / free_m, 12);
});

test.each([
  [() => judgeStripe({ turned_rad: 1, free_m: 0 }), 'free_m'],
  [() => judgeMovement({ poses: [{ pose: 'x', seen_m: -1 }], expected_m: null }), 'poses.0.seen_m'],
])('a figure without meaning names its field', (judge, field) => {
  expect(judge()).toMatchObject({ ok: false, problem: { field } });
});
