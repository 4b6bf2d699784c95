import fc from 'fast-check';
import type { Vector } from '../geometry/vector.ts';
import { distanceBetween, norm, unit } from '../geometry/vector.ts';
import { planarDubins } from './dubins.ts';
import { freeSpan, solveEnvelope, TAUT_RATIO } from './envelope.ts';
import { leastGap_m } from './gaps.ts';
import { judgeAt, judgeScene, scanLengths, sceneWindow, worstPose } from './judge.ts';
import { rodPoints } from './measures.ts';
import { sceneProblem } from './sceneProblem.ts';
import { AS_MEASURED, gridOf } from './rig.ts';
import { SAMPLE_FORK } from './testScenes.ts';
import type { Scene, SceneClip } from './sceneParts.ts';
import {
  chordRange_m,
  coarserPoses,
  followScene,
  imposedTwist_rad,
  piecesOf,
  portChord_m,
  solvePose,
  solveScene,
  spansOf,
} from './scene.ts';
import { distanceTo, placed } from './solid.ts';
import { STILL } from './motion.ts';

const within = (low: number, high: number) => fc.double({ min: low, max: high, noNaN: true });
const BARE: Scene = { ...SAMPLE_FORK, keepOuts: [] };
const sized = (scene: Scene, length_m: number): Scene => ({ ...scene, hose: { ...scene.hose, length_m } });
const droop_m = portChord_m(BARE);
const grid = gridOf(BARE.rig, 5);

