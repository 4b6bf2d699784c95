import fc from 'fast-check';
import type { CautionId } from '../mistakes/caution.ts';
import { add, distanceBetween, dot, scaled, unit } from '../geometry/vector.ts';
import { mirrored, sceneOf } from './corner.ts';
import { sceneWindow } from './judge.ts';
import { rodPoints } from './measures.ts';
import { CORNER_PATTERNS, PATTERN_CORNERS } from './patternCorners.ts';
import { lowerBound_m, proveRoute } from './prove.ts';
import { cornersOf } from './endPiece.ts';
import { fittedEnd } from './fittedEnd.ts';
import { axesOf, gridOf } from './rig.ts';
import type { Scene, SceneHose } from './sceneParts.ts';
import { followScene, solvePose, solveScene } from './scene.ts';
import { patternScene, SAMPLE_FORK } from './testScenes.ts';

const proofOf = (scene: Scene, steps = 5) => {
  const grid = gridOf(scene.rig, steps);
  return proveRoute(scene, grid, solveScene(scene, grid));
};
const cautionsOf = (scene: Scene): readonly CautionId[] => {
  const result = proofOf(scene);
  if (!result.ok) throw new Error(result.problem.code);
  return result.cautions.map(({ id }) => id);
};
const hosed = (scene: Scene, change: Partial<SceneHose>): Scene => ({
  ...scene,
  hose: { ...scene.hose, ...change },
});

describe.each(CORNER_PATTERNS)('pattern %s', (pattern) => {
  const scene = patternScene(pattern);
  const grid = gridOf(scene.rig, 5);

  test('holds in every pose and raises nothing', () => {
    const result = proofOf(scene, 9);
    expect(result).toMatchObject({ ok: true, value: { holds: true, reason: 'none' }, cautions: [] });
    if (!result.ok) return;
    const ends = result.working.map((step) => step.result.meaning);
    expect(ends).toEqual(expect.arrayContaining(['chordRatio', 'bendRadius', 'gap', 'lowerBound']));
  });

  // Every window is at least as long as the shortest way of bounded curvature in its worst pose (Dubins 1957).
  test('its window leaves a hand’s breadth and is never below the bound', () => {
    const { length_m } = scene.hose;
    const scan = { from_m: length_m * 0.75, to_m: length_m * 1.3, nominal_m: length_m };
    const window = sceneWindow(scene, grid, scan);
    const bound_m = lowerBound_m(scene, grid);
    expect(window && window.long.length_m - window.short.length_m).toBeGreaterThan(0.04);
    expect(window?.short.beyond).not.toBeNull();
    expect(window?.short.length_m).toBeGreaterThan(bound_m);
  });

  test('its mirrored corner has the mirrored hose, at the opposite lock', () => {
    const other = sceneOf(mirrored(PATTERN_CORNERS[pattern]), PATTERN_CORNERS[pattern].hoses[0]?.id ?? '');
    if (!other) throw new Error('no mirrored hose');
    const installed = (which: Scene) => {
      const poses = solveScene(which, grid);
      const at = poses[grid.installed];
      if (!at) throw new Error('no pose');
      return at;
    };
    const [here, there] = [installed(scene), installed(other)];
    const { across, down } = axesOf(scene.rig);
    fc.assert(
      fc.property(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, d) => {
          const pose = { across: a * (across?.most ?? 0), down: d * down.most };
          const left = solvePose(scene, pose, here);
          const right = solvePose(other, { across: -pose.across, down: pose.down }, there);
          expect(right.radius_m).toBeCloseTo(left.radius_m ?? 0, 6);
          if (left.clocking_rad !== null) expect(right.clocking_rad).toBeCloseTo(-left.clocking_rad, 5);
          for (const [index, gap] of left.gaps.entries())
            expect(right.gaps[index]?.gap_m).toBeCloseTo(gap?.gap_m ?? 0, 6);
          for (const [index, span] of left.spans.entries()) {
            const twin = right.spans[index];
            if (!twin) throw new Error('a span is missing');
            const points = rodPoints(twin.ends, twin.shape);
            for (const [node, [x, y, z]] of rodPoints(span.ends, span.shape).entries())
              expect(distanceBetween(points[node] ?? [9, 9, 9], [x, -y, z])).toBeLessThan(1e-5);
          }
        },
      ),
      { numRuns: 12 },
    );
  });

  test('its mirrored end has the mirrored neck', () => {
    const corner = PATTERN_CORNERS[pattern];
    const bent = {
      ...scene.hose,
      id: 'bent',
      name: 'bent',
      end: fittedEnd(scene.hose.end, { bend_deg: 45, turn_rad: 0.3 }),
    };
    const [twin] = mirrored({ ...corner, hoses: [bent] }).hoses;
    const corners = cornersOf(bent.end);
    expect(corners).toHaveLength(3);
    expect(twin && cornersOf(twin.end)).toEqual(corners.map(([x, y, z]) => [x, -y, z]));
  });

  test('after a drag the poses are those of a solve from nothing', () => {
    let poses = solveScene(scene, grid);
    for (let by = 1; by <= 8; by += 1) {
      const longer = hosed(scene, { length_m: scene.hose.length_m + by * 0.002 });
      poses = followScene(longer, grid, poses);
    }
    const fresh = solveScene(hosed(scene, { length_m: scene.hose.length_m + 0.016 }), grid);
    for (const [index, pose] of poses.entries()) {
      expect(pose.radius_m).toBeCloseTo(fresh[index]?.radius_m ?? 0, 5);
      expect(pose.chordRatio).toBeCloseTo(fresh[index]?.chordRatio ?? 0, 12);
    }
  });
});

