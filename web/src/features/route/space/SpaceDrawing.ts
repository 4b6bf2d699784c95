/**
 * The corner in the round: solids, the hose in the pose looked at, and its sweep. Knows nothing of the page but the canvas
 * it draws on; it draws when something changed and rests otherwise. x forward, y left, z up, metres, as everywhere.
 */
import type { CornerHose, KeepOut, Rig, RigPose, Vector } from '@zephyrcombe/core';
import { cornersOf, placementOf } from '@zephyrcombe/core';
import {
  BufferAttribute,
  BufferGeometry,
  CatmullRomCurve3,
  ConeGeometry,
  CylinderGeometry,
  DirectionalLight,
  Group,
  HemisphereLight,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  OrthographicCamera,
  Scene,
  SphereGeometry,
  TorusGeometry,
  TubeGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';
import type { RouteFrame, ShownPose } from '../engine/compute.ts';
import type { Bounds } from '../drawing/projection.ts';
import { geometryOf, matrixOf, OUT, restOf, UP } from './solids.ts';

export interface SpaceColours {
  readonly hose: string;
  readonly sweep: string;
  readonly fitting: string;
  readonly sleeve: string;
  readonly hot: string;
  readonly moving: string;
  readonly still: string;
  readonly service: string;
  readonly tight: string;
}

export interface SpaceContent {
  readonly rig: Rig;
  readonly hose: CornerHose;
  readonly keepOuts: readonly KeepOut[];
  readonly pose: RigPose;
  readonly frame: RouteFrame | null;
  readonly shown: ShownPose | null;
}

/** From where it is looked at: towards the middle of the corner. */
export const LOOKS = {
  quarter: [1, -1.2, 0.8],
  side: [0, -1, 0],
  front: [1, 0, 0],
  top: [0, -0.001, 1],
} as const satisfies Readonly<Record<string, Vector>>;
export type Look = keyof typeof LOOKS;

const AROUND = 10;
const TIGHT_m = 0.006;
const CLIP_m = 0.006;
const MARGIN = 1.08;

export class SpaceDrawing {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new OrthographicCamera();
  private readonly controls: OrbitControls;
  /** Rebuilt when the parts change, moved when the pose does. */
  private parts: readonly { readonly mesh: Mesh; readonly keepOut: KeepOut }[] = [];
  private partsOf: readonly KeepOut[] | null = null;
  private hose = new Group();
  private readonly ahead = new Group();
  private readonly aheadTip = new Vector3();
  private sweep: LineSegments | null = null;
  private sweepOf: RouteFrame | null = null;
  private request = 0;
  private size = { width_px: 1, height_px: 1 };
  private reach_m = 1;

  /** Throws where the browser cannot draw in three dimensions. */
  constructor(
    canvas: HTMLCanvasElement,
    private readonly colours: SpaceColours,
    /** After each picture: how many there were, and where the tip of the arrow forward is on the paper. */
    private readonly onDrawn: (frames: number, ahead_px: number, down_px: number) => void,
  ) {
    this.renderer = new WebGLRenderer({ canvas, alpha: true, antialias: true });
    this.renderer.setClearAlpha(0);
    this.camera.up.set(0, 0, 1);
    const lamp = new DirectionalLight(0xffffff, 1.6);
    lamp.position.set(0.4, 0.6, 1);
    this.camera.add(lamp);
    this.scene.add(this.camera, new HemisphereLight(0xffffff, 0x8a8678, 1.7), this.hose, this.ahead);
    this.controls = new OrbitControls(this.camera, canvas);
    this.controls.addEventListener('change', this.later);
  }

  dispose(): void {
    cancelAnimationFrame(this.request);
    this.controls.dispose();
    for (const { mesh } of this.parts) letGo(mesh);
    for (const group of [this.hose, this.ahead])
      group.traverse((object) => {
        if (object instanceof Mesh) letGo(object as Mesh);
      });
    if (this.sweep) letGo(this.sweep);
    this.renderer.dispose();
  }

  /** Looks at the middle of what there is, from a direction. */
  lookFrom(look: Look, { least_m, most_m }: Bounds): void {
    const middle = new Vector3(...least_m).add(new Vector3(...most_m)).multiplyScalar(0.5);
    this.reach_m = new Vector3(...most_m).sub(new Vector3(...least_m)).length() / 2;
    this.controls.target.copy(middle);
    this.camera.position
      .copy(middle)
      .add(new Vector3(...LOOKS[look]).normalize().multiplyScalar(4 * this.reach_m));
    this.camera.near = 0;
    this.camera.far = 12 * this.reach_m;
    this.camera.zoom = 1;
    this.frameUp();
    this.controls.update();
    this.camera.updateMatrixWorld();
    this.fill(least_m, most_m);
    this.point(least_m, most_m);
    this.later();
  }

  /** By so much about the upright axis and over it, radians, and nearer by a factor. */
  turn(round_rad: number, over_rad: number, nearer = 1): void {
    const { target } = this.controls;
    const from = this.camera.position.clone().sub(target);
    const distance = from.length();
    const round = Math.atan2(from.y, from.x) + round_rad;
    const over = Math.max(-1.5, Math.min(1.5, Math.asin(from.z / distance) + over_rad));
    from.set(Math.cos(over) * Math.cos(round), Math.cos(over) * Math.sin(round), Math.sin(over));
    this.camera.position.copy(target).add(from.multiplyScalar(distance));
    this.camera.zoom = Math.max(0.3, Math.min(20, this.camera.zoom * nearer));
    this.camera.updateProjectionMatrix();
    this.controls.update();
    this.later();
  }

  resize(width_px: number, height_px: number): void {
    this.size = { width_px, height_px };
    this.renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    this.renderer.setSize(width_px, height_px, false);
    this.frameUp();
    this.later();
  }

  show(content: SpaceContent): void {
    const { rig, keepOuts, pose, frame } = content;
    if (this.partsOf !== keepOuts) this.takeParts(keepOuts);
    for (const { mesh, keepOut } of this.parts) {
      mesh.matrixAutoUpdate = false;
      mesh.matrix.copy(matrixOf(placementOf(rig, keepOut.body, pose))).multiply(restOf(keepOut.solid));
    }
    if (this.sweepOf !== frame) this.takeSweep(frame);
    this.takeHose(content);
    this.later();
  }

  /** As near as the whole of it fits the paper from here. */
  private fill(least_m: Vector, most_m: Vector): void {
    let [wide, high] = [1e-6, 1e-6];
    for (const x of [least_m[0], most_m[0]])
      for (const y of [least_m[1], most_m[1]])
        for (const z of [least_m[2], most_m[2]]) {
          const corner = new Vector3(x, y, z).project(this.camera);
          [wide, high] = [Math.max(wide, Math.abs(corner.x)), Math.max(high, Math.abs(corner.y))];
        }
    this.camera.zoom = 1 / Math.max(wide, high);
    this.camera.updateProjectionMatrix();
  }

  /** An arrow under the corner that points the way the vehicle goes. */
  private point(least_m: Vector, most_m: Vector): void {
    this.ahead.clear();
    const [x, y, z] = [(least_m[0] + most_m[0]) / 2, (least_m[1] + most_m[1]) / 2, least_m[2]];
    const long_m = (most_m[0] - least_m[0]) / 4;
    const material = new MeshLambertMaterial({ color: this.colours.moving });
    const shaft = new Mesh(new CylinderGeometry(0.002, 0.002, long_m, 8), material);
    const head = new Mesh(new ConeGeometry(0.008, 0.03, 16), material);
    for (const [mesh, at] of [
      [shaft, x + long_m / 2],
      [head, x + long_m],
    ] as const) {
      mesh.position.set(at, y, z);
      mesh.quaternion.setFromUnitVectors(UP, new Vector3(1, 0, 0));
      this.ahead.add(mesh);
    }
    this.aheadTip.set(x + long_m + 0.03, y, z);
  }

  private frameUp(): void {
    const { width_px, height_px } = this.size;
    const half = this.reach_m * MARGIN;
    const wide = width_px > height_px ? (half * width_px) / height_px : half;
    const high = width_px > height_px ? half : (half * height_px) / width_px;
    Object.assign(this.camera, { left: -wide, right: wide, top: high, bottom: -high });
    this.camera.updateProjectionMatrix();
  }

  private frames = 0;
  private readonly later = () => {
    if (this.request !== 0) return;
    this.request = requestAnimationFrame(() => {
      this.request = 0;
      this.renderer.render(this.scene, this.camera);
      this.frames += 1;
      const tip = this.aheadTip.clone().project(this.camera);
      const { width_px, height_px } = this.size;
      this.onDrawn(this.frames, ((1 + tip.x) / 2) * width_px, ((1 - tip.y) / 2) * height_px);
    });
  };

  private takeParts(keepOuts: readonly KeepOut[]): void {
    for (const { mesh } of this.parts) {
      this.scene.remove(mesh);
      letGo(mesh);
    }
    this.parts = keepOuts.map((keepOut) => {
      const mesh = new Mesh(
        geometryOf(keepOut.solid),
        new MeshLambertMaterial({
          color: this.colours[keepOut.nature],
          transparent: true,
          // Seen through, so that a hose behind a part is not lost.
          opacity: keepOut.nature === 'service' ? 0.5 : 0.72,
        }),
      );
      this.scene.add(mesh);
      return { mesh, keepOut };
    });
    this.partsOf = keepOuts;
  }

  private takeSweep(frame: RouteFrame | null): void {
    if (this.sweep) {
      this.scene.remove(this.sweep);
      letGo(this.sweep);
      this.sweep = null;
    }
    this.sweepOf = frame;
    if (!frame || frame.sweepPoints < 2) return;
    const geometry = new BufferGeometry();
    geometry.setAttribute('position', new BufferAttribute(frame.sweep.slice(), 3));
    const pairs: number[] = [];
    const count = frame.sweep.length / 3;
    for (let at = 0; at + 1 < count; at += 1) if ((at + 1) % frame.sweepPoints !== 0) pairs.push(at, at + 1);
    geometry.setIndex(pairs);
    this.sweep = new LineSegments(
      geometry,
      new LineBasicMaterial({ color: this.colours.sweep, transparent: true, opacity: 0.45 }),
    );
    this.scene.add(this.sweep);
  }

  private takeHose({ rig, hose, pose, shown }: SpaceContent): void {
    const drawn = new Group();
    const add = (geometry: BufferGeometry, colour: string) => {
      const mesh = new Mesh(geometry, new MeshLambertMaterial({ color: colour }));
      drawn.add(mesh);
      return mesh;
    };
    const rod = (from: Vector, to: Vector, radius_m: number, colour: string) => {
      const [a, b] = [new Vector3(...from), new Vector3(...to)];
      const mesh = add(new CylinderGeometry(radius_m, radius_m, a.distanceTo(b), 16), colour);
      mesh.position.copy(a).add(b).multiplyScalar(0.5);
      mesh.quaternion.setFromUnitVectors(UP, b.sub(a).normalize());
    };
    const radius_m = hose.outside_m / 2;
    const points = pointsOf(shown?.line ?? null);
    if (points.length > 1)
      add(
        new TubeGeometry(new CatmullRomCurve3([...points]), 2 * points.length, radius_m, AROUND),
        this.colours.hose,
      );
    for (const { line, outside_m } of shown?.sleeves ?? [])
      add(
        new TubeGeometry(
          new CatmullRomCurve3([...pointsOf(line)]),
          line.length / 3,
          Math.max(1.1 * radius_m, outside_m / 2),
          AROUND,
        ),
        this.colours.sleeve,
      );
    for (const [from, to] of shown?.stiff_m ?? []) rod(from, to, 1.3 * radius_m, this.colours.fitting);
    for (const end of [hose.start, hose.end]) {
      const { point, direction } = placementOf(rig, end.body, pose);
      const corners = cornersOf(end).map(point);
      for (const [index, to] of corners.slice(1).entries())
        rod(corners[index] ?? to, to, 1.25 * radius_m, this.colours.fitting);
      if (!end.eyeAxis) continue;
      const axis = new Vector3(...direction(end.eyeAxis)).normalize().multiplyScalar(2.2 * radius_m);
      const middle = new Vector3(...point(end.port_m));
      rod(
        middle.clone().sub(axis).toArray(),
        middle.clone().add(axis).toArray(),
        1.9 * radius_m,
        this.colours.fitting,
      );
    }
    for (const clip of hose.clips) {
      const { point, direction } = placementOf(rig, clip.body, pose);
      const ring = add(
        new TorusGeometry(radius_m + CLIP_m / 2, CLIP_m / (clip.slides ? 3 : 1.6), 10, 24),
        this.colours.fitting,
      );
      ring.position.set(...point(clip.point_m));
      ring.quaternion.setFromUnitVectors(OUT, new Vector3(...direction(clip.along)).normalize());
    }
    if (shown?.tightest_m) {
      const mark = add(new SphereGeometry(TIGHT_m, 16, 12), this.colours.tight);
      mark.position.set(...shown.tightest_m);
    }
    this.scene.remove(this.hose);
    this.hose.traverse((object) => {
      if (object instanceof Mesh) letGo(object as Mesh);
    });
    this.hose = drawn;
    this.scene.add(drawn);
  }
}

function letGo({ geometry, material }: Mesh | LineSegments): void {
  geometry.dispose();
  for (const one of Array.isArray(material) ? material : [material]) one.dispose();
}

const pointsOf = (line: Float32Array | null): readonly Vector3[] =>
  line
    ? Array.from({ length: line.length / 3 }, (_none, at) => new Vector3().fromArray(line, 3 * at)).filter(
        // A span begins where the one before it ended: the same point twice has no direction.
        (point, at, all) => at === 0 || point.distanceToSquared(all[at - 1] ?? point) > 1e-12,
      )
    : [];