describe('a fork hose over its movement', () => {
  test('every pose is solved, closes, and hangs between its own ends', () => {
    const poses = solveScene(sized(BARE, droop_m * 1.08), grid);
    expect(poses).toHaveLength(25);
    for (const { spans } of poses)
      for (const { ends, shape } of spans) {
        expect(shape.status).toBe('converged');
        const points = rodPoints(ends, shape);
        expect(distanceBetween(points[0] ?? [0, 0, 0], ends.start.point_m)).toBeLessThan(1e-12);
        // A hundredth of a millimetre is asked for; a hundred times less is met.
        expect(distanceBetween(points.at(-1) ?? [0, 0, 0], ends.end.point_m)).toBeLessThan(1e-7);
      }
  });

  test('lever and caliper steer together: steering changes nothing that the hose feels', () => {
    const poses = solveScene(sized(BARE, droop_m * 1.08), grid);
    for (let row = 0; row < 5; row += 1) {
      const radii = poses.slice(5 * row, 5 * row + 5).map((pose) => pose.radius_m ?? 0);
      for (const radius of radii) expect(radius / (radii[2] ?? 1)).toBeCloseTo(1, 4);
    }
    const installed = poses[grid.installed];
    if (!installed) throw new Error('no installed pose');
    const still = poses.slice(0, 5);
    expect(imposedTwist_rad(still, installed)).toBeLessThan(1e-4);
  });

  test('from a block on the frame it does, and left is not right', () => {
    const { hose } = BARE;
    const fixed: Scene = { ...BARE, hose: { ...hose, start: { ...hose.start, body: 'frame' } } };
    const poses = solveScene(sized(fixed, 1), gridOf(fixed.rig, 5));
    expect(Math.abs((poses[0]?.chordRatio ?? 0) - (poses[4]?.chordRatio ?? 0))).toBeGreaterThan(0.002);
    expect(chordRange_m(spansOf(fixed), grid)).toBeGreaterThan(0.1);
  });

  test('a hose that droop pulls straight is taut there, and said to be so at that pose', () => {
    const verdict = judgeAt(BARE, grid, droop_m * 1.005);
    expect(verdict).toMatchObject({ holds: false, reason: 'taut', radius_m: null, pose: { down: 0 } });
    expect(verdict.chordRatio).toBeGreaterThan(TAUT_RATIO);
  });

  test('a least radius that no pose holds is named as bend, with its pose', () => {
    const asked = (leastRadius_m: number) =>
      judgeAt({ ...BARE, hose: { ...BARE.hose, leastRadius_m } }, grid, droop_m * 1.08);
    const held = asked(0.01);
    expect(held.holds).toBe(true);
    expect(asked((held.radius_m ?? 0) * 1.01)).toMatchObject({
      holds: false,
      reason: 'bend',
      pose: held.pose,
    });
  });

  test('the window holds at both its edges and not half a millimetre beyond', () => {
    const scan = { from_m: droop_m, to_m: droop_m * 1.5, nominal_m: droop_m * 1.1 };
    const scene = { ...BARE, hose: { ...BARE.hose, leastRadius_m: 0.03 } };
    const three = gridOf(scene.rig, 3);
    const window = sceneWindow(scene, three, scan);
    if (!window) throw new Error('no window');
    const holds = (length_m: number) => judgeAt(scene, three, length_m).holds;
    expect(window.short.length_m).toBeGreaterThan(droop_m);
    expect(holds(window.short.length_m)).toBe(true);
    expect(holds(window.short.length_m - 0.0006)).toBe(false);
    expect(window.short.beyond?.reason).toBe('taut');
    expect(holds(window.long.length_m)).toBe(true);
    if (window.long.beyond) expect(holds(window.long.length_m + 0.0006)).toBe(false);
  });

  test('a hose too long comes near the exhaust at the lock that carries it there, and that ends the window', () => {
    const nine = gridOf(SAMPLE_FORK.rig, 9);
    const scan = { from_m: 0.6, to_m: 1, nominal_m: SAMPLE_FORK.hose.length_m };
    const window = sceneWindow(SAMPLE_FORK, nine, scan);
    if (!window?.long.beyond) throw new Error('no end to the window');
    expect(window.short.beyond).toMatchObject({ reason: 'taut', pose: { down: 0 } });
    expect(window.long.beyond).toMatchObject({ reason: 'close', room: { keepOut: 2 } });
    expect(window.long.beyond.pose.across).toBeLessThan(0);
    expect(window.long.length_m).toBeGreaterThan(SAMPLE_FORK.hose.length_m);
  });

  test('a nominal length that does not hold has no window', () => {
    const scan = { from_m: droop_m, to_m: droop_m * 1.4, nominal_m: droop_m * 1.001 };
    expect(sceneWindow(BARE, gridOf(BARE.rig, 3), scan)).toBeNull();
  });

  test('bend against length is not monotone: a longer hose may be the tighter one', () => {
    const scan = { from_m: droop_m * 1.04, to_m: droop_m * 1.8, nominal_m: droop_m * 1.1 };
    const curve = scanLengths(BARE, gridOf(BARE.rig, 3), scan, 20).map(
      ({ verdict }) => verdict.radius_m ?? 0,
    );
    expect(curve).toHaveLength(20);
    const rises = curve.slice(1).map((radius, index) => radius > (curve[index] ?? 0));
    expect(rises).toContain(true);
    expect(rises).toContain(false);
  });

  test('between the poses of the grid there is none worse than the worst that was looked for', () => {
    const scene = sized(SAMPLE_FORK, droop_m * 1.12);
    const poses = solveScene(scene, grid);
    const worst = worstPose(scene, grid, poses, 'radius');
    if (!worst) throw new Error('no pose');
    const finest = solveScene(scene, gridOf(scene.rig, 33));
    const least = Math.min(...finest.map((pose) => pose.radius_m ?? 0));
    expect(worst.radius_m ?? 0).toBeLessThanOrEqual(least * 1.002);
    const coarse = Math.min(...poses.map((pose) => pose.radius_m ?? 0));
    expect(worst.radius_m ?? 0).toBeLessThanOrEqual(coarse + 1e-12);
  });
});