test('another number of clips, or a length with no shape, is solved from nothing', () => {
  const grid = gridOf(SAMPLE_FORK.rig, 3);
  const short = solveScene(hosed(SAMPLE_FORK, { length_m: 0.6 }), grid);
  expect(short.some((pose) => pose.radius_m === null)).toBe(true);
  const again = followScene(SAMPLE_FORK, grid, short);
  expect(again.map(({ radius_m }) => radius_m)).toEqual(
    solveScene(SAMPLE_FORK, grid).map(({ radius_m }) => radius_m),
  );
  expect(followScene(patternScene('swingArm'), grid, again)).toHaveLength(9);
});

// The ids are those of the mistake catalogue; what raises them is our own geometry.
describe('cautions of a route, each where it is made', () => {
  test('M11: two holds that move further apart than the hose between them allows', () => {
    const result = proofOf(hosed(SAMPLE_FORK, { length_m: 0.645 }));
    expect(result).toMatchObject({ ok: true, value: { holds: false, reason: 'taut', radius_m: null } });
    if (!result.ok) return;
    const [caution] = result.cautions;
    if (caution?.id !== 'M11') throw new Error('no M11');
    expect(caution.evidence).toMatchObject({ from: 'start', to: 'end' });
    expect(caution.evidence.chord_m / caution.evidence.free_m).toBeGreaterThan(0.97);
    // Measured between the ends of the rigid pieces, which turn with their bodies: near the travel, not exactly it.
    expect(caution.evidence.moves_m).toBeCloseTo(0.12, 1);
  });

  test('M10: a bend under what the hose stands', () => {
    expect(cautionsOf(hosed(SAMPLE_FORK, { leastRadius_m: 0.2 }))).toEqual(['M10']);
  });

  test('M16: a still part that the hose comes near, until a grommet lies there', () => {
    const [leg] = SAMPLE_FORK.keepOuts.filter(({ nature }) => nature === 'still');
    if (!leg) throw new Error('no still part');
    const alone = (part: typeof leg) => cautionsOf({ ...SAMPLE_FORK, keepOuts: [part] });
    expect(alone(leg)).toEqual([]);
    expect(alone({ ...leg, gap_m: 0.3 })).toEqual(['M16']);
    expect(alone({ ...leg, gap_m: 0.3, sleeved: true })).toEqual([]);
    // A grommet is no answer where the hose would have to run through the part, nor to heat.
    const through = {
      ...leg,
      solid: { shape: 'sphere', centre_m: [0.13, -0.2, 0.7], radius_m: 0.1 },
    } as const;
    expect(alone({ ...through, sleeved: true })).toEqual(['M15']);
    expect(alone({ ...leg, nature: 'hot', gap_m: 0.3, sleeved: true })).toEqual(['M15']);
  });

  test('M18: a fitting over a pad pin, and the turn of the eye that clears it', () => {
    const { end } = SAMPLE_FORK.hose;
    const pin = (radius_m: number): Scene => ({
      ...SAMPLE_FORK,
      keepOuts: [
        {
          id: 'pin',
          name: 'Pad pin',
          body: end.body,
          nature: 'service',
          gap_m: null,
          solid: { shape: 'sphere', centre_m: add(end.port_m, scaled(unit(end.outward), 0.024)), radius_m },
        },
      ],
    });
    const result = proofOf(pin(0.004));
    if (!result.ok) throw new Error(result.problem.code);
    // It is no danger on the road: the route holds all the same.
    expect(result.value.holds).toBe(true);
    expect(result.cautions.map(({ id }) => id)).toEqual(['M18']);
    const [caution] = result.cautions;
    const turn_rad = caution?.id === 'M18' ? caution.evidence.turn_rad : null;
    expect(Math.abs(turn_rad ?? 0)).toBeGreaterThan(0);
    const bend_deg =
      (Math.asin(Math.abs(dot(unit(end.outward), unit(end.eyeAxis ?? [0, 0, 1])))) * 180) / Math.PI;
    const turned = hosed(pin(0.004), { end: fittedEnd(end, { bend_deg, turn_rad: turn_rad ?? 0 }) });
    expect(cautionsOf(turned)).not.toContain('M18');
    // A part that surrounds the port is covered whichever way the eye is turned.
    expect(proofOf(pin(0.06))).toMatchObject({ cautions: [{ id: 'M18', evidence: { turn_rad: null } }] });
  });

  test('M05: a loop that finds the tyre at full bump, M15: a hot part too near elsewhere', () => {
    const [tyre] = patternScene('trikeFront').keepOuts;
    const trike = patternScene('trikeFront');
    const long = hosed(trike, { length_m: 0.62 });
    expect(tyre?.nature).toBe('moving');
    expect(cautionsOf({ ...long, keepOuts: tyre ? [{ ...tyre, gap_m: 0.05 }] : [] })).toEqual(['M05']);
    const pipe = SAMPLE_FORK.keepOuts.filter(({ nature }) => nature === 'hot');
    expect(cautionsOf({ ...SAMPLE_FORK, keepOuts: pipe.map((part) => ({ ...part, gap_m: 0.06 })) })).toEqual([
      'M15',
    ]);
  });

  test('M12: tied to the bars above a long travel', () => {
    const clip = { id: 'bar tie', body: 'bars' as const, along: [0.2, 0.1, -0.9] as const };
    const tied = hosed(SAMPLE_FORK, {
      length_m: 0.78,
      clips: [{ ...clip, point_m: [0.13, -0.23, 0.86], at_m: 0.21 }],
    });
    const ids = cautionsOf({ ...tied, keepOuts: [] });
    expect(ids).toContain('M12');
    const short = { ...tied, rig: { ...tied.rig, travel_m: 0.06 } as Scene['rig'], keepOuts: [] };
    expect(cautionsOf(short)).not.toContain('M12');
    // The catalogue's own way out: a guide instead of a tie.
    const [tie] = tied.hose.clips;
    const guided = hosed(tied, { clips: tie ? [{ ...tie, slides: true }] : [] });
    expect(cautionsOf({ ...guided, keepOuts: [] })).not.toContain('M12');
  });
});

