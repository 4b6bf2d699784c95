import type { Scene } from '@zephyrcombe/core';
import { CORNER_PATTERNS, PATTERN_CORNERS, sceneOf } from '@zephyrcombe/core';
import type { CornerPattern } from '@zephyrcombe/core';
import type { RouteCurves } from './compute.ts';
import { RouteComputer } from './compute.ts';
import { marginOf } from './margins.ts';

function sceneFor(pattern: CornerPattern, length_m?: number): Scene {
  const corner = PATTERN_CORNERS[pattern];
  const [hose] = corner.hoses;
  const scene = hose && sceneOf(corner, hose.id);
  if (!scene) throw new Error('no hose');
  return length_m === undefined ? scene : { ...scene, hose: { ...scene.hose, length_m } };
}
const INSTALLED = { across: 0, down: 0 };

test.each(CORNER_PATTERNS)(
  '%s: a frame has every pose, its lines, and the pose that is looked at',
  (pattern) => {
    const scene = sceneFor(pattern);
    const frame = new RouteComputer().frame(scene, INSTALLED, true);
    expect(frame.figures).toHaveLength(frame.columns * 9);
    expect(frame.sweep).toHaveLength(frame.figures.length * frame.sweepPoints * 3);
    expect(frame.proof.ok).toBe(true);
    const line = frame.shown?.line;
    if (!line) throw new Error('no line');
    const { start, end } = scene.hose;
    // A line of the installed pose goes from port to port; single precision keeps micrometres.
    for (const axis of [0, 1, 2] as const) {
      expect(line[axis]).toBeCloseTo(start.port_m[axis], 5);
      expect(line[line.length - 3 + axis]).toBeCloseTo(end.port_m[axis], 5);
    }
  },
);

test('a hose that cannot reach shows no shape, only that it is taut', () => {
  const computer = new RouteComputer();
  const frame = computer.frame(sceneFor('fork', 0.6), INSTALLED, false);
  expect(frame.shown).toMatchObject({ line: null, radius_m: null, tightest_m: null });
  expect(frame.figures.every(({ radius_m }) => radius_m === null || radius_m > 0)).toBe(true);
  expect(frame.proof).toMatchObject({ ok: true, value: { holds: false, reason: 'taut' } });
  const [first] = frame.figures;
  if (!first) throw new Error('no pose');
  for (const figure of ['radius', 'room', 'slack'] as const)
    expect(marginOf(figure, first, 0.04)).toBeLessThan(0);
});

test('a scene with no answer gives the problem and nothing else; the next one is solved again', () => {
  const computer = new RouteComputer();
  expect(computer.frame(sceneFor('fork', 0.01), INSTALLED, true)).toMatchObject({
    figures: [],
    shown: null,
    proof: { ok: false, problem: { code: 'shorterThanItsFittings' } },
  });
  expect(computer.frame(sceneFor('fork'), INSTALLED, false).proof).toMatchObject({
    ok: true,
    value: { holds: true },
  });
});

test('a followed drag comes within half a hundredth of what a settled frame says, but for what lies between the poses', () => {
  const [followed, settled] = [new RouteComputer(), new RouteComputer()];
  followed.frame(sceneFor('fork'), INSTALLED, true);
  for (let step = 1; step <= 10; step += 1)
    followed.frame(sceneFor('fork', 0.71 + step * 0.001), INSTALLED, false);
  const quick = followed.frame(sceneFor('fork', 0.72), INSTALLED, false);
  const full = settled.frame(sceneFor('fork', 0.72), INSTALLED, true);
  for (const [index, figures] of quick.figures.entries())
    expect(Math.abs((figures.radius_m ?? 0) / (full.figures[index]?.radius_m ?? 1) - 1)).toBeLessThan(0.005);
  if (!quick.proof.ok || !full.proof.ok) throw new Error('no proof');
  expect(full.proof.value.radius_m?.value).toBeLessThanOrEqual(
    (quick.proof.value.radius_m?.value ?? 0) * 1.005,
  );
});

test('curves grow outwards from the length and end with the window; other rigs start anew', () => {
  const computer = new RouteComputer();
  expect([...computer.curves()]).toEqual([]);
  computer.frame(sceneFor('swingArm'), INSTALLED, true);
  const all = [...computer.curves()];
  const drawn = all.flatMap((curves): RouteCurves[] => (curves ? [curves] : []));
  // The search for the window leaves room for other questions between its steps.
  expect(all.length - drawn.length).toBeGreaterThan(5);
  for (const [count, { points, window, apart }] of drawn.entries()) {
    expect(apart === null).toBe(count < 60);
    expect(points).toHaveLength(count);
    expect(window).toEqual(drawn[0]?.window);
    const lengths = points.map(({ length_m }) => length_m);
    expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
  }
  const last = drawn.at(-1);
  const { window, points } = last ?? {};
  if (!window || !points) throw new Error('no window');
  expect(window.short_m).toBeLessThan(0.63);
  // What the scan saw holds inside the window and not just outside its short end.
  for (const { length_m, holds } of points) {
    if (length_m > window.short_m && length_m < window.long_m) expect(holds).toBe(true);
    if (length_m < window.short_m - 0.001) expect(holds).toBe(false);
  }
  expect(computer.frame(sceneFor('strut'), INSTALLED, false).figures).toHaveLength(81);
});