describe('keep-outs', () => {
  test('a part that the hose comes too near to is named with its pose, and ends the window', () => {
    const [tyre] = SAMPLE_FORK.keepOuts;
    if (!tyre) throw new Error('no tyre');
    const poses = solveScene(SAMPLE_FORK, grid);
    const gaps = poses.map(({ gaps }) => gaps[0]?.gap_m ?? 0);
    const least = Math.min(...gaps);
    expect(least).toBeGreaterThan(leastGap_m(tyre));
    const asked: Scene = { ...SAMPLE_FORK, keepOuts: [{ ...tyre, gap_m: least + 0.001 }] };
    const again = solveScene(asked, grid);
    const verdict = judgeScene(asked, again, again[grid.installed]);
    expect(verdict).toMatchObject({ holds: false, reason: 'close', room: { keepOut: 0 } });
    expect(verdict.room?.spare_m).toBeCloseTo(-0.001, 7);
    // Of poses that are alike to a tenth of a millimetre the one nearest to straight ahead is named.
    const named = poses.findIndex(({ pose }) => pose === verdict.pose);
    expect(gaps[named]).toBeCloseTo(least, 4);
  });

  test('a part on the bars goes round with them: nothing changes at the locks', () => {
    const { hose } = SAMPLE_FORK;
    const onBars: Scene = {
      ...SAMPLE_FORK,
      keepOuts: SAMPLE_FORK.keepOuts.map((keepOut) => ({ ...keepOut, body: 'bars' })),
      hose: { ...hose, end: { ...hose.end, body: 'bars' } },
    };
    const gaps = solveScene(onBars, grid).map(({ gaps }) => gaps[0]?.gap_m ?? 0);
    for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0] ?? 0, 5);
  });

  test.each([
    [{ shape: 'sphere', centre_m: [0, 0, 0], radius_m: 1 }, [3, 0, 0], 2],
    [{ shape: 'capsule', a_m: [0, 0, 0], b_m: [2, 0, 0], radius_m: 1 }, [5, 0, 0], 2],
    [{ shape: 'capsule', a_m: [0, 0, 0], b_m: [2, 0, 0], radius_m: 1 }, [1, 3, 0], 2],
    [{ shape: 'cylinder', a_m: [0, 0, 0], b_m: [2, 0, 0], radius_m: 1 }, [5, 0, 0], 3],
    [{ shape: 'cylinder', a_m: [0, 0, 0], b_m: [2, 0, 0], radius_m: 1 }, [5, 5, 0], 5],
    [{ shape: 'cylinder', a_m: [0, 0, 0], b_m: [2, 0, 0], radius_m: 1 }, [1, 0, 0], -1],
    [{ shape: 'ring', centre_m: [0, 0, 0], axis: [0, 1, 0], ring_m: 3, tube_m: 1 }, [3, 4, 0], 3],
    [{ shape: 'ring', centre_m: [0, 0, 0], axis: [0, 1, 0], ring_m: 3, tube_m: 1 }, [0, 0, 0], 2],
    [{ shape: 'box', centre_m: [0, 0, 0], half_m: [1, 2, 3] }, [4, 6, 3], 5],
    [{ shape: 'box', centre_m: [0, 0, 0], half_m: [1, 2, 3] }, [0, 0, 0], -1],
  ] as const)('from %j to %j it is %d (closed form)', (solid, [x, y, z], away) => {
    expect(distanceTo(placed(solid, STILL), x, y, z)).toBeCloseTo(away, 12);
  });
});

