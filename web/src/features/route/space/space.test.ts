import type { KeepOut, Solid, Vector } from '@zephyrcombe/core';
import { distanceTo, gridOf, PATTERN_CORNERS, placed, placementOf, sceneOf } from '@zephyrcombe/core';
import { Vector3 } from 'three';
import { RouteComputer } from '../engine/compute.ts';
import { matrixOf, restOf } from './solids.ts';
import { partRows, placesOf } from './spaceRows.ts';

const corner = PATTERN_CORNERS.fork;
const scene = sceneOf(corner, corner.hoses[0]?.id ?? '');
if (!scene) throw new Error('the fork pattern has a hose');
const [pose] = gridOf(scene.rig, 3).poses;
if (!pose) throw new Error('the fork moves');

test('what is drawn in the round stands where the figures have it: a body’s matrix takes points as its placement does', () => {
  for (const body of ['bars', 'sliders', 'frame'] as const) {
    const placement = placementOf(corner.rig, body, pose);
    const matrix = matrixOf(placement);
    for (const point of [
      [0.1, 0.2, 0.3],
      [-0.4, 0, 0.9],
    ] as const satisfies readonly Vector[]) {
      const [x, y, z] = placement.point(point);
      const drawn = new Vector3(...point).applyMatrix4(matrix);
      expect(drawn.distanceTo(new Vector3(x, y, z))).toBeLessThan(1e-12);
    }
  }
});

// A point on the drawn surface, in the solid's own middle, is on the surface that gaps are measured from.
test.each<[Solid, Vector]>([
  [{ shape: 'sphere', centre_m: [0.1, 0.2, 0.3], radius_m: 0.05 }, [0, 0, 0.05]],
  [{ shape: 'capsule', a_m: [0, 0.1, 0], b_m: [0.2, 0.1, 0.1], radius_m: 0.02 }, [0.02, 0, 0]],
  [{ shape: 'cylinder', a_m: [0, 0.1, 0], b_m: [0.2, 0.1, 0.1], radius_m: 0.02 }, [0, 0, -0.02]],
  [{ shape: 'ring', centre_m: [0.4, 0, 0.3], axis: [0, 1, 0], ring_m: 0.25, tube_m: 0.06 }, [0.31, 0, 0]],
  [{ shape: 'box', centre_m: [0.1, 0, 0.2], half_m: [0.03, 0.04, 0.05] }, [0.03, 0.01, 0.02]],
])('the drawn %j is the one that is kept away from', (solid, onIt) => {
  const placement = placementOf(corner.rig, 'bars', pose);
  const drawn = new Vector3(...onIt).applyMatrix4(matrixOf(placement).multiply(restOf(solid)));
  expect(distanceTo(placed(solid, placement), drawn.x, drawn.y, drawn.z)).toBeCloseTo(0, 9);
});

describe('the table beside it', () => {
  const computer = new RouteComputer();
  computer.frame(scene, pose, true);
  const shown = computer.shown(pose);

  test('goes from port to port in even steps along the hose', () => {
    const rows = placesOf(shown?.line ?? null);
    expect(rows).toHaveLength(9);
    const port = placementOf(scene.rig, scene.hose.start.body, pose).point(scene.hose.start.port_m);
    for (const axis of [0, 1, 2] as const) expect(rows[0]?.point_m[axis]).toBeCloseTo(port[axis], 5);
    const far = placementOf(scene.rig, scene.hose.end.body, pose).point(scene.hose.end.port_m);
    for (const axis of [0, 1, 2] as const) expect(rows[8]?.point_m[axis]).toBeCloseTo(far[axis], 5);
    // Chords are a little shorter than the hose between them.
    expect((rows[8]?.along_m ?? 0) / scene.hose.length_m).toBeCloseTo(1, 2);
    expect((rows[4]?.along_m ?? 0) / (rows[8]?.along_m ?? 1)).toBeCloseTo(0.5, 6);
  });

  test('is empty where the hose has no shape', () => {
    expect(placesOf(null)).toEqual([]);
    expect(partRows(scene.keepOuts, null)).toEqual([]);
  });

  test('names the part that is nearest to its limit first', () => {
    const rows = partRows(scene.keepOuts, shown);
    const spare = rows.map(({ gap_m, wanted_m }) => gap_m - wanted_m);
    expect(rows.map(({ part }: { readonly part: KeepOut }) => part.name).sort()).toEqual(
      scene.keepOuts.map(({ name }) => name).sort(),
    );
    expect(spare).toEqual([...spare].sort((a, b) => a - b));
  });
});
