/** The search for a window's edges, whatever is judged: here lengths between two known ones, seen wrongly from afar. */
import fc from 'fast-check';
import type { Judge, Judged, LengthScan, Window } from './window.ts';
import { EDGE_m, piecesApart, searchWindow } from './window.ts';

const SCAN: LengthScan = { from_m: 0.5, to_m: 1, nominal_m: 0.7 };

interface Asked extends Judged {
  readonly length_m: number;
}

function searched(judge: Judge<Asked>, scan = SCAN): Window<Asked> | null {
  const search = searchWindow(judge, scan);
  for (;;) {
    const step = search.next();
    if (step.done) return step.value;
  }
}

/** Holds between two lengths; roughly, between two others. */
const between =
  (
    [short_m, long_m]: readonly [number, number],
    [roughShort_m, roughLong_m] = [short_m, long_m],
  ): Judge<Asked> =>
  (length_m, closeness) => ({
    length_m,
    holds:
      closeness === 'closely'
        ? length_m >= short_m && length_m <= long_m
        : length_m >= roughShort_m && length_m <= roughLong_m,
  });

test('both edges are known to half a millimetre, however wrong the rough look is about them', () => {
  const off = fc.double({ min: -0.012, max: 0.012, noNaN: true });
  fc.assert(
    fc.property(
      fc.double({ min: 0.52, max: 0.698, noNaN: true }),
      fc.double({ min: 0.702, max: 0.98, noNaN: true }),
      off,
      off,
      (short_m, long_m, shortOff_m, longOff_m) => {
        const judge = between([short_m, long_m], [short_m + shortOff_m, long_m + longOff_m]);
        const window = searched(judge);
        if (!window) throw new Error('no window');
        for (const [edge, at_m] of [
          [window.short, short_m],
          [window.long, long_m],
        ] as const) {
          expect(edge.length_m).toBeGreaterThanOrEqual(short_m);
          expect(edge.length_m).toBeLessThanOrEqual(long_m);
          expect(Math.abs(edge.length_m - at_m)).toBeLessThanOrEqual(EDGE_m);
          expect(edge.beyond?.holds).toBe(false);
          expect(Math.abs((edge.beyond?.length_m ?? 0) - edge.length_m)).toBeLessThanOrEqual(EDGE_m);
        }
      },
    ),
  );
});

test('where the search ends first the edge is there, and it says that it does not know what is beyond', () => {
  expect(searched(between([0.2, 2]))).toEqual({
    short: { length_m: 0.5, beyond: null },
    long: { length_m: 1, beyond: null },
  });
  // Roughly it holds to the end, closely it does not.
  const window = searched(between([0.505, 2], [0.2, 2]));
  expect(window?.short.length_m).toBeCloseTo(0.505, 3);
  expect(window?.short.beyond?.holds).toBe(false);
  // The nominal length may itself be the end of what is looked at.
  expect(searched(between([0.2, 2]), { ...SCAN, nominal_m: 1 })?.long).toEqual({ length_m: 1, beyond: null });
});

test('a nominal length that does not hold closely has no window, whatever it looks like roughly', () => {
  expect(searched(between([0.75, 0.8], [0.5, 0.8]))).toBeNull();
});

test('beyond a gap it is another window: a longer piece that holds again is not counted', () => {
  const window = searched((length_m) => ({ length_m, holds: length_m <= 0.76 || length_m >= 0.8 }));
  expect(window?.long.length_m).toBeLessThanOrEqual(0.76);
  expect(window?.long.length_m).toBeGreaterThan(0.76 - EDGE_m);
});

test('every judgement starts from one nearby', () => {
  const judge = between([0.6, 0.9], [0.603, 0.895]);
  let furthest_m = 0;
  searched((length_m, closeness, near) => {
    if (near) furthest_m = Math.max(furthest_m, Math.abs(near.length_m - length_m));
    return judge(length_m, closeness);
  });
  expect(furthest_m).toBeGreaterThan(0);
  expect(furthest_m).toBeLessThanOrEqual(0.5 / 40 + 1e-12);
});

test('pieces that hold apart from the window are told one by one, the window’s own not', () => {
  const tried = [0, 1, 1, 0, 1, 1, 1, 0, 0, 1].map((holds, index) => ({
    length_m: 0.5 + index / 100,
    holds: holds === 1,
  }));
  const rounded = (pieces: ReturnType<typeof piecesApart>) =>
    pieces.map((piece) => piece.map((length_m) => Math.round(length_m * 1000)));
  expect(rounded(piecesApart(tried, { short_m: 0.538, long_m: 0.563 }))).toEqual([
    [510, 520],
    [590, 590],
  ]);
  expect(rounded(piecesApart(tried, null))).toEqual([
    [510, 520],
    [540, 560],
    [590, 590],
  ]);
  expect(piecesApart([], null)).toEqual([]);
});