describe('clips', () => {
  const held = (clip: Partial<SceneClip>): Scene => ({
    ...BARE,
    hose: {
      ...BARE.hose,
      length_m: 0.9,
      clips: [
        {
          id: 'yoke',
          body: 'bars',
          point_m: [0.12, -0.12, 0.8],
          along: unit([0.3, 0.1, -0.95]),
          at_m: 0.28,
          ...clip,
        },
      ],
    },
  });

  test('parts the hose into spans that each hold their own length', () => {
    const scene = held({});
    const [first, second] = piecesOf(scene);
    expect(first?.length_m).toBeCloseTo(0.28 - 0.025, 12);
    expect(second?.length_m).toBeCloseTo(0.9 - 0.28 - 0.025, 12);
    const [pose] = solveScene(scene, grid);
    expect(pose?.spans).toHaveLength(2);
    expect(pose?.clocking_rad).toBeNull();
    // The first span is on the bars at both its ends: no pose moves it.
    expect(chordRange_m(first?.spans ?? fail(), grid)).toBeLessThan(1e-12);
    expect(chordRange_m(second?.spans ?? fail(), grid)).toBeGreaterThan(0.05);
  });

  test('a guide shares one length between its spans: they add up in every pose, and the wheel draws hose through it', () => {
    const scene = held({ slides: true });
    const poses = solveScene(scene, grid);
    const first = poses.map(({ spans }) => spans[0]?.ends.length_m ?? 0);
    for (const [index, { spans }] of poses.entries()) {
      expect(spans.every(({ shape }) => shape.status === 'converged')).toBe(true);
      expect((first[index] ?? 0) + (spans[1]?.ends.length_m ?? 0)).toBeCloseTo(0.9 - 0.05, 9);
    }
    expect(Math.max(...first) - Math.min(...first)).toBeGreaterThan(0.0002);
    // Where the hose was first seen in it does not matter.
    const elsewhere = solveScene(held({ slides: true, at_m: 0.3 }), grid);
    for (const [index, { spans }] of elsewhere.entries())
      expect(spans[0]?.ends.length_m).toBeCloseTo(first[index] ?? 0, 3);
  });

  test('followed on a drag, a guided hose is where it is when solved anew', () => {
    const at = (length_m: number) => {
      const scene = held({ slides: true });
      return { ...scene, hose: { ...scene.hose, length_m } };
    };
    const followed = followScene(at(0.904), grid, solveScene(at(0.9), grid));
    const anew = solveScene(at(0.904), grid);
    for (const [index, { spans, radius_m }] of followed.entries()) {
      expect(spans[0]?.ends.length_m).toBeCloseTo(anew[index]?.spans[0]?.ends.length_m ?? 0, 4);
      expect((radius_m ?? 0) / (anew[index]?.radius_m ?? 1)).toBeCloseTo(1, 3);
    }
  });

  test('what a drag does not touch is taken over as it is: the span before the clip', () => {
    const at = (length_m: number) => {
      const scene = held({});
      return { ...scene, hose: { ...scene.hose, length_m } };
    };
    const before = solveScene(at(0.9), grid);
    const after = followScene(at(0.904), grid, before);
    for (const [index, { spans }] of after.entries()) {
      expect(spans[0]).toBe(before[index]?.spans[0]);
      expect(spans[1]).not.toBe(before[index]?.spans[1]);
    }
  });

  test('a guide lets the twist through: the hose keeps its clocking, a clip ends it', () => {
    expect(solveScene(held({}), grid)[grid.installed]?.clocking_rad).toBeNull();
    expect(solveScene(held({ slides: true }), grid)[grid.installed]?.clocking_rad).not.toBeNull();
  });

  test('a clip that grips a stiffener: the bending spans end at the stiffener’s ends', () => {
    const scene = held({});
    const stiff = { id: 'tube', from_m: 0.26, length_m: 0.05 };
    const gripped: Scene = { ...scene, hose: { ...scene.hose, stiffeners: [stiff] } };
    const [first, second] = piecesOf(gripped);
    expect(first?.length_m).toBeCloseTo(0.26 - 0.025, 12);
    expect(second?.length_m).toBeCloseTo(0.9 - 0.31 - 0.025, 12);
    const [pose] = solveScene(gripped, grid);
    const [from, to] = [pose?.spans[0]?.ends.end.point_m, pose?.spans[1]?.ends.start.point_m];
    expect(distanceBetween(from ?? [0, 0, 0], to ?? [0, 0, 0])).toBeCloseTo(0.05, 9);
  });

  test('a free stiffener takes up bend: the hose beside it turns harder', () => {
    const longer = sized(BARE, droop_m * 1.1);
    const scene: Scene = {
      ...longer,
      hose: { ...longer.hose, stiffeners: [{ id: 'tube', from_m: 0.3, length_m: 0.08 }] },
    };
    const [bare, stiff] = [solveScene(longer, grid), solveScene(scene, grid)];
    const tightest = (poses: typeof bare) => Math.min(...poses.map(({ radius_m }) => radius_m ?? 0));
    expect(stiff.every(({ spans }) => spans.every(({ shape }) => shape.status === 'converged'))).toBe(true);
    expect(tightest(stiff)).toBeLessThan(tightest(bare));
    expect(tightest(stiff)).toBeGreaterThan(0.01);
  });

  test.each([
    ['in a fitting', { from_m: 0.01, length_m: 0.05 }, {}],
    ['across a guide', { from_m: 0.26, length_m: 0.05 }, { slides: true }],
    ['too near a clip', { from_m: 0.282, length_m: 0.05 }, {}],
  ])('a stiffener %s has no place', (_where, stiff, clip) => {
    const scene = held(clip);
    const wrong = { ...scene, hose: { ...scene.hose, stiffeners: [{ id: 'tube', ...stiff }] } };
    expect(sceneProblem(wrong)).toEqual({ code: 'stiffenerOutOfPlace', field: 'stiffeners.0.from_m' });
  });

  test('a clip too far along leaves its own span too short, and that is the one named', () => {
    const verdict = solveScene(held({ at_m: 0.21 }), grid)[grid.installed];
    expect(verdict?.decidingSpan).toBe(0);
    expect(verdict?.chordRatio).toBeGreaterThan(TAUT_RATIO);
  });
});

