/**
 * The law of guides without friction: laid on the free hose's own curve, along its tangent, they change nothing. It is a
 * theorem (the free shape is a minimum, and still one among the shapes that pass where it passes), not a measurement.
 */
import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { add, norm, scaled, unit } from '../geometry/vector.ts';
import { bending, rodPoints, tightestBend } from './measures.ts';
import type { RodEnds, RodShape } from './rod.ts';
import { solveRod } from './rod.ts';
import type { Held } from './slide.ts';
import { slid } from './slide.ts';

const within = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
const FINE = 512;
const LEAST_BEND_m = 0.02;
const RESOLVED = 0.005;

/** Where a solved hose is after a length, and which way it runs there. */
function heldAt(ends: RodEnds, shape: RodShape, at_m: number): Held {
  const points = rodPoints(ends, shape);
  const steps = points.length - 1;
  const place = Math.min(steps - 1e-9, (at_m / ends.length_m) * steps);
  const [node, share] = [Math.floor(place), place % 1];
  const tangent = (index: number): Vector => [
    shape.tangents[3 * index] ?? 0,
    shape.tangents[3 * index + 1] ?? 0,
    shape.tangents[3 * index + 2] ?? 0,
  ];
  const [t, u] = [tangent(node), tangent(node + 1)];
  const along = unit(add(scaled(t, 1 - share), scaled(u, share)));
  const step_m = ends.length_m / steps;
  // Between nodes the tangent turns evenly: the point lies a mean tangent further on.
  const by = add(scaled(t, share - (share * share) / 2), scaled(u, (share * share) / 2));
  return { point_m: add(points[node] ?? [0, 0, 0], scaled(by, step_m)), tangent: along };
}

interface Law {
  readonly ends: RodEnds;
  readonly at_m: readonly number[];
  readonly typed_m: readonly number[];
}

/** Of a piece through guides against the free hose: bend, energy, places. */
function compare({ ends, at_m, typed_m }: Law) {
  const free = solveRod(ends, undefined, FINE);
  const spans = slid({
    holds: [ends.start, ...at_m.map((at) => heldAt(ends, free, at)), ends.end],
    length_m: ends.length_m,
    guidesAt_m: typed_m,
    stiffs: [...at_m, 0].map(() => []),
  });
  const energy = spans.reduce((sum, span) => sum + bending(span.ends, span.shape), 0);
  const radius_m = Math.min(...spans.map(({ radius_m: radius }) => radius ?? 0));
  let [place_m, off_m] = [0, 0];
  for (const [index, span] of spans.slice(0, -1).entries()) {
    place_m += span.ends.length_m;
    off_m = Math.max(off_m, Math.abs(place_m - (at_m[index] ?? 0)));
  }
  return {
    free,
    isSolved: free.status === 'converged' && spans.every(({ shape }) => shape.status === 'converged'),
    energyRatio: energy / bending(ends, free),
    radiusRatio: radius_m / tightestBend(ends, free).radius_m,
    off_m,
  };
}

const direction = fc.tuple(within(-1, 1), within(-1, 1), within(-1, 1)).filter((v) => norm(v) > 0.2);

const law = fc
  .record({
    chord: fc.tuple(within(0.12, 0.45), within(-0.2, 0.2), within(-0.2, 0.2)),
    first: direction,
    last: direction,
    forward: within(0, 1.5),
    more: within(1.06, 1.5),
    places: fc.array(fc.oneof(within(0.004, 0.06), within(0.06, 0.94), within(0.94, 0.996)), {
      minLength: 1,
      maxLength: 3,
    }),
    close_m: fc.option(within(0.006, 0.03), { nil: null }),
    slips: fc.tuple(within(-0.03, 0.03), within(-0.03, 0.03), within(-0.03, 0.03)),
  })
  .map(({ chord, first, last, forward, more, places, close_m, slips }): Law => {
    const along = unit(chord);
    const ends: RodEnds = {
      start: { point_m: [0, 0, 0], tangent: unit(add(unit(first), scaled(along, forward))) },
      end: { point_m: chord, tangent: unit(add(unit(last), scaled(along, forward))) },
      length_m: norm(chord) * more,
    };
    const sorted = [...places].sort((a, b) => a - b).map((place) => place * ends.length_m);
    // The second one right behind the first, in some.
    if (close_m !== null && sorted.length > 1) sorted[1] = (sorted[0] ?? 0) + close_m;
    const at_m = sorted
      .sort((a, b) => a - b)
      .filter((at, index) => at - (sorted[index - 1] ?? 0) >= 0.003 && ends.length_m - at >= 0.003);
    return { ends, at_m, typed_m: at_m.map((at, index) => at + (slips[index] ?? 0)) };
  })
  // Bends that a brake hose could have, and a free hose that its own nodes tell well enough to be compared with.
  .filter(({ ends, at_m }) => {
    const [own, fine] = [solveRod(ends), solveRod(ends, undefined, FINE)];
    if (at_m.length === 0 || own.status !== 'converged' || fine.status !== 'converged') return false;
    const [bend_m, fineBend_m] = [tightestBend(ends, own).radius_m, tightestBend(ends, fine).radius_m];
    const isNear = (ratio: number) => Math.abs(ratio - 1) < RESOLVED;
    return (
      bend_m > LEAST_BEND_m && isNear(bend_m / fineBend_m) && isNear(bending(ends, own) / bending(ends, fine))
    );
  });

const RUNS = 300;

test('guides on the free hose’s own curve change neither its bend nor its energy, wherever they are and were thought to be', () => {
  let [ran, worstEnergy, worstRadius, worstPlace_m] = [0, 0, 0, 0];
  fc.assert(
    fc.property(law, (scene) => {
      const { isSolved, energyRatio, radiusRatio, off_m } = compare(scene);
      expect(isSolved).toBe(true);
      expect(Math.abs(energyRatio - 1)).toBeLessThan(0.01);
      expect(Math.abs(radiusRatio - 1)).toBeLessThan(0.01);
      expect(off_m).toBeLessThan(0.001);
      ran += 1;
      worstEnergy = Math.max(worstEnergy, Math.abs(energyRatio - 1));
      worstRadius = Math.max(worstRadius, Math.abs(radiusRatio - 1));
      worstPlace_m = Math.max(worstPlace_m, off_m);
    }),
    { numRuns: RUNS, seed: 15 },
  );
  expect(ran).toBe(RUNS);
  process.stdout.write(
    `law of guides: ${ran} hoses with one to three guides; energy within ${(100 * worstEnergy).toFixed(2)} %, bend within ${(100 * worstRadius).toFixed(2)} %, places within ${(1000 * worstPlace_m).toFixed(2)} mm\n`,
  );
});
