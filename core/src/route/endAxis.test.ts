/** Where an end of a route points; the expected angles are worked out by hand from the convention, looking along +x with z up. */
import { endAxis, lyingOf } from './endAxis.ts';
import { AS_MEASURED_ONLY } from './rig.ts';
import { SAMPLE_FORK } from './testScenes.ts';
import { solveScene } from './scene.ts';
import type { Scene, SceneEnd } from './sceneParts.ts';

const end = (over: Partial<SceneEnd>): SceneEnd => ({
  body: 'frame',
  port_m: [0, 0, 0],
  outward: [1, 0, 0],
  rigid_m: 0.025,
  eyeAxis: null,
  ...over,
});

describe('the axis of an end', () => {
  test('a straight thread has none, a bent one points into its port', () => {
    expect(endAxis(end({}))).toBeNull();
    expect(endAxis(end({ neck: { along: [1, 0, 0], length_m: 0.01 } }))).toBeNull();
    const bent = end({ outward: [-1, 0, 0], neck: { along: [0, 0, -1], length_m: 0.01 } });
    expect(lyingOf(bent)).toEqual({ family: 'threaded', neckAngle_rad: Math.PI / 2 });
    expect(endAxis(bent)).toEqual([-0, -0, 1]);
  });

  test('the bolt of a bent eye points to the side its neck rises to, whichever way it was typed', () => {
    const up = { outward: [1, 0, 1], neck: { along: [1, 0, 0], length_m: 0.01 } } as const;
    expect(endAxis(end({ ...up, eyeAxis: [0, 0, 1] }))).toEqual([0, 0, 1]);
    expect(endAxis(end({ ...up, eyeAxis: [0, 0, -1] }))).toEqual([-0, -0, 1]);
    expect(lyingOf(end({ ...up, eyeAxis: [0, 0, 1] })).neckAngle_rad).toBeCloseTo(Math.PI / 4, 12);
  });
});

describe('clocking of a route', () => {
  const scene = (far: Partial<SceneEnd>, near: Partial<SceneEnd> = { eyeAxis: [0, 0, 1] }): Scene => ({
    rig: SAMPLE_FORK.rig,
    keepOuts: [],
    hose: {
      start: end(near),
      end: end({ port_m: [0.4, 0, 0], outward: [-1, 0, 0], ...far }),
      clips: [],
      length_m: 0.42,
      outside_m: 0.0075,
      leastRadius_m: 0.04,
    },
  });
  const clockingOf = (given: Scene) => {
    const [pose] = solveScene(given, AS_MEASURED_ONLY);
    expect(pose?.spans.map(({ shape }) => shape.status)).toEqual(['converged']);
    return pose?.clocking_rad ?? null;
  };

  test('a bent threaded end is clocked as an eye is', () => {
    const bent = (along: SceneEnd['outward']) => clockingOf(scene({ neck: { along, length_m: 0.01 } }));
    // The thread points up, to the right, to the left.
    expect(bent([0, 0, -1])).toBeCloseTo(0, 1);
    expect(bent([0, 1, 0])).toBeCloseTo(Math.PI / 2, 1);
    expect(bent([0, -1, 0])).toBeCloseTo(-Math.PI / 2, 1);
    expect(clockingOf(scene({ eyeAxis: [0, -1, 0] }))).toBeCloseTo(Math.PI / 2, 1);
  });

  test('a straight thread at either end turns, so that there is nothing to clock', () => {
    expect(clockingOf(scene({}))).toBeNull();
    expect(clockingOf(scene({ eyeAxis: [0, 0, 1] }, {}))).toBeNull();
  });
});