test('an arch whose ends are turned through flat flips to the other side, and that is a jump; short of flat it is none', () => {
  const turned = (to_rad: number) =>
    solveEnvelope(
      freeSpan(({ down }) => {
        const angle = 0.5 + (to_rad - 0.5) * down;
        return {
          start: { point_m: [0, 0, 0], tangent: [Math.cos(angle), Math.sin(angle), 0] },
          end: { point_m: [0.2, 0, 0], tangent: [Math.cos(angle), -Math.sin(angle), 0] },
          length_m: 0.22,
        };
      }),
      {
        columns: 1,
        installed: 0,
        poses: Array.from({ length: 9 }, (_none, index) => ({ across: 0, down: index / 8 })),
      },
    ).flat();
  expect(turned(0.1).some(({ snapped }) => snapped)).toBe(false);
  const through = turned(-0.5);
  expect(through.some(({ snapped }) => snapped)).toBe(true);
  // And it did go over: the bow is on the other side.
  const heights = [through[0], through.at(-1)].map((pose) =>
    pose ? (rodPoints(pose.ends, pose.shape)[32]?.[1] ?? 0) : 0,
  );
  expect(heights[0]).toBeGreaterThan(0.02);
  expect(heights[1]).toBeLessThan(-0.02);
});

test('a mirrored vehicle gives a mirrored hose: the same bend, gap and chord in the mirrored pose', () => {
  const over = ([x, y, z]: Vector): Vector => [x, -y, z];
  const { hose, rig, keepOuts } = sized(SAMPLE_FORK, 0.86);
  const end = (given: typeof hose.start) => ({
    ...given,
    port_m: over(given.port_m),
    outward: over(given.outward),
    eyeAxis: given.eyeAxis && over(given.eyeAxis),
  });
  const mirrored: Scene = { rig, keepOuts, hose: { ...hose, start: end(hose.start), end: end(hose.end) } };
  const [one, other] = [{ rig, hose, keepOuts }, mirrored].map((scene) => solveScene(scene, grid));
  for (const [index, pose] of (one ?? []).entries()) {
    const row = Math.floor(index / 5);
    const twin = other?.[5 * row + 4 - (index % 5)];
    expect((twin?.radius_m ?? 0) / (pose.radius_m ?? 1)).toBeCloseTo(1, 3);
    expect(twin?.chordRatio).toBeCloseTo(pose.chordRatio, 9);
    expect(twin?.gaps[0]?.gap_m).toBeCloseTo(pose.gaps[0]?.gap_m ?? 0, 4);
    expect(-(twin?.clocking_rad ?? 0)).toBeCloseTo(pose.clocking_rad ?? 1, 3);
  }
});

test('a pose off the grid agrees with the one on it', () => {
  const poses = solveScene(SAMPLE_FORK, grid);
  const [first, second] = poses;
  if (!first || !second) throw new Error('no poses');
  const again = solvePose(SAMPLE_FORK, first.pose, second);
  expect(again.radius_m).toBeCloseTo(first.radius_m ?? 0, 7);
});

