/** Solids as the drawing library wants them: a shape in its own middle, and where that lies on its body and in a pose. */
import type { Placement, Solid, Vector } from '@zephyrcombe/core';
import {
  BoxGeometry,
  CapsuleGeometry,
  CylinderGeometry,
  Matrix4,
  Quaternion,
  SphereGeometry,
  TorusGeometry,
  Vector3,
} from 'three';
import type { BufferGeometry } from 'three';

/** The library's bars stand along y, its rings lie about z. */
export const UP = new Vector3(0, 1, 0);
export const OUT = new Vector3(0, 0, 1);

/** Where a body went: its three directions, and where its origin is now. */
export function matrixOf({ point, direction }: Placement): Matrix4 {
  return new Matrix4()
    .makeBasis(
      new Vector3(...direction([1, 0, 0])),
      new Vector3(...direction([0, 1, 0])),
      new Vector3(...direction([0, 0, 1])),
    )
    .setPosition(...point([0, 0, 0]));
}

/** The solid itself, in its own middle: bars upright along y, rings about z. */
export function geometryOf(solid: Solid): BufferGeometry {
  switch (solid.shape) {
    case 'sphere':
      return new SphereGeometry(solid.radius_m, 32, 20);
    case 'capsule':
      return new CapsuleGeometry(solid.radius_m, lengthOf(solid.a_m, solid.b_m), 8, 24);
    case 'cylinder':
      return new CylinderGeometry(solid.radius_m, solid.radius_m, lengthOf(solid.a_m, solid.b_m), 40);
    case 'ring':
      return new TorusGeometry(solid.ring_m, solid.tube_m, 18, 72);
    case 'box': {
      const [x, y, z] = solid.half_m;
      return new BoxGeometry(2 * x, 2 * y, 2 * z);
    }
  }
}

const lengthOf = (a: Vector, b: Vector) => new Vector3(...a).distanceTo(new Vector3(...b));

/** Where that solid lies on its body as measured. */
export function restOf(solid: Solid): Matrix4 {
  const turned = (from: Vector3, to: Vector3) => new Quaternion().setFromUnitVectors(from, to.normalize());
  const one = new Vector3(1, 1, 1);
  switch (solid.shape) {
    case 'sphere':
    case 'box':
      return new Matrix4().setPosition(...solid.centre_m);
    case 'ring':
      return new Matrix4().compose(
        new Vector3(...solid.centre_m),
        turned(OUT, new Vector3(...solid.axis)),
        one,
      );
    case 'capsule':
    case 'cylinder': {
      const [a, b] = [new Vector3(...solid.a_m), new Vector3(...solid.b_m)];
      const along = b.clone().sub(a);
      return new Matrix4().compose(
        a.add(b).multiplyScalar(0.5),
        along.length() > 0 ? turned(UP, along) : new Quaternion(),
        one,
      );
    }
  }
}