describe('a scene that cannot be solved says which field', () => {
  test.each<[string, Scene, string, string]>([
    ['no length', hosed(SAMPLE_FORK, { length_m: 0 }), 'notPositive', 'length_m'],
    ['not a number', hosed(SAMPLE_FORK, { leastRadius_m: NaN }), 'notFinite', 'leastRadius_m'],
    [
      'shorter than its fittings',
      hosed(SAMPLE_FORK, { length_m: 0.05 }),
      'shorterThanItsFittings',
      'length_m',
    ],
    [
      'no direction',
      hosed(SAMPLE_FORK, { start: { ...SAMPLE_FORK.hose.start, outward: [0, 0, 0] } }),
      'noDirection',
      'start.outward',
    ],
    [
      'a neck that points nowhere',
      hosed(SAMPLE_FORK, {
        end: { ...SAMPLE_FORK.hose.end, neck: { along: [0, 0, 0], length_m: 0.01 } },
      }),
      'noDirection',
      'end.neck',
    ],
    [
      'a neck longer than its rigid piece',
      hosed(SAMPLE_FORK, {
        start: { ...SAMPLE_FORK.hose.start, neck: { along: [0, 1, 0], length_m: 0.03 } },
      }),
      'neckTooLong',
      'start.neck',
    ],
    [
      'a clip beyond the far fitting',
      hosed(SAMPLE_FORK, {
        clips: [{ id: 'far', body: 'bars', point_m: [0, 0, 0.8], along: [0, 0, -1], at_m: 0.7 }],
      }),
      'clipsOutOfOrder',
      'clips.0.at_m',
    ],
    [
      'a clip within the first fitting',
      hosed(SAMPLE_FORK, {
        clips: [{ id: 'near', body: 'bars', point_m: [0, 0, 0.8], along: [0, 0, -1], at_m: 0.01 }],
      }),
      'clipsOutOfOrder',
      'clips.0.at_m',
    ],
  ])('%s', (_name, scene, code, field) => {
    expect(proveRoute(scene, gridOf(scene.rig, 3), [])).toMatchObject({
      ok: false,
      problem: { code, field },
    });
  });
});