test('the window of a flat route is never below the Dubins bound of its least radius (Dubins 1957)', () => {
  let windows = 0;
  fc.assert(
    fc.property(
      within(0.15, 0.4),
      within(-0.15, 0.15),
      within(-1.2, 1.2),
      within(-1.2, 1.2),
      (x, y, a, b) => {
        const leastRadius_m = 0.04;
        const [body, rigid_m, eyeAxis] = ['frame', 0, null] as const;
        const scene: Scene = {
          rig: SAMPLE_FORK.rig,
          keepOuts: [],
          hose: {
            start: { body, port_m: [0, 0, 0], outward: [Math.cos(a), Math.sin(a), 0], rigid_m, eyeAxis },
            end: { body, port_m: [x, y, 0], outward: [-Math.cos(b), -Math.sin(b), 0], rigid_m, eyeAxis },
            clips: [],
            length_m: norm([x, y, 0]) * 1.2,
            outside_m: 0.0075,
            leastRadius_m,
          },
        };
        const chord = norm([x, y, 0]);
        const still = { columns: 1, installed: 0, poses: [AS_MEASURED] };
        const scan = { from_m: chord, to_m: chord * 1.6, nominal_m: chord * 1.2 };
        const window = sceneWindow(scene, still, scan);
        if (!window) return;
        const [pose] = solveScene(scene, still, window.short.length_m);
        const [span] = pose?.spans ?? [];
        const isFlat = span && rodPoints(span.ends, span.shape).every((point) => Math.abs(point[2]) < 1e-6);
        if (!isFlat) return;
        windows += 1;
        const [shortest] = planarDubins(
          { x_m: 0, y_m: 0, heading_rad: a },
          { x_m: x, y_m: y, heading_rad: b },
          leastRadius_m * 0.99,
        );
        expect(window.short.length_m).toBeGreaterThanOrEqual((shortest?.length_m ?? 0) - 1e-6);
      },
    ),
    { numRuns: 48, seed: 20_261_125 },
  );
  expect(windows).toBeGreaterThan(5);
});

function fail(): never {
  throw new Error('no span');
}

describe('followed with half the nodes while something is dragged', () => {
  const scene = sized(SAMPLE_FORK, 0.71);
  const nine = gridOf(scene.rig, 9);

  test('bends within half a hundredth of what all the nodes say, ends within a hundredth of a millimetre of where they should', () => {
    let poses = coarserPoses(solveScene(scene, nine));
    for (let step = 1; step <= 12; step += 1)
      poses = followScene(sized(scene, 0.71 + step / 1000), nine, poses);
    const anew = solveScene(sized(scene, 0.722), nine);
    for (const [index, { radius_m, spans, gaps }] of poses.entries()) {
      expect(spans[0]?.shape.tangents).toHaveLength(3 * 33);
      expect((radius_m ?? 0) / (anew[index]?.radius_m ?? 1)).toBeGreaterThan(0.995);
      expect((radius_m ?? 0) / (anew[index]?.radius_m ?? 1)).toBeLessThan(1.005);
      for (const { ends, shape } of spans)
        expect(distanceBetween(rodPoints(ends, shape).at(-1) ?? [9, 9, 9], ends.end.point_m)).toBeLessThan(
          1e-5,
        );
      for (const [part, gap] of gaps.entries())
        expect(Math.abs((gap?.gap_m ?? 9) - (anew[index]?.gaps[part]?.gap_m ?? 0))).toBeLessThan(0.001);
    }
  });

  test('a shape with stiffeners keeps its nodes: half of them would not be where it is stiff', () => {
    const stiff = {
      ...scene,
      hose: { ...scene.hose, stiffeners: [{ id: 'tube', from_m: 0.3, length_m: 0.05 }] },
    };
    const [pose] = coarserPoses(solveScene(stiff, gridOf(stiff.rig, 3)));
    expect(pose?.spans[0]?.shape.tangents).toHaveLength(3 * 65);
  });
});

test('a scan with half the nodes says what each length says by itself with all of them', () => {
  const three = gridOf(SAMPLE_FORK.rig, 3);
  const scan = { from_m: 0.68, to_m: 0.9, nominal_m: SAMPLE_FORK.hose.length_m };
  for (const { length_m, verdict } of scanLengths(SAMPLE_FORK, three, scan, 12)) {
    const alone = judgeAt(SAMPLE_FORK, three, length_m);
    expect(verdict.holds).toBe(alone.holds);
    if (alone.radius_m !== null)
      expect(Math.abs((verdict.radius_m ?? 0) / alone.radius_m - 1)).toBeLessThan(0.005);
    expect(Math.abs((verdict.room?.spare_m ?? 9) - (alone.room?.spare_m ?? 0))).toBeLessThan(0.001);
  }
});
