/**
 * The same free hose as general physics engines would do it: a rope of 24 capsules, clamped at both ends, with a torque between
 * neighbours that resists bending, stepped until it rests. Only how long that takes is compared; a rope of capsules has no radius to read.
 */
import RAPIER from '@dimforge/rapier3d-compat';
import type { RodEnds, Vector } from '@zephyrcombe/core';
import { rodPoints, solveRod } from '@zephyrcombe/core';
import { Body, PointToPointConstraint, Quaternion, Sphere, Vec3, World } from 'cannon-es';

const CAPSULES = 24;
const STEP_s = 1 / 240;
/** Still moving after these: it has not come to rest. */
export const MOST_STEPS = 4000;
/** Soft enough for explicit torques at this step; a rope that only bends rests in the same shape whatever the stiffness. */
const STIFFNESS_Nm = 0.001;
const MASS_kg = 0.01;
const DAMPING = 12;
/** At rest: over so many steps nothing moved further than this. A speed would not tell: a damped rope creeps, and joints tremble. */
const RESTS_m = 2e-5;
const WATCHED_STEPS = 60;

export interface Rope {
  /** Moves the far clamp. */
  shift(by: Vector): void;
  /** Steps until nothing moves any more; the number of steps it took. */
  settle(): number;
}

/** Where the capsules start: along the solved shape, so that the engines are spared the way there from a straight line. */
function startOf(ends: RodEnds): {
  readonly middles: readonly Vector[];
  readonly along: readonly Vector[];
  readonly half_m: number;
} {
  const points = rodPoints(ends, solveRod(ends));
  const at = (share: number): Vector => {
    const place = share * (points.length - 1);
    const [a, b] = [points[Math.floor(place)], points[Math.ceil(place)]];
    const s = place - Math.floor(place);
    if (!a || !b) throw new Error('beyond the hose');
    return [a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1]), a[2] + s * (b[2] - a[2])];
  };
  const knots = Array.from({ length: CAPSULES + 1 }, (_none, index) => at(index / CAPSULES));
  const pairs = knots.slice(1).map((to, index) => [knots[index] ?? to, to] as const);
  return {
    middles: pairs.map(([a, b]): Vector => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]),
    along: pairs.map(([a, b]): Vector => {
      const d: Vector = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
      const size = Math.hypot(...d);
      return [d[0] / size, d[1] / size, d[2] / size];
    }),
    half_m: ends.length_m / CAPSULES / 2,
  };
}

const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** From the y axis, along which capsules lie, to a direction. */
function turnTo([x, y, z]: Vector): { x: number; y: number; z: number; w: number } {
  const w = 1 + y;
  const size = Math.hypot(z, 0, -x, w);
  return size < 1e-9 ? { x: 1, y: 0, z: 0, w: 0 } : { x: z / size, y: 0, z: -x / size, w: w / size };
}

function yAxisOf({ x, y, z, w }: { x: number; y: number; z: number; w: number }): Vector {
  return [2 * (x * y - w * z), 1 - 2 * (x * x + z * z), 2 * (y * z + w * x)];
}

/** Told where everything is after each step, it knows when nothing moves any more. */
class Watch {
  private before: readonly number[] | null = null;

  rests(step: number, places: () => readonly number[]): boolean {
    if (step % WATCHED_STEPS !== 0) return false;
    const now = places();
    const rests = this.before?.every((place, index) => Math.abs(place - (now[index] ?? Infinity)) < RESTS_m);
    this.before = now;
    return rests ?? false;
  }
}

export async function readyEngines(): Promise<void> {
  await RAPIER.init();
}

export function rapierRope(ends: RodEnds): Rope {
  const { middles, along, half_m } = startOf(ends);
  const world = new RAPIER.World({ x: 0, y: 0, z: 0 });
  world.timestep = STEP_s;
  const bodies = middles.map(([x, y, z], index) => {
    const isClamp = index === 0 || index === CAPSULES - 1;
    const kind = isClamp ? RAPIER.RigidBodyDesc.kinematicPositionBased() : RAPIER.RigidBodyDesc.dynamic();
    const body = world.createRigidBody(
      kind
        .setTranslation(x, y, z)
        .setRotation(turnTo(along[index] ?? [0, 1, 0]))
        .setLinearDamping(DAMPING)
        .setAngularDamping(DAMPING)
        .setCanSleep(false),
    );
    const shape = RAPIER.ColliderDesc.capsule(half_m * 0.9, 0.00375)
      .setMass(MASS_kg)
      .setCollisionGroups(0);
    world.createCollider(shape, body);
    return body;
  });
  for (const [index, body] of bodies.slice(1).entries()) {
    const before = bodies[index];
    if (!before) continue;
    const joint = RAPIER.JointData.spherical({ x: 0, y: half_m, z: 0 }, { x: 0, y: -half_m, z: 0 });
    world.createImpulseJoint(joint, before, body, true);
  }
  const free = bodies.slice(1, -1);
  return {
    shift([x, y, z]) {
      const last = bodies.at(-1);
      const at = last?.translation();
      if (last && at) last.setNextKinematicTranslation({ x: at.x + x, y: at.y + y, z: at.z + z });
    },
    settle() {
      const watch = new Watch();
      for (let step = 1; step <= MOST_STEPS; step += 1) {
        const axes = bodies.map((body) => yAxisOf(body.rotation()));
        for (const body of free) body.resetTorques(false);
        for (const [index, body] of bodies.entries()) {
          const [here, next, other] = [axes[index], axes[index + 1], bodies[index + 1]];
          if (!here || !next || !other) continue;
          const [x, y, z] = cross(here, next);
          body.addTorque({ x: STIFFNESS_Nm * x, y: STIFFNESS_Nm * y, z: STIFFNESS_Nm * z }, false);
          other.addTorque({ x: -STIFFNESS_Nm * x, y: -STIFFNESS_Nm * y, z: -STIFFNESS_Nm * z }, false);
        }
        world.step();
        const places = () =>
          free.flatMap((body) => {
            const { x, y, z } = body.translation();
            return [x, y, z];
          });
        if (watch.rests(step, places)) return step;
      }
      return MOST_STEPS;
    },
  };
}

export function cannonRope(ends: RodEnds): Rope {
  const { middles, along, half_m } = startOf(ends);
  const world = new World({ gravity: new Vec3(0, 0, 0) });
  const bodies = middles.map(([x, y, z], index) => {
    const isClamp = index === 0 || index === CAPSULES - 1;
    const turn = turnTo(along[index] ?? [0, 1, 0]);
    const body = new Body({
      mass: isClamp ? 0 : MASS_kg,
      position: new Vec3(x, y, z),
      quaternion: new Quaternion(turn.x, turn.y, turn.z, turn.w),
      // Its damping is a share lost each second.
      linearDamping: 1 - Math.exp(-DAMPING),
      angularDamping: 1 - Math.exp(-DAMPING),
      collisionFilterGroup: 0,
      collisionFilterMask: 0,
    });
    body.addShape(new Sphere(half_m));
    world.addBody(body);
    return body;
  });
  for (const [index, body] of bodies.slice(1).entries()) {
    const before = bodies[index];
    if (before)
      world.addConstraint(
        new PointToPointConstraint(before, new Vec3(0, half_m, 0), body, new Vec3(0, -half_m, 0)),
      );
  }
  return {
    shift([x, y, z]) {
      const last = bodies.at(-1);
      last?.position.vadd(new Vec3(x, y, z), last.position);
    },
    settle() {
      const watch = new Watch();
      for (let step = 1; step <= MOST_STEPS; step += 1) {
        const axes = bodies.map((body) => yAxisOf(body.quaternion));
        for (const [index, body] of bodies.entries()) {
          const [here, next, other] = [axes[index], axes[index + 1], bodies[index + 1]];
          if (!here || !next || !other) continue;
          const [x, y, z] = cross(here, next);
          const torque = new Vec3(STIFFNESS_Nm * x, STIFFNESS_Nm * y, STIFFNESS_Nm * z);
          body.torque.vadd(torque, body.torque);
          other.torque.vsub(torque, other.torque);
        }
        world.step(STEP_s);
        if (watch.rests(step, () => bodies.flatMap(({ position: { x, y, z } }) => [x, y, z]))) return step;
      }
      return MOST_STEPS;
    },
  };
}

export interface EngineTimes {
  readonly name: string;
  readonly cold_ms: number;
  readonly warm_ms: number;
  readonly rested: boolean;
}

const COLD_m = 0.04;
const WARM_m = 0.002;

/** From a shape 40 mm away, and from one 2 mm away: the way a pose is reached from nothing and from its neighbour. */
export function timeEngine(name: string, make: (ends: RodEnds) => Rope, ends: RodEnds): EngineTimes {
  const [x, y, z] = ends.end.point_m;
  const rope = make({ ...ends, end: { ...ends.end, point_m: [x - COLD_m, y, z] } });
  const timed = (by_m: number) => {
    rope.shift([by_m, 0, 0]);
    const start = performance.now();
    const steps = rope.settle();
    return { ms: performance.now() - start, rested: steps < MOST_STEPS };
  };
  const cold = timed(COLD_m);
  const warm = timed(WARM_m);
  return { name, cold_ms: cold.ms, warm_ms: warm.ms, rested: cold.rested && warm.rested };
}
